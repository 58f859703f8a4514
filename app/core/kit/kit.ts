import {
  type Amount,
  type MeasuringSet,
  type Ratio,
  type Rounded,
  type Scooped,
  ceil,
  isWhole,
  multiply,
  ratio,
  scoopTolerance,
  subtract,
  toNumber,
  toScaleGrams,
  toScoops,
} from "~/core/quantity";
import { type Ingredient, type Role, toGrams, toMillilitres } from "~/core/pantry";
import type { Pantry } from "~/core/batter";
import { type Bowl, type LineAmount, type Recipe, apartOf, expectedOf, mostOf, scaleLineAmount } from "~/core/recipe";

/** One measured amount in the three ways it can be put out. */
export interface Measured {
  readonly amount: Amount;
  /** Unrounded grams; `undefined` when the density is not known. */
  readonly grams: number | undefined;
  readonly onScale: Rounded | undefined;
  /** Cups and spoons; `undefined` for what is counted, or has no known volume. */
  readonly scoops: Scooped | undefined;
}

/** One line of a station's kit. */
export interface KitLine {
  readonly lineId: string;
  readonly ingredientId: string;
  readonly bowl: Bowl;
  readonly kind: LineAmount["kind"];
  readonly isOptional: boolean;
  readonly note: string;
  /** What the step starts with; `undefined` when to taste or unknown. */
  readonly main: Measured | undefined;
  /** Packed in a small container of its own: a possible top-up, or what is held back. */
  readonly apart: Measured | undefined;
  /** Grams to buy for this line: the most that may be used. */
  readonly buyGrams: number | undefined;
  /** Whole pieces to buy for what is counted. */
  readonly buyPieces: number | undefined;
}

const strictRoles: readonly Role[] = ["powder", "soda", "salt"];

/** Below this many ml a mass with a known density is not offered as scoops: no spoon is that small. */
const leastScoopMl = 0.4;

function measure(amount: Amount, ingredient: Ingredient, recipe: Recipe, set: MeasuringSet): Measured {
  const grams = toGrams(amount, ingredient, recipe.system, recipe.fill);
  const ml =
    amount.unit === "pinch" || amount.unit === "spray"
      ? undefined
      : toMillilitres(amount, ingredient, recipe.system, recipe.fill);
  const canScoop = ml !== undefined && toNumber(ml) >= leastScoopMl && toNumber(ml) <= 20_000;
  const tolerance = strictRoles.includes(ingredient.role) ? scoopTolerance.strict : scoopTolerance.usual;
  return {
    amount,
    grams,
    onScale: grams === undefined ? undefined : toScaleGrams(grams),
    scoops: canScoop ? toScoops(ml, set, tolerance) : undefined,
  };
}

const times = (amount: Amount, n: number): Amount => ({ ...amount, value: multiply(amount.value, ratio(BigInt(n))) });

/** A line's amount for one station: batter by the factor, pan fat by the loads, garnish by the pieces. */
function forStation(amount: LineAmount, factor: Ratio, loads: number, pieces: number): LineAmount {
  switch (amount.kind) {
    case "per-load":
      return { kind: "exact", amount: times(amount.amount, loads) };
    case "per-piece":
      return { kind: "exact", amount: times(amount.amount, pieces) };
    default:
      return scaleLineAmount(amount, factor);
  }
}

/**
 * Everything eaten that one station needs, in the order of the recipe.
 * @param factor batches.  @param loads loads the station cooks, for pan fat.  @param pieces pieces it makes, for garnish.
 */
export function kitOf(
  recipe: Recipe,
  pantry: Pantry,
  factor: Ratio,
  loads: number,
  pieces: number,
  set: MeasuringSet,
): KitLine[] {
  return recipe.lines.map((line) => {
    const ingredient = pantry.get(line.ingredientId);
    const scaled = forStation(line.amount, factor, loads, pieces);
    const inGrams = (amount: Amount | undefined) =>
      amount && ingredient ? toGrams(amount, ingredient, recipe.system, recipe.fill) : undefined;
    const [main, apart, most] = [startOf(scaled), apartOf(scaled), mostOf(scaled)];
    return {
      lineId: line.id,
      ingredientId: line.ingredientId,
      bowl: line.bowl,
      kind: line.amount.kind,
      isOptional: line.isOptional,
      note: line.note,
      main: main && ingredient ? measure(main, ingredient, recipe, set) : undefined,
      apart: apart && ingredient ? measure(apart, ingredient, recipe, set) : undefined,
      buyGrams: inGrams(most),
      buyPieces: most?.unit === "piece" ? Number(ceil(most.value)) : undefined,
    };
  });
}

/** What goes into the main container: for a held-back line the listed amount less what is kept aside. */
function startOf(amount: LineAmount): Amount | undefined {
  if (amount.kind !== "hold-back") return expectedOf(amount);
  return { ...amount.amount, value: subtract(amount.amount.value, amount.back.value) };
}

/** Counted lines that come out as a fraction, such as half an egg. */
export const hasFraction = (line: KitLine): boolean =>
  line.main !== undefined && line.main.amount.unit === "piece" && !isWhole(line.main.amount.value);

/** Half an egg is about half its weight, beaten. */
export const asBeatenGrams = (line: KitLine): number | undefined => (hasFraction(line) ? line.main?.grams : undefined);

/** Readings while weighing into one bowl: each line by itself, and the running total. Lines not weighed are left out. */
export function tareReadings(lines: readonly KitLine[]): { lineId: string; each: number; running: number }[] {
  let running = 0;
  return lines.flatMap((line) => {
    if (line.main?.grams === undefined || line.bowl === "pan" || line.bowl === "topping") return [];
    running += line.main.grams;
    return [{ lineId: line.lineId, each: line.main.grams, running }];
  });
}
