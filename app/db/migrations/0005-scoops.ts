import { type Kysely, sql } from "kysely";
import { scoopNames } from "./frozen-words";

/** What is missing from the measuring set of a class: scoops by their names, so that none is misspelt. */
export async function up(db: Kysely<unknown>): Promise<void> {
  const names = scoopNames.map((name) => `'${name}'`).join(", ");
  await sql
    .raw(
      `alter table class add column missing_scoops text[] not null default '{}' check (missing_scoops <@ array[${names}]::text[])`,
    )
    .execute(db);
}

export async function down(db: Kysely<unknown>): Promise<void> {
  await sql.raw("alter table class drop column missing_scoops").execute(db);
}
