import { type Kysely, sql } from "kysely";

/** A recipe or a kitchen that is put aside: classes that have it keep it, and nothing new is offered it. */
const tables = ["recipe", "kitchen"];

export async function up(db: Kysely<unknown>): Promise<void> {
  for (const table of tables) await sql.raw(`alter table ${table} add column aside_at timestamptz`).execute(db);
}

export async function down(db: Kysely<unknown>): Promise<void> {
  for (const table of tables) await sql.raw(`alter table ${table} drop column aside_at`).execute(db);
}
