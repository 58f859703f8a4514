import fc from "fast-check";
import { starterPantry } from "~/core/pantry";
import { ratio, toNumber, inGrams } from "~/core/quantity";
import { type Recipe, applyEdits, checkRecipe } from "~/core/recipe";
import { starterRecipes } from "~/demo/recipes";
import { recipes } from "../../../test/recipes";
import type { Pantry } from "./batter";
import { effectsOf, powderFor, substancesIn, swapsFor } from "./swaps";

const pantry: Pantry = new Map(starterPantry.map((one) => [one.id, one]));
const [pancakes] = starterRecipes;
if (!pancakes) throw new Error("the starter recipes are gone");
const swapTo = (recipe: Recipe, lineId: string, toIngredientId: string, way = "") => {
  const offer = swapsFor(recipe, pantry).find(
    (one) => one.lineId === lineId && one.toIngredientId === toIngredientId && one.way === way,
  );
  if (!offer) throw new Error(`no swap of ${lineId} to ${toIngredientId}`);
  return offer;
};
const grams = (recipe: Recipe, lineId: string) => {
  const amount = recipe.lines.find((line) => line.id === lineId)?.amount;
  return amount?.kind === "exact" ? toNumber(amount.amount.value) : undefined;
};

test("oat drink brings oats and leaves the butter's milk: what is introduced, removed and still there", () => {
  const effects = effectsOf(pancakes, swapTo(pancakes, "milk", "oat-drink"), pantry);
  expect(effects.introduced).toEqual(["oats"]);
  expect(effects.removed).toEqual([]);
  expect(effects.residual).toEqual([{ substance: "milk", ingredientIds: ["butter"] }]);
  expect(effects.labelsToRead).toEqual(expect.arrayContaining(["oat-drink"]));
  const withoutButter = applyEdits(pancakes, swapTo(pancakes, "butter", "sunflower-oil").edits);
  expect(effectsOf(withoutButter, swapTo(withoutButter, "milk", "oat-drink"), pantry).removed).toEqual(["milk"]);
});

test("leaner milk gets its fat back as butter; the same swap back takes it away again", () => {
  const leaner = effectsOf(pancakes, swapTo(pancakes, "milk", "semi-skimmed-milk"), pantry);
  expect(leaner.fatGrams.after).toBeCloseTo(leaner.fatGrams.before, 0);
  expect(leaner.recipe.lines.map((line) => line.id)).toContain("milk-fat");
  const back = applyEdits(leaner.recipe, swapTo(leaner.recipe, "milk", "whole-milk").edits);
  expect(back.lines.map((line) => line.id)).not.toContain("milk-fat");
});

test("an egg becomes a spoon of seed in three of water, and is refused in an oven-puffed pancake", () => {
  const { recipe, removed, residual, waitMinutes } = effectsOf(pancakes, swapTo(pancakes, "egg", "chia"), pantry);
  expect(removed).toEqual(["egg"]);
  expect(residual).toEqual([]);
  expect(waitMinutes).toBeGreaterThanOrEqual(5);
  expect(grams(recipe, "egg-gel-water")).toBe(3);
  expect(swapTo({ ...pancakes, family: "oven-puffed" }, "egg", "chia")).toMatchObject({
    refused: "no-lift-for-oven",
    edits: [],
  });
});

test("a second egg in the recipe stays, and is said to", () => {
  const more = {
    ...pancakes,
    lines: [...pancakes.lines, { ...(pancakes.lines[4] as Recipe["lines"][number]), id: "another" }],
  };
  expect(effectsOf(more, swapTo(more, "egg", "linseed"), pantry).residual).toEqual([
    { substance: "egg", ingredientIds: ["egg"] },
  ]);
});

test("soured milk: the acid on top, or the milk made up to the mark over it", () => {
  const cultured: Recipe = {
    ...pancakes,
    lines: pancakes.lines.map((line) =>
      line.id === "milk"
        ? {
            ...line,
            ingredientId: "buttermilk",
            amount: { kind: "exact", amount: { value: ratio(5n, 4n), unit: "cup" } },
          }
        : line,
    ),
  };
  const onTop = applyEdits(cultured, swapTo(cultured, "milk", "whole-milk", "on-top").edits);
  const madeUp = applyEdits(cultured, swapTo(cultured, "milk", "whole-milk", "made-up").edits);
  expect([grams(onTop, "milk"), grams(onTop, "milk-acid-top")]).toEqual([1.25, 18.5]);
  expect(grams(madeUp, "milk")).toBeCloseTo(1.25 * (15 / 16), 9);
  expect(grams(applyEdits(madeUp, swapTo(madeUp, "milk", "buttermilk").edits), "milk")).toBe(1.25);
});

test("self-raising by each country's rule", () => {
  expect(powderFor(inGrams(150), "metric")).toEqual({ tsp: 2, saltTsp: 0, rule: "uk" });
  expect(powderFor(inGrams(122), "us")).toEqual({ tsp: 1.5, saltTsp: 0.25, rule: "us" });
  expect(powderFor(inGrams(128.9), "au").tsp).toBeCloseTo(2, 2);
});

test("butter to oil is four fifths by weight, and exactly back", () => {
  const weighed: Recipe = {
    ...pancakes,
    lines: pancakes.lines.map((line) =>
      line.id === "butter" ? { ...line, amount: { kind: "exact", amount: { value: ratio(30n), unit: "g" } } } : line,
    ),
  };
  const oiled = applyEdits(weighed, swapTo(weighed, "butter", "sunflower-oil").edits);
  expect(grams(oiled, "butter")).toBe(24);
  expect(grams(applyEdits(oiled, swapTo(oiled, "butter", "butter").edits), "butter")).toBe(30);
});

test("a swap and its reverse restore the allergens, and leave the ledger as it was", () => {
  let tried = 0;
  fc.assert(
    fc.property(fc.oneof(recipes, fc.constantFrom(...starterRecipes)), fc.nat(), (recipe, pick) => {
      const offers = swapsFor(recipe, pantry).filter((offer) => offer.refused === undefined);
      const offer = offers[pick % Math.max(1, offers.length)];
      if (!offer) return;
      const { recipe: swapped } = effectsOf(recipe, offer, pantry);
      const back = swapsFor(swapped, pantry).find(
        (one) =>
          one.lineId === offer.lineId && one.swap === offer.swap && one.toIngredientId === offer.fromIngredientId,
      );
      // Powder that was taken out because self-raising flour brings it stays the author's to put back.
      if (!back && offer.swap === "raising") return;
      expect(back).toBeDefined();
      if (!back) return;
      tried += 1;
      const restored = applyEdits(swapped, back.edits);
      expect([...substancesIn(restored, pantry)].sort()).toEqual([...substancesIn(recipe, pantry)].sort());
      const codes = (one: Recipe) =>
        checkRecipe(one)
          .filter((finding) => finding.code.startsWith("shares") || finding.code.startsWith("draws"))
          .map((finding) => finding.code);
      expect(codes(restored)).toEqual(codes(recipe));
    }),
    { numRuns: 600 },
  );
  expect(tried).toBeGreaterThan(150);
});

test("what a swap brings and what it leaves is the difference of what is in it, for any recipe", () => {
  fc.assert(
    fc.property(recipes, (recipe) => {
      const was = new Set(substancesIn(recipe, pantry));
      for (const offer of swapsFor(recipe, pantry)) {
        const effects = effectsOf(recipe, offer, pantry);
        const is = new Set(substancesIn(effects.recipe, pantry));
        expect(new Set(effects.introduced)).toEqual(new Set([...is].filter((one) => !was.has(one))));
        expect(new Set(effects.removed)).toEqual(new Set([...was].filter((one) => !is.has(one))));
        for (const { substance, ingredientIds } of effects.residual) {
          expect(is.has(substance)).toBe(true);
          expect(ingredientIds.length).toBeGreaterThan(0);
        }
      }
    }),
    { numRuns: 200 },
  );
});
