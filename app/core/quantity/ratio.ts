/**
 * Exact amounts. A recipe's ⅓ cup stays ⅓ through every scaling, so that three of them are one cup and never 0.99.
 * Plain read-only data with functions, not a class: loaders and workers hand over bare fields.
 */

/** An exact fraction in lowest terms; `den` is always positive. */
export interface Ratio {
  readonly num: bigint;
  readonly den: bigint;
}

const greatestCommonDivisor = (a: bigint, b: bigint): bigint => {
  let x = a < 0n ? -a : a;
  let y = b < 0n ? -b : b;
  while (y !== 0n) [x, y] = [y, x % y];
  return x;
};

/**
 * Makes a fraction in lowest terms.
 * @throws {RangeError} when `den` is 0.
 * @example ratio(6n, 4n) // => { num: 3n, den: 2n }
 */
export function ratio(num: bigint, den: bigint = 1n): Ratio {
  if (den === 0n) throw new RangeError(`expected a denominator other than 0, got ${num}/0.`);
  const shared = greatestCommonDivisor(num, den) || 1n;
  const sign = den < 0n ? -1n : 1n;
  return { num: (sign * num) / shared, den: (sign * den) / shared };
}

/**
 * A fraction from a whole number or a short decimal such as 0.25 or 236.588.
 * @throws {RangeError} on NaN, infinities, and numbers whose shortest decimal needs an exponent.
 */
export function ratioOf(value: number): Ratio {
  if (Number.isSafeInteger(value)) return { num: BigInt(value), den: 1n };
  const read = readRatio(String(value));
  if (!read)
    throw new RangeError(
      `expected a finite number without an exponent, got ${value}. Use ratio(num, den) for exact fractions.`,
    );
  return read;
}

export const zero: Ratio = ratio(0n);
export const one: Ratio = ratio(1n);

export const add = (a: Ratio, b: Ratio): Ratio => ratio(a.num * b.den + b.num * a.den, a.den * b.den);
export const subtract = (a: Ratio, b: Ratio): Ratio => ratio(a.num * b.den - b.num * a.den, a.den * b.den);
export const multiply = (a: Ratio, b: Ratio): Ratio => ratio(a.num * b.num, a.den * b.den);

/** @throws {RangeError} when `b` is 0. */
export const divide = (a: Ratio, b: Ratio): Ratio => ratio(a.num * b.den, a.den * b.num);

/** Negative when `a` is less than `b`, 0 when equal, positive when greater. */
export function compare(a: Ratio, b: Ratio): -1 | 0 | 1 {
  const difference = a.num * b.den - b.num * a.den;
  return difference < 0n ? -1 : difference > 0n ? 1 : 0;
}

export const isSame = (a: Ratio, b: Ratio): boolean => a.num === b.num && a.den === b.den;
export const isZero = (a: Ratio): boolean => a.num === 0n;
export const isWhole = (a: Ratio): boolean => a.den === 1n;
export const toNumber = (a: Ratio): number => Number(a.num) / Number(a.den);
export const sum = (items: readonly Ratio[]): Ratio => items.reduce(add, zero);

/** The greatest whole number not above `a`. */
export function floor(a: Ratio): bigint {
  const quotient = a.num / a.den;
  return a.num < 0n && quotient * a.den !== a.num ? quotient - 1n : quotient;
}

/** The least whole number not below `a`. */
export const ceil = (a: Ratio): bigint => -floor(ratio(-a.num, a.den));

/** The largest fraction that goes a whole number of times into both; with 0 the other one. */
export const commonMeasure = (a: Ratio, b: Ratio): Ratio =>
  ratio(greatestCommonDivisor(a.num * b.den, b.num * a.den), a.den * b.den);

const vulgar: Readonly<Record<string, string>> = {
  "½": "1/2",
  "⅓": "1/3",
  "⅔": "2/3",
  "¼": "1/4",
  "¾": "3/4",
  "⅕": "1/5",
  "⅖": "2/5",
  "⅗": "3/5",
  "⅘": "4/5",
  "⅙": "1/6",
  "⅚": "5/6",
  "⅛": "1/8",
  "⅜": "3/8",
  "⅝": "5/8",
  "⅞": "7/8",
};

/**
 * Reads "3", "3/4", "1 1/2", "1½", "2.5" or "2,5". Anything else is `undefined`; a lone comma before exactly three digits
 * ("1,120") could be a thousand or a decimal and is refused rather than guessed.
 */
export function readRatio(text: string): Ratio | undefined {
  const plain = text
    .trim()
    .replace(/[½⅓⅔¼¾⅕⅖⅗⅘⅙⅚⅛⅜⅝⅞]/g, (sign) => ` ${vulgar[sign]}`)
    .replace("⁄", "/")
    .trim();
  const mixed = /^(-?)(?:(\d{1,9})\s+)?(\d{1,9})\s*\/\s*(\d{1,9})$/.exec(plain);
  if (mixed) {
    const [, sign, whole = "0", num = "0", den = "1"] = mixed;
    if (BigInt(den) === 0n) return undefined;
    const value = add(ratio(BigInt(whole)), ratio(BigInt(num), BigInt(den)));
    return sign === "-" ? subtract(zero, value) : value;
  }
  if (/^-?\d+,\d{3}$/.test(plain)) return undefined;
  const decimal = /^(-?)(\d{1,12})(?:[.,](\d{1,12}))?$/.exec(plain);
  if (!decimal) return undefined;
  const [, sign, whole = "0", fraction = ""] = decimal;
  return ratio(BigInt(`${sign}${whole}${fraction}`), 10n ** BigInt(fraction.length));
}

/**
 * The fraction of a text known to be good.
 * @throws {RangeError} on what {@link readRatio} does not read. For literals, validated data and tests.
 */
export function ratioFrom(text: string): Ratio {
  const read = readRatio(text);
  if (!read) throw new RangeError(`expected a number such as "3", "3/4", "1 1/2" or "2.5", got "${text}".`);
  return read;
}

/** The plain form that {@link readRatio} reads back unchanged: "3", "3/4", "1 1/2". */
export function writeRatio(a: Ratio): string {
  if (isWhole(a)) return String(a.num);
  const magnitude = a.num < 0n ? -a.num : a.num;
  const whole = magnitude / a.den;
  const rest = `${magnitude % a.den}/${a.den}`;
  return `${a.num < 0n ? "-" : ""}${whole === 0n ? rest : `${whole} ${rest}`}`;
}
