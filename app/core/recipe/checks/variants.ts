import type { Recipe, RecipeFinding } from "../types";

/** A variant that leaves out or swaps a line that is no longer there is not the variant its name promises. */
export function variants(recipe: Recipe): RecipeFinding[] {
  const there = new Set(recipe.lines.map((line) => line.id));
  return recipe.variants.flatMap((variant) =>
    [...variant.omit, ...variant.swaps.map((swap) => swap.lineId)]
      .filter((lineId) => !there.has(lineId))
      .map((lineId): RecipeFinding => ({
        code: "variant-without-line",
        level: "blocks",
        variantId: variant.id,
        name: variant.name,
        lineId,
      })),
  );
}
