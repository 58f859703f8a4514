import { type Minutes, type Pieces, times } from "~/core/quantity";
import { laidFor, minutesEach } from "./open-rounds";
import type { ClassInput, ClassPlan, StationPlan } from "./types";

/** What a table's own decision takes: its loads, those that were planned, and the minutes the difference comes to on one surface. */
export interface Decided {
  readonly loads: number;
  readonly planned: number;
  readonly minutes: Minutes;
}

/**
 * What it takes that a table which decides while it cooks makes so many pieces of each round: no load holds pieces of two.
 * @param pieces of each round, in their order, 0 and more.
 */
export function decidedOf(
  { kitchen }: Pick<ClassInput, "kitchen">,
  { timeline, dishes }: Pick<ClassPlan, "timeline" | "dishes">,
  station: Pick<StationPlan, "id" | "dishId">,
  pieces: readonly Pieces[],
): Decided | undefined {
  const recipe = dishes.find((dish) => dish.id === station.dishId)?.recipe;
  if (!recipe?.isRoundsOpen) return undefined;
  const { loads: planned, places } = laidFor(station.id, recipe, timeline, kitchen);
  const loads = pieces.reduce((sum, count) => sum + Math.ceil(count / places), 0);
  return { loads, planned, minutes: times(minutesEach(recipe), loads - planned) };
}
