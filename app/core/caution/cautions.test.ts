import { surfaceIdOf } from "~/core/ids";
import fc from "fast-check";
import type { Pantry } from "~/core/batter";
import { type Ingredient, starterPantry } from "~/core/pantry";
import { type Hazard, type Recipe, type Step, cooksPieces, isForPlate, surfaceKinds, toolsAt } from "~/core/recipe";
import { ratio, inCelsius } from "~/core/quantity";
import { starterBook } from "~/demo/starter-book";
import { recipes } from "../../../test/recipes";
import { type HotPlace, cautionsOf, hotPlaceOf, shownOnce, withCautions } from ".";

const pantry: Pantry = new Map(starterPantry.map((one) => [one.id, one]));
const places: fc.Arbitrary<HotPlace[]> = fc.array(
  fc.record({
    kind: fc.constantFrom(...surfaceKinds),
    hasCord: fc.boolean(),
    burns: fc.constantFrom("gas" as const, "camping-gas" as const, null),
  }),
  { minLength: 1, maxLength: 4 },
);
const foodOf = (step: Step, recipe: Recipe): Ingredient[] =>
  step.draws.flatMap((draw) => {
    const line = recipe.lines.find((one) => one.id === draw.lineId);
    return line ? (pantry.get(line.ingredientId) ?? []) : [];
  });
/** Of the batter, or of what joins it: what is made for the plate is no raw batter and not cooked on the surface. */
const isBatter = (step: Step, recipe: Recipe): boolean => {
  const part = recipe.parts.find((one) => one.id === step.partId);
  return !part || !isForPlate(part.kind);
};
const recipe = (id: string): Recipe => {
  const found = starterBook.find((one) => one.family === id);
  if (!found) throw new Error(`no starter recipe of the family ${id}`);
  return found;
};
const at = (made: Recipe, kind: Step["kind"]): readonly Hazard[] =>
  made.steps.find((step) => step.kind === kind && step.partId === null)?.hazards ?? [];

test("no hot, sharp, raw, turning or electric step is without its caution or a reason, over random recipes and kitchens", () => {
  fc.assert(
    fc.property(recipes, places, (written, hot) => {
      const made = withCautions(written, pantry, hot);
      for (const step of made.steps) {
        const has = (hazard: Hazard) =>
          step.hazards.includes(hazard) || step.waived?.some((one) => one.hazard === hazard) === true;
        const isHot = cooksPieces(step, made) || (step.kind === "preheat" && isBatter(step, made));
        if (isHot && hot.some((one) => one.kind !== "oven")) expect(has("hot-surface")).toBe(true);
        if (isHot && hot.some((one) => one.kind === "oven")) expect(has("oven-dish")).toBe(true);
        if (isHot && hot.some((one) => one.hasCord)) expect(has("cords")).toBe(true);
        if (isHot && hot.some((one) => one.burns !== null)) expect(has("gas-air")).toBe(true);
        if (step.tools.some((tool) => ["knife", "grater", "zester", "peeler"].includes(tool)))
          expect(has("blades")).toBe(true);
        if (step.tools.includes("mixer")) expect(has("mixer") && has("cords")).toBe(true);
        if (step.tools.includes("stick")) expect(has("sticks")).toBe(true);
        const food = foodOf(step, made);
        if (food.some((one) => one.role === "egg")) expect(has("hands-again")).toBe(true);
        if ((step.kind === "mix" || step.kind === "prepare") && food.some((one) => one.role === "flour"))
          expect(has("raw-batter")).toBe(true);
        if (step.tools.includes("saucepan")) expect(has("hot-surface") || has("boiling-sauce")).toBe(true);
        if (step.tools.includes("microwave")) expect(has("steam") || has("spitting")).toBe(true);
        const part = made.parts.find((one) => one.id === step.partId);
        if (part && part.heat === "hob" && step.kind === "mix")
          expect(has("hot-surface") || has("boiling-sauce")).toBe(true);
      }
    }),
    { numRuns: 200 },
  );
});

test("none carries a caution that cannot apply; what the author wrote of a step's own stays; twice is as once", () => {
  fc.assert(
    fc.property(recipes, places, (written, hot) => {
      const made = withCautions(written, pantry, hot);
      for (const [index, step] of made.steps.entries()) {
        const before = written.steps[index];
        const isCooked = step.kind === "cook" || step.kind === "preheat";
        const derived = cautionsOf(step, written, pantry, hot);
        for (const hazard of derived) {
          if (hazard === "iron-hinge") expect(hot.some((one) => one.kind === "waffle-iron")).toBe(true);
          if (hazard === "gas-air") expect(isCooked && hot.some((one) => one.burns !== null)).toBe(true);
          if (hazard === "bare-fingers") expect(cooksPieces(step, written) && written.heat.side2 !== null).toBe(true);
          if (hazard === "batter-clock")
            expect(step.kind === "rest" || (cooksPieces(step, written) && written.family === "drawn")).toBe(true);
          if (hazard === "boiling-sauce" || hazard === "spitting")
            expect(toolsAt(step, written).some((tool) => tool === "saucepan" || tool === "microwave")).toBe(true);
          if (hazard === "blades" || hazard === "mixer" || hazard === "sticks")
            expect(step.tools.length).toBeGreaterThan(0);
        }
        for (const hazard of before?.hazards ?? []) {
          const isWaived = step.waived?.some((one) => one.hazard === hazard) === true;
          const isOfAnother = cautionsOf(step, written, pantry).includes(hazard) && !derived.includes(hazard);
          expect([hazard, step.hazards.includes(hazard)]).toEqual([hazard, !isWaived && !isOfAnother]);
          if (isWaived) expect(step.hazards).not.toContain(hazard);
        }
        expect(new Set(step.hazards).size).toBe(step.hazards.length);
      }
      expect(withCautions(made, pantry, hot)).toBe(made);
      const shown = shownOnce(made.steps);
      expect(shown).toHaveLength(made.steps.length);
      expect(new Set(shown.flat()).size).toBe(shown.flat().length);
      expect(new Set(shown.flat())).toEqual(new Set(made.steps.flatMap((step) => step.hazards)));
    }),
    { numRuns: 200 },
  );
});

test("each caution comes from its fact", () => {
  const griddle: HotPlace = { kind: "electric-griddle", hasCord: true, burns: null };
  const pancakes = withCautions(recipe("pancake"), pantry, [griddle]);
  expect(at(pancakes, "cook")).toEqual(expect.arrayContaining(["hot-surface", "cords", "bare-fingers"]));
  expect(at(pancakes, "cook")).not.toContain("gas-air");
  const waffles = withCautions(recipe("waffle"), pantry, [{ kind: "waffle-iron", hasCord: true, burns: null }]);
  expect(at(waffles, "cook")).toEqual(expect.arrayContaining(["steam", "iron-hinge"]));
  expect(at(waffles, "cook")).not.toContain("bare-fingers");
  const fritters = withCautions(recipe("fritter"), pantry, [{ kind: "hob-pan", hasCord: false, burns: "camping-gas" }]);
  expect(at(fritters, "cook")).toEqual(expect.arrayContaining(["hot-fat", "oil-fire", "gas-air"]));
  expect(at(fritters, "cook")).not.toContain("cords");
  const restAt = (kind: Step["kind"]) => {
    const steps = recipe("pancake").steps.map((step) =>
      step.kind === kind ? { ...step, kind: "rest" as const, draws: [] } : step,
    );
    const made = withCautions({ ...recipe("pancake"), steps }, pantry, [griddle]);
    return made.steps.find((step) => step.kind === "rest")?.hazards;
  };
  // The clock runs from the egg on: not yet while only what is dry has stood.
  expect(restAt("preheat")).toContain("batter-clock");
  const [first, ...others] = recipe("pancake").steps;
  if (!first) throw new Error("no step");
  const early = {
    ...recipe("pancake"),
    steps: [{ ...first, id: "early", kind: "rest" as const, draws: [] }, first, ...others],
  };
  expect(withCautions(early, pantry, [griddle]).steps[0]?.hazards).not.toContain("batter-clock");
});

const lineOf = (id: string, ingredientId: string, bowl: "pan" | "bowl") =>
  ({
    id,
    partId: null,
    ingredientId,
    amount: { kind: "exact", amount: { value: ratio(1n), unit: "tbsp" } },
    bowl,
    keeps: 1,
    isOptional: false,
    note: "",
  }) as const;

test("what is warmed, peeled, fried or raw carries its caution at the step that has it, a table knife none", () => {
  const pancakes = recipe("pancake");
  const [first] = pancakes.steps;
  if (!first) throw new Error("no step");
  const extra = ["butter", "bacon", "blueberries", "sunflower-oil"];
  const lines = extra.map((id) => lineOf(id, id, "bowl"));
  const hazardsAt = (step: Partial<Step>, more: Partial<Recipe> = {}) => {
    const made: Step = { ...first, id: "extra", kind: "prepare", draws: [], tools: [], hazards: [], ...step };
    return cautionsOf(made, { ...pancakes, lines, steps: [made, ...pancakes.steps], ...more }, pantry, [
      { kind: "hob-pan", hasCord: false, burns: null },
    ]);
  };
  const draws = (lineId: string) => [{ lineId, share: ratio(1n) }];
  expect(hazardsAt({ tools: ["microwave"], draws: draws("butter") })).toEqual(["spitting"]);
  expect(hazardsAt({ tools: ["microwave"] })).toEqual(["steam"]);
  expect(hazardsAt({ tools: ["saucepan"], draws: draws("butter") })).toEqual(["hot-surface"]);
  expect(hazardsAt({ tools: ["peeler"] })).toEqual(["blades"]);
  expect(hazardsAt({ tools: ["table-knife"] })).toEqual([]);
  expect(hazardsAt({ draws: draws("bacon") })).toEqual(["hands-again"]);
  expect(hazardsAt({ draws: draws("blueberries") })).toEqual(["small-pieces"]);
  // A sauce that is cooked is hot and sticks; it is no pan of pancakes.
  const sauce = {
    id: "sauce",
    name: "Sauce",
    kind: "sauce",
    heat: "hob",
    minutes: first.minutes,
    makesGrams: null,
  } as const;
  expect(hazardsAt({ partId: "sauce", kind: "cook" }, { parts: [sauce] })).toEqual(["boiling-sauce"]);
  expect(hazardsAt({ partId: "sauce", kind: "prepare" }, { parts: [sauce] })).toEqual(["boiling-sauce"]);
  // Olive oil smokes where refined oil does not yet.
  const greased = (oil: string) => ({
    lines: [lineOf("oil", oil, "pan")],
    heat: { ...pancakes.heat, surfaceC: { from: inCelsius(190), to: inCelsius(210) } },
  });
  expect(hazardsAt({ kind: "cook" }, greased("olive-oil"))).toContain("oil-smokes");
  expect(hazardsAt({ kind: "cook" }, greased("sunflower-oil"))).not.toContain("oil-smokes");
  // What is beaten cold for a sauce is not hot yet; what cools after the pan is no batter any more.
  const beaten = { ...first, id: "beat", partId: "sauce", kind: "mix" as const, draws: [], tools: [], hazards: [] };
  const boiled = { ...beaten, id: "boil", kind: "cook" as const };
  const custard = { ...pancakes, parts: [sauce], steps: [beaten, boiled, ...pancakes.steps] };
  expect([beaten, boiled].map((step) => cautionsOf(step, custard, pantry))).toEqual([[], ["boiling-sauce"]]);
  const cooled = { ...first, id: "cool", kind: "rest" as const, draws: [], tools: [], hazards: [] };
  expect(cautionsOf(cooled, { ...pancakes, steps: [...pancakes.steps, cooled] }, pantry)).toEqual([]);
  // What is drawn stands in its bottles as long as any batter rests.
  const drawn = recipe("drawn");
  expect(at(withCautions(drawn, pantry), "cook")).toContain("batter-clock");
});

test("one is left out only where the author says why, and the surfaces of a kitchen say what they burn", () => {
  const pancakes = recipe("pancake");
  const waived = {
    ...pancakes,
    steps: pancakes.steps.map((step) =>
      step.kind === "cook" ? { ...step, waived: [{ hazard: "bare-fingers" as const, reason: "tongs only" }] } : step,
    ),
  };
  expect(at(withCautions(waived, pantry), "cook")).not.toContain("bare-fingers");
  const surface = {
    id: surfaceIdOf("s"),
    name: "Stove",
    kind: "hob-pan",
    places: 1,
    count: 1,
    at: "shared",
    preheatMinutes: null,
  } as const;
  expect(hotPlaceOf({ ...surface, watts: 0, flame: "gas" })).toEqual({ kind: "hob-pan", hasCord: false, burns: "gas" });
  expect(hotPlaceOf({ ...surface, watts: 1500 })).toEqual({ kind: "hob-pan", hasCord: true, burns: null });
});

test("what waits on a hot plate stands beside a cord; butter smokes by the hottest a pan gets, not by where it starts", () => {
  const held = recipe("pancake");
  const cook = held.steps.find((step) => step.kind === "cook");
  if (!cook) throw new Error("it is cooked");
  const hold = {
    ...cook,
    id: "hold",
    kind: "hold" as const,
    draws: [],
    tools: [],
    warmth: { place: "hot-plate" as const, c: inCelsius(65) },
  };
  const warm = withCautions({ ...held, steps: [...held.steps, hold] }, pantry, [
    { kind: "hob-pan", hasCord: false, burns: null },
  ]);
  expect(warm.steps.find((step) => step.id === "hold")?.hazards).toContain("cords");
  const butter = held.lines.map((line) => (line.bowl === "pan" ? { ...line, ingredientId: "butter" } : line));
  const smokes = (from: number, to: number) =>
    withCautions(
      { ...held, lines: butter, heat: { ...held.heat, surfaceC: { from: inCelsius(from), to: inCelsius(to) } } },
      pantry,
      [{ kind: "hob-pan", hasCord: false, burns: null }],
    ).steps.some((step) => step.kind === "cook" && step.hazards.includes("butter-smokes"));
  expect([smokes(130, 180), smokes(130, 150), smokes(175, 190)]).toEqual([true, false, true]);
});
