import { type Kysely, sql } from "kysely";

/** What goes round the tables of a kitchen because there are fewer of it than tables. */
const things = ["scale", "sieve", "grater", "zester", "mixer", "microwave", "hob"];

export async function up(db: Kysely<unknown>): Promise<void> {
  const words = things.map((thing) => `'${thing}'`).join(", ");
  await sql
    .raw(
      `create table kitchen_round (
        kitchen_id uuid not null references kitchen on delete cascade,
        thing text not null check (thing in (${words})),
        count smallint not null check (count between 1 and 40),
        primary key (kitchen_id, thing)
      )`,
    )
    .execute(db);
}

export async function down(db: Kysely<unknown>): Promise<void> {
  await sql`drop table kitchen_round`.execute(db);
}
