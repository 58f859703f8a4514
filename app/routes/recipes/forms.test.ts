import fc from "fast-check";
import { checkIngredient, starterPantry } from "~/core/pantry";
import { draftOf } from "~/core/recipe";
import { starterRecipes } from "~/demo/recipes";
import { recipes } from "../../../test/recipes";
import { formOfIngredient, ingredientFormSchema, ingredientOfForm } from "../pantry/ingredient-form";
import { draftSchema, readDraftField } from "./draft-schema";

test("every draft the editor can make passes the door unchanged", () => {
  fc.assert(
    fc.property(fc.oneof(recipes, fc.constantFrom(...starterRecipes)), (recipe) => {
      const draft = draftOf(recipe);
      expect(readDraftField(JSON.stringify(draft))).toEqual(draft);
    }),
    { numRuns: 120 },
  );
});

test.each([
  ["nothing", null],
  ["no JSON", "{oops"],
  ["another shape", '{"title": 3}'],
  ["too much", `"${"x".repeat(400_001)}"`],
])("%s is no draft", (_name, value) => {
  expect(readDraftField(value)).toBeUndefined();
});

test("a draft with an id, a word or a length out of bounds stays outside", () => {
  const draft = draftOf(starterRecipes[0] as (typeof starterRecipes)[number]);
  const [line] = draft.lines;
  if (!line) throw new Error("the draft has a line");
  for (const spoilt of [
    { ...draft, family: "doughnut" },
    { ...draft, lines: [{ ...line, id: "../etc" }] },
    { ...draft, lines: [{ ...line, kind: "guess" }] },
    { ...draft, intro: "x".repeat(4001) },
    { ...draft, steps: Array.from({ length: 61 }, () => draft.steps[0]) },
  ])
    expect(draftSchema.safeParse(spoilt).success).toBe(false);
});

/** Form fields as the form library hands them on: empty ones left out. */
const posted = (values: object) =>
  Object.fromEntries(
    Object.entries(values).flatMap(([key, value]) => (value === "" ? [] : [[key, value === "on" ? true : value]])),
  );

test("every ingredient of the pantry goes through its form unchanged", () => {
  for (const one of starterPantry) {
    const form = ingredientFormSchema.parse(posted(formOfIngredient(one, 1)));
    expect(ingredientOfForm(one.id, form)).toEqual({ ...one, contains: [...one.contains].sort() });
    expect(checkIngredient(one).filter((finding) => finding.level === "blocks")).toEqual([]);
  }
});

test.each([
  ["gramsSpooned", { gramsSifted: 100 }],
  ["gramsPerCup", { gramsPerCup: 120, gramsSifted: 100, gramsSpooned: 110, gramsDipped: 130 }],
  ["tspHigh", { tspLow: 3 }],
  ["trueDensity", { trueDensity: 9 }],
  ["name", { name: " " }],
  ["gramsPerTsp", { gramsPerTsp: -1 }],
])("%s says what is wanted", (field, change) => {
  const [flour] = starterPantry.filter((one) => one.id === "sugar");
  const { gramsPerCup: _cup, ...rest } = formOfIngredient(flour, 1);
  const read = ingredientFormSchema.safeParse(posted({ ...rest, ...change }));
  const problem = read.error?.issues.find((issue) => issue.path[0] === field);
  expect(problem?.message.length).toBeGreaterThan(10);
});
