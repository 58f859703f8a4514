import type { Substance } from "~/core/pantry";
import { type Recipe, applyEdits } from "~/core/recipe";
import { type Pantry, batterOf, yieldOf } from "../batter";
import { egg } from "./egg";
import { fat } from "./fat";
import { flour } from "./flour";
import { milk } from "./milk";
import { raising } from "./raising";
import { sour } from "./sour";
import type { FindSwaps, SwapEffects, SwapId, SwapOffer } from "./types";

export * from "./types";
export { powderFor } from "./raising";

/** A new kind of swap is a file and a line here. */
const swaps: Readonly<Record<SwapId, FindSwaps>> = { milk, sour, egg, flour, raising, fat };

/** Every swap the program knows for a recipe, line by line. */
export const swapsFor = (recipe: Recipe, pantry: Pantry): SwapOffer[] =>
  recipe.lines.flatMap((line) => Object.values(swaps).flatMap((find) => find(recipe, line, pantry)));

const linesWith = (recipe: Recipe, substance: Substance, pantry: Pantry): string[] => [
  ...new Set(
    recipe.lines.map((line) => line.ingredientId).filter((id) => pantry.get(id)?.contains.includes(substance)),
  ),
];

/** What a recipe's ingredients contain by their nature; what labels say comes on top of it. */
export const substancesIn = (recipe: Recipe, pantry: Pantry): Substance[] => [
  ...new Set(recipe.lines.flatMap((line) => pantry.get(line.ingredientId)?.contains ?? [])),
];

/** What accepting an offer changes. The recipe itself is not touched: it comes back changed beside the figures. */
export function effectsOf(recipe: Recipe, offer: SwapOffer, pantry: Pantry): SwapEffects {
  const after = applyEdits(recipe, offer.edits);
  const [was, is] = [substancesIn(recipe, pantry), substancesIn(after, pantry)];
  const [batter, batterAfter] = [batterOf(recipe, pantry), batterOf(after, pantry)];
  const gone = pantry.get(offer.fromIngredientId)?.contains ?? [];
  const before = new Set(recipe.lines.map((line) => line.ingredientId));
  return {
    recipe: after,
    introduced: is.filter((substance) => !was.includes(substance)),
    removed: was.filter((substance) => !is.includes(substance)),
    residual: gone
      .filter((substance) => is.includes(substance))
      .map((substance) => ({ substance, ingredientIds: linesWith(after, substance, pantry) })),
    labelsToRead: [...new Set(after.lines.map((line) => line.ingredientId))].filter(
      (id) => !before.has(id) && pantry.get(id)?.label === "packaged",
    ),
    looseness: { before: batter.looseness, after: batterAfter.looseness },
    fatGrams: { before: batter.fatGrams, after: batterAfter.fatGrams },
    millilitres: { before: batter.millilitres, after: batterAfter.millilitres },
    pieces: { before: yieldOf(recipe, batter).pieces, after: yieldOf(after, batterAfter).pieces },
    waitMinutes: offer.waitMinutes,
  };
}
