import { massRange } from "~/core/pantry";
import { expectedOf, isBatter } from "~/core/recipe";
import type { Recipe } from "~/core/recipe";
import type { Pantry } from "../batter";
import type { BatterFinding } from "../types";

/** Coarse salt by the spoon weighs what its brand makes of it: weigh it, or ask. */
export const saltByBrand = (recipe: Recipe, pantry: Pantry): BatterFinding[] =>
  recipe.lines.flatMap((line): BatterFinding[] => {
    const ingredient = pantry.get(line.ingredientId);
    const amount = expectedOf(line.amount);
    if (!ingredient?.tspSpread || !amount || !isBatter(line, recipe)) return [];
    const range = massRange(amount, ingredient, recipe.system, recipe.fill);
    return range && range.because === "brand"
      ? [{ code: "salt-depends-on-brand", level: "notes", lineId: line.id, low: range.low, high: range.high }]
      : [];
  });
