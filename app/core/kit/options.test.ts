import fc from "fast-check";
import { type Pantry, batterOf, yieldOf } from "~/core/batter";
import { starterPantry } from "~/core/pantry";
import {
  compare,
  divide,
  isSame,
  measuringSetOf,
  multiply,
  one,
  ratio,
  scoopTolerance,
  toNumber,
} from "~/core/quantity";
import { type Recipe, scaleLineAmount } from "~/core/recipe";
import { starterRecipes } from "~/demo/recipes";
import { positiveRatio } from "../../../test/generators";
import { recipes } from "../../../test/recipes";
import { inBowlOrder, kitOf, tareReadings } from "./kit";
import { nextWholeEggs, scaleOptions } from "./options";
import { totalsOf } from "./totals";

const pantry: Pantry = new Map(starterPantry.map((each) => [each.id, each]));
const options = { set: measuringSetOf("us-usual"), tolerance: scoopTolerance, easesSpice: false };
const [pancakes] = starterRecipes;
if (!pancakes) throw new Error("the starter recipes are gone");

test("scaling there and back is the recipe again, for every kind of amount", () => {
  fc.assert(
    fc.property(recipes, positiveRatio, (recipe, factor) => {
      for (const line of recipe.lines)
        expect(scaleLineAmount(scaleLineAmount(line.amount, factor), divide(one, factor))).toEqual(line.amount);
    }),
  );
});

test("the class's totals are the sum of its stations, grams and pieces alike", () => {
  fc.assert(
    fc.property(
      recipes,
      fc.array(fc.constantFrom(ratio(1n, 2n), ratio(1n), ratio(3n, 2n), ratio(2n)), { minLength: 1, maxLength: 6 }),
      (recipe, factors) => {
        const kits = factors.map((factor) => kitOf(recipe, pantry, factor, 2, 8, options));
        for (const total of totalsOf(kits, [])) {
          const lines = kits.flat().filter((line) => line.ingredientId === total.ingredientId);
          const bought = lines.filter((line) => line.kind !== "to-taste").map((line) => line.buyGrams);
          if (bought.includes(undefined)) expect(total.buyGrams).toBeUndefined();
          else
            expect(total.buyGrams).toBeCloseTo(
              bought.reduce<number>((sum, grams) => sum + (grams ?? 0), 0),
              6,
            );
          const counted = lines.filter((line) => line.main?.amount.unit === "piece");
          if (total.pieces)
            expect(toNumber(total.pieces)).toBeCloseTo(
              counted.reduce((sum, line) => sum + toNumber(line.main?.amount.value ?? ratio(0n)), 0),
              9,
            );
        }
      },
    ),
    { numRuns: 80 },
  );
});

test("the finer the rule the less is left over, and none is short while a bowl holds it", () => {
  fc.assert(
    fc.property(fc.constantFrom(...starterRecipes), fc.integer({ min: 1, max: 30 }), (recipe, wanted) => {
      const rows = scaleOptions(recipe, pantry, batterOf(recipe, pantry), wanted, 3, options);
      expect(rows.map((row) => row.rule)).toEqual(["whole", "half", "quarter", "exact"]);
      rows.slice(1).forEach((row, index) => {
        const coarser = rows[index];
        if (coarser) expect(compare(row.scale.factor, coarser.scale.factor)).toBeLessThanOrEqual(0);
      });
      for (const row of rows) {
        expect(row.scale.over).toBe(row.scale.piecesMade - wanted);
        expect(row.loads).toBe(Math.ceil(row.scale.piecesMade / 3));
        expect(row.leftoverMl >= 0).toBe(true);
      }
    }),
  );
});

test("half an egg is offered beaten or as the next whole scale", () => {
  const [, half] = scaleOptions(pancakes, pantry, batterOf(pancakes, pantry), 12, 4, options);
  expect(half?.eggs).toMatchObject({ exact: ratio(3n, 2n), whole: 2, beatenGrams: 75 });
  const whole = nextWholeEggs(pancakes, pantry, batterOf(pancakes, pantry), ratio(3n, 2n));
  expect(whole && isSame(whole.factor, ratio(2n))).toBe(true);
  expect(whole?.pieces).toBe(yieldOf(pancakes, batterOf(pancakes, pantry), 2).pieces);
  expect(
    nextWholeEggs(
      { ...pancakes, lines: pancakes.lines.filter((line) => line.id !== "egg") },
      pantry,
      batterOf(pancakes, pantry),
      one,
    ),
  ).toBeUndefined();
});

test("salt and strong spice are eased above four batches, and only when asked", () => {
  const salt = (factor: bigint, easesSpice: boolean) =>
    kitOf(pancakes, pantry, ratio(factor), 1, 1, { ...options, easesSpice }).find((line) => line.lineId === "salt");
  expect(toNumber(salt(6n, true)?.main?.amount.value ?? ratio(0n))).toBeCloseTo(0.25 * 6 * 0.9, 9);
  expect([salt(6n, true)?.isEased, salt(4n, true)?.isEased, salt(6n, false)?.isEased]).toEqual([true, false, false]);
  const flour = kitOf(pancakes, pantry, ratio(6n), 1, 1, { ...options, easesSpice: true }).find(
    (line) => line.lineId === "flour",
  );
  expect(flour && isSame(flour.main?.amount.value ?? one, multiply(ratio(5n, 4n), ratio(6n)))).toBe(true);
});

test("sachets scale as a fraction that is shown and as the whole ones it takes", () => {
  const recipe: Recipe = {
    ...pancakes,
    lines: pancakes.lines.map((line) =>
      line.id === "sugar"
        ? {
            ...line,
            amount: { kind: "packs", packs: ratio(1n), each: { value: ratio(25n), unit: "g" }, packName: "sachet" },
          }
        : line,
    ),
  };
  const sugar = kitOf(recipe, pantry, ratio(3n, 2n), 1, 1, options).find((line) => line.lineId === "sugar");
  expect(sugar?.packs).toEqual({ exact: ratio(3n, 2n), whole: 2, name: "sachet" });
  expect(sugar?.main?.grams).toBeCloseTo(37.5, 9);
});

test("the tare card follows the bowl: each reading adds up to the running one", () => {
  fc.assert(
    fc.property(recipes, (recipe) => {
      const kit = kitOf(recipe, pantry, one, 1, 1, options);
      const ordered = inBowlOrder(kit, recipe);
      expect([...ordered].map((line) => line.lineId).sort()).toEqual(kit.map((line) => line.lineId).sort());
      let sum = 0;
      for (const reading of tareReadings(ordered)) {
        sum += reading.each;
        expect(reading.running).toBeCloseTo(sum, 6);
      }
    }),
  );
  expect(inBowlOrder(kitOf(pancakes, pantry, one, 1, 1, options), pancakes)[0]?.lineId).toBe("flour");
});
