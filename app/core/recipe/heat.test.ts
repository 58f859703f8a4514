import { inCelsius } from "~/core/quantity";
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
      surfaceC: { from: inCelsius(160), to: inCelsius(175) },
      dial: "4 of 9",
      test: "drop-sizzles" as const,
      side1: span(5),
    },
    { surfaceKind: "oven" as const, side2: span(9) },
  ],
};

test("one kind of surface has its own degrees and minutes, what it does not say is the recipe's", () => {
  expect(heatOn(heat, "hob-pan")).toMatchObject({
    surfaceC: { from: inCelsius(160), to: inCelsius(175) },
    side1: span(5),
    side2: plain.side2,
    test: "drop-sizzles",
  });
  expect(heatOn(heat, "oven").test).toBe(plain.test);
  expect(heatOn(heat, "crepe-pan")).toBe(heat);
  expect(heatAmong(heat, ["hob-pan", "hob-pan"])).toEqual(heatOn(heat, "hob-pan"));
  expect(heatAmong(heat, [])).toBe(heat);
});

test("with several kinds the recipe stays as it is, and each kind has its own minutes", () => {
  expect(heatAmong(heat, ["hob-pan", "oven", "electric-griddle"])).toBe(heat);
  expect(heatAmong(heat, ["hob-pan"]).test).toBe("drop-sizzles");
  expect(heatOn(heat, "oven").side2).toEqual(span(9));
  // What cooks on both sides at once has no second side anywhere.
  expect(heatOn({ ...heat, side2: null }, "oven").side2).toBeNull();
});

test("the heat of one kind is that kind's own, asked once or twice", () => {
  fc.assert(
    fc.property(recipes, fc.constantFrom(...surfaceKinds), (recipe, kind) => {
      const among = heatAmong(recipe.heat, [kind]);
      expect(among).toEqual(heatOn(recipe.heat, kind));
      expect(heatOn(among, kind)).toEqual(among);
      expect(among.side2 === null).toBe(recipe.heat.side2 === null);
    }),
  );
});
