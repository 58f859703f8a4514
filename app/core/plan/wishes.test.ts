import { inMinutes } from "~/core/quantity";
import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { CalendarDate } from "@internationalized/date";
import { lateBatters } from "~/core/schedule";
import { demoClasses } from "~/demo/boathouse";
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
      // Nobody moves one load among thousands by hand.
      fc.pre(loads.length <= 2000);
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
    { numRuns: 80 },
  );
  expect(moved).toBeGreaterThan(10);
});

test("a pinned bell never rings before its moment and is told where it rings later; every rule of the room is kept", () => {
  let kept = 0;
  let late = 0;
  fc.assert(
    fc.property(classes, (input) => {
      const { scheduled, timeline } = layout(input);
      expect(faultsOf(timeline, scheduled)).toEqual([]);
      const { findings } = plan(input);
      for (const pin of input.pins ?? []) {
        const rings = timeline.bells.find((bell) => bell.kind === pin.bell)?.at;
        if (rings === undefined) continue;
        expect(rings).toBeGreaterThanOrEqual(pin.at - 1e-9);
        const told = findings.find((one) => one.code === "pin-not-kept" && one.bell === pin.bell);
        if (rings - pin.at > 0.5) {
          expect(told).toMatchObject({ minutes: rings - pin.at });
          late += 1;
        } else {
          expect(told).toBeUndefined();
          kept += 1;
        }
      }
    }),
    { numRuns: 60 },
  );
  expect(kept).toBeGreaterThan(3);
  expect(late).toBeGreaterThan(3);
});

test("a meal that is pinned to its own moment changes nothing, later it waits, and mixing begins late enough to be fresh", () => {
  const { current } = demoClasses(new CalendarDate(2026, 11, 24));
  const { timeline } = plan(current);
  const bellAt = (of: typeof timeline, kind: "mix" | "pour" | "eat") =>
    of.bells.find((bell) => bell.kind === kind)?.at ?? NaN;
  const eat = Math.floor(bellAt(timeline, "eat"));
  expect(plan({ ...current, pins: [{ bell: "eat", at: inMinutes(eat) }] }).timeline).toEqual(timeline);
  const later = plan({ ...current, pins: [{ bell: "eat", at: inMinutes(eat + 20) }] }).timeline;
  expect([bellAt(later, "eat"), later.end - timeline.end]).toEqual([eat + 20, eat + 20 - bellAt(timeline, "eat")]);
  expect(later.lastLoadEnd).toBe(timeline.lastLoadEnd);
  const pour = Math.ceil(bellAt(timeline, "pour")) + 30;
  const poured = plan({ ...current, pins: [{ bell: "pour", at: inMinutes(pour) }] });
  expect(bellAt(poured.timeline, "pour")).toBe(pour);
  // Batter that would stand too long is mixed later instead: no more of them are late than before.
  expect(lateBatters(poured.timeline).length).toBeLessThanOrEqual(lateBatters(timeline).length);
});
