import { inMinutes, inPieces } from "~/core/quantity";
import { expect, test } from "@jest/globals";
import { type Recipe, pouredWith } from "~/core/recipe";
import { starterRecipes } from "~/demo/recipes";
import { plainRoom, surface } from "../../../test/rooms";
import { faultsOf } from "../../../test/timeline-checker";
import { checkTimeline } from "./findings";
import { holdUp } from "./chain";
import { schedule } from "./schedule";
import { searchThrough } from "./search";
import type { ScheduleInput } from "./types";

const [batter] = starterRecipes;
if (!batter) throw new Error("There is a starter book.");
/** Half a minute to draw each piece, three minutes on the heat. */
const slow: Recipe = {
  ...batter,
  family: "drawn",
  rounds: undefined,
  heat: { ...batter.heat, pourPerPiece: inMinutes(0.5), surfaceKinds: ["electric-griddle"] },
};
const input = (pens: number | undefined): ScheduleInput => ({
  stations: ["a", "b", "c"].map((stationId) => ({
    stationId,
    recipe: slow,
    pieces: inPieces(12),
    measuredLines: 0,
    eggs: 0,
  })),
  surfaces: [surface("griddle", "electric-griddle", 6, 6)],
  ...plainRoom,
  testersPerSurface: inPieces(1),
  ...(pens === undefined ? {} : { goesRound: [{ thing: "pen" as const, count: pens }] }),
});
const eatAt = (one: ReturnType<typeof schedule>) => one.bells.find((bell) => bell.kind === "eat")?.at ?? NaN;

test("what is drawn is poured with a pen, whatever its cook step names; other batter with the ladle it names, or nothing", () => {
  expect(pouredWith(slow)).toBe("pen");
  expect(pouredWith(batter)).toBe("ladle");
  expect(pouredWith({ ...batter, steps: batter.steps.map((step) => ({ ...step, tools: [] })) })).toBeNull();
});

test("one pen for six griddles is the bottleneck: three tables draw in turn, and it is said who waits for it", () => {
  const [free, two, one] = [undefined, 2, 1].map((pens) => searchThrough(input(pens)).timeline);
  if (!free || !two || !one) throw new Error("Three classes are laid.");
  expect(eatAt(two)).toBeGreaterThanOrEqual(eatAt(free));
  expect(eatAt(one)).toBeGreaterThan(eatAt(two) + 1);
  // Thirty-six pieces at half a minute, one after the other.
  const loads = one.tasks.filter((task) => ["load", "tester"].includes(task.kind));
  const first = Math.min(...loads.map((task) => task.start));
  expect(one.lastLoadEnd - first).toBeGreaterThanOrEqual(18);
  expect(faultsOf(one, input(1))).toEqual([]);
  expect(one.bound).toBeGreaterThan(two.bound);
  const waits = checkTimeline(one, input(1), 300).filter((finding) => finding.code === "waits-for-thing");
  expect(waits).toMatchObject([{ thing: "pen", count: 1 }]);
  expect(holdUp(one, input(1)).links.some((link) => link.because === "pour")).toBe(true);
});

test("a checker that knows nothing of the scheduler sees two pours with one pen", () => {
  const made = schedule(input(2));
  expect(faultsOf(made, input(2))).toEqual([]);
  expect(faultsOf(made, input(1)).some((fault) => fault.includes("pour with a pen"))).toBe(true);
});
