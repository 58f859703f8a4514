import type { Recipe, RecipeFinding } from "../types";
import { amounts } from "./amounts";
import { ledger } from "./ledger";
import { method } from "./method";

/** A new check is a file and a line here. */
const checks: readonly ((recipe: Recipe) => RecipeFinding[])[] = [amounts, ledger, method];

/** Everything wrong with the list and the method of a recipe, before anyone shops. */
export const checkRecipe = (recipe: Recipe): RecipeFinding[] => checks.flatMap((find) => find(recipe));
