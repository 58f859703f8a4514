import { knownFood } from "~/core/pantry";
import { tablesOf } from "~/core/people";
import {
  type Effort,
  type Order,
  type SearchProgress,
  type Timeline,
  lateBatters,
  search,
  usualEffort,
} from "~/core/schedule";
import { dishesOf } from "./dishes";
import { laid } from "./laying";
import type { ClassInput } from "./types";

/** How a class is laid: what each station cooks, and when. */
export function layout(input: ClassInput) {
  const { brief } = input;
  const { pantry } = knownFood(input);
  const seats = tablesOf(brief, input.people, input.arrangement);
  const { dishes, dishAt } = dishesOf(input, pantry, seats);
  return laid(input, seats, dishAt, dishes, pantry);
}

export interface OrderFound {
  /** Undefined where no order is better than the rules. */
  readonly order: Order | undefined;
  readonly before: Timeline;
  readonly after: Timeline;
}

/** Broken windows, surfaces that nothing clears, and when all is ready to eat: in this order; less is better. */
function isBetter(a: Timeline, b: Timeline): boolean {
  const broken = (one: Timeline) => lateBatters(one).length;
  const ready = (one: Timeline) => one.bells.find((bell) => bell.kind === "eat")?.at ?? one.end;
  const difference = a.uncleared.length - b.uncleared.length || broken(a) - broken(b) || ready(a) - ready(b);
  return difference < -1e-9;
}

/** What a station cooks may grow by its testers when somebody else is first on a surface: then it is searched again, so often. */
const mostRounds = 3;

/**
 * Searches for a better order for a class; see `search`. Who throws away a tester decides how much batter a station makes, so the
 * search is repeated from what it found until both agree.
 */
export function* orderFor(input: ClassInput, effort?: Effort): Generator<SearchProgress, OrderFound, undefined> {
  const before = layout(input);
  let best = { order: input.order, timeline: before.timeline };
  let { scheduled } = before;
  for (let round = 0; round < mostRounds && !best.timeline.isProved; round += 1) {
    const { order } = yield* search(scheduled, effort ?? usualEffort(scheduled));
    const next = layout({ ...input, order });
    if (isBetter(next.timeline, best.timeline)) best = { order, timeline: next.timeline };
    const isSame = next.scheduled.stations.every((job, at) => job.pieces === scheduled.stations[at]?.pieces);
    ({ scheduled } = next);
    if (isSame) break;
  }
  return { order: best.order, before: before.timeline, after: best.timeline };
}

/** The same, to its end at once: a class with the best order that was found. */
export function withOrder(input: ClassInput, effort?: Effort): ClassInput {
  const turns = orderFor(input, effort);
  for (;;) {
    const { value, done } = turns.next();
    if (done === true) return value.order ? { ...input, order: value.order } : input;
  }
}
