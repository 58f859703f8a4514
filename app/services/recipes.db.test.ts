import { type Kysely, sql } from "kysely";
import { draftOf } from "~/core/recipe";
import type { DB } from "~/db/schema";
import { changeIngredient, ingredientOf } from "~/db/queries/pantry.server";
import { historyOf, newestRevisions, recipeOf } from "~/db/queries/recipes.server";
import { starterRecipes } from "~/demo/recipes";
import { starterBook } from "~/demo/starter-book";
import { starterPantry } from "~/core/pantry";
import { anAccount, programDatabase } from "../../test/database";
import { giveStanding, importRecipe, keepRevision, missingFor, restoreRevision } from "./recipes.server";
import { addStarterRecipes } from "./demo.server";
import { freeIngredientId } from "./pantry.server";

let db: Kysely<DB>;

beforeAll(async () => {
  db = await programDatabase();
});
afterAll(() => db.destroy());

const [pancakes] = starterRecipes;
if (!pancakes) throw new Error("the starter recipes are gone");
let lead = "";

beforeEach(async () => {
  await sql`truncate class, recipe, audit_entry restart identity cascade`.execute(db);
  await db.deleteFrom("account").execute();
  lead = await anAccount(db);
  await addStarterRecipes(db, lead);
});
const draft = (title: string) => ({ ...draftOf(pancakes), title });

test("a draft becomes the next revision, a draft again, and the one before stays as it was", async () => {
  const kept = await keepRevision(pancakes.id, 1, draft("Slipway pancakes, thinner"), lead);
  expect(kept).toMatchObject({ kind: "kept", recipe: { revision: 2, standing: "draft" } });
  expect((await recipeOf(db, pancakes.id))?.title).toBe("Slipway pancakes, thinner");
  expect((await recipeOf(db, pancakes.id, 1))?.title).toBe(pancakes.title);
  expect((await historyOf(db, pancakes.id)).map((one) => [one.revision, one.by, one.standing])).toEqual([
    [2, "Lead", "draft"],
    [1, "Lead", "draft"],
  ]);
});

test("who kept on an older revision is told of the newer one, and nothing is written", async () => {
  await keepRevision(pancakes.id, 1, draft("First"), lead);
  expect(await keepRevision(pancakes.id, 1, draft("Second"), lead)).toMatchObject({
    kind: "newer",
    newest: { revision: 2, title: "First" },
  });
  expect((await historyOf(db, pancakes.id)).length).toBe(2);
  expect(await keepRevision(pancakes.id, 2, draft("Second"), lead)).toMatchObject({
    kind: "kept",
    recipe: { revision: 3 },
  });
});

test("of many who keep at the same moment one gets the number, the others are told", async () => {
  const done = await Promise.all(
    Array.from({ length: 6 }, (_, index) => keepRevision(pancakes.id, 1, draft(`Way ${index}`), lead)),
  );
  expect(done.map((one) => one.kind).sort()).toEqual(["kept", "newer", "newer", "newer", "newer", "newer"]);
});

test("what is open keeps a draft out; an ingredient that is gone does too, by name", async () => {
  expect(await keepRevision(null, 0, { ...draft(""), system: "" }, lead)).toMatchObject({
    kind: "problems",
    problems: [{ code: "title-missing" }, { code: "system-open" }],
  });
  const odd = {
    ...draft("Odd"),
    lines: draft("Odd").lines.map((line, index) => (index === 0 ? { ...line, ingredientId: "moon-dust" } : line)),
  };
  expect(await keepRevision(null, 0, odd, lead)).toEqual({ kind: "unknown-ingredients", ids: ["moon-dust"] });
  expect((await newestRevisions(db)).length).toBe(starterBook.length);
});

test("two recipes of one title get addresses of their own; a title without letters gets one too", async () => {
  const ids: string[] = [];
  for (const title of ["Crêpes à la rame!", "Crêpes à la rame!", "煎饼"]) {
    const kept = await keepRevision(null, 0, draft(title), lead);
    ids.push(kept.kind === "kept" ? kept.recipe.id : kept.kind);
  }
  expect(ids).toEqual(["crepes-a-la-rame", "crepes-a-la-rame-2", "recipe"]);
});

test("an old revision comes back as a new one; a standing is kept with who and what was seen", async () => {
  await keepRevision(pancakes.id, 1, draft("Worse"), lead);
  expect(await restoreRevision(pancakes.id, 1, lead)).toMatchObject({ revision: 3, title: pancakes.title });
  expect(await restoreRevision(pancakes.id, 9, lead)).toBeUndefined();
  await giveStanding(pancakes.id, 3, "rehearsed", "spread well", lead);
  await giveStanding(pancakes.id, 3, "taught", "", lead);
  expect((await recipeOf(db, pancakes.id))?.standing).toBe("taught");
  expect((await historyOf(db, pancakes.id))[0]?.marks.map((mark) => [mark.standing, mark.note, mark.by])).toEqual([
    ["rehearsed", "spread well", "Lead"],
    ["taught", "", "Lead"],
  ]);
});

test("a recipe file brings the ingredients we lack, keeps our figures for those we have, and is not doubled", async () => {
  const malt = { ...(starterPantry[0] as (typeof starterPantry)[number]), id: "malt", name: "malt" };
  const [flour] = starterPantry;
  if (!flour) throw new Error("the pantry is empty");
  const file = {
    recipe: {
      ...pancakes,
      id: "malted",
      title: "Malted",
      lines: pancakes.lines.map((line) => (line.id === "sugar" ? { ...line, ingredientId: "malt" } : line)),
    },
    pantry: [malt, { ...flour, trueDensity: 1.2 }],
  };
  expect(await missingFor({ ...file, pantry: [] })).toEqual(["malt"]);
  const brought = await importRecipe(file, lead);
  expect(brought).toMatchObject({ recipe: { id: "malted", revision: 1 }, added: [{ id: "malt" }], kept: [flour.name] });
  expect((await ingredientOf(db, flour.id))?.ingredient.trueDensity).toBe(flour.trueDensity);
  expect((await importRecipe(file, lead)).recipe.id).toBe("malted");
  expect((await importRecipe({ ...file, recipe: { ...file.recipe, title: "Malted, another" } }, lead)).recipe.id).toBe(
    "malted-2",
  );
  await db.deleteFrom("recipe").where("id", "like", "malted%").execute();
  await db.deleteFrom("ingredient").where("id", "=", "malt").execute();
});

test("an ingredient is changed by the first of two", async () => {
  const butter = await ingredientOf(db, "butter");
  if (!butter) throw new Error("there is no butter");
  expect(butter.recipes).toBeGreaterThan(0);
  expect(
    await changeIngredient(db, { ...butter.ingredient, contains: ["milk", "mustard"] }, butter.version, lead),
  ).toBe(true);
  expect(await changeIngredient(db, butter.ingredient, butter.version, lead)).toBe(false);
  expect((await ingredientOf(db, "butter"))?.ingredient.contains).toEqual(["milk", "mustard"]);
  await changeIngredient(db, butter.ingredient, butter.version + 1, lead);
  expect(await freeIngredientId(db, "Butter")).toBe("butter-2");
  expect(await freeIngredientId(db, "New")).toBe("new-2");
});

test("the database refuses figures that contradict themselves, whatever let them through", async () => {
  const spread = db
    .updateTable("ingredient")
    .set({ tsp_low: 5, tsp_high: 3 })
    .where("id", "=", "coarse-salt")
    .execute();
  await expect(spread).rejects.toThrow(/ingredient_spread/);
  const standing = db
    .insertInto("recipe_standing")
    .values({ recipe_id: pancakes.id, revision: 1, standing: "famous", note: "", marked_by: lead })
    .execute();
  await expect(standing).rejects.toThrow(/standing/);
});
