import { type Kysely, sql } from "kysely";

/** A dish whose stations mix in two halves, the second while the first is cooked, or whose batter is made before the doors. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`alter table class_dish add column mixing text check (mixing in ('halves', 'ahead'))`.execute(db);
}

export async function down(db: Kysely<unknown>): Promise<void> {
  await sql`alter table class_dish drop column mixing`.execute(db);
}
