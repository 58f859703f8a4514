import fc from "fast-check";
import { type JointLine, jointScoops } from "./joint";
import { multiply, ratio } from "./ratio";
import { type Scooped, measuringSetOf, measuringSets, scoopChoices, toScoops } from "./scoops";
import { millilitresIn } from "./units";

const count = (one: Scooped) => one.counts.reduce((sum, each) => sum + each.count, 0);
const off = (row: readonly Scooped[], base: number) =>
  row.reduce((sum, one) => sum + ((1 + one.error) / (1 + (row[base]?.error ?? 0)) - 1) ** 2, 0);

/** Every combination of every line's choices. */
function* combinations(choices: readonly (readonly Scooped[])[]): Generator<Scooped[]> {
  const [first, ...rest] = choices;
  if (!first) yield [];
  else for (const one of first) for (const others of combinations(rest)) yield [one, ...others];
}

const lines = fc.array(
  fc.record({ eighthTsp: fc.integer({ min: 4, max: 500 }), tolerance: fc.constantFrom(0.02, 0.05, 0.08) }),
  { minLength: 2, maxLength: 4 },
);

test("no combination of choices keeps the ratios to the flour closer (against every combination)", () => {
  let compared = 0;
  fc.assert(
    fc.property(lines, fc.constantFrom(...measuringSets), (rows, set) => {
      const asked: JointLine[] = rows.map(({ eighthTsp, tolerance }, index) => ({
        millilitres: multiply(ratio(BigInt(eighthTsp), 8n), millilitresIn("tsp", set.system)),
        tolerance,
        isBase: index === 0,
      }));
      const choices = asked.map((line) => scoopChoices(line.millilitres, set, line.tolerance));
      if (choices.some((own) => own.length === 0)) return;
      compared += 1;
      const best = Math.min(...[...combinations(choices)].map((row) => off(row, 0)));
      expect(off(jointScoops(asked, set), 0)).toBeLessThanOrEqual(best + 1e-9);
    }),
    { numRuns: 300 },
  );
  expect(compared).toBeGreaterThan(60);
});

test("each line stays within its tolerance and takes no more scoops than it must, unless it is exact", () => {
  fc.assert(
    fc.property(lines, fc.constantFrom(...measuringSets), (rows, set) => {
      const asked = rows.map(({ eighthTsp, tolerance }, index) => ({
        millilitres: multiply(ratio(BigInt(eighthTsp), 8n), millilitresIn("tsp", set.system)),
        tolerance,
        isBase: index === 0,
      }));
      const found = jointScoops(asked, set);
      asked.forEach((line, index) => {
        const [own, alone] = [found[index], toScoops(line.millilitres, set, line.tolerance)];
        if (!own) throw new Error("every line has an answer");
        expect(own.isWithin).toBe(alone.isWithin);
        if (own.isWithin) expect(Math.abs(own.error)).toBeLessThanOrEqual(line.tolerance + 1e-9);
        const fewest = Math.min(...scoopChoices(line.millilitres, set, line.tolerance).map(count), count(alone));
        if (own.error !== 0) expect(count(own)).toBeLessThanOrEqual(Math.max(fewest, count(alone)));
      });
    }),
    { numRuns: 300 },
  );
});

test("a line the set cannot measure has no say in the others", () => {
  const set = measuringSetOf("us-usual");
  const tsp = millilitresIn("tsp", "us");
  const [flour, salt] = jointScoops(
    [
      { millilitres: multiply(ratio(90n), tsp), tolerance: 0.05, isBase: true },
      { millilitres: multiply(ratio(3n, 8n), tsp), tolerance: 0.02, isBase: false },
    ],
    set,
  );
  expect(flour?.error).toBe(0);
  expect(salt?.isWithin).toBe(false);
});
