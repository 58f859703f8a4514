import { noUnit } from "~/core/ids";
import type { Route } from "./+types/timeline-csv";
import { plan } from "~/core/plan";
import { writeCsv } from "~/formats/csv";
import { classOnce } from "~/services/classes.server";
import { fileAnswer } from "~/services/files.server";
import { clock } from "~/ui/format/format";
import { taskWords } from "~/ui/words/en";

export async function loader({ params, context }: Route.LoaderArgs) {
  const { input } = await classOnce(context, params.classId);
  const { timeline, stations } = plan(input);
  const nameOf = new Map(stations.map((station) => [station.id, station.name]));
  const unitOf = new Map(timeline.units.map((unit) => [unit.id, `${unit.name} ${unit.number}`]));
  // Times as 24-hour text in every locale: a spreadsheet reads that as a time.
  const rows = timeline.tasks.map((task) => [
    clock(input.startsAt, input.timeZone, task.start, "en-GB"),
    clock(input.startsAt, input.timeZone, task.end, "en-GB"),
    task.start,
    task.end - task.start,
    nameOf.get(task.stationId ?? "") ?? "everyone",
    taskWords[task.kind],
    unitOf.get(task.surfaceId ?? noUnit) ?? "",
    task.pieces || "",
  ]);
  return fileAnswer(
    writeCsv(["from", "to", "minutes after doors", "minutes", "station", "what", "surface", "pieces"], rows),
    "text/csv",
    input.title,
    "-timeline.csv",
  );
}
