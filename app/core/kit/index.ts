/** Kits: what each station is given, as scoops and grams, and the sums over the class. */
export * from "./kit";
export * from "./totals";
