/** A batter as numbers: volume, looseness, pieces, leavening. */
export * from "./batter";
export * from "./leavening";
