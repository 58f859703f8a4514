import { type Recipe, takeUpOf, takenUpAfter } from "~/core/recipe";

/** What a batter falls from the spoon like, from thick to thin. */
export const likenesses = ["holds", "clots", "ribbons", "cream", "milk"] as const;
export type Likeness = (typeof likenesses)[number];

/** The least grams of water to a gram of flour from which on it falls so (starting values, by the bands of the families). */
const from: readonly (readonly [number, Likeness])[] = [
  [3, "milk"],
  [2.2, "cream"],
  [1.6, "ribbons"],
  [1.15, "clots"],
];

/** @param looseness grams of water to a gram of flour, above 0. */
export const likenessOf = (looseness: number): Likeness => from.find(([least]) => looseness >= least)?.[1] ?? "holds";

/**
 * The looseness a batter comes to after standing: the middle of what its flour takes up, in proportion to the minutes up to
 * `takesUpMinutes`.
 */
export function afterStanding(looseness: number, minutes: number, recipe: Pick<Recipe, "lines" | "parts">): number {
  const { low, high } = takeUpOf(recipe);
  return looseness * (1 - ((low + high) / 2) * takenUpAfter(minutes));
}
