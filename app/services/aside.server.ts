import type { Kysely } from "kysely";
import type { DB } from "~/db/schema";

/** What can be put aside: classes that have it keep it, nothing new is offered it, and it can be taken back at any time. */
export type Shelved = "recipe" | "kitchen";

/** Puts something aside, or takes it back; false when there is none of that id. */
export async function putAside(db: Kysely<DB>, kind: Shelved, id: string, isAside: boolean): Promise<boolean> {
  const changed = await db
    .updateTable(kind)
    .set({ aside_at: isAside ? new Date() : null })
    .where("id", "=", id)
    .executeTakeFirst();
  return changed.numUpdatedRows > 0n;
}

/** The ids of what is put aside. */
export async function asideOf(db: Kysely<DB>, kind: Shelved): Promise<ReadonlySet<string>> {
  const rows = await db.selectFrom(kind).select("id").where("aside_at", "is not", null).execute();
  return new Set(rows.map((row) => row.id));
}
