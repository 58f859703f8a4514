import type { Recipe, RecipeFinding } from "../types";
import { amounts } from "./amounts";
import { hazards } from "./hazards";
import { ledger } from "./ledger";
import { method } from "./method";
import { packs } from "./packs";
import { parts } from "./parts";
import { unitsMixed } from "./units";
import { variants } from "./variants";

/** A new check is a file and a line here. What needs the pantry's figures is checked in `batter/checks`. */
const checks: readonly ((recipe: Recipe) => RecipeFinding[])[] = [
  amounts,
  packs,
  ledger,
  method,
  hazards,
  parts,
  variants,
  unitsMixed,
];

/** Everything wrong with the list and the method of a recipe, before anyone shops. */
export const checkRecipe = (recipe: Recipe): RecipeFinding[] => checks.flatMap((find) => find(recipe));
