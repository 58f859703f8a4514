import { type Kysely, sql } from "kysely";

/** What people should be able to do or say after a class, a line each. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`alter table class
    add column aims text[] not null default '{}' check (cardinality(aims) <= 12 and array_position(aims, null) is null)`.execute(
    db,
  );
}

export async function down(db: Kysely<unknown>): Promise<void> {
  await sql`alter table class drop column aims`.execute(db);
}
