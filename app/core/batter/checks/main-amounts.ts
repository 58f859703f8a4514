import type { Recipe } from "~/core/recipe";
import { type Pantry, batterOf } from "../batter";
import type { BatterFinding } from "../types";

/** Flour, liquid and egg that nobody knows the amount of make what a batch gives unknown too. */
export function mainAmountOpen(recipe: Recipe, pantry: Pantry): BatterFinding[] {
  const { openMain } = batterOf(recipe, pantry);
  // What is known but cannot be weighed is a finding of its own.
  const open = recipe.lines
    .filter((line) => openMain.includes(line.id) && line.amount.kind === "unknown")
    .map((line) => line.ingredientId);
  if (open.length === 0 || recipe.portion.kind === "batch") return [];
  return [
    {
      code: "main-amount-open",
      level: "warns",
      ingredientIds: [...new Set(open)],
      claimed: recipe.claimedPieces,
    },
  ];
}
