import fc from "fast-check";
import { ratio } from "~/core/quantity";
import { clearWords, readIngredientName, wordsFor } from "./aliases";
import { toGrams } from "./convert";
import { checkIngredient } from "./sanity";
import { starterPantry } from "./starter";
import type { Ingredient } from "./types";
import { massRange } from "./uncertainty";

const ingredient = (id: string): Ingredient => {
  const found = starterPantry.find((one) => one.id === id);
  if (!found) throw new Error(`no ${id} in the starter pantry`);
  return found;
};

describe("names as people write them", () => {
  test.each([
    ["all-purpose flour", "plain-flour"],
    ["Self-raising flour", "self-raising-flour"],
    ["unsalted butter, melted and cooled", "butter"],
    ["freshly grated lemon zest", "lemon-zest"],
    ["ripe bananas", "banana"],
    ["eggs", "egg"],
    ["kosher salt", "coarse-salt"],
    ["cooking spray for the iron", "pan-spray"],
    ["boathouse malt", undefined],
    ["butter or oil", undefined],
  ])("%s", (text, id) => {
    const read = readIngredientName(text, starterPantry);
    expect(read.kind === "one" || read.kind === "likely" ? read.ingredientId : undefined).toBe(id);
  });

  test("a bare flour is asked about; a bare milk is taken for whole, and marked", () => {
    expect(readIngredientName("flour", starterPantry)).toMatchObject({ kind: "ask" });
    expect(readIngredientName("plant milk", starterPantry)).toMatchObject({ kind: "ask" });
    expect(readIngredientName("milk", starterPantry)).toMatchObject({ kind: "likely", ingredientId: "whole-milk" });
  });

  test("every name in the pantry leads to its ingredient, and every word to one that is there", () => {
    for (const one of starterPantry) {
      const read = readIngredientName(one.name, starterPantry);
      expect([one.name, "ingredientId" in read ? read.ingredientId : read.kind]).toEqual([one.name, one.id]);
    }
    expect(clearWords.length).toBeGreaterThan(150);
    for (const [word, id] of clearWords) {
      expect(ingredient(id).id).toBe(id);
      expect(wordsFor(id)).toContain(word);
    }
  });
});

describe("how sure a weight is", () => {
  test("a cup of flour by how it is filled, coarse salt by its brand, a weight not at all", () => {
    const cup = { value: ratio(1n), unit: "cup" as const };
    expect(massRange(cup, ingredient("plain-flour"), "us", "spooned")).toMatchObject({
      because: "fill-method",
      low: expect.closeTo(115, 3),
      high: expect.closeTo(142, 3),
    });
    expect(massRange({ value: ratio(2n), unit: "tsp" }, ingredient("coarse-salt"), "us", "spooned")).toMatchObject({
      because: "brand",
      low: expect.closeTo(6, 6),
      high: expect.closeTo(10, 6),
    });
    expect(massRange({ value: ratio(50n), unit: "g" }, ingredient("butter"), "us", "spooned")).toEqual({
      likely: 50,
      low: 50,
      high: 50,
      because: "weighed",
    });
  });

  test("the likely weight always lies in its range, and is the one everything else reckons with", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...starterPantry),
        fc.constantFrom("cup" as const, "tsp" as const, "g" as const, "piece" as const),
        fc.bigInt(1n, 40n),
        (one, unit, quarters) => {
          const amount = { value: ratio(quarters, 4n), unit };
          const range = massRange(amount, one, "us", "spooned");
          expect(range?.likely).toBe(toGrams(amount, one, "us", "spooned"));
          if (range) {
            expect(range.low).toBeLessThanOrEqual(range.likely + 1e-9);
            expect(range.high).toBeGreaterThanOrEqual(range.likely - 1e-9);
          }
        },
      ),
    );
  });
});

describe("figures that do not fit together", () => {
  test("the starter pantry has none", () => {
    expect(starterPantry.length).toBeGreaterThan(90);
    for (const one of starterPantry)
      expect([one.id, checkIngredient(one).filter((finding) => finding.code !== "no-measure")]).toEqual([one.id, []]);
  });

  test.each<[string, Partial<Ingredient>]>([
    ["parts-over-hundred", { waterPercent: 70, fatPercent: 40 }],
    ["fills-out-of-order", { gramsPerCup: { sifted: 150, spooned: 120, dipped: 140 } }],
    ["spread-out-of-order", { tspSpread: { low: 5, high: 3 } }],
    ["cup-heavier-than-itself", { gramsPerCup: 420 }],
    ["cup-and-spoon-disagree", { gramsPerCup: 120, gramsPerTsp: 9 }],
    ["density-unlikely", { waterPercent: 90, fatPercent: 0, trueDensity: 2 }],
  ])("%s", (code, change) => {
    expect(checkIngredient({ ...ingredient("plain-flour"), ...change }).map((finding) => finding.code)).toContain(code);
  });

  test("what can be measured by nothing is said", () => {
    const { gramsPerCup: _cup, ...bare } = ingredient("plain-flour");
    expect(checkIngredient(bare).map((finding) => finding.code)).toEqual(["no-measure"]);
  });
});
