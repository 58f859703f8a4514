import fc from "fast-check";
import { smallClasses } from "../../../test/small-classes";
import { type ScheduleInput, searchThrough } from ".";

/** When everything is ready in the plan that is found, in whole seconds. Of a class as small as these a part of the usual search finds the best. */
const readyIn = (input: ScheduleInput): number =>
  Math.round(
    (searchThrough(input, { starts: 8, schedulesEach: 2000 }).timeline.bells.find((bell) => bell.kind === "eat")?.at ??
      NaN) * 60,
  );

const withMore = (input: ScheduleInput): readonly ScheduleInput[] => [
  ...input.surfaces.map((_, at) => ({
    ...input,
    surfaces: input.surfaces.map((row, n) => (n === at ? { ...row, count: row.count + 1 } : row)),
  })),
  ...(input.hotPlaces === null ? [] : [{ ...input, hotPlaces: input.hotPlaces + 1 }]),
  { ...input, sinks: input.sinks + 1 },
  { ...input, stations: input.stations.map((job) => ({ ...job, hands: (job.hands ?? 1) + 1 })) },
];

test("one more of anything — a surface, an adult, a sink, a pair of hands — never makes the plan that is found later", () => {
  fc.assert(
    fc.property(smallClasses, fc.integer({ min: 1, max: 2 }), (small, hands) => {
      const input = { ...small, stations: small.stations.map((job) => ({ ...job, hands })) };
      const before = readyIn(input);
      for (const more of withMore(input)) expect(readyIn(more)).toBeLessThanOrEqual(before);
    }),
    { numRuns: 6 },
  );
});

test("the lists of the kitchen and of the tables in another order are the same class", () => {
  fc.assert(
    fc.property(smallClasses, (small) => {
      const shown = small.stations[0]?.recipe;
      const input = { ...small, ...(shown ? { demoRecipe: shown } : {}) };
      const before = readyIn(input);
      expect(readyIn({ ...input, surfaces: [...input.surfaces].reverse() })).toBe(before);
      expect(readyIn({ ...input, stations: [...input.stations].reverse() })).toBe(before);
    }),
    { numRuns: 6 },
  );
});
