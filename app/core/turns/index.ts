/** Turns: who at a station does what, fairly, and who must not. */
export * from "./turns";
export * from "./house";
export * from "./tally";
