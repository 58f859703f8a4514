import { type Kysely, sql } from "kysely";
import { liveEventKinds } from "./frozen-words";

const list = (words: readonly string[]) => words.map((word) => `'${word}'`).join(", ");
const allow = (db: Kysely<unknown>, kinds: readonly string[]) =>
  sql
    .raw(
      `alter table live_event drop constraint live_event_kind_check,
         add constraint live_event_kind_check check (kind in (${list(kinds)}))`,
    )
    .execute(db);

/** Tables say while they cook how many of each round they make. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await allow(db, [...liveEventKinds, "rounds-decided"]);
}

export async function down(db: Kysely<unknown>): Promise<void> {
  await sql`delete from live_event where kind = 'rounds-decided'`.execute(db);
  await allow(db, liveEventKinds);
}
