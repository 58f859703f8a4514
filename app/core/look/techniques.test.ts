import fc from "fast-check";
import { starterPantry } from "~/core/pantry";
import type { Recipe } from "~/core/recipe";
import { starterRecipes } from "~/demo/recipes";
import { recipes } from "../../../test/recipes";
import { techniques, techniquesAt, techniquesIn, techniquesOf } from "./techniques";

const pantry = new Map(starterPantry.map((one) => [one.id, one]));
const pancakes = starterRecipes.find((recipe) => recipe.id === "slipway-pancakes") as Recipe;
const crepes = starterRecipes.find((recipe) => recipe.family === "crepe") as Recipe;
const waffles = starterRecipes.find((recipe) => recipe.family === "waffle") as Recipe;

test("what hands do follows from the list, the tools and what is cooked, each shown once", () => {
  expect(Object.fromEntries(techniquesOf(pancakes, pantry))).toEqual({
    "whisk-dry": ["level", "tap-whisk"],
    "beat-wet": ["eye-level", "crack", "fish-shell"],
    join: ["fold"],
    heat: [],
    cook: ["turn"],
    serve: [],
  });
  expect(techniquesIn([crepes], pantry)).toContain("swirl");
  expect(techniquesIn([crepes], pantry)).not.toContain("fold");
  // An iron cooks both sides at once.
  expect(techniquesIn([waffles], pantry)).not.toContain("turn");
});

test("a pinch is a pinch, and what is weighed is neither levelled nor read off", () => {
  const of = (amount: Recipe["lines"][number]["amount"]) => {
    const recipe = {
      ...pancakes,
      lines: pancakes.lines.map((line) => (line.id === "salt" ? { ...line, amount } : line)),
      steps: pancakes.steps.map((step) =>
        step.id === "whisk-dry" ? { ...step, draws: step.draws.filter((draw) => draw.lineId === "salt") } : step,
      ),
    };
    return techniquesAt(recipe.steps[0] as Recipe["steps"][number], recipe, pantry);
  };
  const one = { num: 1n, den: 1n };
  expect(of({ kind: "exact", amount: { value: one, unit: "pinch" } })).toEqual(["pinch", "tap-whisk"]);
  expect(of({ kind: "exact", amount: { value: one, unit: "g" } })).toEqual(["tap-whisk"]);
});

test("for any recipe: in one order, nothing twice, and the wall shows what the steps do", () => {
  fc.assert(
    fc.property(recipes, (recipe) => {
      const shown = [...techniquesOf(recipe, pantry).values()].flat();
      expect(new Set(shown).size).toBe(shown.length);
      expect(techniques.filter((one) => shown.includes(one))).toEqual(techniquesIn([recipe], pantry));
    }),
  );
});

test("what an author chooses is shown at the step, in the usual order, and nothing else; an empty choice shows nothing", () => {
  fc.assert(
    fc.property(recipes, fc.uniqueArray(fc.constantFrom(...techniques)), (recipe, chosen) => {
      const [first] = recipe.steps;
      if (!first) return;
      const step = { ...first, techniques: chosen };
      expect(techniquesAt(step, recipe, pantry)).toEqual(techniques.filter((one) => chosen.includes(one)));
    }),
    { numRuns: 60 },
  );
});
