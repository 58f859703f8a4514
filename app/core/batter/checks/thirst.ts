import { type Recipe, familyFacts, isBatter } from "~/core/recipe";
import { type Pantry, batterOf, lineGrams } from "../batter";
import type { BatterFinding } from "../types";

/**
 * How much more liquid a flour takes than plain white wheat flour, as shares of the liquid (starting values from general baking
 * tables): wholemeal and rye 5 to 10 %, gluten-free blends about 10 %; both go on drinking while the batter stands.
 */
export const drinks: Readonly<Record<string, { readonly low: number; readonly high: number }>> = {
  "wholemeal-flour": { low: 0.05, high: 0.1 },
  "rye-flour": { low: 0.05, high: 0.1 },
  "gluten-free-flour": { low: 0.1, high: 0.1 },
};

/** A batter that is mostly thirsty flour and not on the loose side of its family's band thickens before it is poured. */
export function thirstyFlour(recipe: Recipe, pantry: Pantry): BatterFinding[] {
  const { starchGrams, looseness, unknownLines } = batterOf(recipe, pantry);
  const band = familyFacts[recipe.family].looseness;
  const middle = (band.from + band.to) / 2;
  if (unknownLines.length > 0 || looseness === undefined || looseness >= middle || !Number.isFinite(middle)) return [];
  return recipe.lines.flatMap((line): BatterFinding[] => {
    const thirst = drinks[line.ingredientId];
    const grams = thirst && isBatter(line, recipe) ? (lineGrams(line, recipe, pantry) ?? 0) * line.keeps : 0;
    return thirst && grams * 2 > starchGrams
      ? [{ code: "thirsty-flour", level: "notes", ingredientId: line.ingredientId, ...thirst }]
      : [];
  });
}
