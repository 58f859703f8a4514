import { surfaceIdOf } from "~/core/ids";
import { inMinutes, inPieces } from "~/core/quantity";
import type { Surface } from "~/core/gear";
import type { Recipe } from "~/core/recipe";
import type { ScheduleInput, StationJob } from "~/core/schedule";
import { starterRecipes } from "~/demo/recipes";

/** Classes of many shapes, on which the search is measured: rooms, dishes, adults, windows, ovens, washing, people apart. */
export interface Shape {
  readonly name: string;
  readonly input: ScheduleInput;
}

const surface = (
  id: string,
  kind: Surface["kind"],
  places: number,
  count: number,
  more: Partial<Surface> = {},
): Surface => ({
  id: surfaceIdOf(id),
  name: id,
  kind,
  places,
  count,
  at: "shared",
  preheatMinutes: null,
  watts: 0,
  ...more,
});

const dishOf = (family: Recipe["family"]): Recipe => {
  const found = starterRecipes.find((recipe) => recipe.family === family);
  if (!found) throw new Error(`no starter recipe of the family ${family}.`);
  return found;
};
const on = (recipe: Recipe, kinds: Recipe["heat"]["surfaceKinds"], more: Partial<Recipe["heat"]> = {}): Recipe => ({
  ...recipe,
  heat: { ...recipe.heat, surfaceKinds: kinds, ...more },
});
const likely = (minutes: number) => ({ low: minutes, likely: minutes, high: minutes });

const pancake = on(dishOf("pancake"), ["electric-griddle", "hob-pan", "cast-iron-pan"]);
const other = { ...pancake, id: "other" };
const slow = on({ ...pancake, id: "slow" }, ["electric-griddle", "hob-pan"], { side1: likely(5), side2: likely(4) });
const drawn: Recipe = on({ ...pancake, id: "drawn", family: "drawn" }, ["electric-griddle"], {
  pourPerPiece: inMinutes(0.6),
});
const crepe = on(dishOf("crepe"), ["crepe-pan", "hob-pan"]);
const waffle = on(dishOf("waffle"), ["waffle-iron"]);
const baked = on({ ...pancake, id: "baked" }, ["oven"], { side1: likely(18), side2: null, pourPerPiece: inMinutes(1) });

const jobs = (row: readonly (readonly [Recipe, number])[], more: Partial<StationJob> = {}): StationJob[] =>
  row.map(([recipe, pieces], index) => ({
    stationId: `s${index + 1}`,
    recipe,
    pieces: inPieces(pieces),
    measuredLines: 4,
    eggs: 1,
    hands: 4,
    ...more,
  }));
const many = (recipe: Recipe, stations: number, pieces: number): (readonly [Recipe, number])[] =>
  Array.from({ length: stations }, () => [recipe, pieces] as const);

const room = (name: string, stations: StationJob[], surfaces: Surface[], more: Partial<ScheduleInput> = {}): Shape => ({
  name,
  input: {
    stations,
    surfaces,
    people: stations.length * 4,
    sinks: 2,
    pace: 1.2,
    demo: "mix",
    kitMode: "pre-measured",
    doorsMinutes: inMinutes(10),
    eatMinutes: inMinutes(15),
    cleanMinutes: inMinutes(10),
    testersPerSurface: inPieces(0),
    hotPlaces: null,
    ...more,
  },
});

const window = (max: number) => ({ cookBy: { max: inMinutes(max), why: "window" as const } });
const apart = (row: StationJob[], index: number): StationJob[] =>
  row.map((job, at) => (at === index ? { ...job, isApart: true } : job));

export const shapes: readonly Shape[] = [
  room("one griddle, six tables", jobs(many(pancake, 6, 10)), [surface("g", "electric-griddle", 4, 1)]),
  room("two unlike griddles", jobs(many(pancake, 6, 10)), [
    surface("small", "hob-pan", 1, 2),
    surface("g", "electric-griddle", 6, 1),
  ]),
  room("a slow small pan first in the list", jobs(many(slow, 5, 7)), [
    surface("p", "hob-pan", 1, 1, { preheatMinutes: inMinutes(2) }),
    surface("g", "electric-griddle", 5, 2),
  ]),
  room(
    "three griddles, uneven tables",
    jobs([
      [pancake, 3],
      [pancake, 14],
      [pancake, 7],
      [pancake, 5],
      [pancake, 11],
    ]),
    [surface("g", "electric-griddle", 4, 3)],
  ),
  room("twelve tables, four griddles", jobs(many(pancake, 12, 9)), [surface("g", "electric-griddle", 4, 4)]),
  room("twenty tables, six griddles of two kinds", jobs(many(pancake, 20, 8)), [
    surface("g", "electric-griddle", 6, 3),
    surface("p", "cast-iron-pan", 2, 3),
  ]),
  room("one adult, three griddles", jobs(many(pancake, 5, 8)), [surface("g", "electric-griddle", 4, 3)], {
    hotPlaces: 1,
  }),
  room(
    "two adults, five pans of three sizes",
    jobs(many(pancake, 6, 9)),
    [surface("a", "hob-pan", 1, 2), surface("b", "cast-iron-pan", 3, 2), surface("g", "electric-griddle", 6, 1)],
    { hotPlaces: 2 },
  ),
  room("testers on every griddle", jobs(many(pancake, 6, 9)), [surface("g", "electric-griddle", 4, 3)], {
    testersPerSurface: inPieces(1),
  }),
  room(
    "two testers on pans of each table",
    jobs(many(pancake, 5, 8)),
    [surface("p", "hob-pan", 2, 2, { at: "station" })],
    { testersPerSurface: inPieces(2) },
  ),
  room("own pan and a shared griddle", jobs(many(pancake, 6, 9)), [
    surface("p", "hob-pan", 1, 1, { at: "station" }),
    surface("g", "electric-griddle", 5, 1),
  ]),
  room("crepes on few pans", jobs(many(crepe, 4, 12)), [surface("p", "crepe-pan", 1, 4)]),
  room("waffles on unlike irons", jobs(many(waffle, 5, 6)), [
    surface("i", "waffle-iron", 1, 3),
    surface("j", "waffle-iron", 4, 1, { preheatMinutes: inMinutes(12) }),
  ]),
  room("two dishes, two kinds of surface", jobs([...many(pancake, 4, 8), ...many(waffle, 4, 6)]), [
    surface("g", "electric-griddle", 4, 2),
    surface("i", "waffle-iron", 2, 2),
  ]),
  room(
    "two dishes on shared griddles, washed between",
    jobs([
      [pancake, 8],
      [other, 8],
      [pancake, 8],
      [other, 8],
    ]),
    [surface("g", "electric-griddle", 4, 2)],
    { washesBetween: true },
  ),
  room(
    "three dishes on two griddles, washed between",
    jobs([
      [pancake, 6],
      [other, 6],
      [slow, 6],
      [pancake, 6],
      [other, 6],
      [slow, 6],
    ]),
    [surface("g", "electric-griddle", 4, 2)],
    { washesBetween: true },
  ),
  room(
    "two dishes, one griddle, washed between",
    jobs([
      [pancake, 6],
      [other, 6],
      [pancake, 6],
      [other, 6],
    ]),
    [surface("g", "electric-griddle", 4, 1)],
    { washesBetween: true },
  ),
  room("a table apart", apart(jobs(many(pancake, 5, 8)), 2), [surface("g", "electric-griddle", 4, 2)]),
  room("a table apart on one griddle", apart(jobs(many(pancake, 3, 8)), 1), [surface("g", "electric-griddle", 4, 1)]),
  room("a shown load first", jobs(many(pancake, 6, 8)), [surface("g", "electric-griddle", 4, 2)], {
    demo: "mix-and-load",
  }),
  room("a window of fifteen minutes", jobs(many(pancake, 4, 8), window(15)), [surface("g", "electric-griddle", 4, 2)]),
  room(
    "a window of twelve minutes and a shown load",
    jobs(many(pancake, 5, 8), window(12)),
    [surface("g", "electric-griddle", 4, 2)],
    { demo: "mix-and-load" },
  ),
  room(
    "windows on one griddle and one adult",
    jobs(many(pancake, 4, 6), window(12)),
    [surface("g", "electric-griddle", 3, 2)],
    { hotPlaces: 1 },
  ),
  room("an oven of two dishes", jobs(many(baked, 7, 1)), [surface("o", "oven", 2, 2)]),
  room(
    "an oven that waits",
    jobs([
      [baked, 1],
      [baked, 1],
      [baked, 2],
      [baked, 1],
      [baked, 2],
    ]),
    [surface("o", "oven", 4, 1)],
  ),
  room("oven and griddle", jobs([...many(baked, 4, 1), ...many(pancake, 4, 8)]), [
    surface("o", "oven", 2, 1),
    surface("g", "electric-griddle", 4, 1),
  ]),
  room("step along", jobs(many(pancake, 6, 8)), [surface("g", "electric-griddle", 4, 2)], { demo: "along" }),
  room(
    "step along, tables of two sizes",
    jobs(many(pancake, 6, 8)).map((job, index) => ({ ...job, eggs: 1 + (index % 3) })),
    [surface("g", "electric-griddle", 4, 2)],
    { demo: "along" },
  ),
  room("one pen, three griddles", jobs(many(drawn, 5, 8)), [surface("g", "electric-griddle", 4, 3)], {
    goesRound: [{ thing: "pen", count: 1 }],
    testersPerSurface: inPieces(1),
  }),
  room(
    "two ladles, two adults",
    jobs([...many(pancake, 3, 9), ...many(slow, 3, 6)]),
    [surface("g", "electric-griddle", 4, 3)],
    {
      goesRound: [{ thing: "ladle", count: 2 }],
      hotPlaces: 2,
    },
  ),
  room("remote homes", jobs(many(pancake, 8, 4)), [surface("p", "hob-pan", 1, 1, { at: "station" })]),
  room("remote homes of one with two pans", jobs(many(pancake, 6, 5), { hands: 1 }), [
    surface("p", "hob-pan", 1, 2, { at: "station" }),
  ]),
  room("slow and quick on the same griddles", jobs([...many(pancake, 3, 9), ...many(slow, 3, 6)]), [
    surface("g", "electric-griddle", 4, 2),
    surface("p", "hob-pan", 2, 2),
  ]),
  room(
    "slow and quick, two adults",
    jobs([...many(pancake, 3, 9), ...many(slow, 3, 6)]),
    [surface("g", "electric-griddle", 4, 2), surface("p", "hob-pan", 2, 2)],
    { hotPlaces: 2 },
  ),
  room("measured at the table, children", jobs(many(pancake, 8, 7)), [surface("g", "electric-griddle", 6, 2)], {
    kitMode: "station-measures",
    pace: 1.5,
  }),
  room(
    "small class, three sizes",
    jobs([
      [pancake, 5],
      [pancake, 5],
      [slow, 4],
    ]),
    [surface("a", "hob-pan", 1, 1), surface("b", "hob-pan", 2, 1), surface("g", "electric-griddle", 3, 1)],
  ),
  room("pairs, eleven of them", jobs(many(pancake, 11, 6)), [surface("g", "electric-griddle", 4, 3)]),
  room("one table", jobs(many(pancake, 1, 12)), [surface("g", "electric-griddle", 4, 1)]),
  room("fifty tables, twelve griddles", jobs(many(pancake, 50, 8)), [surface("g", "electric-griddle", 4, 12)]),
];
