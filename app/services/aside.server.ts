import type { Kysely } from "kysely";
import { z } from "zod";
import type { DB } from "~/db/schema";

/** What can be put aside: it stays what it was, and whatever has it keeps it; nothing new is offered it. It can be taken back at any time. */
export type Shelved = "recipe" | "kitchen" | "ingredient" | "class";

/** What the button sends that puts one thing of a list aside, or takes it back. */
export const asideFormSchema = z.object({ intent: z.enum(["aside", "back"]), id: z.string().max(120) });

/** Puts something aside, or takes it back; false when there is none of that id. */
export async function putAside(db: Kysely<DB>, kind: Shelved, id: string, isAside: boolean): Promise<boolean> {
  const changed = await db
    .updateTable(kind)
    .set({ aside_at: isAside ? new Date() : null })
    .where("id", "=", id)
    .executeTakeFirst();
  return changed.numUpdatedRows > 0n;
}

/** Ids of archived items. */
export async function asideOf(db: Kysely<DB>, kind: Shelved): Promise<ReadonlySet<string>> {
  const rows = await db.selectFrom(kind).select("id").where("aside_at", "is not", null).execute();
  return new Set(rows.map((row) => row.id));
}
