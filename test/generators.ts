import { surfaceIdOf } from "~/core/ids";
/** Random values of the core for property tests. Seeds come from the runner, so a failure can be run again. */
import fc from "fast-check";
import { mixings } from "~/core/plan";
import type { Order } from "~/core/schedule";
import { type LabelReading, type SharedFood, markets, starterPantry, substances } from "~/core/pantry";
import {
  type Arrangement,
  type Need,
  type Participant,
  ageBands,
  audiences,
  participantRoles,
  severities,
} from "~/core/people";
import type { Brief, ClassInput } from "~/core/plan";
import { measuringSets, ratio, scoopNames, inMinutes, inGrams, inPieces } from "~/core/quantity";
import { batchRules, eggRules } from "~/core/scale";
import { demoModes, kitModes, pinnableBells } from "~/core/schedule";
import { type HouseRule, doings, mays } from "~/core/turns";
import { type Kitchen, type Surface, coatings, flames, floorKinds } from "~/core/gear";
import { surfaceKinds, tools } from "~/core/recipe";
import { demoKitchens } from "~/demo/boathouse";
import { starterRecipes } from "~/demo/recipes";
import { goingRound } from "./going-round";
import { recipes } from "./recipes";

export { positiveRatio } from "./ratios";

export const need: fc.Arbitrary<Need> = fc.oneof(
  {
    weight: 4,
    arbitrary: fc.record({
      kind: fc.constant("substance" as const),
      substance: fc.constantFrom(...substances),
      severity: fc.constantFrom(...severities),
      touchOrAir: fc.boolean(),
      note: fc.constant(""),
    }),
  },
  {
    weight: 1,
    arbitrary: fc
      .record({
        food: fc.constantFrom("corn", "Banana", "cinnamon", "strawberries"),
        severity: fc.constantFrom(...severities),
        touchOrAir: fc.boolean(),
        isRead: fc.boolean(),
      })
      .map(({ isRead, ...rest }) => ({
        ...rest,
        kind: "food" as const,
        ...(isRead ? { note: "hives", noteReadBy: "Lead" } : { note: "" }),
      })),
  },
  {
    weight: 1,
    arbitrary: fc.record({
      kind: fc.constant("diet" as const),
      diet: fc.constantFrom("vegan" as const, "vegetarian" as const, "no-alcohol" as const, "faith" as const),
      note: fc.constant(""),
    }),
  },
);

export const people: fc.Arbitrary<Participant[]> = fc
  .array(
    fc.record({
      role: fc.constantFrom(...participantRoles),
      ageBand: fc.constantFrom(...ageBands),
      hasAnswered: fc.boolean(),
      needs: fc.array(need, { maxLength: 3 }),
    }),
    { maxLength: 24 },
  )
  .map((rows) =>
    rows.map((row, index) => ({
      ...row,
      id: `p${index}`,
      // Two of one name are two people.
      name: `Person ${index % 9}`,
      needs: row.hasAnswered ? row.needs : [],
    })),
  );

const defined = <T extends object>(row: T): T =>
  Object.fromEntries(Object.entries(row).filter(([, value]) => value !== undefined)) as T;

export const labels: fc.Arbitrary<LabelReading[]> = fc
  .uniqueArray(
    fc.record({
      ingredientId: fc.constantFrom(...starterPantry.map((one) => one.id)),
      contains: fc.uniqueArray(fc.constantFrom(...substances), { maxLength: 3 }),
      mayContain: fc.uniqueArray(fc.constantFrom(...substances), { maxLength: 3 }),
      market: fc.option(fc.constantFrom(...markets), { nil: undefined }),
      lookedFor: fc.option(fc.subarray(["rye", "mustard", "gluten", "honey", "corn", "cinnamon"]), { nil: undefined }),
      isGlutenFree: fc.constantFrom(undefined, undefined, true),
    }),
    { selector: (one) => one.ingredientId, maxLength: 20 },
  )
  .map((rows) =>
    rows.map((row) => ({
      ...defined(row),
      product: `packet of ${row.ingredientId}`,
      readBy: "Tester",
      readOn: "2026-11-20",
    })),
  );

export const brief: fc.Arbitrary<Brief> = fc.record({
  people: fc.integer({ min: 0, max: 48 }),
  audience: fc.constantFrom(...audiences),
  minutes: fc.integer({ min: 15, max: 240 }).map(inMinutes),
  piecesEach: fc.tuple(fc.bigInt(1n, 8n), fc.constantFrom(1n, 2n)).map(([num, den]) => ratio(num, den)),
  stationSize: fc.integer({ min: 1, max: 8 }),
  helpers: fc.integer({ min: 0, max: 6 }),
  tasters: fc.constantFrom(0, 0, 1, 7, 20),
  kitMode: fc.constantFrom(...kitModes),
  demo: fc.constantFrom(...demoModes),
  testersPerSurface: fc.integer({ min: 0, max: 2 }).map(inPieces),
  batchRule: fc.constantFrom(...batchRules),
  eggRule: fc.constantFrom(...eggRules),
  containerPer: fc.constantFrom("line" as const, "bowl" as const),
  // Never the tablespoon: every set has it, so something is always left.
  missingScoops: fc.subarray(scoopNames.filter((name) => name !== "1 tbsp")),
  measuringSetId: fc.constantFrom(...measuringSets.map((set) => set.id)),
  strictTolerancePercent: fc.constantFrom(1, 2, 4),
  usualTolerancePercent: fc.constantFrom(3, 5, 8),
  easesSpice: fc.boolean(),
  regime: fc.constantFrom("eu" as const, "us" as const, "anz" as const),
  hotPlacesPerAdult: fc.integer({ min: 0, max: 3 }),
  doorsMinutes: fc.integer({ min: 0, max: 20 }).map(inMinutes),
  eatMinutes: fc.integer({ min: 0, max: 30 }).map(inMinutes),
  cleanMinutes: fc.integer({ min: 0, max: 20 }).map(inMinutes),
  hasDemoBatch: fc.boolean(),
  hasSpareKit: fc.boolean(),
  isRemote: fc.constantFrom(false, false, true),
  stationNames: fc.constant<string[]>([]),
  aims: fc.option(
    fc.uniqueArray(fc.constantFrom("Level a spoon", "Tell raw batter from cooked", "Turn once"), {
      minLength: 1,
      maxLength: 3,
    }),
    { nil: undefined },
  ),
});

const size: fc.Arbitrary<Surface["size"]> = fc.oneof(
  fc.constant(undefined),
  fc.record({ kind: fc.constant("round" as const), diameterCm: fc.integer({ min: 8, max: 40 }) }),
  fc.record({
    kind: fc.constant("rect" as const),
    widthCm: fc.integer({ min: 8, max: 60 }),
    depthCm: fc.integer({ min: 8, max: 40 }),
  }),
);
const surface = fc.record({
  kind: fc.constantFrom(...surfaceKinds),
  places: fc.integer({ min: 1, max: 6 }),
  size,
  coating: fc.option(fc.constantFrom(...coatings), { nil: undefined }),
  flame: fc.option(fc.constantFrom(...flames), { nil: undefined }),
  count: fc.integer({ min: 0, max: 3 }),
  at: fc.constantFrom("shared" as const, "shared" as const, "station" as const),
  preheatMinutes: fc.option(fc.integer({ min: 0, max: 25 }).map(inMinutes)),
  watts: fc.constantFrom(0, 1200, 1500, 2000, 3000),
});
const circuit = fc.record({
  volts: fc.constantFrom(100, 120, 230),
  amps: fc.constantFrom(10, 15, 16, 20, 32),
  sockets: fc.integer({ min: 0, max: 4 }),
  plugAmps: fc.option(fc.constantFrom(10, 13)),
});

const floor = fc.record({
  widthM: fc.integer({ min: 2, max: 30 }),
  depthM: fc.integer({ min: 2, max: 30 }),
  marks: fc.array(
    fc.record({
      kind: fc.constantFrom(...floorKinds),
      label: fc.constantFrom("", "by the window"),
      x: fc.constantFrom(0, 0.5, 2),
      y: fc.constantFrom(0, 1.25, 2),
    }),
    { maxLength: 6 },
  ),
});

/** Kitchens of every shape the model has: own and shared surfaces, several of one kind, equal names, circuits known or not. */
export const kitchens: fc.Arbitrary<Kitchen> = fc
  .record({
    sinks: fc.integer({ min: 0, max: 3 }),
    altitudeM: fc.option(fc.integer({ min: 0, max: 5000 }), { nil: undefined }),
    surfaces: fc.array(surface, { minLength: 0, maxLength: 5 }),
    gear: fc.uniqueArray(fc.record({ tool: fc.constantFrom(...tools), owned: fc.integer({ min: 0, max: 30 }) }), {
      selector: (one) => one.tool,
      maxLength: 8,
    }),
    goesRound: goingRound,
    circuits: fc.option(fc.array(circuit, { maxLength: 3 }), { nil: undefined }),
    floor: fc.option(floor, { nil: undefined, freq: 3 }),
  })
  .map(({ surfaces, circuits, altitudeM, goesRound, floor: sketch, ...rest }) => ({
    ...rest,
    ...(sketch ? { floor: sketch } : {}),
    ...(goesRound && goesRound.length > 0 ? { goesRound } : {}),
    ...(altitudeM === undefined ? {} : { altitudeM }),
    id: "random",
    name: "A random kitchen",
    surfaces: surfaces.map((one, index) => ({
      ...one,
      id: surfaceIdOf(`f${index}`),
      name: index % 2 ? "Pan" : "Griddle",
    })),
    ...(circuits
      ? { circuits: circuits.map((one, index) => ({ ...one, id: `c${index}`, name: `Circuit ${index + 1}` })) }
      : {}),
  }));

const dish = fc.record({
  recipe: fc.oneof({ weight: 2, arbitrary: fc.constantFrom(...starterRecipes) }, { weight: 2, arbitrary: recipes }),
  wantsVariant: fc.boolean(),
  stations: fc.option(fc.integer({ min: 0, max: 4 })),
  bowl: fc.option(fc.constantFrom(ratio(1n), ratio(1n, 2n), ratio(3n)), { nil: undefined, freq: 3 }),
  cooks: fc.constantFrom(undefined, undefined, "wanted" as const),
  takesAlternatives: fc.boolean(),
  mixing: fc.constantFrom(undefined, undefined, undefined, ...mixings),
  bulk: fc.option(fc.integer({ min: 1, max: 40 }), { nil: undefined, freq: 3 }),
  roundParts: fc.option(fc.tuple(fc.integer({ min: 1, max: 4 }), fc.integer({ min: 0, max: 3 })), { nil: undefined }),
});
const pack = fc
  .record({
    ingredientId: fc.constantFrom(...starterPantry.map((one) => one.id)),
    unitGrams: fc.constantFrom(25, 50, 58, 150, 500, 1000).map(inGrams),
    unitsPerPack: fc.constantFrom(1, 6, 10),
    price: fc.option(fc.integer({ min: 0, max: 900 }), { nil: undefined }),
    product: fc.option(fc.constantFrom("Brand A", "Brand B"), { nil: undefined }),
  })
  .map((one) => ({ ...one, unitName: "pack" }));

/** Seats as somebody might have left them: tables of any of the people, some of them apart. */
const arrangementOf = (all: readonly Participant[]): fc.Arbitrary<Arrangement | undefined> =>
  fc.option(
    fc
      .record({
        seats: fc.option(
          fc.array(fc.subarray(all.map((one) => one.id)), { minLength: 1, maxLength: 6 }).map((tables) => {
            const seated = new Set<string>();
            return tables.map((ids) => ids.filter((id) => !seated.has(id) && seated.add(id).has(id)));
          }),
        ),
        apart: fc.subarray([0, 1, 2]),
        washesBetween: fc.constantFrom(undefined, true, false),
        sets: fc.option(
          fc.uniqueArray(
            fc.record({
              station: fc.integer({ min: 0, max: 2 }),
              measuringSetId: fc.constantFrom(...measuringSets.map((set) => set.id)),
            }),
            { selector: (one) => one.station, minLength: 1, maxLength: 2 },
          ),
          { nil: undefined },
        ),
      })
      .map(({ sets, ...rest }) => (sets ? { ...rest, sets } : rest)),
    { nil: undefined },
  );

/** Loads as a search might have found them for the class as it was: of stations, surfaces and sizes that may be there or not. */
const order: fc.Arbitrary<Order> = fc
  .record({
    loads: fc.array(
      fc.record({
        surfaceId: fc.constantFrom("f0", "f1", "f2", "gone").map(surfaceIdOf),
        number: fc.integer({ min: 1, max: 3 }),
        parts: fc.array(
          fc.record({
            stationId: fc.integer({ min: 1, max: 6 }).map((n) => `s${n}`),
            pieces: fc.integer({ min: 0, max: 8 }).map(inPieces),
          }),
          { minLength: 1, maxLength: 3 },
        ),
      }),
      { maxLength: 12 },
    ),
    demoAt: fc.option(
      fc.record(
        {
          surfaceId: fc.constantFrom("f0", "f1").map(surfaceIdOf),
          number: fc.integer({ min: 1, max: 2 }),
          stationId: fc.integer({ min: 1, max: 6 }).map((n) => `s${n}`),
        },
        { requiredKeys: ["surfaceId", "number"] },
      ),
    ),
    showsFirst: fc.boolean(),
    isWished: fc.constantFrom(undefined, undefined, true as const),
  })
  .map(({ isWished, ...found }) => (isWished ? { ...found, isWished } : found));

/** Food that is brought for everybody, or that one table has of its own; of some of it nobody has read a label. */
const shared: fc.Arbitrary<SharedFood[]> = fc
  .uniqueArray(
    fc.record({
      name: fc.constantFrom("Own mill flour", "Fruit bread", "Oat drink of theirs"),
      label: fc.option(labels.filter((all) => all.length > 0).map(([first]) => first)),
      instead: fc.option(
        fc.record({
          station: fc.nat(3),
          ingredientId: fc.constantFrom(...starterPantry.slice(0, 40).map((one) => one.id)),
        }),
        { nil: undefined },
      ),
    }),
    { selector: ({ instead }) => (instead ? `${instead.station} ${instead.ingredientId}` : "everybody"), maxLength: 3 },
  )
  .map((all) =>
    all.map(({ label, instead, name }, index): SharedFood => {
      const { ingredientId: _of, ...read } = label ?? { ingredientId: "" };
      return {
        id: `f${index}`,
        name,
        broughtBy: "Somebody",
        label: label ? (read as SharedFood["label"]) : null,
        ...(instead ? { instead } : {}),
      };
    }),
  );

const house: fc.Arbitrary<HouseRule[]> = fc.uniqueArray(
  fc.record({
    doing: fc.constantFrom(...doings),
    band: fc.constantFrom(...ageBands),
    may: fc.constantFrom(...mays),
  }),
  { selector: (rule) => `${rule.doing} ${rule.band}`, maxLength: 6 },
);

/**
 * Whole classes over the whole schema: starter and random recipes with their variants, dishes at no station, kitchens of every kind;
 * some fit their kitchen, some cannot be cooked in it at all.
 */
export const classes: fc.Arbitrary<ClassInput> = people
  .chain((all) =>
    fc.record({
      brief,
      people: fc.constant(all),
      kitchen: fc.oneof(fc.constantFrom(...demoKitchens), kitchens),
      labels,
      packs: fc.uniqueArray(pack, { selector: (one) => one.ingredientId, maxLength: 6 }),
      dishes: fc.array(dish, { maxLength: 3 }),
      arrangement: arrangementOf(all),
      pins: fc.option(
        fc.uniqueArray(
          fc.record({ bell: fc.constantFrom(...pinnableBells), at: fc.integer({ min: 0, max: 150 }).map(inMinutes) }),
          {
            selector: (pin) => pin.bell,
            minLength: 1,
          },
        ),
        { nil: undefined, freq: 3 },
      ),
      shared: fc.option(shared, { nil: undefined, freq: 2 }),
      order: fc.option(order, { nil: undefined }),
      house: fc.option(house, { nil: undefined }),
    }),
  )
  .map(({ dishes, arrangement, pins, shared: foods, order: loads, house: rules, ...rest }) => ({
    ...rest,
    id: "random",
    title: "A random class",
    startsAt: "2026-11-28T10:00",
    timeZone: "Europe/London",
    pantry: starterPantry,
    dishes: dishes.map(
      ({ recipe, wantsVariant, stations, bowl, cooks, mixing, takesAlternatives, roundParts, bulk }, index) => ({
        id: `d${index}`,
        // Two random recipes are two, and say so.
        recipe: recipe.id === "random" ? { ...recipe, id: `random-${index}` } : recipe,
        variantId: wantsVariant ? (recipe.variants[0]?.id ?? null) : null,
        stations,
        ...(bowl ? { bowl } : {}),
        ...(cooks ? { cooks } : {}),
        ...(mixing ? { mixing } : {}),
        ...(bulk ? { bulk } : {}),
        ...(takesAlternatives && recipe.lines.some((line) => line.alternatives)
          ? {
              takes: recipe.lines.flatMap((line) =>
                line.alternatives?.[0] ? [{ lineId: line.id, ingredientId: line.alternatives[0].ingredientId }] : [],
              ),
            }
          : {}),
        ...(roundParts && recipe.rounds
          ? {
              rounds: recipe.rounds.slice(0, 2).map((round, at) => ({ roundId: round.id, parts: roundParts[at] ?? 1 })),
            }
          : {}),
      }),
    ),
    ...(arrangement ? { arrangement } : {}),
    ...(pins ? { pins } : {}),
    ...(foods ? { shared: foods } : {}),
    ...(loads ? { order: loads } : {}),
    ...(rules && rules.length > 0 ? { house: rules } : {}),
  }));
