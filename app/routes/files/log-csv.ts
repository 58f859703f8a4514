import type { Route } from "./+types/log-csv";
import { logRows } from "~/core/log";
import { aimKey, foldTicks } from "~/core/pack";
import { plan } from "~/core/plan";
import { fold } from "~/core/teach";
import { database } from "~/db/client.server";
import { writeCsv } from "~/formats/csv";
import { classOnce } from "~/services/classes.server";
import { accountOf } from "~/services/session.server";
import { fileAnswer } from "~/services/files.server";
import { eventsOf, logOf, snapshotOf } from "~/services/live.server";
import { ticksOf } from "~/services/ticks.server";
import { bellWords } from "~/ui/words/en";

const toTenth = (minutes: number | undefined): number | "" =>
  minutes === undefined ? "" : Math.round(minutes * 10) / 10;

export async function loader({ params, context }: Route.LoaderArgs) {
  const { input } = await classOnce(context, params.classId);
  const [snapshot, events, kept, ticked] = await Promise.all([
    snapshotOf(params.classId),
    eventsOf(database(), params.classId, accountOf(context)),
    logOf(params.classId, accountOf(context)),
    ticksOf(database(), params.classId),
  ]);
  const state = fold(events);
  const rows = logRows(plan(snapshot ?? input).timeline, state).map((row) => [
    bellWords[row.bell.kind],
    row.plannedStart,
    toTenth(row.actualStart),
    row.plannedMinutes,
    toTenth(row.actualMinutes),
    toTenth(row.drift),
    "",
  ]);
  const { teaching } = foldTicks(ticked);
  const aims = ((snapshot ?? input).brief.aims ?? []).map((aim) => [
    "aim",
    "",
    "",
    "",
    "",
    "",
    `${teaching.has(aimKey(aim)) ? "reached" : "not ticked"}: ${aim}`,
  ]);
  const pieces = ["pieces made", "", "", "", kept?.piecesMade ?? "", "", kept?.note ?? ""];
  const notes = state.notes.map((note) => [
    "note",
    "",
    toTenth(state.startedAt === undefined ? undefined : (note.at - state.startedAt) / 60_000),
    "",
    "",
    "",
    note.text,
  ]);
  return fileAnswer(
    writeCsv(
      [
        "bell",
        "planned start (min)",
        "actual start (min)",
        "planned minutes",
        "actual minutes",
        "longer by (min)",
        "note",
      ],
      [...rows, pieces, ...aims, ...notes],
    ),
    "text/csv",
    input.title,
    "-log.csv",
  );
}
