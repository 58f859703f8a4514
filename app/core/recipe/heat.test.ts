import fc from "fast-check";
import { recipes } from "../../../test/recipes";
import { surfaceKinds } from "./types";
import { familyHeat } from "./templates";
import { heatAmong, heatOn } from "./heat";

const plain = familyHeat("pancake");
const span = (likely: number) => ({ low: likely, likely, high: likely });
const heat = {
  ...plain,
  on: [
    {
      surfaceKind: "hob-pan" as const,
      surfaceC: { from: 160, to: 175 },
      dial: "4 of 9",
      test: "drop-sizzles" as const,
      side1: span(5),
    },
    { surfaceKind: "oven" as const, side2: span(9) },
  ],
};

test("one kind of surface has its own degrees and minutes, what it does not say is the recipe's", () => {
  expect(heatOn(heat, "hob-pan")).toMatchObject({
    surfaceC: { from: 160, to: 175 },
    side1: span(5),
    side2: plain.side2,
    test: "drop-sizzles",
  });
  expect(heatOn(heat, "oven").test).toBe(plain.test);
  expect(heatOn(heat, "crepe-pan")).toBe(heat);
  expect(heatAmong(heat, ["hob-pan", "hob-pan"])).toEqual(heatOn(heat, "hob-pan"));
  expect(heatAmong(heat, [])).toBe(heat);
});

test("several kinds are planned by the longest minutes and the recipe's own degrees", () => {
  const among = heatAmong(heat, ["hob-pan", "oven", "electric-griddle"]);
  expect(among.surfaceC).toEqual(plain.surfaceC);
  expect(among.test).toBe(plain.test);
  expect(heatAmong(heat, ["hob-pan"]).test).toBe("drop-sizzles");
  expect(among.side1).toEqual(span(5));
  expect(among.side2).toEqual(span(9));
  // What cooks on both sides at once has no second side anywhere.
  expect(heatAmong({ ...heat, side2: null }, ["oven", "hob-pan"]).side2).toBeNull();
});

test("no surface a class has is planned shorter than its own minutes", () => {
  fc.assert(
    fc.property(recipes, fc.subarray([...surfaceKinds]), (recipe, kinds) => {
      const among = heatAmong(recipe.heat, kinds);
      for (const kind of kinds) {
        const own = heatOn(recipe.heat, kind);
        expect(among.side1.likely).toBeGreaterThanOrEqual(own.side1.likely);
        expect(among.side2?.likely ?? 0).toBeGreaterThanOrEqual(own.side2?.likely ?? 0);
      }
      expect(among.side2 === null).toBe(recipe.heat.side2 === null);
    }),
  );
});
