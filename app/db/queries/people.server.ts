import { type Insertable, type Kysely, type Selectable, sql } from "kysely";
import type { Substance } from "~/core/pantry";
import type { Need, Participant } from "~/core/people";
import type { DB, ParticipantNeedTable, ParticipantTable } from "../schema";

export function toNeed(row: Selectable<ParticipantNeedTable>): Need {
  const note = { note: row.note, ...(row.note_read_by === null ? {} : { noteReadBy: row.note_read_by }) };
  if (row.kind === "diet") return { kind: "diet", diet: row.diet as Extract<Need, { kind: "diet" }>["diet"], ...note };
  const common = { severity: row.severity as "allergy", touchOrAir: row.touch_or_air, ...note };
  return row.kind === "food"
    ? {
        kind: "food",
        food: row.food ?? "",
        ...(row.covers !== null && row.covers_by !== null ? { covers: { words: row.covers, by: row.covers_by } } : {}),
        ...common,
      }
    : { kind: "substance", substance: row.substance as Substance, ...common };
}

export const toParticipant = (one: Selectable<ParticipantTable>, needs: readonly Need[]): Participant => ({
  id: one.id,
  name: one.name,
  role: one.role as Participant["role"],
  ageBand: one.age_band as Participant["ageBand"],
  hasAnswered: one.has_answered,
  needs,
  ...(one.grown_up_id === null ? {} : { grownUpId: one.grown_up_id }),
  ...(one.note === "" ? {} : { note: one.note }),
  ...(one.words === ""
    ? {}
    : {
        words: {
          text: one.words,
          readBy: one.words_read_by,
          ...(one.words_is_nothing ? { isNothing: true } : {}),
        },
      }),
  ...(one.emergency === "" ? {} : { emergency: one.emergency }),
  ...(one.answered_by === null || one.answered_on === null
    ? {}
    : { answered: { by: one.answered_by, on: one.answered_on } }),
});

/** The rows of classes' people, of their needs, and of second answers that nobody has settled: three queries. */
export const peopleRows = async (db: Kysely<DB>, classIds: readonly string[]) => {
  const [people, needs, seconds] = await Promise.all([
    db.selectFrom("participant").selectAll().where("class_id", "in", classIds).orderBy("position").execute(),
    db
      .selectFrom("participant_need")
      .innerJoin("participant", "participant.id", "participant_id")
      .selectAll("participant_need")
      .where("class_id", "in", classIds)
      .orderBy("participant_need.position")
      .execute(),
    db.selectFrom("intake_answer").select("participant_id").where("class_id", "in", classIds).execute(),
  ]);
  const needsOf = new Map<string, Need[]>();
  for (const need of needs)
    needsOf.set(need.participant_id, [...(needsOf.get(need.participant_id) ?? []), toNeed(need)]);
  return { people, needsOf, contested: new Set(seconds.map((one) => one.participant_id)) };
};
export type PeopleRows = Awaited<ReturnType<typeof peopleRows>>;

/** The register of one class, and the rows it comes from: versions, addresses and keys are no part of a plan. */
export function peopleFrom({ people, needsOf, contested }: PeopleRows, classId: string) {
  const rows = people.filter((one) => one.class_id === classId);
  const register = rows.map((one): Participant => {
    const person = toParticipant(one, needsOf.get(one.id) ?? []);
    return contested.has(one.id) ? { ...person, isContested: true } : person;
  });
  return { rows, register };
}

/** The columns of a person, all but whom they belong to; the other way round of the mapper above. */
export const participantColumns = (one: Omit<Participant, "id">) => ({
  name: one.name,
  role: one.role,
  age_band: one.ageBand,
  has_answered: one.hasAnswered,
  grown_up_id: one.grownUpId ?? null,
  note: one.note ?? "",
  words: one.words?.text ?? "",
  words_read_by: one.words?.readBy ?? null,
  words_is_nothing: one.words?.isNothing ?? false,
  emergency: one.emergency ?? "",
  answered_by: one.answered?.by ?? null,
  answered_on: one.answered?.on ?? null,
});

const isUuid = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i;

/** The people of a class, written after those it has; ids may be given, for imports that keep them. */
export async function addParticipants(
  db: Kysely<DB>,
  classId: string,
  people: readonly (Omit<Participant, "id"> & { readonly id?: string; readonly email?: string | undefined })[],
  updatedBy: string | null,
): Promise<string[]> {
  if (people.length === 0) return [];
  const last = await db
    .selectFrom("participant")
    .select((eb) => eb.fn.max("position").as("position"))
    .where("class_id", "=", classId)
    .executeTakeFirst();
  const from = (last?.position ?? -1) + 1;
  const rows = await db
    .insertInto("participant")
    .values(
      people.map((one, index) => ({
        class_id: classId,
        position: from + index,
        ...participantColumns(one),
        // A second answer does not travel in a file: what was contested there is open here.
        has_answered: one.hasAnswered && one.isContested !== true,
        // Whoever looks after them may stand further down in the same list: told below, once all have an id.
        grown_up_id: "id" in one ? null : (one.grownUpId ?? null),
        email: one.email ? one.email.toLowerCase() : null,
        updated_by: updatedBy,
      })),
    )
    .returning(["id", "position"])
    .execute();
  const ids = rows.sort((a, b) => a.position - b.position).map((row) => row.id);
  const newId = new Map(
    people.flatMap((one, index) => (one.id === undefined ? [] : [[one.id, ids[index] ?? ""] as const])),
  );
  const cared = people.flatMap((one, index) => {
    const grownUp =
      one.id === undefined || one.grownUpId === undefined
        ? undefined
        : (newId.get(one.grownUpId) ?? (isUuid.test(one.grownUpId) ? one.grownUpId : undefined));
    return grownUp ? [{ id: ids[index] ?? "", grownUp }] : [];
  });
  if (cared.length > 0)
    await sql`update participant set grown_up_id = given.grown_up from (values ${sql.join(
      cared.map((one) => sql`(${one.id}::uuid, ${one.grownUp}::uuid)`),
    )}) as given (id, grown_up) where participant.id = given.id`.execute(db);
  await addNeeds(
    db,
    people.flatMap((one, index) => one.needs.map((need) => ({ participantId: ids[index] ?? "", need }))),
  );
  return ids;
}

/** Writes needs to people who have none. */
export async function addNeeds(db: Kysely<DB>, needs: readonly { participantId: string; need: Need }[]): Promise<void> {
  if (needs.length === 0) return;
  const rows = needs.map(({ participantId, need }, position): Insertable<ParticipantNeedTable> => ({
    participant_id: participantId,
    position,
    kind: need.kind,
    note: need.note,
    note_read_by: need.noteReadBy ?? null,
    substance: need.kind === "substance" ? need.substance : null,
    food: need.kind === "food" ? need.food : null,
    covers: need.kind === "food" && need.covers ? [...need.covers.words] : null,
    covers_by: need.kind === "food" ? (need.covers?.by ?? null) : null,
    severity: need.kind === "diet" ? null : need.severity,
    touch_or_air: need.kind !== "diet" && need.touchOrAir,
    diet: need.kind === "diet" ? need.diet : null,
  }));
  await db.insertInto("participant_need").values(rows).execute();
}
