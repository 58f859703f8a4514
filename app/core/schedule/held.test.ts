import { readFileSync } from "node:fs";
import fc from "fast-check";
import { plan } from "~/core/plan";
import { readClassFile } from "~/formats/class-file";
import { type Held, isThere, soonestThere } from "./held";

const held = fc
  .record({
    thing: fc.constantFrom("mixer" as const, "scale" as const),
    from: fc.integer({ min: 0, max: 30 }),
    takes: fc.integer({ min: 1, max: 9 }),
  })
  .map(({ thing, from, takes }): Held => ({ thing, from, to: from + takes }));
const later = (rows: readonly Held[], by: number) =>
  rows.map((one) => ({ ...one, from: one.from + by, to: one.to + by }));

test("what is wanted begins as soon as all of it is there, and not a second sooner", () => {
  fc.assert(
    fc.property(
      fc.array(held, { minLength: 1, maxLength: 3 }),
      fc.array(held, { maxLength: 8 }),
      fc.integer({ min: 1, max: 2 }),
      fc.integer({ min: 0, max: 20 }),
      (own, others, count, from) => {
        const counts = new Map([
          ["mixer" as const, count],
          ["scale" as const, 1],
        ]);
        const begin = soonestThere(own, others, counts, from);
        expect(begin).toBeGreaterThanOrEqual(from);
        expect(isThere(later(own, begin), others, counts)).toBe(true);
        for (let sooner = from; sooner < begin; sooner += 1)
          expect(isThere(later(own, sooner), others, counts)).toBe(false);
      },
    ),
    { numRuns: 300 },
  );
});

test("two tables that mix in halves with one mixer have it one after the other, the second time too", () => {
  const read = readClassFile(readFileSync("test/cases/c15-one-mixer.json", "utf8"));
  if (!read.ok) throw new Error(read.problems.join("\n"));
  const halved = plan({
    ...read.input,
    dishes: read.input.dishes.map((dish) => ({ ...dish, mixing: "halves" as const })),
  });
  const withMixer = new Set(
    halved.dishes.flatMap((dish) =>
      dish.recipe.steps.filter((step) => step.tools.includes("mixer")).map((step) => step.id),
    ),
  );
  const uses = halved.timeline.tasks.filter((task) => task.kind === "mix" && withMixer.has(task.stepId ?? ""));
  expect(uses.filter((task) => task.mix === 2).length).toBeGreaterThan(1);
  const inOrder = [...uses].sort((a, b) => a.start - b.start);
  inOrder.forEach((task, at) => {
    const next = inOrder[at + 1];
    if (next) expect(next.start).toBeGreaterThanOrEqual(task.end - 1e-9);
  });
});
