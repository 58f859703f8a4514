import { type Recipe, asVariant } from "~/core/recipe";
import { type Pantry, batterOf } from "../batter";
import type { BatterFinding } from "../types";

/** A variant that leaves the flour out and puts nothing in its place has no batter, whatever its name says. */
export function variantWithoutFlour(recipe: Recipe, pantry: Pantry): BatterFinding[] {
  if (batterOf(recipe, pantry).starchGrams === 0) return [];
  return recipe.variants.flatMap((variant): BatterFinding[] => {
    const { starchGrams, unknownLines } = batterOf(asVariant(recipe, variant.id), pantry);
    return starchGrams === 0 && unknownLines.length === 0
      ? [{ code: "variant-without-flour", level: "warns", variantId: variant.id, name: variant.name }]
      : [];
  });
}
