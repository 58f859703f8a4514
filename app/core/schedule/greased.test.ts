import { unitIdOf } from "~/core/ids";
import { inMinutes, inPieces } from "~/core/quantity";
import fc from "fast-check";
import { greasedLoads } from "./readings";
import type { Task } from "./types";

const load = (surfaceId: string, stationId: string | null, start: number, kind: Task["kind"] = "load"): Task => ({
  id: `${surfaceId} ${stationId} ${start}`,
  kind,
  stationId,
  surfaceId: unitIdOf(surfaceId),
  stepId: null,
  start: inMinutes(start),
  end: inMinutes(start + 4),
  pieces: inPieces(2),
  loadNumber: 1,
});

const isOf = (station: string) => (task: Task) => task.stationId === station;

test("the first of a surface, and every nth after it, whoever's loads lie between", () => {
  const tasks = [
    load("a", null, 0, "demo-load"),
    load("a", "s1", 5),
    load("a", "s2", 10),
    load("a", "s1", 15),
    load("a", "s1", 20),
    load("b", "s1", 5),
    load("b", "s1", 1, "tester"),
  ];
  // The pan that was shown on is greased already; the other is greased by whoever is first on it.
  expect(["s1", "s2"].map((station) => greasedLoads(tasks, isOf(station), "first"))).toEqual([1, 0]);
  // On "a" the shown load, then 10 and 20; on "b" its first.
  expect(["s1", "s2"].map((station) => greasedLoads(tasks, isOf(station), 2))).toEqual([2, 1]);
  expect(["s1", "s2"].map((station) => greasedLoads(tasks, isOf(station), 20))).toEqual([1, 0]);
});

test("together in an oven is one load of it", () => {
  const tasks = [load("o", "s1", 0), load("o", "s2", 0), load("o", "s2", 9)];
  expect(["s1", "s2"].map((station) => greasedLoads(tasks, isOf(station), "first"))).toEqual([1, 0]);
  expect(["s1", "s2"].map((station) => greasedLoads(tasks, isOf(station), 3))).toEqual([1, 0]);
});

test("over all stations a surface is greased as often as its loads ask for", () => {
  const loads = fc.array(
    fc.record({
      surface: fc.constantFrom("a", "b"),
      station: fc.constantFrom("s1", "s2", "s3"),
      start: fc.integer({ min: 0, max: 30 }),
    }),
    { maxLength: 20 },
  );
  fc.assert(
    fc.property(loads, fc.constantFrom("first" as const, 2, 3, 7), (all, every) => {
      const tasks = all.map((one) => load(one.surface, one.station, one.start));
      const greased = ["s1", "s2", "s3"].reduce((sum, station) => sum + greasedLoads(tasks, isOf(station), every), 0);
      const wanted = ["a", "b"].reduce((sum, surface) => {
        const often = new Set(tasks.filter((task) => task.surfaceId === surface).map((task) => task.start)).size;
        return sum + (every === "first" ? Math.min(1, often) : Math.ceil(often / every));
      }, 0);
      expect(greased).toBe(wanted);
    }),
  );
});
