import { type Kysely, sql } from "kysely";

/**
 * People taken off a register, for as long as they can be put back. One document each, apart from the register, so that nothing that
 * reads a class can come across them; it goes with the class's health data, on request, and after its days are over. And the currency
 * that a class's prices are in; none for those whose prices were typed before anybody asked.
 */
const changes: readonly string[] = [
  `create table removed_person (id uuid primary key, class_id uuid not null references class on delete cascade,
     position int not null, name text not null check (length(name) between 1 and 120),
     document jsonb not null check (jsonb_typeof(document) = 'object'), email text check (length(email) <= 200),
     cared_for uuid[] not null default '{}' check (cardinality(cared_for) <= 400), was_pinned boolean not null,
     removed_by uuid references account on delete set null, removed_at timestamptz not null default now())`,
  "create index on removed_person (class_id, removed_at)",
  "create index on removed_person (removed_by)",
  "alter table class add column currency text check (currency ~ '^[A-Z]{3}$')",
];

export async function up(db: Kysely<unknown>): Promise<void> {
  for (const change of changes) await sql.raw(change).execute(db);
}

export async function down(db: Kysely<unknown>): Promise<void> {
  await sql.raw("drop table removed_person").execute(db);
  await sql.raw("alter table class drop column currency").execute(db);
}
