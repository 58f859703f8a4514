import { type Kysely, sql } from "kysely";

/** Food that is not brought for everybody but stands for an ingredient at one household. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`alter table shared_food
    add column own_station int check (own_station between 0 and 399),
    add column own_ingredient_id text references ingredient,
    add constraint own_product_whole check ((own_station is null) = (own_ingredient_id is null))`.execute(db);
  await sql`create unique index own_product_once on shared_food (class_id, own_station, own_ingredient_id)
    where own_station is not null`.execute(db);
  await sql`create index on shared_food (own_ingredient_id)`.execute(db);
}

export async function down(db: Kysely<unknown>): Promise<void> {
  await sql`delete from shared_food where own_station is not null`.execute(db);
  await sql`alter table shared_food drop column own_station, drop column own_ingredient_id`.execute(db);
}
