import fc from "fast-check";
import { starterPantry, substances, type LabelReading } from "~/core/pantry";
import { type Need, type Participant, ageBands, audiences, participantRoles, severities } from "~/core/people";
import type { Brief, ClassInput } from "~/core/plan";
import { measuringSets, ratio, scoopNames } from "~/core/quantity";
import { batchRules, eggRules } from "~/core/scale";
import { demoModes, kitModes } from "~/core/schedule";
import { demoKitchens } from "~/demo/boathouse";
import { starterRecipes } from "~/demo/recipes";

/** Random values of the core for property tests. Seeds come from the runner, so a failure can be run again. */
export const positiveRatio = fc
  .tuple(fc.bigInt(1n, 400n), fc.constantFrom(1n, 2n, 3n, 4n, 6n, 8n, 16n))
  .map(([num, den]) => ratio(num, den));

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
      name: `Person ${index}`,
      needs: row.hasAnswered ? row.needs : [],
    })),
  );

export const labels: fc.Arbitrary<LabelReading[]> = fc
  .uniqueArray(
    fc.record({
      ingredientId: fc.constantFrom(...starterPantry.map((one) => one.id)),
      contains: fc.uniqueArray(fc.constantFrom(...substances), { maxLength: 3 }),
      mayContain: fc.uniqueArray(fc.constantFrom(...substances), { maxLength: 3 }),
    }),
    { selector: (one) => one.ingredientId, maxLength: 20 },
  )
  .map((rows) =>
    rows.map((row) => ({ ...row, product: `packet of ${row.ingredientId}`, readBy: "Tester", readOn: "2026-11-20" })),
  );

export const brief: fc.Arbitrary<Brief> = fc.record({
  people: fc.integer({ min: 0, max: 48 }),
  audience: fc.constantFrom(...audiences),
  minutes: fc.integer({ min: 15, max: 240 }),
  piecesEach: fc.tuple(fc.bigInt(1n, 8n), fc.constantFrom(1n, 2n)).map(([num, den]) => ratio(num, den)),
  stationSize: fc.integer({ min: 1, max: 8 }),
  helpers: fc.integer({ min: 0, max: 6 }),
  kitMode: fc.constantFrom(...kitModes),
  demo: fc.constantFrom(...demoModes),
  testersPerSurface: fc.integer({ min: 0, max: 2 }),
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
  doorsMinutes: fc.integer({ min: 0, max: 20 }),
  eatMinutes: fc.integer({ min: 0, max: 30 }),
  cleanMinutes: fc.integer({ min: 0, max: 20 }),
  hasDemoBatch: fc.boolean(),
  hasSpareKit: fc.boolean(),
  isRemote: fc.constantFrom(false, false, true),
  stationNames: fc.constant<string[]>([]),
});

const kitchen = fc.constantFrom(...demoKitchens);
const dish = fc.record({
  recipe: fc.constantFrom(...starterRecipes),
  wantsVariant: fc.boolean(),
  stations: fc.option(fc.integer({ min: 0, max: 4 })),
});

/** Whole classes over the starter recipes; some fit their kitchen, some cannot be cooked in it at all. */
export const classes: fc.Arbitrary<ClassInput> = fc
  .record({ brief, people, kitchen, labels, dishes: fc.array(dish, { maxLength: 3 }) })
  .map(({ dishes, ...rest }) => ({
    ...rest,
    id: "random",
    title: "A random class",
    startsAt: "2026-11-28T10:00",
    timeZone: "Europe/London",
    pantry: starterPantry,
    packs: [],
    dishes: dishes.map(({ recipe, wantsVariant, stations }, index) => ({
      id: `d${index}`,
      recipe,
      variantId: wantsVariant ? (recipe.variants[0]?.id ?? null) : null,
      stations,
    })),
  }));
