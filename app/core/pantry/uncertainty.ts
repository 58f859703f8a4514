import { type Amount, type MeasuringSystem, isVolumeUnit, millilitresIn, multiply, toNumber } from "~/core/quantity";
import { toGrams } from "./convert";
import { type FillMethod, type Ingredient, fillMethods } from "./types";

/** A mass as its likely value and what it may be, in grams, with why it is not sure. */
export interface MassRange {
  readonly likely: number;
  readonly low: number;
  readonly high: number;
  readonly because: "weighed" | "fill-method" | "brand" | "cup-figure" | "piece-size";
}

/** How far a general cup or spoon figure may be off for another brand or another hand, as a share (starting value). */
export const cupFigureSpread = 0.05;
/** How far eggs and fruit of one size differ from one another, as a share (starting value). */
export const pieceSpread = 0.1;

/**
 * The mass of an amount with its uncertainty: nothing for what is weighed, the other ways of filling for flour by the cup, the
 * brand for coarse salt, a general spread for the rest. `undefined` when the mass is not known at all.
 * @example massRange(one cup, plain flour, "us", "spooned") // => likely 122, low 115, high 142
 */
export function massRange(
  amount: Amount,
  ingredient: Ingredient,
  system: MeasuringSystem,
  fill: FillMethod,
): MassRange | undefined {
  const likely = toGrams(amount, ingredient, system, fill);
  if (likely === undefined) return undefined;
  if (amount.unit === "piece")
    return { likely, low: likely * (1 - pieceSpread), high: likely * (1 + pieceSpread), because: "piece-size" };
  if (!isVolumeUnit(amount.unit)) return { likely, low: likely, high: likely, because: "weighed" };
  if (ingredient.tspSpread) {
    const spoons =
      toNumber(multiply(amount.value, millilitresIn(amount.unit, system))) / toNumber(millilitresIn("tsp", "us"));
    return {
      likely,
      low: spoons * ingredient.tspSpread.low,
      high: spoons * ingredient.tspSpread.high,
      because: "brand",
    };
  }
  if (ingredient.gramsPerTsp === undefined && typeof ingredient.gramsPerCup === "object") {
    const ways = fillMethods.map((way) => toGrams(amount, ingredient, system, way) ?? likely);
    return { likely, low: Math.min(...ways), high: Math.max(...ways), because: "fill-method" };
  }
  return { likely, low: likely * (1 - cupFigureSpread), high: likely * (1 + cupFigureSpread), because: "cup-figure" };
}
