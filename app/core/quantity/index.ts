/** Quantities: exact fractions, units, reading and writing them, rounding that says what it took, and scoops. */
export * from "./measures";
export * from "./ratio";
export * from "./units";
export * from "./read";
export * from "./write";
export * from "./rounding";
export * from "./scoops";
export * from "./joint";
export * from "./drawn";
