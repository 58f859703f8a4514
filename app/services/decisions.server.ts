import type { Kysely } from "kysely";
import {
  type ClassInput,
  type Decision,
  type DecisionKind,
  type Opening,
  type OpeningKind,
  decisionsFor,
  openingsOf,
  plan,
  undecided,
} from "~/core/plan";
import { database } from "~/db/client.server";
import type { DB } from "~/db/schema";
import { settle } from "./sign-off.server";

const isUuid = /^[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i;

/** A decision as it is kept, with who made it and when. */
export interface KeptDecision extends Decision {
  readonly by: string | null;
  readonly at: Date;
}

/** What was decided of each person when the allergy table was last signed. */
export async function decisionsOf(classId: string): Promise<KeptDecision[]> {
  if (!isUuid.test(classId)) return [];
  const rows = await database()
    .selectFrom("allergy_decision")
    .leftJoin("account", "account.id", "decided_by")
    .select(["participant_id", "opening", "decision", "account.name as by", "decided_at as at"])
    .where("class_id", "=", classId)
    .orderBy("participant_id")
    .execute();
  return rows.map((row) => ({
    participantId: row.participant_id,
    kind: row.opening as OpeningKind,
    decision: row.decision as DecisionKind,
    by: row.by,
    at: row.at,
  }));
}

/** Replaces the stored decision. */
export async function keepDecisions(
  db: Kysely<DB>,
  classId: string,
  decisions: readonly Decision[],
  accountId: string | null,
): Promise<void> {
  await db.deleteFrom("allergy_decision").where("class_id", "=", classId).execute();
  if (decisions.length === 0) return;
  await db
    .insertInto("allergy_decision")
    .values(
      decisions.map((one) => ({
        class_id: classId,
        participant_id: one.participantId,
        opening: one.kind,
        decision: one.decision,
        decided_by: accountId,
        decided_at: new Date(),
      })),
    )
    .execute();
}

/** The name of the field that decides one opening. */
export const decisionField = ({ participantId, kind }: Pick<Opening, "participantId" | "kind">): string =>
  `decide ${participantId} ${kind}`;

/**
 * Signs the allergy table, all or nothing: only with a decision for each thing that stands open.
 * @returns what is still undecided; undefined once it is signed.
 */
export async function signAllergies(
  form: Readonly<Record<string, unknown>>,
  input: ClassInput,
  classId: string,
  accountId: string,
): Promise<Opening[] | undefined> {
  const openings = openingsOf(input, plan(input));
  const decisions = openings.flatMap(({ participantId, kind }): Decision[] => {
    const decision = decisionsFor(kind).find((one) => one === form[decisionField({ participantId, kind })]);
    return decision ? [{ participantId, kind, decision }] : [];
  });
  const open = undecided(openings, decisions);
  if (open.length > 0) return open;
  await database()
    .transaction()
    .execute(async (trx) => {
      await keepDecisions(trx, classId, decisions, accountId);
      await settle(trx, input, classId, "allergies", accountId);
    });
  return undefined;
}
