import { isZero } from "~/core/quantity";
import type { Recipe, RecipeFinding } from "../types";

/** What comes in sachets and tins says how much is in one, by weight or volume. */
export const packs = (recipe: Recipe): RecipeFinding[] =>
  recipe.lines.flatMap((line): RecipeFinding[] =>
    line.amount.kind === "packs" && (isZero(line.amount.each.value) || line.amount.each.unit === "piece")
      ? [{ code: "pack-size-missing", level: "blocks", lineId: line.id, ingredientId: line.ingredientId }]
      : [],
  );
