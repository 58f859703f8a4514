import { inMinutes, inPieces, minus, smallest, plus } from "~/core/quantity";
import fc from "fast-check";
import type { Surface } from "~/core/gear";
import { type Recipe, piecesByRound } from "~/core/recipe";
import type { ScheduleInput } from "~/core/schedule";
import { washMinutes } from "~/core/schedule/durations";
import { starterRecipes } from "~/demo/recipes";
import { surface } from "./rooms";

const plain = starterRecipes[0];
if (!plain) throw new Error("the starter recipes are gone");
const likely = (minutes: number) => ({ low: minutes, likely: minutes, high: minutes });

const dish = (id: string, side: number, pour: number): Recipe => ({
  ...plain,
  id,
  rest: { min: inMinutes(0), max: null, reason: "author" },
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
    pourPerPiece: inMinutes(pour),
    turnaround: inMinutes(0.5),
    recover: inMinutes(0),
  },
});
const slow = dish("slow", 5, 0.5);
/** Dishes that go on the same surfaces: one that takes twice as long as the other and longer in a pan, and one whose pieces are of two rounds. */
export const dishes = [
  dish("quick", 2, 0.25),
  { ...slow, heat: { ...slow.heat, on: [{ surfaceKind: "hob-pan" as const, side1: likely(7) }] } },
  {
    ...dish("rounds", 2, 0.25),
    rounds: [
      { id: "plain", name: "Plain", parts: 2 },
      { id: "berries", name: "With berries", parts: 1 },
    ],
  },
];

const rooms = fc
  .record({
    pieces: fc.array(
      fc.tuple(fc.nat(2), fc.integer({ min: 1, max: 4 }), fc.constantFrom(undefined, undefined, 2 as const)),
      {
        minLength: 1,
        maxLength: 3,
      },
    ),
    surfaces: fc.array(fc.tuple(fc.integer({ min: 1, max: 3 }), fc.integer({ min: 0, max: 6 })), {
      minLength: 1,
      maxLength: 2,
    }),
    isDouble: fc.boolean(),
    hotPlaces: fc.option(fc.integer({ min: 1, max: 2 })),
    testers: fc.nat(2),
    washes: fc.boolean(),
  })
  .filter(({ pieces }) => pieces.reduce((sum, [, count]) => sum + count, 0) <= 8);

/** Classes of at most three stations, three surfaces and eight pieces: small enough to try every order there is. */
export const smallClasses = rooms.map(({ pieces, surfaces, isDouble, hotPlaces, testers, washes }): ScheduleInput => {
  const rows: Surface[] = surfaces.map(([places, preheat], index) => ({
    ...surface(`u${index}`, index === 0 ? "electric-griddle" : "hob-pan", places, index === 0 && isDouble ? 2 : 1),
    preheatMinutes: preheat === null ? null : inMinutes(preheat),
    coating: "non-stick",
  }));
  return {
    stations: pieces.map(([which, count, mixes], index) => ({
      stationId: `s${index}`,
      recipe: dishes[which] ?? plain,
      pieces: inPieces(count),
      ...(mixes ? { mixes } : {}),
      measuredLines: 0,
      eggs: 0,
    })),
    surfaces: rows,
    people: 0,
    sinks: 1,
    pace: 1,
    demo: "mix",
    kitMode: "pre-measured",
    doorsMinutes: inMinutes(10),
    eatMinutes: inMinutes(0),
    cleanMinutes: inMinutes(0),
    testersPerSurface: inPieces(testers),
    hotPlaces,
    washesBetween: washes,
  };
});

/**
 * Seconds until the last piece of a small class is out, over every order, every surface and every size of load.
 * @param from when every first batter may be poured. @param again when a second half may be.
 */
export function exhaustive(input: ScheduleInput, from: number, again: number): number {
  const pour = (recipe: Recipe) => Math.round(recipe.heat.pourPerPiece * input.pace * 60);
  const sides = ({ heat }: Recipe, kind: string) => {
    const first = heat.on?.find((one) => one.surfaceKind === kind)?.side1 ?? heat.side1;
    return Math.round((first.likely + (heat.side2?.likely ?? 0)) * 60);
  };
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
        const cooked = minus(job.pieces, count);
        const firstMix = job.mixes === 2 ? inPieces(Math.ceil(job.pieces / 2)) : job.pieces;
        // No load, nor what tries the surface for it, is of two mixes.
        const ofMix = cooked < firstMix ? minus(firstMix, cooked) : count;
        const ready = cooked < firstMix ? from : again;
        const testers = isFirst ? smallest(input.testersPerSurface, ofMix) : inPieces(0);
        const one = sides(job.recipe, unit.kind) + pour(job.recipe);
        // No load holds pieces of two rounds: up to the next end of one.
        let end = plus(minus(job.pieces, count), testers);
        let round = inPieces(0);
        for (const own of piecesByRound(job.recipe, job.pieces)) {
          round = plus(round, own);
          if (round > end) break;
        }
        end = minus(round, end);
        for (
          let size = smallest(inPieces(places), minus(ofMix, testers), end);
          size >= (testers > 0 ? 0 : 1);
          size = minus(size, inPieces(1))
        ) {
          const takes = testers * one + (size > 0 ? sides(job.recipe, unit.kind) + size * pour(job.recipe) : 0);
          let at = Math.max(ready, freeBefore + washed);
          const limit = input.hotPlaces ?? Infinity;
          const isOver = (start: number) =>
            [start, ...spans.map(([begin]) => begin).filter((begin) => begin > start && begin < start + takes)].some(
              (moment) => spans.filter(([begin, end]) => begin <= moment && end > moment).length >= limit,
            );
          while (isOver(at)) at = Math.min(...spans.map(([, end]) => end).filter((end) => end > at));
          left[s] = minus(minus(count, size), testers);
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
