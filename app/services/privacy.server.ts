import { parseDateTime, today } from "@internationalized/date";
import { type Kysely, sql } from "kysely";
import { putBackDays } from "~/core/people";
import type { ClassInput } from "~/core/plan";
import { addNeeds, participantColumns } from "~/db/queries/people.server";
import { classOf, type StoredClass } from "~/db/queries/classes.server";
import type { DB } from "~/db/schema";
import { personSchema } from "~/formats/class-file";
import type { Account } from "./accounts.server";
import { emptyBin } from "./bin.server";
import { holdingHealth, removeHealth, rewriteSnapshots, withoutHealth } from "./health-data.server";
import { keepSeats } from "./kept-seats.server";

/**
 * What of a class an account may see. An assistant needs what each person must avoid, how bad it is and where the medicine is; not
 * what was said in free words or who said it.
 */
export const inputAsSeenBy = (account: Pick<Account, "role">, input: ClassInput): ClassInput =>
  account.role === "lead" ? input : { ...input, people: input.people.map(withoutWords) };

/** What of a stored class leaves the server. */
export type SeenClass = Pick<StoredClass, "input" | "meta">;

/** A stored class as an account may see it: an assistant sees nobody's address. */
export const asSeenBy = (account: Pick<Account, "role">, { input, meta }: StoredClass): SeenClass =>
  account.role === "lead" ? { input, meta } : { input: inputAsSeenBy(account, input), meta: { ...meta, emails: {} } };

/**
 * The pages of a class that need what people declared, by the first words of their address, and what opening each is called in the
 * record of who looked. Every other page gets the class without it.
 */
const looks: readonly (readonly [page: string, look: string])[] = [
  ["brief", "opened the brief"],
  ["people/seats", "opened the seats"],
  ["people/privacy", "opened what is kept of people"],
  ["people/intake", "opened the answers"],
  ["people/import", "opened the import of people"],
  ["people/turns", "opened the turns"],
  ["people/", "opened a person's page"],
  ["people", "opened the register"],
  ["allergies/matrix", "opened the allergy matrix"],
  ["allergies/", "opened one person's verdict"],
  ["allergies", "opened the allergy table"],
  ["labels", "opened a label with whom it concerns"],
  ["day-sheet/folder", "opened the folder sheet"],
];

/** How a look at this page of a class is noted; `undefined` for a page that shows nobody's health data. */
export function lookAt(pathname: string): string | undefined {
  const page = /^\/classes\/[^/]+\/(.*?)\/?(?:_?\.data)?$/.exec(pathname)?.[1] ?? "";
  return (
    looks.find(([begins]) => page === begins || page.startsWith(begins.endsWith("/") ? begins : `${begins}/`))?.[1] ||
    undefined
  );
}

/** A stored class for a page that needs nobody's health data, nor anybody's address. */
export const withoutAnyHealth = ({ input, meta }: StoredClass): SeenClass => ({
  input: inputForPacking(input),
  meta: { ...meta, emails: {} },
});

/** A person without their words and notes; that words are still open stays visible. */
const withoutWords = (person: ClassInput["people"][number]): ClassInput["people"][number] => {
  const { words, answered: _answered, note: _note, ...rest } = person;
  return {
    ...rest,
    needs: rest.needs.map((need) => ({
      ...need,
      note: need.note !== "" && !need.noteReadBy ? "for the lead to read" : "",
    })),
    ...(words
      ? { words: { ...words, text: words.readBy === null ? "for the lead to read" : "read by the lead" } }
      : {}),
  };
};

/**
 * A class as the packing table and the room need it: who sits where decides which kit is whose, what they declared does not. The people stay,
 * as a class without them would be another plan.
 */
export function inputForPacking(input: ClassInput): ClassInput {
  const before = bare.get(input);
  if (before) return before;
  const without = { ...input, people: input.people.map(withoutHealth) };
  bare.set(input, without);
  return without;
}

/** The same class without health data is the same object, so that what follows from it is worked out once. */
const bare = new WeakMap<ClassInput, ClassInput>();

/** The day on which a class's health data goes, as an ISO date. */
export const removalDay = (startsAt: string, retainDays: number): string =>
  parseDateTime(startsAt).add({ days: retainDays }).toString().slice(0, 10);

/** Has the day on which a class's health data goes come, in the class's own time zone? */
export const isPastRemoval = (
  { startsAt, timeZone }: Pick<ClassInput, "startsAt" | "timeZone">,
  retainDays: number,
): boolean => removalDay(startsAt, retainDays) <= today(timeZone).toString();

/** Removes the health data of every class whose day has come; gives how many. Each day is reckoned in the class's own time zone. */
export async function removeExpired(
  db: Kysely<DB>,
  dayIn: (timeZone: string) => string = (zone) => today(zone).toString(),
): Promise<number> {
  await db
    .deleteFrom("removed_person")
    .where("removed_at", "<=", sql<Date>`now() - make_interval(days => ${putBackDays})`)
    .execute();
  await emptyBin(db);
  const rows = await db
    .selectFrom("class")
    .select(["id", "starts_at", "time_zone", "retain_days", "health_removed_at"])
    .execute();
  const past = rows.filter((one) => removalDay(one.starts_at, one.retain_days) <= dayIn(one.time_zone));
  // Judged by what is there, not by whether it was done before: something may have come in since.
  const holding = await holdingHealth(
    db,
    past.map((one) => one.id),
  );
  const due = past.filter((one) => one.health_removed_at === null || holding.has(one.id));
  await removeHealth(
    db,
    due.map((one) => one.id),
  );
  return due.length;
}

/** Everything the program holds of one person, for them to have. */
export async function recordOf(db: Kysely<DB>, classId: string, participantId: string) {
  const stored = await classOf(db, classId);
  const person = stored?.input.people.find((one) => one.id === participantId);
  if (!stored || !person) return undefined;
  const [answers, mails] = await Promise.all([
    db
      .selectFrom("intake_answer")
      .select(["body", "received_at"])
      .where("participant_id", "=", participantId)
      .execute(),
    stored.meta.emails[participantId]
      ? db
          .selectFrom("outbox_mail")
          .select(["subject", "body", "written_at"])
          .where("class_id", "=", classId)
          .where("to_address", "=", stored.meta.emails[participantId])
          .execute()
      : [],
  ]);
  return {
    class: { title: stored.input.title, startsAt: stored.input.startsAt },
    person,
    email: stored.meta.emails[participantId] ?? null,
    answersWaiting: answers,
    mails,
    removedOn: removalDay(stored.input.startsAt, stored.meta.retainDays),
  };
}

/**
 * Takes a person off the register, out of everything that was pinned and out of the letters. Kept aside for {@link putBackDays}, or
 * until the class's health data goes, whichever is sooner. False when they are not on it.
 */
export async function takeOff(
  db: Kysely<DB>,
  classId: string,
  person: ClassInput["people"][number],
  accountId: string,
): Promise<boolean> {
  return db.transaction().execute(async (trx) => {
    const row = await trx
      .selectFrom("participant")
      .select(["position", "email", "name", "stamp_key"])
      .where("id", "=", person.id)
      .where("class_id", "=", classId)
      .forUpdate()
      .executeTakeFirst();
    if (!row) return false;
    // Whoever stays keeps the table, and what is made there.
    await keepSeats(trx, classId);
    const seat = await trx
      .selectFrom("class_seat")
      .select(["station", "position"])
      .where("class_id", "=", classId)
      .where("participant_id", "=", person.id)
      .executeTakeFirst();
    const caredFor = await trx.selectFrom("participant").select("id").where("grown_up_id", "=", person.id).execute();
    const run = await trx.selectFrom("live_run").select("snapshot").where("class_id", "=", classId).executeTakeFirst();
    await trx
      .insertInto("removed_person")
      .values({
        id: person.id,
        class_id: classId,
        position: row.position,
        name: row.name,
        document: JSON.stringify(person),
        email: row.email,
        cared_for: caredFor.map((one) => one.id),
        stamp_key: row.stamp_key,
        seat_station: seat?.station ?? null,
        seat_position: seat?.position ?? null,
        was_pinned: JSON.stringify(run?.snapshot ?? "").includes(person.id),
        removed_by: accountId,
      })
      .execute();
    await forget(trx, classId, person.id);
    return true;
  });
}

/** Who can still be put back, the latest first. Names only: what they declared is shown again once they are back. */
export const removedOf = async (db: Kysely<DB>, classId: string) =>
  db
    .selectFrom("removed_person")
    .select(["id", "name", "removed_at as removedAt"])
    .where("class_id", "=", classId)
    .where("removed_at", ">", sql<Date>`now() - make_interval(days => ${putBackDays})`)
    .orderBy("removed_at", "desc")
    .limit(50)
    .execute();

/** Puts a person back with what they declared, their place and those they look after; gives their name. */
export async function putBack(
  db: Kysely<DB>,
  classId: string,
  personId: string,
  accountId: string,
): Promise<string | undefined> {
  return db.transaction().execute(async (trx) => {
    const row = await trx
      .deleteFrom("removed_person")
      .where("id", "=", personId)
      .where("class_id", "=", classId)
      .returningAll()
      .executeTakeFirst();
    if (!row) return undefined;
    const person = personSchema.parse(row.document);
    const there = new Set(
      (await trx.selectFrom("participant").select("id").where("class_id", "=", classId).execute()).map((one) => one.id),
    );
    await trx
      .insertInto("participant")
      .values({
        id: row.id,
        class_id: classId,
        position: row.position,
        ...participantColumns(person),
        grown_up_id: person.grownUpId !== undefined && there.has(person.grownUpId) ? person.grownUpId : null,
        email: row.email,
        stamp_key: row.stamp_key,
        updated_by: accountId,
      })
      .execute();
    const isSeatThere =
      row.seat_station !== null &&
      (await trx
        .selectFrom("class_station")
        .select("position")
        .where("class_id", "=", classId)
        .where("position", "=", row.seat_station)
        .executeTakeFirst()) !== undefined;
    if (isSeatThere)
      await trx
        .insertInto("class_seat")
        .values({
          participant_id: row.id,
          class_id: classId,
          station: row.seat_station ?? 0,
          position: row.seat_position ?? 0,
        })
        .execute();
    await addNeeds(
      trx,
      person.needs.map((need) => ({ participantId: row.id, need })),
    );
    if (row.cared_for.length > 0)
      await trx
        .updateTable("participant")
        .set({ grown_up_id: row.id })
        .where("id", "in", row.cared_for)
        .where("class_id", "=", classId)
        .where("grown_up_id", "is", null)
        .execute();
    if (row.was_pinned)
      await rewriteSnapshots(trx, [classId], (input) => ({ ...input, people: [...input.people, person] }));
    return row.name;
  });
}

/** Forgets for good somebody who was taken off before. */
export const forgetRemoved = async (db: Kysely<DB>, classId: string, personId: string): Promise<void> =>
  void (await db.deleteFrom("removed_person").where("id", "=", personId).where("class_id", "=", classId).execute());

/** Takes a person out of a class and out of everything that was pinned or written of it, for good. */
export const forgetPerson = async (db: Kysely<DB>, classId: string, participantId: string): Promise<void> =>
  db.transaction().execute((trx) => forget(trx, classId, participantId));

async function forget(trx: Kysely<DB>, classId: string, participantId: string): Promise<void> {
  const row = await trx
    .deleteFrom("participant")
    .where("id", "=", participantId)
    .where("class_id", "=", classId)
    .returning("email")
    .executeTakeFirst();
  if (row?.email)
    await trx.deleteFrom("outbox_mail").where("class_id", "=", classId).where("to_address", "=", row.email).execute();
  await sql`update stage_stamp set inputs = inputs - ${`person:${participantId}`}::text - ${`answer:${participantId}`}::text
    where class_id = ${classId}`.execute(trx);
  await rewriteSnapshots(trx, [classId], (input) => ({
    ...input,
    people: input.people.filter((person) => person.id !== participantId),
  }));
}

export interface AuditRow {
  readonly at: Date;
  readonly by: string | null;
  readonly action: string;
}

/** Who opened or changed health data of a class, newest first. */
export const auditOf = async (db: Kysely<DB>, classId: string, most = 300): Promise<AuditRow[]> =>
  db
    .selectFrom("audit_entry")
    .leftJoin("account", "account.id", "account_id")
    .select(["happened_at as at", "account.name as by", "action"])
    .where("class_id", "=", classId)
    .orderBy("happened_at", "desc")
    .orderBy("audit_entry.id", "desc")
    .limit(most)
    .execute();

export const setRetention = async (db: Kysely<DB>, classId: string, days: number): Promise<void> =>
  void (await db.updateTable("class").set({ retain_days: days }).where("id", "=", classId).execute());
