import { type Kysely, sql } from "kysely";
import type { DB } from "../schema";

/**
 * A mark of everything a class is read from: equal exactly while none of those rows was written. PostgreSQL gives a row a new place
 * or writer whenever it is written, so their list, hashed, tells without a row being sent. One query for any number of classes.
 */
export async function marksOf(db: Kysely<DB>, classIds: readonly string[]): Promise<ReadonlyMap<string, string>> {
  if (classIds.length === 0) return new Map();
  // Written before a class's rows are read: what is written between is seen by the next look at the mark.
  const rows = await sql<{ id: string; mark: string }>`
    with shared as materialized (select md5(concat_ws('|', ${sql.join(wholeTables.map((table) => rowsOf(table)))})) as mark)
    select class.id, md5(concat_ws('|', shared.mark, class.xmin, class.ctid, account.xmin, account.ctid,
      ${sql.join(tablesOfClass.map((table) => rowsOf(table, sql`class_id = class.id`)))},
      ${rowsOf("participant_need", sql`participant_id in (select id from participant where class_id = class.id)`)},
      ${rowsOf("class_dish_take", sql`dish_id in (select id from class_dish where class_id = class.id)`)},
      ${rowsOf("class_dish_round", sql`dish_id in (select id from class_dish where class_id = class.id)`)},
      ${rowsOf("shared_food_substance", sql`food_id in (select id from shared_food where class_id = class.id)`)},
      ${rowsOf("kitchen", sql`id = class.kitchen_id`)},
      ${sql.join(tablesOfKitchen.map((table) => rowsOf(table, sql`kitchen_id = class.kitchen_id`)))},
      ${rowsOf("recipe_standing", ofItsRecipes)}, ${rowsOf("recipe_revision", ofItsRecipes)})) as mark
    from class left join account on account.id = class.updated_by cross join shared
    where class.removed_at is null and class.id in (${sql.join([...classIds])})`.execute(db);
  return new Map(rows.rows.map((row) => [row.id, row.mark]));
}

/** A mark of whole tables, for the lists one chooses from: equal exactly while no row of theirs was written. */
export async function markOfTables(db: Kysely<DB>, tables: readonly (keyof DB)[]): Promise<string> {
  const { rows } = await sql<{ mark: string }>`
    select md5(concat_ws('|', ${sql.join(tables.map((table) => rowsOf(table)))})) as mark`.execute(db);
  return rows[0]?.mark ?? "";
}

const wholeTables = ["ingredient", "ingredient_substance"] as const;
const tablesOfClass = [
  "class_dish",
  "participant",
  "label_reading",
  "label_substance",
  "class_pack",
  "class_pack_size",
  "class_station",
  "class_seat",
  "shared_food",
  "intake_answer",
] as const;
export const tablesOfKitchen = [
  "surface",
  "kitchen_gear",
  "kitchen_round",
  "circuit",
  "kitchen_floor",
  "floor_mark",
] as const;
const ofItsRecipes = sql`recipe_id in (select recipe_id from class_dish where class_id = class.id)`;

/** The rows of a table, by place and writer, as one text. The table goes by its own name, so that its columns are found first. */
const rowsOf = (table: string, where = sql`true`) =>
  sql`(select string_agg(concat(${sql.ref(table)}.xmin, ${sql.ref(table)}.ctid), ',' order by ${sql.ref(table)}.ctid)
    from ${sql.table(table)} where ${where})`;
