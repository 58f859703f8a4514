import crypto from "node:crypto";
import { CalendarDate } from "@internationalized/date";
import { type Kysely, sql } from "kysely";
import { canonical, openingsOf, plan } from "~/core/plan";
import { measuringSets, inMinutes } from "~/core/quantity";
import { sealsOf } from "~/core/sheet";
import { ratio } from "~/core/quantity";
import { fold, type LiveEvent } from "~/core/teach";
import { classOf } from "~/db/queries/classes.server";
import { migrateDown, migrateToLatest } from "~/db/migrations";
import type { DB } from "~/db/schema";
import { demoAccounts, demoClasses } from "~/demo/boathouse";
import { letIn, prepare } from "../../server/admin";
import { aClass, anAccount, password, programDatabase } from "../../test/database";
import { usualFor } from "./request.server";
import { importClass } from "./class-import.server";
import { saveClass } from "./classes.server";
import { saveLabel } from "./products.server";
import { addPeople, savePerson } from "./register.server";
import { settle, stampsOf, unsettle } from "./sign-off.server";
import { decisionField, decisionsOf, signAllergies } from "./decisions.server";
import {
  accountOfSession,
  closeAllSessions,
  closeSession,
  countAccounts,
  makeFirstAccount,
  offerSetupCode,
  changeAccount,
  endSession,
  isLetterGood,
  offerNewPassword,
  openSession,
  sessionsOf,
  spendLetter,
  signIn,
} from "./accounts.server";
import { type Told, newsOf } from "./live-news.server";
import { appendEvents, eventsOf, keepLog, liveEventKinds, logOf, snapshotOf } from "./live.server";
import { loadDemo } from "./demo.server";

let db: Kysely<DB>;
const { next, current } = demoClasses(new CalendarDate(2026, 11, 24));

beforeAll(async () => {
  db = await programDatabase();
});
afterAll(() => db.destroy());

let lead: string;
const brought = (input = next) => aClass(db, input, lead);
const stored = async (id: string) => {
  const found = await classOf(db, id);
  if (!found) throw new Error("the class is not there");
  return found;
};

beforeEach(async () => {
  await sql`truncate class, recipe, kitchen, setup_code, audit_entry, login_session restart identity cascade`.execute(
    db,
  );
  // Not truncated: the pantry names who changed it, and would go with the accounts.
  await db.deleteFrom("account").execute();
  lead = await anAccount(db);
});

const migrations = [
  "0001-first",
  "0002-batter-book",
  "0003-people",
  "0004-kits",
  "0005-scoops",
  "0006-open-needs",
  "0007-put-back-and-currency",
  "0008-believed-moments",
  "0009-keyed-stamps-and-accounts",
  "0010-altitude",
  "0011-bin",
  "0012-order",
  "0013-flames-and-tools",
  "0014-house-rules",
  "0015-account-region",
  "0016-bowls-and-alternatives",
  "0017-rounds",
  "0018-missing",
  "0019-account-tastes",
  "0020-put-aside",
  "0021-put-aside-more",
  "0022-mixing",
  "0023-goes-round",
  "0024-pinned-bells",
  "0025-own-products",
  "0026-aims",
  "0027-places-for-things",
  "0028-pens",
  "0029-ages-and-tools",
  "0030-decided-rounds",
  "0031-words-and-seats",
  "0032-known-origins",
] as const;
/** Takes migrations back, newest first, up to and with the one named. */
const takeBack = async (to: (typeof migrations)[number]) => {
  for (const name of migrations.slice(migrations.indexOf(to)).reverse())
    expect(await migrateDown(db)).toEqual([`took back ${name}`]);
};
const applied = (from: (typeof migrations)[number]) =>
  migrations.slice(migrations.indexOf(from)).map((name) => `applied ${name}`);

test("the migrations can be taken back and applied again, and an older pantry gets its new figures", async () => {
  await takeBack("0002-batter-book");
  expect(await migrateToLatest(db)).toEqual(applied("0002-batter-book"));
  const sugar = await db.selectFrom("ingredient").select("sugar_percent").where("id", "=", "sugar").executeTakeFirst();
  expect(sugar?.sugar_percent).toBe(100);
  await takeBack("0001-first");
  const { rows } = await sql<{ n: number }>`select count(*) as n from information_schema.tables
    where table_schema = 'public' and table_name not like 'kysely%'`.execute(db);
  expect(rows[0]?.n).toBe(0);
  expect(await migrateToLatest(db)).toEqual(applied("0001-first"));
  expect(await migrateToLatest(db)).toEqual([]);
});

test("what the words of before do not hold is an open answer after the way back, never a clear one", async () => {
  const classId = await brought({
    ...next,
    people: [
      { id: "a", name: "Ada", role: "taster", ageBand: "under-1", hasAnswered: true, needs: [] },
      {
        id: "b",
        name: "Bo",
        role: "cook",
        ageBand: "adult",
        hasAnswered: true,
        needs: [{ kind: "diet", diet: "faith", note: "" }],
      },
      {
        id: "c",
        name: "Cal",
        role: "cook",
        ageBand: "adult",
        hasAnswered: true,
        needs: [],
        words: { text: "not too good with nuts", readBy: null },
      },
    ],
  });
  // What the later migrations brought goes first: a stage and tools that the words of before do not name.
  await db
    .insertInto("stage_stamp")
    .values({ class_id: classId, stage: "kits", fingerprint: "x", inputs: "{}", stamped_by: null })
    .execute();
  await takeBack("0003-people");
  const people = await db
    .selectFrom("participant")
    .select(["name", "age_band", "has_answered"])
    .where("class_id", "=", classId)
    .orderBy("name")
    .execute();
  expect(people).toEqual([
    { name: "Ada", age_band: "under-6", has_answered: true },
    { name: "Bo", age_band: "adult", has_answered: false },
    { name: "Cal", age_band: "adult", has_answered: false },
  ]);
  expect(await migrateToLatest(db)).toEqual(applied("0003-people"));
  expect(await db.selectFrom("stage_stamp").select("stage").where("stage", "=", "kits").execute()).toEqual([]);
});

test("a class brought in comes out of the database as it was, and plans to the same", async () => {
  const { input } = await stored(await brought());
  const comparable = (one: typeof next) =>
    canonical({
      brief: one.brief,
      title: one.title,
      startsAt: one.startsAt,
      people: one.people.map(({ id: _id, ...rest }) => rest),
      labels: [...one.labels].sort((a, b) => (a.ingredientId < b.ingredientId ? -1 : 1)),
      dishes: one.dishes.map(({ id: _id, newestRevision: _newest, ...rest }) => rest),
    });
  expect(comparable(input)).toBe(
    comparable({
      ...next,
      labels: next.labels.map((label) => ({
        ...label,
        contains: [...label.contains].sort(),
        mayContain: [...label.mayContain].sort(),
      })),
    }),
  );
  expect(plan(input).figures.map((figure) => figure.value)).toEqual(plan(next).figures.map((figure) => figure.value));
});

test("bringing the same file in twice reuses its recipe and kitchen; a recipe that differs comes under a name of its own", async () => {
  await brought();
  await brought();
  const count = async (table: "recipe" | "kitchen") =>
    Number(
      (
        await db
          .selectFrom(table)
          .select((eb) => eb.fn.countAll<number>().as("n"))
          .executeTakeFirstOrThrow()
      ).n,
    );
  expect([await count("recipe"), await count("kitchen")]).toEqual([1, 1]);
  const dishes = next.dishes.map((dish) => ({
    ...dish,
    recipe: { ...dish.recipe, title: "Slipway pancakes, another way" },
  }));
  const { input } = await stored(await brought({ ...next, dishes }));
  expect(input.dishes.map((dish) => dish.recipe.id)).toEqual(["slipway-pancakes-2", "slipway-pancakes-2"]);
  expect(await count("recipe")).toBe(2);
});

test("an ingredient that the file means differently does not change ours", async () => {
  const pantry = next.pantry.map((one) => (one.id === "syrup" ? { ...one, contains: ["sulphite" as const] } : one));
  const { input } = await stored(await brought({ ...next, pantry }));
  expect(input.dishes[0]?.recipe.lines.find((line) => line.id === "syrup")?.ingredientId).toBe("syrup-2");
  expect(input.pantry.find((one) => one.id === "syrup")?.contains).toEqual([]);
  expect(input.pantry.find((one) => one.id === "syrup-2")?.contains).toEqual(["sulphite"]);
  await db.deleteFrom("class").execute();
  await db.deleteFrom("recipe").execute();
  await db.deleteFrom("ingredient").where("id", "=", "syrup-2").execute();
});

test("a file that names an ingredient nobody has changes nothing", async () => {
  const pantry = next.pantry.filter((one) => one.id !== "syrup");
  await db.deleteFrom("ingredient").where("id", "=", "syrup").execute();
  expect(await importClass(db, { ...next, pantry }, lead)).toEqual({ missing: "syrup" });
  expect(await db.selectFrom("class").select("id").execute()).toEqual([]);
  await importClass(db, next, lead);
  expect(await db.selectFrom("ingredient").select("id").where("id", "=", "syrup").execute()).toHaveLength(1);
});

test("of two people saving the same class the second is told, and nothing of the first is overwritten", async () => {
  const id = await brought();
  const { input, meta } = await stored(id);
  const facts = (people: number) => ({
    title: input.title,
    startsAt: input.startsAt,
    timeZone: input.timeZone,
    kitchenId: input.kitchen.id,
    brief: { ...input.brief, people, piecesEach: ratio(5n, 2n) },
    dishes: input.dishes.map((dish) => ({
      recipeId: dish.recipe.id,
      revision: dish.recipe.revision,
      variantId: dish.variantId,
      stations: dish.stations,
    })),
  });
  expect(await saveClass(input, meta.version, facts(16), lead)).toEqual({ saved: true });
  const second = await saveClass(input, meta.version, facts(18), lead);
  expect(second).toMatchObject({
    saved: false,
    now: {
      input: { brief: { people: 16, piecesEach: ratio(5n, 2n) } },
      meta: { version: meta.version + 1, updatedBy: "Lead" },
    },
  });
  expect((await stored(id)).input.brief.people).toBe(16);
});

test("people and labels are saved by version too", async () => {
  const id = await brought();
  const { input, meta } = await stored(id);
  const [first] = input.people;
  if (!first) throw new Error("the class has people");
  const version = meta.participantVersions[first.id] ?? 0;
  const changed = {
    ...first,
    needs: [
      {
        kind: "substance" as const,
        substance: "egg" as const,
        severity: "allergy" as const,
        touchOrAir: true,
        note: "x",
      },
    ],
  };
  expect(await savePerson(id, first.id, version, changed, lead)).toBe(true);
  expect(await savePerson(id, first.id, version, first, lead)).toBe(false);
  expect((await stored(id)).input.people[0]?.needs).toEqual(changed.needs);
  const label = {
    ingredientId: "syrup",
    product: "syrup, tin",
    contains: ["sulphite" as const],
    mayContain: ["milk" as const],
    readBy: "Lead",
    readOn: "2026-11-24",
  };
  expect(await saveLabel(id, 0, label)).toBe(true);
  expect(await saveLabel(id, 0, { ...label, contains: [] })).toBe(false);
  expect(await saveLabel(id, 1, { ...label, contains: [] })).toBe(true);
  expect((await stored(id)).input.labels.find((one) => one.ingredientId === "syrup")?.contains).toEqual([]);
});

test("a list of people comes in whole or not at all", async () => {
  const id = await brought();
  const before = (await stored(id)).input.people.length;
  const person = { name: "Ada", role: "cook" as const, ageBand: "adult" as const, hasAnswered: false, needs: [] };
  await expect(addPeople(id, [person, { ...person, name: "x".repeat(200) }], lead)).rejects.toThrow();
  expect((await stored(id)).input.people).toHaveLength(before);
  await addPeople(id, [person, person], lead);
  expect((await stored(id)).input.people).toHaveLength(before + 2);
});

test("a stage is settled on what it depends on and stale when that changes", async () => {
  const id = await brought();
  const { input } = await stored(id);
  await settle(db, input, id, "amounts", lead);
  const [stamp] = await stampsOf(id);
  expect(stamp).toMatchObject({ stage: "amounts", fingerprint: sealsOf(input, plan(input)).amounts, by: "Lead" });
  await unsettle(id, "amounts");
  expect(await stampsOf(id)).toEqual([]);
});

test("an event sent twice, or by two devices at once, is kept once; the class is pinned as it was when teaching began", async () => {
  const id = await brought(current);
  const { input } = await stored(id);
  const events: LiveEvent[] = [
    { id: crypto.randomUUID(), at: 1000, kind: "class-started" },
    { id: crypto.randomUUID(), at: 2000, kind: "bell-rung", bellId: "doors-1" },
    { id: crypto.randomUUID(), at: 2500, kind: "note-added", text: "hot" },
  ];
  await Promise.all([
    appendEvents(db, input, events, lead),
    appendEvents(db, input, events.slice(1), lead),
    appendEvents(db, input, events, lead),
  ]);
  const kept = await eventsOf(db, id, { role: "lead" });
  expect(kept).toHaveLength(3);
  expect(fold(kept)).toEqual(fold(events));
  // What the lead noted is not for an assistant, whichever way it would come; an assistant's own note is for both.
  const kinds = (read: readonly LiveEvent[]) => read.map((event) => event.kind);
  expect(kinds(await eventsOf(db, id, { role: "assistant" })).sort()).toEqual(["bell-rung", "class-started"]);
  const helper = await anAccount(db, "assistant");
  const own: LiveEvent = { id: crypto.randomUUID(), at: 2600, kind: "note-added", text: "cold" };
  await appendEvents(db, input, [own], helper);
  expect(await eventsOf(db, id, { role: "assistant" })).toContainEqual(own);
  const told: Told = new Map();
  const news = await newsOf(db, id, told);
  expect(news?.lead).toContain('"hot"');
  expect(news?.assistant).not.toContain('"hot"');
  expect(news?.assistant).toContain('"cold"');
  // Told once: until something comes in there is no news.
  expect(await newsOf(db, id, told)).toBeUndefined();
  const later: LiveEvent = { id: crypto.randomUUID(), at: 2700, kind: "delay-added", minutes: inMinutes(2) };
  await appendEvents(db, input, [later], lead);
  const [head, data = ""] = (await newsOf(db, id, told))?.lead.trim().split("\n") ?? [];
  expect(head).toBe("event: news");
  expect(JSON.parse(data.slice("data: ".length))).toEqual({ events: [later], ticks: [] });
  await db.updateTable("class").set({ people: 40 }).where("id", "=", id).execute();
  expect((await snapshotOf(id))?.brief.people).toBe(input.brief.people);
  expect(await keepLog(db, id, 0, { piecesMade: 40, note: "well" }, lead)).toBe(true);
  expect(await keepLog(db, id, 0, { piecesMade: 41, note: "" }, lead)).toBe(false);
  expect(await logOf(id, { role: "lead" })).toMatchObject({ piecesMade: 40, note: "well", version: 1, by: "Lead" });
  // An assistant reads no note of the lead's, and keeping the pieces leaves it as it is.
  expect(await logOf(id, { role: "assistant" })).toMatchObject({ piecesMade: 40, note: "" });
  expect(await keepLog(db, id, 1, { piecesMade: 42 }, lead)).toBe(true);
  expect(await logOf(id, { role: "lead" })).toMatchObject({ piecesMade: 42, note: "well", version: 2 });
});

test("the database takes every kind of live event there is, and no other", async () => {
  const { rows } = await sql<{ text: string }>`
    select pg_get_constraintdef(oid) as text from pg_constraint where conrelid = 'live_event'::regclass and contype = 'c'`.execute(
    db,
  );
  const check = rows.find(({ text }) => text.includes("class-started"))?.text ?? "";
  const stored = [...check.matchAll(/'([a-z-]+)'/g)].map(([, kind]) => kind);
  expect(stored.sort()).toEqual([...liveEventKinds].sort());
});

test("a class is read in the same number of queries with three people and with sixty", async () => {
  const counting = async (id: string) => {
    let queries = 0;
    const counted = db.withPlugin({
      transformQuery: ({ node }) => {
        queries += 1;
        return node;
      },
      transformResult: async ({ result }) => result,
    });
    await classOf(counted, id);
    return queries;
  };
  const sixty = Array.from({ length: 60 }, (_, index) => ({
    ...(next.people[index % next.people.length] ?? next.people[0]),
    name: `Person ${index}`,
  })) as typeof next.people;
  expect(await counting(await brought({ ...next, people: sixty }))).toBe(
    await counting(await brought({ ...next, people: next.people.slice(0, 3) })),
  );
});

test("signing in takes the right words, a session ends where and when it is told to", async () => {
  expect(await signIn(db, "Lead@Club.Example", "a long enough password")).toMatchObject({
    id: lead,
    role: "lead",
  });
  expect(await signIn(db, "lead@club.example", "A long enough password")).toBeUndefined();
  expect(await signIn(db, "nobody@club.example", "a long enough password")).toBeUndefined();
  const [one, two] = [await openSession(db, lead), await openSession(db, lead)];
  expect(await accountOfSession(db, one.secret)).toMatchObject({ id: lead });
  expect(
    (await db.selectFrom("login_session").select("id_hash").execute()).some((row) => row.id_hash === one.secret),
  ).toBe(false);
  await closeSession(db, one.secret);
  expect(await accountOfSession(db, one.secret)).toBeUndefined();
  await closeAllSessions(db, lead);
  expect(await accountOfSession(db, two.secret)).toBeUndefined();
  const [here, there] = [await openSession(db, lead, "Chrome on Android"), await openSession(db, lead)];
  const own = (await sessionsOf(db, lead)).find((one) => one.device === "Chrome on Android");
  await endSession(db, lead, own?.id ?? "");
  expect(await accountOfSession(db, here.secret)).toBeUndefined();
  expect(await accountOfSession(db, there.secret)).toBeDefined();
  const late = await openSession(db, lead);
  await db
    .updateTable("login_session")
    .set({ expires_at: new Date(0) })
    .execute();
  expect(await accountOfSession(db, late.secret)).toBeUndefined();
});

test("an account that is closed is out at once, a new role holds at once, and there is always one lead left", async () => {
  const helper = await anAccount(db, "assistant");
  const { secret } = await openSession(db, helper);
  expect(await changeAccount(db, helper, 1, { role: "lead" })).toBe("changed");
  expect(await accountOfSession(db, secret)).toMatchObject({ role: "lead" });
  // Whoever saw it as it was before changes nothing.
  expect(await changeAccount(db, helper, 1, { isClosed: true })).toBe("changed meanwhile");
  expect(await changeAccount(db, helper, 2, { isClosed: true })).toBe("changed");
  expect(await accountOfSession(db, secret)).toBeUndefined();
  expect(await signIn(db, "assistant@club.example", password)).toBeUndefined();
  expect(await changeAccount(db, lead, 1, { role: "assistant" })).toBe("last lead");
  expect(await changeAccount(db, lead, 1, { isClosed: true })).toBe("last lead");
  expect(await changeAccount(db, helper, 3, { isClosed: false })).toBe("changed");
  expect(await signIn(db, "assistant@club.example", password)).toMatchObject({ role: "lead" });
  // Two leads who close one another at the same moment do not leave none.
  const both = await Promise.all([
    changeAccount(db, lead, 1, { isClosed: true }),
    changeAccount(db, helper, 4, { isClosed: true }),
  ]);
  expect([...both].sort()).toEqual(["changed", "last lead"]);
});

test("what a class begins with is what is usual where the reader's English comes from", () => {
  const usual = (language: string) => usualFor(new Request("http://x", { headers: { "accept-language": language } }));
  expect(usual("en-US,en;q=0.9")).toEqual({ regime: "us", currency: "USD", measuringSetId: "us-usual" });
  expect(usual("de-DE,en-AU;q=0.8")).toEqual({ regime: "anz", currency: "AUD", measuringSetId: "au-usual" });
  expect(usual("fr-FR")).toMatchObject({ regime: "eu", measuringSetId: "metric-usual" });
  for (const region of ["US", "AU", "NZ", "GB", "IE", "ZA"])
    expect(measuringSets.map((set) => set.id)).toContain(usual(`en-${region}`).measuringSetId);
});

test("a letter for a new password is good once, for its time, and in place of any before", async () => {
  expect(await offerNewPassword(db, "nobody@club.example")).toBeUndefined();
  const first = await offerNewPassword(db, "LEAD@club.example");
  const second = await offerNewPassword(db, "lead@club.example");
  expect(await isLetterGood(db, first?.token ?? "")).toBe(false);
  expect(await isLetterGood(db, second?.token ?? "")).toBe(true);
  const { secret } = await openSession(db, lead);
  expect(await spendLetter(db, second?.token ?? "", "whisks and other words")).toBe(lead);
  expect(await signIn(db, "lead@club.example", "whisks and other words")).toBeDefined();
  expect(await signIn(db, "lead@club.example", password)).toBeUndefined();
  expect(await accountOfSession(db, secret)).toBeUndefined();
  expect(await spendLetter(db, second?.token ?? "", "again and again and again")).toBeUndefined();
  const late = await offerNewPassword(db, "lead@club.example");
  await db
    .updateTable("password_letter")
    .set({ expires_at: sql`now() - interval '1 second'`, written_at: sql`now() - interval '1 day'` } as never)
    .execute();
  expect(await spendLetter(db, late?.token ?? "", "again and again and again")).toBeUndefined();
});

test("of two that start at once on an empty database one waits for the other, and both find it prepared", async () => {
  const url = new URL(process.env.DATABASE_URL ?? "");
  const name = `twice_${process.env.JEST_WORKER_ID ?? "0"}`;
  url.pathname = `/${name}`;
  await sql`drop database if exists ${sql.id(name)} with (force)`.execute(db);
  await sql`create database ${sql.id(name)}`.execute(db);
  const wish = { demo: true, reset: false };
  const [one, other] = await Promise.all([prepare(url.href, wish), prepare(url.href, wish)]);
  expect([one.hasDemo, other.hasDemo]).toEqual([true, true]);
  // One of them applied the migrations, the other found them applied.
  expect([one, other].map(({ migrations: said }) => said.length).sort((a, b) => a - b)).toEqual([0, migrations.length]);
  expect(await letIn(url.href, demoAccounts[0].email)).toMatch(/^\/new-password\/[\w-]{32}$/);
  expect(await letIn(url.href, "nobody@club.example")).toBeUndefined();
  await sql`drop database ${sql.id(name)} with (force)`.execute(db);
});

test("the one-time code makes one account, once, and only the first", async () => {
  await db.deleteFrom("account").execute();
  const old = await offerSetupCode(db);
  const code = await offerSetupCode(db);
  const first = { email: "first@club.example", name: "First", password: "a long enough password" };
  expect(await makeFirstAccount(db, old, first)).toBeUndefined();
  expect(await makeFirstAccount(db, code, first)).toBeDefined();
  expect(await makeFirstAccount(db, code, { ...first, email: "second@club.example" })).toBeUndefined();
  expect(await countAccounts(db)).toBe(1);
});

test("the demonstration loads, loads again without doubling, and leaves other classes alone", async () => {
  const own = await brought(current);
  await loadDemo(db);
  await loadDemo(db);
  const rows = await db.selectFrom("class").select(["id", "is_demo"]).execute();
  expect(rows.filter((row) => row.is_demo)).toHaveLength(3);
  expect(rows.map((row) => row.id)).toContain(own);
  const { classCards } = await import("~/db/queries/classes.server");
  expect(
    (await classCards(db, { side: "from", day: "2000-01-01", page: 0, perPage: 500 }))
      .map((card) => Boolean(card.loggedAt))
      .filter(Boolean),
  ).toHaveLength(1);
});

test.each([
  [
    "a half need",
    () =>
      db
        .insertInto("participant_need")
        .values({
          participant_id: crypto.randomUUID(),
          position: 0,
          kind: "substance",
          substance: "milk",
          severity: null,
          touch_or_air: false,
          diet: null,
          note: "",
        })
        .execute(),
  ],
  [
    "an unknown role",
    () =>
      db
        .insertInto("account")
        .values({ email: "x@y.example", name: "X", role: "owner" as "lead", password_hash: "x" })
        .execute(),
  ],
  [
    "an e-mail in capitals",
    () =>
      db.insertInto("account").values({ email: "X@Y.example", name: "X", role: "lead", password_hash: "x" }).execute(),
  ],
  [
    "a surface without places",
    () =>
      db
        .insertInto("surface")
        .values({
          kitchen_id: crypto.randomUUID(),
          position: 0,
          name: "x",
          kind: "oven",
          places: 0,
          count: 1,
          at: "shared",
          preheat_minutes: null,
          watts: 0,
        })
        .execute(),
  ],
])("the database itself refuses %s", async (_name, write) => {
  await expect(write()).rejects.toThrow(/violates/);
});

test("the allergy table is signed with a decision for each thing that stands open, and not without; nothing is kept by half", async () => {
  const { current } = demoClasses(new CalendarDate(2026, 11, 24));
  const classId = await aClass(db, current, lead);
  const input = (await classOf(db, classId))?.input;
  if (!input) throw new Error("the class is there");
  const openings = openingsOf(input, plan(input));
  expect(openings.map((one) => one.kind)).toContain("contains");
  const fields = (decision: (kind: (typeof openings)[number]["kind"]) => string) =>
    Object.fromEntries(openings.map((one) => [decisionField(one), decision(one.kind)]));
  // A plate that contains what somebody must not have is not signed away.
  const asked = await signAllergies(
    fields(() => "asked-agreed"),
    input,
    classId,
    lead,
  );
  expect(asked?.every((one) => one.kind === "contains" || one.kind === "reached")).toBe(true);
  expect(asked?.length).toBeGreaterThan(0);
  expect(await decisionsOf(classId)).toEqual([]);
  expect(await stampsOf(classId)).toEqual([]);
  const signed = fields((kind) => (kind === "contains" || kind === "reached" ? "own-food" : "will-ask"));
  expect(await signAllergies(signed, input, classId, lead)).toBeUndefined();
  expect(await decisionsOf(classId)).toHaveLength(openings.length);
  expect((await stampsOf(classId)).map((stamp) => stamp.stage)).toEqual(["allergies"]);
});
