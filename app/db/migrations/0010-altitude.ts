import { type Kysely, sql } from "kysely";

/** How high a kitchen lies: thin air wants less leavener and more liquid. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql.raw("alter table kitchen add column altitude_m int check (altitude_m between 0 and 5000)").execute(db);
}

export async function down(db: Kysely<unknown>): Promise<void> {
  await sql.raw("alter table kitchen drop column altitude_m").execute(db);
}
