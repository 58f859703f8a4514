import { inPieces } from "~/core/quantity";
import fc from "fast-check";
import { classes } from "../../../test/generators";
import { withOrder } from "./order";
import { plan } from "./plan";

test("a table makes what its people eat and the testers it throws away, no more for testers that others throw", () => {
  let thrown = 0;
  fc.assert(
    fc.property(classes, fc.boolean(), fc.constantFrom(1, 2), (random, isSearched, testersPerSurface) => {
      const { order: _order, ...plain } = random;
      const input = { ...plain, brief: { ...plain.brief, testersPerSurface } };
      const made = plan(isSearched ? withOrder(input, { starts: 1, schedulesEach: 40 }) : input);
      const without = plan({ ...input, brief: { ...input.brief, testersPerSurface: 0 } });
      for (const station of made.stations) {
        if (made.timeline.unplaced.includes(station.id)) continue;
        const eaten = without.stations.find((one) => one.id === station.id)?.scale.piecesWanted ?? inPieces(0);
        expect(station.scale.piecesWanted).toBe(eaten + station.testers);
        thrown += station.testers;
      }
      // A surface is tried for somebody who then uses it.
      for (const unit of made.timeline.units) {
        const own = made.timeline.tasks.filter((task) => task.surfaceId === unit.id);
        if (own.some((task) => task.kind === "tester") && isSearched)
          expect(own.some((task) => task.kind === "load")).toBe(true);
      }
    }),
    { numRuns: 25 },
  );
  expect(thrown).toBeGreaterThan(20);
});
