import { type Batter, type Pantry, batterOf, cookByOf, wettingStep, yieldOf } from "~/core/batter";
import { type HotPlace, hotPlaceOf, withCautions } from "~/core/caution";
import { type Kitchen, surfacesFor } from "~/core/gear";
import { type Station, stationIndex } from "~/core/people";
import { type Recipe, type RoundParts, type Take, afterMixing, asVariant, heatAmong, withRounds } from "~/core/recipe";
import type { CookBy } from "~/core/schedule";
import { canonical } from "./hash";
import type { ClassInput, Dish, DishPlan } from "./types";

/** What a recipe says of itself: worked out once for the same recipe and pantry, as neither changes while a brief is typed. */
interface Known {
  readonly pantry: ClassInput["pantry"];
  readonly batter: Batter;
  readonly wetStepId: string | null;
  readonly cookBy: CookBy | null;
}
const known = new WeakMap<Recipe, Known>();

export function factsOf(recipe: Recipe, ingredients: ClassInput["pantry"], pantry: Pantry): Known {
  const before = known.get(recipe);
  if (before?.pantry === ingredients) return before;
  const facts: Known = {
    pantry: ingredients,
    batter: batterOf(recipe, pantry),
    wetStepId: wettingStep(recipe, pantry)?.id ?? null,
    cookBy: cookByOf(recipe, pantry),
  };
  known.set(recipe, facts);
  return facts;
}

/** Variants by the recipe they are of: the same one each time, so that what is worked out of it is remembered. */
const variants = new WeakMap<Recipe, { readonly pantry: ClassInput["pantry"]; readonly made: Map<string, Recipe> }>();

/** A recipe as it is made: in its variant, with the alternatives that are taken. */
export function variantOf(
  recipe: Recipe,
  variantId: string | null,
  ingredients: ClassInput["pantry"],
  pantry: Pantry,
  takes: readonly Take[] = [],
  rounds: readonly RoundParts[] = [],
) {
  const before = variants.get(recipe);
  const { made } = before?.pantry === ingredients ? before : { made: new Map<string, Recipe>() };
  if (before?.pantry !== ingredients) variants.set(recipe, { pantry: ingredients, made });
  const key = [
    variantId ?? "",
    ...takes.map((take) => `${take.lineId} ${take.ingredientId}`),
    ...rounds.map((round) => `${round.roundId} ${round.parts}`),
  ].join("\n");
  const found = made.get(key) ?? withRounds(asVariant(recipe, variantId, pantry, takes), rounds);
  made.set(key, found);
  return found;
}

/** What the class really cooks a recipe on; undefined where its kitchen has nothing for it. */
function placesOf(recipe: Recipe, kitchen: Kitchen): HotPlace[] | undefined {
  const surfaces = surfacesFor(recipe, kitchen);
  return surfaces.length === 0 ? undefined : surfaces.map(hotPlaceOf);
}

/** The same again for a kitchen and a pantry: the same one each time. */
const inKitchen = new WeakMap<
  Recipe,
  { readonly kitchen: Kitchen; readonly ingredients: ClassInput["pantry"]; readonly made: Recipe }
>();

/** A dish's recipe with the cautions and the heat of the surfaces that its class has. */
function cookedIn(
  recipe: Recipe,
  { kitchen, pantry: ingredients }: Pick<ClassInput, "kitchen" | "pantry">,
  pantry: Pantry,
): Recipe {
  const before = inKitchen.get(recipe);
  if (before?.kitchen === kitchen && before.ingredients === ingredients) return before.made;
  const heat = heatAmong(
    recipe.heat,
    surfacesFor(recipe, kitchen).map((surface) => surface.kind),
  );
  const made = withCautions(heat === recipe.heat ? recipe : { ...recipe, heat }, pantry, placesOf(recipe, kitchen));
  inKitchen.set(recipe, { kitchen, ingredients, made });
  return made;
}

/** Step id where this dish’s variant diverges from the other variants of its recipe in this class. */
function partsAt(dish: Dish, { dishes }: Pick<ClassInput, "dishes">): string | undefined {
  const { variants, steps } = dish.recipe;
  const others = dishes.filter((one) => one.recipe.id === dish.recipe.id && one.variantId !== dish.variantId);
  if (others.length === 0) return undefined;
  const made = dish.variantId === null ? others.map((one) => one.variantId) : [dish.variantId];
  const decided = new Set(variants.filter((one) => made.includes(one.id)).map((one) => one.decidedAt));
  return steps.find((step) => decided.has(step.id))?.id;
}

/** Each dish as its variant makes it, with its batter and what a batch gives. */
export function dishPlan(dish: Dish, input: ClassInput, pantry: Pantry, stations: number): DishPlan {
  const ingredients = input.pantry;
  const recipe = cookedIn(
    variantOf(dish.recipe, dish.variantId, ingredients, pantry, dish.takes, dish.rounds),
    input,
    pantry,
  );
  const { batter } = factsOf(recipe, ingredients, pantry);
  const variant = dish.recipe.variants.find((one) => one.id === dish.variantId);
  const parting = partsAt(dish, input);
  return {
    id: dish.id,
    recipe,
    stations,
    batter,
    variantId: variant?.id ?? null,
    variantName: variant?.name ?? null,
    ...(parting === undefined ? {} : { partsAt: parting }),
    batchYield: yieldOf(recipe, batter),
    ...(dish.bowl ? { bowl: dish.bowl } : {}),
    ...(dish.cooks ? { cooks: dish.cooks } : {}),
    ...(dish.mixing ? { mixing: dish.mixing } : {}),
    ...(dish.mixing === "ahead" ? { atTable: afterMixing(recipe) } : {}),
    ...(dish.bulk ? { bulk: dish.bulk } : {}),
  };
}

/** Which dish each station makes: the dishes in order, each for its stations, the open-ended one for the rest. */
function dishOfStations(dishes: readonly Dish[], stations: number): (Dish | undefined)[] {
  const fixed = dishes.reduce((sum, dish) => sum + (dish.stations ?? 0), 0);
  const open = dishes.filter((dish) => dish.stations === null).length;
  let rest = Math.max(0, stations - fixed);
  let openLeft = open;
  const row = dishes.flatMap((dish) => {
    const share = dish.stations ?? Math.ceil(rest / openLeft);
    if (dish.stations === null) {
      rest -= share;
      openLeft -= 1;
    }
    return Array.from({ length: share }, () => dish);
  });
  return Array.from({ length: stations }, (_, index) => row[index] ?? dishes[dishes.length - 1]);
}

/**
 * What the station at each place makes. The dishes are given to the places as they were arranged: a table that falls empty takes its
 * dish with it, and one that is added for late comers makes what most make, so that nobody's own dish goes to another table.
 */
export function dishByPlace(input: ClassInput, stations: number): (index: number) => Dish | undefined {
  const row = dishOfStations(input.dishes, input.arrangement?.seats?.length ?? stations);
  const open = input.dishes.find((dish) => dish.stations === null) ?? input.dishes.at(-1);
  return (index) => row[index] ?? open;
}

/** Documents by their text: each is written out once. */
const texts = new WeakMap<Recipe, string>();
const textOf = (recipe: Recipe): string => {
  const text = texts.get(recipe) ?? canonical(recipe);
  texts.set(recipe, text);
  return text;
};

/** Rows of one and the same revision are one recipe, whether or not they were read as one: nothing is washed between them. */
function asOne(dishes: readonly Dish[]): readonly Dish[] {
  const first: Recipe[] = [];
  return dishes.map((dish) => {
    const { recipe } = dish;
    const same = first.find(
      (one) =>
        one === recipe || (one.id === recipe.id && one.revision === recipe.revision && textOf(one) === textOf(recipe)),
    );
    if (!same) first.push(recipe);
    return same && same !== recipe ? { ...dish, recipe: same } : dish;
  });
}

/** The dishes of a class, each with the stations that make it, and which each station makes. */
export function dishesOf(input: ClassInput, pantry: Pantry, seats: readonly Station[]) {
  const dishAt = dishByPlace(input, seats.length);
  const assigned = seats.map((station) => dishAt(stationIndex(station.id))?.id);
  const dishes = asOne(input.dishes).map((dish) =>
    dishPlan(dish, input, pantry, assigned.filter((id) => id === dish.id).length),
  );
  return { dishes, dishAt };
}

/** The recipes that a station makes, as it makes them, in the order of the dishes; a dish that nobody makes is not taught. */
export const recipesMade = ({ dishes }: { readonly dishes: readonly DishPlan[] }): Recipe[] =>
  dishes.filter((dish) => dish.stations > 0).map((dish) => dish.recipe);

/** The dishes that somebody makes, each recipe once, as its first table makes it. */
export function dishesOnce({ dishes }: { readonly dishes: readonly DishPlan[] }): DishPlan[] {
  const made = dishes.filter((dish) => dish.stations > 0);
  return made.filter((dish, at) => made.findIndex((one) => one.recipe.id === dish.recipe.id) === at);
}

/** The dish that is shown and that the spare kit is of: the first that somebody makes, else the first. */
export const shownDish = (dishes: readonly DishPlan[]): DishPlan | undefined =>
  dishes.find((dish) => dish.stations > 0) ?? dishes[0];
