import { type Kysely, type Selectable } from "kysely";
import type { LabelReading, SharedFood } from "~/core/pantry";
import type { DB, LabelReadingTable } from "../schema";

/** What a label says beyond its substances, where it says anything. */
export const labelDetails = (
  row: Pick<Selectable<LabelReadingTable>, "market" | "looked_for" | "foods" | "is_gluten_free">,
): Pick<LabelReading, "market" | "lookedFor" | "foods" | "isGlutenFree"> => ({
  ...(row.market === null ? {} : { market: row.market }),
  ...(row.looked_for.length === 0 ? {} : { lookedFor: row.looked_for }),
  ...(row.foods.length === 0 ? {} : { foods: row.foods }),
  ...(row.is_gluten_free ? { isGlutenFree: true } : {}),
});

const labelDetailColumns = (label: Omit<LabelReading, "ingredientId"> | null) => ({
  market: label?.market ?? null,
  looked_for: [...(label?.lookedFor ?? [])],
  foods: [...(label?.foods ?? [])],
  is_gluten_free: label?.isGlutenFree ?? false,
});

/** Writes labels anew for ingredients that have none in this class. */
export async function addLabels(db: Kysely<DB>, classId: string, labels: readonly LabelReading[]): Promise<void> {
  if (labels.length === 0) return;
  await db
    .insertInto("label_reading")
    .values(
      labels.map((one) => ({
        class_id: classId,
        ingredient_id: one.ingredientId,
        product: one.product,
        read_by: one.readBy,
        read_on: one.readOn,
        ...labelDetailColumns(one),
      })),
    )
    .execute();
  const rows = labels.flatMap((one) => [
    ...one.contains.map((substance) => ({
      class_id: classId,
      ingredient_id: one.ingredientId,
      substance,
      level: "contains" as const,
    })),
    ...one.mayContain
      .filter((substance) => !one.contains.includes(substance))
      .map((substance) => ({
        class_id: classId,
        ingredient_id: one.ingredientId,
        substance,
        level: "may-contain" as const,
      })),
  ]);
  if (rows.length > 0) await db.insertInto("label_substance").values(rows).execute();
}

/** Appends brought food after the existing entries. */
export async function addSharedFood(
  db: Kysely<DB>,
  classId: string,
  foods: readonly Omit<SharedFood, "id">[],
): Promise<void> {
  if (foods.length === 0) return;
  const { next } = await db
    .selectFrom("shared_food")
    .select((eb) => eb.fn.coalesce(eb.fn.max("position"), eb.lit(-1)).as("next"))
    .where("class_id", "=", classId)
    .executeTakeFirstOrThrow();
  const rows = await db
    .insertInto("shared_food")
    .values(
      foods.map((food, index) => ({
        class_id: classId,
        position: next + 1 + index,
        name: food.name,
        brought_by: food.broughtBy,
        own_station: food.instead?.station ?? null,
        own_ingredient_id: food.instead?.ingredientId ?? null,
        product: food.label?.product ?? null,
        read_by: food.label?.readBy ?? null,
        read_on: food.label?.readOn ?? null,
        ...labelDetailColumns(food.label),
      })),
    )
    .returning(["id", "position"])
    .execute();
  const ids = rows.sort((a, b) => a.position - b.position).map((row) => row.id);
  const substances = foods.flatMap((food, index) => [
    ...(food.label?.contains ?? []).map((substance) => ({
      food_id: ids[index] ?? "",
      substance,
      level: "contains" as const,
    })),
    ...(food.label?.mayContain ?? [])
      .filter((substance) => !food.label?.contains.includes(substance))
      .map((substance) => ({ food_id: ids[index] ?? "", substance, level: "may-contain" as const })),
  ]);
  if (substances.length > 0) await db.insertInto("shared_food_substance").values(substances).execute();
}
