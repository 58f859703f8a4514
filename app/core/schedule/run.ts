import { type UnitId } from "~/core/ids";
import type { SharedThing } from "~/core/gear";
import { type Minutes, inMinutes, type Pieces, sumOf, plus } from "~/core/quantity";
import type { Recipe, Step, StepKind } from "~/core/recipe";
import type { BellKind, Task, Timeline } from "./types";

/** An entry of the run sheet: what the instructor does, calls or watches for, in minutes since the doors opened. */
export type RunEntry = { readonly at: Minutes } & (
  | { readonly kind: "bell"; readonly bell: BellKind }
  | { readonly kind: "switch-on"; readonly unitIds: readonly UnitId[] }
  /** Tables that begin to mix after the bell, and the shared tool they waited for, if any. */
  | { readonly kind: "mixes"; readonly stationIds: readonly string[]; readonly waitsFor?: SharedThing | undefined }
  /** Where everybody follows the instructor: the room goes on to a step; `waited` are the tables that were ready early. */
  | {
      readonly kind: "goes-on";
      readonly stepId: string;
      readonly stationIds: readonly string[];
      readonly waited: readonly string[];
    }
  /** Tables that begin to mix their second half. */
  | { readonly kind: "mixes-again"; readonly stationIds: readonly string[] }
  | { readonly kind: "tester"; readonly unitId: UnitId; readonly stationId: string }
  | {
      readonly kind: "load";
      readonly unitId: UnitId;
      readonly stationIds: readonly string[];
      /** Round of the pieces, where the bowl has several. */
      readonly roundId?: string | undefined;
      /** Number of consecutive loads, the last of them out at `until`. */
      readonly pieces: Pieces;
      readonly loads: number;
      readonly until: Minutes;
      /** The first on this surface: whoever watches the heat looks here. */
      readonly isFirst: boolean;
    }
  | { readonly kind: "wash"; readonly unitId: UnitId }
  | { readonly kind: "last-out"; readonly stationId: string }
);

type Mutable<T> = { -readonly [K in keyof T]: T[K] };

const order: readonly RunEntry["kind"][] = [
  "bell",
  "switch-on",
  "wash",
  "mixes",
  "goes-on",
  "mixes-again",
  "last-out",
  "tester",
  "load",
];

/** Groups tasks by the shared tool they waited for. */
function byThing(tasks: readonly Task[], all: readonly Task[]): Map<SharedThing | undefined, Task[]> {
  const groups = new Map<SharedThing | undefined, Task[]>();
  for (const task of tasks) {
    const waited = all.find(
      (one) =>
        one.kind === "wait" &&
        one.waitsFor !== undefined &&
        one.stationId === task.stationId &&
        Math.abs(one.end - task.start) < 1 / 120,
    );
    groups.set(waited?.waitsFor, [...(groups.get(waited?.waitsFor) ?? []), task]);
  }
  return groups;
}

/** Entries for each step that the room begins together after the mixing bell. */
function stepsTogether({ tasks }: Timeline, bell: Minutes): RunEntry[] {
  const second = (at: Minutes) => Math.round(at * 60);
  const hands = tasks.filter((task) => ["mix", "prepare"].includes(task.kind) && task.mix === undefined);
  // Whoever mixes later than the bell goes on alone.
  const begun = new Set(
    tasks.flatMap(({ kind, start, stationId }) =>
      ["mix", "prepare", "wait"].includes(kind) && second(start) === second(bell) ? (stationId ?? []) : [],
    ),
  );
  const groups = new Map<string, Task[]>();
  for (const task of hands)
    if (task.stationId !== null && begun.has(task.stationId) && second(task.start) > second(bell)) {
      const key = `${second(task.start)} ${task.stepId}`;
      groups.set(key, [...(groups.get(key) ?? []), task]);
    }
  const hasWaited = ({ stationId, start }: Task) =>
    tasks.some((one) => one.isCatchUp && one.stationId === stationId && second(one.end) === second(start));
  // One table alone has nobody to keep step with.
  const shared = [...groups.values()].filter((group) => group.length > 1);
  return shared.map((group) => ({
    at: group[0]?.start ?? bell,
    kind: "goes-on" as const,
    stepId: group[0]?.stepId ?? "",
    stationIds: group.flatMap((task) => task.stationId ?? []),
    waited: group.flatMap((task) => (task.stationId !== null && hasWaited(task) ? [task.stationId] : [])),
  }));
}

/**
 * The run sheet by the minute. Reads a timeline, decides nothing.
 * @param isAlong everybody follows the instructor step by step.
 */
export function runList(timeline: Timeline, isAlong = false): RunEntry[] {
  const entries: RunEntry[] = timeline.bells.map(({ kind, at }) => ({ at, kind: "bell", bell: kind }));
  const bell = timeline.bells.find((one) => one.kind === "mix")?.at ?? inMinutes(0);
  const together = <K>(tasks: readonly Task[], keyOf: (task: Task) => K): Map<K, Task[]> => {
    const groups = new Map<K, Task[]>();
    for (const task of tasks) groups.set(keyOf(task), [...(groups.get(keyOf(task)) ?? []), task]);
    return groups;
  };
  const of = (...kinds: readonly Task["kind"][]) => timeline.tasks.filter((task) => kinds.includes(task.kind));
  const secondOf = (task: Task) => Math.round(task.start * 60);

  for (const tasks of together(of("preheat"), secondOf).values())
    entries.push({
      at: tasks[0]?.start ?? inMinutes(0),
      kind: "switch-on",
      unitIds: tasks.flatMap((task) => task.surfaceId ?? []),
    });
  for (const task of of("wash"))
    if (task.surfaceId !== null) entries.push({ at: task.start, kind: "wash", unitId: task.surfaceId });

  /** First task of each table’s first or second mix. */
  const begins = (mix: 2 | undefined): Task[] => {
    const begun = new Map<string, Task>();
    for (const task of of("mix", "prepare"))
      if (task.stationId !== null && task.mix === mix && !begun.has(task.stationId)) begun.set(task.stationId, task);
    return [...begun.values()];
  };
  const later = begins(undefined).filter((task) => task.start > bell + 1 / 60);
  // Those of one minute together.
  for (const [kind, begun] of [
    ["mixes", later],
    ["mixes-again", begins(2)],
  ] as const)
    for (const tasks of together(begun, (task) => Math.floor(task.start)).values())
      for (const [waitsFor, together] of byThing(tasks, timeline.tasks))
        entries.push({
          at: together[0]?.start ?? inMinutes(0),
          kind,
          stationIds: together.flatMap((task) => task.stationId ?? []),
          ...(waitsFor === undefined ? {} : { waitsFor }),
        });

  if (isAlong) entries.push(...stepsTogether(timeline, bell));
  for (const task of of("tester"))
    if (task.surfaceId !== null && task.stationId !== null)
      entries.push({ at: task.start, kind: "tester", unitId: task.surfaceId, stationId: task.stationId });
  // Loads of the same tables one after the other on a surface are one entry: what the room sees is who is at it.
  for (const [unitId, onUnit] of together(of("load"), (task) => task.surfaceId)) {
    if (unitId === null) continue;
    let before: Mutable<Extract<RunEntry, { kind: "load" }>> | undefined;
    for (const tasks of together(onUnit, secondOf).values()) {
      const stationIds = tasks.flatMap((task) => task.stationId ?? []);
      const pieces = sumOf(tasks.map((task) => task.pieces));
      const until = Math.max(...tasks.map((task) => task.end));
      const roundId = tasks[0]?.roundId;
      if (before?.stationIds.join() === stationIds.join() && before.roundId === roundId) {
        before.pieces = plus(before.pieces, pieces);
        before.loads += 1;
        before.until = inMinutes(until);
      } else {
        const isFirst = before === undefined;
        before = {
          at: tasks[0]?.start ?? inMinutes(0),
          kind: "load",
          unitId,
          stationIds,
          ...(roundId === undefined ? {} : { roundId }),
          pieces,
          loads: 1,
          until: inMinutes(until),
          isFirst,
        };
        entries.push(before);
      }
    }
  }
  for (const tasks of together(of("load"), (task) => task.stationId).values()) {
    const last = tasks.reduce((so, task) => (task.end > so.end ? task : so));
    if (last.stationId !== null) entries.push({ at: last.end, kind: "last-out", stationId: last.stationId });
  }
  return entries.sort((a, b) => a.at - b.at || order.indexOf(a.kind) - order.indexOf(b.kind));
}

/** Kinds of steps that begin at each bell; what the instructor says at a bell is about these. */
export const stepsAtBell: Partial<Readonly<Record<BellKind, readonly StepKind[]>>> = {
  "gather-mix": ["mix", "prepare"],
  mix: ["prepare", "mix"],
  rest: ["preheat"],
  "gather-load": ["preheat", "cook"],
  pour: ["cook"],
  swap: ["cook", "hold"],
  eat: ["reheat", "serve"],
};

/** A step with something to say: a point, a question, or what to avoid. */
export interface SpokenStep {
  readonly recipeId: string;
  readonly step: Step;
}

/** Steps of these recipes with something to say, each once, in the order of the method. */
export const spokenSteps = (recipes: readonly Recipe[]): SpokenStep[] =>
  [...new Map(recipes.map((recipe) => [recipe.id, recipe])).values()].flatMap((recipe) =>
    recipe.steps.flatMap((step) => (step.point || step.question || step.avoid ? [{ recipeId: recipe.id, step }] : [])),
  );

/** Steps to speak about at each bell: at the first bell that begins the step; while mixing if no bell does. */
export function spokenAt(timeline: Pick<Timeline, "bells">, recipes: readonly Recipe[]): Map<BellKind, SpokenStep[]> {
  const kinds = [...new Set(timeline.bells.map((bell) => bell.kind))];
  const found = new Map<BellKind, SpokenStep[]>();
  for (const spoken of spokenSteps(recipes)) {
    const bell = kinds.find((kind) => stepsAtBell[kind]?.includes(spoken.step.kind)) ?? "mix";
    found.set(bell, [...(found.get(bell) ?? []), spoken]);
  }
  return found;
}
