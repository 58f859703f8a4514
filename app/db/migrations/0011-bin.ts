import { type Kysely, sql } from "kysely";

/** A class that was removed can be put back for a while; until then nothing reads it. */
const changes: readonly string[] = [
  "alter table class add column removed_at timestamptz",
  "alter table class add column removed_by uuid references account on delete set null",
  "create index class_removed_at_idx on class (removed_at) where removed_at is not null",
  "create index class_removed_by_idx on class (removed_by)",
];

export async function up(db: Kysely<unknown>): Promise<void> {
  for (const change of changes) await sql.raw(change).execute(db);
}

export async function down(db: Kysely<unknown>): Promise<void> {
  // Without the column they would be back in the list.
  await sql.raw("delete from class where removed_at is not null").execute(db);
  for (const column of ["removed_by", "removed_at"])
    await sql.raw(`alter table class drop column ${column}`).execute(db);
}
