import { type Kysely, sql } from "kysely";

/** A class or an ingredient that is put aside: it stays what it was and is not shown among those that are worked with. */
const tables = ["class", "ingredient"];

export async function up(db: Kysely<unknown>): Promise<void> {
  for (const table of tables) await sql.raw(`alter table ${table} add column aside_at timestamptz`).execute(db);
}

export async function down(db: Kysely<unknown>): Promise<void> {
  for (const table of tables) await sql.raw(`alter table ${table} drop column aside_at`).execute(db);
}
