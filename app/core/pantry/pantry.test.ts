import fc from "fast-check";
import { type Amount, type MeasuringSystem, measuringSystems, ratio, toNumber, units } from "~/core/quantity";
import { bearsOn, diets, groupOf, substances } from "./allergens";
import { gramsPerMl, toGrams, toMillilitres } from "./convert";
import { starterPantry, twinsOf } from "./starter";
import { fillMethods } from "./types";

const ingredient = (id: string) => {
  const found = starterPantry.find((one) => one.id === id);
  if (!found) throw new Error(`no ${id} in the starter pantry`);
  return found;
};
const amount = (num: bigint, unit: Amount["unit"], den = 1n): Amount => ({ value: ratio(num, den), unit });

describe("volume to mass", () => {
  test.each([
    ["sifted", 115],
    ["spooned", 122],
    ["dipped", 142],
  ] as const)("a US cup of flour, %s, is %d g", (fill, grams) => {
    expect(toGrams(amount(1n, "cup"), ingredient("plain-flour"), "us", fill)).toBeCloseTo(grams, 3);
  });

  test("the way a flour cup is filled makes up to a fifth of a difference, of sugar none", () => {
    const of = (id: string) => fillMethods.map((fill) => toGrams(amount(1n, "cup"), ingredient(id), "us", fill) ?? 0);
    const [flour, sugar] = [of("plain-flour"), of("sugar")];
    expect(Math.max(...flour) / Math.min(...flour)).toBeGreaterThan(1.2);
    expect(new Set(sugar).size).toBe(1);
  });

  test.each<[string, bigint, MeasuringSystem, number]>([
    ["baking-powder", 1n, "us", 4.6],
    ["baking-soda", 1n, "us", 5],
    ["fine-salt", 1n, "us", 6],
  ])("a US teaspoon of %s", (id, count, system, grams) => {
    expect(toGrams(amount(count, "tsp"), ingredient(id), system, "spooned")).toBeCloseTo(grams, 6);
  });

  test("the same word is a third more baking powder in Australia", () => {
    const tbsp = (system: MeasuringSystem) =>
      toGrams(amount(1n, "tbsp"), ingredient("baking-powder"), system, "spooned") ?? 0;
    expect(tbsp("au") / tbsp("metric")).toBeCloseTo(4 / 3, 9);
  });

  test("an egg is counted, butter comes in sticks, a pinch is a convention", () => {
    expect(toGrams(amount(3n, "piece"), ingredient("egg"), "metric", "spooned")).toBe(150);
    expect(toGrams(amount(1n, "stick", 2n), ingredient("butter"), "us", "spooned")).toBeCloseTo(56.7, 6);
    expect(toGrams(amount(2n, "pinch"), ingredient("fine-salt"), "us", "spooned")).toBeCloseTo(0.6, 9);
  });

  test("without a density or a piece weight the answer is none, not a guess", () => {
    const { gramsPerCup: _cup, ...bare } = ingredient("syrup");
    expect(toGrams(amount(1n, "cup"), bare, "us", "spooned")).toBeUndefined();
    expect(toGrams(amount(1n, "piece"), ingredient("plain-flour"), "us", "spooned")).toBeUndefined();
    expect(toMillilitres(amount(1n, "piece"), ingredient("egg"), "us", "spooned")).toBeUndefined();
    expect(toMillilitres(amount(10n, "g"), bare, "us", "spooned")).toBeUndefined();
  });

  test("to millilitres and back loses nothing worth weighing, for every unit, system and ingredient that can", () => {
    let tried = 0;
    fc.assert(
      fc.property(
        fc.constantFrom(...starterPantry),
        fc.constantFrom(...units),
        fc.constantFrom(...measuringSystems),
        fc.constantFrom(...fillMethods),
        fc.bigInt(1n, 400n),
        (one, unit, system, fill, num) => {
          const given = amount(num, unit, 4n);
          const [grams, ml, density] = [
            toGrams(given, one, system, fill),
            toMillilitres(given, one, system, fill),
            gramsPerMl(one, fill),
          ];
          if (grams === undefined || ml === undefined || density === undefined) return;
          tried += 1;
          expect(toNumber(ml) * density).toBeCloseTo(grams, 3);
        },
      ),
      { numRuns: 1500 },
    );
    expect(tried).toBeGreaterThan(300);
  });
});

describe("the tree of what people avoid", () => {
  test("bearing on is mutual, reaches the group and its members, and never from one member to another", () => {
    for (const a of substances) {
      expect(bearsOn(a, a)).toBe(true);
      for (const b of substances) {
        expect(bearsOn(a, b)).toBe(bearsOn(b, a));
        if (a !== b && groupOf(a) !== undefined && groupOf(a) === groupOf(b)) expect(bearsOn(a, b)).toBe(false);
      }
    }
    expect(bearsOn("wheat", "gluten")).toBe(true);
    expect(bearsOn("gluten", "wheat")).toBe(true);
    expect(bearsOn("almond", "tree-nut")).toBe(true);
    expect(bearsOn("coconut", "tree-nut")).toBe(false);
  });

  test("who is vegan leaves out all that who is vegetarian does, and gluten is nobody's diet", () => {
    expect(diets.vegetarian.every((substance) => (diets.vegan as readonly string[]).includes(substance))).toBe(true);
    expect([...diets.vegan, ...diets.vegetarian]).not.toContain("gluten");
  });
});

describe("the starter pantry", () => {
  test("has each ingredient once, with figures a kitchen would believe, and says where they come from", () => {
    expect(new Set(starterPantry.map((one) => one.id)).size).toBe(starterPantry.length);
    for (const one of starterPantry) {
      expect(one.waterPercent + one.fatPercent).toBeLessThanOrEqual(100);
      expect(one.trueDensity).toBeGreaterThan(0.5);
      expect(one.trueDensity).toBeLessThan(2.5);
      expect(one.source.length).toBeGreaterThan(10);
    }
  });

  test("what is packaged must be read; only whole foods carry no label", () => {
    expect(starterPantry.filter((one) => one.label === "whole").map((one) => one.role)).toEqual(
      expect.arrayContaining(["egg", "fruit", "vegetable", "liquid"]),
    );
    for (const one of starterPantry.filter((each) => ["powder", "spray", "topping", "flour"].includes(each.role)))
      expect(one.label).toBe("packaged");
  });

  test("powder and soda are each other's twin", () => {
    expect(twinsOf("baking-powder")).toEqual(["baking-soda"]);
    expect(twinsOf("baking-soda")).toEqual(["baking-powder"]);
    expect(twinsOf("egg")).toEqual([]);
  });
});
