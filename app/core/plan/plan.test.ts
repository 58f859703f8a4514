import type { ClassInput } from "./types";
import fc from "fast-check";
import { yieldOf } from "~/core/batter";
import { isAtStation, stationIndex } from "~/core/people";
import { ratio, scoopName } from "~/core/quantity";
import { mostOf, mostOfRound } from "~/core/recipe";
import { toNumber } from "~/core/quantity";
import { demoClasses } from "~/demo/boathouse";
import { starterRecipes } from "~/demo/recipes";
import { canonical } from "./hash";
import { CalendarDate } from "@internationalized/date";
import { classes } from "../../../test/generators";
import { plan } from "./plan";
import { batchesOf } from "./extras";
import { kitOptionsOf } from "./kits-of";

const { next, current } = demoClasses(new CalendarDate(2026, 11, 24));

test("planning never throws, counts every person once, and gives the same twice", () => {
  fc.assert(
    fc.property(classes, (input) => {
      const made = plan(input);
      const sizes = made.stations.reduce((sum, station) => sum + station.size, 0);
      // Whoever somebody seated keeps the seat, even where the brief counts fewer.
      const cooks = input.arrangement?.seats ? input.people.filter(isAtStation).length : 0;
      expect(sizes).toBe(input.dishes.length > 0 ? Math.max(input.brief.people, cooks) : 0);
      const seated = made.stations.flatMap((station) => station.people);
      expect(new Set(seated).size).toBe(seated.length);
      expect(plan(input)).toEqual(made);
    }),
    { numRuns: 80 },
  );
});

test("what is remembered of earlier plans changes nothing, however many they were", () => {
  const [first] = fc.sample(
    classes.filter((one) => one.dishes.length > 1),
    { numRuns: 1, seed: 7 },
  );
  if (!first) throw new Error("there is a class of two dishes");
  const alone = plan(first);
  for (let each = 1n; each <= 80n; each += 1n)
    plan({ ...first, brief: { ...first.brief, piecesEach: ratio(each, 3n) } });
  expect(plan(first)).toEqual(alone);
});

test("a scoop that is said to be missing, and found again, changes the kits of the very same recipes and back", () => {
  const scoopsOf = (missingScoops: readonly string[]) =>
    plan({ ...next, brief: { ...next.brief, missingScoops } }).stations.flatMap((station) =>
      station.kit.flatMap((line) => (line.main?.scoops?.counts ?? []).map(scoopName)),
    );
  const before = scoopsOf([]);
  expect(before).toContain("1/3 cup");
  expect(scoopsOf(["1/3 cup"])).not.toContain("1/3 cup");
  expect(scoopsOf([])).toEqual(before);
});

test("what is bought is what the stations, the demonstration, the spare kit and the stored bags hold at most", () => {
  fc.assert(
    fc.property(classes, (input) => {
      const made = plan(input);
      const bags = made.extras.flatMap(({ stored }) =>
        stored ? Array.from({ length: stored.bags }, () => stored.each) : [],
      );
      // What a household has of its own is neither bought nor packed; in what is nobody's nothing is.
      const lines = [...made.stations.map((station) => station.kit), made.demoKit, made.spareKit, ...bags]
        .flat()
        .filter((line) => line.own === undefined);
      expect([made.demoKit, made.spareKit].flat().filter((line) => line.own !== undefined)).toEqual([]);
      // A bulk mix is what is used and what is stored, but for the part of a batch that would make no bag.
      for (const dish of made.dishes) {
        const own = made.extras.find((extra) => extra.dishId === dish.id && extra.stored);
        if (!own?.stored || dish.bulk === undefined) continue;
        const used = toNumber(batchesOf(dish.id, made.stations, made.extras));
        expect(own.stored.bags).toBe(Math.floor(dish.bulk - used + 1e-9));
        expect(own.stored.bags).toBeGreaterThan(0);
      }
      for (const total of made.totals) {
        const own = lines.filter((line) => line.ingredientId === total.ingredientId && line.kind !== "to-taste");
        const grams = own.reduce((sum, line) => sum + (line.buyGrams ?? NaN), 0);
        if (Number.isNaN(grams)) {
          expect(total.buyGrams).toBeUndefined();
          continue;
        }
        expect(Math.abs((total.buyGrams ?? NaN) - grams)).toBeLessThan(1e-6 + grams * 1e-9);
        const packed = own.reduce((sum, line) => sum + (line.main?.grams ?? NaN) + (line.apart?.grams ?? 0), 0);
        expect(Math.abs(packed - grams)).toBeLessThan(1e-6 + grams * 1e-9);
      }
    }),
    { numRuns: 80 },
  );
});

test("every line of a batch grows by the station's one factor, and no scoops are out of tolerance unsaid", () => {
  fc.assert(
    fc.property(classes, (input) => {
      const made = plan(input);
      for (const station of made.stations) {
        const recipe = made.dishes.find((dish) => dish.id === station.dishId)?.recipe;
        expect(station.scale.piecesMade - station.scale.piecesWanted).toBe(station.scale.over);
        for (const line of station.kit) {
          const written = recipe?.lines.find((one) => one.id === line.lineId);
          if (!written || !["exact", "top-up"].includes(written.amount.kind)) continue;
          const most = mostOf(written.amount);
          const packed =
            toNumber(line.main?.amount.value ?? { num: 0n, den: 1n }) +
            toNumber(line.apart?.amount.value ?? { num: 0n, den: 1n });
          // Where the table decides, all of it may become one round.
          const open = written.roundId === undefined ? 1 : toNumber(mostOfRound(recipe ?? {}, written.roundId));
          const factor = toNumber(station.scale.factor) * (line.isEased ? 0.9 : 1) * open;
          expect(packed).toBeCloseTo(toNumber(most?.value ?? { num: 0n, den: 1n }) * factor, 9);
        }
        const { halves } = station;
        const measured = halves ? [...halves.each, ...halves.rest] : station.kit;
        for (const line of measured)
          if (line.main?.scoops && !line.main.scoops.isWithin)
            expect(made.findings).toContainEqual(
              expect.objectContaining({ code: "scoops-off", ingredientId: line.ingredientId }),
            );
        // Two halves are the whole, line by line, and what is no batter is there once.
        expect(measured.map((line) => line.lineId).sort()).toEqual(station.kit.map((line) => line.lineId).sort());
        for (const line of station.kit)
          expect(
            measured
              .filter((one) => one.lineId === line.lineId)
              .reduce((sum, one) => sum + (one.main?.grams ?? 0) * (halves?.each.includes(one) ? 2 : 1), 0),
          ).toBeCloseTo(line.main?.grams ?? 0, 6);
      }
    }),
    { numRuns: 50 },
  );
});

test("an ingredient's weight that is not known leaves the total open instead of too small", () => {
  const pantry = current.pantry.map((one) => {
    if (one.id !== "jam" && one.id !== "chocolate-spread") return one;
    const { gramsPerCup: _cup, ...rest } = one;
    return rest;
  });
  const dishes = current.dishes.map((dish) => ({
    ...dish,
    recipe: {
      ...dish.recipe,
      lines: dish.recipe.lines.map((line) =>
        line.id === "spread"
          ? {
              ...line,
              amount: { kind: "per-piece" as const, amount: { value: { num: 1n, den: 1n }, unit: "tbsp" as const } },
            }
          : line,
      ),
    },
  }));
  expect(
    plan({ ...current, pantry, dishes }).totals.find((total) => total.ingredientId === "chocolate-spread")?.buyGrams,
  ).toBeUndefined();
});

test.each([
  [undefined, undefined],
  [999, undefined],
  [1000, { from: 0.1, to: 0.15 }],
  [1500, { from: 0.25, to: 0.25 }],
])("a kitchen %s m up asks for less powder: %s", (altitudeM, lessPowder) => {
  const { findings } = plan({ ...next, kitchen: { ...next.kitchen, altitudeM } });
  const said = findings.find((one) => one.code === "altitude");
  expect(said?.code === "altitude" ? said.lessPowder : undefined).toEqual(lessPowder);
});

test("what children leave in the bowl is said where it would cost a wanted piece, and only to children's classes", () => {
  fc.assert(
    fc.property(classes, (input) => {
      const { findings, stations, dishes } = plan(input);
      const said = new Set(findings.flatMap((one) => (one.code === "children-leave-more" ? one.stationIds : [])));
      const isOfChildren = ["small-children", "school-age"].includes(input.brief.audience);
      for (const { id, dishId, scale } of stations) {
        const dish = dishes.find((one) => one.id === dishId);
        const most = dish && yieldOf(dish.recipe, dish.batter, toNumber(scale.factor), 0.1).pieces;
        const isShort = scale.over >= 0 && scale.piecesWanted > 0 && (most ?? Infinity) < scale.piecesWanted;
        expect(said.has(id)).toBe(isOfChildren && isShort);
      }
    }),
    { numRuns: 120 },
  );
});

test("a table with a set of its own is asked for no scoop that the set has not, and everybody else for the class's", () => {
  fc.assert(
    fc.property(classes, (input) => {
      const made = plan(input);
      const own = new Map((input.arrangement?.sets ?? []).map((one) => [one.station, one.measuringSetId]));
      for (const station of made.stations) {
        const setId = own.get(stationIndex(station.id));
        expect(station.ownSet).toBe(setId);
        const { set } = kitOptionsOf(input, setId);
        const there = new Set(set.scoops.map(scoopName));
        for (const line of station.kit)
          for (const scoop of line.main?.scoops?.counts ?? []) expect(there.has(scoopName(scoop))).toBe(true);
      }
      // The class's missing scoops are missing from the class's set, not from what a household has at home.
      const [first] = made.stations;
      if (first?.ownSet !== undefined) expect(kitOptionsOf(input, first.ownSet).set.id).toBe(first.ownSet);
    }),
    { numRuns: 60 },
  );
});

test("what is remembered of a recipe is of its pantry: a fat that turns out otherwise changes the cautions at once", () => {
  for (const recipe of starterRecipes) {
    const input = { ...current, dishes: [{ id: "d", recipe, variantId: null, stations: null }] };
    plan(input);
    const other = {
      ...input,
      pantry: input.pantry.map((one) => ({ ...one, waterPercent: 100 - one.waterPercent })),
    };
    expect(canonical(plan(other).dishes)).toBe(canonical(plan(structuredClone(other)).dishes));
  }
});

test("tables of one recipe part at the step its author says, each told what it makes; alone, none parts", () => {
  const dish = [...current.dishes, ...next.dishes].find((one) => one.recipe.variants.length > 0);
  const way = dish?.recipe.variants[0];
  const step = dish?.recipe.steps[1];
  if (!dish || !way || !step) throw new Error("there is a dish with another way of making it");
  const recipe = {
    ...dish.recipe,
    variants: dish.recipe.variants.map((one) => (one === way ? { ...one, decidedAt: step.id } : one)),
  };
  const written = { ...dish, recipe, variantId: null, stations: 2 };
  const other = { ...written, id: "other", variantId: way.id, stations: null };
  const partings = (dishes: readonly (typeof dish)[]) => plan({ ...current, dishes }).dishes.map((one) => one.partsAt);
  expect(partings([written, other])).toEqual([step.id, step.id]);
  expect(partings([written])).toEqual([undefined]);
  expect(partings([{ ...other, stations: null }])).toEqual([undefined]);
});

test("a stick is for a piece somebody eats: testers are put on none", () => {
  const onSticks: ClassInput = {
    ...next,
    brief: { ...next.brief, testersPerSurface: 2 },
    dishes: next.dishes.map((dish) => ({
      ...dish,
      recipe: {
        ...dish.recipe,
        steps: dish.recipe.steps.map((step) => (step.kind === "serve" ? { ...step, tools: ["stick" as const] } : step)),
      },
    })),
  };
  const made = plan(onSticks);
  const testers = made.stations.reduce((sum, station) => sum + station.testers, 0);
  const eaten = made.stations.reduce((sum, station) => sum + station.cooked - station.testers, 0);
  expect(testers).toBeGreaterThan(0);
  const sticks = made.gear.find((line) => line.tool === "stick");
  expect(sticks?.shared).toBe(eaten);
});
