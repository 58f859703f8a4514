import { useMemo, useState } from "react";
import { Form, data } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/seats";
import { useClass } from "../class-context";
import { formOf } from "../../form";
import { stationId, mostPeople } from "~/core/people";
import { type Seating, changedFaults, costOf, faultsOf } from "~/core/seating";
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
import { parts } from "~/ui/theme/parts";
import { look } from "~/ui/theme/look";
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
      <p>
        Seats need people and a recipe. <TextLink to={`${action}/people`}>The register</TextLink>
      </p>
    );
  return (
    <>
      <div className={parts.sheet.head}>
        <h2>Seats</h2>
        <div className={parts.sheet.tools}>
          <TextLink to={`${action}/people`}>The register</TextLink>
          <TextLink to={`${action}/people/turns`}>Turns</TextLink>
          <TextLink to={`${action}/allergies`}>The allergy table</TextLink>
        </div>
      </div>
      <TypedGuard differs={isChanged} />
      <Told told={isChanged ? { problem: told?.problem } : told} />
      <AskedFirst asked={told?.asked} names={names} button="Save these seats all the same" />
      {told?.changes && !isChanged ? <WhatChanges changes={told.changes} names={names} isDone /> : null}
      <WhenReady>
        <div className={parts.sheet.of({ split: "wide-narrow" }).columns}>
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
          <section className={look("no-print")}>
            <div className={look("actions")}>
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
            </div>
            <p className={look("small", "quiet")}>
              Families together, a grown-up with the small ones, the same needs at one table, nobody where they cannot
              eat.
            </p>
            <label className={look("check", "small")}>
              <Tick checked={washes} onChange={(event) => setWashes(event.target.checked)} />
              wash shared surfaces between different dishes
            </label>
            {isChanged ? (
              <div role="status">
                <h3>Against what is saved</h3>
                {broken.length === 0 && mended.length === 0 ? (
                  <p className={look("small")}>Breaks nothing, mends nothing.</p>
                ) : null}
                {broken.length > 0 ? (
                  <>
                    <p className={look("needs-you")}>Breaks:</p>
                    <ul className={look("reasons")}>
                      {sayFaults(broken, nameOf, names).map((sentence) => (
                        <li key={sentence}>{sentence}</li>
                      ))}
                    </ul>
                  </>
                ) : null}
                {mended.length > 0 ? (
                  <>
                    <p>Mends:</p>
                    <ul className={look("reasons")}>
                      {sayFaults(mended, nameOf, names).map((sentence) => (
                        <li key={sentence}>{sentence}</li>
                      ))}
                    </ul>
                  </>
                ) : null}
                <Form method="post" className={look("actions")}>
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
                </Form>
              </div>
            ) : null}
            <h3>What is not as it should be</h3>
            {faults.length === 0 ? (
              <p>Nothing.</p>
            ) : (
              <ul className={look("reasons")}>
                {sayFaults(faults, nameOf, names).map((sentence) => (
                  <li key={sentence}>{sentence}</li>
                ))}
              </ul>
            )}
            <p className={look("small", "quiet")}>Weighed together: {costOf(problem, seating)}. Less is better.</p>
            {newest ? (
              <>
                <h3>Changed</h3>
                <ul className={look("reasons", "small")}>
                  {changes.slice(0, 5).map((change) => (
                    <li key={change.id}>
                      {change.what}, {change.by ?? "someone"}, {moment(change.at, locale, input.timeZone)}
                    </li>
                  ))}
                </ul>
                <Form method="post" className={look("actions")}>
                  <Hidden name="version" value={meta.version} />
                  <Secondary name="intent" value="undo">
                    Take back: {newest.what.slice(0, 60)}
                  </Secondary>
                </Form>
              </>
            ) : null}
            {input.arrangement ? (
              <Form method="post" className={look("actions")}>
                <Hidden name="version" value={meta.version} />
                <Secondary name="intent" value="register">
                  Seat by the order of the register
                </Secondary>
              </Form>
            ) : null}
          </section>
        </div>
      </WhenReady>
    </>
  );
}
