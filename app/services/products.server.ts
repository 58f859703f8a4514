import type { LabelReading, PackSize, SharedFood } from "~/core/pantry";
import type { ClassInput } from "~/core/plan";
import { database } from "~/db/client.server";
import { classOf } from "~/db/queries/classes.server";
import { addLabels, addSharedFood } from "~/db/queries/labels.server";
import { addPacks } from "~/db/queries/packs.server";
import { fingerprintOf } from "~/core/plan";
import type { Photo } from "./photos.server";

/**
 * Stores what was read on a label, with its picture if there is one; `version` 0 for one that was not read before. A picture of an
 * earlier reading goes: it may show another packet. False when somebody else was faster.
 */
export async function saveLabel(
  classId: string,
  version: number,
  label: LabelReading,
  photo?: Photo,
): Promise<boolean> {
  return database()
    .transaction()
    .execute(async (trx) => {
      const removed = await trx
        .deleteFrom("label_reading")
        .where("class_id", "=", classId)
        .where("ingredient_id", "=", label.ingredientId)
        .where("version", "=", version)
        .executeTakeFirst();
      const other = await trx
        .selectFrom("label_reading")
        .select("version")
        .where("class_id", "=", classId)
        .where("ingredient_id", "=", label.ingredientId)
        .executeTakeFirst();
      if (other || (version > 0 && removed.numDeletedRows === 0n)) return false;
      await addLabels(trx, classId, [label]);
      await trx
        .deleteFrom("label_photo")
        .where("class_id", "=", classId)
        .where("ingredient_id", "=", label.ingredientId)
        .execute();
      if (photo)
        await trx
          .insertInto("label_photo")
          .values({ class_id: classId, ingredient_id: label.ingredientId, ...photo })
          .execute();
      await trx
        .updateTable("label_reading")
        .set({ version: version + 1 })
        .where("class_id", "=", classId)
        .where("ingredient_id", "=", label.ingredientId)
        .execute();
      return true;
    });
}

/** Forgets what was read, and its picture: another packet has another label. */
export const forgetLabel = async (classId: string, ingredientId: string): Promise<void> =>
  database()
    .transaction()
    .execute(async (trx) => {
      for (const table of ["label_reading", "label_photo"] as const)
        await trx.deleteFrom(table).where("class_id", "=", classId).where("ingredient_id", "=", ingredientId).execute();
    });

/** What a page has seen of how a product is sold, as a short text to compare. */
export const seenPack = (packs: ClassInput["packs"], ingredientId: string): string =>
  fingerprintOf(packs.find((one) => one.ingredientId === ingredientId) ?? null);

/** Saves how a product is sold; false, with nothing changed, if somebody else changed it since it was read. */
export const savePack = async (classId: string, seen: string, pack: PackSize): Promise<boolean> =>
  database()
    .transaction()
    .execute(async (trx) => {
      await trx.selectFrom("class").select("id").where("id", "=", classId).forUpdate().execute();
      const stored = await classOf(trx, classId);
      if (!stored || seenPack(stored.input.packs, pack.ingredientId) !== seen) return false;
      await addPacks(trx, classId, [pack]);
      return true;
    });

/** Saves food that somebody brings; replaces the entry `before` if given. */
export const addBrought = async (
  classId: string,
  food: Omit<SharedFood, "id">,
  before: string | undefined,
): Promise<void> =>
  database()
    .transaction()
    .execute(async (trx) => {
      if (before)
        await trx.deleteFrom("shared_food").where("id", "=", before).where("class_id", "=", classId).execute();
      await addSharedFood(trx, classId, [food]);
    });

export const removeBrought = async (classId: string, foodId: string): Promise<void> =>
  void (await database().deleteFrom("shared_food").where("id", "=", foodId).where("class_id", "=", classId).execute());
