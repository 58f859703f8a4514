import type { Ingredient } from "~/core/pantry";
import { canonical } from "~/core/plan";
import {
  type DraftProblem,
  type Recipe,
  type RecipeDraft,
  type Standing,
  keepsFromSaving,
  readDraft,
  ingredientsNamedIn,
} from "~/core/recipe";
import { database } from "~/db/client.server";
import { addIngredients, allIngredients } from "~/db/queries/pantry.server";
import { addRevision, markStanding, recipeOf } from "~/db/queries/recipes.server";
import { toPlain } from "~/formats/class-file";
import { recipeSchema } from "~/formats/recipe-schema";
import type { RecipeFile } from "~/formats/recipe-file";
import { formOfIngredient } from "./class-import.server";
import { notFound } from "./classes.server";

/** What came of keeping a draft. */
export type Kept =
  | { readonly kind: "kept"; readonly recipe: Recipe }
  /** Something in it must be settled first; nothing was changed. */
  | { readonly kind: "problems"; readonly problems: readonly DraftProblem[] }
  /** It names ingredients that are not in the pantry (any more). */
  | { readonly kind: "unknown-ingredients"; readonly ids: readonly string[] }
  /** Somebody saved a newer revision since this one was opened; both are kept. */
  | { readonly kind: "newer"; readonly newest: Recipe };

/** A short id of letters and dashes from a title. */
export const slugOf = (title: string): string =>
  title
    .normalize("NFKD")
    .replace(/[^\p{ASCII}]/gu, "")
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-+|-+$/g, "")
    .slice(0, 50) || "recipe";

async function freeId(wanted: string, db: ReturnType<typeof database>): Promise<string> {
  const rows = await db
    .selectFrom("recipe")
    .select("id")
    .where("id", "like", `${wanted.replace(/[%_\\]/g, "")}%`)
    .execute();
  const taken = new Set(rows.map((row) => row.id));
  if (!taken.has(wanted)) return wanted;
  for (let n = 2; ; n += 1) if (!taken.has(`${wanted}-${n}`)) return `${wanted}-${n}`;
}

/** Nobody else adds a revision to this recipe until the transaction is over: two who keep at once get one number each. */
const holdRecipe = (db: ReturnType<typeof database>, recipeId: string) =>
  db.selectFrom("recipe").select("id").where("id", "=", recipeId).forUpdate().execute();

/**
 * Keeps a draft as the next revision of a recipe, or as the first of a new one. Revisions are never changed: when somebody kept one
 * meanwhile, nothing is written and theirs comes back.
 * @param recipeId null for a new recipe.  @param basedOn the revision the draft was opened from; 0 for a new recipe.
 */
export async function keepRevision(
  recipeId: string | null,
  basedOn: number,
  draft: RecipeDraft,
  accountId: string,
): Promise<Kept> {
  const db = database();
  return db.transaction().execute(async (trx): Promise<Kept> => {
    if (recipeId !== null) await holdRecipe(trx, recipeId);
    const newest = recipeId === null ? undefined : await recipeOf(trx, recipeId);
    const id = recipeId ?? (await freeId(slugOf(draft.title), trx));
    const { recipe, problems } = readDraft(draft, { id, revision: (newest?.revision ?? 0) + 1 });
    const inTheWay = problems.filter((problem) => keepsFromSaving.includes(problem.code));
    if (inTheWay.length > 0) return { kind: "problems", problems: inTheWay };
    const known = new Set((await allIngredients(trx)).map((one) => one.id));
    const unknown = [...ingredientsNamedIn(recipe), ...recipe.steps.flatMap((step) => step.mentions)].filter(
      (one) => !known.has(one),
    );
    if (unknown.length > 0) return { kind: "unknown-ingredients", ids: [...new Set(unknown)] };
    if (newest && newest.revision !== basedOn) return { kind: "newer", newest };
    // What changed has not been cooked: whoever rehearses it says so.
    const kept = recipeSchema.parse(toPlain({ ...recipe, standing: "draft" }));
    await addRevision(trx, kept, accountId);
    return { kind: "kept", recipe: kept };
  });
}

/** Makes an earlier revision the newest one again, as a new revision; `undefined` when there is no such revision. */
export async function restoreRevision(
  recipeId: string,
  revision: number,
  accountId: string,
): Promise<Recipe | undefined> {
  return database()
    .transaction()
    .execute(async (trx) => {
      await holdRecipe(trx, recipeId);
      const [old, newest] = [await recipeOf(trx, recipeId, revision), await recipeOf(trx, recipeId)];
      if (!old || !newest) return undefined;
      const restored = { ...old, revision: newest.revision + 1 };
      await addRevision(trx, restored, accountId);
      return restored;
    });
}

/** Says of a revision that it was rehearsed or taught. */
export const giveStanding = async (
  recipeId: string,
  revision: number,
  standing: Standing,
  note: string,
  accountId: string,
): Promise<void> => markStanding(database(), recipeId, revision, standing, note, accountId);

/**
 * Brings a recipe in from its own file: ingredients that are not here come along, those that are keep our figures. An equal recipe that
 * is here already is not doubled.
 */
export async function importRecipe(
  file: RecipeFile,
  accountId: string,
): Promise<{ recipe: Recipe; added: readonly Ingredient[]; kept: readonly string[] }> {
  return database()
    .transaction()
    .execute(async (trx) => {
      const ours = new Map((await allIngredients(trx)).map((one) => [one.id, one]));
      const added = file.pantry.filter((one) => !ours.has(one.id));
      const kept = file.pantry
        .filter((one) => {
          const own = ours.get(one.id);
          return own !== undefined && formOfIngredient(own) !== formOfIngredient(one);
        })
        .map((one) => one.name);
      await addIngredients(trx, added);
      const body = (recipe: Recipe) => canonical(toPlain({ ...recipe, id: "", revision: 0, standing: "draft" }));
      const there = await recipeOf(trx, file.recipe.id);
      if (there && body(there) === body(file.recipe)) return { recipe: there, added, kept };
      const id = there ? await freeId(file.recipe.id, trx) : file.recipe.id;
      const recipe = { ...file.recipe, id, revision: 1 };
      await addRevision(trx, recipe, accountId);
      return { recipe, added, kept };
    });
}

/** Ingredients a recipe file names and neither brings nor finds here. */
export async function missingFor(file: RecipeFile): Promise<string[]> {
  const known = new Set([...(await allIngredients(database())), ...file.pantry].map((one) => one.id));
  return [...new Set(ingredientsNamedIn(file.recipe))].filter((id) => !known.has(id));
}

/** A recipe in its newest revision with the pantry. @throws a 404 page for one nobody has. */
export async function recipeWithPantry(recipeId: string): Promise<{ recipe: Recipe; pantry: Ingredient[] }> {
  const [recipe, pantry] = await Promise.all([recipeOf(database(), recipeId), allIngredients(database())]);
  if (!recipe) throw notFound("recipe");
  return { recipe, pantry };
}
