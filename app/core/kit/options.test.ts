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
  inPieces,
  inGrams,
} from "~/core/quantity";
import { type Line, type LineAmount, type Recipe, scaleLineAmount } from "~/core/recipe";
import { type BatchRule, batchRules, scaleStation } from "~/core/scale";
import { starterRecipes } from "~/demo/recipes";
import { positiveRatio } from "../../../test/generators";
import { recipes } from "../../../test/recipes";
import { inBowlOrder, kitOf, tareReadings } from "./kit";
import { demandOf } from "./demand";
import { nextWholeEggs, scaleOption } from "./options";

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
        const kits = factors.map((factor) => kitOf(recipe, pantry, factor, { loads: 2, pieces: inPieces(8) }, options));
        for (const total of demandOf(kits, pantry, [])) {
          const lines = kits.flat().filter((line) => line.ingredientId === total.ingredientId);
          const bought = lines.filter((line) => line.kind !== "to-taste").map((line) => line.buyGrams);
          if (bought.includes(undefined)) expect(total.buyGrams).toBeUndefined();
          else
            expect(total.buyGrams).toBeCloseTo(
              bought.reduce<number>((sum, grams) => sum + (grams ?? 0), 0),
              6,
            );
          const counted = lines.filter((line) => line.most?.unit === "piece");
          const weighed = lines.filter((line) => line.kind !== "to-taste" && line.most?.unit !== "piece");
          const each = pantry.get(total.ingredientId)?.pieceGrams;
          if (total.pieces)
            expect(toNumber(total.pieces)).toBeCloseTo(
              counted.reduce((sum, line) => sum + toNumber(line.most?.value ?? ratio(0n)), 0) +
                weighed.reduce((sum, line) => sum + (line.buyGrams ?? 0) / (each ?? NaN), 0),
              4,
            );
        }
      },
    ),
    { numRuns: 80 },
  );
});

/** A station that makes `wanted` pieces, three to a load, under one rule. */
function optionFor(recipe: Recipe, wanted: number, rule: BatchRule) {
  const scale = scaleStation(recipe, batterOf(recipe, pantry), wanted, rule);
  const loads = Math.ceil(scale.piecesMade / 3);
  const kit = kitOf(recipe, pantry, scale.factor, { loads: loads, pieces: scale.piecesMade }, options);
  return scaleOption(rule, recipe, pantry, { scale, loads, kit });
}

test("the finer the rule the less is left over, and none is short while a bowl holds it", () => {
  fc.assert(
    fc.property(fc.constantFrom(...starterRecipes), fc.integer({ min: 1, max: 30 }), (recipe, wanted) => {
      const rows = batchRules.map((rule) => optionFor(recipe, wanted, rule));
      rows.slice(1).forEach((row, index) => {
        const coarser = rows[index];
        if (coarser) expect(compare(row.scale.factor, coarser.scale.factor)).toBeLessThanOrEqual(0);
      });
      for (const row of rows) {
        expect(row.scale.over).toBe(row.scale.piecesMade - wanted);
        expect(row.leftoverMl >= 0).toBe(true);
      }
    }),
  );
});

test("half an egg is offered beaten or as the next whole scale", () => {
  const half = optionFor(pancakes, 12, "half");
  expect(half.eggs).toMatchObject({ exact: ratio(3n, 2n), whole: 2, beatenGrams: 75 });
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

const lineOf = (id: string, ingredientId: string, amount: LineAmount): Line => ({
  id,
  partId: null,
  ingredientId,
  amount,
  bowl: "bowl",
  keeps: 1,
  isOptional: false,
  note: "",
});
const pieces = (n: bigint) => ({ value: ratio(n), unit: "piece" as const });

test("three eggs of which one is held back: four stations buy twelve and likely use eight", () => {
  const recipe = {
    ...pancakes,
    lines: [lineOf("egg", "egg", { kind: "hold-back", amount: pieces(3n), back: pieces(1n) })],
  };
  const kit = kitOf(recipe, pantry, one, { loads: 1, pieces: inPieces(1) }, options);
  const [total] = demandOf([kit, kit, kit, kit], pantry, []);
  expect(total).toMatchObject({ buyPieces: 12, pieces: ratio(12n), expectedPieces: ratio(8n), buyGrams: inGrams(600) });
  const topUp = { ...recipe, lines: [lineOf("egg", "egg", { kind: "top-up", start: pieces(2n), most: pieces(3n) })] };
  expect(
    demandOf([kitOf(topUp, pantry, one, { loads: 1, pieces: inPieces(1) }, options)], pantry, [])[0],
  ).toMatchObject({
    buyPieces: 3,
  });
  const range = { ...recipe, lines: [lineOf("egg", "egg", { kind: "range", from: pieces(2n), to: pieces(3n) })] };
  expect(
    demandOf([kitOf(range, pantry, one, { loads: 1, pieces: inPieces(1) }, options)], pantry, [])[0],
  ).toMatchObject({
    buyPieces: 3,
  });
});

test("what one dish counts and another weighs is added together", () => {
  const counted = { ...pancakes, lines: [lineOf("a", "banana", { kind: "exact", amount: pieces(2n) })] };
  const weighed = {
    ...pancakes,
    lines: [lineOf("b", "banana", { kind: "exact", amount: { value: ratio(250n), unit: "g" as const } })],
  };
  const each = pantry.get("banana")?.pieceGrams ?? NaN;
  const kits = [counted, weighed].map((recipe) =>
    kitOf(recipe, pantry, one, { loads: 1, pieces: inPieces(1) }, options),
  );
  const [total] = demandOf(kits, pantry, []);
  expect(total?.buyPieces).toBe(Math.ceil(2 + 250 / each));
  expect(total?.buyGrams).toBeCloseTo(2 * each + 250, 6);
});

test("a bag is bought by weight, an egg box by eggs, a net of lemons by the lemons its juice takes: the same packs everywhere", () => {
  const bag = { ingredientId: "banana", unitGrams: inGrams(1000), unitsPerPack: 1, unitName: "bag" };
  const many = { ...pancakes, lines: [lineOf("a", "banana", { kind: "exact", amount: pieces(5n) })] };
  const [bananas] = demandOf([kitOf(many, pantry, one, { loads: 1, pieces: inPieces(1) }, options)], pantry, [bag]);
  expect(bananas?.packs?.packs).toBeLessThanOrEqual(2);
  const box = { ingredientId: "egg", unitGrams: inGrams(58), unitsPerPack: 10, unitName: "egg" };
  const eggs = { ...pancakes, lines: [lineOf("a", "egg", { kind: "exact", amount: pieces(41n) })] };
  expect(
    demandOf([kitOf(eggs, pantry, one, { loads: 1, pieces: inPieces(1) }, options)], pantry, [box])[0]?.packs,
  ).toMatchObject({
    units: 41,
    packs: 5,
  });
  const net = { ingredientId: "lemon-juice", unitGrams: inGrams(500), unitsPerPack: 1, unitName: "net" };
  const juice = {
    ...pancakes,
    lines: [lineOf("a", "lemon-juice", { kind: "exact", amount: { value: ratio(200n), unit: "g" as const } })],
  };
  const [lemons] = demandOf([kitOf(juice, pantry, one, { loads: 1, pieces: inPieces(1) }, options)], pantry, [net]);
  const raw = pantry.get("lemon-juice")?.raw;
  expect(lemons?.raw?.grams).toBeCloseTo(200 / (raw?.keeps ?? NaN), 6);
  expect(lemons?.packs?.packs).toBe(Math.ceil(200 / (raw?.keeps ?? NaN) / 500));
});

test("salt and strong spice are eased above four batches, and only when asked", () => {
  const salt = (factor: bigint, easesSpice: boolean) =>
    kitOf(pancakes, pantry, ratio(factor), { loads: 1, pieces: inPieces(1) }, { ...options, easesSpice }).find(
      (line) => line.lineId === "salt",
    );
  expect(toNumber(salt(6n, true)?.main?.amount.value ?? ratio(0n))).toBeCloseTo(0.25 * 6 * 0.9, 9);
  expect([salt(6n, true)?.isEased, salt(4n, true)?.isEased, salt(6n, false)?.isEased]).toEqual([true, false, false]);
  const flour = kitOf(
    pancakes,
    pantry,
    ratio(6n),
    { loads: 1, pieces: inPieces(1) },
    { ...options, easesSpice: true },
  ).find((line) => line.lineId === "flour");
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
  const sugar = kitOf(recipe, pantry, ratio(3n, 2n), { loads: 1, pieces: inPieces(1) }, options).find(
    (line) => line.lineId === "sugar",
  );
  expect(sugar?.packs).toEqual({ exact: ratio(3n, 2n), whole: 2, name: "sachet" });
  expect(sugar?.main?.grams).toBeCloseTo(37.5, 9);
});

test("the tare card follows the bowl: each reading adds up to the running one", () => {
  fc.assert(
    fc.property(recipes, (recipe) => {
      const kit = kitOf(recipe, pantry, one, { loads: 1, pieces: inPieces(1) }, options);
      const ordered = inBowlOrder(kit, recipe);
      expect([...ordered].map((line) => line.lineId).sort()).toEqual(kit.map((line) => line.lineId).sort());
      let sum = 0;
      for (const reading of tareReadings(ordered)) {
        sum += reading.each;
        expect(reading.running).toBeCloseTo(sum, 6);
      }
    }),
  );
  expect(
    inBowlOrder(kitOf(pancakes, pantry, one, { loads: 1, pieces: inPieces(1) }, options), pancakes)[0]?.lineId,
  ).toBe("flour");
});

test("what is counted out is taken as often as it is asked for, on one surface where nobody says otherwise", () => {
  const grams = (value: bigint) => ({ value: ratio(value), unit: "g" as const });
  const withAmount = (
    amount: Recipe["lines"][number]["amount"],
    counted = { loads: 5, pieces: inPieces(9), people: 3 },
  ) => {
    const [line] = pancakes.lines;
    if (!line) throw new Error("the recipe has a line");
    const recipe = { ...pancakes, serving: { pieces: inPieces(2), as: "pair" as const }, lines: [{ ...line, amount }] };
    const [made] = kitOf(recipe, pantry, ratio(2n), counted, options);
    return [made?.times, made?.main?.grams];
  };
  expect(withAmount({ kind: "exact", amount: grams(4n) })).toEqual([undefined, 8]);
  expect(withAmount({ kind: "per-load", amount: grams(4n) })).toEqual([5, 20]);
  expect(withAmount({ kind: "per-load", amount: grams(4n), every: 3 })).toEqual([2, 8]);
  expect(withAmount({ kind: "per-load", amount: grams(4n), every: "first" })).toEqual([1, 4]);
  expect(
    withAmount(
      { kind: "per-load", amount: grams(4n), every: "first" },
      { loads: 0, pieces: inPieces(0), people: 0 },
    )[0],
  ).toBe(0);
  expect(withAmount({ kind: "per-piece", amount: grams(4n) })).toEqual([9, 36]);
  expect(withAmount({ kind: "per-serving", amount: grams(4n) })).toEqual([4, 16]);
  expect(withAmount({ kind: "per-person", amount: grams(4n) })).toEqual([3, 12]);
  expect(withAmount({ kind: "per-person", amount: grams(4n), takes: ratio(1n, 2n) })).toEqual([2, 8]);
});
