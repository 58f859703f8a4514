import fc from "fast-check";
import { batterOf } from "~/core/batter";
import { starterPantry } from "~/core/pantry";
import { type Recipe, type SurfaceKind, doneCues, families, surfaceKinds, turnCues } from "~/core/recipe";
import { starterBook } from "~/demo/starter-book";
import { recipes } from "../../../test/recipes";
import { acts, causes, correctionShare, correctionStep, looksOf, sights, stopOf, troublesOf } from ".";

const pantry = new Map(starterPantry.map((one) => [one.id, one]));

test("of any recipe a piece that is turned says when, and every piece says when it is done", () => {
  fc.assert(
    fc.property(recipes, (recipe) => {
      const { turn, done } = looksOf(recipe);
      expect(done.length).toBeGreaterThan(0);
      for (const cue of done) expect(doneCues).toContain(cue);
      for (const cue of turn) expect(turnCues).toContain(cue);
      if (recipe.heat.side2 === null) expect(turn).toEqual([]);
      const chosen = new Set<string>(recipe.heat.cues);
      expect(turn.every((cue) => chosen.has(cue))).toBe(true);
      if (doneCues.some((cue) => chosen.has(cue))) expect(done.every((cue) => chosen.has(cue))).toBe(true);
    }),
  );
});

test("what is seen has a reason and something to do in every family, and nothing is listed that no family has", () => {
  const all = families.flatMap((family) => troublesOf(family, surfaceKinds).map((trouble) => ({ family, ...trouble })));
  expect(new Set(all.map((one) => one.sight))).toEqual(new Set(sights));
  expect(new Set(all.map((one) => one.cause))).toEqual(new Set(causes));
  expect(new Set(all.map((one) => one.act))).toEqual(new Set(acts));
  for (const family of families) {
    const own = troublesOf(family, surfaceKinds);
    expect(own.length).toBeGreaterThanOrEqual(5);
    expect(new Set(own.map((one) => `${one.sight} ${one.cause}`)).size).toBe(own.length);
    const order = own.map((one) => sights.indexOf(one.sight));
    expect(order).toEqual([...order].sort((a, b) => a - b));
  }
  // What lies in an iron is not turned, nothing runs together there, and an oven dish has no second order.
  expect(
    troublesOf("waffle", ["waffle-iron"]).some((one) => one.cause === "turned-early" || one.sight === "fused"),
  ).toBe(false);
  expect(troublesOf("crepe", ["crepe-pan"]).find((one) => one.sight === "lacy")).toMatchObject({
    cause: "surface-hot",
    act: "heat-down",
  });
  // What comes from a surface is said where there is one: a griddle filled at once, a pan over a small flame.
  const causesOn = (kind: SurfaceKind) => new Set(troublesOf("pancake", [kind]).map((one) => one.cause));
  expect([...causesOn("electric-griddle")].filter((one) => !causesOn("hob-pan").has(one))).toEqual(["filled-at-once"]);
  expect([...causesOn("hob-pan")].filter((one) => !causesOn("electric-griddle").has(one))).toEqual(["small-flame"]);
  expect(causesOn("cast-iron-pan")).toContain("slow-to-heat");
});

test("a batter is thinned by a twentieth of its water as its own liquid, thickened by a twentieth of its flour, batch by batch", () => {
  fc.assert(
    fc.property(fc.constantFrom(...starterBook), fc.integer({ min: 1, max: 12 }), (recipe: Recipe, quarters) => {
      const factor = quarters / 4;
      const batter = batterOf(recipe, pantry);
      const step = correctionStep(recipe, batter, pantry, factor);
      expect(step.grams).toBeCloseTo(batter.starchGrams * correctionShare * factor, 6);
      const liquid = step.liquidId === null ? undefined : pantry.get(step.liquidId);
      if (!liquid) return expect(step.ml).toBe(0);
      const water = step.ml * liquid.trueDensity * (liquid.waterPercent / 100);
      expect(water).toBeCloseTo(batter.waterGrams * correctionShare * factor, 6);
      expect(recipe.lines.some((line) => line.ingredientId === step.liquidId)).toBe(true);
    }),
  );
});

test("of any recipe an author's word on when to stop stands; without one only the last mixing of the batter has its family's", () => {
  fc.assert(
    fc.property(recipes, (recipe) => {
      for (const step of recipe.steps) {
        const stop = stopOf(step, recipe);
        if (step.kind !== "mix") expect(stop).toBeUndefined();
        else if (step.stop) expect(stop).toBe(step.stop);
      }
      const unsaid = { ...recipe, steps: recipe.steps.map(({ stop: _stop, ...step }) => step) };
      expect(unsaid.steps.filter((step) => stopOf(step, unsaid) !== undefined).length).toBeLessThanOrEqual(1);
    }),
  );
  const [pancakes] = starterBook.filter((one) => one.family === "pancake");
  const said = pancakes?.steps.map((step) => stopOf(step, pancakes)).filter((stop) => stop !== undefined);
  expect(said).toEqual(["lumps-fine"]);
});
