import { ratio, toNumber, inMinutes } from "~/core/quantity";
import { starterRecipes } from "~/demo/recipes";
import { checkRecipe } from "./checks";
import { keepsCold } from "./method";
import { apartOf, expectedOf, mostOf, scaleLineAmount } from "./lines";
import type { LineAmount, Recipe, Step } from "./types";
import { asVariant } from "./variants";

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
  ["hold-back", { kind: "hold-back", amount: grams(100n), back: grams(30n) }, 70, 100, 30],
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

describe("the words of a method in a variant", () => {
  const milkless = asVariant(pancakes, "no-milk");
  const bare = (text: string, more: Partial<Step> = {}): Recipe => ({
    ...pancakes,
    steps: [
      {
        id: "only",
        partId: null,
        kind: "mix",
        text,
        draws: pancakes.lines.map((line) => ({ lineId: line.id, share: ratio(1n) })),
        mentions: [],
        minutes: { low: 1, likely: 1, high: 1 },
        tools: [],
        hazards: [],
        who: "anyone",
        ...more,
      },
    ],
  });
  const eggless = (ingredientId: string | null) => ({
    id: "v",
    name: "V",
    standing: "draft" as const,
    decidedAt: null,
    omit: ingredientId === null ? ["egg"] : [],
    swaps: ingredientId === null ? [] : [{ lineId: "egg", ingredientId }],
    add: [],
  });

  test("no step names what was swapped out, where the work stays the same", () => {
    expect(milkless.steps.map((step) => step.text).join(" ")).not.toMatch(/\bbutter\b/i);
    expect(checkRecipe(milkless)).toEqual([]);
  });

  test("cracking is retold for seed gel; anything else that hands would do differently blocks until the author has said how", () => {
    const cracked = { ...bare("Crack the eggs into a cup."), variants: [eggless("chia")] };
    const gelled = asVariant(cracked, "v");
    expect(gelled.steps[0]?.text).toBe("Stir in the soaked chia seed into a cup.");
    expect(gelled.steps[0]?.mentions).toEqual([]);
    const folded = { ...bare("Fold the egg yolks in at the end."), variants: [eggless("chia")] };
    expect(asVariant(folded, "v").steps[0]?.text).not.toMatch(/\beggs?\b/);
    expect(checkRecipe(asVariant(folded, "v"))).toContainEqual(
      expect.objectContaining({ code: "used-not-listed", ingredientId: "egg", level: "blocks" }),
    );
    const settled = {
      ...folded,
      variants: [{ ...eggless("chia"), steps: [{ stepId: "only", text: "Fold the gel in." }] }],
    };
    expect(asVariant(settled, "v").steps[0]).toMatchObject({ text: "Fold the gel in.", mentions: [] });
  });

  test("what is left out is said to be left out, and the count of one thing is no amount of another", () => {
    const without = asVariant({ ...bare("Beat the eggs well."), variants: [eggless(null)] }, "v");
    expect(without.steps[0]?.text).toBe("Beat the (no eggs) well.");
    expect(without.steps[0]?.mentions).toEqual(["egg"]);
    for (const [said, left] of [
      ["Whisk flour, milk and eggs smooth.", "Whisk flour and milk smooth."],
      ["Whisk the eggs and the milk.", "Whisk the milk."],
      ["Whisk milk, eggs, flour.", "Whisk milk, flour."],
      ["Eggs, milk and flour go in.", "Milk and flour go in."],
    ] as const) {
      const listed = asVariant({ ...bare(said), variants: [eggless(null)] }, "v").steps[0];
      expect([listed?.text, listed?.mentions]).toEqual([left, []]);
    }
    const counted = asVariant({ ...pancakes, variants: [eggless("chia")] }, "v");
    expect(counted.lines.find((line) => line.id === "egg")?.amount.kind).toBe("unknown");
  });

  test("what a variant adds is said at the step it goes into", () => {
    const flour = pancakes.lines.find((line) => line.id === "flour");
    if (!flour) throw new Error("the pancakes have flour");
    const berries = {
      ...eggless(null),
      omit: [],
      add: [{ ...flour, id: "berries", ingredientId: "blueberries", bowl: "bowl" as const }],
    };
    const step = asVariant({ ...bare("Mix all."), variants: [berries] }, "v").steps[0];
    expect(step?.text).toMatch(/^Mix all\. Add blueberries\.$/);
    expect(step?.draws).toContainEqual({ lineId: "berries", share: ratio(1n) });
  });

  test("what is added goes where the variant is decided, else where what it replaces went in", () => {
    const flour = pancakes.lines.find((line) => line.id === "flour");
    if (!flour) throw new Error("the pancakes have flour");
    const [mix] = bare("Mix all.").steps;
    if (!mix) throw new Error("there is a step");
    const all = pancakes.lines.map((line) => ({ lineId: line.id, share: ratio(1n) }));
    const two: Recipe = {
      ...pancakes,
      steps: [
        { ...mix, id: "first", draws: all.filter((one) => one.lineId !== "egg") },
        { ...mix, id: "second", text: "Stir the egg in.", draws: all.filter((one) => one.lineId === "egg") },
        { ...mix, id: "last", kind: "prepare" as const, text: "Fill the bottles.", draws: [] },
      ],
    };
    const water = { ...flour, id: "gel-water", ingredientId: "water", bowl: "bowl" as const };
    const where = (variant: Partial<Recipe["variants"][number]>) =>
      asVariant({ ...two, variants: [{ ...eggless(null), omit: [], add: [water], ...variant }] }, "v").steps.find(
        (step) => step.draws.some((draw) => draw.lineId === "gel-water"),
      )?.id;
    expect(where({})).toBe("first");
    expect(where({ decidedAt: "last" })).toBe("last");
    expect(where({ swaps: [{ lineId: "egg", ingredientId: "chia" }] })).toBe("second");
    // What is only left out leaves its place to what goes into the same bowl.
    const bowl = pancakes.lines.find((line) => line.id === "egg")?.bowl ?? "wet";
    expect(where({ omit: ["egg"], add: [{ ...water, bowl }] })).toBe("second");
  });
});

test("a batter keeps cold for the class from a window of two hours on, that minute among them", () => {
  const rest = (max: number | null) => ({
    rest: { min: inMinutes(0), max: max === null ? null : inMinutes(max), reason: "author" as const },
  });
  expect([119, 120, 121, null].map((max) => keepsCold(rest(max)))).toEqual([false, true, true, true]);
});
