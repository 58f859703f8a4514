import { type Kysely, sql } from "kysely";
import { tools } from "./frozen-words";

/** What burns under a surface, and five tools more that steps name. */
const laterTools = ["mixer", "zester", "leveller", "thermometer", "kitchen-paper"];
const list = (words: readonly string[]) => words.map((word) => `'${word}'`).join(", ");
const gearOf = (words: readonly string[]) =>
  `alter table kitchen_gear drop constraint kitchen_gear_tool_check, add constraint kitchen_gear_tool_check check (tool in (${list(words)}))`;

export async function up(db: Kysely<unknown>): Promise<void> {
  await sql.raw("alter table surface add column flame text check (flame in ('gas', 'camping-gas'))").execute(db);
  await sql.raw(gearOf([...tools, ...laterTools])).execute(db);
}

export async function down(db: Kysely<unknown>): Promise<void> {
  await sql.raw("alter table surface drop column flame").execute(db);
  await sql.raw(`delete from kitchen_gear where tool in (${list(laterTools)})`).execute(db);
  await sql.raw(gearOf(tools)).execute(db);
}
