import { inMinutes } from "~/core/quantity";
import { CalendarDate } from "@internationalized/date";
import { parseWithZod } from "@conform-to/zod/v4";
import { z } from "zod";
import { canonical } from "~/core/plan";
import { demoClasses, demoKitchens } from "~/demo/boathouse";
import { starterRecipes } from "~/demo/recipes";
import { briefFormSchema, differences, dishKey, factsOf, formValuesOf, inputOf } from "./people/brief-form";
import { priceField, submissionOf } from "../form";
import { personFormSchema, personOf, personValues } from "./people/person-form";

const { next } = demoClasses(new CalendarDate(2026, 11, 24));
const kitchenId = "0d4f8d1e-6a58-4b52-9b39-0a4a6e2a3a11";
const kitchens = demoKitchens.map((kitchen) => (kitchen.id === "hall" ? { ...kitchen, id: kitchenId } : kitchen));
const input = { ...next, kitchen: { ...next.kitchen, id: kitchenId } };

/** A value as a browser's form would send it. */
function formData(value: object): FormData {
  const form = new FormData();
  const put = (name: string, field: unknown): void => {
    if (Array.isArray(field)) field.forEach((one, index) => put(`${name}[${index}]`, one));
    else if (field !== null && typeof field === "object")
      for (const [key, inner] of Object.entries(field)) put(name ? `${name}.${key}` : key, inner);
    else if (field !== undefined && field !== "") form.set(name, String(field));
  };
  put("", value);
  return form;
}
const readBrief = (change: Record<string, unknown> = {}) =>
  parseWithZod(formData({ ...formValuesOf(input, 3), ...change }), { schema: briefFormSchema });
const errorsOf = (change: Record<string, unknown>) => {
  const submission = readBrief(change);
  return submission.status === "success" ? {} : (submission.reply().error ?? {});
};

test("a class through its form and back is the same class", () => {
  const submission = readBrief();
  if (submission.status !== "success") throw new Error(JSON.stringify(submission.reply().error));
  const again = inputOf(submission.value, input, kitchens, starterRecipes);
  const comparable = (one: typeof input | undefined) =>
    one && canonical({ ...one, dishes: one.dishes.map(({ id: _id, ...dish }) => dish) });
  expect(comparable(again)).toBe(comparable(input));
  expect(factsOf(submission.value).dishes).toEqual([
    { recipeId: "slipway-pancakes", revision: 1, variantId: null, stations: null },
    { recipeId: "slipway-pancakes", revision: 1, variantId: "no-milk", stations: 1 },
  ]);
  expect(differences(input, submission.value)).toEqual([]);
});

test.each([
  ["2.40", 240],
  ["$3.79", 379],
  ["3,79 €", 379],
  ["EUR 4", 400],
  ["0.5", 50],
  ["", undefined],
])("a price typed as “%s” is %s hundredths", (typed, hundredths) => {
  expect(priceField("the price of one").parse(typed)).toBe(hundredths);
});

test.each(["cheap", "1.234.567", "-2", "3.999"])("“%s” is no price, and the sentence says what came", (typed) => {
  const read = priceField("the price of one").safeParse(typed);
  expect(read.error?.issues[0]?.message).toContain(`got “${typed}”`);
});

test.each<[string, Record<string, unknown>, string, RegExp]>([
  ["people by halves", { people: "2.5" }, "people", /whole number from 0 to 400; got 2\.5/],
  ["people in words", { people: "a dozen" }, "people", /what came is not a number/],
  ["no people", { people: "" }, "people", /got nothing/],
  ["an evening too long", { minutes: "601" }, "minutes", /from 15 to 600; got 601/],
  ["nothing each", { piecesEach: "0" }, "piecesEach", /above 0/],
  ["a day that is none", { date: "2026-02-30" }, "date", /There is no such day/],
  ["a time that is none", { time: "25:00" }, "time", /such as 09:30/],
  ["a kitchen that is none", { kitchenId: "galley" }, "kitchenId", /Choose a kitchen/],
  ["a zone that is none", { timeZone: "Boat/House" }, "timeZone", /time zone such as/],
  ["a currency that is none", { currency: "shillings" }, "currency", /three letters/],
  ["a spoon set that is none", { measuringSetId: "ladles" }, "measuringSetId", /from the list/],
  ["one station name twice", { stationNames: "Bow, Stroke, Bow" }, "stationNames", /“Bow” stands twice/],
  ["a name nobody can shout", { stationNames: "x".repeat(31) }, "stationNames", /too long to shout/],
  ["an aim nobody can keep in mind", { aims: "x".repeat(161) }, "aims", /161 letters/],
  [
    "more aims than a class can follow",
    { aims: Array.from({ length: 13 }, (_, at) => `aim ${at}`).join("\n") },
    "aims",
    /13 aims/,
  ],
  ["a recipe that is none", { dishes: [{ what: "../etc", stations: "" }] }, "dishes[0].what", /from the list/],
  ["no title", { title: "   " }, "title", /such as Junior breakfast/],
])("%s is said beside its field", (_name, change, field, sentence) => {
  expect(errorsOf(change)[field]?.[0]).toMatch(sentence);
});

test("pieces each may be written as people write them", () => {
  for (const [written, num, den] of [
    ["1½", 3n, 2n],
    ["2,5", 5n, 2n],
    ["3", 3n, 1n],
    ["1/2", 1n, 2n],
  ] as const) {
    const submission = readBrief({ piecesEach: written });
    expect(submission.status === "success" && submission.value.piecesEach).toEqual({ num, den });
  }
});

test("what another saved and what was typed stand side by side, field by field", () => {
  const submission = readBrief({
    people: "16",
    dishes: [{ what: dishKey({ id: "towpath-crepes", revision: 1 }, null), stations: "" }],
  });
  if (submission.status !== "success") throw new Error("the form is right");
  expect(differences({ ...input, brief: { ...input.brief, minutes: inMinutes(100) } }, submission.value)).toEqual([
    { field: "people", saved: "14", typed: "16" },
    { field: "minutes", saved: "100", typed: "90" },
    {
      field: "dishes",
      saved: "slipway-pancakes@1/ × the rest, slipway-pancakes@1/no-milk × 1",
      typed: "towpath-crepes@1/ × the rest",
    },
  ]);
});

const readPerson = (value: object) => parseWithZod(formData(value), { schema: personFormSchema });

test("every person of the demonstration goes through the form unchanged", () => {
  expect(next.people.length).toBeGreaterThan(10);
  for (const person of next.people) {
    const submission = readPerson(personValues(person, 1, "home@house.example"));
    if (submission.status !== "success") throw new Error(JSON.stringify(submission.reply().error));
    const { id: _id, ...rest } = person;
    expect(personOf(submission.value, "Lead", person)).toEqual({ ...rest, email: "home@house.example" });
  }
});

test.each<[string, object, string, RegExp]>([
  ["an allergy without its gravity", { needs: [{ substance: "egg" }] }, "needs[0].severity", /severity/],
  ["a gravity without its allergy", { needs: [{ severity: "allergy" }] }, "needs[0].substance", /what they avoid/],
  [
    "the same twice",
    {
      needs: [
        { substance: "egg", severity: "allergy" },
        { substance: "egg", severity: "choice" },
      ],
    },
    "needs[1].substance",
    /twice/,
  ],
  [
    "a need without an answer",
    { answered: "no", needs: [{ substance: "egg", severity: "allergy" }] },
    "answered",
    /somebody did answer/,
  ],
  ["a diet without an answer", { answered: "no", diet: "vegan" }, "answered", /somebody did answer/],
])("%s is asked about, not guessed", (_name, change, field, sentence) => {
  const submission = readPerson({ name: "Ada", role: "cook", ageBand: "adult", answered: "yes", ...change });
  expect(submission.status).toBe("error");
  expect(submission.reply().error?.[field]?.[0]).toMatch(sentence);
});

test("what a form says of its rows is passed over where it cannot be read, and the form is read all the same", () => {
  const schema = z.object({ name: z.string() });
  for (const intent of ["{", '{"type":4}', "validate", '{"type":"insert","payload":7}', "[]", "null"]) {
    const form = new FormData();
    form.set("name", "Ada");
    form.set("__intent__", intent);
    form.set("__state__", intent);
    expect(() => submissionOf(form, { schema })).not.toThrow();
  }
  const broken = new FormData();
  broken.set("name", "Ada");
  broken.set("__intent__", "{");
  expect(submissionOf(broken, { schema })).toMatchObject({ status: "success", value: { name: "Ada" } });
});
