import { type Ratio, divide, ratioOf, toNumber, inGrams, inMinutes, largest, minus } from "~/core/quantity";
import { type RecipeEdit, isAtPlate } from "~/core/recipe";
import { drinks } from "../checks/thirst";
import { addBeside, dropIfThere, gramsAmount, gramsOf, scaleLiquids } from "./helpers";
import type { FindSwaps, SwapNote } from "./types";

/** The flours that stand for one another here. */
const flours: readonly string[] = ["plain-flour", "wholemeal-flour", "gluten-free-flour"];

/** Liquid factor of each flour relative to plain white wheat flour: the middle of its usual range. */
function thirstOf(ingredientId: string): Ratio | undefined {
  if (!flours.includes(ingredientId)) return undefined;
  const more = drinks[ingredientId];
  return ratioOf(1 + (more ? (more.low + more.high) / 2 : 0));
}
/** Grams of binder to 100 g of a gluten-free blend that has none of its own (starting value). */
const binderPer100 = 1;
/** Minutes a gluten-free batter rests until it has drunk (starting value). */
const glutenFreeRest = inMinutes(10);

/** White, wholemeal and gluten-free flour for one another, with the liquid each wants and the binder the last needs. */
export const flour: FindSwaps = (recipe, line, pantry) => {
  const from = thirstOf(line.ingredientId);
  if (!from || isAtPlate(line, recipe)) return [];
  const binderId = `${line.id}-binder`;
  return flours.flatMap((id) => {
    const to = thirstOf(id);
    if (!to || id === line.ingredientId || !pantry.has(id)) return [];
    const isGlutenFree = id === "gluten-free-flour";
    const factor = divide(to, from);
    const binder = (gramsOf(recipe, line, pantry) * binderPer100) / 100;
    const edits: RecipeEdit[] = [
      { kind: "set-ingredient", lineId: line.id, ingredientId: id },
      ...scaleLiquids(recipe, pantry, factor),
      ...(isGlutenFree && pantry.has("xanthan")
        ? [addBeside(recipe, line, binderId, "xanthan", gramsAmount(inGrams(binder)))]
        : dropIfThere(recipe, binderId)),
      ...(isGlutenFree && recipe.rest.min < glutenFreeRest
        ? [
            {
              kind: "set-window" as const,
              rest: {
                min: glutenFreeRest,
                max: recipe.rest.max === null ? null : largest(recipe.rest.max, glutenFreeRest),
                reason: "gel-swells" as const,
              },
            },
          ]
        : []),
    ];
    const notes: SwapNote[] = [
      { code: "more-liquid", share: toNumber(factor) - 1 },
      ...(isGlutenFree ? [{ code: "binder", grams: inGrams(binder) } as const] : []),
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
        waitMinutes: isGlutenFree ? largest(inMinutes(0), minus(glutenFreeRest, recipe.rest.min)) : inMinutes(0),
        notes,
        refused: undefined,
      },
    ];
  });
};
