/** Recipes: lines, steps, the ledger between them, families, variants. */
export * from "./types";
export * from "./lines";
export * from "./families";
export { checkRecipe } from "./checks";
