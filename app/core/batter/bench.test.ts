import { inMillilitres, inGrams } from "~/core/quantity";
import fc from "fast-check";
import { starterPantry } from "~/core/pantry";
import { starterRecipes } from "~/demo/recipes";
import { type Pantry, batterOf, lineGrams } from "./batter";
import {
  correctBowl,
  diameterOf,
  eggsOfSize,
  feels,
  liquidCurve,
  loosenessByFeel,
  loosenessWanted,
  mainLiquid,
  pourFor,
  saltSpoons,
} from "./bench";

const pantry: Pantry = new Map(starterPantry.map((one) => [one.id, one]));
const of = (id: string) => {
  const found = pantry.get(id);
  if (!found) throw new Error(`no ${id}`);
  return found;
};

test("which ladle for this pan, and how big this ladle gets, are each other's reverse", () => {
  expect(pourFor(24, 1.2)).toBeCloseTo(54.3, 1);
  expect(diameterOf(inMillilitres(59.1), 7)).toBeCloseTo(10.4, 1);
  fc.assert(
    fc.property(
      fc.double({ min: 4, max: 40, noNaN: true }),
      fc.double({ min: 0.5, max: 15, noNaN: true }),
      (cm, mm) => {
        expect(diameterOf(inMillilitres(pourFor(cm, mm)), mm)).toBeCloseTo(cm, 6);
      },
    ),
  );
  expect(() => pourFor(0, 1)).toThrow(RangeError);
  expect(() => diameterOf(inMillilitres(10), -1)).toThrow(RangeError);
});

test("a corrected bowl has the looseness that was wanted", () => {
  const milk = of("whole-milk");
  fc.assert(
    fc.property(
      fc.double({ min: 0.8, max: 3, noNaN: true }),
      fc.double({ min: 0.8, max: 3, noNaN: true }),
      fc.double({ min: 0, max: 2000, noNaN: true }),
      (now, target, starch) => {
        const correction = correctBowl(now, target, starch, milk);
        if (correction.kind === "liquid") {
          const water = now * starch + correction.ml * milk.trueDensity * (milk.waterPercent / 100);
          expect(water / starch).toBeCloseTo(target, 6);
        } else if (correction.kind === "flour") {
          expect((now * starch) / (starch + correction.grams)).toBeCloseTo(target, 6);
        } else {
          expect(Math.min(Math.abs(target - now) * starch, Math.abs((now * starch) / target - starch))).toBeLessThan(2);
        }
      },
    ),
  );
  expect(correctBowl(1.5, 1.7, 153, of("sunflower-oil"))).toEqual({ kind: "none" });
  expect(() => correctBowl(0, 1, 100, milk)).toThrow(RangeError);
});

test("a bowl is brought to what its author aims at, to what its recipe makes where nobody said, and left where it is right", () => {
  expect(loosenessWanted({ aimedLooseness: 1.35 }, 1.5, "too-thick")).toBe(1.35);
  expect(loosenessWanted({}, 1.5, "too-thin")).toBe(1.5);
  expect(loosenessWanted({ aimedLooseness: 1.35 }, 1.5, "right")).toBe(1.5);
});

test("the thicker it feels, the less loose it is", () => {
  const felt = feels.map((feel) => loosenessByFeel(1.7, feel, "pancake"));
  expect([...felt].sort((a, b) => a - b)).toEqual(felt);
  expect(felt[2]).toBe(1.7);
  expect(loosenessByFeel(0.2, "far-too-thick", "fritter")).toBeGreaterThan(0);
});

test("the curve passes through the batter as it is, and rises", () => {
  for (const recipe of starterRecipes) {
    const batter = batterOf(recipe, pantry);
    const liquid = mainLiquid(recipe, pantry, (id) => {
      const line = recipe.lines.find((one) => one.id === id);
      return line && lineGrams(line, recipe, pantry);
    });
    if (!liquid) throw new Error("each starter recipe has a liquid");
    const curve = liquidCurve(recipe, batter, liquid.ingredient, inMillilitres(240));
    expect(curve[8]?.looseness).toBeCloseTo(batter.looseness ?? NaN, 9);
    curve
      .slice(1)
      .forEach((point, index) => expect(point.looseness).toBeGreaterThan(curve[index]?.looseness ?? Infinity));
  }
});

test("salt of another kind by the same weight; eggs of another size by theirs", () => {
  expect(saltSpoons(1, of("fine-salt"), of("coarse-salt"))).toMatchObject({ low: 1.2, likely: 1.5, high: 2 });
  expect(saltSpoons(1, of("fine-salt"), of("butter"))).toBeUndefined();
  expect(eggsOfSize(6, inGrams(50), 60)).toEqual({ exact: 5, whole: 5, gramsOff: 0 });
  expect(eggsOfSize(3, inGrams(50), 60)).toMatchObject({ whole: 3, gramsOff: 30 });
});
