import fc from "fast-check";
import { CalendarDate } from "@internationalized/date";
import { kindsByUnit, plan } from "~/core/plan";
import { demoClasses } from "~/demo/boathouse";
import { classes } from "../../../test/generators";
import type { ClassInput } from "~/core/plan";
import { talliesOf } from "./tally";
import { turnsOf } from "./turns";

function talliesIn(input: ClassInput) {
  const made = plan(input);
  const pantry = new Map(input.pantry.map((one) => [one.id, one]));
  const kinds = kindsByUnit(input, made);
  return made.stations.flatMap((station) => {
    const dish = made.dishes.find((one) => one.id === station.dishId);
    if (!dish) return [];
    const people = station.people.flatMap((id) => input.people.find((one) => one.id === id) ?? []);
    const recipe = dish.atTable ?? dish.recipe;
    const turns = turnsOf({ people, recipe, loads: station.loads, pantry, labels: new Map(), house: input.house });
    const tallies = talliesOf({
      stationId: station.id,
      people: people.map((one) => one.id),
      turns,
      recipe,
      timeline: made.timeline,
      kindOf: (id) => (id === null ? undefined : kinds.get(id)),
    });
    return [{ station, turns, tallies, timeline: made.timeline }];
  });
}

test("for any class everybody at a table is told once; nobody is busier, or waits longer, than there is time", () => {
  let waited = 0;
  fc.assert(
    fc.property(classes, (input) => {
      for (const { station, turns, tallies, timeline } of talliesIn(input)) {
        expect(tallies.map((one) => one.participantId)).toEqual(
          station.people.filter((id) => input.people.some((one) => one.id === id)),
        );
        const eat = timeline.bells.find((bell) => bell.kind === "eat")?.at ?? timeline.end;
        for (const { participantId, busy, wait, waitFrom, span, heat } of tallies) {
          expect(busy).toBeGreaterThanOrEqual(0);
          expect(busy + wait).toBeLessThanOrEqual(span + 1e-6);
          expect(waitFrom + wait).toBeLessThanOrEqual(eat + 1e-6);
          // No wait is longer than all there is, and where anybody stands idle some wait is told.
          expect(wait > 0).toBe(span - busy > 1e-9);
          const loads = timeline.tasks.filter((task) => task.kind === "load" && task.stationId === station.id);
          const asked = turns.filter(
            (turn) =>
              (turn.job === "pour" || turn.job === "turn") &&
              turn.hands.includes(participantId) &&
              loads.some((task) => task.loadNumber === turn.load),
          );
          expect(heat).toBe(asked.length);
          if (wait > 0) waited += 1;
        }
      }
    }),
    { numRuns: 60 },
  );
  expect(waited).toBeGreaterThan(20);
});

test("who is named nowhere has only what the whole table has, and waits at least as long as anybody there", () => {
  const { next } = demoClasses(new CalendarDate(2026, 11, 24));
  const [table] = talliesIn(next);
  if (!table) throw new Error("the demonstration has no table");
  const { turns, tallies, timeline, station } = table;
  const idle = talliesOf({
    stationId: station.id,
    people: [...tallies.map((one) => one.participantId), "nobody"],
    turns,
    recipe:
      next.dishes[0]?.recipe ??
      (() => {
        throw new Error("no dish");
      })(),
    timeline,
    kindOf: () => "electric-griddle",
  });
  const last = idle[idle.length - 1];
  expect(last).toMatchObject({ participantId: "nobody", heat: 0 });
  for (const one of idle.slice(0, -1)) {
    expect(last?.busy ?? NaN).toBeLessThanOrEqual(one.busy + 1e-9);
    expect(last?.wait ?? NaN).toBeGreaterThanOrEqual(one.wait - 1e-9);
  }
  // Watching the demonstration is something to do: nobody waits while it is shown.
  const shown = timeline.tasks.filter((task) => task.kind === "demo-mix" || task.kind === "demo-load");
  expect(last?.busy ?? 0).toBeGreaterThanOrEqual(shown.reduce((sum, task) => sum + task.end - task.start, 0) - 1e-9);
});
