import { ratio, toNumber } from "~/core/quantity";
import { starterRecipes } from "~/demo/recipes";
import { checkRecipe } from "./checks";
import { apartOf, asVariant, expectedOf, mostOf, scaleLineAmount } from "./lines";
import type { LineAmount, Recipe, Step } from "./types";

const [pancakes] = starterRecipes;
if (!pancakes) throw new Error("the starter recipes are gone");
const withSteps = (change: (step: Step) => Step): Recipe => ({ ...pancakes, steps: pancakes.steps.map(change) });
const codes = (recipe: Recipe) => checkRecipe(recipe).map((finding) => finding.code);

test("the starter recipes have nothing to mend, in any of their variants", () => {
  const all = starterRecipes.flatMap((recipe) => [
    recipe,
    ...recipe.variants.map((variant) => asVariant(recipe, variant.id)),
  ]);
  expect(all.length).toBeGreaterThan(3);
  for (const recipe of all) expect(checkRecipe(recipe)).toEqual([]);
});

test("soda named where powder is listed and unused is the twin, not a missing line", () => {
  const mixed = withSteps((step) =>
    step.id === "whisk-dry"
      ? { ...step, draws: step.draws.filter((draw) => draw.lineId !== "powder"), mentions: ["baking-soda"] }
      : step,
  );
  expect(checkRecipe(mixed)).toEqual(
    expect.arrayContaining([
      expect.objectContaining({ code: "wrong-twin", named: "baking-soda", listed: "baking-powder" }),
      expect.objectContaining({ code: "listed-not-used", lineId: "powder" }),
    ]),
  );
});

test("garlic in the method that is not on the list is said", () => {
  expect(codes(withSteps((step) => (step.id === "join" ? { ...step, mentions: ["garlic"] } : step)))).toEqual([
    "used-not-listed",
  ]);
});

test("salt used once whole and once by half does not add up", () => {
  const twice = withSteps((step) =>
    step.id === "join" ? { ...step, draws: [{ lineId: "salt", share: ratio(1n, 2n) }] } : step,
  );
  expect(checkRecipe(twice)).toEqual([
    expect.objectContaining({ code: "shares-do-not-add-up", lineId: "salt", drawn: ratio(3n, 2n) }),
  ]);
});

test("a step that draws on a line that is not there, no cook step, an amount nobody knows", () => {
  expect(
    codes(
      withSteps((step) => (step.id === "join" ? { ...step, draws: [{ lineId: "ghost", share: ratio(1n) }] } : step)),
    ),
  ).toContain("draws-unknown-line");
  expect(codes({ ...pancakes, steps: pancakes.steps.filter((step) => step.kind !== "cook") })).toContain(
    "no-cook-step",
  );
  expect(
    codes({
      ...pancakes,
      lines: pancakes.lines.map((line) =>
        line.id === "sugar" ? { ...line, amount: { kind: "unknown", said: "some" } as const } : line,
      ),
    }),
  ).toEqual(["amount-unknown"]);
});

const grams = (value: bigint) => ({ value: ratio(value), unit: "g" as const });
test.each<[string, LineAmount, number | undefined, number | undefined, number | undefined]>([
  ["exact", { kind: "exact", amount: grams(10n) }, 10, 10, undefined],
  ["range", { kind: "range", from: grams(10n), to: grams(20n) }, 15, 20, 5],
  ["top-up", { kind: "top-up", start: grams(80n), most: grams(120n) }, 80, 120, 40],
  ["hold-back", { kind: "hold-back", amount: grams(100n), back: grams(30n) }, 100, 100, 30],
  ["to taste", { kind: "to-taste" }, undefined, undefined, undefined],
])("%s: plan with, buy, and pack apart", (_name, amount, expected, most, apart) => {
  const value = (one: ReturnType<typeof expectedOf>) => one && toNumber(one.value);
  expect([value(expectedOf(amount)), value(mostOf(amount)), value(apartOf(amount))]).toEqual([expected, most, apart]);
});

test("pan fat and garnish do not grow with the batch", () => {
  expect(scaleLineAmount({ kind: "per-load", amount: grams(3n) }, ratio(5n))).toEqual({
    kind: "per-load",
    amount: grams(3n),
  });
  expect(scaleLineAmount({ kind: "exact", amount: grams(3n) }, ratio(5n))).toEqual({
    kind: "exact",
    amount: grams(15n),
  });
});

test("a swap takes the new ingredient's place, and no longer mentions the old", () => {
  const swapped = asVariant(pancakes, "no-milk");
  expect(swapped.lines.find((line) => line.id === "milk")?.ingredientId).toBe("oat-drink");
  expect(asVariant(pancakes, "nobody-made-this")).toBe(pancakes);
});
