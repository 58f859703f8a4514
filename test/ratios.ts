import fc from "fast-check";
import { ratio } from "~/core/quantity";

/** Fractions as recipes have them, above 0. */
export const positiveRatio = fc
  .tuple(fc.bigInt(1n, 400n), fc.constantFrom(1n, 2n, 3n, 4n, 6n, 8n, 16n))
  .map(([num, den]) => ratio(num, den));
