import { type Kysely, sql } from "kysely";

/**
 * A dish whose stations make a bowl of a fixed size, of which only what is wanted may be cooked, and the alternatives of its recipe
 * that the class takes; people who only taste; and the points made in class can be ticked.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of [
    "alter table class add column tasters int not null default 0 check (tasters between 0 and 400)",
    `alter table class_dish
       add column bowl text check (bowl ~ '^[0-9]{1,12}(/[0-9]{1,12}| [0-9]{1,12}/[0-9]{1,12})?$'),
       add column cooks text check (cooks in ('wanted'))`,
    `create table class_dish_take (dish_id uuid not null references class_dish on delete cascade,
       line_id text not null check (length(line_id) between 1 and 64), ingredient_id text not null references ingredient, primary key (dish_id, line_id))`,
    "create index on class_dish_take (ingredient_id)",
    "alter table tick_event drop constraint tick_event_list_check",
    "alter table tick_event add constraint tick_event_list_check check (list in ('packing', 'shopping', 'prep', 'load', 'return', 'teaching'))",
  ])
    await sql.raw(statement).execute(db);
}

export async function down(db: Kysely<unknown>): Promise<void> {
  await sql.raw("delete from tick_event where list = 'teaching'").execute(db);
  await sql.raw("alter table tick_event drop constraint tick_event_list_check").execute(db);
  await sql
    .raw(
      "alter table tick_event add constraint tick_event_list_check check (list in ('packing', 'shopping', 'prep', 'load', 'return'))",
    )
    .execute(db);
  await sql.raw("drop table class_dish_take").execute(db);
  await sql.raw("alter table class drop column tasters").execute(db);
  await sql.raw("alter table class_dish drop column bowl, drop column cooks").execute(db);
}
