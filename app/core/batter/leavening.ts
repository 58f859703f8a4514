import { toGrams, toMillilitres } from "~/core/pantry";
import { millilitresIn, toNumber, type Millilitres } from "~/core/quantity";
import { type Line, type Recipe, expectedOf, isBatter } from "~/core/recipe";
import type { Pantry } from "./batter";

const usTsp = toNumber(millilitresIn("tsp", "us"));
const usCup = toNumber(millilitresIn("cup", "us"));

/** Teaspoons of baking powder per 125 g of flour that are usual (starting values); half a spoon either way is not worth a word. */
export const powderBand = { from: 1, to: 2, slack: 0.5 } as const;
/** Teaspoons of soda that may stay over before it can be tasted (starting value). */
export const sodaSlackTsp = 0.1;
/** Teaspoons of baking powder in a gram of self-raising flour: 2 tsp to 150 g, the usual mix (starting value). */
export const powderInSelfRaising = 2 / 150;
/** Teaspoons a cup of an ingredient neutralises from which on it counts as the acid of a recipe (starting value). */
const leastSour = 0.3;
/** What lifts a batter without powder or soda. */
const liftsByItself = ["dried-yeast"];

/** Teaspoons of soda, of soda that the acids can take, and of powder, with the lines they come from. */
export interface LeaveningTotals {
  readonly sodaTsp: number;
  readonly neutralisedTsp: number;
  readonly powderTsp: number;
  readonly soda: Line | undefined;
  readonly powder: Line | undefined;
  readonly acid: Line | undefined;
  readonly hasYeast: boolean;
}

/** Sums the leaveners of one batch. */
export function leaveningOf(recipe: Recipe, pantry: Pantry): LeaveningTotals {
  let [sodaTsp, neutralisedTsp, powderTsp] = [0, 0, 0];
  let [soda, powder, acid]: (Line | undefined)[] = [];
  for (const line of recipe.lines) {
    const ingredient = pantry.get(line.ingredientId);
    const amount = expectedOf(line.amount);
    if (!ingredient || !amount || !isBatter(line, recipe)) continue;
    const ml = toMillilitres(amount, ingredient, recipe.system, recipe.fill);
    const grams = toGrams(amount, ingredient, recipe.system, recipe.fill) ?? 0;
    const spoons = ml === undefined ? grams / (ingredient.gramsPerTsp ?? Infinity) : toNumber(ml) / usTsp;
    if (ingredient.role === "soda") {
      sodaTsp += spoons;
      soda ??= line;
    }
    if (ingredient.role === "powder") {
      powderTsp += spoons;
      powder ??= line;
    }
    if (line.ingredientId === "self-raising-flour") powderTsp += grams * powderInSelfRaising;
    // What is counted is acid by its weight: a whole lemon gives about a third of it as juice.
    const sourMl = ml === undefined ? grams / ingredient.trueDensity : toNumber(ml);
    if (ingredient.neutralisesTsp > 0 && sourMl > 0) {
      neutralisedTsp += (sourMl / usCup) * ingredient.neutralisesTsp;
      // What is only a little sour neutralises, but nobody puts it in for that.
      if (ingredient.neutralisesTsp >= leastSour) acid ??= line;
    }
  }
  const hasYeast = recipe.lines.some((line) => liftsByItself.includes(line.ingredientId));
  return { sodaTsp, neutralisedTsp, powderTsp, soda, powder, acid, hasYeast };
}

/** Millilitres of acid that sour a volume of milk: one tablespoon to the cup of the recipe's system. */
export function souringAcidMl(milkMl: Millilitres, system: Recipe["system"]): number {
  return (milkMl * toNumber(millilitresIn("tbsp", system))) / toNumber(millilitresIn("cup", system));
}
