import { inGrams, inMinutes } from "~/core/quantity";
import type { RecipeEdit } from "~/core/recipe";
import { addBeside, dropIfThere, gramsAmount, gramsOf, hasLine, lineOf } from "./helpers";
import type { FindSwaps, SwapNote } from "./types";

const dairy = ["whole-milk", "semi-skimmed-milk", "skimmed-milk"];
const plant = ["oat-drink", "soy-drink", "almond-drink", "coconut-drink"];
/** Less fat than this, in grams a batch, is not made up (starting value). */
const fatWorthMakingUp = 0.5;

/**
 * One milk or plant drink for another. The fat it lacks comes back as butter or, where the point is to be without milk, as oil; going
 * back takes that line away again.
 */
export const milk: FindSwaps = (recipe, line, pantry) => {
  const from = pantry.get(line.ingredientId);
  if (!from || ![...dairy, ...plant].includes(from.id)) return [];
  const fatLineId = `${line.id}-fat`;
  const made = lineOf(recipe, fatLineId);
  const madeUp = made ? (gramsOf(recipe, made, pantry) * (pantry.get(made.ingredientId)?.fatPercent ?? 0)) / 100 : 0;
  return [...dairy, ...plant].flatMap((id) => {
    const to = pantry.get(id);
    if (!to || id === from.id) return [];
    const grams = gramsOf(recipe, line, pantry);
    const lacks = (grams * (from.fatPercent - to.fatPercent)) / 100 + madeUp;
    const fat = pantry.get(dairy.includes(id) ? "butter" : "sunflower-oil");
    const edits: RecipeEdit[] = [{ kind: "set-ingredient", lineId: line.id, ingredientId: id }];
    const notes: SwapNote[] = [];
    if (lacks > fatWorthMakingUp && fat) {
      const needed = (lacks / fat.fatPercent) * 100;
      notes.push({ code: "fat-made-up", ingredientId: fat.id, grams: inGrams(needed) });
      if (hasLine(recipe, fatLineId))
        edits.push(
          { kind: "set-ingredient", lineId: fatLineId, ingredientId: fat.id },
          { kind: "set-amount", lineId: fatLineId, amount: gramsAmount(inGrams(needed)) },
        );
      else edits.push(addBeside(recipe, line, fatLineId, fat.id, gramsAmount(inGrams(needed))));
    } else {
      edits.push(...dropIfThere(recipe, fatLineId));
      if (lacks < -fatWorthMakingUp) notes.push({ code: "fat-not-made-up", grams: inGrams(-lacks) });
    }
    return [
      {
        swap: "milk" as const,
        lineId: line.id,
        fromIngredientId: from.id,
        toIngredientId: id,
        way: "",
        edits,
        waitMinutes: inMinutes(0),
        notes,
        refused: undefined,
      },
    ];
  });
};
