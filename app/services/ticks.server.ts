import { measured } from "~/formats/schema-parts";
import { type Grams } from "~/core/quantity";
import type { Kysely } from "kysely";
import { z } from "zod";
import { type TickEvent, tickLists } from "~/core/pack";
import type { DB } from "~/db/schema";
import { receivedWithin } from "./device-events.server";

const body = {
  contents: z
    .array(
      z.strictObject({
        ingredientId: z.string().min(1).max(64),
        lineId: z.string().min(1).max(64),
        grams: measured<Grams>(z.number().min(0).max(1_000_000)).nullable(),
        amount: z.string().max(60),
      }),
    )
    .max(60)
    .optional(),
  weighed: measured<Grams>(z.number().min(-100_000).max(1_000_000)).optional(),
  count: z.int().min(0).max(10_000).optional(),
};

/** A tick as a device sends it; who it was the server knows. */
export const tickEventSchema = z.strictObject({
  id: z.uuid(),
  at: z.number().min(0).max(8.64e15),
  list: z.enum(tickLists),
  key: z.string().min(1).max(200),
  isOn: z.boolean(),
  by: z.string().max(120).optional(),
  ...body,
});
const bodySchema = z.object(body);

/**
 * Every tick of a class in the order in which they were received, with the name of who made it.
 * @param seconds only those received in the last so many seconds; all where absent.
 */
export async function ticksOf(db: Kysely<DB>, classId: string, seconds?: number): Promise<TickEvent[]> {
  const rows = await db
    .selectFrom("tick_event")
    .leftJoin("account", "account.id", "account_id")
    .select(["tick_event.id", "happened_at", "list", "key", "is_on", "body", "account.name as by"])
    .where("class_id", "=", classId)
    .where(receivedWithin("tick_event", seconds))
    .orderBy("seq")
    .execute();
  return rows.map((row) => ({
    id: row.id,
    at: row.happened_at,
    list: row.list as TickEvent["list"],
    key: row.key,
    isOn: row.is_on,
    by: row.by ?? "somebody",
    ...bodySchema.parse(row.body),
  }));
}

/**
 * Appends ticks, each at most once whatever a device sends again.
 * @returns the ids that are now kept.
 */
export async function appendTicks(
  db: Kysely<DB>,
  classId: string,
  events: readonly (z.output<typeof tickEventSchema> & { readonly off?: number })[],
  accountId: string | null,
): Promise<string[]> {
  if (events.length === 0) return [];
  await db
    .insertInto("tick_event")
    .values(
      events.map(({ id, at, list, key, isOn, by: _by, off = 0, ...rest }) => ({
        id,
        device_off: off,
        class_id: classId,
        happened_at: at,
        account_id: accountId,
        list,
        key,
        is_on: isOn,
        body: JSON.stringify(rest),
      })),
    )
    .onConflict((conflict) => conflict.column("id").doNothing())
    .execute();
  const kept = await db
    .selectFrom("tick_event")
    .select("id")
    .where("class_id", "=", classId)
    .where(
      "id",
      "in",
      events.map((event) => event.id),
    )
    .execute();
  const ids = new Set(kept.map((row) => row.id));
  return events.flatMap((event) => (ids.has(event.id) ? [event.id] : []));
}
