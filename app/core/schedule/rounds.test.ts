import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { type SharedThing, sharedThings } from "~/core/gear";
import { type Row, waits } from "./rounds";

const use = (from: number, holds: number, ...things: SharedThing[]) => ({ from, holds, things });
const row = (...uses: Row["uses"]): Row => ({ uses, isFirst: false });

test("two of three tables that want one grater at once wait, and what comes after waits along", () => {
  const rows = [row(use(0, 60, "grater"), use(60, 30)), row(use(0, 60, "grater")), row(use(10, 60, "grater"))];
  expect(waits(rows, new Map([["grater", 1]]))).toEqual([[0, 0], [60], [110]]);
  expect(waits(rows, new Map([["grater", 2]]))).toEqual([[0, 0], [0], [50]]);
  expect(waits(rows, new Map([["mixer", 1]]))).toEqual([[0, 0], [0], [0]]);
});

test("of those who ask at once the table kept apart has it first", () => {
  const rows = [row(use(0, 60, "mixer")), { ...row(use(0, 60, "mixer")), isFirst: true }];
  expect(waits(rows, new Map([["mixer", 1]]))).toEqual([[60], [0]]);
});

test("what is made beside begins behind the mixing it waits for", () => {
  const rows: Row[] = [
    row(use(0, 60, "scale"), use(60, 60)),
    row(use(0, 60, "scale"), use(60, 60)),
    { ...row(use(120, 90, "microwave")), after: { row: 0, use: 1 } },
    { ...row(use(120, 90, "microwave")), after: { row: 1, use: 1 } },
  ];
  const counts = new Map<SharedThing, number>([
    ["scale", 1],
    ["microwave", 1],
  ]);
  expect(waits(rows, counts)).toEqual([[0, 0], [60, 60], [0], [90]]);
});

test("never more of a thing in use than there is, nobody waits for nothing, and nobody is ever earlier than before", () => {
  const rows = fc.array(
    fc.record({
      uses: fc
        .array(
          fc.record({
            gap: fc.integer({ min: 0, max: 50 }),
            takes: fc.integer({ min: 0, max: 90 }),
            things: fc.uniqueArray(fc.constantFrom(...sharedThings.slice(0, 3)), { maxLength: 2 }),
          }),
          { maxLength: 5 },
        )
        .map((steps) => {
          let at = 0;
          return steps.map(({ gap, takes, things }) => {
            const from = at + gap;
            at = from + takes;
            return use(from, takes, ...things);
          });
        }),
      isFirst: fc.boolean(),
    }),
    { maxLength: 7 },
  );
  fc.assert(
    fc.property(rows, fc.integer({ min: 1, max: 3 }), (all, count) => {
      const counts = new Map(sharedThings.map((thing) => [thing, count]));
      const later = waits(all, counts);
      const placed = all.flatMap(({ uses }, index) =>
        uses.map((one, at) => ({ ...one, start: one.from + (later[index]?.[at] ?? 0) })),
      );
      for (const thing of sharedThings)
        for (const { start, holds, things } of placed)
          if (holds > 0 && things.includes(thing))
            expect(
              placed.filter((one) => one.things.includes(thing) && one.start <= start && start < one.start + one.holds)
                .length,
            ).toBeLessThanOrEqual(count);
      for (const own of later)
        for (let at = 1; at < own.length; at += 1) expect(own[at]).toBeGreaterThanOrEqual(own[at - 1] ?? 0);
      // With enough for everybody nobody waits.
      expect(
        waits(all, new Map(sharedThings.map((thing) => [thing, 7])))
          .flat()
          .every((by) => by === 0),
      ).toBe(true);
    }),
  );
});
