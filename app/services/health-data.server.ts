import { type Kysely, type RawBuilder, sql } from "kysely";
import type { ClassInput } from "~/core/plan";
import type { DB } from "~/db/schema";
import { readClassFile, writeClassFile } from "~/formats/class-file";

/**
 * Where health data of a class is held, and how it is removed. One list: what the sweep looks for is what it empties, so nothing that
 * comes in after a removal stays.
 */

/** The people of a class file without health data. */
export const withoutHealth = (person: ClassInput["people"][number]): ClassInput["people"][number] => ({
  id: person.id,
  name: person.name,
  role: person.role,
  ageBand: person.ageBand,
  hasAnswered: false,
  needs: [],
  ...(person.grownUpId === undefined ? {} : { grownUpId: person.grownUpId }),
});

/** Rewrites classes as they were pinned when teaching began. */
export async function rewriteSnapshots(
  db: Kysely<DB>,
  classIds: readonly string[],
  change: (input: ClassInput) => ClassInput,
): Promise<void> {
  const rows = await db
    .selectFrom("live_run")
    .select(["class_id", "snapshot"])
    .where("class_id", "in", classIds)
    .execute();
  const changed = rows.flatMap((row) => {
    const read = readClassFile(JSON.stringify(row.snapshot));
    return read.ok ? [sql`(${row.class_id}::uuid, ${writeClassFile(change(read.input))}::jsonb)`] : [];
  });
  if (changed.length > 0)
    await sql`update live_run set snapshot = given.snapshot from (values ${sql.join(changed)}) as given (class_id, snapshot)
      where live_run.class_id = given.class_id`.execute(db);
}

/** A class without health data: its people without theirs, and without the words that were looked for on labels on their account. */
const withoutAnything = (input: ClassInput): ClassInput => ({
  ...input,
  people: input.people.map(withoutHealth),
  labels: input.labels.map((label) => ({ ...label, lookedFor: [] })),
  ...(input.shared
    ? { shared: input.shared.map((food) => ({ ...food, label: food.label && { ...food.label, lookedFor: [] } })) }
    : {}),
});

interface Place {
  /** Ids of those of `classIds` of which something is held here. */
  readonly held: (classIds: RawBuilder<unknown>) => RawBuilder<{ class_id: string }>;
  readonly empty: (trx: Kysely<DB>, classIds: readonly string[]) => Promise<unknown>;
}

/** What stands in place of a note of the live screen; that there was one stays. */
const removedNote = { text: "removed with the health data of this class" };

/** A table of which every row of a class goes. */
const wholeTable = (
  table: "intake_answer" | "removed_person" | "intake_link" | "outbox_mail" | "allergy_decision" | "plan_change",
): Place => ({
  held: (ids) => sql`select class_id from ${sql.table(table)} where class_id in (${ids})`,
  empty: (trx, ids) => trx.deleteFrom(table).where("class_id", "in", ids).execute(),
});

const places: readonly Place[] = [
  {
    held: (ids) => sql`select class_id from participant_need join participant on participant.id = participant_id
      where class_id in (${ids})`,
    empty: (trx, ids) =>
      trx
        .deleteFrom("participant_need")
        .where("participant_id", "in", (eb) => eb.selectFrom("participant").select("id").where("class_id", "in", ids))
        .execute(),
  },
  {
    held: (ids) => sql`select class_id from participant where class_id in (${ids}) and (has_answered or words <> ''
      or words_read_by is not null or words_is_nothing or emergency <> '' or answered_by is not null or answered_on is not null
      or email is not null or note <> '')`,
    empty: (trx, ids) =>
      trx
        .updateTable("participant")
        .set((eb) => ({
          has_answered: false,
          words: "",
          words_read_by: null,
          words_is_nothing: false,
          emergency: "",
          answered_by: null,
          answered_on: null,
          email: null,
          note: "",
          // What was signed with it is a hash that nobody can guess any more.
          stamp_key: sql<string>`gen_random_uuid()::text`,
          version: eb("version", "+", 1),
        }))
        .where("class_id", "in", ids)
        .execute(),
  },
  wholeTable("intake_answer"),
  wholeTable("removed_person"),
  wholeTable("intake_link"),
  wholeTable("outbox_mail"),
  // What was decided about somebody's plate says what they avoid.
  wholeTable("allergy_decision"),
  // Changes that can be undone are named by what they are for: "the whole class without milk, for …".
  wholeTable("plan_change"),
  // What was looked for on a label is a word that somebody avoids.
  ...(["label_reading", "shared_food"] as const).map((table): Place => ({
    held: (ids) => sql`select class_id from ${sql.table(table)} where class_id in (${ids}) and looked_for <> '{}'`,
    empty: (trx, ids) => trx.updateTable(table).set({ looked_for: [] }).where("class_id", "in", ids).execute(),
  })),
  {
    held: (ids) => sql`select class_id from live_event where class_id in (${ids}) and kind = 'note-added'
      and body <> ${JSON.stringify(removedNote)}::jsonb`,
    empty: (trx, ids) =>
      trx
        .updateTable("live_event")
        .set({ body: JSON.stringify(removedNote) })
        .where("class_id", "in", ids)
        .where("kind", "=", "note-added")
        .execute(),
  },
  {
    // The note of the log may be about anybody, unless whoever wrote it said that it names nobody.
    held: (ids) => sql`select class_id from class_log where class_id in (${ids}) and note <> '' and not names_nobody`,
    empty: (trx, ids) =>
      trx
        .updateTable("class_log")
        .set({ note: "" })
        .where("class_id", "in", ids)
        .where("names_nobody", "=", false)
        .execute(),
  },
  {
    // What was hashed of answers for the stamps.
    held: (ids) => sql`select class_id from stage_stamp where class_id in (${ids})
      and exists (select from jsonb_object_keys(inputs) as key where key like 'answer:%')`,
    empty: (trx, ids) =>
      sql`update stage_stamp set inputs = coalesce((select jsonb_object_agg(key, value) from jsonb_each(inputs)
        where key not like 'answer:%'), '{}') where class_id in (${sql.join(ids)})`.execute(trx),
  },
  {
    held: (ids) =>
      sql`select class_id from live_run where class_id in (${ids}) and snapshot @? ${pinnedHealth}::jsonpath`,
    empty: (trx, ids) => rewriteSnapshots(trx, ids, withoutAnything),
  },
];

/** A pinned class with somebody of whom more is kept than name, role, age and grown-up, or with a word that was looked for on a label. */
const pinnedHealth =
  '$.class ? (exists(@.labels[*].lookedFor[*]) || exists(@.shared[*].label.lookedFor[*]) || exists(@.people[*] ? (@.hasAnswered == true || @.needs[*].kind != "" || exists(@.words) || exists(@.note) || exists(@.emergency) || exists(@.answered))))';

/** Those of the classes of which health data is held, in any of the places where it can be. */
export async function holdingHealth(db: Kysely<DB>, classIds: readonly string[]): Promise<ReadonlySet<string>> {
  if (classIds.length === 0) return new Set();
  const ids = sql.join(classIds.map((id) => sql`${id}::uuid`));
  const { rows } = await sql<{ class_id: string }>`${sql.join(
    places.map((place) => place.held(ids)),
    sql` union `,
  )}`.execute(db);
  return new Set(rows.map((row) => row.class_id));
}

/** Everything health-related of classes, from every place that holds any. Names, ages and seats stay. */
export async function removeHealth(db: Kysely<DB>, classIds: readonly string[]): Promise<void> {
  if (classIds.length === 0) return;
  await db.transaction().execute(async (trx) => {
    for (const place of places) await place.empty(trx, classIds);
    await trx.updateTable("class").set({ health_removed_at: new Date() }).where("id", "in", classIds).execute();
    await trx
      .insertInto("audit_entry")
      .values(classIds.map((id) => ({ account_id: null, class_id: id, action: "health data removed" })))
      .execute();
  });
}
