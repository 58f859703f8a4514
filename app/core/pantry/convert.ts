import {
  type Amount,
  type MeasuringSystem,
  gramsIn,
  isMassUnit,
  isVolumeUnit,
  millilitresIn,
  multiply,
  ratioOf,
  toNumber,
  type Grams,
  inGrams,
} from "~/core/quantity";
import type { FillMethod, Ingredient } from "./types";

const usCup = toNumber(millilitresIn("cup", "us"));
const usTsp = toNumber(millilitresIn("tsp", "us"));

/**
 * Grams per millilitre of an ingredient as it lies in a cup or spoon; `undefined` when neither is known.
 * Spoon figures are preferred for what is spooned (leaveners, salt, spice), cup figures for the rest.
 */
export function gramsPerMl(ingredient: Ingredient, fill: FillMethod): number | undefined {
  if (ingredient.gramsPerTsp !== undefined) return ingredient.gramsPerTsp / usTsp;
  const cup = ingredient.gramsPerCup;
  if (cup === undefined) return undefined;
  return (typeof cup === "number" ? cup : cup[fill]) / usCup;
}

/**
 * The mass of an amount, in grams, unrounded; `undefined` when the ingredient's density or piece weight is not known.
 * @example toGrams({ value: ratio(1n), unit: "cup" }, plainFlour, "us", "spooned") // => 122
 */
export function toGrams(
  amount: Amount,
  ingredient: Ingredient,
  system: MeasuringSystem,
  fill: FillMethod,
): Grams | undefined {
  const { value, unit } = amount;
  if (isMassUnit(unit)) return inGrams(toNumber(multiply(value, gramsIn(unit))));
  if (isVolumeUnit(unit)) {
    const density = gramsPerMl(ingredient, fill);
    return density === undefined
      ? undefined
      : inGrams(toNumber(multiply(value, millilitresIn(unit, system))) * density);
  }
  return ingredient.pieceGrams === undefined ? undefined : inGrams(toNumber(value) * ingredient.pieceGrams);
}

/**
 * The volume of an amount as it lies in the measure, in ml, exact where the amount is a volume; `undefined` for pieces and for
 * masses of unknown density.
 */
export function toMillilitres(amount: Amount, ingredient: Ingredient, system: MeasuringSystem, fill: FillMethod) {
  const { value, unit } = amount;
  if (isVolumeUnit(unit)) return multiply(value, millilitresIn(unit, system));
  if (!isMassUnit(unit)) return undefined;
  const density = gramsPerMl(ingredient, fill);
  if (density === undefined) return undefined;
  // Six decimals are far below what a spoon can show, and keep the fraction short.
  return ratioOf(Number((toNumber(multiply(value, gramsIn(unit))) / density).toFixed(6)));
}
