import { inGrams } from "~/core/quantity";
import type { Kysely, Selectable } from "kysely";
import type { Ingredient, Role, Storage, Substance } from "~/core/pantry";
import type { DB, IngredientTable } from "../schema";

function toIngredient(row: Selectable<IngredientTable>, contains: readonly Substance[]): Ingredient {
  const { grams_sifted: sifted, grams_spooned: spooned, grams_dipped: dipped } = row;
  const cup =
    row.grams_per_cup ??
    (sifted !== null && spooned !== null && dipped !== null ? { sifted, spooned, dipped } : undefined);
  return {
    id: row.id,
    name: row.name,
    role: row.role as Role,
    label: row.label as Ingredient["label"],
    ...(cup !== undefined ? { gramsPerCup: cup } : {}),
    ...(row.grams_per_tsp !== null ? { gramsPerTsp: row.grams_per_tsp } : {}),
    ...(row.piece_grams !== null ? { pieceGrams: inGrams(row.piece_grams) } : {}),
    ...(row.tsp_low !== null && row.tsp_high !== null ? { tspSpread: { low: row.tsp_low, high: row.tsp_high } } : {}),
    waterPercent: row.water_percent,
    fatPercent: row.fat_percent,
    sugarPercent: row.sugar_percent,
    darkens: row.darkens,
    trueDensity: row.true_density,
    neutralisesTsp: row.neutralises_tsp,
    storage: row.storage as Storage,
    ...(row.raw_name !== null && row.raw_keeps !== null
      ? {
          raw: {
            name: row.raw_name,
            keeps: row.raw_keeps,
            ...(row.raw_piece_grams !== null ? { pieceGrams: inGrams(row.raw_piece_grams) } : {}),
          },
        }
      : {}),
    contains,
    source: row.source,
  };
}

/** The whole pantry, by name. */
export async function allIngredients(db: Kysely<DB>): Promise<Ingredient[]> {
  const [rows, substances] = await Promise.all([
    db.selectFrom("ingredient").selectAll().orderBy("name").execute(),
    db.selectFrom("ingredient_substance").selectAll().orderBy("substance").execute(),
  ]);
  const contained = new Map<string, Substance[]>();
  for (const { ingredient_id, substance } of substances)
    contained.set(ingredient_id, [...(contained.get(ingredient_id) ?? []), substance as Substance]);
  return rows.map((row) => toIngredient(row, contained.get(row.id) ?? []));
}

/** The columns of an ingredient; the other way round of the mapper above. */
const columnsOf = (one: Ingredient) => {
  const cup = one.gramsPerCup;
  const fills = typeof cup === "object" ? cup : undefined;
  return {
    name: one.name,
    role: one.role,
    label: one.label,
    grams_per_cup: typeof cup === "number" ? cup : null,
    grams_sifted: fills?.sifted ?? null,
    grams_spooned: fills?.spooned ?? null,
    grams_dipped: fills?.dipped ?? null,
    grams_per_tsp: one.gramsPerTsp ?? null,
    tsp_low: one.tspSpread?.low ?? null,
    tsp_high: one.tspSpread?.high ?? null,
    piece_grams: one.pieceGrams ?? null,
    water_percent: one.waterPercent,
    fat_percent: one.fatPercent,
    sugar_percent: one.sugarPercent,
    darkens: one.darkens,
    true_density: one.trueDensity,
    neutralises_tsp: one.neutralisesTsp,
    storage: one.storage,
    raw_name: one.raw?.name ?? null,
    raw_keeps: one.raw?.keeps ?? null,
    raw_piece_grams: one.raw?.pieceGrams ?? null,
    source: one.source,
  };
};

async function addSubstances(db: Kysely<DB>, ingredients: readonly Ingredient[]): Promise<void> {
  const rows = ingredients.flatMap((one) => one.contains.map((substance) => ({ ingredient_id: one.id, substance })));
  if (rows.length > 0) await db.insertInto("ingredient_substance").values(rows).execute();
}

/** Stores ingredients that the pantry does not have yet. */
export async function addIngredients(db: Kysely<DB>, ingredients: readonly Ingredient[]): Promise<void> {
  if (ingredients.length === 0) return;
  await db
    .insertInto("ingredient")
    .values(ingredients.map((one) => ({ id: one.id, ...columnsOf(one) })))
    .execute();
  await addSubstances(db, ingredients);
}

/** An ingredient with what an editor has to know of it: its version, and how many recipes name it. */
export interface StoredIngredient {
  readonly ingredient: Ingredient;
  readonly version: number;
  readonly recipes: number;
  readonly updatedBy: string | null;
  /** Put aside: not offered to new recipes. */
  readonly isAside: boolean;
}

/** One ingredient; `undefined` when the pantry does not have it. */
export async function ingredientOf(db: Kysely<DB>, id: string): Promise<StoredIngredient | undefined> {
  const row = await db
    .selectFrom("ingredient")
    .leftJoin("account", "account.id", "ingredient.updated_by")
    .selectAll("ingredient")
    .select((eb) => [
      "account.name as updated_by_name",
      eb
        .selectFrom("revision_ingredient")
        .select((inner) => inner.fn.count<string>("recipe_id").distinct().as("n"))
        .where("ingredient_id", "=", id)
        .as("recipes"),
    ])
    .where("ingredient.id", "=", id)
    .executeTakeFirst();
  if (!row) return undefined;
  const substances = await db
    .selectFrom("ingredient_substance")
    .select("substance")
    .where("ingredient_id", "=", id)
    .orderBy("substance")
    .execute();
  return {
    ingredient: toIngredient(
      row,
      substances.map((one) => one.substance as Substance),
    ),
    version: row.version,
    recipes: Number(row.recipes ?? 0),
    isAside: row.aside_at !== null,
    updatedBy: row.updated_by_name,
  };
}

/** Changes an ingredient that is still at `version`. False when somebody else was faster; then nothing is changed. */
export async function changeIngredient(
  db: Kysely<DB>,
  ingredient: Ingredient,
  version: number,
  accountId: string,
): Promise<boolean> {
  const changed = await db
    .updateTable("ingredient")
    .set({ ...columnsOf(ingredient), version: version + 1, updated_by: accountId, updated_at: new Date() })
    .where("id", "=", ingredient.id)
    .where("version", "=", version)
    .executeTakeFirst();
  if (changed.numUpdatedRows === 0n) return false;
  await db.deleteFrom("ingredient_substance").where("ingredient_id", "=", ingredient.id).execute();
  await addSubstances(db, [ingredient]);
  return true;
}
