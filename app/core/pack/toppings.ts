import { sizeFor } from "~/core/kit";
import { gramsPerMl, knownFood } from "~/core/pantry";
import type { ClassInput, ClassPlan } from "~/core/plan";
import type { Grams, Millilitres } from "~/core/quantity";
import { isCookedIn } from "~/core/recipe";
import { type AllergenMark, allergensOn } from "./marks";

/** One bowl of the topping bar: what is in it, for how many, how much, and what its label says. */
export interface BarBowl {
  readonly mark: AllergenMark;
  readonly dishIds: readonly string[];
  /** People at the tables whose recipe has it; of these, those who are likely to take any. */
  readonly people: number;
  readonly takers: number;
  /** Grams for all of them; null where somebody takes of it to taste, and nobody knows how much. */
  readonly grams: Grams | null;
  /** The bowl that holds it; null where its volume is not known. */
  readonly bowl: { readonly sizeMl: Millilitres; readonly count: number } | null;
}

/**
 * The toppings of a class as one bar: each ingredient once, over all tables, most takers first; what is put on while a piece cooks stands
 * at the heat and is not on it. Its own bowl and its own spoon; what is
 * to taste has no amount, and so nothing is bought for it.
 */
export function toppingBarOf(
  input: ClassInput,
  { stations, dishes }: Pick<ClassPlan, "stations" | "dishes">,
): BarBowl[] {
  const { pantry, labels } = knownFood(input);
  const bowls = new Map<
    string,
    { dishIds: Set<string>; people: number; takers: number; grams: Grams | null; millilitres: number | null }
  >();
  for (const { dishId, eaters, kit } of stations) {
    const recipe = dishes.find((dish) => dish.id === dishId)?.recipe;
    // A table that has something twice, in a filling and beside it, has its people once.
    const seen = new Set<string>();
    const cookedIn = new Set(recipe?.lines.filter((each) => isCookedIn(each, recipe)).map((each) => each.id));
    for (const line of kit) {
      if (line.bowl !== "topping" || cookedIn.has(line.lineId)) continue;
      const one = pantry.get(line.ingredientId);
      const so = bowls.get(line.ingredientId) ?? {
        dishIds: new Set<string>(),
        people: 0,
        takers: 0,
        grams: 0,
        millilitres: 0,
      };
      const grams = line.buyGrams ?? null;
      const density = one && recipe ? (gramsPerMl(one, recipe.fill) ?? one.trueDensity) : null;
      const isNew = !seen.has(line.ingredientId);
      seen.add(line.ingredientId);
      bowls.set(line.ingredientId, {
        dishIds: so.dishIds.add(dishId),
        people: so.people + (isNew ? eaters : 0),
        takers:
          so.takers + (isNew ? (line.kind === "per-person" ? Math.min(eaters, line.times ?? eaters) : eaters) : 0),
        grams: so.grams === null || grams === null ? null : so.grams + grams,
        millilitres:
          so.millilitres === null || grams === null || density === null ? null : so.millilitres + grams / density,
      });
    }
  }
  const marks = new Map(allergensOn([...bowls.keys()], pantry, labels).map((mark) => [mark.ingredientId, mark]));
  return [...bowls]
    .flatMap(([ingredientId, { dishIds, people, takers, grams, millilitres }]): BarBowl[] => {
      const mark = marks.get(ingredientId);
      if (!mark) return [];
      const bowl = millilitres === null || millilitres <= 0 ? null : sizeFor("tub", millilitres);
      return [{ mark, dishIds: [...dishIds], people, takers, grams, bowl }];
    })
    .sort((a, b) => b.takers - a.takers || (a.mark.ingredientId < b.mark.ingredientId ? -1 : 1));
}
