import { inMinutes } from "~/core/quantity";
import fc from "fast-check";
import { CalendarDate } from "@internationalized/date";
import { demoClasses } from "~/demo/boathouse";
import { lateBatters } from "~/core/schedule";
import { classes } from "../../../test/generators";
import { withOrder } from "./order";
import { plan } from "./plan";
import { wayId, waysOut, waysOutSearched } from "./ways-out";

const { next } = demoClasses(new CalendarDate(2026, 11, 24));

test("ways out are there exactly where something is wrong, and every figure is of the class planned that way", () => {
  fc.assert(
    fc.property(classes, fc.integer({ min: 15, max: 120 }).map(inMinutes), (random, minutes) => {
      const input = { ...random, brief: { ...random.brief, minutes } };
      const now = plan(input);
      const ways = waysOut(input, now);
      if (now.timeline.end <= minutes && lateBatters(now.timeline).length === 0) expect(ways).toEqual([]);
      // Those that gain over a minute are all told; of the others a few.
      const small = ways.filter((one) => one.gained < 1 && one.late >= lateBatters(now.timeline).length);
      expect(small.length).toBeLessThanOrEqual(3);
      for (const { way, becomes, gained, over, late } of ways) {
        if (!becomes) {
          expect(["one-more-surface", "one-more-thing"]).toContain(way.kind);
          continue;
        }
        const made = plan({ ...input, ...becomes });
        expect(now.timeline.end - made.timeline.end).toBeCloseTo(gained, 6);
        expect(Math.max(0, made.timeline.end - (becomes.brief ?? input.brief).minutes)).toBeCloseTo(over, 6);
        expect(lateBatters(made.timeline).length).toBe(late);
      }
    }),
    { numRuns: 6 },
  );
});

test("a class that does not fit by half an hour is told the cheapest change that suffices first", () => {
  const input = { ...next, brief: { ...next.brief, minutes: inMinutes(60) } };
  const ways = waysOut(input, plan(input));
  expect(ways.length).toBeGreaterThanOrEqual(3);
  const enough = ways.map((one) => one.over <= 0 && one.late === 0);
  expect(enough).toEqual([...enough].sort((a, b) => Number(b) - Number(a)));
  expect(enough[0]).toBe(true);
});

test("what a way out is said to gain with the best order is what the class planned with that order ends sooner, and no less than by rule", () => {
  fc.assert(
    fc.property(classes, fc.integer({ min: 15, max: 90 }).map(inMinutes), (random, minutes) => {
      const input = { ...random, order: undefined, brief: { ...random.brief, minutes } };
      const now = plan(input);
      const turns = waysOutSearched(input, { starts: 1, schedulesEach: 20 });
      let step = turns.next();
      while (step.done !== true) {
        expect(step.value.done).toBeLessThan(step.value.of);
        step = turns.next();
      }
      const quick = waysOut(input, now);
      for (const { way, becomes, order, gained, late } of step.value) {
        if (!becomes) continue;
        const made = plan({ ...input, ...becomes, order });
        expect(now.timeline.end - made.timeline.end).toBeCloseTo(gained, 6);
        expect(lateBatters(made.timeline).length).toBe(late);
        const byRule = quick.find((one) => wayId(one.way) === wayId(way));
        if (byRule && byRule.late === late) expect(gained).toBeGreaterThanOrEqual(byRule.gained - 1e-6);
      }
    }),
    { numRuns: 4 },
  );
});

test("an order that is found is never worse than the rules, and plans the same wherever it is laid", () => {
  fc.assert(
    fc.property(classes, (random) => {
      const { order: _order, ...input } = random;
      const found = withOrder(input, { starts: 1, schedulesEach: 60 });
      const [before, after] = [plan(input), plan(found)];
      // What nothing clears weighs more than any batter that stands too long, and that more than any minute.
      const rank = ({ timeline }: typeof before) => [
        timeline.uncleared.length,
        lateBatters(timeline).length,
        timeline.bells.find((bell) => bell.kind === "eat")?.at ?? timeline.end,
      ];
      const [was, is] = [rank(before), rank(after)];
      const differs = was.findIndex((one, at) => Math.abs(one - (is[at] ?? NaN)) > 1e-9);
      if (differs >= 0) expect(is[differs]).toBeLessThan(was[differs] ?? NaN);
      expect(plan({ ...found })).toEqual(after);
    }),
    { numRuns: 25 },
  );
});
