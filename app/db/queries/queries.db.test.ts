import { ingredientsNamedIn } from "~/core/recipe";
import { CalendarDate } from "@internationalized/date";
import { Kysely, PostgresDialect, sql } from "kysely";
import pg from "pg";
import { starterPantry } from "~/core/pantry";
import { canonical } from "~/core/plan";
import { demoClasses, demoKitchens } from "~/demo/boathouse";
import { starterRecipes } from "~/demo/recipes";
import { testDatabase } from "../../../test/database";
import type { DB } from "../schema";
import { addParticipants } from "./people.server";
import { marksOf } from "./class-marks.server";
import { type ClassesWanted, addClass, classCards, classesBetween, countClasses, classOf } from "./classes.server";
import { writeDishes } from "./dishes.server";
import { addKitchen, changeFloor, changeKitchen, kitchens } from "./kitchens.server";
import { addIngredients, allIngredients } from "./pantry.server";
import { addRevision, newestRecipes, newestRevisions, recipeOf } from "./recipes.server";

let db: Kysely<DB>;
let url = "";
beforeAll(async () => {
  ({ db, url } = await testDatabase());
});
afterAll(() => db.destroy());

const [pancakes] = starterRecipes;
const [galley] = demoKitchens;
if (!pancakes || !galley) throw new Error("the demonstration is incomplete");
const { current } = demoClasses(new CalendarDate(2026, 11, 24));

/** Without what the database gives: ids of rows and their versions. */
const shape = ({
  name,
  sinks,
  altitudeM,
  surfaces,
  gear,
}: Awaited<ReturnType<typeof kitchens>>[number] | typeof galley) =>
  canonical({
    name,
    sinks,
    altitudeM,
    surfaces: surfaces.map(({ id: _id, ...rest }) => rest),
    gear: [...gear].sort((a, b) => (a.tool < b.tool ? -1 : 1)),
  });

test("the starter pantry comes out of the migration as it stands in the core", async () => {
  const byId = (all: readonly { id: string }[]) => canonical([...all].sort((a, b) => (a.id < b.id ? -1 : 1)));
  const sorted = starterPantry.map((one) => ({ ...one, contains: [...one.contains].sort() }));
  expect(byId(await allIngredients(db))).toBe(byId(sorted));
});

test("an ingredient with a figure per way of filling comes back with all three", async () => {
  const own = {
    ...starterPantry[0],
    id: "own-flour",
    name: "own flour",
    gramsPerCup: { sifted: 100, spooned: 110, dipped: 130 },
  } as (typeof starterPantry)[number];
  await addIngredients(db, [own]);
  await addIngredients(db, []);
  expect((await allIngredients(db)).find((one) => one.id === "own-flour")).toEqual(own);
});

describe("recipes", () => {
  test("a revision comes back exactly, fractions and all; the newest is the one that is shown", async () => {
    for (const recipe of starterRecipes) await addRevision(db, recipe, null);
    await addRevision(db, { ...pancakes, revision: 2, title: "Slipway pancakes, second thoughts" }, null);
    expect(await recipeOf(db, pancakes.id)).toEqual({
      ...pancakes,
      revision: 2,
      title: "Slipway pancakes, second thoughts",
    });
    expect((await newestRevisions(db)).map((card) => [card.recipeId, card.revision])).toEqual([
      ["oarlock-waffles", 1],
      ["slipway-pancakes", 2],
      ["towpath-crepes", 1],
    ]);
    expect((await newestRecipes(db)).map((recipe) => recipe.revision)).toEqual([1, 2, 1]);
    expect(await recipeOf(db, "nobody-wrote-this")).toBeUndefined();
  });

  test("a revision is not written over, and an ingredient that a recipe names is not removed", async () => {
    await expect(addRevision(db, pancakes, null)).rejects.toThrow(/duplicate key/);
    expect(ingredientsNamedIn(pancakes)).toEqual(expect.arrayContaining(["plain-flour", "oat-drink"]));
    await expect(db.deleteFrom("ingredient").where("id", "=", "oat-drink").execute()).rejects.toThrow(/foreign key/);
  });
});

describe("kitchens", () => {
  test("a kitchen comes back as it was stored, with surfaces in their order", async () => {
    const id = await addKitchen(db, galley);
    const [found] = await kitchens(db, id);
    if (!found) throw new Error("the kitchen is not there");
    expect(shape(found)).toBe(shape(galley));
    expect(found.version).toBe(1);
  });

  test("it is changed from the version that was read, once", async () => {
    const id = await addKitchen(db, { ...galley, name: "Shed" });
    const smaller = { ...galley, name: "Shed, half of it", surfaces: galley.surfaces.slice(0, 1), gear: [] };
    expect(await changeKitchen(db, id, 1, smaller)).toBe(true);
    expect(await changeKitchen(db, id, 1, galley)).toBe(false);
    const [found] = await kitchens(db, id);
    expect(found && shape(found)).toBe(shape(smaller));
    expect(found?.version).toBe(2);
  });

  test("one that a class cooks in is not removed under it", async () => {
    const id = await addKitchen(db, { ...galley, name: "In use" });
    await addClass(db, { ...current, people: [], labels: [], packs: [] }, id, null);
    await expect(db.deleteFrom("kitchen").where("id", "=", id).execute()).rejects.toThrow(/foreign key/);
  });
});

describe("classes", () => {
  test("the list says what each asks for: recipes once each, and who has not answered", async () => {
    const kitchenId = await addKitchen(db, { ...galley, name: "For the list" });
    const id = await addClass(db, { ...current, title: "Listed", labels: [], packs: [], people: [] }, kitchenId, null);
    const [dish] = current.dishes;
    if (!dish) throw new Error("the class has a dish");
    const row = { recipeId: dish.recipe.id, revision: 1, variantId: null, stations: 1 };
    await writeDishes(db, id, [row, row, { ...row, recipeId: "slipway-pancakes" }]);
    const silent = {
      name: "Silent",
      role: "cook" as const,
      ageBand: "adult" as const,
      hasAnswered: false,
      needs: [],
    };
    await addParticipants(db, id, [silent, { ...silent, hasAnswered: true }, silent], null);
    const card = (await classCards(db, { side: "from", day: "2000-01-01", page: 0, perPage: 500 })).find(
      (one) => one.id === id,
    );
    expect(card).toMatchObject({ title: "Listed", kitchen: "For the list", startedAt: null, loggedAt: null });
    expect(card?.recipes).toBe("Slipway pancakes, Towpath crepes");
    expect(Number(card?.unanswered)).toBe(2);
  });

  test("a class is found by its title, recipe, kitchen or somebody on its register, and by how it stands", async () => {
    await db.deleteFrom("class").execute();
    const kitchenId = await addKitchen(db, { ...galley, name: "Sail loft 100%" });
    const id = await addClass(db, { ...current, title: "Found_again", people: [] }, kitchenId, null);
    const other = await addClass(db, { ...current, title: "Not this", people: [] }, await addKitchen(db, galley), null);
    const silent = { name: "Wren Sculler", role: "cook", ageBand: "adult", hasAnswered: false, needs: [] } as const;
    await addParticipants(db, id, [silent], null);
    const found = async (wanted: ClassesWanted) =>
      (await classCards(db, { side: "from", day: "2000-01-01", page: 0, perPage: 50, ...wanted })).map((one) => one.id);
    for (const find of ["found_", "loft 100%", "sculler", "WREN"])
      expect([find, await found({ find })]).toEqual([find, [id]]);
    const [dish] = current.dishes;
    expect((await found({ find: dish?.recipe.title.slice(0, 6) })).sort()).toEqual([id, other].sort());
    for (const find of ["nobody", "found%", "loft_100"]) expect([find, await found({ find })]).toEqual([find, []]);
    expect(await found({ state: "waiting" })).toEqual([id]);
    expect(await found({ state: "waiting", find: "not this" })).toEqual([]);
    expect(await found({ state: "logged" })).toEqual([]);
    expect(await found({ state: "open-log" })).toEqual([]);
    expect(await countClasses(db, "2000-01-01", { find: "sculler" })).toEqual({ from: 1, before: 0 });
    await db
      .insertInto("live_run")
      .values({ class_id: id, started_at: new Date(), snapshot: JSON.stringify({}) })
      .execute();
    expect(await found({ state: "open-log" })).toEqual([id]);

    const day = current.startsAt.slice(0, 10);
    const between = async (from: string, to: string) =>
      (await classesBetween(db, from, to)).map((one) => one.id).sort();
    expect(await between(day, `${day}T99`)).toEqual([id, other].sort());
    expect(await between("2000-01-01", day)).toEqual([]);
  });

  test("people keep the order they were added in, and go with their class", async () => {
    const kitchenId = await addKitchen(db, { ...galley, name: "For the order" });
    const id = await addClass(db, { ...current, labels: [], packs: [] }, kitchenId, null);
    const before = current.people.map((person) => person.name);
    const late = {
      name: "Late",
      role: "cook" as const,
      ageBand: "adult" as const,
      hasAnswered: true,
      needs: [{ kind: "diet" as const, diet: "vegan" as const, note: "" }],
    };
    await addParticipants(db, id, [late, { ...late, name: "Later" }], null);
    const names = (await classOf(db, id))?.input.people.map((person) => person.name);
    expect(names).toEqual([...before, "Late", "Later"]);
    await db.deleteFrom("class").where("id", "=", id).execute();
    const left = await db.selectFrom("participant").select("id").where("class_id", "=", id).execute();
    expect(left).toEqual([]);
    expect(await classOf(db, id)).toBeUndefined();
  });
});

test("every reference has an index under it: looking up or removing what it names goes through no whole table", async () => {
  const { rows } = await sql<{ name: string }>`
    select c.conrelid::regclass || ' (' || string_agg(a.attname, ', ' order by k.ord) || ')' as name
    from pg_constraint c
    cross join lateral unnest(c.conkey) with ordinality k (attnum, ord)
    join pg_attribute a on a.attrelid = c.conrelid and a.attnum = k.attnum
    where c.contype = 'f'
      and not exists (
        select from pg_index i where i.indrelid = c.conrelid
        and (i.indkey::int2[])[0:cardinality(c.conkey) - 1] @> c.conkey
        and (i.indkey::int2[])[0:cardinality(c.conkey) - 1] <@ c.conkey)
    group by c.oid, c.conrelid order by 1`.execute(db);
  expect(rows.map((row) => row.name)).toEqual([]);
});

test("a sketch and a kitchen changed at once: whoever saves second is told, and nothing is lost", async () => {
  const id = await addKitchen(db, galley);
  const floor = { widthM: 5, depthM: 4, marks: [] };
  const now = async () => (await kitchens(db, id))[0];
  const version = (await now())?.version ?? 0;
  const both = await Promise.all([
    db.transaction().execute((trx) => changeFloor(trx, id, version, floor)),
    db.transaction().execute((trx) => changeKitchen(trx, id, version, { ...galley, name: "Other" })),
  ]);
  expect([...both].sort()).toEqual([false, true]);
  expect(await changeFloor(db, id, version, { ...floor, widthM: 9 })).toBe(false);
  expect(await changeFloor(db, id, (await now())?.version ?? 0, { ...floor, widthM: 7 })).toBe(true);
  expect((await now())?.floor?.widthM).toBe(7);
});

test("a class has the mark it had exactly while no row it is read from was written", async () => {
  await db.deleteFrom("class").execute();
  const kitchenId = await addKitchen(db, galley);
  const id = await addClass(db, current, kitchenId, null);
  const other = await addClass(db, current, kitchenId, null);
  const mark = async (of = id) => (await marksOf(db, [of])).get(of);
  const first = await mark();
  expect(first).toMatch(/^[0-9a-f]{32}$/);
  expect(await mark()).toBe(first);
  expect((await marksOf(db, [id, other])).size).toBe(2);

  // Every table that a class is read from: told by the queries that read it.
  const asked: string[] = [];
  const watched = new Kysely<DB>({
    dialect: new PostgresDialect({ pool: new pg.Pool({ connectionString: url }) }),
    log: (event) => void asked.push(event.query.sql),
  });
  await classOf(watched, id);
  await watched.destroy();
  const tables = [
    ...new Set(asked.flatMap((text) => [...text.matchAll(/(?:from|join) "(\w+)"/g)].map((found) => found[1] ?? ""))),
  ];
  expect(tables.length).toBeGreaterThan(15);
  let [before, written] = [first, 0];
  for (const table of tables) {
    const { rows } = await sql<{ column_name: string }>`select column_name from information_schema.columns
      where table_name = ${table} and is_generated = 'NEVER' and is_identity = 'NO' limit 1`.execute(db);
    const column = rows[0]?.column_name ?? "";
    // The same value written again is a row written again.
    const changed = await sql`update ${sql.table(table)} set ${sql.ref(column)} = ${sql.ref(column)}`.execute(db);
    const now = await mark();
    if (!changed.numAffectedRows) continue;
    written += 1;
    // No account has changed this class yet.
    if (table !== "account") expect([table, now === before]).toEqual([table, false]);
    before = now;
  }
  expect(written).toBeGreaterThan(10);
  // Another class written is another class's mark.
  const quiet = await mark();
  await db.updateTable("participant").set({ name: "Somebody" }).where("class_id", "=", other).execute();
  await db.updateTable("class").set({ title: "Other" }).where("id", "=", other).execute();
  expect(await mark()).toBe(quiet);
  await db.deleteFrom("participant").where("class_id", "=", id).execute();
  expect(await mark()).not.toBe(quiet);
});
