import type { Recipe } from "~/core/recipe";
import { isBatter } from "~/core/recipe";
import { type Pantry, batterOf, lineGrams } from "../batter";
import type { BatterFinding, CeilingRole } from "../types";

/**
 * Grams per 100 g of flour above which a line is probably a slip, and above which nobody can have meant it (starting values):
 * twice what is usual, and about five times.
 */
export const ceilings: Readonly<Record<CeilingRole, { readonly warn: number; readonly refuse: number }>> = {
  salt: { warn: 3.5, refuse: 9 },
  powder: { warn: 9.5, refuse: 20 },
  soda: { warn: 2.5, refuse: 6 },
  spice: { warn: 4, refuse: 12 },
  vanilla: { warn: 8, refuse: 25 },
};
/** Where there is little flour (fritters, oven-puffed), a third of the mix stands in for it. */
const shareOfMix = 1 / 3;

const hasCeiling = (role: string): role is CeilingRole => role in ceilings;

/** Spoons that were probably meant to be smaller: half a cup of salt is refused, not scaled. */
export function ceilingsPassed(recipe: Recipe, pantry: Pantry): BatterFinding[] {
  const batter = batterOf(recipe, pantry);
  const seasoning = recipe.lines.filter((line) => hasCeiling(pantry.get(line.ingredientId)?.role ?? ""));
  const own = seasoning.reduce((sum, line) => sum + (lineGrams(line, recipe, pantry) ?? 0), 0);
  const base = Math.max(batter.starchGrams, (batter.grams - own) * shareOfMix);
  // While it is not known which flour it is, or how much, nothing can be too much for it.
  const isFlourOpen = batter.starchGrams === 0 && recipe.lines.some((line) => batter.unknownLines.includes(line.id));
  if (base <= 0 || isFlourOpen) return [];
  return seasoning.flatMap((line): BatterFinding[] => {
    const role = pantry.get(line.ingredientId)?.role ?? "other";
    const grams = lineGrams(line, recipe, pantry);
    if (!hasCeiling(role) || grams === undefined || !isBatter(line, recipe)) return [];
    const gramsPer100 = (grams / base) * 100;
    const { warn, refuse } = ceilings[role];
    if (gramsPer100 <= warn) return [];
    return [
      {
        code: "ceiling-passed",
        level: gramsPer100 > refuse ? "blocks" : "warns",
        lineId: line.id,
        ingredientId: line.ingredientId,
        role,
        gramsPer100,
        most: warn,
      },
    ];
  });
}
