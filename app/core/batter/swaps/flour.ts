import { type Ratio, divide, ratio, toNumber } from "~/core/quantity";
import type { RecipeEdit } from "~/core/recipe";
import { addBeside, dropIfThere, gramsAmount, gramsOf, scaleLiquids } from "./helpers";
import type { FindSwaps, SwapNote } from "./types";

/** How much liquid a flour drinks beside plain white wheat flour: wholemeal 5 to 10 % more, a gluten-free blend 10 % (starting values). */
const thirst: Readonly<Record<string, Ratio>> = {
  "plain-flour": ratio(1n),
  "wholemeal-flour": ratio(43n, 40n),
  "gluten-free-flour": ratio(11n, 10n),
};
/** Grams of binder to 100 g of a gluten-free blend that has none of its own (starting value). */
const binderPer100 = 1;
/** Minutes a gluten-free batter rests until it has drunk (starting value). */
const glutenFreeRest = 10;

/** White, wholemeal and gluten-free flour for one another, with the liquid each wants and the binder the last needs. */
export const flour: FindSwaps = (recipe, line, pantry) => {
  const from = thirst[line.ingredientId];
  if (!from || line.bowl === "topping") return [];
  const binderId = `${line.id}-binder`;
  return Object.entries(thirst).flatMap(([id, to]) => {
    if (id === line.ingredientId || !pantry.has(id)) return [];
    const isGlutenFree = id === "gluten-free-flour";
    const factor = divide(to, from);
    const binder = (gramsOf(recipe, line, pantry) * binderPer100) / 100;
    const edits: RecipeEdit[] = [
      { kind: "set-ingredient", lineId: line.id, ingredientId: id },
      ...scaleLiquids(recipe, pantry, factor),
      ...(isGlutenFree && pantry.has("xanthan")
        ? [addBeside(recipe, line, binderId, "xanthan", gramsAmount(binder))]
        : dropIfThere(recipe, binderId)),
      ...(isGlutenFree && recipe.rest.min < glutenFreeRest
        ? [
            {
              kind: "set-window" as const,
              rest: {
                min: glutenFreeRest,
                max: recipe.rest.max === null ? null : Math.max(recipe.rest.max, glutenFreeRest),
                reason: "gel-swells" as const,
              },
            },
          ]
        : []),
    ];
    const notes: SwapNote[] = [
      { code: "more-liquid", share: toNumber(factor) - 1 },
      ...(isGlutenFree ? [{ code: "binder", grams: binder } as const] : []),
      ...(id === "plain-flour" ? [] : [{ code: "thickens-on-standing" } as const]),
    ];
    return [
      {
        swap: "flour" as const,
        lineId: line.id,
        fromIngredientId: line.ingredientId,
        toIngredientId: id,
        way: "",
        edits,
        waitMinutes: isGlutenFree ? Math.max(0, glutenFreeRest - recipe.rest.min) : 0,
        notes,
        refused: undefined,
      },
    ];
  });
};
