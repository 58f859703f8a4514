import type { Recipe } from "~/core/recipe";
import { type Pantry, batterOf, leftBehind, yieldOf } from "../batter";
import type { BatterFinding } from "../types";

/** Relative difference between claimed and computed pieces below which nothing is reported (starting value). */
const yieldSlack = 0.15;

/** The yield a recipe claims against what its volume gives. */
export function yieldClaimed(recipe: Recipe, pantry: Pantry): BatterFinding[] {
  const claimed = recipe.claimedPieces;
  const batter = batterOf(recipe, pantry);
  if (claimed === null || recipe.portion.kind === "batch" || batter.unknownLines.length > 0) return [];
  const computed = yieldOf(recipe, batter).pieces;
  if (Math.abs(computed - claimed) <= Math.max(1, claimed * yieldSlack)) return [];
  const kept = (recipe.portion.kind === "ml" ? batter.millilitres : batter.grams) * (1 - leftBehind);
  return [
    {
      code: "yield-off",
      level: "warns",
      claimed,
      computed,
      portion: claimed > 0 ? Math.floor(kept / claimed) : undefined,
      unit: recipe.portion.kind === "ml" ? "ml" : "g",
    },
  ];
}
