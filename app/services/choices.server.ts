import type { Kysely } from "kysely";
import type { Kitchen } from "~/core/gear";
import { markOfTables, tablesOfKitchen } from "~/db/queries/class-marks.server";
import { kitchens } from "~/db/queries/kitchens.server";
import { type RecipeChoice, recipeChoices } from "~/db/queries/recipes.server";
import type { DB } from "~/db/schema";
import { asideOf } from "./aside.server";

/** What a brief chooses from. */
export interface Choices {
  readonly kitchens: readonly Kitchen[];
  readonly recipes: readonly RecipeChoice[];
}

let lately: { readonly mark: string; readonly choices: Choices } | undefined;

/**
 * Every kitchen and the newest revision of every recipe that is not archived: the same object for as long as none of their rows was
 * written.
 */
export async function choicesNow(db: Kysely<DB>): Promise<Choices> {
  // Asked for before the rows, so that the mark can only be too old, never too new.
  const mark = await markOfTables(db, ["kitchen", ...tablesOfKitchen, "recipe", "recipe_revision"]);
  if (lately?.mark === mark) return lately.choices;
  const [rooms, aside, recipes, asideRecipes] = await Promise.all([
    kitchens(db),
    asideOf(db, "kitchen"),
    recipeChoices(db),
    asideOf(db, "recipe"),
  ]);
  const choices = {
    kitchens: rooms.filter((room) => !aside.has(room.id)),
    recipes: recipes.filter((recipe) => !asideRecipes.has(recipe.id)),
  };
  lately = { mark, choices };
  return lately.choices;
}
