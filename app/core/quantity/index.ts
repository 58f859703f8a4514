/** Quantities: exact fractions, units, rounding that says what it took, and scoops. */
export * from "./ratio";
export * from "./units";
export * from "./rounding";
export * from "./scoops";
