/** Gear: surfaces and what fits on them, circuits, kitchens, what each station and the instructor need, what is short, how it is loaded. */
export * from "./types";
export * from "./circles";
export * from "./circuits";
export * from "./gear";
export * from "./sizes";
export * from "./cares";
export * from "./ways";
export * from "./load";
export * from "./starters";
