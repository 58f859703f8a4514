/** Kits: what each station is given, as scoops and grams, the ways of scaling side by side, and the sums over the class. */
export * from "./kit";
export * from "./options";
export * from "./packs";
export * from "./demand";
export * from "./containers";
