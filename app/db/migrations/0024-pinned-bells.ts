import { type Kysely, sql } from "kysely";

/** Bells that somebody pinned, in whole minutes since the doors: none of them rings before. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const bell of ["mix", "pour", "eat"])
    await sql`alter table class add column ${sql.id(`${bell}_pinned`)} int check (${sql.id(`${bell}_pinned`)} between 0 and 1440)`.execute(
      db,
    );
}

export async function down(db: Kysely<unknown>): Promise<void> {
  for (const bell of ["mix", "pour", "eat"])
    await sql`alter table class drop column ${sql.id(`${bell}_pinned`)}`.execute(db);
}
