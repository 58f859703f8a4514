import { goesRoundIn } from "./gear";
import { cratesOf } from "./load";
import { type KitLine, hasFraction, kitOf, demandOf, packsFor } from "~/core/kit";
import { starterPantry } from "~/core/pantry";
import {
  measuringSetOf,
  scoopTolerance,
  ratio,
  toNumber,
  inCelsius,
  inPieces,
  inGrams,
  type Pieces,
} from "~/core/quantity";
import { demoKitchens } from "~/demo/boathouse";
import { type PartHeat, type Recipe, type Step, toolsAt } from "~/core/recipe";
import { starterRecipes } from "~/demo/recipes";
import { checkGear, gearOf, gearRules, surfacesFor } from "./gear";
import type { Kitchen } from "./types";

const [pancakes, crepes, waffles] = starterRecipes;
const [galley, hall] = demoKitchens;
if (!pancakes || !crepes || !waffles || !galley || !hall) throw new Error("the demonstration is incomplete");
const pantry = new Map(starterPantry.map((one) => [one.id, one]));
const line = (lines: ReturnType<typeof gearOf>, tool: string) => lines.find((one) => one.tool === tool);
const demand = {
  dishes: [{ recipe: pancakes, stations: 4, people: 14, pieces: inPieces(30) }],
  isMeasuring: true,
  hasDemo: true,
  surfaces: 3,
};

describe("the gear list", () => {
  const lines = gearOf(demand, hall);

  test("counts per station, per person, per surface, and the instructor's own", () => {
    expect(line(lines, "whisk")).toMatchObject({
      perStation: 1,
      shared: 0,
      instructor: 1,
      needed: 5,
      owned: 4,
      short: 1,
    });
    expect(line(lines, "plate")).toMatchObject({ shared: 14, instructor: 0, needed: 14, short: 0 });
    expect(line(lines, "egg-cup")).toMatchObject({ perStation: 2, instructor: 2, needed: 10 });
    expect(line(lines, "brush")).toMatchObject({ shared: 3, owned: undefined, short: 0 });
  });

  test("is derived from the steps: a tool no step names is not on it", () => {
    const named = new Set(pancakes.steps.flatMap((step) => toolsAt(step, pancakes)));
    // Who measures with cups levels them.
    expect(lines.map((one) => one.tool).sort()).toEqual([...named, "leveller"].sort());
    expect(line(lines, "sieve")).toBeUndefined();
  });

  test("what goes without saying is on it: gloves at an oven, paper for a hot pan, what a gate is read from, plates, a saucepan", () => {
    const [first, ...others] = pancakes.steps;
    if (!first) throw new Error("no step");
    const extra = (id: string, more: Partial<Step>): Step => ({
      ...first,
      id,
      draws: [],
      tools: [],
      hazards: [],
      ...more,
    });
    const toolsWith = (step: Step, more: Partial<Recipe> = {}) => {
      const recipe: Recipe = { ...pancakes, steps: [first, step, ...others], ...more };
      return toolsAt(step, recipe);
    };
    const part = (heat: PartHeat) => ({
      parts: [{ id: "sauce", name: "Sauce", kind: "sauce", heat, minutes: first.minutes, makesGrams: null } as const],
    });
    expect(toolsWith(extra("a", { kind: "hold", warmth: { place: "oven", c: inCelsius(95) } }))).toEqual([
      "oven-gloves",
    ]);
    expect(toolsWith(extra("a", { kind: "cook", hazards: ["oiling-hot-pan"] }))).toEqual(["kitchen-paper"]);
    expect(toolsWith(extra("a", { kind: "cook", hazards: ["oiling-hot-pan"], tools: ["brush"] }))).toEqual(["brush"]);
    expect(toolsWith(extra("a", { kind: "mix", gate: { kind: "celsius-at-most", value: 50 } }))).toEqual([
      "thermometer",
    ]);
    expect(toolsWith(extra("a", { kind: "prepare", gate: { kind: "grams-at-most", value: 300 } }))).toEqual(["scale"]);
    expect(toolsWith(extra("a", { kind: "serve" }))).toEqual(["plate"]);
    expect(toolsWith(extra("a", { kind: "serve", tools: ["stick"] }))).toEqual(["stick"]);
    expect(toolsWith(extra("a", { kind: "mix", partId: "sauce" }), part("hob"))).toEqual(["saucepan"]);
    expect(toolsWith(extra("a", { kind: "cook", partId: "sauce" }), part("microwave"))).toEqual(["microwave"]);
    expect(toolsWith(extra("a", { kind: "cook", partId: "sauce" }), part("none"))).toEqual([]);
  });

  test("measuring sets stay at home when everything comes measured, and nobody shows anything when all step along", () => {
    expect(line(gearOf({ ...demand, isMeasuring: false }, hall), "measuring-set")).toBeUndefined();
    expect(line(gearOf({ ...demand, hasDemo: false }, hall), "whisk")).toMatchObject({
      instructor: 0,
      needed: 4,
      short: 0,
    });
  });

  test("what is short is one finding, what nobody counted another", () => {
    const [short, uncounted] = checkGear(lines);
    expect(short).toMatchObject({
      code: "gear-short",
      level: "warns",
      items: expect.arrayContaining([{ tool: "whisk", needed: 5, owned: 4 }]),
    });
    expect(uncounted).toEqual({ code: "gear-not-counted", level: "notes", tools: ["brush", "leveller"] });
    const everything: Kitchen = {
      ...hall,
      gear: (Object.keys(gearRules) as (keyof typeof gearRules)[]).map((tool) => ({ tool, owned: 99 })),
    };
    expect(checkGear(gearOf(demand, everything))).toEqual([]);
  });

  test("two dishes with one tool add up their stations but not what each station has", () => {
    const both = gearOf(
      {
        ...demand,
        dishes: [
          { recipe: pancakes, stations: 2, people: 6, pieces: inPieces(30) },
          { recipe: crepes, stations: 3, people: 9, pieces: inPieces(30) },
        ],
      },
      galley,
    );
    expect(line(both, "mixing-bowl")).toMatchObject({ perStation: 1, needed: 6 });
    expect(line(both, "plate")).toMatchObject({ needed: 15 });
  });

  test("each piece in an oven has a dish of its own, as many as a table has in at once", () => {
    const steps = pancakes.steps.map((step) =>
      step.kind === "cook" ? { ...step, tools: ["oven-dish" as const] } : step,
    );
    const baking = (inOvenAtOnce: Pieces[] | undefined) =>
      gearOf(
        {
          ...demand,
          dishes: [
            {
              recipe: { ...pancakes, steps },
              stations: 4,
              people: 14,
              pieces: inPieces(30),
              batches: [1, 1, 1, 1],
              inOvenAtOnce,
            },
          ],
        },
        hall,
      );
    expect(line(baking([2, 1, 0, 3].map(inPieces)), "oven-dish")).toMatchObject({
      perStation: 3,
      needed: 6,
      sizes: [{ count: 6 }],
    });
    // Where nothing bakes in one it is for something else, one a table.
    expect(line(baking([0, 0, 0, 0].map(inPieces)), "oven-dish")).toMatchObject({ perStation: 1, needed: 4 });
    expect(line(baking(undefined), "oven-dish")).toMatchObject({ needed: 4 });
  });

  test("sticks are told of: a tenth more than pieces, and what they may be made of", () => {
    const serve = pancakes.steps.map((step) =>
      step.kind === "serve" ? { ...step, tools: [...step.tools, "stick" as const] } : step,
    );
    const own = gearOf(
      { ...demand, dishes: [{ recipe: { ...pancakes, steps: serve }, stations: 4, people: 14, pieces: inPieces(30) }] },
      hall,
    );
    expect(line(own, "stick")).toMatchObject({ needed: 33, isCountedBack: true });
    expect(checkGear(own)).toContainEqual({ code: "stick-care", level: "notes", sticks: 33 });
  });

  test("blades and sticks are counted back", () => {
    expect(
      Object.entries(gearRules)
        .filter(([, rule]) => rule.isCountedBack)
        .map(([tool]) => tool),
    ).toEqual(["grater", "knife", "stick", "zester", "peeler"]);
  });
});

test("a recipe cooks on the surfaces of its kind only, and on none that is not there", () => {
  expect(surfacesFor(waffles, galley).map((one) => one.id)).toEqual(["iron"]);
  expect(surfacesFor(waffles, hall)).toEqual([]);
  expect(surfacesFor(pancakes, { ...hall, surfaces: hall.surfaces.map((one) => ({ ...one, count: 0 })) })).toEqual([]);
});

describe("kits", () => {
  const set = { set: measuringSetOf("us-usual"), tolerance: scoopTolerance, easesSpice: false };
  const of = (kit: readonly KitLine[], id: string) => kit.find((one) => one.lineId === id);

  test("pan fat by the load, garnish by the piece, batter by the batch", () => {
    const kit = kitOf(pancakes, pantry, ratio(2n), { loads: 4, pieces: inPieces(16) }, set);
    const value = (id: string) => toNumber(of(kit, id)?.main?.amount.value ?? ratio(0n));
    expect([value("flour"), value("grease"), value("berries")]).toEqual([2.5, 4, 128]);
  });

  test("a top-up is packed apart and bought at its most; to taste is neither", () => {
    const kit = kitOf(crepes, pantry, ratio(1n), { loads: 10, pieces: inPieces(10) }, set);
    expect(toNumber(of(kit, "milk")?.apart?.amount.value ?? ratio(0n))).toBe(50);
    expect(of(kit, "milk")?.buyGrams).toBeCloseTo(300 * (244 / 236.5882365), 3);
    expect(of(kit, "sugar")).toMatchObject({ kind: "to-taste", main: undefined, buyGrams: undefined });
  });

  test("half an egg is said, and weighed beaten", () => {
    const egg = of(kitOf(pancakes, pantry, ratio(3n, 2n), { loads: 1, pieces: inPieces(12) }, set), "egg");
    if (!egg) throw new Error("the pancakes have an egg");
    expect([hasFraction(egg), egg.main?.grams, egg.buyPieces]).toEqual([true, 75, 2]);
    expect(egg.main?.scoops).toBeUndefined();
  });

  test("eggs are summed before they are rounded up: four stations of one and a half are six", () => {
    const kit = kitOf(pancakes, pantry, ratio(3n, 2n), { loads: 1, pieces: inPieces(12) }, set);
    expect(demandOf([kit, kit, kit, kit], pantry, []).find((total) => total.ingredientId === "egg")?.buyPieces).toBe(6);
  });

  test.each([
    [336, 25, 10, { units: 14, packs: 2, spareUnits: 6 }],
    [250, 250, 1, { units: 1, packs: 1, spareUnits: 0 }],
    [251, 250, 1, { units: 2, packs: 2, spareUnits: 0 }],
    [0, 25, 10, { units: 0, packs: 0, spareUnits: 0 }],
  ])("%d g at %d g a unit, %d to the pack", (grams, unitGrams, unitsPerPack, packs) => {
    expect(
      packsFor(grams / unitGrams, {
        ingredientId: "x",
        unitGrams: inGrams(unitGrams),
        unitsPerPack,
        unitName: "sachet",
      }),
    ).toMatchObject(packs);
  });

  test("what is held back goes in a container of its own and is part of the sum", () => {
    const recipe = {
      ...pancakes,
      lines: pancakes.lines.map((one) =>
        one.id === "flour"
          ? {
              ...one,
              amount: {
                kind: "hold-back" as const,
                amount: { value: ratio(100n), unit: "g" as const },
                back: { value: ratio(30n), unit: "g" as const },
              },
            }
          : one,
      ),
    };
    const kit = kitOf(recipe, pantry, ratio(2n), { loads: 1, pieces: inPieces(1) }, set);
    expect([of(kit, "flour")?.main?.grams, of(kit, "flour")?.apart?.grams, of(kit, "flour")?.buyGrams]).toEqual([
      140, 60, 200,
    ]);
    expect(demandOf([kit], pantry, []).find((total) => total.ingredientId === "plain-flour")).toMatchObject({
      expectedGrams: inGrams(140),
      buyGrams: inGrams(200),
    });
  });
});

test("no crate is heavier than somebody carries, nor fuller than it is, unless one thing alone is", () => {
  const layer = "cold" as const;
  const heavy = { key: "flour", layer, count: 7, gramsEach: 5000, litresEach: 1 };
  const crates = cratesOf([heavy]);
  expect(crates.length).toBeGreaterThan(2);
  for (const one of crates) expect(one.grams).toBeLessThanOrEqual(12_000);
  expect(crates.reduce((sum, one) => sum + one.grams, 0)).toBe(35_000);
  expect(cratesOf([{ ...heavy, count: 1, gramsEach: 20_000 }])).toHaveLength(1);
});

test("pens are counted in one place: the list carries as many as the timeline draws with", () => {
  const [drawing] = starterRecipes.map((one) => ({ ...one, family: "drawn" as const }));
  if (!drawing) throw new Error("a recipe");
  const tables = [drawing, drawing, drawing, drawing];
  const count = (kitchen: Pick<Kitchen, "goesRound" | "gear">) =>
    goesRoundIn(kitchen, tables).find((one) => one.thing === "pen")?.count;
  expect(count({ gear: [] })).toBe(4);
  expect(count({ gear: [{ tool: "pen", owned: 2 }] })).toBe(2);
  expect(count({ gear: [{ tool: "pen", owned: 9 }] })).toBe(4);
  expect(count({ gear: [{ tool: "pen", owned: 9 }], goesRound: [{ thing: "pen", count: 3 }] })).toBe(3);
});
