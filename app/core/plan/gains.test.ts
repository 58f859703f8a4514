import fc from "fast-check";
import { toNumber } from "~/core/quantity";
import { classes } from "../../../test/generators";
import { demoClasses } from "~/demo/boathouse";
import { gainsBetween, withMorePeople } from "./gains";
import { plan } from "./plan";

test("nobody more, nothing gained", () => {
  fc.assert(
    fc.property(classes, (input) => {
      const made = plan(input);
      expect(gainsBetween(made, made).every((gain) => gain.kind === "same" && gain.lines.length === 0)).toBe(true);
    }),
    { numRuns: 40 },
  );
});

test("what a station had and what it gains is what it has, line by line", () => {
  fc.assert(
    fc.property(classes, fc.integer({ min: -4, max: 6 }), (input, more) => {
      const before = plan(input);
      const { plan: after, gains, input: next } = withMorePeople(input, before, more);
      expect(next.brief.people).toBe(Math.max(0, input.brief.people + more));
      expect(gains.reduce((sum, gain) => sum + gain.people, 0)).toBe(
        after.stations.reduce((sum, station) => sum + station.size, 0) -
          before.stations.reduce((sum, station) => sum + station.size, 0),
      );
      for (const gain of gains) {
        const [was, now] = [before, after].map((made) =>
          made.stations.find((station) => station.id === gain.stationId),
        );
        if (was && now && was.dishId !== now.dishId) continue;
        for (const line of now?.kit ?? []) {
          const had = was?.kit.find((one) => one.lineId === line.lineId)?.main?.amount.value;
          const gained = gain.lines.find((one) => one.lineId === line.lineId)?.by.value;
          if (!line.main) continue;
          expect((had ? toNumber(had) : 0) + (gained ? toNumber(gained) : 0)).toBeCloseTo(
            toNumber(line.main.amount.value),
            9,
          );
        }
      }
    }),
    { numRuns: 60 },
  );
});

test("a class grows to four hundred people and not beyond, and shrinks to none", () => {
  const { next } = demoClasses();
  const small = { ...next, people: [], brief: { ...next.brief, people: 399, stationSize: 40 } };
  const made = plan(small);
  expect(withMorePeople(small, made, 5).input.brief.people).toBe(400);
  expect(withMorePeople(small, made, -500).input.brief.people).toBe(0);
});
