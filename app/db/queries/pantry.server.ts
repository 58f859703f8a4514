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
    ...(row.piece_grams !== null ? { pieceGrams: row.piece_grams } : {}),
    waterPercent: row.water_percent,
    fatPercent: row.fat_percent,
    trueDensity: row.true_density,
    neutralisesTsp: row.neutralises_tsp,
    storage: row.storage as Storage,
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

/** Stores ingredients that the pantry does not have yet. */
export async function addIngredients(db: Kysely<DB>, ingredients: readonly Ingredient[]): Promise<void> {
  if (ingredients.length === 0) return;
  await db
    .insertInto("ingredient")
    .values(
      ingredients.map((one) => {
        const cup = one.gramsPerCup;
        const fills = typeof cup === "object" ? cup : undefined;
        return {
          id: one.id,
          name: one.name,
          role: one.role,
          label: one.label,
          grams_per_cup: typeof cup === "number" ? cup : null,
          grams_sifted: fills?.sifted ?? null,
          grams_spooned: fills?.spooned ?? null,
          grams_dipped: fills?.dipped ?? null,
          grams_per_tsp: one.gramsPerTsp ?? null,
          piece_grams: one.pieceGrams ?? null,
          water_percent: one.waterPercent,
          fat_percent: one.fatPercent,
          true_density: one.trueDensity,
          neutralises_tsp: one.neutralisesTsp,
          storage: one.storage,
          source: one.source,
        };
      }),
    )
    .execute();
  const rows = ingredients.flatMap((one) => one.contains.map((substance) => ({ ingredient_id: one.id, substance })));
  if (rows.length > 0) await db.insertInto("ingredient_substance").values(rows).execute();
}
