import fc from "fast-check";
import type { Surface } from "~/core/gear";
import type { Recipe } from "~/core/recipe";
import { starterRecipes } from "~/demo/recipes";
import { inputs, surface } from "../../../test/rooms";
import { faultsOf } from "../../../test/timeline-checker";
import { washMinutes } from "./durations";
import { type Order, type ScheduleInput, type Timeline, checkTimeline, lateBatters, schedule, searchThrough } from ".";

const plain = starterRecipes[0];
if (!plain) throw new Error("the starter recipes are gone");
const short = { starts: 2, schedulesEach: 120 };
const likely = (minutes: number) => ({ low: minutes, likely: minutes, high: minutes });
const readyAt = (timeline: Timeline) => timeline.tasks.find((task) => task.kind === "eat")?.start ?? NaN;

test("a plan by rule, a plan that was searched and a plan by any order keep every rule of the room", () => {
  fc.assert(
    fc.property(
      inputs,
      fc.array(fc.tuple(fc.nat(8), fc.nat(9), fc.nat(6)), { maxLength: 20 }),
      fc.boolean(),
      (input, wild, showsFirst) => {
        const found = searchThrough(input, short);
        const units = found.order.loads.map(({ surfaceId, number }) => ({ surfaceId, number }));
        const order: Order = {
          loads: wild.map(([station, unit, pieces]) => ({
            ...(units[unit % Math.max(1, units.length)] ?? { surfaceId: "gone", number: 1 }),
            parts: [
              { stationId: `s${station}`, pieces },
              { stationId: `s${station + 1}`, pieces: 2 },
            ],
          })),
          demoAt: units[0] ?? null,
          showsFirst,
        };
        expect(faultsOf(schedule(input), input)).toEqual([]);
        expect(faultsOf(found.timeline, input)).toEqual([]);
        expect(faultsOf(schedule({ ...input, order }), input)).toEqual([]);
      },
    ),
    { numRuns: 40 },
  );
});

test("the order that was found lays the plan that was found, and a search is never worse than the rules", () => {
  fc.assert(
    fc.property(inputs, (input) => {
      const found = searchThrough(input, short);
      expect(schedule({ ...input, order: found.order })).toEqual(found.timeline);
      const rule = schedule(input);
      // First foods that must not meet, then whether every window can be kept, then the last plate.
      const goodness = (timeline: Timeline) => [
        timeline.uncleared.length,
        Math.min(1, lateBatters(timeline).length),
        readyAt(timeline),
      ];
      const [now, before] = [goodness(found.timeline), goodness(rule)];
      const differs = now.findIndex((value, at) => Math.abs(value - (before[at] ?? NaN)) > 1e-9);
      expect(differs < 0 || (now[differs] ?? NaN) < (before[differs] ?? NaN)).toBe(true);
      expect(searchThrough(input, short)).toEqual(found);
    }),
    { numRuns: 30 },
  );
});

/** Seconds until the last piece of a small class is out, over every order, every surface and every size of load. */
function exhaustive(input: ScheduleInput, from: number): number {
  const pour = (recipe: Recipe) => Math.round(recipe.heat.pourPerPiece * input.pace * 60);
  const sides = (recipe: Recipe) => Math.round((recipe.heat.side1.likely + (recipe.heat.side2?.likely ?? 0)) * 60);
  const between = (recipe: Recipe) => Math.round((recipe.heat.turnaround * input.pace + recipe.heat.recover) * 60);
  const units = input.surfaces.flatMap((one) => Array.from({ length: one.count }, () => one));
  const hotAt = units.map((unit) => (unit.preheatMinutes ?? 0) * 60);
  let best = Infinity;
  const left = input.stations.map((job) => job.pieces);
  const free = [...hotAt];
  const last: (Recipe | undefined)[] = units.map(() => undefined);
  const spans: [number, number][] = [];
  const visit = (latest: number) => {
    if (latest >= best) return;
    if (left.every((count) => count === 0)) {
      best = latest;
      return;
    }
    input.stations.forEach((job, s) => {
      const count = left[s] ?? 0;
      if (count === 0) return;
      units.forEach((unit, u) => {
        const places = job.recipe.heat.surfaceKinds.includes(unit.kind) ? unit.places : 0;
        if (places === 0) return;
        // Units of one surface are alike: of those not yet used only the first.
        if (
          units.findIndex((one, at) => one === unit && free[at] === hotAt[at] && last[at] === undefined) < u &&
          last[u] === undefined
        )
          return;
        const [freeBefore, lastBefore] = [free[u] ?? 0, last[u]];
        const isWashed = input.washesBetween === true && lastBefore !== undefined && lastBefore !== job.recipe;
        const isFirst = lastBefore === undefined;
        const washed = isWashed ? washMinutes * 60 + (hotAt[u] ?? 0) : 0;
        const testers = isFirst ? Math.min(input.testersPerSurface, count) : 0;
        const one = sides(job.recipe) + pour(job.recipe);
        for (let size = Math.min(places, count - testers); size >= (count > testers ? 1 : 0); size -= 1) {
          const takes = testers * one + (size > 0 ? sides(job.recipe) + size * pour(job.recipe) : 0);
          let at = Math.max(from, freeBefore + washed);
          const limit = input.hotPlaces ?? Infinity;
          const isOver = (start: number) =>
            [start, ...spans.map(([begin]) => begin).filter((begin) => begin > start && begin < start + takes)].some(
              (moment) => spans.filter(([begin, end]) => begin <= moment && end > moment).length >= limit,
            );
          while (isOver(at)) at = Math.min(...spans.map(([, end]) => end).filter((end) => end > at));
          left[s] = count - size - testers;
          free[u] = at + takes + between(job.recipe);
          last[u] = job.recipe;
          spans.push([at, at + takes]);
          visit(Math.max(latest, at + takes));
          spans.pop();
          left[s] = count;
          free[u] = freeBefore;
          last[u] = lastBefore;
        }
      });
    });
  };
  visit(0);
  return best;
}

const dish = (id: string, side: number, pour: number): Recipe => ({
  ...plain,
  id,
  rest: { min: 0, max: null, reason: "author" },
  steps: plain.steps
    .filter((step) => step.kind === "mix" || step.kind === "cook")
    .slice(0, 9)
    .map((step) => ({ ...step, who: "anyone" as const })),
  parts: [],
  heat: {
    ...plain.heat,
    surfaceKinds: ["hob-pan", "electric-griddle"],
    side1: likely(side),
    side2: null,
    pourPerPiece: pour,
    turnaround: 0.5,
    recover: 0,
  },
});
const dishes = [dish("quick", 2, 0.25), dish("slow", 5, 0.5)];

test("small classes are laid as well as any order could, and the bound is never above the best", () => {
  const small = fc.record({
    pieces: fc.array(fc.tuple(fc.nat(1), fc.integer({ min: 1, max: 4 })), { minLength: 1, maxLength: 3 }),
    surfaces: fc.array(fc.tuple(fc.integer({ min: 1, max: 3 }), fc.integer({ min: 0, max: 6 })), {
      minLength: 1,
      maxLength: 2,
    }),
    isDouble: fc.boolean(),
    hotPlaces: fc.option(fc.integer({ min: 1, max: 2 })),
    testers: fc.nat(2),
    washes: fc.boolean(),
  });
  fc.assert(
    fc.property(small, ({ pieces, surfaces, isDouble, hotPlaces, testers, washes }) => {
      const rows: Surface[] = surfaces.map(([places, preheat], index) => ({
        ...surface(`u${index}`, index === 0 ? "electric-griddle" : "hob-pan", places, index === 0 && isDouble ? 2 : 1),
        preheatMinutes: preheat,
        coating: "non-stick",
      }));
      const input: ScheduleInput = {
        stations: pieces.map(([which, count], index) => ({
          stationId: `s${index}`,
          recipe: dishes[which] ?? plain,
          pieces: count,
          measuredLines: 0,
          eggs: 0,
        })),
        surfaces: rows,
        people: 0,
        sinks: 1,
        pace: 1,
        demo: "mix",
        kitMode: "pre-measured",
        doorsMinutes: 10,
        eatMinutes: 0,
        cleanMinutes: 0,
        testersPerSurface: testers,
        hotPlaces,
        washesBetween: washes,
      };
      const { timeline } = searchThrough(input);
      const ready = Math.max(...timeline.batters.map((batter) => batter.readyAt)) * 60;
      expect(new Set(timeline.batters.map((batter) => batter.readyAt)).size).toBe(1);
      const optimum = exhaustive(input, Math.round(ready));
      if (Math.round(readyAt(timeline) * 60) !== optimum)
        console.log(timeline.bound * 60, JSON.stringify(searchThrough(input).order), timeline.isProved);
      expect(Math.round(readyAt(timeline) * 60)).toBe(optimum);
      expect(Math.round(timeline.bound * 60)).toBeLessThanOrEqual(Math.round(readyAt(timeline) * 60));
    }),
    { numRuns: 30 },
  );
});

test("batter that would stand too long is mixed later, and cooked one table after the other", () => {
  const table = (index: number) => ({
    stationId: `s${index}`,
    recipe: dishes[0] ?? plain,
    pieces: 8,
    measuredLines: 0,
    eggs: 0,
    cookBy: { max: 12, why: "window" as const },
  });
  const input: ScheduleInput = {
    stations: [0, 1, 2, 3, 4].map(table),
    surfaces: [surface("g", "electric-griddle", 4, 1)],
    people: 20,
    sinks: 2,
    pace: 1,
    demo: "mix-and-load",
    kitMode: "pre-measured",
    doorsMinutes: 5,
    eatMinutes: 10,
    cleanMinutes: 5,
    testersPerSurface: 0,
    hotPlaces: null,
  };
  for (const timeline of [schedule(input), searchThrough(input).timeline]) {
    expect(checkTimeline(timeline, input, 200).filter((finding) => finding.code === "cook-by-passed")).toEqual([]);
    expect(new Set(timeline.batters.map((batter) => batter.wetAt)).size).toBeGreaterThan(1);
    // Whoever begins later is told so: each table that does not begin at the bell, once.
    const bell = timeline.bells.find((one) => one.kind === "mix")?.at ?? NaN;
    const later = timeline.batters.filter(
      ({ stationId }) =>
        (timeline.tasks.find((task) => task.stationId === stationId && task.kind === "mix")?.start ?? 0) >= bell + 1,
    );
    const told = checkTimeline(timeline, input, 200).flatMap((finding) =>
      finding.code === "mixes-later" ? finding.stationIds : [],
    );
    expect([...told].sort()).toEqual(later.map(({ stationId }) => stationId).sort());
    expect(told.length).toBeGreaterThan(0);
  }
});

test("one griddle more never makes the plan that is found worse", () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 2, max: 5 }),
      fc.integer({ min: 2, max: 9 }),
      fc.integer({ min: 1, max: 3 }),
      fc.option(fc.integer({ min: 1, max: 3 })),
      (stations, pieces, count, hotPlaces) => {
        const input = (griddles: number): ScheduleInput => ({
          stations: Array.from({ length: stations }, (_, index) => ({
            stationId: `s${index}`,
            recipe: dishes[index % 2] ?? plain,
            pieces,
            measuredLines: 0,
            eggs: 0,
          })),
          surfaces: [surface("g", "electric-griddle", 4, griddles)],
          people: 10,
          sinks: 2,
          pace: 1,
          demo: "mix",
          kitMode: "pre-measured",
          doorsMinutes: 5,
          eatMinutes: 5,
          cleanMinutes: 5,
          testersPerSurface: 0,
          hotPlaces,
        });
        const few = searchThrough(input(count)).timeline;
        const more = searchThrough(input(count + 1)).timeline;
        expect(readyAt(more)).toBeLessThanOrEqual(readyAt(few) + 1e-9);
      },
    ),
    { numRuns: 12 },
  );
});
