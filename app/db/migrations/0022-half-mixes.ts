import { type Kysely, sql } from "kysely";

/** A dish whose stations mix in two halves, the second while the first is cooked. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`alter table class_dish add column mixes smallint check (mixes = 2)`.execute(db);
}

export async function down(db: Kysely<unknown>): Promise<void> {
  await sql`alter table class_dish drop column mixes`.execute(db);
}
