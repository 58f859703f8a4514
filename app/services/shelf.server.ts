import type { Kysely } from "kysely";
import { checkBatter } from "~/core/batter";
import { checkRecipe } from "~/core/recipe";
import { markOfTables } from "~/db/queries/class-marks.server";
import { allIngredients } from "~/db/queries/pantry.server";
import { newestRecipes, newestRevisions } from "~/db/queries/recipes.server";
import type { DB } from "~/db/schema";
import { asideOf } from "./aside.server";

/** Every recipe as the batter book lists it, with what stands in its way and what wants a look, counted; and what is archived. */
async function readShelf(db: Kysely<DB>) {
  const [all, recipes, pantry, aside] = await Promise.all([
    newestRevisions(db),
    newestRecipes(db),
    allIngredients(db),
    asideOf(db, "recipe"),
  ]);
  const cards = all.filter((card) => !aside.has(card.recipeId));
  const byId = new Map(pantry.map((one) => [one.id, one]));
  const marks = new Map(
    recipes.map((recipe) => {
      const findings = [...checkRecipe(recipe), ...checkBatter(recipe, byId)];
      const count = (level: string) => findings.filter((finding) => finding.level === level).length;
      return [
        recipe.id,
        {
          blocks: count("blocks"),
          warns: count("warns"),
          ways: recipe.variants.length,
          names: recipe.lines.map((line) => byId.get(line.ingredientId)?.name ?? "").join(" "),
        },
      ] as const;
    }),
  );
  return {
    recipes: cards.map((card) => ({
      ...card,
      ...(marks.get(card.recipeId) ?? { blocks: 0, warns: 0, ways: 0, names: "" }),
    })),
    aside: all.flatMap(({ recipeId, title }) => (aside.has(recipeId) ? [{ id: recipeId, title }] : [])),
  };
}

let lately: { readonly mark: string; readonly shelf: Awaited<ReturnType<typeof readShelf>> } | undefined;

/** The batter book: read and checked again only when something that it is made of was written. */
export async function shelfNow(db: Kysely<DB>) {
  // Asked for before the rows, so that the mark can only be too old, never too new.
  const mark = await markOfTables(db, [
    "recipe",
    "recipe_revision",
    "recipe_standing",
    "ingredient",
    "ingredient_substance",
    "account",
  ]);
  if (lately?.mark !== mark) lately = { mark, shelf: await readShelf(db) };
  return lately.shelf;
}
