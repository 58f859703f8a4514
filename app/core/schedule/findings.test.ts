import fc from "fast-check";
import { inputs } from "../../../test/rooms";
import { checkTimeline } from "./findings";
import { schedule } from "./schedule";

test("what a finding says of a changed class is what that class comes to, and empty hands are the longest stretch of them", () => {
  let [surfaces, idle] = [0, 0];
  fc.assert(
    fc.property(inputs, (input) => {
      const timeline = schedule(input);
      for (const finding of checkTimeline(timeline, input, 60)) {
        if (finding.code === "waits-for-surfaces") {
          const more = input.surfaces.map((one) =>
            one.name === finding.surfaceName ? { ...one, count: one.count + 1 } : one,
          );
          expect(schedule({ ...input, surfaces: more }).end).toBeLessThanOrEqual(finding.withOneMore + 1e-6);
          expect(finding.withOneMore + finding.gained).toBeCloseTo(timeline.end, 6);
          expect(finding.gained).toBeGreaterThan(0);
          surfaces += 1;
        }
        if (finding.code === "waits-for-thing") {
          const goesRound = (input.goesRound ?? []).map((one) =>
            one.thing === finding.thing ? { ...one, count: one.count + 1 } : one,
          );
          const waits = schedule({ ...input, goesRound }).tasks.filter((task) => task.waitsFor === finding.thing);
          const longest = Math.max(0, ...waits.map((task) => task.waited ?? task.end - task.start));
          expect(longest).toBeCloseTo(finding.withOneMore, 6);
        }
        if (finding.code === "stands-idle") idle += 1;
      }
      const from = Math.min(
        ...timeline.tasks.filter((task) => task.kind === "mix").map((task) => task.start),
        Infinity,
      );
      for (const { minutes, longest } of timeline.idle) {
        expect(longest).toBeLessThanOrEqual(minutes + 1e-9);
        if (minutes > 1e-6) expect(longest).toBeGreaterThan(0);
        if (Number.isFinite(from)) expect(longest).toBeLessThanOrEqual(timeline.end);
      }
    }),
    { numRuns: 120 },
  );
  expect(surfaces).toBeGreaterThan(5);
  expect(idle).toBeGreaterThan(5);
});
