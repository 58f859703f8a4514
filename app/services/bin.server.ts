import { type Kysely, sql } from "kysely";
import { putBackDays } from "~/core/people";
import type { DB } from "~/db/schema";
import { within } from "~/db/client.server";

/** Classes that were removed: nothing reads them, and for {@link putBackDays} days they can be put back as they were. */

/** Removes a class; what it shopped along with goes shopping by itself. */
export async function removeClass(db: Kysely<DB>, classId: string, accountId: string): Promise<void> {
  await within(db, async (trx) => {
    await trx.updateTable("class").set({ shops_with: null }).where("shops_with", "=", classId).execute();
    await trx
      .updateTable("class")
      .set({ removed_at: new Date(), removed_by: accountId, shops_with: null })
      .where("id", "=", classId)
      .where("removed_at", "is", null)
      .execute();
  });
}

/** Puts a removed class back; false when there is none of that id to put back. */
export async function putClassBack(db: Kysely<DB>, classId: string): Promise<boolean> {
  const back = await db
    .updateTable("class")
    .set({ removed_at: null, removed_by: null })
    .where("id", "=", classId)
    .where("removed_at", "is not", null)
    .executeTakeFirst();
  return back.numUpdatedRows > 0n;
}

/** What was removed and can be put back, latest first. */
export const removedClasses = (db: Kysely<DB>) =>
  db
    .selectFrom("class")
    .leftJoin("account", "account.id", "class.removed_by")
    .select([
      "class.id",
      "class.title",
      "starts_at as startsAt",
      "removed_at as removedAt",
      "account.name as removedBy",
    ])
    .where("removed_at", "is not", null)
    .orderBy("removed_at", "desc")
    .limit(200)
    .execute();

/** What nobody put back in time goes for good. */
export const emptyBin = (db: Kysely<DB>) =>
  db
    .deleteFrom("class")
    .where("removed_at", "<=", sql<Date>`now() - make_interval(days => ${putBackDays})`)
    .execute();
