import { inPieces } from "~/core/quantity";
import { expect, test } from "@jest/globals";
import { starterRecipes } from "~/demo/recipes";
import { plainRoom, surface } from "../../../test/rooms";
import { faultsOf } from "../../../test/timeline-checker";
import { holdUp } from "./chain";
import { runList } from "./run";
import { schedule } from "./schedule";
import type { ScheduleInput, Task } from "./types";

const [batter] = starterRecipes;
if (!batter) throw new Error("There is a starter book.");
/** Tables that crack so many eggs each; an egg takes half a minute where everybody steps along. */
const input = (eggs: readonly number[], more: Partial<ScheduleInput> = {}): ScheduleInput => ({
  stations: eggs.map((count, index) => ({
    stationId: `s${index + 1}`,
    recipe: batter,
    pieces: inPieces(4),
    measuredLines: 0,
    eggs: count,
  })),
  surfaces: [surface("griddle", "electric-griddle", 4, eggs.length)],
  ...plainRoom,
  people: 4 * eggs.length,
  demo: "along",
  ...more,
});
const catchUps = (tasks: readonly Task[]) => tasks.filter((task) => task.isCatchUp);
const minutesOf = (tasks: readonly Task[]) => tasks.map((task) => task.end - task.start);

test("where everybody steps along, the quick wait before the next step until the slowest is there, and all go on together", () => {
  const room = input([1, 1, 4]);
  const made = schedule(room);
  expect(faultsOf(made, room)).toEqual([]);
  const waits = catchUps(made.tasks);
  expect(new Set(waits.map((task) => task.stationId))).toEqual(new Set(["s1", "s2"]));
  // Three eggs more, 25 seconds each, a quarter more as they follow.
  for (const minutes of minutesOf(waits)) expect(minutes).toBeCloseTo((3 * 25 * 1.25) / 60, 1);
  const together = runList(made, true).filter((entry) => entry.kind === "goes-on");
  expect(together.length).toBeGreaterThan(0);
  for (const entry of together) expect(entry.stationIds).toEqual(["s1", "s2", "s3"]);
  expect(together[0]?.waited).toEqual(["s1", "s2"]);
  expect(runList(made).some((entry) => entry.kind === "goes-on")).toBe(false);
});

test("alike tables wait for nobody, tables of another recipe go on by themselves, and whoever is shown first waits for nobody", () => {
  expect(catchUps(schedule(input([2, 2, 2])).tasks)).toEqual([]);
  expect(catchUps(schedule(input([1, 4], { demo: "mix" })).tasks)).toEqual([]);
  const two = input([1, 4]);
  const other = { ...batter, id: "another" };
  const apart = { ...two, stations: two.stations.map((job, at) => (at === 0 ? job : { ...job, recipe: other })) };
  expect(catchUps(schedule(apart).tasks)).toEqual([]);
});

test("the chain that holds a class up goes from a table that waited to the one it waited for", () => {
  // Only the quick table cooks, so it ends last; the slow one it has waited for.
  const made = input([1, 4]);
  const room = { ...made, stations: made.stations.map((job, at) => ({ ...job, pieces: inPieces(at === 0 ? 12 : 0) })) };
  const laid = schedule(room);
  const { links } = holdUp(laid, room);
  const at = links.findIndex((link) => link.because === "room");
  const taskOf = (id: string | undefined) => laid.tasks.find((task) => task.id === id);
  expect(taskOf(links[at]?.taskId)?.stationId).toBe("s1");
  expect(taskOf(links[at - 1]?.taskId)?.stationId).toBe("s2");
});
