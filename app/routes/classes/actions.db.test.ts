import { CalendarDate } from "@internationalized/date";
import { plan } from "~/core/plan";
import { measuringSetOf, scoopName, toNumber } from "~/core/quantity";
import { countClasses } from "~/db/queries/classes.server";
import { demoClasses } from "~/demo/boathouse";
import { seenPack } from "~/services/products.server";
import { stampsOf } from "~/services/sign-off.server";
import { aClass, anAccount } from "../../../test/database";
import { classWithDoors, said } from "../../../test/class-doors";
import { ask, cookieOf } from "../../../test/doors";
import * as brief from "./people/brief";
import { formValuesOf } from "./people/brief-form";
import * as brought from "./allergies/brought";
import * as theClass from "./class";
import * as importing from "./import";
import * as intakeAdmin from "./people/intake-admin";
import * as label from "./allergies/label";
import * as making from "./new";
import * as people from "./people/people";
import * as peopleImport from "./people/people-import";
import * as person from "./people/person";
import * as privacy from "./people/privacy";
import * as remedies from "./allergies/remedies";
import * as scaling from "./amounts/scaling";
import * as seats from "./people/seats";

const { next, current } = demoClasses(new CalendarDate(2026, 11, 25));
const at = classWithDoors(next);
const { stored, post, personNamed } = at;
/** A form's first values as a browser would post them. */
const posted = (values: Record<string, unknown>): Record<string, string> =>
  Object.fromEntries(
    Object.entries(values).flatMap(([key, value]): [string, string][] =>
      Array.isArray(value)
        ? value.flatMap((row: Record<string, unknown> | string, index) =>
            typeof row === "string"
              ? [[`${key}[${index}]`, row] as [string, string]]
              : Object.entries(row).map(([field, each]): [string, string] => [
                  `${key}[${index}].${field}`,
                  String(each),
                ]),
          )
        : value === undefined || value === ""
          ? []
          : [[key, String(value)]],
    ),
  );
const briefForm = async (change: Record<string, string> = {}) => {
  const { input, meta } = await stored();
  return { ...posted(formValuesOf(input, meta.version)), ...change };
};
describe("the brief", () => {
  test("is kept when it is whole, and raises the version of the class once", async () => {
    const before = (await stored()).meta.version;
    const answer = await post(brief, await briefForm({ people: "17", piecesEach: "2 1/2" }));
    expect(answer).toMatchObject({ status: 200, body: { isSaved: true } });
    const { input, meta } = await stored();
    expect([input.brief.people, toNumber(input.brief.piecesEach), meta.version]).toEqual([17, 2.5, before + 1]);
    expect(input.people).toHaveLength(next.people.length);
  });

  test("with people more than before leaves everybody their dish and table, and says whom a change touches", async () => {
    const dishes = async () => {
      const { stations, dishes: made } = plan((await stored()).input);
      const variantOf = (id: string | null) => made.find((dish) => dish.id === id)?.variantName;
      return new Map(stations.flatMap((one) => one.people.map((id) => [id, [one.id, variantOf(one.dishId)]])));
    };
    const before = await dishes();
    const { people: expected } = (await stored()).input.brief;
    for (const more of [1, 2, 6]) {
      const answer = await post(brief, await briefForm({ people: String(expected + more) }));
      expect(answer).toMatchObject({ status: 200, body: { changes: { plates: [] } } });
      expect(await dishes()).toEqual(before);
    }
  });

  test.each([
    ["people", "-1", "Give a whole number from 0 to 400; got -1."],
    ["people", "many", "Give a whole number from 0 to 400; what came is not a number."],
    ["piecesEach", "0", "Give a number above 0 and up to 40"],
    ["minutes", "10000", "Give a whole number from 15 to 600; got 10000."],
    ["title", "x".repeat(121), "At most 120 letters; 121 came. Shorten it."],
    ["date", "2026-02-30", "There is no such day"],
    ["timeZone", "Moon/Base", "time zone"],
    ["measuringSetId", "thimbles", "Choose a measuring set from the list."],
    ["missingScoops", "1 bucket", "Choose what is missing from the list."],
    ["stationNames", "Heron, Heron", "“Heron” stands twice."],
    ["strictTolerancePercent", "0.1", "closer than that no spoon measures"],
    ["kitchenId", "00000000-0000-4000-8000-000000000000", "kitchen"],
    ["dishes[0].what", "no-such-recipe@1/", "recipe"],
  ])("with %s “%s” says so, and keeps nothing", async (field, typed, sentence) => {
    const before = await stored();
    const answer = await post(brief, await briefForm({ [field]: typed }));
    expect(answer.status).toBe(400);
    expect(said(answer)).toContain(sentence);
    expect(await stored()).toEqual(before);
  });

  test("what is missing from the measuring set is kept, and no card asks for it; a set of which nothing is left is refused", async () => {
    const cupsOnCards = async () =>
      plan((await stored()).input).stations.flatMap((station) =>
        station.kit.flatMap((line) => (line.main?.scoops?.counts ?? []).map(scoopName)),
      );
    expect(await cupsOnCards()).toContain("1/3 cup");
    expect((await post(brief, await briefForm({ "missingScoops[0]": "1/3 cup" }))).status).toBe(200);
    expect((await stored()).input.brief.missingScoops).toEqual(["1/3 cup"]);
    expect(await cupsOnCards()).not.toContain("1/3 cup");
    expect((await cupsOnCards()).length).toBeGreaterThan(10);
    const all = Object.fromEntries(
      measuringSetOf("us-usual").scoops.map((one, index) => [`missingScoops[${index}]`, scoopName(one)]),
    );
    const nothing = await post(brief, await briefForm(all));
    expect(nothing.status).toBe(400);
    expect(said(nothing)).toContain("Nothing would be left to measure with.");
    expect((await stored()).input.brief.missingScoops).toEqual(["1/3 cup"]);
  });

  test("of two who save from the same page the second is shown what the first did, beside their own", async () => {
    const [one, two] = [await briefForm({ minutes: "100" }), await briefForm({ people: "16" })];
    expect((await post(brief, one)).status).toBe(200);
    const late = await post(brief, two);
    expect(late.status).toBe(409);
    expect(late.body).toMatchObject({
      conflict: {
        by: "Lead",
        rows: expect.arrayContaining([
          { field: "minutes", saved: "100", typed: "90" },
          { field: "people", saved: "14", typed: "16" },
        ]) as unknown,
      },
    });
    expect((await stored()).input.brief).toMatchObject({ minutes: 100, people: 14 });
  });

  test("a new class comes of the same form, with its own address; one without a recipe is a class too", async () => {
    const { version: _version, ...form } = await briefForm({ title: "From nothing" });
    const answer = await post(making, form);
    expect(answer).toMatchObject({ status: 302, location: expect.stringMatching(/^\/classes\/[0-9a-f-]{36}\/brief$/) });
    const id = answer.location?.split("/")[2] ?? "";
    expect((await stored(id)).input).toMatchObject({ title: "From nothing", people: [] });
    const bare = Object.fromEntries(Object.entries(form).filter(([key]) => !key.startsWith("dishes")));
    const second = await post(making, { ...bare, title: "Without a recipe" });
    expect((await stored(second.location?.split("/")[2])).input.dishes).toEqual([]);
  });

  test("a new class knows how things were sold for the class that named it last, and not which product was bought", async () => {
    const earlier = { ...next, startsAt: "2026-10-03T09:30", packs: next.packs.map((one) => ({ ...one, price: 1 })) };
    await aClass(at.db, earlier, at.lead);
    await aClass(at.db, { ...current, startsAt: "2026-10-10T09:30", packs: [] }, at.lead);
    const { version: _version, ...form } = await briefForm({ title: "Priced as before" });
    const made = (await post(making, form)).location?.split("/")[2];
    const { packs } = (await stored(made)).input;
    const byId = (one: { ingredientId: string }, other: { ingredientId: string }) =>
      one.ingredientId < other.ingredientId ? -1 : 1;
    expect(packs.toSorted(byId)).toEqual(next.packs.map(({ product: _product, ...one }) => one).toSorted(byId));
    expect(packs.length).toBeGreaterThan(10);
    expect((await stored(made)).input.labels).toEqual([]);
  });

  test("ways to scale and more people at the door are taken over, unless somebody was faster", async () => {
    const { version } = (await stored()).meta;
    const rule = { intent: "rule", rule: "whole", version: String(version) };
    expect((await post(scaling, rule)).status).toBe(302);
    expect((await stored()).input.brief.batchRule).toBe("whole");
    expect((await post(scaling, { intent: "people", people: "20", version: String(version) })).status).toBe(409);
    expect((await stored()).input.brief.people).toBe(14);
    const more = { intent: "people", people: "20", version: String(version + 1) };
    expect((await post(scaling, more)).status).toBe(302);
    expect((await stored()).input.brief.people).toBe(20);
  });
});

describe("a class as a whole", () => {
  test("stages are settled and opened again, and the class is removed by a lead only", async () => {
    expect(await post(theClass, { intent: "settle", stage: "amounts" })).toMatchObject({
      status: 302,
      location: `/classes/${at.classId}/amounts`,
    });
    expect((await stampsOf(at.classId)).map((one) => [one.stage, one.by])).toEqual([["amounts", "Lead"]]);
    await post(theClass, { intent: "unsettle", stage: "amounts" });
    expect(await stampsOf(at.classId)).toEqual([]);

    const helper = await cookieOf(await anAccount(at.db, "assistant"));
    const params = { classId: at.classId };
    expect((await ask(theClass, helper, { params, form: { intent: "remove" } })).status).toBe(403);
    expect((await ask(theClass, helper, { params, form: { intent: "settle", stage: "allergies" } })).status).toBe(403);
    expect((await ask(theClass, helper, { params, form: { intent: "settle", stage: "gear" } })).status).toBe(302);
    expect((await post(theClass, { intent: "remove" })).location).toBe(`/?removed=${at.classId}`);
    await expect(stored()).rejects.toMatchObject({ init: { status: 404 } });
    expect((await countClasses(at.db, "2000-01-01")).from).toBe(0);
  });

  test("a file that is none says what is wrong with it; an ingredient nobody knows is named", async () => {
    const texts: [string, string][] = [
      ["  ", "Nothing came."],
      ["{ half", "This is not JSON."],
      ['{"format":"apron-bell-class","version":9,"class":{}}', "version"],
    ];
    for (const [text, sentence] of texts) {
      const answer = await post(importing, { text });
      expect([text, answer.status]).toEqual([text, 400]);
      expect(said(answer)).toContain(sentence);
      expect(answer.body).toMatchObject({ text });
    }
    expect(await at.db.selectFrom("class").select("id").execute()).toHaveLength(1);
  });
});

describe("the register", () => {
  const juniper = { name: "Juniper Dray", role: "cook", ageBand: "6-11", answered: "yes" };

  test("somebody is added, changed and taken off; what they declared is kept as it was typed", async () => {
    const need = { "needs[0].substance": "egg", "needs[0].severity": "allergy", "needs[0].note": "baked is worse" };
    expect((await post(person, { ...juniper, name: "Tam Reed", ...need }, { personId: "new" })).status).toBe(302);
    const tam = await personNamed("Tam Reed");
    expect(tam.needs).toMatchObject([{ substance: "egg", severity: "allergy", note: "baked is worse" }]);
    expect((await post(person, { ...juniper, name: "Tam Reedy", diet: "vegan" }, { personId: tam.id })).status).toBe(
      302,
    );
    expect((await personNamed("Tam Reedy")).needs).toMatchObject([{ kind: "diet", diet: "vegan" }]);
    expect((await post(person, { intent: "remove" }, { personId: tam.id })).status).toBe(302);
    await expect(personNamed("Tam Reedy")).rejects.toThrow("nobody");
  });

  test.each([
    [{ "needs[0].substance": "egg" }, "Give the severity"],
    [{ "needs[0].severity": "allergy" }, "Say what they avoid, or empty this row."],
    [{ answered: "no", diet: "vegan" }, "so somebody did answer"],
    [{ email: "no address" }, "Give an e-mail address"],
    [{ grownUpId: "00000000-0000-4000-8000-000000000000" }, "This grown-up is not on the register any more."],
    [{ name: "" }, "Give a name."],
  ])("%j is refused with “%s”, and nobody changes", async (change, sentence) => {
    const { id } = await personNamed("Juniper Dray");
    const before = (await stored()).input.people;
    const answer = await post(person, { ...juniper, ...change }, { personId: id });
    expect(answer.status).toBe(400);
    expect(said(answer)).toContain(sentence);
    expect((await stored()).input.people).toEqual(before);
  });

  test("what a word covers is said once, kept, and decides; a word that nobody knows is none of what it covers", async () => {
    const { id } = await personNamed("Juniper Dray");
    const need = { "needs[0].food": "plonkberries", "needs[0].severity": "allergy" };
    const keep = (more: Record<string, string>) =>
      post(person, { ...juniper, ...need, version: "", ...more }, { personId: id });
    const asked = async () => plan((await stored()).input).findings.some((one) => one.code === "need-word-open");
    await keep({});
    expect(await asked()).toBe(true);
    const refused = await keep({ "needs[0].covers": "gloopfruit" });
    expect(refused.status).toBe(400);
    await keep({ "needs[0].covers": "strawberries, raspberries" });
    expect((await personNamed("Juniper Dray")).needs).toMatchObject([
      { food: "plonkberries", covers: { words: ["strawberries", "raspberries"] } },
    ]);
    expect(await asked()).toBe(false);
  });

  test("whoever is taken off and put back sits where they sat, and nobody else moves", async () => {
    const tables = async () => plan((await stored()).input).stations.map((one) => [one.dishId, one.people]);
    const before = await tables();
    for (const { id, role } of (await stored()).input.people.filter((one) => one.grownUpId === undefined).slice(0, 6)) {
      if (role !== "cook") continue;
      await post(person, { intent: "remove" }, { personId: id });
      expect((await tables()).flat(2)).not.toContain(id);
      expect((await post(people, { intent: "put-back", person: id })).status).toBeLessThan(400);
      expect(await tables()).toEqual(before);
    }
  });

  test("a list is looked through first, then brought in; whoever stands on it already is named", async () => {
    const text = "name,age,avoids,answered\nAda Finch,6-11,milk: allergy,yes\nJuniper Dray,6-11,,yes";
    const shown = await post(peopleImport, { text });
    expect(shown).toMatchObject({ status: 200, body: { twice: ["Juniper Dray"], read: { ok: true } } });
    await expect(personNamed("Ada Finch")).rejects.toThrow("nobody");
    expect((await post(peopleImport, { text, intent: "add-new" })).status).toBe(302);
    expect((await personNamed("Ada Finch")).needs).toMatchObject([{ substance: "milk" }]);
    const { people } = (await stored()).input;
    expect(people.filter((one) => one.name === "Juniper Dray")).toHaveLength(1);

    const broken = await post(peopleImport, { text: "name,age\nBo,ancient\n,6-11", intent: "add" });
    expect(broken.status).toBe(400);
    expect(said(broken)).toContain("“ancient” is not one of");
    expect((await stored()).input.people).toEqual(people);
  });

  test("health data are kept so many days and removed at once when asked", async () => {
    expect((await post(privacy, { days: "0" })).status).toBe(400);
    expect((await post(privacy, { days: "9" })).status).toBe(200);
    expect((await stored()).meta.retainDays).toBe(9);
    await post(privacy, { intent: "remove-now" });
    const { input, meta } = await stored();
    expect(meta.healthRemovedAt).not.toBeNull();
    expect(input.people.flatMap((one) => one.needs)).toEqual([]);
    expect(input.people).toHaveLength(next.people.length);
  });

  test("a link is made, reminders go to whoever has an address and did not answer, a link is taken back", async () => {
    const made = (await post(intakeAdmin, { intent: "link", days: "7" })).body as { made: { address: string } };
    expect(made.made.address).toMatch(/^http:\/\/127\.0\.0\.1\/intake\/[\w-]{20,}$/);
    await at.db
      .updateTable("participant")
      .set({ email: "fay@home.example" })
      .where("name", "=", "Fay Mosswell")
      .execute();
    expect(await post(intakeAdmin, { intent: "remind", days: "7" })).toMatchObject({
      body: { done: "1 letter is in the outbox." },
    });
    const letters = await at.db.selectFrom("outbox_mail").selectAll().where("class_id", "=", at.classId).execute();
    expect(letters.map((letter) => JSON.stringify(letter))).toEqual([expect.stringContaining("/intake/")]);
    const [link] = await at.db
      .selectFrom("intake_link")
      .select("token_hash")
      .where("participant_id", "is", null)
      .execute();
    expect((await post(intakeAdmin, { intent: "revoke", hash: link?.token_hash ?? "" })).status).toBe(200);
    expect((await post(intakeAdmin, { intent: "link", days: "0" })).status).toBe(400);
  });
});

describe("labels, food brought along, ways out", () => {
  const reading = { product: "house butter", readOn: "2026-11-24", contains: "milk" };

  test("a label is read once; of two who read it at the same time the second is told", async () => {
    const params = { ingredientId: "butter" };
    const version = String((await stored()).meta.labelVersions.butter ?? 0);
    expect((await post(label, { ...reading, version }, params)).status).toBe(302);
    const late = await post(label, { ...reading, product: "another", version }, params);
    expect(late.status).toBe(409);
    expect(said(late)).toContain("Somebody else read this label a moment ago.");
    const kept = (await stored()).input.labels.find((one) => one.ingredientId === "butter");
    expect(kept).toMatchObject({ product: "house butter", contains: ["milk"], readBy: "Lead" });
    expect((await post(label, { intent: "forget" }, params)).status).toBe(302);
    expect((await stored()).input.labels.some((one) => one.ingredientId === "butter")).toBe(false);
  });

  test("a picture that is none is refused beside its field", async () => {
    const form = { ...reading, photo: new File(["no picture"], "label.jpg", { type: "image/jpeg" }) };
    const answer = await post(label, form, { ingredientId: "sugar" });
    expect(answer.status).toBe(400);
    expect(said(answer)).toContain("This is no JPEG or PNG picture");
  });

  test.each([
    [{ unitGrams: "0" }, "Give more than 0 grams."],
    [{ price: "-1" }, "Give the price of one pack, such as 2.40, or leave it empty; got “-1”."],
    [{ unitsPerPack: "0" }, "Give a whole number from 1 to 10000"],
    [{ unitName: "" }, "Give what one unit is called"],
    [{ "sizes[0].unitGrams": "a lot" }, "Give the grams in one unit"],
  ])("what is bought with %j says “%s”", async (change, sentence) => {
    const pack = { intent: "buy", unitGrams: "250", unitsPerPack: "1", unitName: "slab", price: "1.50", ...change };
    const answer = await post(label, pack, { ingredientId: "butter" });
    expect(answer.status).toBe(400);
    expect(said(answer)).toContain(sentence);
    expect((await stored()).input.packs.find((one) => one.ingredientId === "butter")?.unitName).not.toBe("slab");
  });

  test("a pack is kept with its other sizes; a row without grams is no size", async () => {
    const pack = { intent: "buy", product: "", unitGrams: "250", unitsPerPack: "1", unitName: "slab", price: "1.5" };
    const sizes = { "sizes[0].unitGrams": "500", "sizes[0].price": "2.75", "sizes[1].unitsPerPack": "2" };
    // A form that does not say what it saw, or saw something else, changes nothing.
    expect((await post(label, { ...pack, ...sizes }, { ingredientId: "butter" })).status).toBe(400);
    const late = await post(label, { ...pack, ...sizes, seen: "something else" }, { ingredientId: "butter" });
    expect(late.status).toBe(409);
    expect(said(late)).toContain("Somebody else changed how this is bought meanwhile.");
    const seen = seenPack((await stored()).input.packs, "butter");
    expect((await post(label, { ...pack, ...sizes, seen }, { ingredientId: "butter" })).status).toBe(200);
    expect((await stored()).input.packs.find((one) => one.ingredientId === "butter")).toMatchObject({
      unitName: "slab",
      price: 150,
      sizes: [{ unitGrams: 500, unitsPerPack: 1, price: 275 }],
    });
  });

  test("a household has a product of its own once for each ingredient of the class, and it is kept as it was said", async () => {
    const own = { name: "Weir mill flour", broughtBy: "Honor Vale", ingredientId: "plain-flour", station: "1" };
    expect((await post(brought, own, { foodId: "new" })).status).toBe(302);
    const mills = async () => ((await stored()).input.shared ?? []).filter((one) => one.name === own.name);
    const [food] = await mills();
    expect(food?.instead).toEqual({ station: 1, ingredientId: "plain-flour" });
    const twice = await post(brought, { ...own, name: "Another" }, { foodId: "new" });
    expect(twice.status).toBe(400);
    expect(said(twice)).toContain("has a product of its own for it already");
    const strange = await post(brought, { ...own, ingredientId: "no-such-thing" }, { foodId: "new" });
    expect(strange.status).toBe(400);
    expect(said(strange)).toContain("Choose what it stands for from the list");
    expect((await post(brought, { ...own, station: "2" }, { foodId: food?.id ?? "" })).status).toBe(302);
    expect((await mills()).map((one) => one.instead?.station)).toEqual([2]);
  });

  test("food brought along without a packet read is unknown; boxes without a packet's name are refused", async () => {
    const loaf = { name: "walnut loaf", broughtBy: "Honor Vale" };
    const refused = await post(brought, { ...loaf, contains: "nut" }, { foodId: "new" });
    expect(refused.status).toBe(400);
    expect((await post(brought, loaf, { foodId: "new" })).status).toBe(302);
    const onTable = async () => ((await stored()).input.shared ?? []).find((one) => one.name === loaf.name);
    const food = await onTable();
    expect(food).toMatchObject({ ...loaf, label: null });
    expect((await post(brought, { intent: "remove" }, { foodId: food?.id ?? "" })).status).toBe(302);
    expect(await onTable()).toBeUndefined();
  });

  test("a way out is worked out anew when it is chosen: one that is not there any more changes nothing", async () => {
    const { id } = await personNamed("Ottoline Brask");
    const { version } = (await stored()).meta;
    const gone = await post(remedies, { remedy: "no-such-way//", version: String(version) }, { personId: id });
    expect(gone.status).toBe(409);
    const apart = { remedy: "own-station//", version: String(version) };
    const names = (await ask(remedies, at.cookie, { params: { classId: at.classId, personId: id } })).body as {
      ways: { kind: string; recipeId: string | null; variantId: string | null; isPossible: boolean }[];
    };
    const way = names.ways.find((one) => one.isPossible);
    expect(way).toBeDefined();
    const remedy = [way?.kind, way?.recipeId ?? "", way?.variantId ?? ""].join("/");
    // The class without milk: done, and said whom else it gives another dish.
    const done = await post(remedies, { ...apart, remedy }, { personId: id });
    expect(done).toMatchObject({
      status: 200,
      body: {
        changes: {
          plates: expect.arrayContaining([
            expect.objectContaining({
              name: "Wren Adeyo",
              isWorse: false,
              dish: { from: "Slipway pancakes", to: "Slipway pancakes, without milk" },
            }),
          ]),
        },
      },
    });
    expect((await stored()).meta.version).toBe(version + 1);
    expect((await post(remedies, { ...apart, remedy }, { personId: id })).status).toBe(409);
  });
});

describe("seats", () => {
  const form = async (change: Record<string, string> = {}) => {
    const { input, meta } = await stored();
    const made = plan(input).stations.map((station) => station.people);
    return { intent: "save", version: String(meta.version), seats: JSON.stringify(made), apart: "[]", ...change };
  };

  test("are kept, taken back, and given up for the order of the register", async () => {
    expect(await post(seats, await form({ apart: "[1]" }))).toMatchObject({ status: 200, body: { done: "Saved." } });
    expect((await stored()).input.arrangement?.apart).toEqual([1]);
    expect(await post(seats, await form({ intent: "undo" }))).toMatchObject({ body: { done: "Taken back." } });
    expect((await stored()).input.arrangement?.apart ?? []).toEqual([]);
    expect((await post(seats, await form({ intent: "undo" }))).status).toBe(409);
    await post(seats, await form());
    expect((await post(seats, await form({ intent: "register" }))).status).toBe(200);
    expect((await stored()).input.arrangement).toBeUndefined();
  });

  test.each([
    ["seats that are no list", { seats: "{}" }, 400],
    ["seats that are no JSON", { seats: "[" }, 400],
    ["somebody who is not on the register", { seats: '[["00000000-0000-4000-8000-000000000000"]]' }, 409],
    ["an earlier version", { version: "0" }, 409],
  ])("%s changes nothing", async (_name, change, status) => {
    const before = await stored();
    expect((await post(seats, await form(change))).status).toBe(status);
    expect(await stored()).toEqual(before);
  });

  test("a move that makes somebody's plate worse is asked about first, and made for whoever says that they know", async () => {
    // Two who avoid milk share the one table whose dish is without it: whichever leaves it has milk on the plate.
    const [otto, fay, wren] = [
      await personNamed("Ottoline Brask"),
      await personNamed("Fay Mosswell"),
      await personNamed("Wren Adeyo"),
    ];
    const milk = { "needs[0].substance": "milk", "needs[0].severity": "allergy" };
    const { name, role, ageBand } = fay;
    await post(person, { name, role, ageBand, answered: "yes", ...milk }, { personId: fay.id });
    const rows = plan((await stored()).input).stations.map((station) => station.people);
    const swap = (id: string) => (id === otto.id ? wren.id : id === wren.id ? otto.id : id);
    const moved = JSON.stringify(rows.map((row) => row.map(swap)));
    const before = await stored();
    const answer = await post(seats, await form({ seats: moved }));
    expect(answer.status).toBe(409);
    const { asked } = answer.body as {
      asked: { changes: { plates: { participantId: string }[] }; fields: [string, string][] };
    };
    expect(asked.changes.plates.filter((one) => [otto.id, fay.id].includes(one.participantId))).not.toEqual([]);
    expect(await stored()).toEqual(before);
    // The word for another change is not a word for this one.
    const fields = Object.fromEntries(asked.fields);
    expect((await post(seats, { ...fields, knows: "something else" })).status).toBe(409);
    expect((await post(seats, fields)).status).toBe(200);
    expect((await stored()).input.arrangement?.seats?.map((one) => [...one])).toEqual(JSON.parse(moved));
  });

  test("nobody sits twice", async () => {
    const [first] = (await stored()).input.people;
    const twice = await post(seats, await form({ seats: JSON.stringify([[first?.id], [first?.id]]) }));
    expect(twice.status).toBe(409);
    expect(said(twice)).toContain("sits twice");
  });
});
