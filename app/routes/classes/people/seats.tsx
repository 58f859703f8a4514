import { Box, HStack, Heading, Text } from "@chakra-ui/react";
import { Columns, SheetHead, SheetTools } from "~/ui/parts/sheet";
import { ActionForm, TickLabel } from "~/ui/parts/forms";
import { ReasonList } from "~/ui/parts/people";
import { useMemo, useState } from "react";
import { data } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/seats";
import { useClass } from "../class-context";
import { formOf } from "../../form";
import { stationId, mostPeople } from "~/core/people";
import { type Seating, changedFaults, faultsOf } from "~/core/seating";
import { listsOf, seatingOf } from "~/core/plan";
import { database } from "~/db/client.server";
import { changePlan, madeChanges, undoChange } from "~/services/arrange.server";
import { classOnce, classOr404 } from "~/services/classes.server";
import { weighed } from "~/services/what-changes.server";
import { accountOf } from "~/services/session.server";
import { moment } from "~/ui/format/format";
import { Tables } from "~/ui/seats/Tables";
import { useSeating } from "~/ui/seats/useSeating";
import { type Answer, Told } from "~/ui/parts/Told";
import { AskedFirst, WhatChanges } from "~/ui/class/WhatChanges";
import { Primary, Secondary, TextLink } from "~/ui/parts/fields";
import { useLocale } from "~/ui/sheet/locale";
import { WhenReady } from "~/ui/sheet/WhenReady";
import { sayFaults } from "~/ui/words/people";
import { Hidden, Tick } from "~/ui/parts/plain";
import { TypedGuard } from "~/ui/parts/TypedGuard";
import { parseJson } from "~/formats/text";

export async function loader({ params, context }: Route.LoaderArgs) {
  await classOnce(context, params.classId);
  return { changes: await madeChanges(database(), params.classId) };
}

const version = z.coerce.number().pipe(z.int());
const json = z
  .string()
  .max(100_000)
  .transform((text, context) => {
    try {
      return parseJson(text);
    } catch {
      context.addIssue({ code: "custom", message: "Not a list of seats." });
      return z.NEVER;
    }
  });
const schema = z.discriminatedUnion("intent", [
  z.object({
    intent: z.literal("save"),
    version,
    seats: json.pipe(z.array(z.array(z.uuid()).max(mostPeople)).max(mostPeople)),
    apart: json.pipe(
      z
        .array(
          z
            .int()
            .min(0)
            .max(mostPeople - 1),
        )
        .max(mostPeople),
    ),
    washes: z.enum(["yes", "no"]).default("no"),
  }),
  z.object({ intent: z.literal("register"), version }),
  z.object({ intent: z.literal("undo"), version }),
]);

const late =
  "Somebody changed this class a moment ago. Your seats are still below; look at theirs in a second window, then save again.";

export async function action({ request, params, context }: Route.ActionArgs) {
  const { input } = await classOr404(params.classId);
  const account = accountOf(context);
  const sent = await formOf(request);
  const form = schema.safeParse(Object.fromEntries(sent));
  if (!form.success)
    return data({ problem: "These seats were not understood. Load the page again and repeat." }, { status: 400 });
  const { intent } = form.data;
  if (intent === "undo") {
    const isBack = await undoChange(database(), input, form.data.version, account.id);
    return isBack
      ? data({ done: "Taken back." })
      : data(
          { problem: "There is nothing to take back, or somebody changed the class a moment ago." },
          { status: 409 },
        );
  }
  if (intent === "register") {
    const { changes, asked } = await weighed(database(), sent, input, { ...input, arrangement: undefined });
    if (asked) return data({ asked }, { status: 409 });
    const isDone = await changePlan(
      database(),
      input,
      form.data.version,
      { arrangement: undefined },
      "Seats by the order of the register",
      account.id,
    );
    return isDone ? data({ done: "Saved.", changes }) : data({ problem: late }, { status: 409 });
  }
  const ids = form.data.seats.flat();
  const known = new Set(input.people.map((person) => person.id));
  if (new Set(ids).size !== ids.length || ids.some((id) => !known.has(id)))
    return data(
      { problem: "Somebody on these seats is not on the register any more, or sits twice. Load the page again." },
      { status: 409 },
    );
  const { seats, apart, washes } = form.data;
  const arrangement = {
    seats,
    apart: apart.filter((one) => one < seats.length),
    washesBetween: washes === "yes",
    sets: input.arrangement?.sets?.filter((one) => one.station < seats.length),
  };
  const { changes, asked } = await weighed(database(), sent, input, { ...input, arrangement });
  if (asked) return data({ asked }, { status: 409 });
  const isDone = await changePlan(
    database(),
    input,
    form.data.version,
    { arrangement },
    "Seats arranged by hand",
    account.id,
  );
  return isDone ? data({ done: "Saved.", changes }) : data({ problem: late }, { status: 409 });
}

export default function Seats({ loaderData, actionData }: Route.ComponentProps) {
  const { input, plan, meta } = useClass();
  // What is saved anew is looked at anew.
  return (
    <Room
      key={`${meta.version} ${input.people.length}`}
      changes={loaderData.changes}
      told={actionData}
      room={plan.stations.length}
    />
  );
}

interface RoomProps {
  readonly changes: Route.ComponentProps["loaderData"]["changes"];
  readonly told: Answer | undefined;
  readonly room: number;
}

function Room({ changes, told, room }: RoomProps) {
  const { input, plan, meta, names, action } = useClass();
  const locale = useLocale();
  const { problem: saved, now } = useMemo(() => seatingOf(input, plan), [input, plan]);
  const [seating, setSeating] = useState<Seating>(now);
  const [apart, setApart] = useState<readonly number[]>(saved.apart);
  const wasWashed = input.arrangement?.washesBetween ?? false;
  const [washes, setWashes] = useState(wasWashed);
  const problem = useMemo(() => ({ ...saved, apart }), [saved, apart]);
  const search = useSeating(setSeating);
  const faults = faultsOf(problem, seating);
  const { broken, mended } = changedFaults(problem, now, seating);
  const person = new Map(input.people.map((one) => [one.id, one]));
  const nameOf = (id: string) => person.get(id)?.name ?? id;
  const lists = listsOf(problem, seating);
  const isChanged =
    seating.some((station, index) => station !== now[index]) ||
    apart.join() !== saved.apart.join() ||
    washes !== wasWashed;
  const newest = changes[0];
  if (room === 0 || problem.guests.length === 0)
    return (
      <Text>
        Seats need people and a recipe. <TextLink to={`${action}/people`}>The register</TextLink>
      </Text>
    );
  return (
    <>
      <SheetHead>
        <Heading as="h2" size="xl">
          Seats
        </Heading>
        <SheetTools>
          <TextLink to={`${action}/people`}>The register</TextLink>
          <TextLink to={`${action}/people/turns`}>Turns</TextLink>
          <TextLink to={`${action}/allergies`}>The allergy table</TextLink>
        </SheetTools>
      </SheetHead>
      <TypedGuard differs={isChanged} />
      <Told told={isChanged ? { problem: told?.problem } : told} />
      <AskedFirst asked={told?.asked} names={names} button="Save these seats all the same" />
      {told?.changes && !isChanged ? <WhatChanges changes={told.changes} names={names} isDone /> : null}
      <WhenReady>
        <Columns split="wide-narrow">
          <Tables
            tables={lists.map((ids, index) => {
              const station = plan.stations.find((one) => one.id === stationId(index));
              return {
                index,
                name: names.station(stationId(index)),
                dish: names.dish(station?.dishId ?? null),
                people: ids.flatMap((id) => person.get(id) ?? []),
                isApart: apart.includes(index),
              };
            })}
            troubled={new Set(faults.flatMap((fault) => (fault.code === "plate-unknown" ? [] : fault.people)))}
            onMove={(id, to) =>
              setSeating((before) => before.map((at, index) => (problem.guests[index]?.id === id ? to : at)))
            }
            onApart={(index, isApart) =>
              setApart((before) =>
                isApart ? [...before, index].sort((a, b) => a - b) : before.filter((one) => one !== index),
              )
            }
          />
          <Box as="section" _print={{ display: "none" }}>
            <HStack gap="3" wrap="wrap">
              {search.progress ? (
                <>
                  <progress
                    max={search.progress.rounds}
                    value={search.progress.round}
                    aria-label="Looking for better seats"
                  />
                  <Secondary type="button" onClick={search.stop}>
                    Stop, keep the best so far
                  </Secondary>
                </>
              ) : (
                <Secondary type="button" onClick={() => search.start(problem, seating)}>
                  Arrange for me
                </Secondary>
              )}
            </HStack>
            <Text fontSize="sm" color="fg.muted">
              Families together, a grown-up with the small ones, the same needs at one table, nobody where they cannot
              eat.
            </Text>
            <TickLabel fontSize="sm">
              <Tick checked={washes} onChange={(event) => setWashes(event.target.checked)} />
              wash shared surfaces between different dishes
            </TickLabel>
            {isChanged ? (
              <Box role="status">
                <Heading as="h3" size="lg">
                  Against what is saved
                </Heading>
                {broken.length === 0 && mended.length === 0 ? (
                  <Text fontSize="sm">Breaks nothing, mends nothing.</Text>
                ) : null}
                {broken.length > 0 ? (
                  <>
                    <Text layerStyle="needsYou">Breaks:</Text>
                    <ReasonList>
                      {sayFaults(broken, nameOf, names).map((sentence) => (
                        <li key={sentence}>{sentence}</li>
                      ))}
                    </ReasonList>
                  </>
                ) : null}
                {mended.length > 0 ? (
                  <>
                    <Text>Mends:</Text>
                    <ReasonList>
                      {sayFaults(mended, nameOf, names).map((sentence) => (
                        <li key={sentence}>{sentence}</li>
                      ))}
                    </ReasonList>
                  </>
                ) : null}
                <ActionForm method="post">
                  <Hidden name="version" value={meta.version} />
                  <Hidden name="seats" value={JSON.stringify(lists)} />
                  <Hidden name="apart" value={JSON.stringify(apart)} />
                  <Hidden name="washes" value={washes ? "yes" : "no"} />
                  <Primary name="intent" value="save">
                    Save these seats
                  </Primary>
                  <Secondary
                    type="button"
                    onClick={() => {
                      search.stop();
                      setSeating(now);
                      setApart(saved.apart);
                      setWashes(wasWashed);
                    }}
                  >
                    Back
                  </Secondary>
                </ActionForm>
              </Box>
            ) : null}
            <Heading as="h3" size="lg">
              Problems
            </Heading>
            {faults.length === 0 ? (
              <Text>Nothing.</Text>
            ) : (
              <ReasonList>
                {sayFaults(faults, nameOf, names).map((sentence) => (
                  <li key={sentence}>{sentence}</li>
                ))}
              </ReasonList>
            )}
            {newest ? (
              <>
                <Heading as="h3" size="lg">
                  Changed
                </Heading>
                <ReasonList fontSize="sm">
                  {changes.slice(0, 5).map((change) => (
                    <li key={change.id}>
                      {change.what}, {change.by ?? "someone"}, {moment(change.at, locale, input.timeZone)}
                    </li>
                  ))}
                </ReasonList>
                <ActionForm method="post">
                  <Hidden name="version" value={meta.version} />
                  <Secondary name="intent" value="undo">
                    Take back: {newest.what.slice(0, 60)}
                  </Secondary>
                </ActionForm>
              </>
            ) : null}
            {input.arrangement ? (
              <ActionForm method="post">
                <Hidden name="version" value={meta.version} />
                <Secondary name="intent" value="register">
                  Seat by the order of the register
                </Secondary>
              </ActionForm>
            ) : null}
          </Box>
        </Columns>
      </WhenReady>
    </>
  );
}
