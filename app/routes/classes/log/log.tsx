import { getFormProps, useForm } from "@conform-to/react";
import { Form, data } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/log";
import { useClass } from "../class-context";
import { formOf, optionalWords, whole, submissionOf } from "../../form";
import { correctionStep } from "~/core/look";
import { spokenSteps } from "~/core/schedule";
import { pack, unpack } from "~/formats/packed";
import { ticksOf } from "~/services/ticks.server";
import { saySent } from "~/ui/outbox/sent-words";
import { useTicks } from "~/ui/pack/useTicks";
import { logRows, piecesCounted } from "~/core/log";
import { decidedOf, dishesOnce, kindsUsed, plan as planOf, recipesMade } from "~/core/plan";
import { fold } from "~/core/teach";
import { database } from "~/db/client.server";
import { classOnce, classOr404 } from "~/services/classes.server";
import { settle } from "~/services/sign-off.server";
import { eventsOf, keepLog, logOf, snapshotOf } from "~/services/live.server";
import { inputForPacking, removalDay } from "~/services/privacy.server";
import { accountOf } from "~/services/session.server";
import { SettleBar } from "~/ui/class/SettleBar";
import { clock, day, minutes, moment, timeOfDay } from "~/ui/format/format";
import { BellLine } from "~/ui/schedule/BellLine";
import { AreaField, CheckField, FileLink, FormError, NumberField, Primary, TextLink } from "~/ui/parts/fields";
import { PrintButton } from "~/ui/parts/PrintButton";
import { useLocale } from "~/ui/sheet/locale";
import { bellWords } from "~/ui/words/en";
import { sayDecided } from "~/ui/words/rounds";
import { subjectsOf } from "~/ui/words/findings";
import { Heads } from "~/ui/sheet/Heads";
import { Hidden } from "~/ui/parts/plain";
import { Reached, Said, Seen } from "~/ui/log/Taught";
import { parts } from "~/ui/theme/parts";
import { TypedGuard } from "~/ui/parts/TypedGuard";
import { look } from "~/ui/theme/look";

const schema = z.object({
  // Always there, so that a body that is no form of ours keeps nothing and settles nothing.
  version: z.int({ error: "The form did not arrive whole. Load the page again and repeat." }),
  piecesMade: whole(0, 100_000).optional(),
  note: optionalWords(4000),
  namesNobody: z.boolean().default(false),
});

export async function loader({ params, context }: Route.LoaderArgs) {
  const { input, meta } = await classOnce(context, params.classId);
  const [snapshot, events, kept, ticks] = await Promise.all([
    snapshotOf(params.classId),
    eventsOf(database(), params.classId, accountOf(context)),
    logOf(params.classId, accountOf(context)),
    ticksOf(database(), params.classId),
  ]);
  // The log is about minutes and pieces: nobody needs anyone's health data for it. The same object while the class is, so that it is
  // planned once.
  return {
    taught: pack(inputForPacking(snapshot ?? input)),
    state: fold(events),
    kept,
    ticks,
    me: accountOf(context).name,
    removalDay: removalDay(input.startsAt, meta.retainDays),
  };
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const { input } = await classOr404(params.classId);
  const submission = submissionOf(await formOf(request), { schema });
  if (submission.status !== "success") return data({ result: submission.reply(), isKept: false }, { status: 400 });
  const { version, piecesMade, ...said } = submission.value;
  const account = accountOf(context);
  // An assistant does not see the note, so what they send of it is no answer to it.
  const log = { piecesMade: piecesMade ?? null, ...(account.role === "lead" ? said : {}) };
  if (await keepLog(database(), params.classId, version, log, account.id)) {
    await settle(database(), input, params.classId, "log", account.id);
    return data({ result: undefined, isKept: true });
  }
  const now = await logOf(params.classId, account);
  return data(
    {
      result: submission.reply({
        formErrors: [
          `${now?.by ?? "Someone"} saved another log meanwhile: ${now?.piecesMade ?? "no"} pieces${now?.note ? `, “${now.note.slice(0, 200)}”` : ""}. Yours is below; keep it again to replace theirs.`,
        ],
      }),
      isKept: false,
      version: now?.version ?? 0,
    },
    { status: 409 },
  );
}

/** What happened, under what was planned. */
export default function Log({ loaderData, actionData, params }: Route.ComponentProps) {
  const { input, standings, names, isLead, action: base } = useClass();
  const { state, kept, removalDay } = loaderData;
  const taught = unpack(loaderData.taught);
  const locale = useLocale();
  const made = planOf(taught);
  const { timeline } = made;
  const points = spokenSteps(recipesMade(made));
  const ticking = useTicks(params.classId, loaderData.ticks, loaderData.me);
  const pantry = new Map(taught.pantry.map((one) => [one.id, one]));
  // A recipe that several dishes are of is looked at once.
  const looked = dishesOnce(made);
  const decisions = made.stations.flatMap((station) => {
    const recipe = made.dishes.find((dish) => dish.id === station.dishId)?.recipe;
    const rounds = state.decided[station.id];
    const taken =
      rounds &&
      decidedOf(
        taught,
        made,
        station,
        rounds.map((one) => one.pieces),
      );
    return recipe && taken ? [{ station, words: sayDecided(recipe, rounds, taken, true, locale) }] : [];
  });
  const rows = logRows(timeline, state);
  const counted = piecesCounted(state);
  const newer =
    actionData && "version" in actionData && typeof actionData.version === "number" ? actionData.version : undefined;
  const [form, fields] = useForm<z.input<typeof schema>>({
    lastResult: actionData?.result,
    defaultValue: {
      piecesMade: kept?.piecesMade ?? counted ?? "",
      note: kept?.note ?? "",
      namesNobody: kept?.namesNobody ?? false,
    },
  });
  const startedAt = state.startedAt;
  const rung =
    startedAt === undefined
      ? {}
      : Object.fromEntries(Object.entries(state.rung).map(([id, at]) => [id, (at - startedAt) / 60_000]));
  return (
    <>
      <div className={parts.sheet.head}>
        <h2>Log</h2>
        {startedAt === undefined ? null : (
          <p className={look("quiet")}>
            Started {moment(startedAt, locale, input.timeZone)}
            {state.endedAt ? `, ended ${moment(state.endedAt, locale, input.timeZone)}` : ", not ended"}.
          </p>
        )}
        <div className={parts.sheet.tools}>
          <FileLink href={`${base}/log.csv`}>CSV</FileLink>
          <PrintButton>Print</PrintButton>
        </div>
      </div>
      {startedAt === undefined ? (
        <p className={look("below-m")}>
          This class has not been taught yet. <TextLink to={`${base}/teach`}>Teach it</TextLink>, and every bell lands
          here beside its plan.
        </p>
      ) : (
        <BellLine
          timeline={timeline}
          startsAt={taught.startsAt}
          timeZone={taught.timeZone}
          available={taught.brief.minutes}
          rung={rung}
          withActual
        />
      )}
      <div className={look(parts.sheet.of({ split: "wide-narrow" }).columns, "above-m")}>
        <div className={look("scroll-x")} tabIndex={0} role="group" aria-label="Planned and actual">
          <div className={look("scroll-x")} tabIndex={0} role="group" aria-label="Planned and actual">
            <table className={look("ruled")}>
              <Heads
                of={[
                  "Bell",
                  { n: "Planned at" },
                  { n: "Rung at" },
                  { n: "Planned length" },
                  { n: "It took" },
                  { n: "Longer by" },
                ]}
              />
              <tbody>
                {rows.map((row) => (
                  <tr key={row.bell.id}>
                    <td>{bellWords[row.bell.kind]}</td>
                    <td className={look("n")}>{clock(taught.startsAt, taught.timeZone, row.plannedStart, locale)}</td>
                    <td className={look("n")}>
                      {startedAt !== undefined && row.actualStart !== undefined
                        ? timeOfDay(startedAt + row.actualStart * 60_000, locale, taught.timeZone)
                        : "–"}
                    </td>
                    <td className={look("n")}>{minutes(row.plannedMinutes, locale)}</td>
                    <td className={look("n")}>
                      {row.actualMinutes === undefined ? "–" : minutes(row.actualMinutes, locale)}
                    </td>
                    <td className={look("n")}>
                      <b>
                        {row.drift === undefined ? "–" : row.drift === 0 ? "as planned" : minutes(row.drift, locale)}
                      </b>
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        </div>
        <div>
          <Form method="post" {...getFormProps(form)} className={look("form")}>
            <TypedGuard key={kept?.version ?? 0} />
            <FormError title="Not saved" problems={form.errors ?? []} />
            {actionData?.isKept ? (
              <p className={look("saved")} role="status">
                Kept.
              </p>
            ) : null}
            <Hidden name="version" key={newer ?? kept?.version} defaultValue={newer ?? kept?.version ?? 0} />
            <NumberField
              field={fields.piecesMade}
              label="Pieces made"
              hint={counted === undefined ? undefined : `${counted} counted at the stations`}
            />
            {isLead ? (
              <>
                <AreaField field={fields.note} label="What to do differently" rows={6} />
                <CheckField
                  field={fields.namesNobody}
                  label={`This note names nobody: keep it after ${day(removalDay, locale)}, when health data goes`}
                />
              </>
            ) : null}
            <div className={look("actions")}>
              <Primary>Save the log</Primary>
              {kept ? (
                <span className={look("quiet", "small")}>
                  saved by {kept.by ?? "someone"}, {moment(kept.at, locale, input.timeZone)}
                </span>
              ) : null}
            </div>
          </Form>
          <Reached aims={taught.brief.aims} ticking={ticking} />
          <Said points={points} ticking={ticking} />
          {looked.map((dish) => (
            <Seen
              key={dish.id}
              recipe={dish.recipe}
              kinds={kindsUsed(taught, made, dish.recipe)}
              step={correctionStep(dish.recipe, dish.batter, pantry, 1)}
              names={names}
              ticking={ticking}
            />
          ))}
          <p className={look("quiet", "small")} role="status" aria-label="Ticks">
            {saySent(ticking.waiting, ticking.sent)}
          </p>
          {decisions.length > 0 ? (
            <>
              <h3 className={look("above-m", "below-xs")}>Decided at the tables</h3>
              {decisions.map(({ station, words }) => (
                <p key={station.id} className={look("small")}>
                  <b>{station.name}</b> {words}
                </p>
              ))}
            </>
          ) : null}
          {state.notes.length > 0 ? (
            <>
              <h3 className={look("above-m", "below-xs")}>Said while teaching</h3>
              {state.notes.map((note) => (
                <p key={note.at} className={look("small")}>
                  <b>{timeOfDay(note.at, locale, taught.timeZone)}</b> {note.text}
                </p>
              ))}
            </>
          ) : null}
        </div>
      </div>
      <SettleBar
        stage="log"
        standing={standings.log}
        timeZone={input.timeZone}
        subjectOf={subjectsOf(input)}
        action={base}
      />
    </>
  );
}
