import { type Pantry, lineGrams } from "~/core/batter";
import { type Substance, knownFood, toGrams } from "~/core/pantry";
import type { ClassInput, ClassPlan } from "~/core/plan";
import { type Grams, type Pieces, inGrams, plus, type Celsius } from "~/core/quantity";
import {
  type Line,
  type Recipe,
  type Round,
  goesHome,
  holdColdC,
  linesOfRound,
  reheatC,
  servingsOf,
} from "~/core/recipe";
import { type AllergenMark, allergensOn } from "./marks";

/** Days that cooked pieces keep chilled after the day they were made: the least of the common figures (starting value; local rules first). */
export const keepsDays = 2;

/** What the label of pieces taken home says: name, whole list of ingredients, what they contain, how long and how they are kept. */
export interface TakeHome {
  readonly dishId: string;
  readonly title: string;
  readonly variantName: string | null;
  /** The round that the pieces are of; null where all of the dish are alike. */
  readonly roundId: string | null;
  readonly roundName: string | null;
  /** Heaviest first, as lists of ingredients are written; those whose weight nobody knows come last. */
  readonly ingredients: readonly (AllergenMark & { readonly grams: Grams | null })[];
  /** What the other dishes of the class contain and this one does not: it was made in the same room. */
  readonly alsoHandled: readonly Substance[];
  readonly keepAtMostC: Celsius;
  readonly reheatC: Celsius;
  readonly keepsDays: number;
}

/** Grams of a line in one batch; undefined where unknown, such as fat for the pan. */
function gramsInBatch(line: Line, recipe: Recipe, pantry: Pantry, pieces: Pieces | undefined): Grams | undefined {
  const { amount } = line;
  if (amount.kind !== "per-piece" && amount.kind !== "per-serving") return lineGrams(line, recipe, pantry);
  const one = pantry.get(line.ingredientId);
  const each = one && toGrams(amount.amount, one, recipe.system, recipe.fill);
  const times = amount.kind === "per-piece" ? pieces : pieces && servingsOf(recipe, pieces);
  return each === undefined || times === undefined ? undefined : inGrams(each * times);
}

/**
 * The labels of a class, one for each dish that somebody makes, and for each of its rounds. What people take by themselves stays at the
 * table and is not on them; what is cooked in or put between is.
 */
export function takeHomeOf(input: ClassInput, plan: ClassPlan): TakeHome[] {
  const { pantry, labels } = knownFood(input);
  const made = plan.dishes.filter((dish) => dish.stations > 0);
  const handled = new Set(
    made.flatMap((dish) =>
      allergensOn(
        dish.recipe.lines.map((line) => line.ingredientId),
        pantry,
        labels,
      ).flatMap((mark) => mark.contains),
    ),
  );
  const rounds = made.flatMap((dish) =>
    (dish.recipe.rounds ?? [undefined]).map((round: Round | undefined) => ({ ...dish, round })),
  );
  return rounds.map(({ id, recipe, variantName, batchYield, round }): TakeHome => {
    const lines = linesOfRound(recipe, round?.id).filter((line) => goesHome(line, recipe));
    const weights = new Map<string, Grams | null>();
    for (const line of lines) {
      const before = weights.get(line.ingredientId);
      const grams = gramsInBatch(line, recipe, pantry, batchYield.pieces);
      weights.set(line.ingredientId, grams === undefined || before === null ? null : plus(before ?? inGrams(0), grams));
    }
    const ingredients = allergensOn([...weights.keys()], pantry, labels)
      .map((mark) => ({ ...mark, grams: weights.get(mark.ingredientId) ?? null }))
      .sort((a, b) => (b.grams ?? -1) - (a.grams ?? -1));
    const own = new Set(ingredients.flatMap((one) => [...one.contains]));
    return {
      dishId: id,
      title: recipe.title,
      variantName,
      roundId: round?.id ?? null,
      roundName: round?.name ?? null,
      ingredients,
      alsoHandled: [...handled].filter((one) => !own.has(one)),
      keepAtMostC: holdColdC,
      reheatC,
      keepsDays,
    };
  });
}
