import { type Kysely, sql } from "kysely";

/** What a table misses when the list is called. */
const lists = ["packing", "shopping", "prep", "load", "return", "teaching"];
const constrained = async (db: Kysely<unknown>, all: readonly string[]): Promise<void> => {
  await sql.raw("alter table tick_event drop constraint tick_event_list_check").execute(db);
  await sql
    .raw(
      `alter table tick_event add constraint tick_event_list_check check (list in (${all.map((one) => `'${one}'`).join(", ")}))`,
    )
    .execute(db);
};

export const up = (db: Kysely<unknown>): Promise<void> => constrained(db, [...lists, "missing"]);

export async function down(db: Kysely<unknown>): Promise<void> {
  await sql.raw("delete from tick_event where list = 'missing'").execute(db);
  await constrained(db, lists);
}
