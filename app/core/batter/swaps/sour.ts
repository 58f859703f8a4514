import { toMillilitres } from "~/core/pantry";
import {
  divide,
  isVolumeUnit,
  millilitresIn,
  one,
  ratioOf,
  subtract,
  toNumber,
  inMillilitres,
  inMinutes,
} from "~/core/quantity";
import { expectedOf, scaleLineAmount } from "~/core/recipe";
import { souringAcidMl } from "../leavening";
import { addBeside, exact, hasLine } from "./helpers";
import type { FindSwaps, SwapOffer } from "./types";

/** Minutes the milk stands until it has thickened (starting value). */
const souringMinutes = inMinutes(5);
const cultured = ["buttermilk", "plain-yogurt"];

/**
 * Cultured milk for milk soured with a tablespoon of acid to the cup: the acid on top of the milk, or the milk made up to the mark
 * over the acid. Books do either; the difference is the acid's own volume.
 */
export const sour: FindSwaps = (recipe, line, pantry) => {
  const ingredient = pantry.get(line.ingredientId);
  const amount = expectedOf(line.amount);
  if (!ingredient || !amount) return [];
  const common = { swap: "sour" as const, lineId: line.id, fromIngredientId: ingredient.id, refused: undefined };
  const share = divide(millilitresIn("tbsp", recipe.system), millilitresIn("cup", recipe.system));
  const [onTop, madeUp] = [`${line.id}-acid-top`, `${line.id}-acid-in`];
  if (cultured.includes(ingredient.id)) {
    const ml = toMillilitres(amount, ingredient, recipe.system, recipe.fill);
    if (!ml || !pantry.has("whole-milk") || !pantry.has("lemon-juice") || !isVolumeUnit(amount.unit)) return [];
    const total = toNumber(ml);
    const acidMl = souringAcidMl(inMillilitres(total), recipe.system);
    const acid = exact(ratioOf(Number(acidMl.toFixed(1))), "ml");
    const toMilk = { kind: "set-ingredient" as const, lineId: line.id, ingredientId: "whole-milk" };
    const offer = (more: Pick<SwapOffer, "way" | "edits" | "notes">): SwapOffer => ({
      ...common,
      toIngredientId: "whole-milk",
      waitMinutes: souringMinutes,
      ...more,
    });
    return [
      offer({
        way: "on-top",
        edits: [toMilk, addBeside(recipe, line, onTop, "lemon-juice", acid)],
        notes: [{ code: "acid-on-top", ml: inMillilitres(acidMl) }],
      }),
      offer({
        way: "made-up",
        edits: [
          toMilk,
          { kind: "set-amount", lineId: line.id, amount: scaleLineAmount(line.amount, subtract(one, share)) },
          addBeside(recipe, line, madeUp, "lemon-juice", acid),
        ],
        notes: [{ code: "acid-made-up", ml: inMillilitres(acidMl), milkMl: inMillilitres(total - acidMl) }],
      }),
    ];
  }
  const acidLine = [onTop, madeUp].find((id) => hasLine(recipe, id));
  if (ingredient.id !== "whole-milk" || !acidLine) return [];
  return cultured.flatMap((id) =>
    pantry.has(id)
      ? [
          {
            ...common,
            toIngredientId: id,
            way: "",
            waitMinutes: inMinutes(0),
            notes: [],
            edits: [
              { kind: "set-ingredient" as const, lineId: line.id, ingredientId: id },
              ...(acidLine === madeUp
                ? [
                    {
                      kind: "set-amount" as const,
                      lineId: line.id,
                      amount: scaleLineAmount(line.amount, divide(one, subtract(one, share))),
                    },
                  ]
                : []),
              { kind: "remove-line" as const, lineId: acidLine },
            ],
          },
        ]
      : [],
  );
};
