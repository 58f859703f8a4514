import { type UnitId, noUnit } from "~/core/ids";
import { toMinutes, inMinutes, type Minutes, plus, minus } from "~/core/quantity";
import { betweenSeconds, pouringSeconds } from "./durations";
import type { SharedThing } from "~/core/gear";
import type { PinnableBell, ScheduleInput, Task, Timeline } from "./types";

/** Reason why a task waited for the task before it. */
export const linkReasons = ["batter", "surface", "adult", "hands", "demo", "doors", "plate", "room", "pour"] as const;
export type LinkReason = (typeof linkReasons)[number];

/** A link of the critical chain: a task, and what it waited for. */
export interface ChainLink {
  readonly taskId: string;
  readonly because: LinkReason;
}

/** The critical chain: the tasks that end last, from first to last, and what most of their time is spent on. */
export interface HoldUp {
  readonly links: readonly ChainLink[];
  /** The unit the chain uses longest, and the number of its loads there. */
  readonly surface: {
    readonly unitId: UnitId;
    readonly loads: number;
    readonly from: number;
    readonly to: number;
  } | null;
  /** The most frequent reason among loads; null where none waited. */
  readonly mostly: LinkReason | null;
  /** Shared tools waited for in the chain, with total minutes, the longest first. */
  readonly things: readonly { readonly thing: SharedThing; readonly minutes: Minutes }[];
  /** The pinned bell that delays the end of the class, and when everything was ready for it; null where none does. */
  readonly pinned: { readonly bell: PinnableBell; readonly readyAt: Minutes } | null;
}

const near = 1 / 60 + 1e-6;
const atHeat: readonly Task["kind"][] = ["load", "tester", "demo-load"];

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
  const endsAt = (at: number, kinds: readonly Task["kind"][]) =>
    counted.filter((task) => kinds.includes(task.kind) && Math.abs(task.end - at) <= near);
  const betweenOf = (stationId: string | null) => {
    const recipe = input.stations.find((job) => job.stationId === stationId)?.recipe ?? input.demoRecipe;
    return recipe ? toMinutes(betweenSeconds(recipe, stationId === null ? 1 : input.pace)) : 0;
  };
  const jobs = new Map(input.stations.map((job) => [job.stationId, job]));
  /** Minutes of a load or tester until its last piece is poured. */
  const pouringOf = ({ stationId, pieces }: Task) => {
    const recipe = jobs.get(stationId ?? "")?.recipe;
    return recipe ? toMinutes(pouringSeconds(recipe, pieces, input.pace)) : 0;
  };
  return (task) => {
    const own = (one: Task) => one.stationId === task.stationId;
    if (!atHeat.includes(task.kind)) {
      const mine = counted.filter((one) => own(one) && one !== task && Math.abs(one.end - task.start) <= near).at(-1);
      // Whoever kept step waited for the last of the room.
      const last = mine?.isCatchUp
        ? counted.find(
            (one) =>
              !own(one) && !one.isCatchUp && !atHeat.includes(one.kind) && Math.abs(one.end - task.start) <= near,
          )
        : undefined;
      if (last) return { because: "room", before: last };
      if (mine) return { because: atHeat.includes(mine.kind) ? "plate" : "hands", before: mine };
      const shown = endsAt(task.start, ["demo-mix", "demo-load"]).at(-1);
      return { because: shown ? "demo" : "doors", before: shown };
    }
    if ((task.waited ?? 0) > 0) {
      // Whoever had it last: poured before, and may lie on the heat still.
      const poured = counted
        .filter((one) => atHeat.includes(one.kind) && one.kind !== "demo-load" && one.start < task.start)
        .map((one) => ({ one, off: Math.abs(one.start + pouringOf(one) - task.start) }))
        .sort((a, b) => a.off - b.off);
      if (poured[0] && poured[0].off <= near) return { because: "pour", before: poured[0].one };
    }
    const onUnit = counted
      .filter((one) => one !== task && one.surfaceId === task.surfaceId && one.end <= task.start + near)
      .at(-1);
    if (onUnit && task.start - onUnit.end <= betweenOf(onUnit.stationId) + near)
      return { because: "surface", before: onUnit };
    const batter = timeline.batters.find((one) => one.stationId === task.stationId && one.mix === task.mix);
    if (batter && Math.abs(batter.readyAt - task.start) <= near) {
      const shown = endsAt(task.start, ["demo-load"]).at(-1);
      if (shown) return { because: "demo", before: shown };
      const mixed = counted
        .filter((one) => own(one) && ["mix", "prepare", "wait"].includes(one.kind) && one.end <= task.start + near)
        .at(-1);
      return { because: "batter", before: mixed };
    }
    const freed = endsAt(task.start, atHeat).find((one) => one !== task);
    return freed ? { because: "adult", before: freed } : { because: "surface", before: onUnit };
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
      if (!atHeat.includes(task.kind)) return [];
      const { because, before } = waited(task);
      const isHeld = because === "batter" || because === "demo" || (before && task.start - before.end <= setUpMinutes);
      return isHeld ? [[task.id, because]] : [];
    }),
  );
}
/** Minutes of set-up between two loads within which the second still counts as waiting for the first. */
const setUpMinutes = 5;

/** Does the first load of the chain start at the pinned pour bell, with its batter ready before? */
function pouredAtPin(
  { tasks, batters }: Timeline,
  { pins = [] }: ScheduleInput,
  first: Task | undefined,
): HoldUp["pinned"] {
  const pin = pins.find((one) => one.bell === "pour");
  const batter = batters.find((one) => one.stationId === first?.stationId && one.mix === first?.mix);
  if (!first || !pin || !batter) return null;
  const poured = tasks.filter((task) => atHeat.includes(task.kind) && task.stationId === first.stationId);
  const from = poured.reduce((least, task) => Math.min(least, task.start), Infinity);
  return Math.abs(pin.at - from) <= near && batter.readyAt < pin.at - near
    ? { bell: "pour", readyAt: inMinutes(batter.readyAt) }
    : null;
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
  let here = countedIn(timeline)
    .filter((task) => Math.abs(task.end - eat) <= near)
    .reduce<Task | undefined>((so, task) => (so && so.end > task.end ? so : task), undefined);
  for (let steps = 0; here && steps < 2000; steps += 1) {
    const found = waited(here);
    links.unshift({ taskId: here.id, because: found.because });
    here = found.before;
  }
  const byId = new Map(timeline.tasks.map((task) => [task.id, task]));
  const heat = links.flatMap((link) => {
    const task = byId.get(link.taskId);
    return task && task.kind === "load" ? [{ link, task }] : [];
  });
  const minutesOn = new Map<UnitId, number>();
  for (const { task } of heat)
    minutesOn.set(task.surfaceId ?? noUnit, (minutesOn.get(task.surfaceId ?? noUnit) ?? 0) + task.end - task.start);
  const [longest] = [...minutesOn].sort((a, b) => b[1] - a[1]);
  const there = heat.filter(({ task }) => task.surfaceId === longest?.[0]);
  const waitedFor = new Map<SharedThing, Minutes>();
  for (const { taskId } of links) {
    const task = byId.get(taskId);
    if (task?.waitsFor !== undefined)
      waitedFor.set(
        task.waitsFor,
        plus(waitedFor.get(task.waitsFor) ?? inMinutes(0), task.waited ?? minus(task.end, task.start)),
      );
  }
  const count = (because: LinkReason) => heat.slice(1).filter(({ link }) => link.because === because).length;
  const [mostly] = (["surface", "adult"] as const).filter((one) => count(one) > 0).sort((a, b) => count(b) - count(a));
  return {
    links,
    surface:
      longest && there.length > 0
        ? {
            unitId: longest[0],
            loads: new Set(there.map(({ task }) => task.start)).size,
            from: Math.min(...there.map(({ task }) => task.start)),
            to: Math.max(...there.map(({ task }) => task.end)),
          }
        : null,
    things: [...waitedFor].sort((a, b) => b[1] - a[1]).map(([thing, minutes]) => ({ thing, minutes })),
    pinned: eat < called ? { bell: "eat", readyAt: eat } : pouredAtPin(timeline, input, heat[0]?.task),
    mostly: mostly ?? (heat.length > 0 ? (heat[0]?.link.because ?? null) : null),
  };
}
