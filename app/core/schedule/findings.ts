import { noUnit } from "~/core/ids";
import { inMinutes, minus, largest, type Minutes } from "~/core/quantity";
import { lateBatters } from "./readings";
import { schedule } from "./schedule";
import type { ScheduleFinding, ScheduleInput, Task, Timeline } from "./types";

/** Minutes of waiting without work from which a finding is reported (starting value). */
export const idleWorthSaying = 10;

/**
 * Reports whether the class fits its time and what it waits for; plans it with one more of the busiest surface to state the gain.
 */
export function checkTimeline(timeline: Timeline, input: ScheduleInput, available: number): ScheduleFinding[] {
  const findings: ScheduleFinding[] = [];
  const over = timeline.end - available;
  if (over > 0) findings.push({ code: "does-not-fit", level: "warns", minutes: timeline.end, available, over });

  const queue = timeline.critical.find((part) => part.kind === "queue")?.minutes ?? inMinutes(0);
  const used = new Map<string, number>();
  const surfaceOf = new Map(timeline.units.map((unit) => [unit.id, unit.surfaceId]));
  for (const task of timeline.tasks) {
    if (task.kind !== "load") continue;
    const surfaceId = surfaceOf.get(task.surfaceId ?? noUnit) ?? "";
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

  const late = lateBatters(timeline).flatMap(({ stationId, wetAt, lastPour, cookBy }) =>
    cookBy ? [{ stationId, minutes: lastPour - wetAt, ...cookBy }] : [],
  );
  for (const why of ["window", "raw-batter"] as const) {
    const own = late.filter((one) => one.why === why);
    const latest = own.reduce<(typeof own)[number] | undefined>(
      (worst, one) => (worst && worst.minutes - worst.max >= one.minutes - one.max ? worst : one),
      undefined,
    );
    if (latest)
      findings.push({
        code: "cook-by-passed",
        level: "warns",
        stationIds: own.map((one) => one.stationId),
        minutes: inMinutes(latest.minutes),
        max: latest.max,
        why,
      });
  }
  findings.push(...mixingLater(timeline));
  if (timeline.uncleared.length > 0)
    findings.push({
      code: "surface-not-cleared",
      level: "warns",
      surfaces: input.surfaces.filter((one) => timeline.uncleared.includes(one.id)).map((one) => one.name),
    });
  findings.push(...thingsWaitedFor(timeline, input));
  for (const { bell, at } of input.pins ?? []) {
    const rings = timeline.bells.find((one) => one.kind === bell)?.at;
    // Under half a minute nobody sees on a clock.
    if (rings !== undefined && rings - at > 0.5)
      findings.push({ code: "pin-not-kept", level: "warns", bell, at, minutes: minus(rings, at) });
  }
  const idle = timeline.idle.filter((one) => one.minutes >= (input.idleBorne ?? idleWorthSaying));
  if (idle.length > 0)
    findings.push({
      code: "stands-idle",
      level: "notes",
      stationIds: idle.map((one) => one.stationId),
      minutes: largest(...idle.map((one) => one.minutes)),
    });
  const shared = input.surfaces.reduce(
    (count, one) => count + one.count * (one.at === "station" ? input.stations.length : 1),
    0,
  );
  if (input.hotPlaces !== null && input.hotPlaces < 1 && timeline.loads > 0)
    findings.push({ code: "nobody-at-heat", level: "warns" });
  else if (input.hotPlaces !== null && input.hotPlaces < shared)
    findings.push({ code: "hot-places-limited", level: "notes", surfaces: shared, hotPlaces: input.hotPlaces });
  return findings;
}

/** Findings for shared tools that tables wait for: who waits, and the longest wait. */
function thingsWaitedFor({ tasks }: Timeline, { goesRound = [] }: ScheduleInput): ScheduleFinding[] {
  return goesRound.flatMap(({ thing, count }): ScheduleFinding[] => {
    const waiting = tasks.filter((task) => task.waitsFor === thing);
    const minutes = Math.max(0, ...waiting.map((task) => task.waited ?? task.end - task.start));
    const stationIds = [...new Set(waiting.flatMap((task) => task.stationId ?? []))];
    return minutes < thingWorthSaying
      ? []
      : [{ code: "waits-for-thing", level: "notes", thing, count, stationIds, minutes: inMinutes(minutes) }];
  });
}
/** Minutes of waiting for a shared tool below which nothing is reported (starting value). */
const thingWorthSaying = 1;

/** A table that waits for a tool has begun to mix: its delay is not due to a window. */
const begunBy = (task: Task): boolean =>
  ["mix", "prepare"].includes(task.kind) || (task.kind === "wait" && task.waitsFor !== undefined);

/** Findings for stations that begin to mix after the bell, grouped by minute. */
function mixingLater(timeline: Timeline): ScheduleFinding[] {
  const bell = timeline.bells.find((one) => one.kind === "mix")?.at ?? 0;
  const begins = new Map<string, number>();
  for (const task of timeline.tasks)
    if (task.stationId !== null && begunBy(task) && !begins.has(task.stationId)) begins.set(task.stationId, task.start);
  const byMinute = new Map<Minutes, string[]>();
  for (const [stationId, at] of begins) {
    // Rounded down: who begins a little sooner is never too late.
    const minutes = inMinutes(Math.floor(at - bell + 1 / 60));
    if (minutes >= 1) byMinute.set(minutes, [...(byMinute.get(minutes) ?? []), stationId]);
  }
  return [...byMinute]
    .sort((a, b) => a[0] - b[0])
    .map(([minutes, stationIds]) => ({ code: "mixes-later", level: "warns", stationIds, minutes }));
}
