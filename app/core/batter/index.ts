/** Batter as numbers: volume, looseness, leavening, what can be done about a finding, swaps, and the bench to think with. */
export * from "./types";
export * from "./batter";
export * from "./altitude";
export * from "./leavening";
export * from "./windows";
export { checkBatter } from "./checks";
export { usualWindow } from "./checks/window";
export { ceilings } from "./checks/ceilings";
export * from "./remedies";
export * from "./swaps";
export * from "./bench";
