import { type Kysely, sql } from "kysely";
import { tools } from "./frozen-words";

const toolsBefore = [...tools, "mixer", "zester", "leveller", "thermometer", "kitchen-paper"];
const thingsBefore = ["scale", "sieve", "grater", "zester", "mixer", "microwave", "hob"];
const list = (words: readonly string[]) => words.map((word) => `'${word}'`).join(", ");

async function allow(db: Kysely<unknown>, owned: readonly string[], round: readonly string[]): Promise<void> {
  await sql
    .raw(
      `alter table kitchen_gear drop constraint kitchen_gear_tool_check,
          add constraint kitchen_gear_tool_check check (tool in (${list(owned)}))`,
    )
    .execute(db);
  await sql
    .raw(
      `alter table kitchen_round drop constraint kitchen_round_thing_check,
          add constraint kitchen_round_thing_check check (thing in (${list(round)}))`,
    )
    .execute(db);
}

/** Pens to draw with are counted, and what batter is poured with may go round. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await allow(db, [...toolsBefore, "pen"], [...thingsBefore, "ladle", "pen"]);
}

export async function down(db: Kysely<unknown>): Promise<void> {
  await sql`delete from kitchen_gear where tool = 'pen'`.execute(db);
  await sql`delete from kitchen_round where thing in ('ladle', 'pen')`.execute(db);
  await allow(db, toolsBefore, thingsBefore);
}
