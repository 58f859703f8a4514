import { RowButton } from "~/ui/parts/keys";
import { Heading, Table, Text, VisuallyHidden } from "@chakra-ui/react";
import { SheetHead, SheetTools } from "~/ui/parts/sheet";
import { ScrollArea, ThumbTick } from "~/ui/parts/forms";
import { PrepWhoForm } from "~/ui/parts/shopping";
import { useMemo } from "react";
import { data, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/prep";
import { useClass } from "../class-context";
import { formOf, optionalWords } from "../../form";
import { prepTasks, startBy } from "~/core/prep";
import { database } from "~/db/client.server";
import { classOnce, classOr404 } from "~/services/classes.server";
import { accountOf } from "~/services/session.server";
import { givePrep, prepOwners } from "~/services/shop.server";
import { ticksOf } from "~/services/ticks.server";
import { clock, dateOf, minutes, timeOfDay } from "~/ui/format/format";
import { SentMark } from "~/ui/outbox/Sent";
import { useTicks } from "~/ui/pack/useTicks";
import { TextLink } from "~/ui/parts/fields";
import { PrintButton } from "~/ui/parts/PrintButton";
import { useLocale } from "~/ui/sheet/locale";
import { sayPrep } from "~/ui/words/kits";
import { Heads } from "~/ui/sheet/Heads";
import { Hidden, PlainInput, Tick } from "~/ui/parts/plain";

export async function loader({ params, context }: Route.LoaderArgs) {
  await classOnce(context, params.classId);
  const [owners, events] = await Promise.all([
    prepOwners(database(), params.classId),
    ticksOf(database(), params.classId),
  ]);
  return { owners, events, me: accountOf(context).name };
}

const schema = z.object({ task: z.string().min(1).max(200), owner: optionalWords(120) });

export async function action({ request, params }: Route.ActionArgs) {
  await classOr404(params.classId);
  const form = schema.safeParse(Object.fromEntries(await formOf(request)));
  if (!form.success)
    throw data(
      "This was not understood. A name has at most 120 letters: go back, shorten it, or load the page again.",
      { status: 400 },
    );
  await givePrep(database(), params.classId, form.data.task, form.data.owner);
  return redirect(`/classes/${params.classId}/prep`);
}

/** What is done before the class, dated and timed backwards from the doors, with who does it. */
export default function Prep({ loaderData, params }: Route.ComponentProps) {
  const { input, plan, names } = useClass();
  const locale = useLocale();
  const { ticks, tick, waiting, sent, isReady } = useTicks(params.classId, loaderData.events, loaderData.me);
  const tasks = useMemo(() => prepTasks(input, plan, new Map(input.pantry.map((one) => [one.id, one]))), [input, plan]);
  const at = (before: number) =>
    `${dateOf(input.startsAt, input.timeZone, -before, locale)}, ${clock(input.startsAt, input.timeZone, -before, locale)}`;
  return (
    <>
      <SheetHead>
        <Heading as="h2" size="xl">
          Prep
        </Heading>
        <Text color="fg.muted">
          Worked backwards from the doors at {clock(input.startsAt, input.timeZone, 0, locale)}.
        </Text>
        <SheetTools>
          <SentMark waiting={waiting} sent={sent} isSmall />
          <TextLink to="../kits">Kits</TextLink>
          <PrintButton>Print the tasks</PrintButton>
        </SheetTools>
      </SheetHead>
      {tasks.length === 0 ? <Text>Nothing has to be done before the class.</Text> : null}
      <ScrollArea tabIndex={0} role="group" aria-label="Tasks before the class">
        <Table.Root native>
          <Heads of={["Done", "Begin by", "What", { n: "Hands" }, "Keeps", "Who"]} />
          <tbody>
            {tasks.map((task) => {
              const done = ticks.prep.get(task.id);
              return (
                <tr key={task.id}>
                  <td>
                    <ThumbTick>
                      <Tick
                        checked={done !== undefined}
                        disabled={!isReady}
                        onChange={(event) => tick({ list: "prep", key: task.id, isOn: event.target.checked })}
                      />
                      <VisuallyHidden>done</VisuallyHidden>
                    </ThumbTick>
                  </td>
                  <td data-nowrap>
                    <b>{at(startBy(task))}</b>
                    {task.notBefore > startBy(task) ? (
                      <div data-small data-quiet>
                        not before {at(task.notBefore)}
                      </div>
                    ) : null}
                    {done ? (
                      <div data-small>
                        {done.by}, {timeOfDay(done.at, locale, input.timeZone)}
                      </div>
                    ) : null}
                  </td>
                  <td>
                    {sayPrep(task, names)}
                    {task.waitMinutes > 0 ? (
                      <div data-small data-quiet>
                        then it waits {minutes(task.waitMinutes, locale)}
                      </div>
                    ) : null}
                  </td>
                  <td data-numeric>{minutes(task.minutes, locale)}</td>
                  <td data-nowrap>
                    {task.storage === "warm" ? "warm" : task.storage}, {minutes(task.keepsHours * 60, locale)}
                  </td>
                  <td>
                    <PrepWhoForm method="post">
                      <Hidden name="task" value={task.id} />
                      <PlainInput
                        name="owner"
                        maxLength={120}
                        key={loaderData.owners[task.id] ?? ""}
                        defaultValue={loaderData.owners[task.id] ?? ""}
                        aria-label={`Who does it: ${sayPrep(task, names)}`}
                        autoComplete="off"
                      />
                      <RowButton _print={{ display: "none" }} type="submit">
                        keep
                      </RowButton>
                    </PrepWhoForm>
                  </td>
                </tr>
              );
            })}
          </tbody>
        </Table.Root>
      </ScrollArea>
      <Text fontSize="sm" color="fg.muted">
        Hours that cold and hot food keeps go by the local food code first. Label what is made ahead with the day and
        the hour.
      </Text>
    </>
  );
}
