import { type Kysely, sql } from "kysely";

/** Who of which age may do what, where a class differs from the usual. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql
    .raw(
      `create table class_house_rule (class_id uuid not null references class on delete cascade,
         doing text not null check (doing in ('stir', 'crack', 'cut', 'grate', 'machine', 'heat', 'turn', 'fry', 'stick')),
         band text not null check (band in ('under-1', 'under-6', '6-11', '12-17', 'adult')),
         may text not null check (may in ('alone', 'beside', 'no')), primary key (class_id, doing, band))`,
    )
    .execute(db);
}

export async function down(db: Kysely<unknown>): Promise<void> {
  await sql.raw("drop table class_house_rule").execute(db);
}
