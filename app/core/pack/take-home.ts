import { type Pantry, lineGrams } from "~/core/batter";
import { type Substance, knownFood } from "~/core/pantry";
import type { ClassInput, ClassPlan } from "~/core/plan";
import type { Grams } from "~/core/quantity";
import { holdColdC, reheatC } from "~/core/recipe";
import { type AllergenMark, allergensOn } from "./marks";

/** Days that cooked pieces keep chilled after the day they were made: the least of the common figures (starting value; local rules first). */
export const keepsDays = 2;

/** What the label of pieces taken home says: name, whole list of ingredients, what they contain, how long and how they are kept. */
export interface TakeHome {
  readonly dishId: string;
  readonly title: string;
  readonly variantName: string | null;
  /** Heaviest first, as lists of ingredients are written; those whose weight nobody knows come last. */
  readonly ingredients: readonly (AllergenMark & { readonly grams: Grams | null })[];
  /** What the other dishes of the class contain and this one does not: it was made in the same room. */
  readonly alsoHandled: readonly Substance[];
  readonly keepAtMostC: number;
  readonly reheatC: number;
  readonly keepsDays: number;
}

/** The labels of a class, one for each dish that somebody makes. Toppings stay at the table and are not on them. */
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
  return made.map(({ id, recipe, variantName }): TakeHome => {
    const lines = recipe.lines.filter((line) => line.bowl !== "topping");
    const weights = new Map<string, number | null>();
    for (const line of lines) {
      const before = weights.get(line.ingredientId);
      const grams = lineGrams(line, recipe, pantry as Pantry);
      weights.set(line.ingredientId, grams === undefined || before === null ? null : (before ?? 0) + grams);
    }
    const ingredients = allergensOn([...weights.keys()], pantry, labels)
      .map((mark) => ({ ...mark, grams: weights.get(mark.ingredientId) ?? null }))
      .sort((a, b) => (b.grams ?? -1) - (a.grams ?? -1));
    const own = new Set(ingredients.flatMap((one) => [...one.contains]));
    return {
      dishId: id,
      title: recipe.title,
      variantName,
      ingredients,
      alsoHandled: [...handled].filter((one) => !own.has(one)),
      keepAtMostC: holdColdC,
      reheatC,
      keepsDays,
    };
  });
}
