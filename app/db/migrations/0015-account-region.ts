import { type Kysely, sql } from "kysely";

/** How somebody reads dates and numbers, and on which paper they print; null for what their browser asks for. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql
    .raw(
      "alter table account add column region text check (region in ('en-GB', 'en-IE', 'en-US', 'en-CA', 'en-AU', 'en-NZ', 'en-ZA'))",
    )
    .execute(db);
}

export async function down(db: Kysely<unknown>): Promise<void> {
  await sql.raw("alter table account drop column region").execute(db);
}
