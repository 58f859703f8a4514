import { type Kysely, sql } from "kysely";

/** How many of each round of a recipe a class makes, how many batches of its dry mix; what single stations measure with; and an order of loads that was wished by hand. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of [
    `create table class_dish_round (dish_id uuid not null references class_dish on delete cascade,
       round_id text not null check (length(round_id) between 1 and 64), parts int not null check (parts between 0 and 20),
       primary key (dish_id, round_id))`,
    "alter table class_dish add column bulk int check (bulk between 1 and 40)",
    "alter table class_order add column is_wished boolean not null default false",
    "alter table class_station add column measuring_set text check (length(measuring_set) between 1 and 64)",
  ])
    await sql.raw(statement).execute(db);
}

export async function down(db: Kysely<unknown>): Promise<void> {
  await sql.raw("alter table class_order drop column is_wished").execute(db);
  await sql.raw("alter table class_station drop column measuring_set").execute(db);
  await sql.raw("alter table class_dish drop column bulk").execute(db);
  await sql.raw("drop table class_dish_round").execute(db);
}
