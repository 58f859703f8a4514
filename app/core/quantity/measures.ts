/** Numbers with their unit in the type. A bare number, or a number of another unit, does not compile. */
declare const unit: unique symbol;
type In<U extends string> = number & { readonly [unit]: U };
type Measure = In<string>;

export type Grams = In<"g">;
export type Millilitres = In<"ml">;
export type Minutes = In<"min">;
export type Seconds = In<"s">;
export type Pieces = In<"piece">;
/** Degrees Celsius. */
export type Celsius = In<"C">;

// The only places where a bare number gets its unit: for figures written down in code, and for what is read from outside.
export const inGrams = (value: number): Grams => value as Grams;
export const inMillilitres = (value: number): Millilitres => value as Millilitres;
export const inMinutes = (value: number): Minutes => value as Minutes;
export const inSeconds = (value: number): Seconds => value as Seconds;
export const inPieces = (value: number): Pieces => value as Pieces;
export const inCelsius = (value: number): Celsius => value as Celsius;

// Arithmetic that keeps the unit, as the language's own operators return bare numbers.
export const plus = <M extends Measure>(a: M, b: M): M => (a + b) as M;
export const minus = <M extends Measure>(a: M, b: M): M => (a - b) as M;
export const times = <M extends Measure>(measure: M, factor: number): M => (measure * factor) as M;
export const dividedBy = <M extends Measure>(measure: M, divisor: number): M => (measure / divisor) as M;

/** The largest of some measures; -Infinity of none. */
export const largest = <M extends Measure>(...measures: readonly M[]): M => Math.max(...measures) as M;
/** The smallest of some measures; Infinity of none. */
export const smallest = <M extends Measure>(...measures: readonly M[]): M => Math.min(...measures) as M;
export const sumOf = <M extends Measure>(measures: readonly M[]): M =>
  measures.reduce<number>((sum, one) => sum + one, 0) as M;

/** The sum of some measures; undefined where one of them is not known. */
export const sumKnown = <M extends Measure>(measures: readonly (M | undefined)[]): M | undefined =>
  measures.includes(undefined) ? undefined : sumOf(measures as readonly M[]);

/** Seconds are whole: exact, equal in every engine, never rounded up part by part. */
export const toSeconds = (minutes: Minutes): Seconds => Math.round(minutes * 60) as Seconds;
export const toMinutes = (seconds: Seconds): Minutes => (seconds / 60) as Minutes;
