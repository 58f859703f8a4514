import { type Kysely, type Selectable } from "kysely";
import type { LabelReading, SharedFood, Substance } from "~/core/pantry";
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

type Level = "contains" | "may-contain";

/** The rows of classes' labels and of food that is brought, with what each contains: four queries. */
export const labelRows = async (db: Kysely<DB>, classIds: readonly string[]) => {
  const [labels, substances, foods, foodSubstances] = await Promise.all([
    db.selectFrom("label_reading").selectAll().where("class_id", "in", classIds).orderBy("ingredient_id").execute(),
    db.selectFrom("label_substance").selectAll().where("class_id", "in", classIds).orderBy("substance").execute(),
    db.selectFrom("shared_food").selectAll().where("class_id", "in", classIds).orderBy("position").execute(),
    db
      .selectFrom("shared_food_substance")
      .innerJoin("shared_food", "shared_food.id", "food_id")
      .selectAll("shared_food_substance")
      .where("class_id", "in", classIds)
      .orderBy("substance")
      .execute(),
  ]);
  return { labels, substances, foods, foodSubstances };
};
export type LabelRows = Awaited<ReturnType<typeof labelRows>>;

/** The labels of one class, and the rows they come from. */
export function labelsFrom({ labels, substances }: LabelRows, classId: string) {
  const rows = labels.filter((one) => one.class_id === classId);
  const own = substances.filter((one) => one.class_id === classId);
  const on = (ingredientId: string, level: Level) =>
    own
      .filter((one) => one.ingredient_id === ingredientId && one.level === level)
      .map((one) => one.substance as Substance);
  const readings = rows.map((one): LabelReading => ({
    ingredientId: one.ingredient_id,
    product: one.product,
    contains: on(one.ingredient_id, "contains"),
    mayContain: on(one.ingredient_id, "may-contain"),
    ...labelDetails(one),
    readBy: one.read_by,
    readOn: one.read_on,
  }));
  return { rows, readings };
}

/** Food that is brought to one class, in its order. */
export const sharedFoodFrom = ({ foods, foodSubstances }: LabelRows, classId: string): SharedFood[] =>
  foods.flatMap((one): SharedFood[] => {
    if (one.class_id !== classId) return [];
    const on = (level: Level) =>
      foodSubstances
        .filter((each) => each.food_id === one.id && each.level === level)
        .map((each) => each.substance as Substance);
    const isRead = one.product !== null && one.read_by !== null && one.read_on !== null;
    return [
      {
        id: one.id,
        name: one.name,
        broughtBy: one.brought_by,
        ...(one.own_station === null || one.own_ingredient_id === null
          ? {}
          : { instead: { station: one.own_station, ingredientId: one.own_ingredient_id } }),
        label: isRead
          ? {
              product: one.product ?? "",
              contains: on("contains"),
              mayContain: on("may-contain"),
              ...labelDetails(one),
              readBy: one.read_by ?? "",
              readOn: one.read_on ?? "",
            }
          : null,
      },
    ];
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
