/** Recipes: lines, steps, the ledger between them, families, variants, small changes, the draft an editor types into. */
export * from "./types";
export * from "./lines";
export * from "./plate";
export * from "./heat";
export * from "./variants";
export * from "./rounds";
export * from "./families";
export * from "./method";
export * from "./templates";
export * from "./edits";
export * from "./safety";
export * from "./draft-types";
export * from "./draft";
export { readDraft } from "./read-draft";
export * from "./draft-changes";
export * from "./compare";
export { checkRecipe } from "./checks";
