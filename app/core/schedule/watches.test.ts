import fc from "fast-check";
import { inputs } from "../../../test/rooms";
import { schedule } from "./schedule";
import type { Task } from "./types";
import { watches } from "./watches";

const isAtHeat = (task: Task) => task.kind === "load" || task.kind === "tester";

test("every load, tester, wash and heating up is on one adult's card, and nobody has more places at once than they may", () => {
  fc.assert(
    fc.property(inputs, fc.integer({ min: 1, max: 4 }), fc.integer({ min: 1, max: 3 }), (input, adults, places) => {
      const timeline = schedule({ ...input, hotPlaces: adults * places });
      const cards = watches(timeline, adults, places);
      expect(cards).toHaveLength(adults);
      const used = new Set(timeline.tasks.filter(isAtHeat).map((task) => task.surfaceId));
      const mine = timeline.tasks.filter(
        (task) =>
          isAtHeat(task) ||
          task.kind === "wash" ||
          (task.kind === "preheat" && task.surfaceId !== null && used.has(task.surfaceId)),
      );
      const onCards = cards.flatMap((card) => card.tasks.map((task) => task.id));
      expect([...onCards].sort()).toEqual(mine.map((task) => task.id).sort());
      for (const card of cards) {
        const heat = card.tasks.filter(isAtHeat);
        for (const { start } of heat) {
          const at = heat.filter((task) => task.start <= start + 1e-6 && task.end > start + 1e-6);
          expect(new Set(at.map((task) => task.surfaceId)).size).toBeLessThanOrEqual(places);
        }
        expect(new Set(card.unitIds)).toEqual(new Set(heat.map((task) => task.surfaceId)));
        expect(card.tasks.map((task) => task.start)).toEqual(
          [...card.tasks.map((task) => task.start)].sort((a, b) => a - b),
        );
      }
    }),
    { numRuns: 120 },
  );
});

test("who is at a griddle stays there while they can, and one adult has it all", () => {
  fc.assert(
    fc.property(inputs, (input) => {
      const timeline = schedule(input);
      const [only] = watches(timeline, 1, null);
      const heat = timeline.tasks.filter(isAtHeat);
      const span = Math.max(0, ...heat.map((task) => task.end)) - Math.min(...heat.map((task) => task.start), Infinity);
      if (heat.length > 0) expect(only?.minutes).toBeLessThanOrEqual(span + 1e-6);
      if (timeline.units.length === 1)
        expect(only?.minutes).toBeCloseTo(
          [...new Map(heat.map((task) => [task.start, task.end - task.start])).values()].reduce(
            (sum, one) => sum + one,
            0,
          ),
          6,
        );
      expect(only?.tasks.filter(isAtHeat)).toHaveLength(timeline.tasks.filter(isAtHeat).length);
      // With an adult for every unit in use nobody changes.
      const each = watches(timeline, Math.max(1, timeline.units.length), 1);
      for (const unit of timeline.units)
        expect(each.filter((card) => card.unitIds.includes(unit.id)).length).toBeLessThanOrEqual(1);
    }),
    { numRuns: 60 },
  );
  expect(() => watches({ tasks: [], units: [] }, 0, null)).toThrow(RangeError);
});
