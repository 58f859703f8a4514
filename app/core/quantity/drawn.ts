import { divide, multiply, toNumber } from "./ratio";
import type { Scoop } from "./scoops";
import { millilitresIn } from "./units";

/** A cup of the set a scoop is compared with, whatever the system: sizes are drawn against each other. */
const cup = millilitresIn("cup", "us");

/**
 * How wide a scoop is beside a whole cup, from its volume: alike in shape, so as the cube root. A cup is 1, a tablespoon about 0.4.
 * @returns above 0, at most the cube root of the cups it holds.
 */
export function breadthOf({ size, unit }: Scoop): number {
  const held = unit === "ml" ? size : multiply(size, millilitresIn(unit, "us"));
  return Math.cbrt(toNumber(divide(held, cup)));
}
