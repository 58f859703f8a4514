import type { Kysely } from "kysely";
import { type ClassInput, type Stage, plan } from "~/core/plan";
import { type PersonKeys, type StageInputs, sealsOf, stageInputs } from "~/core/sheet";
import { database } from "~/db/client.server";
import type { DB } from "~/db/schema";

/** A stage somebody settled, with what it was settled on. */
export interface Stamp {
  readonly stage: Stage;
  readonly fingerprint: string;
  readonly inputs: StageInputs;
  readonly by: string | null;
  readonly at: Date;
}

export async function stampsOf(classId: string): Promise<Stamp[]> {
  const rows = await database()
    .selectFrom("stage_stamp")
    .leftJoin("account", "account.id", "stamped_by")
    .select(["stage", "fingerprint", "inputs", "account.name as by", "stamped_at as at"])
    .where("class_id", "=", classId)
    .execute();
  return rows.map((row) => ({ ...row, stage: row.stage as Stage, inputs: row.inputs as StageInputs }));
}

/** What keys the people of a class in its stamps. */
async function keysOf(db: Kysely<DB>, classId: string): Promise<PersonKeys> {
  const rows = await db.selectFrom("participant").select(["id", "stamp_key"]).where("class_id", "=", classId).execute();
  return new Map(rows.map((row) => [row.id, row.stamp_key]));
}

/** Settles a stage on the class as it is now. */
export async function settle(
  db: Kysely<DB>,
  input: ClassInput,
  classId: string,
  stage: Stage,
  accountId: string | null,
): Promise<void> {
  const keys = await keysOf(db, classId);
  const stamp = {
    fingerprint: sealsOf(input, plan(input), keys)[stage],
    inputs: JSON.stringify(stageInputs(input, stage, keys)),
    stamped_by: accountId,
    stamped_at: new Date(),
  };
  await db
    .insertInto("stage_stamp")
    .values({ class_id: classId, stage, ...stamp })
    .onConflict((conflict) => conflict.columns(["class_id", "stage"]).doUpdateSet(stamp))
    .execute();
}

export const unsettle = async (classId: string, stage: Stage): Promise<void> =>
  void (await database()
    .deleteFrom("stage_stamp")
    .where("class_id", "=", classId)
    .where("stage", "=", stage)
    .execute());
