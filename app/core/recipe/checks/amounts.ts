import type { Recipe, RecipeFinding } from "../types";

/** Lines whose amount nobody has said yet; they block packing, not teaching. */
export const amounts = (recipe: Recipe): RecipeFinding[] =>
  recipe.lines.flatMap((line): RecipeFinding[] =>
    line.amount.kind === "unknown"
      ? [
          {
            code: "amount-unknown",
            level: "blocks",
            lineId: line.id,
            ingredientId: line.ingredientId,
            said: line.amount.said,
          },
        ]
      : [],
  );
