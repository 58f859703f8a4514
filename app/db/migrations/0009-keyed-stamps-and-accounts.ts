import { type Kysely, sql } from "kysely";

/**
 * A secret of each person that keys their part of a stamp, and goes with them; those who are on a register already keep stamps
 * without one until they leave it or their health data goes. Sign-ins that can be told apart and ended one by one, accounts that can
 * be closed and opened again, letters for a new password; notes of a log that name nobody and may stay when the health data of their
 * class goes; what became of backups; and the list of classes by its order.
 */
const changes: readonly string[] = [
  "alter table participant add column stamp_key text not null default '' check (length(stamp_key) <= 36)",
  "alter table participant alter column stamp_key set default gen_random_uuid()::text",
  "alter table removed_person add column stamp_key text not null default '' check (length(stamp_key) <= 36)",
  "alter table login_session add column id uuid not null default gen_random_uuid() unique",
  "alter table login_session add column device text not null default '' check (length(device) <= 120)",
  "alter table login_session add column seen_at timestamptz not null default now()",
  "alter table account add column version int not null default 1 check (version >= 1)",
  "alter table account add column closed_at timestamptz",
  `create table password_letter (token_hash text primary key check (length(token_hash) = 64),
     account_id uuid not null references account on delete cascade, written_at timestamptz not null default now(),
     expires_at timestamptz not null check (expires_at > written_at))`,
  "create index on password_letter (account_id)",
  "create index on password_letter (expires_at)",
  "alter table class_log add column names_nobody boolean not null default false",
  `create table backup_run (id bigint generated always as identity primary key, ended_at timestamptz not null default now(),
     is_good boolean not null, file text not null check (length(file) between 1 and 200), bytes bigint not null check (bytes >= 0),
     problem text check (length(problem) <= 300))`,
  "create index class_starts_at_id_idx on class (starts_at, id)",
];

export async function up(db: Kysely<unknown>): Promise<void> {
  for (const change of changes) await sql.raw(change).execute(db);
}

export async function down(db: Kysely<unknown>): Promise<void> {
  for (const change of [
    "drop index class_starts_at_id_idx",
    "drop table backup_run",
    "alter table class_log drop column names_nobody",
    "drop table password_letter",
    "alter table account drop column closed_at",
    "alter table account drop column version",
    "alter table login_session drop column seen_at",
    "alter table login_session drop column device",
    "alter table login_session drop column id",
    "alter table removed_person drop column stamp_key",
    "alter table participant drop column stamp_key",
  ])
    await sql.raw(change).execute(db);
}
