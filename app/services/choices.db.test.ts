import { type Kysely, sql } from "kysely";
import { draftOf } from "~/core/recipe";
import { addKitchen, changeKitchen, kitchens } from "~/db/queries/kitchens.server";
import { markOfTables } from "~/db/queries/class-marks.server";
import { recipeOf } from "~/db/queries/recipes.server";
import { noTastes } from "~/formats/regions";
import type { DB } from "~/db/schema";
import { demoClasses } from "~/demo/boathouse";
import { starterRecipes } from "~/demo/recipes";
import { anAccount, programDatabase } from "../../test/database";
import { allAccounts, changeAccount, tastesOfAccount } from "./accounts.server";
import { asideOf, putAside } from "./aside.server";
import { pantryToWrite } from "./pantry.server";
import { ingredientOf } from "~/db/queries/pantry.server";
import { choicesNow } from "./choices.server";
import { addStarterRecipes } from "./demo.server";
import { keepRevision } from "./recipes.server";

let db: Kysely<DB>;

beforeAll(async () => {
  db = await programDatabase();
});
afterAll(() => db.destroy());

const [pancakes] = starterRecipes;
if (!pancakes) throw new Error("the starter recipes are gone");
const { kitchen } = demoClasses().next;
let lead = "";

beforeEach(async () => {
  await sql`truncate class, kitchen, recipe, audit_entry restart identity cascade`.execute(db);
  await db.deleteFrom("account").execute();
  lead = await anAccount(db);
  await addStarterRecipes(db, lead);
});

test("what a brief chooses from is the same object until a kitchen or a recipe is written, and then as it is now", async () => {
  const id = await addKitchen(db, { ...kitchen, name: "Sail loft" });
  const first = await choicesNow(db);
  expect(first.kitchens.map((one) => one.name)).toEqual(["Sail loft"]);
  expect(first.recipes.map((one) => one.title)).toContain(pancakes.title);
  expect(await choicesNow(db)).toBe(first);

  // A surface is a row of another table, and counts.
  const [room] = await kitchens(db, id);
  if (!room) throw new Error("the kitchen is there");
  const [surface] = room.surfaces;
  if (!surface) throw new Error("it has a surface");
  await changeKitchen(db, id, room.version, { ...room, surfaces: [{ ...surface, places: surface.places + 1 }] });
  const second = await choicesNow(db);
  expect(second).not.toBe(first);
  expect(second.kitchens[0]?.surfaces.map((one) => one.places)).toEqual([surface.places + 1]);

  await keepRevision(pancakes.id, 1, { ...draftOf(pancakes), title: "Slipway pancakes, thinner" }, lead);
  const third = await choicesNow(db);
  expect(third).not.toBe(second);
  expect(third.recipes.find((one) => one.id === pancakes.id)).toMatchObject({
    revision: 2,
    title: "Slipway pancakes, thinner",
  });

  // What is none of it changes nothing.
  await db.updateTable("account").set({ name: "Somebody else" }).where("id", "=", lead).execute();
  expect(await choicesNow(db)).toBe(third);
  await db.deleteFrom("kitchen").execute();
  expect((await choicesNow(db)).kitchens).toEqual([]);
});

test("the mark of tables is that of their rows: written the same again it is another, unwritten it stays", async () => {
  await addKitchen(db, { ...kitchen, name: "Sail loft" });
  const mark = () => markOfTables(db, ["kitchen", "surface"]);
  const first = await mark();
  expect(first).toMatch(/^[0-9a-f]{32}$/);
  expect(await mark()).toBe(first);
  await db
    .updateTable("surface")
    .set({ name: sql`name` })
    .execute();
  const second = await mark();
  expect(second).not.toBe(first);
  await db.updateTable("kitchen_gear").set({ owned: 1 }).execute();
  expect(await mark()).toBe(second);
});

test("what is put aside is not offered, keeps its place in a class that has it, and comes back when it is taken back", async () => {
  const id = await addKitchen(db, { ...kitchen, name: "Sail loft" });
  await choicesNow(db);
  expect(await putAside(db, "kitchen", id, true)).toBe(true);
  expect(await putAside(db, "recipe", pancakes.id, true)).toBe(true);
  const without = await choicesNow(db);
  expect(without.kitchens).toEqual([]);
  expect(without.recipes.map((one) => one.id)).not.toContain(pancakes.id);
  expect([...(await asideOf(db, "recipe"))]).toEqual([pancakes.id]);
  // The recipe and the kitchen themselves are what they were.
  expect((await kitchens(db, id)).map((one) => one.name)).toEqual(["Sail loft"]);
  expect((await recipeOf(db, pancakes.id))?.title).toBe(pancakes.title);

  await putAside(db, "kitchen", id, false);
  await putAside(db, "recipe", pancakes.id, false);
  const back = await choicesNow(db);
  expect(back.kitchens.map((one) => one.id)).toEqual([id]);
  expect(back.recipes.map((one) => one.id)).toContain(pancakes.id);
  expect(await putAside(db, "recipe", "no-such-recipe", true)).toBe(false);
});

test("an ingredient put aside is still read where it stands, and is named as not to be offered", async () => {
  expect(await putAside(db, "ingredient", "buttermilk", true)).toBe(true);
  const { pantry, aside } = await pantryToWrite(db);
  expect(aside).toEqual(["buttermilk"]);
  expect(pantry.map((one) => one.id)).toContain("buttermilk");
  expect((await ingredientOf(db, "buttermilk"))?.isAside).toBe(true);
  await putAside(db, "ingredient", "buttermilk", false);
  expect((await pantryToWrite(db)).aside).toEqual([]);
});

test("how somebody reads is kept with the account, read back as it was chosen, and taken back", async () => {
  const tastes = { region: "en-US", scale: "celsius", cups: "au-usual", shade: "dark" } as const;
  expect(await tastesOfAccount(db, lead)).toEqual(noTastes);
  expect(await changeAccount(db, lead, 1, { tastes })).toBe("changed");
  expect(await tastesOfAccount(db, lead)).toEqual(tastes);
  expect((await allAccounts(db)).find((one) => one.id === lead)?.tastes).toEqual(tastes);
  expect(await changeAccount(db, lead, 2, { tastes: noTastes })).toBe("changed");
  expect(await tastesOfAccount(db, lead)).toEqual(noTastes);
});
