import { setImmediate } from "node:timers/promises";
import type { Kysely } from "kysely";
import { type ClassInput, orderFor, plan, plateChanges } from "~/core/plan";
import { writeOrder } from "~/db/queries/order.server";
import type { DB } from "~/db/schema";
import { classesNow } from "./classes.server";

/** What came of a search: a better order was kept, none was found, or the class was not to be touched any more. */
export type Searched = "kept" | "none" | "left";

/** The search to its end, in slices between which requests are answered. */
async function found(input: ClassInput) {
  const turns = orderFor(input);
  for (;;) {
    const { value, done } = turns.next();
    if (done === true) return value.order;
    await setImmediate();
  }
}

/**
 * Searches for a better order of the loads of a class as it was saved, and keeps it with the class. A wish by hand stays, and so does
 * what was settled, packed, bought or taught meanwhile: with the order of the loads the test pieces change, and with them what a bag
 * holds. A class that was saved again is searched by its own job. What is typed into an open form is no
 * conflict with it: the version of the class stays.
 */
export async function searchOrder(db: Kysely<DB>, classId: string): Promise<Searched> {
  const [stored] = await classesNow(db, [classId]);
  if (!stored || stored.input.order?.isWished === true || stored.input.dishes.length === 0) return "left";
  const { input, meta } = stored;
  const order = await found(input);
  if (order === undefined || order === input.order) return "none";
  // Who cooks after whom decides what reaches a plate: an order that makes one worse is for a person to choose, not for a job.
  const changed = { ...input, order };
  const changes = plateChanges({ input, plan: plan(input) }, { input: changed, plan: plan(changed) });
  if (changes.some((one) => one.isWorse)) return "left";
  return db.transaction().execute(async (trx): Promise<Searched> => {
    const now = await trx
      .selectFrom("class")
      .select(["version", "updated_at"])
      .where("id", "=", classId)
      .where("removed_at", "is", null)
      .forUpdate()
      .executeTakeFirst();
    if (now?.version !== meta.version) return "left";
    const settled = await trx
      .selectFrom("stage_stamp")
      .select("stage")
      .where("class_id", "=", classId)
      .where("stage", "!=", "recipe")
      .where("stamped_at", ">=", now.updated_at)
      .executeTakeFirst();
    const taught = await trx
      .selectFrom("live_run")
      .select("class_id")
      .where("class_id", "=", classId)
      .executeTakeFirst();
    const ticked = await trx
      .selectFrom("tick_event")
      .select("class_id")
      .where("class_id", "=", classId)
      .executeTakeFirst();
    if (settled || taught || ticked) return "left";
    await writeOrder(trx, classId, input.kitchen, order);
    // Written, so that whoever keeps the class as it was read reads it again.
    await trx.updateTable("class").set({ version: now.version }).where("id", "=", classId).execute();
    return "kept";
  });
}
