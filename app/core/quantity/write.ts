import { type Ratio, writeRatio } from "./ratio";
import type { Amount, Unit } from "./units";

/** How numbers are written where the reader is. */
export interface NumberStyle {
  readonly decimalMark: "." | ",";
}
export const pointStyle: NumberStyle = { decimalMark: "." };

/** A unit's full name: fluid and weight ounces, and the pints of two countries, are never left to be guessed. */
const unitText: Readonly<Record<Unit, readonly [one: string, many: string]>> = {
  ml: ["ml", "ml"],
  l: ["l", "l"],
  tsp: ["tsp", "tsp"],
  tbsp: ["tbsp", "tbsp"],
  cup: ["cup", "cups"],
  "us-fl-oz": ["US fl oz", "US fl oz"],
  "uk-fl-oz": ["imp fl oz", "imp fl oz"],
  "us-pint": ["US pint", "US pints"],
  "uk-pint": ["imp pint", "imp pints"],
  "us-quart": ["US quart", "US quarts"],
  dash: ["dash", "dashes"],
  g: ["g", "g"],
  kg: ["kg", "kg"],
  oz: ["weight oz", "weight oz"],
  lb: ["lb", "lb"],
  stick: ["stick", "sticks"],
  pinch: ["pinch", "pinches"],
  spray: ["spray", "sprays"],
  piece: ["", ""],
};

/** The name of a unit beside `value` of it. */
export const nameOfUnit = (unit: Unit, value: number): string => unitText[unit][value > 1 ? 1 : 0];

/** The most digits after the mark that are written as a decimal; longer ones stay fractions. */
const longestDecimal = 6;

/** A fraction as a decimal, when it ends within {@link longestDecimal} digits. */
function asDecimal(value: Ratio, mark: string): string | undefined {
  for (let digits = 0; digits <= longestDecimal; digits += 1) {
    const scaled = value.num * 10n ** BigInt(digits);
    if (scaled % value.den !== 0n) continue;
    const all = String(scaled / value.den).padStart(digits + 1, "0");
    if (digits === 0) return all;
    const [whole, tail] = [all.slice(0, -digits), all.slice(-digits)];
    // Exactly three digits could be thousands to the next reader; a fourth says they are not.
    return `${whole}${mark}${digits === 3 ? `${tail}0` : tail}`;
  }
  return undefined;
}

/**
 * An amount as text that {@link readQuantity} reads back unchanged: decimals for what is weighed or metric, fractions for cups,
 * spoons and pieces.
 * @param amount 0 or more.
 * @example writeAmount({ value: ratio(3n, 2n), unit: "cup" }) // => "1 1/2 cups"
 */
export function writeAmount({ value, unit }: Amount, style: NumberStyle = pointStyle): string {
  const isDecimal = unit === "g" || unit === "kg" || unit === "ml" || unit === "l" || unit === "oz" || unit === "lb";
  const number = (isDecimal ? asDecimal(value, style.decimalMark) : undefined) ?? writeRatio(value);
  const name = nameOfUnit(unit, Number(value.num) / Number(value.den));
  return name ? `${number} ${name}` : number;
}
