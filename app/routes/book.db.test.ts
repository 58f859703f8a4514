import type { Kysely } from "kysely";
import { demoKitchens } from "~/demo/boathouse";
import { starterRecipes } from "~/demo/recipes";
import { draftOf } from "~/core/recipe";
import type { DB } from "~/db/schema";
import { kitchens } from "~/db/queries/kitchens.server";
import { ingredientOf } from "~/db/queries/pantry.server";
import { historyOf, recipeOf } from "~/db/queries/recipes.server";
import { accountByEmail, offerSetupCode } from "~/services/accounts.server";
import { asideOf } from "~/services/aside.server";
import { addStarterRecipes } from "~/services/demo.server";
import { anAccount, password, programDatabase } from "../../test/database";
import { type Answer, type Asked, type Door, ask, askOpenly, cookieOf } from "../../test/doors";
import * as accounts from "./account/accounts";
import * as firstAccount from "./account/first-account";
import * as signIn from "./account/sign-in";
import * as signOut from "./account/sign-out";
import * as floor from "./kitchens/floor";
import * as kitchen from "./kitchens/kitchen";
import * as ingredient from "./pantry/ingredient";
import * as pantryShelf from "./pantry/shelf";
import * as bringIn from "./recipes/bring-in";
import * as edit from "./recipes/edit";
import * as making from "./recipes/new";
import * as recipe from "./recipes/recipe";

let db: Kysely<DB>;
let lead = "";
let cookie = "";
const [pancakes] = starterRecipes;
const [galley] = demoKitchens;
if (!pancakes || !galley) throw new Error("the demonstration is incomplete");

beforeAll(async () => {
  db = await programDatabase();
});
afterAll(() => db.destroy());
beforeEach(async () => {
  await db.deleteFrom("class").execute();
  await db.deleteFrom("recipe").execute();
  await db.deleteFrom("kitchen").execute();
  await db.deleteFrom("account").execute();
  lead = await anAccount(db);
  cookie = await cookieOf(lead);
});
const post = (door: Door, form: Asked["form"], params: Record<string, string> = {}): Promise<Answer> =>
  ask(door, cookie, { params, ...(form ? { form } : {}) });
const said = (answer: Answer): string => JSON.stringify(answer.body);

describe("the batter book", () => {
  const draft = (change: object = {}) => JSON.stringify({ ...draftOf(pancakes), title: "Jetty cakes", ...change });

  test("a draft is kept as a recipe, then as its second revision; whoever is late is told and may keep a third", async () => {
    const first = await post(making, { draft: draft(), basedOn: "0" });
    expect(first).toMatchObject({ status: 200, body: { kept: { revision: 1 } } });
    const { id } = (first.body as { kept: { id: string } }).kept;
    const params = { recipeId: id };
    const again = { draft: draft({ title: "Jetty cakes, thinner" }), basedOn: "1" };
    expect(await post(edit, again, params)).toMatchObject({ status: 200, body: { kept: { id, revision: 2 } } });
    const late = await post(edit, { ...again, draft: draft({ title: "Jetty cakes, thicker" }) }, params);
    expect(late).toMatchObject({ status: 409, body: { basedOn: 2 } });
    expect(said(late)).toContain("Somebody saved revision 2 while you were writing.");
    expect((await recipeOf(db, id))?.title).toBe("Jetty cakes, thinner");
    const kept = await post(edit, { draft: draft({ title: "Jetty cakes, thicker" }), basedOn: "2" }, params);
    expect(kept).toMatchObject({ status: 200, body: { kept: { revision: 3 } } });
    expect((await historyOf(db, id)).map((one) => one.revision)).toEqual([3, 2, 1]);
  });

  test.each([
    ["nothing", "", 400, "The draft did not arrive whole."],
    ["half of it", draft().slice(0, 200), 400, "The draft did not arrive whole."],
    ["no title", draft({ title: "" }), 400, ""],
    [
      "an ingredient nobody has",
      draft({ lines: draftOf(pancakes).lines.map((line) => ({ ...line, ingredientId: "moonlight" })) }),
      409,
      "The pantry does not have moonlight any more.",
    ],
  ])("%s is not kept, and the page keeps it", async (_name, text, status, sentence) => {
    const answer = await post(making, { draft: text, basedOn: "0" });
    expect(answer.status).toBe(status);
    expect(said(answer)).toContain(sentence);
    expect(await db.selectFrom("recipe").select("id").execute()).toEqual([]);
  });

  test("a revision is given a standing with what was seen, and an old one is made the newest again", async () => {
    await addStarterRecipes(db, lead);
    const params = { recipeId: "slipway-pancakes" };
    const form = { intent: "standing", revision: "1", standing: "rehearsed", note: "spread well" };
    expect((await post(recipe, form, params)).location).toBe("/recipes/slipway-pancakes");
    await post(edit, { draft: draft(), basedOn: "1" }, params);
    expect((await post(recipe, { intent: "restore", revision: "1" }, params)).status).toBe(302);
    const newest = await recipeOf(db, "slipway-pancakes");
    expect([newest?.revision, newest?.title]).toEqual([3, pancakes.title]);
    expect((await post(recipe, { intent: "restore", revision: "9" }, params)).status).toBe(404);
    expect((await post(recipe, { ...form, standing: "famous" }, params)).status).toBe(400);
  });

  test.each([
    ["", "Nothing came."],
    ['{"a": 1}', "there is no recipe in it"],
    ["<html><body>hello</body></html>", "it carries no recipe data"],
    ["Just a title\nand a thought.", "No ingredient was found"],
    ["x".repeat(400_001), "At most 400,000 letters"],
  ])("what is no recipe says so: %j", async (text, sentence) => {
    const answer = await post(bringIn, { text });
    expect(answer.status).toBe(400);
    expect(said(answer)).toContain(sentence);
  });

  test("a pasted recipe becomes a draft to look through, in the measures that were said", async () => {
    const text = "Slip cakes\nMakes 9\nIngredients\n1 cup plain flour\n1 egg\nMethod\n1. Whisk flour and egg.";
    const answer = await post(bringIn, { text, system: "us", family: "pancake" });
    expect(answer.status).toBe(200);
    expect(answer.body).toMatchObject({ source: "text", draft: { title: "Slip cakes", family: "pancake" } });
    expect((answer.body as { draft: { lines: unknown[] } }).draft.lines).toHaveLength(2);
  });
});

describe("the pantry", () => {
  const malt = {
    name: "boathouse malt",
    role: "sweetener",
    label: "packet",
    storage: "dry",
    gramsPerTsp: "7",
    waterPercent: "20",
    sugarPercent: "70",
    trueDensity: "1.4",
  };
  const roleOf = async (change: object = {}) => {
    const form = { ...malt, ...change };
    const answer = await post(ingredient, form, { ingredientId: "new" });
    return answer;
  };

  test("an ingredient is added, changed by one of two, put aside and taken back", async () => {
    const sugar = await ingredientOf(db, "sugar");
    const made = await roleOf({ role: sugar?.ingredient.role, label: sugar?.ingredient.label });
    expect(made).toMatchObject({ status: 302, location: "/pantry" });
    const params = { ingredientId: "boathouse-malt" };
    const before = await ingredientOf(db, "boathouse-malt");
    expect(before?.ingredient.name).toBe("boathouse malt");
    const form = { ...malt, role: before?.ingredient.role ?? "", label: before?.ingredient.label ?? "" };
    const version = String(before?.version);
    expect((await post(ingredient, { ...form, version, gramsPerTsp: "8" }, params)).status).toBe(302);
    const late = await post(ingredient, { ...form, version, gramsPerTsp: "9" }, params);
    expect(late.status).toBe(409);
    expect(said(late)).toContain("changed this ingredient while you were typing");
    expect((await post(pantryShelf, { intent: "aside", id: "boathouse-malt" })).location).toBe(
      "/pantry?aside=boathouse-malt",
    );
    expect((await asideOf(db, "ingredient")).has("boathouse-malt")).toBe(true);
    expect((await post(pantryShelf, { intent: "back", id: "boathouse-malt" })).location).toBe("/pantry");
    expect((await asideOf(db, "ingredient")).has("boathouse-malt")).toBe(false);
    expect((await ingredientOf(db, "boathouse-malt"))?.ingredient.name).toBe("boathouse malt");
    await db.deleteFrom("ingredient").where("id", "=", "boathouse-malt").execute();
  });

  test.each([
    [{ waterPercent: "60" }, "come to 130 %"],
    [{ trueDensity: "0" }, "Give grams per millilitre from 0.05 to 5"],
    [{ gramsSifted: "100" }, "Give all three ways of filling a cup, or none."],
    [{ rawName: "whole one" }, "Say both what is bought and how much of it is left, or neither."],
    [{ tspLow: "2" }, "Give both the lightest and the heaviest spoon, or neither."],
    [{ name: "" }, "Give a name as people say it"],
  ])("%j is refused with “%s”", async (change, sentence) => {
    const sugar = await ingredientOf(db, "sugar");
    const answer = await roleOf({ role: sugar?.ingredient.role, label: sugar?.ingredient.label, ...change });
    expect(answer.status).toBe(400);
    expect(said(answer)).toContain(sentence);
    expect(await ingredientOf(db, "boathouse-malt")).toBeUndefined();
  });
});

describe("kitchens", () => {
  const garden = {
    name: "Garden",
    sinks: "1",
    "surfaces[0].name": "Camping hob",
    "surfaces[0].kind": "hob-pan",
    "surfaces[0].places": "3",
    "surfaces[0].count": "2",
    "gear.whisk": "5",
  };

  test("one is added, measured, and changed by one of two", async () => {
    expect((await post(kitchen, garden, { kitchenId: "new" })).location).toBe("/kitchens");
    const [made] = await kitchens(db);
    expect(made).toMatchObject({
      name: "Garden",
      surfaces: [{ places: 3, count: 2 }],
      gear: [{ tool: "whisk", owned: 5 }],
    });
    const params = { kitchenId: made?.id ?? "" };
    const measured = { "surfaces[0].shape": "round", "surfaces[0].across": "26", "surfaces[0].coating": "non-stick" };
    const version = String(made?.version);
    expect((await post(kitchen, { ...garden, ...measured, version }, params)).status).toBe(302);
    expect((await kitchens(db))[0]?.surfaces[0]?.size).toEqual({ kind: "round", diameterCm: 26 });
    const late = await post(kitchen, { ...garden, name: "Yard", version }, params);
    expect(late.status).toBe(409);
    expect((await kitchens(db))[0]?.name).toBe("Garden");
  });

  test.each([
    [{ "surfaces[0].places": "" }, "Say how many pieces cook on it at once."],
    [{ "surfaces[0].kind": "" }, "Say what kind of surface it is."],
    [{ "surfaces[0].shape": "round" }, "Measure it"],
    [{ "surfaces[0].shape": "rect", "surfaces[0].across": "30" }, "Measure how deep it is"],
    [{ "surfaces[0].across": "300" }, "Give centimetres above 0 and up to 200"],
    [{ "circuits[0].name": "wall" }, "Give the volts"],
    [{ sinks: "many" }, "what came is not a number"],
    [{ "gear.whisk": "-1" }, "Give a whole number from 0 to 1000"],
  ])("%j is refused with “%s”", async (change, sentence) => {
    const answer = await post(kitchen, { ...garden, ...change }, { kitchenId: "new" });
    expect(answer.status).toBe(400);
    expect(said(answer)).toContain(sentence);
    expect(await kitchens(db)).toEqual([]);
  });

  test("a sketch is kept whole or not at all, each thing that is wrong in a sentence", async () => {
    await post(kitchen, garden, { kitchenId: "new" });
    const [made] = await kitchens(db);
    const params = { kitchenId: made?.id ?? "" };
    const mark = { kind: "station", label: "Heron", x: 1, y: 2 };
    const sketch = { widthM: 8, depthM: 6, marks: [mark] };
    for (const [floorText, sentence] of [
      ["", "The sketch was not understood."],
      ["{", "The sketch was not understood."],
      [JSON.stringify({ ...sketch, widthM: 0.5 }), "A room is at least 1 m wide."],
      [JSON.stringify({ ...sketch, depthM: "deep" }), "Give how deep the room is"],
      [JSON.stringify({ ...sketch, marks: [{ ...mark, label: "x".repeat(41) }] }), "A name has at most 40 letters."],
      [JSON.stringify({ ...sketch, marks: Array.from({ length: 121 }, () => mark) }), "At most 120 things."],
      [JSON.stringify({ ...sketch, marks: [{ ...mark, kind: "moon" }] }), "The sketch was not understood."],
    ] as const) {
      const answer = await post(floor, { floor: floorText }, params);
      expect(answer.status).toBe(400);
      expect(said(answer)).toContain(sentence);
    }
    expect((await kitchens(db))[0]?.floor).toBeUndefined();
    // Drawn on a kitchen that somebody changed meanwhile: told, and nothing is kept.
    const version = String((await kitchens(db))[0]?.version ?? 0);
    const late = await post(floor, { floor: JSON.stringify(sketch), version: "0" }, params);
    expect([late.status, said(late).includes("Somebody else changed this kitchen")]).toEqual([409, true]);
    expect((await kitchens(db))[0]?.floor).toBeUndefined();
    expect((await post(floor, { floor: JSON.stringify(sketch), version }, params)).status).toBe(302);
    expect((await kitchens(db))[0]?.floor).toEqual(sketch);
  });
});

describe("accounts", () => {
  const helper = { name: "Helper", email: "helper@club.example", role: "assistant", password: "two spoons of salt" };

  test("a lead adds one; the same address twice, a short password and no role are refused", async () => {
    expect(await post(accounts, helper)).toMatchObject({ status: 200, body: { added: "Helper" } });
    expect(said(await post(accounts, helper))).toContain("This address has an account already.");
    for (const [change, sentence] of [
      [{ password: "short" }, "At least 12 letters; 5 came."],
      [{ role: "owner" }, "Choose a role from the list."],
      [{ email: "nowhere" }, "Give an e-mail address"],
    ] as const) {
      const answer = await post(accounts, { ...helper, email: "other@club.example", ...change });
      expect(answer.status).toBe(400);
      expect(said(answer)).toContain(sentence);
      expect(said(answer)).not.toContain(helper.password);
    }
    expect(await accountByEmail(db, "other@club.example")).toBeUndefined();
  });

  test("one signs in to where one wanted to go, never to another site, and out again", async () => {
    const who = { email: "lead@club.example", password };
    expect(await askOpenly(signIn, { form: { ...who, back: "/recipes" } })).toMatchObject({
      status: 302,
      location: "/recipes",
    });
    for (const back of ["https://elsewhere.example", "//elsewhere.example", "/\\elsewhere.example"])
      expect((await askOpenly(signIn, { form: { ...who, back } })).location).toBe("/");
    const wrong = await askOpenly(signIn, { form: { ...who, password: "three bells and salt" } });
    expect(wrong.status).toBe(400);
    expect(said(wrong)).not.toContain("three bells and salt");
    expect((await post(signOut, {})).status).toBe(302);
    expect((await ask(recipe, cookie, { params: { recipeId: "x" } })).status).toBe(302);
  });

  test("the very first account wants the code of this start, once, and then no other is made this way", async () => {
    expect((await askOpenly(firstAccount)).location).toBe("/sign-in");
    await db.deleteFrom("account").execute();
    const code = await offerSetupCode(db);
    const { role: _role, ...first } = helper;
    expect(said(await askOpenly(firstAccount, { form: { ...first, code: "no such code" } }))).toContain(
      "This is not the code in the terminal.",
    );
    expect((await askOpenly(firstAccount, { form: { ...first, code: code ?? "" } })).location).toBe("/");
    expect((await accountByEmail(db, helper.email))?.role).toBe("lead");
    const second = { ...first, email: "second@club.example", code: code ?? "" };
    expect((await askOpenly(firstAccount, { form: second })).status).toBe(400);
  });
});
