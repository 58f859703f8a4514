import { surfaceIdOf } from "~/core/ids";
import { inMinutes, inPieces } from "~/core/quantity";
import fc from "fast-check";
import type { Surface } from "~/core/gear";
import { type ScheduleInput, demoModes, kitModes } from "~/core/schedule";
import { starterRecipes } from "~/demo/recipes";
import { kitchens as anyKitchen } from "./generators";
import { goingRound } from "./going-round";
import { recipes } from "./recipes";

export const surface = (
  id: string,
  kind: Surface["kind"],
  places: number,
  count: number,
  at: Surface["at"] = "shared",
): Surface => ({ id: surfaceIdOf(id), name: id, kind, places, count, at, preheatMinutes: null, watts: 0 });
const kitchens: readonly Surface[][] = [
  [
    surface("griddle", "electric-griddle", 4, 2),
    surface("pan", "crepe-pan", 1, 3),
    surface("iron", "waffle-iron", 2, 2),
  ],
  [
    surface("griddle", "electric-griddle", 6, 1),
    surface("hob", "hob-pan", 3, 1, "station"),
    surface("iron", "waffle-iron", 1, 1, "station"),
  ],
];

/** Classes as the timeline sees them, over every kind of recipe and kitchen. */
export const inputs: fc.Arbitrary<ScheduleInput> = fc.record({
  stations: fc
    .array(
      fc.record({
        recipe: fc.oneof(fc.constantFrom(...starterRecipes), recipes),
        pieces: fc.integer({ min: 0, max: 14 }).map(inPieces),
        measuredLines: fc.integer({ min: 0, max: 9 }),
        eggs: fc.integer({ min: 0, max: 4 }),
        sachets: fc.integer({ min: 0, max: 2 }),
        isApart: fc.constantFrom(false, false, false, true),
        hands: fc.constantFrom(1, 2, 4),
        mixes: fc.constantFrom(undefined, undefined, 2 as const),
        cookBy: fc.option(
          fc.record({ max: fc.integer({ min: 5, max: 60 }).map(inMinutes), why: fc.constant("window" as const) }),
        ),
      }),
      { maxLength: 9 },
    )
    .map((rows) => rows.map((row, index) => ({ ...row, stationId: `s${index}` }))),
  surfaces: fc.oneof(
    fc.constantFrom(...kitchens),
    anyKitchen.map((kitchen) => [...kitchen.surfaces]),
  ),
  people: fc.integer({ min: 0, max: 60 }),
  sinks: fc.integer({ min: 0, max: 3 }),
  pace: fc.constantFrom(0.8, 1, 1.2, 1.5),
  demo: fc.constantFrom(...demoModes),
  kitMode: fc.constantFrom(...kitModes),
  doorsMinutes: fc.integer({ min: 0, max: 15 }).map(inMinutes),
  eatMinutes: fc.integer({ min: 0, max: 20 }).map(inMinutes),
  cleanMinutes: fc.integer({ min: 0, max: 10 }).map(inMinutes),
  testersPerSurface: fc.integer({ min: 0, max: 2 }).map(inPieces),
  washesBetween: fc.boolean(),
  hotPlaces: fc.option(fc.integer({ min: 1, max: 4 })),
  goesRound: goingRound,
});

/** A class with nothing particular about it, for tests of one thing: the rest of it is told by whoever asks. */
export const plainRoom = {
  people: 8,
  sinks: 2,
  pace: 1,
  demo: "mix",
  kitMode: "pre-measured",
  doorsMinutes: inMinutes(5),
  eatMinutes: inMinutes(10),
  cleanMinutes: inMinutes(10),
  testersPerSurface: inPieces(0),
  hotPlaces: null,
} as const satisfies Partial<ScheduleInput>;
