import { type UnitId, noUnit } from "~/core/ids";
import { type Minutes, inMinutes, largest } from "~/core/quantity";
import type { Task, Timeline } from "./types";

/** The duties of one adult at the heat. */
export interface Watch {
  /** Preheats, testers, loads and washes, in order of time. */
  readonly tasks: readonly Task[];
  /** Their units, in order of first use. */
  readonly unitIds: readonly UnitId[];
  /** Minutes with something on the heat. */
  readonly minutes: Minutes;
}

/** Length of the union of intervals that may overlap. */
function minutesOf(turns: readonly Turn[]): Minutes {
  let [sum, until] = [0, -Infinity];
  for (const { start, end } of turns) {
    sum += Math.max(0, end - Math.max(start, until));
    until = Math.max(until, end);
  }
  return inMinutes(sum);
}

/** All pieces on one unit in one interval: a load, or the parts that share an oven. */
interface Turn {
  readonly unitId: UnitId;
  readonly start: Minutes;
  readonly end: Minutes;
  readonly tasks: readonly Task[];
}

const near = 1e-6;
const isAtHeat = (task: Task): boolean => task.kind === "load" || task.kind === "tester";

function turnsAtHeat(timeline: Pick<Timeline, "tasks">): Turn[] {
  const turns = new Map<string, Task[]>();
  for (const task of timeline.tasks)
    if (isAtHeat(task) && task.surfaceId !== null) {
      const key = `${task.surfaceId}\n${task.start.toFixed(6)}`;
      turns.set(key, [...(turns.get(key) ?? []), task]);
    }
  return [...turns.values()]
    .map((tasks): Turn => ({
      unitId: tasks[0]?.surfaceId ?? noUnit,
      start: tasks[0]?.start ?? inMinutes(0),
      end: largest(...tasks.map((task) => task.end)),
      tasks,
    }))
    .sort((a, b) => a.start - b.start || (a.unitId < b.unitId ? -1 : 1));
}

/**
 * Assigns adults to loads, one load after the other: whoever last had the unit keeps it while they can, else whoever has had least.
 * Nobody has more places at once than allowed, as long as the timeline respects that. Read-only.
 * @param adults 1 or more.
 * @param places hot places one adult may watch at once; null for an even share.
 * @throws {RangeError} on fewer than one adult.
 */
export function watches(timeline: Pick<Timeline, "tasks" | "units">, adults: number, places: number | null): Watch[] {
  if (!Number.isInteger(adults) || adults < 1) throw new RangeError(`expected 1 adult or more, got ${adults}.`);
  const most = places ?? Math.max(1, Math.ceil(timeline.units.length / adults));
  const rows = Array.from({ length: adults }, () => ({ turns: [] as Turn[], minutes: 0 }));
  const lastAt = new Map<string, number>();
  const firstAt = new Map<string, number>();
  for (const turn of turnsAtHeat(timeline)) {
    // Who looks after a unit that is still in use counts it among theirs.
    const busy = rows.map(
      ({ turns }) =>
        new Set(
          turns.filter((one) => one.end > turn.start + near && one.unitId !== turn.unitId).map((one) => one.unitId),
        ).size,
    );
    const free = rows.map((_, index) => index).filter((index) => (busy[index] ?? 0) < most);
    const before = lastAt.get(turn.unitId);
    const byLoad = (a: number, b: number) =>
      (busy[a] ?? 0) - (busy[b] ?? 0) || (rows[a]?.minutes ?? 0) - (rows[b]?.minutes ?? 0) || a - b;
    const least = (some: readonly number[]) => [...some].sort(byLoad)[0] ?? 0;
    const chosen =
      before !== undefined && free.includes(before) ? before : least(free.length > 0 ? free : rows.map((_, at) => at));
    const row = rows[chosen];
    if (!row) continue;
    row.turns.push(turn);
    row.minutes += turn.end - turn.start;
    lastAt.set(turn.unitId, chosen);
    if (!firstAt.has(turn.unitId)) firstAt.set(turn.unitId, chosen);
  }
  const all = turnsAtHeat(timeline);
  return rows.map(({ turns }, index): Watch => {
    // Whoever is first at a unit switches it on; whoever was there last washes it and heats it again.
    const beside = timeline.tasks.filter((task) => {
      if ((task.kind !== "preheat" && task.kind !== "wash") || task.surfaceId === null) return false;
      const at = turns.filter((turn) => turn.unitId === task.surfaceId);
      const earlier = all.filter((turn) => turn.unitId === task.surfaceId && turn.end <= task.start + near).at(-1);
      return earlier === undefined
        ? firstAt.get(task.surfaceId) === index
        : at.some((turn) => turn.start === earlier.start);
    });
    return {
      tasks: [...turns.flatMap((turn) => turn.tasks), ...beside].sort((a, b) => a.start - b.start || a.end - b.end),
      unitIds: [...new Set(turns.map((turn) => turn.unitId))],
      minutes: minutesOf(turns),
    };
  });
}
