import crypto from "node:crypto";
import { setTimeout as wait } from "node:timers/promises";
import { type Kysely, sql } from "kysely";
import { type Participant, mostPeople } from "~/core/people";
import { addNeeds, addParticipants, participantColumns } from "~/db/queries/people.server";
import { classOf } from "~/db/queries/classes.server";
import { keepSeats } from "./kept-seats.server";
import { secondsAfterGuess } from "./limits.server";
import { isPastRemoval } from "./privacy.server";
import type { DB } from "~/db/schema";

const digest = (text: string) => crypto.createHash("sha256").update(text).digest("hex");
const day = 86_400_000;

/** A link through which people answer for themselves or their children. */
export interface IntakeLink {
  readonly classId: string;
  /** Whose own answer it shows and replaces; null for the link of a whole class, which shows nobody's. */
  readonly participantId: string | null;
  readonly expires: Date;
}

export interface LinkRow {
  readonly hash: string;
  readonly participantId: string | null;
  readonly name: string | null;
  readonly by: string | null;
  readonly createdAt: Date;
  readonly expiresAt: Date;
  readonly revokedAt: Date | null;
}

/** Makes links and gives their tokens, once, in the order asked for: only the hashes are kept. */
export async function makeLinks(
  db: Kysely<DB>,
  classId: string,
  participantIds: readonly (string | null)[],
  days: number,
  accountId: string,
): Promise<{ tokens: string[]; expires: Date }> {
  const expires = new Date(Date.now() + days * day);
  const tokens = participantIds.map(() => crypto.randomBytes(24).toString("base64url"));
  if (tokens.length > 0)
    await db
      .insertInto("intake_link")
      .values(
        participantIds.map((participantId, index) => ({
          token_hash: digest(tokens[index] ?? ""),
          class_id: classId,
          participant_id: participantId,
          created_by: accountId,
          expires_at: expires,
        })),
      )
      .execute();
  return { tokens, expires };
}

export async function linksOf(db: Kysely<DB>, classId: string): Promise<LinkRow[]> {
  return db
    .selectFrom("intake_link")
    .leftJoin("participant", "participant.id", "participant_id")
    .leftJoin("account", "account.id", "created_by")
    .select([
      "token_hash as hash",
      "participant_id as participantId",
      "participant.name",
      "account.name as by",
      "intake_link.created_at as createdAt",
      "expires_at as expiresAt",
      "revoked_at as revokedAt",
    ])
    .where("intake_link.class_id", "=", classId)
    .orderBy("intake_link.created_at", "desc")
    .execute();
}

/** Takes one link back, or all of a class that still open. */
export const revokeLinks = async (db: Kysely<DB>, classId: string, hash?: string): Promise<void> =>
  void (await db
    .updateTable("intake_link")
    .set({ revoked_at: new Date() })
    .where("class_id", "=", classId)
    .where("revoked_at", "is", null)
    .$if(hash !== undefined, (query) => query.where("token_hash", "=", hash ?? ""))
    .execute());

/** How long a refusal takes, in ms: a guess costs time, and an expired link as much as one that never was. */
const refusalTakes = 700;

/** A class has at most this many people. */
/** More than were expected that a link for everyone takes: people bring a cousin, not a crowd (starting value). */
const morePlaces = 5;

export type Opened = { readonly link: IntakeLink } | { readonly refused: "unknown" } | { readonly waitSeconds: number };

/** The link a token opens. Guessed, expired and revoked ones are refused alike, and slowly. */
export async function openLink(db: Kysely<DB>, token: string, address: string): Promise<Opened> {
  const row = /^[A-Za-z0-9_-]{32}$/.test(token)
    ? await db
        .selectFrom("intake_link")
        .innerJoin("class", "class.id", "intake_link.class_id")
        .select(["class_id", "participant_id", "expires_at"])
        .where("class.removed_at", "is", null)
        .where("token_hash", "=", digest(token))
        .where("revoked_at", "is", null)
        .where("expires_at", ">", new Date())
        .executeTakeFirst()
    : undefined;
  if (row) return { link: { classId: row.class_id, participantId: row.participant_id, expires: row.expires_at } };
  const waitSeconds = await secondsAfterGuess(address);
  if (waitSeconds !== undefined) return { waitSeconds };
  await wait(refusalTakes);
  return { refused: "unknown" };
}

/** What the page behind a link says of the class: what was on the invitation anyway. */
export const invitationOf = async (db: Kysely<DB>, classId: string) =>
  db
    .selectFrom("class")
    .innerJoin("kitchen", "kitchen.id", "class.kitchen_id")
    .select(["class.title", "starts_at as startsAt", "time_zone as timeZone", "kitchen.name as kitchen", "regime"])
    .where("class.id", "=", classId)
    .executeTakeFirstOrThrow();

/** A person's last answers: in this class, or else, for the same name and e-mail address, in the latest class they were at before. */
export async function lastAnswer(
  db: Kysely<DB>,
  classId: string,
  participantId: string,
): Promise<{ person: Participant; isFromBefore: boolean } | undefined> {
  const stored = await classOf(db, classId);
  const person = stored?.input.people.find((one) => one.id === participantId);
  if (!stored || !person) return undefined;
  if (person.hasAnswered) return { person, isFromBefore: false };
  const email = stored.meta.emails[participantId];
  const earlier = email
    ? await db
        .selectFrom("participant")
        .innerJoin("class", "class.id", "participant.class_id")
        .select(["participant.id", "participant.class_id"])
        .where("email", "=", email)
        .where(sql<boolean>`lower(participant.name) = ${person.name.toLowerCase()}`)
        .where("participant.class_id", "<>", classId)
        .where("has_answered", "=", true)
        .orderBy("class.starts_at", "desc")
        .executeTakeFirst()
    : undefined;
  const before = earlier && (await classOf(db, earlier.class_id));
  const then = before?.input.people.find((one) => one.id === earlier?.id);
  // Their answers come with them, not who they were with or what was noted then.
  return then
    ? {
        person: {
          ...person,
          needs: then.needs,
          ageBand: then.ageBand,
          ...(then.words ? { words: then.words } : {}),
          ...(then.emergency ? { emergency: then.emergency } : {}),
        },
        isFromBefore: true,
      }
    : { person, isFromBefore: false };
}

/** One person as they are answered for. */
export type Answer = Pick<Participant, "name" | "ageBand" | "needs" | "words" | "emergency" | "answered">;

/** Second answers of one person that wait to be compared: more than a family sends by mistake (starting value). */
const mostSecond = 3;

/**
 * What came of answers that were sent.
 * - `full`: the class has no place for all of them. `over`: the day on which the class's health data go has come.
 * - `again`: these names have an answer already; it is asked whether another is meant. `waiting`: of these, enough wait to be compared.
 */
export type Taken =
  | { readonly kind: "taken" | "full" | "over" }
  | { readonly kind: "again" | "waiting"; readonly names: readonly string[] };

/** Rolls the transaction back: nothing that was sent is kept. */
class NotTakenError extends Error {
  constructor(readonly outcome: Taken) {
    super(outcome.kind);
  }
}

/** Replaces the people’s previous answers and removes answers that were waiting for confirmation. */
async function putAnswers(
  db: Kysely<DB>,
  answers: readonly { readonly id: string; readonly answer: Answer }[],
  accountId: string | null,
): Promise<void> {
  if (answers.length === 0) return;
  const ids = answers.map((one) => one.id);
  const rows = answers.map(({ id, answer }) => {
    const columns = participantColumns({ ...answer, role: "cook", hasAnswered: true });
    return sql`(${id}::uuid, ${columns.age_band}, ${columns.words}, ${columns.words_read_by}::text, ${columns.emergency},
      ${columns.answered_by}::text, ${columns.answered_on}::text)`;
  });
  await sql`update participant set age_band = given.age_band, has_answered = true, words = given.words,
      words_read_by = given.words_read_by, words_is_nothing = false, emergency = given.emergency, answered_by = given.answered_by,
      answered_on = given.answered_on, version = version + 1, updated_by = ${accountId}::uuid, updated_at = now()
    from (values ${sql.join(rows)}) as given (id, age_band, words, words_read_by, emergency, answered_by, answered_on)
    where participant.id = given.id`.execute(db);
  await db.deleteFrom("participant_need").where("participant_id", "in", ids).execute();
  await db.deleteFrom("intake_answer").where("participant_id", "in", ids).execute();
  await addNeeds(
    db,
    answers.flatMap(({ id, answer }) => answer.needs.map((need) => ({ participantId: id, need }))),
  );
}

const sameName = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase();

/**
 * Takes in answers, all or none. A name on the register that has not answered gets the answer. One that has keeps the first until
 * somebody has compared the two, and is unknown until then. A name nobody knows comes onto the register. Through a link of their own,
 * a person's answer replaces theirs.
 * @param isMeant a second answer for somebody is meant: it was asked about.
 * @returns what came of it; of all but `taken`, nothing was taken in.
 */
export async function takeAnswers(
  db: Kysely<DB>,
  link: Pick<IntakeLink, "classId" | "participantId">,
  answers: readonly Answer[],
  isMeant = false,
): Promise<Taken> {
  return db
    .transaction()
    .execute(async (trx): Promise<Taken> => {
      // One at a time for a class: two guardians who name the same child at once must not both find it unanswered.
      const { people: expected, ...dates } = await trx
        .selectFrom("class")
        .select(["people", "starts_at as startsAt", "time_zone as timeZone", "retain_days as retainDays"])
        .where("id", "=", link.classId)
        .forUpdate()
        .executeTakeFirstOrThrow();
      if (isPastRemoval(dates, dates.retainDays)) throw new NotTakenError({ kind: "over" });
      const people = await trx
        .selectFrom("participant")
        .selectAll()
        .where("class_id", "=", link.classId)
        .orderBy("position")
        .execute();
      const fresh: Omit<Participant, "id">[] = [];
      const first: { id: string; answer: Answer }[] = [];
      const second: { id: string; answer: Answer }[] = [];
      const taken = new Set<string>();
      for (const answer of answers) {
        const known =
          link.participantId === null
            ? people.find((one) => sameName(one.name, answer.name) && !taken.has(one.id))
            : people.find((one) => one.id === link.participantId);
        const twice = fresh.findIndex((one) => sameName(one.name, answer.name) && one.ageBand === answer.ageBand);
        const before = fresh[twice];
        // The same child twice on one form is one child, with all that was said of them.
        if (!known && before) fresh[twice] = { ...before, needs: [...before.needs, ...answer.needs] };
        else if (!known) fresh.push({ ...answer, role: "cook", hasAnswered: true });
        else {
          taken.add(known.id);
          const isSecond = link.participantId === null && known.has_answered;
          (isSecond ? second : first).push({ id: known.id, answer });
        }
      }
      // Nothing of it is kept when not all of it can be. A link that went round has only the places there are, and a few more.
      const most = link.participantId === null ? Math.min(mostPeople, expected + morePlaces) : mostPeople;
      if (fresh.length > 0 && people.length + fresh.length > most) throw new NotTakenError({ kind: "full" });
      if (second.length > 0) {
        const nameOf = (id: string) => people.find((one) => one.id === id)?.name ?? "";
        const waiting = await trx
          .selectFrom("intake_answer")
          .select(["participant_id as id", (eb) => eb.fn.countAll<string>().as("count")])
          .where("class_id", "=", link.classId)
          .groupBy("participant_id")
          .execute();
        const many = second.filter(({ id }) => Number(waiting.find((one) => one.id === id)?.count ?? 0) >= mostSecond);
        if (many.length > 0) throw new NotTakenError({ kind: "waiting", names: many.map(({ id }) => nameOf(id)) });
        if (!isMeant) throw new NotTakenError({ kind: "again", names: second.map(({ id }) => nameOf(id)) });
      }
      await putAnswers(trx, first, null);
      if (second.length > 0)
        await trx
          .insertInto("intake_answer")
          .values(
            second.map(({ id, answer }) => ({
              class_id: link.classId,
              participant_id: id,
              body: JSON.stringify(answer),
            })),
          )
          .execute();
      if (fresh.length > 0) await keepSeats(trx, link.classId);
      await addParticipants(trx, link.classId, fresh, null);
      await trx
        .insertInto("audit_entry")
        .values({ account_id: null, class_id: link.classId, action: `answers came in for ${answers.length}` })
        .execute();
      return { kind: "taken" };
    })
    .catch((error: unknown) => {
      if (error instanceof NotTakenError) return error.outcome;
      throw error;
    });
}

export interface SecondAnswer {
  readonly id: string;
  readonly participantId: string;
  readonly answer: Answer;
  readonly at: Date;
}

export async function secondAnswers(db: Kysely<DB>, classId: string): Promise<SecondAnswer[]> {
  const rows = await db
    .selectFrom("intake_answer")
    .selectAll()
    .where("class_id", "=", classId)
    .orderBy("received_at")
    .execute();
  return rows.map((row) => ({
    id: row.id,
    participantId: row.participant_id,
    answer: row.body as Answer,
    at: row.received_at,
  }));
}

/** Puts a second answer in the place of the first, or drops it. False when it is not there any more. */
export async function settleSecond(
  db: Kysely<DB>,
  classId: string,
  id: string,
  isTaken: boolean,
  accountId: string,
): Promise<boolean> {
  return db.transaction().execute(async (trx) => {
    const row = await trx
      .deleteFrom("intake_answer")
      .where("id", "=", id)
      .where("class_id", "=", classId)
      .returning(["participant_id", "body"])
      .executeTakeFirst();
    if (!row) return false;
    if (isTaken) await putAnswers(trx, [{ id: row.participant_id, answer: row.body as Answer }], accountId);
    return true;
  });
}
