import { type Kysely } from "kysely";
import type { PackSize } from "~/core/pantry";
import { inGrams } from "~/core/quantity";
import type { DB } from "../schema";

/** The rows of how products are sold to classes, and of their other sizes: two queries. */
export const packRows = async (db: Kysely<DB>, classIds: readonly string[]) => {
  const [packs, sizes] = await Promise.all([
    db.selectFrom("class_pack").selectAll().where("class_id", "in", classIds).orderBy("ingredient_id").execute(),
    db.selectFrom("class_pack_size").selectAll().where("class_id", "in", classIds).orderBy("position").execute(),
  ]);
  return { packs, sizes };
};
export type PackRows = Awaited<ReturnType<typeof packRows>>;

/** How products are sold to one class. */
export const packsFrom = ({ packs, sizes: all }: PackRows, classId: string): PackSize[] =>
  packs.flatMap((one): PackSize[] => {
    if (one.class_id !== classId) return [];
    const sizes = all
      .filter((size) => size.class_id === classId && size.ingredient_id === one.ingredient_id)
      .map((size) => ({
        unitGrams: inGrams(size.unit_grams),
        unitsPerPack: size.units_per_pack,
        ...(size.price === null ? {} : { price: size.price }),
      }));
    return [
      {
        ingredientId: one.ingredient_id,
        unitGrams: inGrams(one.unit_grams),
        unitsPerPack: one.units_per_pack,
        unitName: one.unit_name,
        ...(one.product === null ? {} : { product: one.product }),
        ...(one.price === null ? {} : { price: one.price }),
        ...(sizes.length > 0 ? { sizes } : {}),
      },
    ];
  });

/** How products are sold, each with its other sizes; what was kept of the same product is replaced. */
export async function addPacks(db: Kysely<DB>, classId: string, packs: readonly PackSize[]): Promise<void> {
  if (packs.length === 0) return;
  await db
    .deleteFrom("class_pack")
    .where("class_id", "=", classId)
    .where(
      "ingredient_id",
      "in",
      packs.map((one) => one.ingredientId),
    )
    .execute();
  await db
    .insertInto("class_pack")
    .values(
      packs.map((one) => ({
        class_id: classId,
        ingredient_id: one.ingredientId,
        unit_grams: one.unitGrams,
        units_per_pack: one.unitsPerPack,
        unit_name: one.unitName,
        product: one.product ?? null,
        price: one.price ?? null,
      })),
    )
    .execute();
  const sizes = packs.flatMap((one) =>
    (one.sizes ?? []).map((size, index) => ({
      class_id: classId,
      ingredient_id: one.ingredientId,
      position: index + 1,
      unit_grams: size.unitGrams,
      units_per_pack: size.unitsPerPack,
      price: size.price ?? null,
    })),
  );
  if (sizes.length > 0) await db.insertInto("class_pack_size").values(sizes).execute();
}

/**
 * Gives a class how each ingredient was sold for the latest class that said so: packs, sizes and prices. Not which product was
 * bought: its label is read anew for every class.
 */
export async function copyLatestPacks(db: Kysely<DB>, classId: string): Promise<void> {
  await db
    .with("latest", (query) =>
      query
        .selectFrom("class_pack as pack")
        .innerJoin("class", "class.id", "pack.class_id")
        .distinctOn("pack.ingredient_id")
        .selectAll("pack")
        .where("pack.class_id", "!=", classId)
        .orderBy("pack.ingredient_id")
        .orderBy("class.starts_at", "desc")
        .orderBy("class.id"),
    )
    .with("copied", (query) =>
      query
        .insertInto("class_pack")
        .columns(["class_id", "ingredient_id", "unit_grams", "units_per_pack", "unit_name", "price"])
        .expression((eb) =>
          eb
            .selectFrom("latest")
            .select([
              eb.val(classId).as("class_id"),
              "ingredient_id",
              "unit_grams",
              "units_per_pack",
              "unit_name",
              "price",
            ]),
        ),
    )
    .insertInto("class_pack_size")
    .columns(["class_id", "ingredient_id", "position", "unit_grams", "units_per_pack", "price"])
    .expression((eb) =>
      eb
        .selectFrom("class_pack_size as size")
        .innerJoin("latest", (join) =>
          join.onRef("latest.class_id", "=", "size.class_id").onRef("latest.ingredient_id", "=", "size.ingredient_id"),
        )
        .select([
          eb.val(classId).as("class_id"),
          "size.ingredient_id",
          "size.position",
          "size.unit_grams",
          "size.units_per_pack",
          "size.price",
        ]),
    )
    .execute();
}
