import { type UnitId } from "~/core/ids";
import { type Minutes, minus, largest, inMinutes, smallest } from "~/core/quantity";
import { type Recipe, type SurfaceKind, heatOn, lyingMinutes } from "~/core/recipe";
import type { Task, Timeline } from "~/core/schedule";
import type { Turn } from "./turns";

/** One person's time from the first thing there is to do or see until the meal; all in minutes, moments since the doors. */
export interface Tally {
  readonly participantId: string;
  /** With something in hand, or to watch with all the room. */
  readonly busy: Minutes;
  readonly span: Minutes;
  /** The longest they stand with empty hands, and from when; 0 where they never do. */
  readonly wait: Minutes;
  readonly waitFrom: Minutes;
  /** Loads they pour or turn. */
  readonly heat: number;
}

type Spell = readonly [from: Minutes, to: Minutes];

const shown: ReadonlySet<Task["kind"]> = new Set(["demo-mix", "demo-load"]);
const done: ReadonlySet<Task["kind"]> = new Set(["prepare", "mix", "part", "after"]);

/** A load's pour, and from its turn to its last piece out. */
function partsOf(task: Task, recipe: Recipe, kind: SurfaceKind): { readonly pour: Spell; readonly turn: Spell } {
  const heat = heatOn(recipe.heat, kind);
  const poured = largest(task.start, minus(task.end, lyingMinutes(heat)));
  return {
    pour: [task.start, poured],
    turn: [largest(poured, minus(task.end, inMinutes(heat.side2?.likely ?? 0))), task.end],
  };
}

/** Spells as one row without overlaps, within a span. */
function joined(spells: readonly Spell[], [from, to]: Spell): Spell[] {
  const row: [Minutes, Minutes][] = [];
  for (const [a, b] of [...spells].sort((one, other) => one[0] - other[0])) {
    const [start, end] = [Math.max(a, from), Math.min(b, to)];
    if (end <= start) continue;
    const last = row[row.length - 1];
    if (last && start <= last[1]) last[1] = largest(last[1], inMinutes(end));
    else row.push([inMinutes(start), inMinutes(end)]);
  }
  return row;
}

export interface TallyInput {
  readonly stationId: string;
  /** Who is at the station, by their ids. */
  readonly people: readonly string[];
  readonly turns: readonly Turn[];
  readonly recipe: Recipe;
  readonly timeline: Timeline;
  readonly kindOf: (unitId: UnitId | null) => SurfaceKind | undefined;
}

/**
 * For each person of a station how long they have something to do, their longest wait with empty hands, and their loads at the heat. Who
 * stirs in turn has the bowl before them the whole step; what no step names, as unpacking, is everybody's; a tester is nobody's.
 */
export function talliesOf({ stationId, people, turns, recipe, timeline, kindOf }: TallyInput): Tally[] {
  const arrived = inMinutes(
    timeline.tasks.reduce((last, task) => (task.kind === "arrive" ? Math.max(last, task.end) : last), 0),
  );
  const eat = timeline.bells.find((bell) => bell.kind === "eat")?.at ?? timeline.end;
  const span: Spell = [smallest(arrived, eat), eat];
  const everybody: Spell[] = [];
  const own = new Map(people.map((id): [string, Spell[]] => [id, []]));
  const heat = new Map(people.map((id) => [id, 0]));
  for (const task of timeline.tasks) {
    if (shown.has(task.kind)) everybody.push([task.start, task.end]);
    if (task.stationId !== stationId) continue;
    if (done.has(task.kind)) {
      const named = turns.filter((turn) => turn.stepId === task.stepId);
      if (named.length === 0) everybody.push([task.start, task.end]);
      for (const id of new Set(named.flatMap((turn) => turn.hands))) own.get(id)?.push([task.start, task.end]);
    }
    if (task.kind !== "load") continue;
    const parts = partsOf(task, recipe, kindOf(task.surfaceId) ?? recipe.heat.surfaceKinds[0] ?? "hob-pan");
    for (const turn of turns)
      if ((turn.job === "pour" || turn.job === "turn") && turn.load === task.loadNumber)
        for (const id of turn.hands) {
          own.get(id)?.push(parts[turn.job]);
          heat.set(id, (heat.get(id) ?? 0) + 1);
        }
  }
  return people.map((participantId): Tally => {
    const row = joined([...everybody, ...(own.get(participantId) ?? [])], span);
    let [wait, waitFrom] = [0, span[0]];
    let free = span[0];
    for (const [from, to] of [...row, [span[1], span[1]] as const]) {
      if (from - free > wait) [wait, waitFrom] = [from - free, free];
      free = to;
    }
    const busy = inMinutes(row.reduce((sum, [from, to]) => sum + to - from, 0));
    return {
      participantId,
      busy,
      span: minus(span[1], span[0]),
      wait: inMinutes(wait),
      waitFrom,
      heat: heat.get(participantId) ?? 0,
    };
  });
}
