import fc from "fast-check";
import { classes } from "../../../test/generators";
import { plan } from "~/core/plan";
import { toNumber, inMillilitres, inGrams } from "~/core/quantity";
import { starterRecipes } from "~/demo/recipes";
import { bowlFor, bowlLitres, fullestBowl, sizesOf } from "./sizes";

const [pancakes] = starterRecipes;
if (!pancakes) throw new Error("the starter recipes are gone");
const with_ = (more: Partial<typeof pancakes>) => ({
  ...pancakes,
  steps: pancakes.steps.map((step) => ({ ...step, tools: ["mixing-bowl", "ladle"] as const })),
  ...more,
});

test("a bowl is filled to two fifths, and what no bowl takes goes into several", () => {
  expect(bowlFor(inMillilitres(400))).toEqual({ litres: 1, bowls: 1 });
  expect(bowlFor(inMillilitres(401))).toEqual({ litres: 1.5, bowls: 1 });
  expect(bowlFor(inMillilitres(4000))).toEqual({ litres: 10, bowls: 1 });
  expect(bowlFor(inMillilitres(9000))).toEqual({ litres: 10, bowls: 3 });
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 50_000 }), (ml) => {
      const { litres, bowls } = bowlFor(inMillilitres(ml));
      expect(litres * bowls * 1000 * fullestBowl).toBeGreaterThanOrEqual(ml - 1e-6);
      // None smaller would do, and no bowl too many.
      const smaller = bowlLitres.filter((one) => one < litres);
      if (bowls === 1) expect(smaller.every((one) => one * 1000 * fullestBowl < ml)).toBe(true);
      else expect(litres * (bowls - 1) * 1000 * fullestBowl).toBeLessThan(ml);
    }),
  );
});

test("bowls by what each table mixes, ladles by the portion, dishes by the piece", () => {
  const recipe = with_({ portion: { kind: "ml", ml: inMillilitres(60) } });
  const dish = { recipe, batterMl: inMillilitres(500), batches: [1, 1, 2.5] };
  expect(sizesOf("mixing-bowl", [dish])).toEqual([
    { unit: "l", size: 1.5, count: 2 },
    { unit: "l", size: 4, count: 1 },
  ]);
  expect(sizesOf("ladle", [dish])).toEqual([{ unit: "ml", size: 60, count: 3 }]);
  const weighed = { ...dish, recipe: with_({ portion: { kind: "grams", grams: inGrams(66) } }), gramsPerMl: 1.1 };
  expect(sizesOf("ladle", [dish, weighed])).toEqual([{ unit: "ml", size: 60, count: 6 }]);
  expect(sizesOf("whisk", [dish])).toEqual([]);
  // What is not known is not made up.
  expect(sizesOf("mixing-bowl", [{ ...dish, batterMl: undefined }])).toEqual([]);
});

test("of any class the bowls on the gear list hold the batter of every table, with room", () => {
  fc.assert(
    fc.property(classes, (input) => {
      const made = plan(input);
      for (const line of made.gear) {
        const sizes = line.sizes ?? [];
        expect(sizes.every((one) => one.count > 0 && one.size > 0)).toBe(true);
        if (line.tool !== "mixing-bowl" || sizes.length === 0) continue;
        const room = sizes.reduce((sum, one) => sum + one.size * one.count * 1000 * fullestBowl, 0);
        const batter = made.stations.reduce((sum, station) => {
          const dish = made.dishes.find((one) => one.id === station.dishId);
          // A batter made ahead comes to the table in its tub.
          const recipe = dish?.atTable ?? dish?.recipe;
          const uses = recipe?.steps.some((step) => step.tools.includes("mixing-bowl")) ?? false;
          return dish && uses && dish.batter.unknownLines.length === 0
            ? sum + dish.batter.millilitres * toNumber(station.scale.factor)
            : sum;
        }, 0);
        expect(room).toBeGreaterThanOrEqual(batter - 1e-6);
      }
    }),
    { numRuns: 60 },
  );
});
