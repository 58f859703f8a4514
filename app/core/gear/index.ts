/** Gear: surfaces, kitchens, what each station and the instructor need, what is short. */
export * from "./types";
export * from "./gear";
