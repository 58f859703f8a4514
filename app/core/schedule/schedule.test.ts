import fc from "fast-check";
import type { Surface } from "~/core/gear";
import { starterRecipes } from "~/demo/recipes";
import { timeStep, washMinutes } from "./durations";
import { checkTimeline } from "./findings";
import { schedule } from "./schedule";
import { type ScheduleInput, type Timeline, demoModes, kitModes } from "./types";

const surface = (
  id: string,
  kind: Surface["kind"],
  places: number,
  count: number,
  at: Surface["at"] = "shared",
): Surface => ({ id, name: id, kind, places, count, at, preheatMinutes: null, watts: 0 });
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

const inputs: fc.Arbitrary<ScheduleInput> = fc.record({
  stations: fc
    .array(
      fc.record({
        recipe: fc.constantFrom(...starterRecipes),
        pieces: fc.integer({ min: 0, max: 14 }),
        measuredLines: fc.integer({ min: 0, max: 9 }),
        eggs: fc.integer({ min: 0, max: 4 }),
      }),
      { maxLength: 9 },
    )
    .map((rows) => rows.map((row, index) => ({ ...row, stationId: `s${index}` }))),
  surfaces: fc.constantFrom(...kitchens),
  people: fc.integer({ min: 0, max: 60 }),
  sinks: fc.integer({ min: 0, max: 3 }),
  pace: fc.constantFrom(0.8, 1, 1.2, 1.5),
  demo: fc.constantFrom(...demoModes),
  kitMode: fc.constantFrom(...kitModes),
  doorsMinutes: fc.integer({ min: 0, max: 15 }),
  eatMinutes: fc.integer({ min: 0, max: 20 }),
  cleanMinutes: fc.integer({ min: 0, max: 10 }),
  testersPerSurface: fc.integer({ min: 0, max: 2 }),
  hotPlaces: fc.option(fc.integer({ min: 1, max: 4 })),
});

const onHeat = (timeline: Timeline) =>
  timeline.tasks.filter((task) => ["load", "demo-load", "tester"].includes(task.kind));

function holds(check: (timeline: Timeline, input: ScheduleInput) => void): void {
  fc.assert(
    fc.property(inputs, (input) => check(schedule(input), input)),
    { numRuns: 250 },
  );
}

test("every piece is cooked, exactly once, wherever a surface suits", () => {
  holds((timeline, input) => {
    for (const job of input.stations) {
      const cooked = timeline.tasks
        .filter((task) => task.kind === "load" && task.stationId === job.stationId)
        .reduce((sum, task) => sum + task.pieces, 0);
      expect(cooked).toBe(timeline.unplaced.includes(job.stationId) ? 0 : job.pieces);
    }
  });
});

test("a surface holds one load at a time and no more pieces than it has places", () => {
  holds((timeline, input) => {
    for (const unit of timeline.units) {
      const own = onHeat(timeline).filter((task) => task.surfaceId === unit.id);
      const places = input.surfaces.find((one) => one.id === unit.surfaceId)?.places ?? 0;
      for (const a of own) {
        expect(a.pieces).toBeLessThanOrEqual(places);
        for (const b of own)
          if (a !== b && a.start !== b.start) expect(a.end <= b.start || b.end <= a.start).toBe(true);
      }
    }
  });
});

test("no load before the batter has rested, the surface is hot and the demonstration is over", () => {
  holds((timeline, input) => {
    const demoEnd = Math.max(
      0,
      ...timeline.tasks.filter((task) => task.kind.startsWith("demo")).map((task) => task.end),
    );
    for (const job of input.stations) {
      const own = timeline.tasks.filter((task) => task.stationId === job.stationId);
      const mixed = Math.max(
        0,
        ...own.filter((task) => ["mix", "wait", "prepare"].includes(task.kind)).map((task) => task.end),
      );
      for (const load of own.filter((task) => task.kind === "load")) {
        expect(load.start).toBeGreaterThanOrEqual(mixed + job.recipe.rest.min);
        expect(load.start).toBeGreaterThanOrEqual(demoEnd);
        const heated = timeline.tasks.find((task) => task.kind === "preheat" && task.surfaceId === load.surfaceId);
        expect(heated?.end ?? Infinity).toBeLessThanOrEqual(load.start);
      }
    }
  });
});

test("no more hot places in use at once than there are adults for", () => {
  holds((timeline, input) => {
    if (input.hotPlaces === null) return;
    const loads = onHeat(timeline).filter((task) => task.kind !== "tester");
    for (const { start } of loads) {
      const busy = new Set(
        loads.filter((task) => task.start <= start && task.end > start).map((task) => task.surfaceId),
      );
      expect(busy.size).toBeLessThanOrEqual(input.hotPlaces);
    }
  });
});

test("the instructor shows one thing at a time; bells are in order and on the grid; the same input gives the same plan", () => {
  holds((timeline, input) => {
    const shown = timeline.tasks.filter((task) => task.kind.startsWith("demo")).sort((a, b) => a.start - b.start);
    for (let n = 1; n < shown.length; n += 1) expect(shown[n]?.start).toBeGreaterThanOrEqual(shown[n - 1]?.end ?? 0);
    const times = timeline.bells.map((bell) => bell.at);
    expect(times).toEqual([...times].sort((a, b) => a - b));
    for (const task of timeline.tasks) expect(Number.isInteger(task.start / timeStep)).toBe(true);
    expect(new Set(timeline.bells.map((bell) => bell.id)).size).toBe(timeline.bells.length);
    expect(schedule(input)).toEqual(timeline);
  });
});

test("never ends later than cooking load after load on a single surface would, nor sooner than the heat alone takes", () => {
  holds((timeline, input) => {
    const loads = timeline.tasks.filter((task) => task.kind === "load");
    const longestStation = Math.max(
      0,
      ...input.stations
        .filter((job) => !timeline.unplaced.includes(job.stationId) && job.pieces > 0)
        .map((job) => job.recipe.heat.side1.likely + (job.recipe.heat.side2?.likely ?? 0)),
    );
    expect(timeline.lastLoadEnd).toBeGreaterThanOrEqual(longestStation);
    const critical = timeline.critical.reduce((sum, part) => sum + part.minutes, 0);
    expect(critical).toBeCloseTo(timeline.end, 6);
    expect(loads.length).toBe(timeline.loads);
  });
});

test("a class that does not fit says by how much, and what one more surface would do", () => {
  const [pancakes] = starterRecipes;
  if (!pancakes) throw new Error("the starter recipes are gone");
  const input: ScheduleInput = {
    stations: Array.from({ length: 6 }, (_, index) => ({
      stationId: `s${index}`,
      recipe: pancakes,
      pieces: 12,
      measuredLines: 0,
      eggs: 1,
    })),
    surfaces: [surface("griddle", "electric-griddle", 4, 1)],
    people: 24,
    sinks: 1,
    pace: 1.2,
    demo: "mix",
    kitMode: "pre-measured",
    doorsMinutes: 10,
    eatMinutes: 15,
    cleanMinutes: 10,
    testersPerSurface: 0,
    hotPlaces: null,
  };
  const timeline = schedule(input);
  const findings = checkTimeline(timeline, input, 60);
  expect(findings).toEqual(
    expect.arrayContaining([
      expect.objectContaining({ code: "does-not-fit", over: timeline.end - 60 }),
      expect.objectContaining({ code: "cook-by-passed", max: 30 }),
    ]),
  );
  const waits = findings.find((finding) => finding.code === "waits-for-surfaces");
  const more = schedule({ ...input, surfaces: [surface("griddle", "electric-griddle", 4, 2)] });
  expect(waits).toMatchObject({ withOneMore: more.end });
  expect(more.end).toBeLessThan(timeline.end);
});

test("a surface that passes to another recipe is washed first where the class wants it, and only there", () => {
  const [first, second] = [starterRecipes[0], { ...starterRecipes[0] }];
  if (!first || !second.id) throw new Error("a recipe was expected");
  const job = (stationId: string, recipe: typeof first) => ({
    stationId,
    recipe,
    pieces: 4,
    measuredLines: 0,
    eggs: 0,
  });
  const input = {
    stations: [job("a", first), job("b", second as typeof first)],
    surfaces: [
      {
        id: "g",
        name: "Griddle",
        kind: "electric-griddle" as const,
        places: 4,
        count: 1,
        at: "shared" as const,
        preheatMinutes: 5,
        watts: 0,
      },
    ],
    people: 4,
    sinks: 1,
    pace: 1,
    demo: "mix-and-load" as const,
    kitMode: "pre-measured" as const,
    doorsMinutes: 5,
    eatMinutes: 5,
    cleanMinutes: 5,
    testersPerSurface: 0,
    hotPlaces: null,
  };
  const washes = (made: ReturnType<typeof schedule>) => made.tasks.filter((task) => task.kind === "wash");
  const plain = schedule(input);
  const washed = schedule({ ...input, washesBetween: true });
  expect(washes(plain)).toEqual([]);
  expect(washes(washed)).toHaveLength(1);
  const [wash] = washes(washed);
  const loads = washed.tasks.filter((task) => task.kind === "load");
  expect(loads.map((task) => task.stationId)).toEqual(["a", "b"]);
  expect(wash?.start).toBeGreaterThanOrEqual(loads[0]?.end ?? Infinity);
  expect(wash?.end).toBeLessThanOrEqual(loads[1]?.start ?? 0);
  expect(washed.end - plain.end).toBe(washMinutes);
  expect(washes(schedule({ ...input, stations: [job("a", first), job("b", first)], washesBetween: true }))).toEqual([]);
});

test("a station apart has a surface to itself until its last load is out", () => {
  const recipe = starterRecipes[0];
  if (!recipe) throw new Error("a recipe was expected");
  const job = (stationId: string, isApart = false) => ({
    stationId,
    recipe,
    pieces: 6,
    measuredLines: 0,
    eggs: 0,
    isApart,
  });
  const made = schedule({
    stations: [job("a"), job("b"), job("c", true)],
    surfaces: [
      {
        id: "g",
        name: "Griddle",
        kind: "electric-griddle",
        places: 3,
        count: 2,
        at: "shared",
        preheatMinutes: 5,
        watts: 0,
      },
    ],
    people: 4,
    sinks: 1,
    pace: 1,
    demo: "mix-and-load",
    kitMode: "pre-measured",
    doorsMinutes: 5,
    eatMinutes: 5,
    cleanMinutes: 5,
    testersPerSurface: 1,
    hotPlaces: null,
  });
  const onHeat = made.tasks.filter((task) => ["load", "tester", "demo-load"].includes(task.kind));
  const own = onHeat.filter((task) => task.stationId === "c");
  const surfaces = new Set(own.map((task) => task.surfaceId));
  expect(surfaces.size).toBe(1);
  const last = Math.max(...own.map((task) => task.end));
  const before = onHeat.filter((task) => surfaces.has(task.surfaceId) && task.start < last && task.stationId !== "c");
  expect(before).toEqual([]);
  expect(made.unplaced).toEqual([]);
});
