import { addRevision } from "~/db/queries/recipes.server";
import { mixings } from "~/core/plan";
import type { Recipe } from "~/core/recipe";
import type { Kysely } from "kysely";
import { z } from "zod";
import type { Arrangement } from "~/core/people";
import type { Brief, ClassInput } from "~/core/plan";
import type { Order, Pin } from "~/core/schedule";
import type { HouseRule } from "~/core/turns";
import { fraction } from "~/formats/schema-parts";
import { briefSchema, houseSchema, orderSchema, pinsSchema, toPlain } from "~/formats/class-file";
import { writeHouse } from "~/db/queries/house.server";
import { writeOrder } from "~/db/queries/order.server";
import { askForOrder } from "./queue.server";
import { writeArrangement } from "~/db/queries/seats.server";
import { pinColumns } from "~/db/queries/pins.server";
import { briefColumns } from "~/db/queries/brief.server";
import { dishRow, writeDishes } from "~/db/queries/dishes.server";
import type { DB } from "~/db/schema";

const keptSchema = z.object({
  dishes: z.array(
    z.object({
      recipeId: z.string(),
      revision: z.int(),
      variantId: z.string().nullable(),
      stations: z.int().nullable(),
      bowl: fraction.optional(),
      cooks: z.literal("wanted").optional(),
      mixing: z.enum(mixings).optional(),
      takes: z.array(z.object({ lineId: z.string(), ingredientId: z.string() })).optional(),
      rounds: z.array(z.object({ roundId: z.string(), parts: z.int() })).optional(),
      bulk: z.int().optional(),
    }),
  ),
  arrangement: z
    .object({
      seats: z.array(z.array(z.string())).nullable(),
      apart: z.array(z.int()),
      washesBetween: z.boolean().optional(),
      sets: z.array(z.object({ station: z.int(), measuringSetId: z.string() })).optional(),
    })
    .nullable(),
  /** Absent in what was kept before there were orders. */
  order: orderSchema.nullable().optional(),
  /** Absent where they were not changed. */
  pins: pinsSchema.optional(),
  brief: briefSchema.optional(),
  house: houseSchema.optional(),
});
type Kept = Omit<z.input<typeof keptSchema>, "brief" | "house">;

/** Raises the version of a class that is still at `version`; false when somebody else was faster. */
async function claim(trx: Kysely<DB>, classId: string, version: number, accountId: string): Promise<boolean> {
  const changed = await trx
    .updateTable("class")
    .set({ version: version + 1, updated_by: accountId, updated_at: new Date() })
    .where("id", "=", classId)
    .where("version", "=", version)
    .executeTakeFirst();
  return changed.numUpdatedRows > 0n;
}

/**
 * Changes seats, stations apart and, where given, dishes, brief, house rules, pinned bells and the order of the loads, whole or not at all, and
 * keeps what was so that it can be undone.
 * @param drafted a recipe with a variant made for this change: it is kept first, as a new revision.
 * @returns false when somebody else changed the class since `version`.
 */
export async function changePlan(
  db: Kysely<DB>,
  input: ClassInput,
  version: number,
  change: {
    readonly dishes?: ClassInput["dishes"] | undefined;
    readonly arrangement: Arrangement | undefined;
    /** Null for the rules; absent where it stays as it is. */
    readonly order?: Order | null | undefined;
    readonly pins?: readonly Pin[] | undefined;
    readonly brief?: Brief | undefined;
    readonly house?: readonly HouseRule[] | undefined;
  },
  what: string,
  accountId: string,
  drafted?: Recipe | undefined,
): Promise<boolean> {
  const isChanged = await db.transaction().execute(async (trx) => {
    if (!(await claim(trx, input.id, version, accountId))) return false;
    const dishes = drafted && change.dishes ? await withDraft(trx, change.dishes, drafted, accountId) : change.dishes;
    const before: Kept & {
      readonly brief?: object | undefined;
      readonly house?: readonly HouseRule[] | undefined;
    } = {
      dishes: toPlain(input.dishes.map(dishRow)) as Kept["dishes"],
      arrangement: input.arrangement
        ? {
            seats: input.arrangement.seats?.map((ids) => [...ids]) ?? null,
            apart: [...input.arrangement.apart],
            washesBetween: input.arrangement.washesBetween,
            sets: input.arrangement.sets?.map((one) => ({ ...one })),
          }
        : null,
      brief: change.brief ? (toPlain(input.brief) as object) : undefined,
      house: change.house ? (input.house ?? []) : undefined,
      order: (toPlain(input.order) as Kept["order"]) ?? null,
      pins: change.pins ? (input.pins?.map((pin) => ({ ...pin })) ?? []) : undefined,
    };
    await trx
      .insertInto("plan_change")
      .values({ class_id: input.id, what: what.slice(0, 300), before: JSON.stringify(before), made_by: accountId })
      .execute();
    if (dishes) await writeDishes(trx, input.id, dishes.map(dishRow));
    await writeArrangement(trx, input.id, change.arrangement);
    if (change.brief)
      await trx.updateTable("class").set(briefColumns(change.brief)).where("id", "=", input.id).execute();
    if (change.house) await writeHouse(trx, input.id, change.house);
    if (change.pins) await trx.updateTable("class").set(pinColumns(change.pins)).where("id", "=", input.id).execute();
    if (change.order !== undefined) await writeOrder(trx, input.id, input.kitchen, change.order ?? undefined);
    return true;
  });
  // A change that says its order is not ordered again.
  if (isChanged && change.order === undefined) askForOrder(input.id);
  return isChanged;
}

/** Keeps a recipe with a variant drafted for a class as its newest revision, and gives the dishes that are made by it that number. */
async function withDraft(
  trx: Kysely<DB>,
  dishes: ClassInput["dishes"],
  drafted: Recipe,
  accountId: string,
): Promise<ClassInput["dishes"]> {
  const { newest } = await trx
    .selectFrom("recipe_revision")
    .select((eb) => eb.fn.max("revision").as("newest"))
    .where("recipe_id", "=", drafted.id)
    .executeTakeFirstOrThrow();
  const recipe = { ...drafted, revision: Number(newest) + 1 };
  await addRevision(trx, recipe, accountId);
  return dishes.map((dish) => (dish.recipe === drafted ? { ...dish, recipe } : dish));
}

export interface MadeChange {
  readonly id: string;
  readonly what: string;
  readonly by: string | null;
  readonly at: Date;
}

/** The changes that can be undone, newest first. */
export const madeChanges = async (db: Kysely<DB>, classId: string): Promise<MadeChange[]> =>
  db
    .selectFrom("plan_change")
    .leftJoin("account", "account.id", "made_by")
    .select(["plan_change.id", "what", "account.name as by", "made_at as at"])
    .where("class_id", "=", classId)
    .orderBy("made_at", "desc")
    .limit(20)
    .execute();

/** Takes back the newest change: seats, dishes and loads as they were before it; people who have left since stay away. */
export async function undoChange(
  db: Kysely<DB>,
  input: ClassInput,
  version: number,
  accountId: string,
): Promise<boolean> {
  return db.transaction().execute(async (trx) => {
    const newest = await trx
      .selectFrom("plan_change")
      .select(["id", "before"])
      .where("class_id", "=", input.id)
      .orderBy("made_at", "desc")
      .executeTakeFirst();
    if (!newest || !(await claim(trx, input.id, version, accountId))) return false;
    const { dishes, arrangement, order, pins, brief, house } = keptSchema.parse(newest.before);
    const there = new Set(input.people.map((person) => person.id));
    await writeDishes(trx, input.id, dishes);
    await writeArrangement(
      trx,
      input.id,
      arrangement
        ? { ...arrangement, seats: arrangement.seats?.map((ids) => ids.filter((id) => there.has(id))) ?? null }
        : undefined,
    );
    if (house) await writeHouse(trx, input.id, house);
    if (order !== undefined) await writeOrder(trx, input.id, input.kitchen, order ?? undefined);
    if (pins) await trx.updateTable("class").set(pinColumns(pins)).where("id", "=", input.id).execute();
    if (brief) await trx.updateTable("class").set(briefColumns(brief)).where("id", "=", input.id).execute();
    await trx.deleteFrom("plan_change").where("id", "=", newest.id).execute();
    return true;
  });
}
