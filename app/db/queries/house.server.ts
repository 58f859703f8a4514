import type { Kysely } from "kysely";
import { type AgeBand, ageBands } from "~/core/people";
import { type Doing, type HouseRule, type May, doings } from "~/core/turns";
import type { DB } from "../schema";

/** The house rules of classes that differ from the usual. */
export const houseRows = async (db: Kysely<DB>, classIds: readonly string[]) =>
  db.selectFrom("class_house_rule").selectAll().where("class_id", "in", classIds).execute();

export const houseFrom = (rows: Awaited<ReturnType<typeof houseRows>>): HouseRule[] =>
  rows
    .map((row) => ({ doing: row.doing as Doing, band: row.band as AgeBand, may: row.may as May }))
    .sort(
      (a, b) =>
        doings.indexOf(a.doing) - doings.indexOf(b.doing) || ageBands.indexOf(a.band) - ageBands.indexOf(b.band),
    );

/** Replaces the house rules of a class. */
export async function writeHouse(db: Kysely<DB>, classId: string, rules: readonly HouseRule[]): Promise<void> {
  await db.deleteFrom("class_house_rule").where("class_id", "=", classId).execute();
  if (rules.length > 0)
    await db
      .insertInto("class_house_rule")
      .values(rules.map((rule) => ({ class_id: classId, ...rule })))
      .execute();
}
