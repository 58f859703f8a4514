import { type Ratio, divide, multiply, ratio, ratioFrom } from "./ratio";

/** The system a recipe is written in. The same word means different amounts: an Australian tablespoon is 4 tsp, the others 3. */
export const measuringSystems = ["us", "metric", "au"] as const;
export type MeasuringSystem = (typeof measuringSystems)[number];

export const volumeUnits = [
  "ml",
  "l",
  "tsp",
  "tbsp",
  "cup",
  "us-fl-oz",
  "uk-fl-oz",
  "us-pint",
  "uk-pint",
  "us-quart",
  "dash",
] as const;
export const massUnits = ["g", "kg", "oz", "lb", "stick", "pinch", "spray"] as const;
export const countUnits = ["piece"] as const;
export const units = [...volumeUnits, ...massUnits, ...countUnits] as const;
export type VolumeUnit = (typeof volumeUnits)[number];
export type MassUnit = (typeof massUnits)[number];
export type Unit = (typeof units)[number];

/** US customary cup in ml; the legal definition, 236.588 when rounded. Its tablespoon is 1/16, its teaspoon 1/48. */
const usCup = ratioFrom("236.5882365");
const usFluidOunce = divide(usCup, ratio(8n));
const ukFluidOunce = ratioFrom("28.4130625");

const fixedMillilitres: Readonly<Record<Exclude<VolumeUnit, "tsp" | "tbsp" | "cup">, Ratio>> = {
  ml: ratio(1n),
  l: ratio(1000n),
  "us-fl-oz": usFluidOunce,
  "uk-fl-oz": ukFluidOunce,
  "us-pint": multiply(usCup, ratio(2n)),
  "uk-pint": multiply(ukFluidOunce, ratio(20n)),
  "us-quart": multiply(usCup, ratio(4n)),
  /** Starting value: a dash is about 0.6 ml. */
  dash: ratioFrom("0.6"),
};

const spoonMillilitres: Readonly<Record<MeasuringSystem, Readonly<Record<"tsp" | "tbsp" | "cup", Ratio>>>> = {
  us: { cup: usCup, tbsp: divide(usCup, ratio(16n)), tsp: divide(usCup, ratio(48n)) },
  metric: { cup: ratio(250n), tbsp: ratio(15n), tsp: ratio(5n) },
  au: { cup: ratio(250n), tbsp: ratio(20n), tsp: ratio(5n) },
};

const unitGrams: Readonly<Record<MassUnit, Ratio>> = {
  g: ratio(1n),
  kg: ratio(1000n),
  oz: ratioFrom("28.349523125"),
  lb: ratioFrom("453.59237"),
  /** US stick of butter, 8 tablespoon marks. */
  stick: ratioFrom("113.4"),
  /** Starting value: a pinch of salt is about 0.3 g. */
  pinch: ratioFrom("0.3"),
  /** Starting value: one spray of pan fat is about 0.3 g. */
  spray: ratioFrom("0.3"),
};

export const isVolumeUnit = (unit: Unit): unit is VolumeUnit => (volumeUnits as readonly Unit[]).includes(unit);
export const isMassUnit = (unit: Unit): unit is MassUnit => (massUnits as readonly Unit[]).includes(unit);

/** How many millilitres one of `unit` holds in `system`, exact. */
export const millilitresIn = (unit: VolumeUnit, system: MeasuringSystem): Ratio =>
  unit === "tsp" || unit === "tbsp" || unit === "cup" ? spoonMillilitres[system][unit] : fixedMillilitres[unit];

/** How many grams one of `unit` weighs, exact; pinch, spray and stick are conventions, see their values. */
export const gramsIn = (unit: MassUnit): Ratio => unitGrams[unit];

/** An amount as written: an exact number of a unit. */
export interface Amount {
  readonly value: Ratio;
  readonly unit: Unit;
}
