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

/** Searches for a better order for a class; see `search`. How much each station makes follows from the order that is found. */
export function* orderFor(input: ClassInput, effort?: Effort): Generator<SearchProgress, OrderFound, undefined> {
  const { timeline: before, scheduled } = layout(input);
  if (before.isProved) return { order: input.order, before, after: before };
  const { order } = yield* search(scheduled, effort ?? usualEffort(scheduled));
  const { timeline: after } = layout({ ...input, order });
  return isBetter(after, before) ? { order, before, after } : { order: input.order, before, after: before };
}

/** The same, to its end at once: a class with the best order that was found. */
export function withOrder(input: ClassInput, effort?: Effort): ClassInput {
  const turns = orderFor(input, effort);
  for (;;) {
    const { value, done } = turns.next();
    if (done === true) return value.order ? { ...input, order: value.order } : input;
  }
}
