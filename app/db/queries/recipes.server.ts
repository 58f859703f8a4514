import type { Kysely } from "kysely";
import type { Recipe } from "~/core/recipe";
import { parseRecipe, toPlain } from "~/formats/class-file";
import type { DB } from "../schema";

/** What a shelf of recipes shows of each. */
export interface RecipeCard {
  readonly recipeId: string;
  readonly revision: number;
  readonly title: string;
  readonly family: string;
  readonly standing: string;
}

/** The newest revision of each recipe, by title. */
export const newestRevisions = async (db: Kysely<DB>): Promise<RecipeCard[]> =>
  db
    .selectFrom("recipe_revision")
    .distinctOn("recipe_id")
    .select(["recipe_id as recipeId", "revision", "title", "family", "standing"])
    .orderBy("recipe_id")
    .orderBy("revision", "desc")
    .execute()
    .then((rows) => rows.sort((a, b) => a.title.localeCompare(b.title)));

/** The newest revision of each recipe, whole. */
export async function newestRecipes(db: Kysely<DB>): Promise<Recipe[]> {
  const rows = await db
    .selectFrom("recipe_revision")
    .distinctOn("recipe_id")
    .select("body")
    .orderBy("recipe_id")
    .orderBy("revision", "desc")
    .execute();
  return rows.map((row) => parseRecipe(row.body)).sort((a, b) => a.title.localeCompare(b.title));
}

/** One recipe in its newest revision. */
export async function recipeOf(db: Kysely<DB>, recipeId: string): Promise<Recipe | undefined> {
  const row = await db
    .selectFrom("recipe_revision")
    .select("body")
    .where("recipe_id", "=", recipeId)
    .orderBy("revision", "desc")
    .limit(1)
    .executeTakeFirst();
  return row && parseRecipe(row.body);
}

/** Every ingredient a recipe or one of its variants names. */
export const ingredientsNamedIn = (recipe: Recipe): string[] => [
  ...new Set(
    [...recipe.lines, ...recipe.variants.flatMap((variant) => [...variant.add, ...variant.swaps])].map(
      (line) => line.ingredientId,
    ),
  ),
];

/** Stores a revision; revisions are never changed afterwards. */
export async function addRevision(db: Kysely<DB>, recipe: Recipe, createdBy: string | null): Promise<void> {
  await db
    .insertInto("recipe")
    .values({ id: recipe.id })
    .onConflict((conflict) => conflict.doNothing())
    .execute();
  await db
    .insertInto("recipe_revision")
    .values({
      recipe_id: recipe.id,
      revision: recipe.revision,
      title: recipe.title,
      family: recipe.family,
      standing: recipe.standing,
      body: JSON.stringify(toPlain(recipe)),
      created_by: createdBy,
    })
    .execute();
  await db
    .insertInto("revision_ingredient")
    .values(
      ingredientsNamedIn(recipe).map((ingredient_id) => ({
        recipe_id: recipe.id,
        revision: recipe.revision,
        ingredient_id,
      })),
    )
    .execute();
}
