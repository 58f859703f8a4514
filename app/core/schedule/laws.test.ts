import fc from "fast-check";
import { smallClasses } from "../../../test/small-classes";
import { inMinutes, inPieces, plus } from "~/core/quantity";
import { type ScheduleInput, lateBatters, schedule, searchThrough } from ".";

/** When everything is ready in the plan that is found, in whole seconds. Of a class as small as these a part of the usual search finds the best. */
const effort = { starts: 8, schedulesEach: 2000 };
const readyIn = (input: ScheduleInput): number =>
  Math.round((searchThrough(input, effort).timeline.bells.find((bell) => bell.kind === "eat")?.at ?? NaN) * 60);

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

const cookBy = (minutes: number) => ({ max: inMinutes(minutes), why: "window" as const });

test("a longer window, a quicker dish and no washing never make the plan that is found later; doors that open later move everything", () => {
  fc.assert(
    fc.property(smallClasses, fc.integer({ min: 8, max: 25 }), fc.integer({ min: 1, max: 30 }), (small, window, by) => {
      const within = (minutes: number): ScheduleInput => ({
        ...small,
        stations: small.stations.map((job) => ({ ...job, cookBy: cookBy(minutes) })),
      });
      const input = within(window);
      const before = readyIn(input);
      const isKept = (one: ScheduleInput) => lateBatters(searchThrough(one, effort).timeline).length === 0;
      // Where no order keeps the shorter window, a longer one that some order keeps may cost time.
      if (isKept(input)) expect(readyIn(within(window + by))).toBeLessThanOrEqual(before);
      const quicker = {
        ...small,
        stations: small.stations.map((job) => ({
          ...job,
          recipe: { ...job.recipe, heat: { ...job.recipe.heat, turnaround: inMinutes(0.25) } },
        })),
      };
      const plain = readyIn(small);
      expect(readyIn(quicker)).toBeLessThanOrEqual(plain);
      expect(readyIn({ ...small, washesBetween: false })).toBeLessThanOrEqual(plain);
      const surfaces = small.surfaces.map((one) => ({ ...one, preheatMinutes: inMinutes(0) }));
      const hot = readyIn({ ...small, surfaces });
      expect(readyIn({ ...small, surfaces, doorsMinutes: plus(small.doorsMinutes, inMinutes(by)) })).toBe(
        hot + by * 60,
      );
    }),
    { numRuns: 3 },
  );
});

test("households share nothing: a remote class is ready when the last of them would be alone", () => {
  fc.assert(
    fc.property(smallClasses, (small) => {
      const input: ScheduleInput = {
        ...small,
        hotPlaces: null,
        testersPerSurface: inPieces(0),
        surfaces: small.surfaces.map((one) => ({ ...one, at: "station" as const })),
      };
      const alone = input.stations.map((job) => readyIn({ ...input, stations: [job] }));
      expect(readyIn(input)).toBe(Math.max(...alone));
    }),
    { numRuns: 5 },
  );
});

test("the load that is shown to households is on the instructor's own surface, and tries none of theirs", () => {
  fc.assert(
    fc.property(smallClasses, fc.boolean(), (small, isSearched) => {
      const input: ScheduleInput = {
        ...small,
        areHomes: true,
        demo: "mix-and-load",
        hotPlaces: null,
        surfaces: small.surfaces.map((one) => ({ ...one, at: "station" as const })),
      };
      const found = searchThrough(input, { starts: 1, schedulesEach: 40 });
      const timeline = isSearched ? found.timeline : schedule(input);
      const shown = timeline.tasks.find((task) => task.kind === "demo-load");
      expect(shown).toBeDefined();
      const others = timeline.tasks.filter((task) => ["load", "tester"].includes(task.kind));
      expect(others.some((task) => task.surfaceId === shown?.surfaceId)).toBe(false);
      expect(found.order.demoAt?.stationId).toBeUndefined();
      expect(schedule({ ...input, order: found.order })).toEqual(found.timeline);
    }),
    { numRuns: 25 },
  );
});
