import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { classes } from "../../../test/generators";
import { faultsOf } from "../../../test/timeline-checker";
import { layout } from "./order";
import { plan } from "./plan";
import { loadMoved, movableLoads, wishCost } from "./wishes";

test("a load moved by hand is laid before the other on its surface, every rule of the room is kept, and its cost is told", () => {
  let moved = 0;
  fc.assert(
    fc.property(classes, fc.nat(), fc.nat(), (input, a, b) => {
      const made = plan(input);
      const loads = movableLoads(input, made);
      const pieces = (tasks: readonly { readonly pieces: number }[]) => tasks.reduce((sum, one) => sum + one.pieces, 0);
      expect(pieces(loads.flatMap((load) => load.parts))).toBe(
        pieces(made.timeline.tasks.filter((task) => task.kind === "load")),
      );
      const [from, before] = [a % (loads.length + 1), b % (loads.length + 1)];
      const order = loadMoved(input, from, before);
      if (from === before || !loads[from] || !loads[before]) {
        expect(order).toBeUndefined();
        return;
      }
      moved += 1;
      const wished = { ...input, order };
      const { scheduled, timeline } = layout(wished);
      expect(faultsOf(timeline, scheduled)).toEqual([]);
      const laid = order?.loads ?? [];
      expect(laid).toHaveLength(loads.length);
      const at = before > from ? before - 1 : before;
      expect(laid[at]?.parts).toEqual(loads[from]?.parts);
      expect(laid[at + 1]?.parts).toEqual(loads[before]?.parts);
      expect(laid[at]).toMatchObject({ surfaceId: laid[at + 1]?.surfaceId, number: laid[at + 1]?.number });
      expect(wishCost(wished, plan(wished))).toBeDefined();
    }),
    { numRuns: 40 },
  );
  expect(moved).toBeGreaterThan(10);
});
