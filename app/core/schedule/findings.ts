import { schedule } from "./schedule";
import type { ScheduleFinding, ScheduleInput, Task, Timeline } from "./types";

/** A wait of this many minutes with empty hands is worth a word (starting value). */
export const idleWorthSaying = 10;

/** Does the class fit its time, and what does it wait for? One more of the busiest shared surface is tried out and its end given. */
export function checkTimeline(timeline: Timeline, input: ScheduleInput, available: number): ScheduleFinding[] {
  const findings: ScheduleFinding[] = [];
  const over = timeline.end - available;
  if (over > 0) findings.push({ code: "does-not-fit", level: "warns", minutes: timeline.end, available, over });

  const queue = timeline.critical.find((part) => part.kind === "queue")?.minutes ?? 0;
  const used = new Map<string, number>();
  const surfaceOf = new Map(timeline.units.map((unit) => [unit.id, unit.surfaceId]));
  for (const task of timeline.tasks) {
    if (task.kind !== "load") continue;
    const surfaceId = surfaceOf.get(task.surfaceId ?? "") ?? "";
    used.set(surfaceId, (used.get(surfaceId) ?? 0) + task.end - task.start);
  }
  const busiest = [...used].sort((a, b) => b[1] - a[1])[0]?.[0];
  const surface = input.surfaces.find((one) => one.id === busiest);
  if (queue > 0 && surface) {
    // Where the adults are the limit, another surface would stand there unwatched: nothing to try out.
    const areAdultsTheLimit = input.hotPlaces !== null && input.hotPlaces <= timeline.units.length;
    const more = areAdultsTheLimit
      ? timeline
      : schedule({
          ...input,
          surfaces: input.surfaces.map((one) => (one === surface ? { ...one, count: one.count + 1 } : one)),
        });
    findings.push({
      code: "waits-for-surfaces",
      level: over > 0 ? "warns" : "notes",
      minutes: queue,
      surfaceName: surface.name,
      withOneMore: more.end < timeline.end ? more.end : undefined,
    });
  }

  const tasksOf = new Map<string, Task[]>();
  for (const task of timeline.tasks) {
    if (task.stationId === null) continue;
    const own = tasksOf.get(task.stationId);
    if (own) own.push(task);
    else tasksOf.set(task.stationId, [task]);
  }
  const late = input.stations.flatMap((job) => {
    const max = job.recipe.rest.max;
    if (max === null) return [];
    const own = tasksOf.get(job.stationId) ?? [];
    const mixedAt = Math.max(
      0,
      ...own
        .filter((task) => task.kind === "mix" || task.kind === "wait" || task.kind === "prepare")
        .map((task) => task.end),
    );
    const lastStart = Math.max(0, ...own.filter((task) => task.kind === "load").map((task) => task.start));
    return lastStart - mixedAt > max ? [{ stationId: job.stationId, minutes: lastStart - mixedAt, max }] : [];
  });
  const latest = [...late].sort((a, b) => b.minutes - a.minutes)[0];
  if (latest)
    findings.push({
      code: "cook-by-passed",
      level: "warns",
      stationIds: late.map((one) => one.stationId),
      minutes: latest.minutes,
      max: latest.max,
    });
  const idle = timeline.idle.filter((one) => one.minutes >= idleWorthSaying);
  if (idle.length > 0)
    findings.push({
      code: "stands-idle",
      level: "notes",
      stationIds: idle.map((one) => one.stationId),
      minutes: Math.max(...idle.map((one) => one.minutes)),
    });
  const shared = input.surfaces.reduce(
    (count, one) => count + one.count * (one.at === "station" ? input.stations.length : 1),
    0,
  );
  if (input.hotPlaces !== null && input.hotPlaces < shared)
    findings.push({ code: "hot-places-limited", level: "notes", surfaces: shared, hotPlaces: input.hotPlaces });
  return findings;
}
