import { type Kysely, sql } from "kysely";

/** Devices and places from which an account was signed in with the right password, as hashes: strangers' attempts do not count against them. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`create table known_origin (
    account_id uuid not null references account on delete cascade,
    kind text not null check (kind in ('device', 'place')),
    key_hash text not null check (length(key_hash) = 64),
    seen_at timestamptz not null default now(),
    primary key (account_id, kind, key_hash)
  )`.execute(db);
}

/** Without it every device is a stranger until it has signed in again. */
export async function down(db: Kysely<unknown>): Promise<void> {
  await sql`drop table known_origin`.execute(db);
}
