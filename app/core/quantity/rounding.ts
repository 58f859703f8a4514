import type { Grams } from "./measures";
/** How a figure goes to a step: to the closer one (ties up), always up, or always down. */
export type RoundTo = "nearest" | "up" | "down";

/** A rounded figure and what the rounding added (positive) or took (negative). */
export interface Rounded {
  readonly shown: number;
  readonly drift: number;
}

/** Floating-point noise below this share of a step does not push a figure to the next step. */
const noise = 1e-9;

/**
 * Rounds `exact` to a whole number of `step`s and gives back what the rounding took. Ties go up.
 * @throws {RangeError} when `step` is not above 0.
 * @example toStep(12.3, 1, "up") // => { shown: 13, drift: 0.7 }
 */
export function toStep(exact: number, step: number, to: RoundTo = "nearest"): Rounded {
  if (!(step > 0)) throw new RangeError(`expected a step above 0, got ${step}.`);
  const steps = exact / step;
  const whole =
    to === "up"
      ? Math.ceil(steps - noise)
      : to === "down"
        ? Math.floor(steps + noise)
        : Math.floor(steps + 0.5 + noise);
  // Dividing by the inverse keeps 0.1 steps printable: 3 * 0.1 is 0.30000000000000004, 3 / 10 is 0.3.
  const inverse = 1 / step;
  const shown = Number.isInteger(inverse) ? whole / inverse : whole * step;
  return { shown, drift: shown - exact };
}

/** Kitchen scales show whole grams, and tenths below this many grams if they can (starting value). */
export const fineScaleBelowGrams = 10;

/** Grams as a kitchen scale shows them: whole, or tenths below {@link fineScaleBelowGrams}. */
export const toScaleGrams = (grams: Grams): Rounded => toStep(grams, grams < fineScaleBelowGrams ? 0.1 : 1);
