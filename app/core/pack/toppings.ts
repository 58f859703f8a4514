import { sizeFor } from "~/core/kit";
import { gramsPerMl, knownFood } from "~/core/pantry";
import type { ClassInput, ClassPlan } from "~/core/plan";
import { type Grams, type Millilitres, toNumber, inGrams, inMillilitres, plus } from "~/core/quantity";
import { type Line, type Recipe, isAtPlate, isCookedIn, platePartOf } from "~/core/recipe";
import { type AllergenMark, allergensOn } from "./marks";

/** What is in a bowl of the bar: one ingredient, or what a recipe makes by itself for the plate, by its name. */
export type BarFood = { readonly ingredientId: string } | { readonly part: string };

/** Where a bowl stands: on the bar, at the heat where it goes on while a piece cooks, or at the table that puts it between. */
export const barPlaces = ["bar", "heat", "table"] as const;
export type BarPlace = (typeof barPlaces)[number];

/** One bowl of the topping bar: what is in it, for how many, how much, and what its label says. */
export interface BarBowl {
  /** The ingredient's id, after "heat/" where it stands there, or the recipe's and the part's. */
  readonly key: string;
  readonly food: BarFood;
  readonly stands: BarPlace;
  readonly mark: Pick<AllergenMark, "contains" | "mayContain" | "foods" | "hasLabel" | "isUnread">;
  readonly dishIds: readonly string[];
  /** People at the tables whose recipe has it; of these, those who are likely to take any. */
  readonly people: number;
  readonly takers: number;
  /** Grams for all of them; null where somebody takes of it to taste, or nobody knows how much is made. */
  readonly grams: Grams | null;
  /** The bowl that holds it; null where its volume is not known. */
  readonly bowl: { readonly sizeMl: Millilitres; readonly count: number } | null;
}

/** The bowl of a topping of a recipe: its own, or that of the sauce or filling it belongs to; null for what is no topping. */
function placeOf(line: Line, recipe: Recipe): Pick<BarBowl, "key" | "food" | "stands"> | null {
  if (!isAtPlate(line, recipe)) return null;
  const part = platePartOf(line, recipe);
  if (part)
    return {
      key: `${recipe.id}/${part.id}`,
      food: { part: part.name },
      stands: part.kind === "filling" ? "table" : "bar",
    };
  const stands = isCookedIn(line, recipe) ? "heat" : "bar";
  return {
    key: stands === "bar" ? line.ingredientId : `heat/${line.ingredientId}`,
    food: { ingredientId: line.ingredientId },
    stands,
  };
}

interface Gathered {
  readonly food: BarFood;
  readonly stands: BarPlace;
  readonly ingredientIds: Set<string>;
  readonly dishIds: Set<string>;
  people: number;
  takers: number;
  grams: Grams | null;
  millilitres: Millilitres | null;
}

const added = <M extends Grams | Millilitres>(sum: M | null, more: M | null): M | null =>
  sum === null || more === null ? null : plus<M>(sum, more);

/** What several products have in them together; one that nobody has read leaves all of them unread. */
function together(marks: readonly AllergenMark[]): BarBowl["mark"] {
  const contains = [...new Set(marks.flatMap((mark) => mark.contains))];
  const mayContain = [...new Set(marks.flatMap((mark) => mark.mayContain))].filter((one) => !contains.includes(one));
  return {
    contains,
    mayContain,
    foods: [...new Set(marks.flatMap((mark) => mark.foods))],
    hasLabel: marks.some((mark) => mark.hasLabel),
    isUnread: marks.some((mark) => mark.isUnread),
  };
}

/**
 * The toppings of a class as one bar: each ingredient once, over all tables, most takers first; a sauce is one bowl. After them what
 * stands elsewhere: at the heat what is put on while a piece cooks, at the tables their filling. Its own bowl and its own spoon; what is to
 * taste has no amount, and so nothing is bought for it.
 */
export function toppingBarOf(
  input: ClassInput,
  { stations, dishes }: Pick<ClassPlan, "stations" | "dishes">,
): BarBowl[] {
  const { pantry, labels } = knownFood(input);
  const bowls = new Map<string, Gathered>();
  for (const { dishId, eaters, kit, scale } of stations) {
    const recipe = dishes.find((dish) => dish.id === dishId)?.recipe;
    if (!recipe) continue;
    // A table that has something twice, in a filling and beside it, has its people once.
    const seen = new Set<string>();
    for (const packed of kit) {
      const line = recipe.lines.find((one) => one.id === packed.lineId);
      const place = line && placeOf(line, recipe);
      if (!line || !place) continue;
      const { key, food, stands } = place;
      const so: Gathered = bowls.get(key) ?? {
        food,
        stands,
        ingredientIds: new Set(),
        dishIds: new Set(),
        people: 0,
        takers: 0,
        grams: inGrams(0),
        millilitres: inMillilitres(0),
      };
      bowls.set(key, so);
      so.ingredientIds.add(packed.ingredientId);
      so.dishIds.add(dishId);
      const makes = "part" in food ? (platePartOf(line, recipe)?.makesGrams ?? null) : null;
      const made = makes === null ? null : inGrams(makes * toNumber(scale.factor));
      if (!seen.has(key)) {
        so.people += eaters;
        so.takers += packed.kind === "per-person" ? Math.min(eaters, packed.times ?? eaters) : eaters;
        // What a sauce boils down to is its author's word, once a table.
        if (made !== null) so.grams = added(so.grams, made);
        if (made !== null) so.millilitres = added(so.millilitres, made === null ? null : inMillilitres(made));
      }
      seen.add(key);
      if (made !== null) continue;
      const one = pantry.get(packed.ingredientId);
      const grams = packed.buyGrams ?? null;
      const density = one ? (gramsPerMl(one, recipe.fill) ?? one.trueDensity) : null;
      so.grams = added(so.grams, grams);
      so.millilitres = added(
        so.millilitres,
        grams === null || density === null ? null : inMillilitres(grams / density),
      );
    }
  }
  return [...bowls]
    .map(([key, { food, stands, ingredientIds, dishIds, people, takers, grams, millilitres }]): BarBowl => ({
      key,
      food,
      stands,
      mark: together(allergensOn([...ingredientIds], pantry, labels)),
      dishIds: [...dishIds],
      people,
      takers,
      grams,
      bowl: millilitres === null || millilitres <= 0 ? null : sizeFor("tub", millilitres),
    }))
    .sort(
      (a, b) =>
        barPlaces.indexOf(a.stands) - barPlaces.indexOf(b.stands) || b.takers - a.takers || (a.key < b.key ? -1 : 1),
    );
}
