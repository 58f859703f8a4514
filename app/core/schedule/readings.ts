import type { Greasing } from "~/core/recipe";
import { type Minutes, type Seconds, inMinutes, largest, minus, plus, toMinutes } from "~/core/quantity";
import type { BatterTimes, CriticalPart, StationJob, Task, TaskKind, Timeline } from "./types";

/** One station while its loads are laid. Moments are whole seconds since the doors. */
export interface Cooking {
  readonly job: StationJob;
  /** Seconds between two loads: asked for at every load, so worked out once. */
  readonly turnSeconds: Seconds;
  /** When leavener first got wet, and when mixing ended: cook-by runs from the one, rest from the other. */
  readonly wetAt: number;
  readonly mixedAt: number;
  readonly readyAt: number;
  loads: number;
  /** When each of its mixes was poured last; -1 where it was not. */
  readonly lastPours: [number, number];
  lastLoadEnd: number;
  /** When everything of the station can be eaten. */
  servedAt: number;
}

/** Breakdown of the time of the last station to finish; gaps between its tasks count as queueing. */
export function criticalOf(tasks: readonly Task[], cooking: readonly Cooking[], end: number): CriticalPart[] {
  const last = [...cooking].sort((a, b) => b.servedAt - a.servedAt)[0];
  const own = tasks
    .filter((task) => (task.stationId === null || task.stationId === last?.job.stationId) && task.kind !== "preheat")
    .sort((a, b) => a.start - b.start || a.end - b.end);
  const parts: { kind: CriticalPart["kind"]; minutes: Minutes }[] = [];
  const addPart = (kind: CriticalPart["kind"], minutes: Minutes) => {
    if (minutes <= 0) return;
    const before = parts.find((part) => part.kind === kind);
    if (before) before.minutes = plus(before.minutes, minutes);
    else parts.push({ kind, minutes });
  };
  let at = inMinutes(0);
  let before: TaskKind | undefined;
  // Greasing and heating up again between a station's own loads is work at the heat, not waiting for somebody else's.
  const ownTurn = last ? toMinutes(last.turnSeconds) + 1e-6 : 0;
  for (const task of own) {
    const gap = minus(task.start, at);
    addPart(
      gap <= ownTurn && (before === "load" || before === "tester") && task.kind === "load" ? "load" : "queue",
      gap,
    );
    before = task.kind;
    addPart(task.kind, minus(task.end, largest(at, task.start)));
    at = largest(at, task.end);
  }
  addPart("queue", inMinutes(end - at));
  return parts;
}

const handsFree: ReadonlySet<TaskKind> = new Set(["rest", "wait", "preheat", "demo-load"]);

/** Minutes each station stands with nothing to do between the first mix and its last piece, and the longest stretch; a planned rest counts. */
export function idleOfAll(cooking: readonly Cooking[], tasks: readonly Task[], from: Minutes): Timeline["idle"] {
  const busy = new Map<string, Task[]>();
  const shown = tasks.filter((task) => task.kind === "demo-load");
  for (const task of tasks) {
    if (task.stationId === null || handsFree.has(task.kind)) continue;
    const own = busy.get(task.stationId);
    if (own) own.push(task);
    else busy.set(task.stationId, [...shown, task]);
  }
  return cooking.map(({ job }) => ({
    stationId: job.stationId,
    ...idleOf(busy.get(job.stationId) ?? shown, from),
  }));
}

function idleOf(tasks: readonly Task[], from: Minutes): { minutes: Minutes; longest: Minutes } {
  const busy = [...tasks].sort((a, b) => a.start - b.start);
  let at = from;
  let [minutes, longest] = [inMinutes(0), inMinutes(0)];
  for (const task of busy) {
    const gap = largest(inMinutes(0), minus(task.start, at));
    minutes = plus(minutes, gap);
    longest = largest(longest, gap);
    at = largest(at, task.end);
  }
  return { minutes, longest };
}

/** Batters whose last load is poured after they may still be used. A second of rounding is not a broken window. */
export const lateBatters = ({ batters }: Pick<Timeline, "batters">): BatterTimes[] =>
  batters.filter(({ wetAt, lastPour, cookBy }) => cookBy !== null && lastPour - wetAt > cookBy.max + 1 / 60);

/**
 * Counts loads of the matching stations before which the surface is greased: its first load only, or the first and every nth after it,
 * whoever’s loads lie between. Testers come before the first load; parts that share an oven are one load.
 */
export function greasedLoads(tasks: readonly Task[], isTheirs: (load: Task) => boolean, every: Greasing): number {
  const loads = tasks.filter((task) => task.kind === "load" || task.kind === "demo-load");
  let greased = 0;
  for (const surfaceId of new Set(loads.filter(isTheirs).map((task) => task.surfaceId))) {
    const own = loads.filter((task) => task.surfaceId === surfaceId).sort((a, b) => a.start - b.start);
    const starts = [...new Set(own.map((task) => task.start))];
    for (const [at, start] of starts.entries()) {
      if (every === "first" ? at > 0 : at % every !== 0) continue;
      // Together in the oven: whoever is first on the sheet brings the fat.
      const [first] = own.filter((task) => task.start === start);
      if (first && isTheirs(first)) greased += 1;
    }
  }
  return greased;
}
