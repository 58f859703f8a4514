import { inSeconds, inCelsius, inPieces } from "~/core/quantity";
import { readFileSync } from "node:fs";
import fc from "fast-check";
import { plan } from "~/core/plan";
import type { Recipe } from "~/core/recipe";
import { starterRecipes } from "~/demo/recipes";
import { readClassFile } from "~/formats/class-file";
import { plainRoom, surface } from "../../../test/rooms";
import { faultsOf } from "../../../test/timeline-checker";
import { type ToolUse, isThere, soonestThere } from "./tool-uses";
import { schedule } from "./schedule";
import type { ScheduleInput, Timeline } from "./types";

const held = fc
  .record({
    thing: fc.constantFrom("mixer" as const, "scale" as const),
    from: fc.integer({ min: 0, max: 30 }),
    takes: fc.integer({ min: 1, max: 9 }),
  })
  .map(({ thing, from, takes }): ToolUse => ({ thing, from: inSeconds(from), to: inSeconds(from + takes) }));
const later = (rows: readonly ToolUse[], by: number) =>
  rows.map((one) => ({ ...one, from: inSeconds(one.from + by), to: inSeconds(one.to + by) }));

test("what is wanted begins as soon as all of it is there, and not a second sooner", () => {
  fc.assert(
    fc.property(
      fc.array(held, { minLength: 1, maxLength: 3 }),
      fc.array(held, { maxLength: 8 }),
      fc.integer({ min: 1, max: 2 }),
      fc.integer({ min: 0, max: 20 }),
      (own, others, count, from) => {
        const counts = new Map([
          ["mixer" as const, count],
          ["scale" as const, 1],
        ]);
        const begin = soonestThere(own, others, counts, inSeconds(from));
        expect(begin).toBeGreaterThanOrEqual(from);
        expect(isThere(later(own, begin), others, counts)).toBe(true);
        for (let sooner = from; sooner < begin; sooner += 1)
          expect(isThere(later(own, sooner), others, counts)).toBe(false);
      },
    ),
    { numRuns: 300 },
  );
});

test("two tables that mix in halves with one mixer have it one after the other, the second time too", () => {
  const read = readClassFile(readFileSync("test/cases/c15-one-mixer.json", "utf8"));
  if (!read.ok) throw new Error(read.problems.join("\n"));
  const halved = plan({
    ...read.input,
    dishes: read.input.dishes.map((dish) => ({ ...dish, mixing: "halves" as const })),
  });
  const withMixer = new Set(
    halved.dishes.flatMap((dish) =>
      dish.recipe.steps.filter((step) => step.tools.includes("mixer")).map((step) => step.id),
    ),
  );
  const uses = halved.timeline.tasks.filter((task) => task.kind === "mix" && withMixer.has(task.stepId ?? ""));
  expect(uses.filter((task) => task.mix === 2).length).toBeGreaterThan(1);
  const inOrder = [...uses].sort((a, b) => a.start - b.start);
  inOrder.forEach((task, at) => {
    const next = inOrder[at + 1];
    if (next) expect(next.start).toBeGreaterThanOrEqual(task.end - 1e-9);
  });
});

test("what is done after the last piece waits for the one microwave, whoever is out first has it first, and the meal waits along", () => {
  const [batter] = starterRecipes;
  const warmed = batter?.steps.find((step) => step.kind === "cook");
  if (!batter || !warmed) throw new Error("There is a starter book.");
  const recipe: Recipe = {
    ...batter,
    steps: [
      ...batter.steps.slice(0, batter.steps.indexOf(warmed) + 1),
      {
        ...warmed,
        id: "warm",
        kind: "reheat",
        text: "Warm the sauce.",
        draws: [],
        minutes: { low: 3, likely: 4, high: 5 },
        tools: [],
        warmth: { place: "microwave", c: inCelsius(75) },
      },
    ],
  };
  const input = (microwaves: number): ScheduleInput => ({
    stations: ["a", "b", "c"].map((stationId) => ({
      stationId,
      recipe,
      pieces: inPieces(4),
      measuredLines: 0,
      eggs: 0,
    })),
    surfaces: [surface("griddle", "electric-griddle", 4, 3)],
    ...plainRoom,
    goesRound: [{ thing: "microwave", count: microwaves }],
  });
  const [one, three] = [schedule(input(1)), schedule(input(3))];
  const afters = one.tasks.filter((task) => task.kind === "after").sort((a, b) => a.start - b.start);
  expect(afters.map((task) => task.end - task.start)).toEqual([4, 4, 4]);
  expect(afters[1]?.start).toBeCloseTo(afters[0]?.end ?? NaN, 6);
  expect(afters[2]?.start).toBeCloseTo(afters[1]?.end ?? NaN, 6);
  const waits = one.tasks.filter((task) => task.kind === "wait" && task.waitsFor === "microwave");
  expect(waits.map((task) => task.end - task.start)).toEqual([4, 8]);
  const eatAt = (timeline: Timeline) => timeline.bells.find((bell) => bell.kind === "eat")?.at ?? NaN;
  expect(eatAt(one)).toBeCloseTo(eatAt(three) + 8, 6);
  expect(three.tasks.some((task) => task.waitsFor !== undefined)).toBe(false);
  // A checker that does not know the scheduler sees three tables at one microwave.
  expect(faultsOf(one, input(1))).toEqual([]);
  expect(faultsOf(three, input(1)).some((fault) => fault.includes("microwave"))).toBe(true);
});
