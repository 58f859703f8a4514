import { inPieces, inMinutes } from "~/core/quantity";
import { starterRecipes } from "~/demo/recipes";
import { plainRoom, surface } from "../../../test/rooms";
import { betweenSeconds, stepSeconds } from "./durations";
import { schedule } from "./schedule";
import type { ScheduleInput } from "./types";
import { methodOf } from "~/core/recipe";

const [recipe] = starterRecipes;
if (!recipe) throw new Error("There is a starter book.");
const job = { stationId: "a", recipe, pieces: inPieces(6), measuredLines: 8, eggs: 0 };
const input = (more: Partial<ScheduleInput> = {}): ScheduleInput => ({
  ...plainRoom,
  stations: [job],
  surfaces: [surface("griddle", "electric-griddle", 3, 1)],
  ...more,
});

test("a dry mix that is ready spares half of the measuring, a measured kit all of it", () => {
  const mix = methodOf(recipe).mixing.find((step) => step.kind === "mix");
  if (!mix) throw new Error("it is mixed");
  const measured = (["pre-measured", "dry-mix", "station-measures"] as const).map(
    (kitMode) => stepSeconds(mix, job, input({ kitMode })).measuring,
  );
  expect(measured[0]).toBe(0);
  expect(measured[1]).toBe((measured[2] ?? NaN) / 2);
  // Eight lines at 35 seconds.
  expect(measured[2]).toBe(280);
});

test("a window broken by half a minute is broken: it is told, and no plan with it is called proved", () => {
  const poured = (max: number) => {
    const timeline = schedule(
      input({ stations: [{ ...job, pieces: inPieces(12), cookBy: { max: inMinutes(max), why: "window" } }] }),
    );
    const [batter] = timeline.batters;
    if (!batter) throw new Error("a batter");
    return { timeline, stood: batter.lastPour - batter.wetAt };
  };
  const { stood } = poured(1000);
  const inside = poured(stood + 0.01).timeline;
  const over = poured(stood - 0.5).timeline;
  expect(inside.isProved).toBe(true);
  expect(over.isProved).toBe(false);
});

test("after the load that is shown the surface is greased and hot again before the next pour", () => {
  const timeline = schedule(input({ demo: "mix-and-load", demoRecipe: recipe }));
  const shown = timeline.tasks.find((task) => task.kind === "demo-load");
  const next = timeline.tasks
    .filter((task) => task.kind === "load" && task.surfaceId === shown?.surfaceId)
    .sort((a, b) => a.start - b.start)[0];
  const between = betweenSeconds(recipe, plainRoom.pace) / 60;
  expect(between).toBeGreaterThan(0);
  expect((next?.start ?? 0) - (shown?.end ?? 0)).toBeGreaterThanOrEqual(between - 1e-9);
});
