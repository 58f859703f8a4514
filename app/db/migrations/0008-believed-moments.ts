import { type Kysely, sql } from "kysely";

/**
 * By how much a device's clock was off when it sent an event, in milliseconds: what is kept as its moment is what the server could
 * believe, and this is the difference. And attempts to sign in and to open links, counted where every process sees them.
 */
const changes: readonly string[] = [
  "alter table live_event add column device_off float8 not null default 0",
  "alter table tick_event add column device_off float8 not null default 0",
  `create table attempt (key text primary key check (length(key) between 1 and 200), points int not null check (points >= 0), expire bigint)`,
  "create index on attempt (expire)",
];

export async function up(db: Kysely<unknown>): Promise<void> {
  for (const change of changes) await sql.raw(change).execute(db);
}

export async function down(db: Kysely<unknown>): Promise<void> {
  for (const change of [
    "drop table attempt",
    "alter table tick_event drop column device_off",
    "alter table live_event drop column device_off",
  ])
    await sql.raw(change).execute(db);
}
