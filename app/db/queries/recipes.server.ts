import { type ExpressionBuilder, type Kysely, sql } from "kysely";
import { LRUCache } from "lru-cache";
import { type Recipe, type Standing, ingredientsNamedIn } from "~/core/recipe";
import { toPlain } from "~/formats/class-file";
import { parseRecipe } from "~/formats/recipe-schema";
import type { DB } from "../schema";

/** What a shelf of recipes shows of each. */
export interface RecipeCard {
  readonly recipeId: string;
  readonly revision: number;
  readonly title: string;
  readonly family: string;
  readonly standing: string;
  readonly createdAt: Date;
  readonly by: string | null;
}

/** The last standing somebody gave a revision; the recipe's own when nobody did. */
export const latestStanding = (eb: ExpressionBuilder<DB, "recipe_revision">) =>
  eb
    .selectFrom("recipe_standing")
    .select("recipe_standing.standing")
    .whereRef("recipe_standing.recipe_id", "=", "recipe_revision.recipe_id")
    .whereRef("recipe_standing.revision", "=", "recipe_revision.revision")
    .orderBy("recipe_standing.id", "desc")
    .limit(1)
    .as("marked");

/** A recipe with the standing it has been given since it was written. */
export const withStanding = (recipe: Recipe, marked: string | null): Recipe =>
  marked === null ? recipe : { ...recipe, standing: marked as Standing };

/** The newest revision of each recipe, by title. */
export const newestRevisions = async (db: Kysely<DB>): Promise<RecipeCard[]> =>
  db
    .selectFrom("recipe_revision")
    .leftJoin("account", "account.id", "recipe_revision.created_by")
    .distinctOn("recipe_id")
    .select((eb) => [
      "recipe_id as recipeId",
      "revision",
      "title",
      "family",
      "standing",
      "recipe_revision.created_at as createdAt",
      "account.name as by",
      latestStanding(eb),
    ])
    .orderBy("recipe_id")
    .orderBy("revision", "desc")
    .execute()
    .then((rows) =>
      rows
        .map(({ marked, ...row }) => ({ ...row, standing: marked ?? row.standing }))
        .sort((a, b) => a.title.localeCompare(b.title)),
    );

/** The hash of a revision's document, by which what was read from it before is found again. */
export const bodyKey = sql<string>`md5(recipe_revision.body::text)`.as("bodyKey");
const read = new LRUCache<string, Recipe>({ max: 500 });

/** A stored document as a recipe: the same document is checked once, and is the same object. */
export function recipeFrom({
  body,
  bodyKey: key,
  marked,
}: {
  body: unknown;
  bodyKey: string;
  marked: string | null;
}): Recipe {
  const name = `${key} ${marked ?? ""}`;
  const before = read.get(name);
  if (before) return before;
  const recipe = withStanding(parseRecipe(body), marked);
  read.set(name, recipe);
  return recipe;
}

/** The newest revision of each recipe, whole; those put aside too. */
export async function newestRecipes(db: Kysely<DB>): Promise<Recipe[]> {
  const rows = await db
    .selectFrom("recipe_revision")
    .distinctOn("recipe_id")
    .select((eb) => ["body", bodyKey, latestStanding(eb)])
    .orderBy("recipe_id")
    .orderBy("revision", "desc")
    .execute();
  return rows.map(recipeFrom).sort((a, b) => a.title.localeCompare(b.title));
}

/** A recipe to choose from a list, in the revision that is the newest. */
export interface RecipeChoice {
  readonly id: string;
  readonly revision: number;
  readonly title: string;
  readonly variants: readonly { readonly id: string; readonly name: string }[];
}

/** The newest revision of each recipe, as a list to choose from needs it: the whole of one is asked for when it is chosen. */
export async function recipeChoices(db: Kysely<DB>): Promise<RecipeChoice[]> {
  const rows = await db
    .selectFrom("recipe_revision")
    .distinctOn("recipe_id")
    .select([
      "recipe_id as id",
      "revision",
      "title",
      sql<RecipeChoice["variants"] | null>`(
        select jsonb_agg(jsonb_build_object('id', variant -> 'id', 'name', variant -> 'name'))
        from jsonb_array_elements(recipe_revision.body -> 'variants') as variant
      )`.as("variants"),
    ])
    .orderBy("recipe_id")
    .orderBy("revision", "desc")
    .execute();
  return rows
    .map(({ variants, ...row }) => ({ ...row, variants: variants ?? [] }))
    .sort((one, other) => one.title.localeCompare(other.title));
}

/** One recipe in its newest revision, or in the one asked for. */
export async function recipeOf(db: Kysely<DB>, recipeId: string, revision?: number): Promise<Recipe | undefined> {
  const row = await db
    .selectFrom("recipe_revision")
    .select((eb) => ["body", bodyKey, latestStanding(eb)])
    .where("recipe_id", "=", recipeId)
    .$if(revision !== undefined, (query) => query.where("revision", "=", revision ?? 0))
    .orderBy("revision", "desc")
    .limit(1)
    .executeTakeFirst();
  return row && recipeFrom(row);
}

/** One revision in a recipe's history, with every standing it was given. */
export interface RevisionCard {
  readonly revision: number;
  readonly title: string;
  readonly standing: string;
  readonly by: string | null;
  readonly at: Date;
  readonly marks: readonly {
    readonly standing: string;
    readonly note: string;
    readonly by: string | null;
    readonly at: Date;
  }[];
}

/** Every revision of a recipe, newest first. */
export async function historyOf(db: Kysely<DB>, recipeId: string): Promise<RevisionCard[]> {
  const [revisions, marks] = await Promise.all([
    db
      .selectFrom("recipe_revision")
      .leftJoin("account", "account.id", "recipe_revision.created_by")
      .select(["revision", "title", "standing", "account.name as by", "recipe_revision.created_at as at"])
      .where("recipe_id", "=", recipeId)
      .orderBy("revision", "desc")
      .execute(),
    db
      .selectFrom("recipe_standing")
      .leftJoin("account", "account.id", "recipe_standing.marked_by")
      .select(["revision", "standing", "note", "account.name as by", "marked_at as at"])
      .where("recipe_id", "=", recipeId)
      .orderBy("recipe_standing.id")
      .execute(),
  ]);
  return revisions.map((one) => {
    const own = marks.filter((mark) => mark.revision === one.revision);
    return { ...one, standing: own.at(-1)?.standing ?? one.standing, marks: own };
  });
}

/** Gives a revision a standing: who says so and when is kept, what was said before stays. */
export async function markStanding(
  db: Kysely<DB>,
  recipeId: string,
  revision: number,
  standing: Standing,
  note: string,
  accountId: string | null,
): Promise<void> {
  await db
    .insertInto("recipe_standing")
    .values({ recipe_id: recipeId, revision, standing, note, marked_by: accountId })
    .execute();
}

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
  const named = ingredientsNamedIn(recipe);
  if (named.length > 0)
    await db
      .insertInto("revision_ingredient")
      .values(named.map((ingredient_id) => ({ recipe_id: recipe.id, revision: recipe.revision, ingredient_id })))
      .execute();
}
