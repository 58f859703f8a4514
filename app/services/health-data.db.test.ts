import { CalendarDate } from "@internationalized/date";
import { sql } from "kysely";
import { demoClasses } from "~/demo/boathouse";
import { classWithDoors } from "../../test/class-doors";
import { holdingHealth, removeHealth } from "./health-data.server";
import { takeAnswers } from "./intake.server";
import { appendEvents, snapshotOf } from "./live.server";
import { removeExpired } from "./privacy.server";

const { next } = demoClasses(new CalendarDate(2026, 11, 25));
const at = classWithDoors(next);

/** What becomes of a column when the health data of its class are removed. */
type Fate =
  /** What stands in it is removed or emptied. */
  | "goes"
  /** It stays: it is about the class, its food or its kitchen. */
  | "class"
  /** It stays: a name, an age, a seat, or who of the staff did something. */
  | "name";

/** What a label said, of a product that was bought or of food brought along. */
const reading = {
  product: "class",
  read_by: "name",
  read_on: "class",
  market: "class",
  looked_for: "goes",
  foods: "class",
  is_gluten_free: "class",
} as const;

/**
 * Every column of text, JSON, bytes, dates or yes and no of each table that belongs to a class, directly or by another table. A table
 * or column that is added must be declared here, and where it may say anything of a person's health, in `health-data.server.ts`.
 */
const fates: Readonly<Record<string, Fate | Readonly<Record<string, Fate>>>> = {
  allergy_decision: "goes",
  // Which page was opened, or what was done, by whom: never whose page it was.
  audit_entry: "class",
  class: "class",
  class_dish: "class",
  class_dish_round: "class",
  class_dish_take: "class",
  class_house_rule: "class",
  class_log: { note: "goes", names_nobody: "class" },
  class_order: "class",
  class_pack: "class",
  class_pack_size: "class",
  class_station: "class",
  intake_answer: "goes",
  intake_link: "goes",
  label_photo: "class",
  label_print: "class",
  label_reading: { ingredient_id: "class", ...reading },
  label_substance: "class",
  // Of the events only a note has words of its own.
  live_event: { kind: "class", body: "goes" },
  live_run: { snapshot: "goes" },
  outbox_mail: "goes",
  participant: {
    name: "name",
    role: "name",
    age_band: "name",
    has_answered: "goes",
    note: "goes",
    words: "goes",
    words_read_by: "goes",
    emergency: "goes",
    answered_by: "goes",
    answered_on: "goes",
    email: "goes",
    words_is_nothing: "goes",
    stamp_key: "goes",
  },
  participant_need: "goes",
  plan_change: "goes",
  prep_owner: "name",
  removed_person: "goes",
  shared_food: {
    name: "class",
    brought_by: "name",
    ...reading,
    own_ingredient_id: "class",
  },
  shared_food_substance: "class",
  shop_extra: "class",
  shop_stock: "class",
  // The answers' keys in `inputs` go; what the stages were made of stays.
  stage_stamp: { stage: "class", fingerprint: "class", inputs: "goes" },
  tick_event: "class",
};

interface Column {
  readonly table: string;
  readonly column: string;
  readonly type: string;
}

/** Columns that can say something, of every table that hangs on a class. */
const columnsOfClasses = async (): Promise<readonly Column[]> =>
  (
    await sql<Column>`
      with recursive linked as (
        select 'class'::regclass::oid as rel
        union
        select c.conrelid from pg_constraint c join linked on c.confrelid = linked.rel where c.contype = 'f'
      )
      select relname as table, attname as column, format_type(atttypid, atttypmod) as type
      from linked join pg_class on pg_class.oid = rel join pg_attribute on attrelid = rel and attnum > 0 and not attisdropped
      where format_type(atttypid, atttypmod) in ('text', 'text[]', 'json', 'jsonb', 'bytea', 'boolean', 'date')
      order by relname, attnum`.execute(at.db)
  ).rows;

const fateOf = ({ table, column }: Column): Fate | undefined => {
  const fate = fates[table];
  return typeof fate === "object" ? fate[column] : fate;
};

/** Everything the database holds, as text. */
async function dump(): Promise<string> {
  const { rows } = await sql<{ name: string }>`
    select format('%I.%I', schemaname, tablename) as name from pg_tables where schemaname in ('public', 'pgboss')`.execute(
    at.db,
  );
  const texts: string[] = [];
  for (const { name } of rows) {
    const held = await sql<{
      text: string;
    }>`select coalesce(string_agg(to_jsonb(t)::text, E'\n'), '') as text from ${sql.raw(name)} t`.execute(at.db);
    texts.push(`${name}\n${held.rows[0]?.text ?? ""}`);
  }
  return texts.join("\n");
}

const word = "plonkberry";

/** The word in every column that goes, as somebody types it, or as the program would write it there. */
async function plant(): Promise<void> {
  const { db, classId, lead } = at;
  const [first, second] = (await at.stored()).input.people;
  if (!first || !second) throw new Error("the class has people");
  const note = {
    id: crypto.randomUUID(),
    kind: "note-added" as const,
    at: Date.now(),
    text: `${word} for one of them`,
  };
  await db
    .updateTable("participant")
    .set({
      has_answered: true,
      note: word,
      words: word,
      words_read_by: word,
      words_is_nothing: true,
      emergency: word,
      answered_by: word,
      answered_on: "2026-11-25",
      email: `${word}@home.example`,
    })
    .where("id", "=", first.id)
    .execute();
  await db
    .insertInto("participant_need")
    .values({
      participant_id: first.id,
      position: 90,
      kind: "food",
      food: word,
      severity: "allergy",
      touch_or_air: true,
      note: word,
      note_read_by: word,
      covers: [word],
      covers_by: word,
      substance: null,
      diet: null,
    })
    .execute();
  await db
    .insertInto("intake_answer")
    .values({ class_id: classId, participant_id: first.id, body: JSON.stringify({ words: { text: word } }) })
    .execute();
  await db
    .insertInto("intake_link")
    .values({
      class_id: classId,
      participant_id: first.id,
      token_hash: crypto.randomUUID().replaceAll("-", "").padEnd(64, "0"),
      created_by: lead,
      expires_at: new Date(Date.now() + 1e9),
    })
    .execute();
  await db
    .insertInto("removed_person")
    .values({
      id: crypto.randomUUID(),
      class_id: classId,
      position: 90,
      name: word,
      document: JSON.stringify({ note: word }),
      email: `${word}@home.example`,
      cared_for: [],
      was_pinned: true,
      stamp_key: word,
      removed_by: lead,
    })
    .execute();
  await db
    .insertInto("outbox_mail")
    .values({ class_id: classId, to_address: `${word}@home.example`, subject: word, body: word })
    .execute();
  await db.deleteFrom("allergy_decision").where("class_id", "=", classId).execute();
  await db
    .insertInto("allergy_decision")
    .values({
      class_id: classId,
      participant_id: second.id,
      opening: "contains",
      decision: "sits-out",
      decided_by: lead,
      decided_at: new Date(),
    })
    .execute();
  await db
    .insertInto("plan_change")
    .values({
      class_id: classId,
      what: `the whole class without ${word}`,
      before: JSON.stringify({ brief: { title: word } }),
      made_by: lead,
    })
    .execute();
  await db
    .updateTable("label_reading")
    .set({ looked_for: [word] })
    .where("class_id", "=", classId)
    .execute();
  await db
    .updateTable("shared_food")
    .set({ looked_for: [word] })
    .where("class_id", "=", classId)
    .execute();
  await sql`insert into stage_stamp (class_id, stage, fingerprint, inputs, stamped_by) values
    (${classId}, 'allergies', 'f', ${JSON.stringify({ [`answer:${first.id}`]: word, brief: "b" })}::jsonb, ${lead})
    on conflict (class_id, stage) do update set inputs = excluded.inputs`.execute(db);
  await sql`insert into class_log (class_id, note, kept_by) values (${classId}, ${`${word} was eaten`}, ${lead})
    on conflict (class_id) do update set note = excluded.note`.execute(db);
  const { input } = await at.stored();
  await db.deleteFrom("live_event").where("class_id", "=", classId).execute();
  await db.deleteFrom("live_run").where("class_id", "=", classId).execute();
  await appendEvents(db, input, [{ id: crypto.randomUUID(), kind: "class-started", at: Date.now() }, note], lead);
}

test("every column of a class says what becomes of it when health data are removed, and none is declared that is not there", async () => {
  const columns = await columnsOfClasses();
  expect(columns.filter((one) => fateOf(one) === undefined)).toEqual([]);
  const named = Object.entries(fates).flatMap(([table, fate]) =>
    typeof fate === "object" ? Object.keys(fate).map((column) => `${table}.${column}`) : [`${table}.*`],
  );
  const there = new Set(columns.flatMap(({ table, column }) => [`${table}.${column}`, `${table}.*`]));
  expect(named.filter((one) => !there.has(one))).toEqual([]);
  expect(columns.length).toBeGreaterThan(80);
});

test("after the day a dump of the whole database has none of what was planted, however often it comes in again", async () => {
  const goes = (await columnsOfClasses()).filter((one) => fateOf(one) === "goes");
  for (const round of [1, 2, 3]) {
    await plant();
    // What does not stand in it cannot be seen to go.
    for (const { table, column, type } of round === 1 ? goes : []) {
      const { rows } = await sql`select 1 from ${sql.table(table)} t where
        coalesce(to_jsonb(t) -> ${column}, 'null') not in ('null', '""', '[]', '{}', 'false')`.execute(at.db);
      expect([table, column, type, rows.length > 0]).toEqual([table, column, type, true]);
    }
    expect(await dump()).toContain(word);
    expect(await holdingHealth(at.db, [at.classId])).toEqual(new Set([at.classId]));
    // By its day, at once when asked, and by its day again although it was removed before.
    if (round === 2) await removeHealth(at.db, [at.classId]);
    else expect(await removeExpired(at.db, () => "2030-01-01")).toBe(1);
    expect(await holdingHealth(at.db, [at.classId])).toEqual(new Set());
    const left = (await dump()).split("\n").filter((line) => line.includes(word));
    expect(left).toEqual([]);
    const { rows } = await sql`select 1 from allergy_decision`.execute(at.db);
    expect(rows).toEqual([]);
  }
  expect(await removeExpired(at.db, () => "2030-01-01")).toBe(0);
  expect((await snapshotOf(at.classId))?.people.map((one) => one.name)).toEqual(next.people.map((one) => one.name));
});

test("an answer to a class whose day has passed is refused, and nothing of it is kept", async () => {
  await at.db.updateTable("class").set({ starts_at: "2026-01-03T10:00" }).where("id", "=", at.classId).execute();
  await removeExpired(at.db);
  const answer = {
    name: "Juniper Dray",
    ageBand: "6-11" as const,
    needs: [],
    words: { text: word, readBy: null },
    answered: { by: word, on: "2026-11-25" },
  };
  expect(await takeAnswers(at.db, { classId: at.classId, participantId: null }, [answer])).toEqual({ kind: "over" });
  expect(await dump()).not.toContain(word);
});
