import type { SharedThing } from "~/core/gear";
import type { SurfaceId } from "~/core/ids";
import { inMinutes, minus, largest, type Minutes } from "~/core/quantity";
import { holdUp } from "./chain";
import { lateBatters } from "./readings";
import { quickEnd, schedule } from "./schedule";
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

  findings.push(...waitsForSurfaces(timeline, input, over > 0 ? "warns" : "notes"));

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
  const idle = timeline.idle.filter((one) => one.longest >= (input.idleBorne ?? idleWorthSaying));
  if (idle.length > 0)
    findings.push({
      code: "stands-idle",
      level: "notes",
      stationIds: idle.map((one) => one.stationId),
      minutes: largest(...idle.map((one) => one.longest)),
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

/** Surfaces of the critical chain that are tried out with one more of them: each costs as much as a plan. */
const mostTried = 1;

/**
 * The surface whose loads hold the class up, if one more of it would end the class sooner: by the usual rules, so by so much at the
 * least. Nothing where no surface would.
 */
function waitsForSurfaces(timeline: Timeline, input: ScheduleInput, level: "warns" | "notes"): ScheduleFinding[] {
  // Where the adults are the limit, another surface would stand there unwatched: nothing to try out.
  if (input.hotPlaces !== null && input.hotPlaces <= timeline.units.length) return [];
  const surfaceOf = new Map(timeline.units.map((unit) => [unit.id, unit.surfaceId]));
  const spent = new Map<SurfaceId, number>();
  for (const { unitId, loads, from, to, because } of holdUp(timeline, input).hops) {
    const surfaceId = surfaceOf.get(unitId);
    if (surfaceId === undefined || (loads < 2 && because !== "wash")) continue;
    spent.set(surfaceId, (spent.get(surfaceId) ?? 0) + to - from);
  }
  const tried = [...spent].sort((a, b) => b[1] - a[1]).slice(0, mostTried);
  for (const [surfaceId] of tried) {
    const surface = input.surfaces.find((one) => one.id === surfaceId);
    if (!surface) continue;
    const withOneMore = quickEnd({
      ...input,
      surfaces: input.surfaces.map((one) => (one === surface ? { ...one, count: one.count + 1 } : one)),
    });
    const gained = minus(timeline.end, withOneMore);
    if (gained <= 1 / 60) continue;
    const minutes = timeline.critical.find((part) => part.kind === "queue")?.minutes ?? inMinutes(0);
    return [{ code: "waits-for-surfaces", level, minutes, surfaceName: surface.name, withOneMore, gained }];
  }
  return [];
}

/** The longest wait for a shared tool, in minutes. */
const longestWait = ({ tasks }: Timeline, thing: SharedThing): number =>
  tasks.reduce(
    (most, task) => (task.waitsFor === thing ? Math.max(most, task.waited ?? task.end - task.start) : most),
    0,
  );

/** Findings for shared tools that tables wait for: who waits, and the longest wait. */
function thingsWaitedFor(timeline: Timeline, input: ScheduleInput): ScheduleFinding[] {
  const { goesRound = [] } = input;
  return goesRound.flatMap(({ thing, count }): ScheduleFinding[] => {
    const minutes = inMinutes(longestWait(timeline, thing));
    if (minutes < thingWorthSaying) return [];
    const more = schedule({
      ...input,
      goesRound: goesRound.map((one) => (one.thing === thing ? { ...one, count: one.count + 1 } : one)),
    });
    const stationIds = [
      ...new Set(timeline.tasks.flatMap((task) => (task.waitsFor === thing ? (task.stationId ?? []) : []))),
    ];
    const withOneMore = inMinutes(longestWait(more, thing));
    return [{ code: "waits-for-thing", level: "notes", thing, count, stationIds, minutes, withOneMore }];
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
