import { type UnitId } from "~/core/ids";
import { toMinutes, inMinutes, type Minutes, plus, minus } from "~/core/quantity";
import { betweenSeconds, pouringSeconds } from "./durations";
import type { SharedThing } from "~/core/gear";
import type { PinnableBell, ScheduleInput, Task, Timeline } from "./types";

/** Reason why a task waited for the task before it. */
export const linkReasons = [
  "batter",
  "surface",
  "wash",
  "heating",
  "adult",
  "hands",
  "pouring",
  "demo",
  "doors",
  "plate",
  "room",
  "pour",
  "held-back",
] as const;
export type LinkReason = (typeof linkReasons)[number];

/** A link of the critical chain: a task, and what it waited for. */
export interface ChainLink {
  readonly taskId: string;
  readonly because: LinkReason;
}

/** Loads and testers of the chain that follow one another on one unit, and what the first of them waited for. Minutes since the doors. */
export interface Hop {
  readonly unitId: UnitId;
  readonly loads: number;
  readonly from: Minutes;
  readonly to: Minutes;
  readonly because: LinkReason;
  /** What the first of them waited for: its unit, where it was at the heat or is washed, else its station; null where there is none. */
  readonly before: { readonly unitId: UnitId | null; readonly stationId: string | null; readonly end: Minutes } | null;
  readonly stationId: string | null;
}

/** The critical chain: the tasks that end last, from first to last, and what most of their time is spent on. */
export interface HoldUp {
  readonly links: readonly ChainLink[];
  /** What of the chain is at the heat, from first to last. */
  readonly hops: readonly Hop[];
  /** What ends last where that is nothing at the heat: a task of a station, such as a sauce or what is done after the last piece. */
  readonly last: { readonly stationId: string | null; readonly stepId: string | null; readonly end: Minutes } | null;
  /** Shared tools waited for in the chain, with total minutes, the longest first. */
  readonly things: readonly { readonly thing: SharedThing; readonly minutes: Minutes }[];
  /** The pinned bell that delays the end of the class, and when everything was ready for it; null where none does. */
  readonly pinned: { readonly bell: PinnableBell; readonly readyAt: Minutes } | null;
}

const near = 1 / 60 + 1e-6;
const atHeat: readonly Task["kind"][] = ["load", "tester", "demo-load"];
const isAtHeat = (task: Task): boolean => atHeat.includes(task.kind);

/** What a task waited for, and the predecessor it waited for, if any. */
interface Waited {
  readonly because: LinkReason;
  readonly before: Task | undefined;
}

const countedIn = (timeline: Timeline): Task[] =>
  timeline.tasks.filter((task) => !["arrive", "eat", "clean", "preheat", "rest"].includes(task.kind));

/** Returns a function that finds what a task of this timeline waited for. */
function waitedIn(timeline: Timeline, input: ScheduleInput): (task: Task) => Waited {
  const counted = countedIn(timeline);
  const heat = counted.filter(isAtHeat);
  const jobs = new Map(input.stations.map((job) => [job.stationId, job]));
  const isAt = (a: number, b: number) => Math.abs(a - b) <= near;
  const betweenOf = (stationId: string | null) => {
    const recipe = jobs.get(stationId ?? "")?.recipe ?? input.demoRecipe ?? input.stations[0]?.recipe;
    return recipe ? toMinutes(betweenSeconds(recipe, stationId === null ? 1 : input.pace)) : 0;
  };
  /** Minutes of a load or tester until its last piece is poured; without the wait between two halves, in which hands are free. */
  const pouringOf = ({ stationId, pieces }: Task, isByHand: boolean) => {
    const recipe = jobs.get(stationId ?? "")?.recipe;
    if (!recipe) return 0;
    return toMinutes(pouringSeconds(recipe, pieces, input.pace)) - (isByHand ? (recipe.heat.halves?.likely ?? 0) : 0);
  };

  /** What is done by hand or by itself, away from the heat. */
  function awayFromHeat(task: Task): Waited {
    if (task.kind === "wash") {
      const used = heat.filter((one) => one.surfaceId === task.surfaceId && one.end <= task.start + near).at(-1);
      return { because: "surface", before: used };
    }
    const own = (one: Task) => one.stationId === task.stationId;
    const mine = counted.filter((one) => own(one) && one !== task && isAt(one.end, task.start)).at(-1);
    // Whoever kept step waited for the last of the room.
    const last = mine?.isCatchUp
      ? counted.find((one) => !own(one) && !one.isCatchUp && !isAtHeat(one) && isAt(one.end, task.start))
      : undefined;
    if (last) return { because: "room", before: last };
    if (mine) return { because: isAtHeat(mine) ? "plate" : "hands", before: mine };
    const shown = counted.filter((one) => ["demo-mix", "demo-load"].includes(one.kind) && isAt(one.end, task.start));
    return { because: shown.length > 0 ? "demo" : "doors", before: shown.at(-1) };
  }

  /** Its batter, just ready: what mixed it, or the demonstration that everybody watched. */
  function batterFor(task: Task): Waited | undefined {
    const batter = timeline.batters.find((one) => one.stationId === task.stationId && one.mix === task.mix);
    if (!batter || !isAt(batter.readyAt, task.start)) return undefined;
    const shown = counted.filter((one) => one.kind === "demo-load" && isAt(one.end, task.start)).at(-1);
    if (shown) return { because: "demo", before: shown };
    const mixed = counted.filter(
      (one) =>
        one.stationId === task.stationId &&
        one.mix === task.mix &&
        ["mix", "prepare", "wait"].includes(one.kind) &&
        one.end <= task.start + near,
    );
    return { because: "batter", before: mixed.at(-1) };
  }

  /** As many at the heat as there are places until just then, and one of them ended. */
  function adultFor(task: Task): Waited | undefined {
    if (input.hotPlaces === null) return undefined;
    const busy = heat.filter((one) => one !== task && one.start < task.start - near && one.end >= task.start - near);
    const before = busy.find((one) => isAt(one.end, task.start));
    const units = new Set(busy.map((one) => one.surfaceId));
    return before && units.size >= Math.max(1, input.hotPlaces) ? { because: "adult", before } : undefined;
  }

  /** All hands of the table pouring until just then. */
  function handsFor(task: Task): Waited | undefined {
    const hands = jobs.get(task.stationId ?? "")?.hands;
    if (hands === undefined) return undefined;
    const own = counted.filter((one) => one !== task && one.stationId === task.stationId);
    const busy = own.flatMap((one) => {
      const end = isAtHeat(one)
        ? one.start + pouringOf(one, true)
        : one.mix === 2 && ["mix", "prepare", "wait"].includes(one.kind)
          ? one.end
          : -1;
      return one.start < task.start - near && end >= task.start - near ? [{ one, end }] : [];
    });
    const before = busy.find(({ end }) => isAt(end, task.start))?.one;
    return before && busy.length >= hands ? { because: "pouring", before } : undefined;
  }

  return (task) => {
    if (!isAtHeat(task)) return awayFromHeat(task);
    if (task.kind === "demo-load") {
      // Shown once everybody has mixed, or right after the mixing was shown.
      const mixed = counted.filter((one) => !isAtHeat(one) && isAt(one.end, task.start)).at(-1);
      if (mixed) return { because: mixed.kind === "demo-mix" ? "demo" : "room", before: mixed };
    }
    if ((task.waited ?? 0) > 0) {
      // Whoever had it last: poured before, and may lie on the heat still.
      const poured = heat
        .filter((one) => one.kind !== "demo-load" && one.start < task.start)
        .map((one) => ({ one, off: Math.abs(one.start + pouringOf(one, false) - task.start) }))
        .sort((a, b) => a.off - b.off);
      if (poured[0] && poured[0].off <= near) return { because: "pour", before: poured[0].one };
    }
    const onUnit = heat
      .filter((one) => one !== task && one.surfaceId === task.surfaceId && one.end <= task.start + near)
      .at(-1);
    const hotAgain = timeline.tasks.find(
      (one) => one.kind === "preheat" && one.surfaceId === task.surfaceId && isAt(one.end, task.start),
    );
    const washed =
      hotAgain &&
      counted.find((one) => one.kind === "wash" && one.surfaceId === task.surfaceId && isAt(one.end, hotAgain.start));
    if (washed) return { because: "wash", before: washed };
    if (onUnit && task.start - onUnit.end <= betweenOf(onUnit.stationId) + near)
      return { because: "surface", before: onUnit };
    const because = batterFor(task) ?? adultFor(task) ?? handsFor(task);
    if (because) return because;
    if (hotAgain && hotAgain.start <= near) return { because: "heating", before: undefined };
    // Nothing kept it: it was laid later so that its batter is mixed later.
    return { because: "held-back", before: undefined };
  };
}

/**
 * Reason for the start of each task at the heat, by task id. A task that starts later than any resource required (an order or a window
 * wants it so) has none. Read-only.
 */
export function reasonsAtHeat(timeline: Timeline, input: ScheduleInput): ReadonlyMap<string, LinkReason> {
  const waited = waitedIn(timeline, input);
  return new Map(
    countedIn(timeline).flatMap((task): [string, LinkReason][] => {
      if (!isAtHeat(task)) return [];
      const { because } = waited(task);
      return because === "held-back" ? [] : [[task.id, because]];
    }),
  );
}

/** Does the first load of the chain start at the pinned pour bell, with its batter ready before? */
function pouredAtPin(
  { tasks, batters }: Timeline,
  { pins = [] }: ScheduleInput,
  first: Task | undefined,
): HoldUp["pinned"] {
  const pin = pins.find((one) => one.bell === "pour");
  const batter = batters.find((one) => one.stationId === first?.stationId && one.mix === first?.mix);
  if (!first || !pin || !batter) return null;
  const poured = tasks.filter((task) => isAtHeat(task) && task.stationId === first.stationId);
  const from = poured.reduce((least, task) => Math.min(least, task.start), Infinity);
  return Math.abs(pin.at - from) <= near && batter.readyAt < pin.at - near
    ? { bell: "pour", readyAt: inMinutes(batter.readyAt) }
    : null;
}

/** What of a chain is at the heat, what follows on one unit taken together. */
function hopsOf(links: readonly ChainLink[], byId: ReadonlyMap<string, Task>): Hop[] {
  const hops: Hop[] = [];
  links.forEach(({ taskId, because }, n) => {
    const task = byId.get(taskId);
    if (!task || !isAtHeat(task) || task.surfaceId === null) return;
    const earlier = byId.get(links[n - 1]?.taskId ?? "");
    const last = hops.at(-1);
    const counts = task.kind === "load" ? 1 : 0;
    if (last && because === "surface" && earlier?.surfaceId === task.surfaceId && isAtHeat(earlier)) {
      hops[hops.length - 1] = { ...last, loads: last.loads + counts, to: task.end };
      return;
    }
    hops.push({
      unitId: task.surfaceId,
      stationId: task.stationId,
      loads: counts,
      from: task.start,
      to: task.end,
      because,
      before: earlier ? { unitId: earlier.surfaceId, stationId: earlier.stationId, end: earlier.end } : null,
    });
  });
  return hops;
}

/** Traces the critical chain backwards from the task that ends last. Read-only. */
export function holdUp(timeline: Timeline, input: ScheduleInput): HoldUp {
  const called = timeline.bells.find((bell) => bell.kind === "eat")?.at ?? timeline.end;
  const lastEnd = inMinutes(countedIn(timeline).reduce((last, task) => Math.max(last, task.end), 0));
  // A meal that waits for its pinned bell: what holds it up is what was ready last.
  const isPinned = input.pins?.some((pin) => pin.bell === "eat" && Math.abs(pin.at - called) <= near) ?? false;
  const eat = isPinned && lastEnd < called - near ? lastEnd : called;
  const waited = waitedIn(timeline, input);
  const links: ChainLink[] = [];
  // Of two that end within a second of one another, the later holds it up.
  const last = countedIn(timeline)
    .filter((task) => Math.abs(task.end - eat) <= near)
    .reduce<Task | undefined>((so, task) => (so && so.end > task.end ? so : task), undefined);
  let here = last;
  for (let steps = 0; here && steps < 2000; steps += 1) {
    const found = waited(here);
    links.unshift({ taskId: here.id, because: found.because });
    here = found.before;
  }
  const byId = new Map(timeline.tasks.map((task) => [task.id, task]));
  const hops = hopsOf(links, byId);
  const first = links.map((link) => byId.get(link.taskId)).find((task) => task?.kind === "load");
  const waitedFor = new Map<SharedThing, Minutes>();
  for (const { taskId } of links) {
    const task = byId.get(taskId);
    if (task?.waitsFor !== undefined)
      waitedFor.set(
        task.waitsFor,
        plus(waitedFor.get(task.waitsFor) ?? inMinutes(0), task.waited ?? minus(task.end, task.start)),
      );
  }
  return {
    links,
    hops,
    last: last && !isAtHeat(last) ? { stationId: last.stationId, stepId: last.stepId, end: last.end } : null,
    things: [...waitedFor].sort((a, b) => b[1] - a[1]).map(([thing, minutes]) => ({ thing, minutes })),
    pinned: eat < called ? { bell: "eat", readyAt: eat } : pouredAtPin(timeline, input, first),
  };
}
