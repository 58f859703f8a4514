import { remedyCodes, swapsFor } from "~/core/batter";
import { checkIngredient, starterPantry } from "~/core/pantry";
import { readQuantity, inMillilitres, inGrams } from "~/core/quantity";
import { type RecipeDraft, draftOf, emptyDraft, emptyLine, readDraft } from "~/core/recipe";
import { starterRecipes } from "~/demo/recipes";
import { remedyWords, sayCorrection, sayPantryFinding, sayProblem, sayQuestion, saySwapNote } from "./batter";

const [pancakes] = starterRecipes;
if (!pancakes) throw new Error("the starter recipes are gone");
/** A sentence has no hole where a value should be, and promises nothing. */
const isWhole = (sentence: string) => {
  expect(sentence).not.toMatch(/undefined|\bNaN\b|\[object|Infinity|\bsafe\b/i);
  expect(sentence.length).toBeGreaterThan(8);
};

test.each(["8 oz", "1 pint", "1 cup", "2 spoons", "1,120 g", "1 sachet", "1 heaped tbsp", "some"])(
  "what “%s” leaves open is asked in a sentence that shows how to say it",
  (text) => {
    for (const question of readQuantity(text)?.questions ?? []) {
      const sentence = sayQuestion(question, "en-GB");
      isWhole(sentence);
      expect(sentence).toContain("“");
      if ("options" in question)
        for (const option of question.options) expect(sentence).toContain(option.unit === "oz" ? "weight oz" : "");
    }
  },
);

test("an ounce offers all it can be, with “or” before the last", () => {
  const [question] = readQuantity("8 oz", { system: "us" })?.questions ?? [];
  expect(question && sayQuestion(question, "en-GB")).toBe(
    "“8 oz”: by weight or fluid? Write 8 weight oz, 8 US fl oz or 8 imp fl oz.",
  );
});

test("every problem of a draft has its sentence, with what came and what is wanted", () => {
  const draft = draftOf(pancakes);
  const spoilt: RecipeDraft = {
    ...draft,
    title: "",
    system: "",
    surfaceKinds: [],
    surfaceFrom: "hot",
    side1: { low: "3", likely: "2", high: "1" },
    lines: [
      emptyLine("open"),
      { ...emptyLine("order"), ingredientId: "butter", kind: "top-up", amount: "3 g", second: "2 g" },
      { ...emptyLine("units"), ingredientId: "butter", kind: "range", amount: "3 g", second: "2 cups" },
      { ...emptyLine("asks"), ingredientId: "butter", amount: "2 oz" },
    ],
    steps: draft.steps.map((step, index) =>
      index === 0 ? { ...step, draws: [{ lineId: "open", share: "much" }] } : step,
    ),
    parts: [
      { id: "p", name: "", kind: "sauce", heat: "hob", minutes: { low: "1", likely: "2", high: "3" }, makesGrams: "" },
    ],
  };
  const problems = [...readDraft(spoilt, pancakes).problems, ...readDraft(emptyDraft("crepe"), pancakes).problems];
  expect(new Set(problems.map((problem) => problem.code)).size).toBe(13);
  for (const problem of problems) isWhole(sayProblem(problem, "en-GB"));
  expect(sayProblem({ path: "x", said: "hot", code: "number", least: 50, most: 350 }, "en-GB")).toBe(
    "“hot” came. Wanted: a number from 50 to 350.",
  );
});

test("every remedy has a button, every swap note and odd figure its words", () => {
  for (const code of remedyCodes) isWhole(remedyWords[code]);
  const pantry = new Map(starterPantry.map((one) => [one.id, one]));
  const notes = starterRecipes.flatMap((recipe) => swapsFor(recipe, pantry).flatMap((offer) => offer.notes));
  expect(notes.length).toBeGreaterThan(20);
  for (const note of notes) isWhole(saySwapNote(note, (id) => pantry.get(id)?.name ?? id, "en-GB"));
  const odd = {
    ...starterPantry[0],
    waterPercent: 80,
    fatPercent: 40,
    gramsPerCup: { sifted: 500, spooned: 400, dipped: 300 },
    gramsPerTsp: 30,
    tspSpread: { low: 4, high: 2 },
    trueDensity: 3,
  } as (typeof starterPantry)[number];
  const findings = checkIngredient(odd);
  expect(findings.length).toBeGreaterThan(4);
  for (const finding of findings) isWhole(sayPantryFinding(finding, "en-GB"));
});

test("a correction is one sentence in millilitres and spoons", () => {
  expect(
    sayCorrection(
      { kind: "liquid", ml: inMillilitres(20.4), waterGrams: inGrams(18) },
      "whole milk",
      "1 tbsp",
      "en-GB",
    ),
  ).toMatch(/^Stir in 20.ml whole milk \(1 tbsp\), then look again\.$/);
  expect(sayCorrection({ kind: "none" }, "whole milk", "", "en-GB")).toBe("Nothing to add.");
});
