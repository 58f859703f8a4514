import { Alert, Box, HStack, Heading, Span, Table, Text } from "@chakra-ui/react";
import { Columns, SheetHead, SheetTools } from "~/ui/parts/sheet";
import { GridForm, ScrollArea } from "~/ui/parts/forms";
import { getFormProps, useForm } from "@conform-to/react";
import { data } from "react-router";
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
import { TypedGuard } from "~/ui/parts/TypedGuard";

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
      <SheetHead>
        <Heading as="h2" size="xl">
          Log
        </Heading>
        {startedAt === undefined ? null : (
          <Text color="fg.muted">
            Started {moment(startedAt, locale, input.timeZone)}
            {state.endedAt ? `, ended ${moment(state.endedAt, locale, input.timeZone)}` : ", not ended"}.
          </Text>
        )}
        <SheetTools>
          <FileLink href={`${base}/log.csv`}>CSV</FileLink>
          <PrintButton>Print</PrintButton>
        </SheetTools>
      </SheetHead>
      {startedAt === undefined ? (
        <Text mb="4.5">
          This class has not been taught yet. <TextLink to={`${base}/teach`}>Teach it</TextLink>, and every bell lands
          here beside its plan.
        </Text>
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
      <Columns split="wide-narrow" mt="4.5">
        <ScrollArea tabIndex={0} role="group" aria-label="Planned and actual">
          <ScrollArea tabIndex={0} role="group" aria-label="Planned and actual">
            <Table.Root native>
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
                    <td data-numeric>{clock(taught.startsAt, taught.timeZone, row.plannedStart, locale)}</td>
                    <td data-numeric>
                      {startedAt !== undefined && row.actualStart !== undefined
                        ? timeOfDay(startedAt + row.actualStart * 60_000, locale, taught.timeZone)
                        : "–"}
                    </td>
                    <td data-numeric>{minutes(row.plannedMinutes, locale)}</td>
                    <td data-numeric>{row.actualMinutes === undefined ? "–" : minutes(row.actualMinutes, locale)}</td>
                    <td data-numeric>
                      <b>
                        {row.drift === undefined ? "–" : row.drift === 0 ? "as planned" : minutes(row.drift, locale)}
                      </b>
                    </td>
                  </tr>
                ))}
              </tbody>
            </Table.Root>
          </ScrollArea>
        </ScrollArea>
        <Box>
          <GridForm method="post" {...getFormProps(form)}>
            <TypedGuard key={kept?.version ?? 0} />
            <FormError title="Not saved" problems={form.errors ?? []} />
            {actionData?.isKept ? (
              <Alert.Root as="p" status="info" role="status">
                Kept.
              </Alert.Root>
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
            <HStack gap="3" wrap="wrap">
              <Primary>Save the log</Primary>
              {kept ? (
                <Span color="fg.muted" fontSize="sm">
                  saved by {kept.by ?? "someone"}, {moment(kept.at, locale, input.timeZone)}
                </Span>
              ) : null}
            </HStack>
          </GridForm>
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
          <Text color="fg.muted" fontSize="sm" role="status" aria-label="Ticks">
            {saySent(ticking.waiting, ticking.sent)}
          </Text>
          {decisions.length > 0 ? (
            <>
              <Heading as="h3" size="lg" mt="4.5" mb="1.5">
                Decided at the tables
              </Heading>
              {decisions.map(({ station, words }) => (
                <Text fontSize="sm" key={station.id}>
                  <b>{station.name}</b> {words}
                </Text>
              ))}
            </>
          ) : null}
          {state.notes.length > 0 ? (
            <>
              <Heading as="h3" size="lg" mt="4.5" mb="1.5">
                Said while teaching
              </Heading>
              {state.notes.map((note) => (
                <Text fontSize="sm" key={note.at}>
                  <b>{timeOfDay(note.at, locale, taught.timeZone)}</b> {note.text}
                </Text>
              ))}
            </>
          ) : null}
        </Box>
      </Columns>
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
