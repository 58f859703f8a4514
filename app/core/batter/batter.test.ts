import fc from "fast-check";
import { starterPantry } from "~/core/pantry";
import { type Amount, ratio, inPieces, inGrams, inMillilitres, inMinutes } from "~/core/quantity";
import { type Line, type LineAmount, type Recipe, type Step, familyFacts } from "~/core/recipe";
import { starterRecipes } from "~/demo/recipes";
import { batterOf, fatMakeUpGrams, yieldOf } from "./batter";
import { checkBatter } from "./checks";
import { souringAcidMl } from "./leavening";
import { cookByOf, rawBatterMinutes, wettingStep } from "./windows";

const pantry = new Map(starterPantry.map((one) => [one.id, one]));
const [pancakes] = starterRecipes;
if (!pancakes) throw new Error("the starter recipes are gone");
const exact = (num: bigint, unit: Amount["unit"], den = 1n): LineAmount => ({
  kind: "exact",
  amount: { value: ratio(num, den), unit },
});
const change = (id: string, lineChange: Partial<Line>): Recipe => ({
  ...pancakes,
  lines: pancakes.lines.map((line) => (line.id === id ? { ...line, ...lineChange } : line)),
});
const codes = (recipe: Recipe) => checkBatter(recipe, pantry).map((finding) => finding.code);

test("the starter recipes are in their families' bands, with leaveners as usual", () => {
  for (const recipe of starterRecipes) {
    expect(checkBatter(recipe, pantry)).toEqual([]);
    const { looseness } = batterOf(recipe, pantry);
    expect(looseness).toBeGreaterThanOrEqual(familyFacts[recipe.family].looseness.from);
    expect(looseness).toBeLessThanOrEqual(familyFacts[recipe.family].looseness.to);
  }
});

test.each<[string, Recipe, string]>([
  [
    "soda for powder without anything sour",
    change("powder", { ingredientId: "baking-soda", amount: exact(1n, "tsp") }),
    "soda-without-acid",
  ],
  ["too much powder", change("powder", { amount: exact(5n, "tsp") }), "powder-outside-band"],
  ["hardly any powder", change("powder", { amount: exact(1n, "tsp", 4n) }), "powder-outside-band"],
  ["half the milk", change("milk", { amount: exact(1n, "cup", 2n) }), "looseness-outside-band"],
  ["twice the milk", change("milk", { amount: exact(2n, "cup") }), "looseness-outside-band"],
])("%s is found", (_name, recipe, code) => {
  expect(codes(recipe)).toContain(code);
});

test("soda that buttermilk takes up is no finding; more than it takes is, by how much", () => {
  const sour = { ...change("powder", { ingredientId: "baking-soda", amount: exact(1n, "tsp", 2n) }) };
  const withButtermilk = {
    ...sour,
    lines: sour.lines.map((line) => (line.id === "milk" ? { ...line, ingredientId: "buttermilk" } : line)),
  };
  expect(codes(withButtermilk)).toEqual([]);
  const more = {
    ...withButtermilk,
    lines: withButtermilk.lines.map((line) => (line.id === "powder" ? { ...line, amount: exact(1n, "tsp") } : line)),
  };
  expect(checkBatter(more, pantry)).toContainEqual(
    expect.objectContaining({ code: "soda-left-over", sodaTsp: 1, neutralisedTsp: expect.closeTo(0.45, 6) }),
  );
});

test("a line of unknown weight is named, and the looseness is then not judged", () => {
  const { gramsPerCup: _cup, ...milk } =
    pantry.get("whole-milk") ??
    starterPantry[0] ??
    (() => {
      throw new Error("empty pantry");
    })();
  const without = new Map(pantry).set("whole-milk", milk);
  expect(checkBatter(pancakes, without)).toEqual([
    { code: "density-unknown", level: "warns", lineId: "milk", ingredientId: "whole-milk" },
  ]);
  expect(batterOf(pancakes, without).unknownLines).toEqual(["milk"]);
});

test("twice the lines is twice the batter, and looseness stays", () => {
  fc.assert(
    fc.property(fc.constantFrom(...starterRecipes), fc.bigInt(2n, 9n), (recipe, times) => {
      const grown: Recipe = {
        ...recipe,
        lines: recipe.lines.map((line) =>
          line.amount.kind === "exact"
            ? {
                ...line,
                amount: {
                  kind: "exact",
                  amount: {
                    ...line.amount.amount,
                    value: ratio(line.amount.amount.value.num * times, line.amount.amount.value.den),
                  },
                },
              }
            : line.amount.kind === "top-up"
              ? {
                  ...line,
                  amount: {
                    kind: "exact",
                    amount: {
                      ...line.amount.start,
                      value: ratio(line.amount.start.value.num * times, line.amount.start.value.den),
                    },
                  },
                }
              : line,
        ),
      };
      const [one, many] = [batterOf(recipe, pantry), batterOf(grown, pantry)];
      expect(many.grams).toBeCloseTo(one.grams * Number(times), 6);
      expect(many.millilitres).toBeCloseTo(one.millilitres * Number(times), 6);
      expect(many.looseness).toBeCloseTo(one.looseness ?? NaN, 9);
    }),
  );
});

test("pan fat and toppings are no batter; what is squeezed out is taken from the water", () => {
  const plain = batterOf(
    { ...pancakes, lines: pancakes.lines.filter((line) => line.bowl !== "pan" && line.bowl !== "topping") },
    pantry,
  );
  expect(batterOf(pancakes, pantry)).toEqual(plain);
  const line: Line = {
    id: "veg",
    partId: null,
    ingredientId: "courgette",
    amount: exact(100n, "g"),
    bowl: "bowl",
    keeps: 0.6,
    isOptional: false,
    note: "",
  };
  const squeezed = batterOf({ ...pancakes, lines: [line] }, pantry);
  expect(squeezed.grams).toBeCloseTo(60, 9);
  expect(squeezed.waterGrams).toBeCloseTo(55, 9);
});

test("pieces are whole, never more than the batter holds, and grow with the batches", () => {
  fc.assert(
    fc.property(fc.constantFrom(...starterRecipes), fc.double({ min: 0, max: 8, noNaN: true }), (recipe, batches) => {
      const batter = batterOf(recipe, pantry);
      const { pieces } = yieldOf(recipe, batter, batches);
      expect(Number.isInteger(pieces)).toBe(true);
      if (recipe.portion.kind === "ml")
        expect(pieces * recipe.portion.ml).toBeLessThanOrEqual(batter.millilitres * batches + 1e-6);
      expect(yieldOf(recipe, batter, batches + 1).pieces).toBeGreaterThanOrEqual(pieces);
    }),
  );
});

test("a batch that makes a fixed number of pieces does so whatever it weighs", () => {
  const dish: Recipe = { ...pancakes, portion: { kind: "batch", pieces: inPieces(3) } };
  expect(yieldOf(dish, batterOf(dish, pantry), 2)).toEqual({ pieces: inPieces(6), from: { kind: "batch" } });
});

test("fat lost with the milk comes back as butter; milk is soured by a spoon to the cup", () => {
  expect(fatMakeUpGrams(inGrams(1000), 2)).toBeCloseTo(24.7, 1);
  expect(souringAcidMl(inMillilitres(250), "metric")).toBeCloseTo(15, 9);
  expect(souringAcidMl(inMillilitres(250), "au")).toBeCloseTo(20, 9);
});

describe("figures of souring and standing, each as general food safety and baking tables give them", () => {
  const half = (id: string, unit: "tbsp" | "cup", n = 1n) =>
    checkBatter(
      {
        ...pancakes,
        lines: [
          ...pancakes.lines.filter((line) => line.id !== "powder"),
          { ...lineWith("soda", "baking-soda"), amount: exact(1n, "tsp", 2n) },
          { ...lineWith("sour", id), bowl: "wet" as const, amount: exact(n, unit) },
        ],
      },
      pantry,
    ).map((finding) => finding.code);
  const lineWith = (id: string, ingredientId: string) => ({ ...(pancakes.lines[0] as Line), id, ingredientId });

  test("a tablespoon of vinegar takes two fifths of half a teaspoon of soda, no more", () => {
    expect(half("vinegar", "tbsp")).toContain("soda-left-over");
    expect(half("vinegar", "tbsp", 3n)).not.toContain("soda-left-over");
    expect(half("plain-yogurt", "cup")).not.toContain("soda-left-over");
  });

  test("natural cocoa, honey and brown sugar take a little", () => {
    for (const id of ["cocoa", "honey", "brown-sugar", "treacle"])
      expect(pantry.get(id)?.neutralisesTsp).toBeGreaterThan(0);
  });

  test("the clock starts where leavener meets liquid: at the step that joins two bowls, or the one that draws both", () => {
    expect(wettingStep(pancakes, pantry)?.kind).toBe("mix");
    const steps = (draws: readonly (readonly string[])[]) => ({
      ...pancakes,
      steps: draws.map((ids, index) => ({
        ...(pancakes.steps[0] as Step),
        id: `m${index}`,
        kind: "mix" as const,
        draws: ids.map((lineId) => ({ lineId, share: ratio(1n) })),
      })),
    });
    expect(wettingStep(steps([["flour", "powder"], ["milk", "egg"], []]), pantry)?.id).toBe("m2");
    expect(
      wettingStep(
        steps([
          ["flour", "powder"],
          ["milk", "egg"],
        ]),
        pantry,
      )?.id,
    ).toBe("m1");
    expect(wettingStep(steps([["flour", "powder", "milk"], ["egg"]]), pantry)?.id).toBe("m0");
    expect(wettingStep(steps([["flour", "powder"]]), pantry)).toBeNull();
  });

  test("raw egg and milk stand two hours in all at room temperature, whatever the leavener; a longer rest is a chilled one", () => {
    const rest = (min: number, max: number | null) => ({
      ...pancakes,
      rest: { min: inMinutes(min), max: max === null ? null : inMinutes(max), reason: "author" as const },
    });
    expect(cookByOf(rest(0, null), pantry)).toEqual({ max: rawBatterMinutes.atRoom, why: "raw-batter" });
    expect(cookByOf(rest(0, 30), pantry)).toEqual({ max: 30, why: "window" });
    expect(cookByOf(rest(0, 600), pantry)).toEqual({ max: 120, why: "raw-batter" });
    expect(cookByOf(rest(240, 1440), pantry)).toEqual({ max: 1440, why: "window" });
  });
});
