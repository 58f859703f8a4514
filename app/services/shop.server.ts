import { jsonArrayFrom } from "kysely/helpers/postgres";
import type { Kysely } from "kysely";
import type { Pantry } from "~/core/batter";
import { type ClassInput, plan } from "~/core/plan";
import { usedUpOf } from "~/core/gear";
import { type ClassNeed, type Extra, type ShoppingLine, shoppingList } from "~/core/shop";
import type { StoredClass } from "~/db/queries/classes.server";
import { type DB } from "~/db/schema";
import { classesNow, notFound } from "./classes.server";

const dayMs = 86_400_000;

/** A trip to the shop: one class that leads it, and those that are bought for along with it. */
export interface Trip {
  /** The class whose cupboard, extras and ticks the trip has. */
  readonly leadId: string;
  readonly classes: readonly {
    readonly id: string;
    readonly title: string;
    readonly startsAt: string;
    readonly people: number;
  }[];
  /** What the prices are in, where all its classes are reckoned in one. */
  readonly currency: string | undefined;
  readonly lines: readonly ShoppingLine[];
  readonly stock: Readonly<Record<string, number>>;
  readonly extras: readonly Extra[];
  /** Other classes that could be bought for on the same trip. */
  readonly others: readonly { readonly id: string; readonly title: string; readonly startsAt: string }[];
}

/** Which class leads the trip of a class: the one it shops with, or itself. */
export async function leadOf(db: Kysely<DB>, classId: string): Promise<string> {
  const row = await db.selectFrom("class").select(["id", "shops_with"]).where("id", "=", classId).executeTakeFirst();
  if (!row) throw notFound("class");
  return row.shops_with ?? row.id;
}

function needOf(input: ClassInput): ClassNeed {
  const { totals, gear } = plan(input);
  return {
    classId: input.id,
    totals,
    packs: input.packs,
    kitchenId: input.kitchen.id,
    usedUp: usedUpOf(gear),
  };
}

/** The trip a class belongs to, with its list worked out. @param own the class, where the request has read it already. */
export const tripOf = async (db: Kysely<DB>, classId: string, own?: StoredClass): Promise<Trip> =>
  tripLedBy(db, await leadOf(db, classId), own);

/** The trip that a class leads; see {@link tripOf}. */
export async function tripLedBy(db: Kysely<DB>, leadId: string, own?: StoredClass): Promise<Trip> {
  // One question instead of four: a page that asks them side by side takes half the connections there are.
  const { members, stock, extras, others } = await db
    .selectNoFrom((eb) => [
      jsonArrayFrom(
        eb
          .selectFrom("class")
          .select("id")
          .where((each) => each.or([each("id", "=", leadId), each("shops_with", "=", leadId)]))
          .where("removed_at", "is", null)
          .orderBy("starts_at"),
      ).as("members"),
      jsonArrayFrom(eb.selectFrom("shop_stock").select(["ingredient_id", "grams"]).where("class_id", "=", leadId)).as(
        "stock",
      ),
      jsonArrayFrom(
        eb
          .selectFrom("shop_extra")
          .select(["id", "name", "count", "price"])
          .where("class_id", "=", leadId)
          .orderBy("name"),
      ).as("extras"),
      jsonArrayFrom(
        eb
          .selectFrom("class as other")
          .select(["other.id", "other.title", "other.starts_at as startsAt"])
          .where("other.id", "!=", leadId)
          .where("other.shops_with", "is", null)
          .where("other.removed_at", "is", null)
          // For what is over nobody goes shopping.
          .where("other.starts_at", ">=", new Date(Date.now() - dayMs).toISOString().slice(0, 10))
          // Whoever leads a trip of their own is not taken along with all theirs.
          .where((each) =>
            each.not(
              each.exists(
                each.selectFrom("class as theirs").select("theirs.id").whereRef("theirs.shops_with", "=", "other.id"),
              ),
            ),
          )
          .orderBy("other.starts_at", "desc")
          .limit(24),
      ).as("others"),
    ])
    .executeTakeFirstOrThrow();
  const unread = members.map(({ id }) => id).filter((id) => id !== own?.input.id);
  const read = new Map(
    [...(own ? [own] : []), ...(await classesNow(db, unread))].map(({ input }) => [input.id, input]),
  );
  const inputs = members.flatMap(({ id }) => read.get(id) ?? []);
  const pantry: Pantry = new Map(inputs.flatMap((input) => input.pantry.map((one) => [one.id, one] as const)));
  const onHand = stock.map((row) => [row.ingredient_id, row.grams] as const);
  const asked = extras.map(({ id, name, count, price }) => ({ id, name, count, price: price ?? undefined }));
  return {
    leadId,
    classes: inputs.map((input) => ({
      id: input.id,
      title: input.title,
      startsAt: input.startsAt,
      people: input.brief.people,
    })),
    currency: inputs.every((input) => input.currency === inputs[0]?.currency) ? inputs[0]?.currency : undefined,
    lines: shoppingList(inputs.map(needOf), pantry, new Map(onHand), asked),
    stock: Object.fromEntries(onHand),
    extras: asked,
    others,
  };
}

/**
 * What is on hand of an ingredient, in grams; 0 takes it off the list of what there is. False, and nothing changed, when there is no
 * longer what was seen: somebody else counted meanwhile.
 */
export async function saveStock(
  db: Kysely<DB>,
  leadId: string,
  ingredientId: string,
  seen: number,
  grams: number,
): Promise<boolean> {
  const there = db
    .selectFrom("shop_stock")
    .select("grams")
    .where("class_id", "=", leadId)
    .where("ingredient_id", "=", ingredientId);
  if (seen <= 0) {
    if (grams <= 0) return (await there.executeTakeFirst()) === undefined;
    const added = await db
      .insertInto("shop_stock")
      .values({ class_id: leadId, ingredient_id: ingredientId, grams })
      .onConflict((conflict) => conflict.doNothing())
      .executeTakeFirst();
    return (added.numInsertedOrUpdatedRows ?? 0n) > 0n;
  }
  const changed =
    grams <= 0
      ? await db
          .deleteFrom("shop_stock")
          .where("class_id", "=", leadId)
          .where("ingredient_id", "=", ingredientId)
          .where("grams", "=", seen)
          .executeTakeFirst()
          .then((done) => done.numDeletedRows)
      : await db
          .updateTable("shop_stock")
          .set({ grams })
          .where("class_id", "=", leadId)
          .where("ingredient_id", "=", ingredientId)
          .where("grams", "=", seen)
          .executeTakeFirst()
          .then((done) => done.numUpdatedRows);
  return changed > 0n;
}

export const addExtra = async (db: Kysely<DB>, leadId: string, extra: Omit<Extra, "id">): Promise<void> =>
  void (await db
    .insertInto("shop_extra")
    .values({ class_id: leadId, name: extra.name, count: extra.count, price: extra.price ?? null })
    .execute());

export const removeExtra = async (db: Kysely<DB>, leadId: string, id: string): Promise<void> =>
  void (await db.deleteFrom("shop_extra").where("class_id", "=", leadId).where("id", "=", id).execute());

/** Takes another class along on a trip, or lets it go its own way. Only a class that leads no trip can be taken along. */
export async function shopTogether(
  db: Kysely<DB>,
  leadId: string,
  otherId: string,
  isTogether: boolean,
): Promise<boolean> {
  if (leadId === otherId) return false;
  const changed = await db
    .updateTable("class")
    .set({ shops_with: isTogether ? leadId : null })
    .where("id", "=", otherId)
    .where("shops_with", isTogether ? "is" : "=", isTogether ? null : leadId)
    .$if(isTogether, (query) =>
      query.where((eb) =>
        eb.not(
          eb.exists(eb.selectFrom("class as theirs").select("theirs.id").where("theirs.shops_with", "=", otherId)),
        ),
      ),
    )
    .executeTakeFirst();
  return changed.numUpdatedRows > 0n;
}

/** Who does which task before the class, by task. */
export async function prepOwners(db: Kysely<DB>, classId: string): Promise<Record<string, string>> {
  const rows = await db.selectFrom("prep_owner").select(["task", "owner"]).where("class_id", "=", classId).execute();
  return Object.fromEntries(rows.map((row) => [row.task, row.owner]));
}

/** Gives a task to somebody; to nobody when the name is empty. */
export async function givePrep(db: Kysely<DB>, classId: string, task: string, owner: string): Promise<void> {
  if (owner === "") {
    await db.deleteFrom("prep_owner").where("class_id", "=", classId).where("task", "=", task).execute();
    return;
  }
  await db
    .insertInto("prep_owner")
    .values({ class_id: classId, task, owner })
    .onConflict((conflict) => conflict.columns(["class_id", "task"]).doUpdateSet({ owner }))
    .execute();
}
