import { type Kysely, sql } from "kysely";
import { ageBands, tools } from "./frozen-words";

const toolsBefore = [...tools, "mixer", "zester", "leveller", "thermometer", "kitchen-paper", "pen"];
const laterTools = ["table-knife", "peeler", "rack", "saucepan", "microwave", "gloves"];
const laterAges = ["6-8", "9-11"];
const list = (words: readonly string[]) => words.map((word) => `'${word}'`).join(", ");

async function allow(db: Kysely<unknown>, owned: readonly string[], ages: readonly string[]): Promise<void> {
  for (const [table, column, words] of [
    ["kitchen_gear", "tool", owned],
    ["participant", "age_band", ages],
    ["class_house_rule", "band", ages],
  ] as const)
    await sql
      .raw(
        `alter table ${table} drop constraint ${table}_${column}_check,
           add constraint ${table}_${column}_check check (${column} in (${list(words)}))`,
      )
      .execute(db);
}

/** School children by two bands where somebody says which, and six tools more that steps name. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await allow(db, [...toolsBefore, ...laterTools], [...ageBands, ...laterAges]);
}

export async function down(db: Kysely<unknown>): Promise<void> {
  await sql.raw(`delete from kitchen_gear where tool in (${list(laterTools)})`).execute(db);
  await sql.raw(`delete from class_house_rule where band in (${list(laterAges)})`).execute(db);
  await sql.raw(`update participant set age_band = '6-11' where age_band in (${list(laterAges)})`).execute(db);
  await allow(db, toolsBefore, ageBands);
}
