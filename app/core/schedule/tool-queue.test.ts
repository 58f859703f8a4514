import { inSeconds } from "~/core/quantity";
import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { type SharedThing, sharedThings } from "~/core/gear";
import { type Row, waits } from "./tool-queue";

const use = (from: number, holds: number, ...things: SharedThing[]) => ({
  from: inSeconds(from),
  holds: inSeconds(holds),
  things,
});
const later = (rows: readonly Row[], counts: ReadonlyMap<SharedThing, number>) => waits(rows, counts).later;
const row = (...uses: Row["uses"]): Row => ({ uses, isFirst: false });

test("two of three tables that want one grater at once wait, and what comes after waits along", () => {
  const rows = [row(use(0, 60, "grater"), use(60, 30)), row(use(0, 60, "grater")), row(use(10, 60, "grater"))];
  expect(later(rows, new Map([["grater", 1]]))).toEqual([[0, 0], [60], [110]]);
  expect(later(rows, new Map([["grater", 2]]))).toEqual([[0, 0], [0], [50]]);
  expect(later(rows, new Map([["mixer", 1]]))).toEqual([[0, 0], [0], [0]]);
});

test("of those who ask at once the table kept apart has it first", () => {
  const rows = [row(use(0, 60, "mixer")), { ...row(use(0, 60, "mixer")), isFirst: true }];
  expect(later(rows, new Map([["mixer", 1]]))).toEqual([[60], [0]]);
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
  expect(later(rows, counts)).toEqual([[0, 0], [60, 60], [0], [90]]);
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
      const by = later(all, counts);
      const placed = all.flatMap(({ uses }, index) =>
        uses.map((one, at) => ({ ...one, start: one.from + (by[index]?.[at] ?? 0) })),
      );
      for (const thing of sharedThings)
        for (const { start, holds, things } of placed)
          if (holds > 0 && things.includes(thing))
            expect(
              placed.filter((one) => one.things.includes(thing) && one.start <= start && start < one.start + one.holds)
                .length,
            ).toBeLessThanOrEqual(count);
      for (const own of by)
        for (let at = 1; at < own.length; at += 1) expect(own[at]).toBeGreaterThanOrEqual(own[at - 1] ?? 0);
      // With enough for everybody nobody waits.
      expect(
        later(all, new Map(sharedThings.map((thing) => [thing, 7])))
          .flat()
          .every((by) => by === 0),
      ).toBe(true);
    }),
  );
});

/** A step of a table that keeps step with others. */
const step = (number: number, from: number, to: number, ...things: SharedThing[]) => ({
  ...use(from, to - from, ...things),
  to: inSeconds(to),
  step: number,
});
const inStep = (...uses: Row["uses"]): Row => ({ ...row(...uses), together: "room" });

test("who steps along goes on when the last of the room is there, also behind what goes round", () => {
  const quick = inStep(step(0, 0, 60), step(1, 60, 120), step(2, 120, 150));
  const slow = inStep(step(0, 0, 90), step(1, 90, 120), step(2, 120, 150));
  const { later: by, forRoom } = waits([quick, slow], new Map());
  expect(by).toEqual([
    [0, 30, 30],
    [0, 0, 30],
  ]);
  expect(forRoom).toEqual([
    [0, 30, 0],
    [0, 0, 30],
  ]);
  // One mixer for the second step: the first to have it waits for the other before the third.
  const [a, b] = [
    inStep(step(0, 0, 60), step(1, 60, 120, "mixer"), step(2, 120, 150)),
    inStep(step(0, 0, 60), step(1, 60, 120, "mixer"), step(2, 120, 150)),
  ];
  expect(waits([a, b], new Map([["mixer", 1]]))).toEqual({
    later: [
      [0, 0, 60],
      [0, 60, 60],
    ],
    forRoom: [
      [0, 0, 60],
      [0, 0, 0],
    ],
  });
  // A table of another recipe goes on alone, and one that leaves a step out does not hold anybody up.
  const other: Row = { ...quick, together: "another" };
  expect(later([other, slow, inStep(step(0, 0, 60), step(2, 60, 90))], new Map())).toEqual([
    [0, 0, 0],
    [0, 0, 0],
    [0, 60],
  ]);
});
