import fc from "fast-check";
import { multiply, ratio, toNumber } from "./ratio";
import { toStep } from "./rounding";
import {
  type MeasuringSet,
  hasScoopsLeft,
  measuringSetOf,
  measuringSets,
  mostExactScoops,
  scoopName,
  scoopNames,
  toScoops,
  withoutScoops,
} from "./scoops";
import { millilitresIn } from "./units";

const cups = (num: bigint, den: bigint) => multiply(ratio(num, den), millilitresIn("cup", "us"));
const said = (set: string, ml: ReturnType<typeof cups>, tolerance: number) =>
  toScoops(ml, measuringSetOf(set), tolerance).counts.map(
    ({ count, size, unit }) => `${count} x ${toNumber(size)} ${unit}`,
  );

test("⅔ cup without the ⅓ cup is ½ cup + 2 tbsp + 2 tsp, exactly", () => {
  const scooped = toScoops(cups(2n, 3n), measuringSetOf("us-no-third"), 0.05);
  expect(said("us-no-third", cups(2n, 3n), 0.05)).toEqual(["1 x 0.5 cup", "2 x 1 tbsp", "2 x 1 tsp"]);
  expect(scooped.error).toBe(0);
});

test("3½ tsp is 1 tbsp + ½ tsp", () => {
  expect(said("us-usual", multiply(ratio(7n, 2n), millilitresIn("tsp", "us")), 0.02)).toEqual([
    "1 x 1 tbsp",
    "1 x 0.5 tsp",
  ]);
});

test("an Australian tablespoon is four teaspoons, the others three", () => {
  expect(toNumber(millilitresIn("tbsp", "au")) / toNumber(millilitresIn("tsp", "au"))).toBe(4);
  expect(toNumber(millilitresIn("tbsp", "metric")) / toNumber(millilitresIn("tsp", "metric"))).toBe(3);
});

/** Every filling of up to `most` scoops, by plain enumeration. */
function everyFilling(set: MeasuringSet, most: number): { scoops: number; ml: number }[] {
  const sizes = set.scoops.map((scoop) => toNumber(multiply(scoop.size, millilitresIn(scoop.unit, set.system))));
  let layer = [{ scoops: 0, ml: 0, from: 0 }];
  const all: { scoops: number; ml: number }[] = [];
  for (let n = 1; n <= most; n += 1) {
    layer = layer.flatMap((one) =>
      sizes.flatMap((size, index) => (index >= one.from ? [{ scoops: n, ml: one.ml + size, from: index }] : [])),
    );
    all.push(...layer);
  }
  return all;
}

describe("a set with something missing", () => {
  const usual = measuringSetOf("us-usual");

  test("has exactly the scoops that are left, and is the same set for the same names", () => {
    expect(withoutScoops(usual, ["1/3 cup"]).scoops).toEqual(measuringSetOf("us-no-third").scoops);
    expect(withoutScoops(usual, ["1/3 cup", "1/2 tsp"])).toBe(withoutScoops(usual, ["1/2 tsp", "1/3 cup"]));
    expect(withoutScoops(usual, [])).toBe(usual);
    expect(withoutScoops(usual, ["1/8 cup", "a ladle"])).toBe(usual);
  });

  test("of which nothing is left is none", () => {
    const all = usual.scoops.map(scoopName);
    expect(hasScoopsLeft(usual, all)).toBe(false);
    expect(hasScoopsLeft(usual, all.slice(1))).toBe(true);
    expect(() => withoutScoops(usual, all)).toThrow(RangeError);
  });

  test("every scoop of every set has its name on the list, once", () => {
    const named = new Set(measuringSets.flatMap((set) => set.scoops.map(scoopName)));
    expect([...scoopNames].sort()).toEqual([...named].sort());
  });

  test("never asks for what is missing, and of the rest for the fewest (against enumeration)", () => {
    const most = 4;
    fc.assert(
      fc.property(
        fc
          .constantFrom(...measuringSets)
          .chain((set) =>
            fc.tuple(fc.constant(set), fc.subarray(set.scoops.slice(1).map(scoopName), { minLength: 1 })),
          ),
        fc.integer({ min: 2, max: 200 }),
        ([set, missing], quarterTsp) => {
          const left = withoutScoops(set, missing);
          const target = multiply(ratio(BigInt(quarterTsp), 4n), millilitresIn("tsp", set.system));
          const found = toScoops(target, left, 0.05);
          for (const count of found.counts) expect(missing).not.toContain(scoopName(count));
          const near = everyFilling(left, most)
            .filter((one) => Math.abs(one.ml / toNumber(target) - 1) <= 0.05 + 1e-12)
            .map((one) => one.scoops);
          const used = found.counts.reduce((sum, { count }) => sum + count, 0);
          if (near.length > 0 && found.error !== 0) expect(used).toBe(Math.min(...near));
          if (near.length > 0) expect(found.isWithin).toBe(true);
        },
      ),
      { numRuns: 200 },
    );
  });
});

test("no smaller set of scoops is within tolerance, and an exact one is never passed over (against enumeration)", () => {
  const most = 5;
  const known = new Map(measuringSets.map((set) => [set.id, everyFilling(set, most)]));
  fc.assert(
    fc.property(
      fc.constantFrom(...measuringSets),
      fc.integer({ min: 2, max: 400 }),
      fc.constantFrom(0.02, 0.05),
      (set, quarterTsp, tolerance) => {
        const target = multiply(ratio(BigInt(quarterTsp), 4n), millilitresIn("tsp", set.system));
        const ml = toNumber(target);
        const found = toScoops(target, set, tolerance);
        const used = found.counts.reduce((sum, { count }) => sum + count, 0);
        const fillings = known.get(set.id) ?? [];
        const exact = fillings.filter((one) => Math.abs(one.ml - ml) < 1e-9).map((one) => one.scoops);
        const near = fillings.filter((one) => Math.abs(one.ml / ml - 1) <= tolerance + 1e-12).map((one) => one.scoops);
        expect(Math.abs(found.millilitres / ml - 1 - found.error)).toBeLessThan(1e-9);
        if (exact.length > 0) {
          expect(found.error).toBe(0);
          expect(used).toBe(Math.min(...exact));
        } else if (found.error !== 0 && found.isWithin) {
          if (near.length > 0) expect(used).toBe(Math.min(...near));
          else expect(used).toBeGreaterThan(most);
        } else if (found.error === 0) {
          // Exact with more scoops than were enumerated: then either few enough to be preferred, or nothing shorter comes near.
          if (used > mostExactScoops) expect(near).toEqual([]);
        } else {
          expect(near).toEqual([]);
        }
      },
    ),
    { numRuns: 400 },
  );
});

test("what the set cannot come near is marked, and is the closest there is", () => {
  const found = toScoops(multiply(ratio(3n, 8n), millilitresIn("tsp", "us")), measuringSetOf("us-usual"), 0.02);
  expect(found.isWithin).toBe(false);
  expect(Math.abs(found.error)).toBeCloseTo(1 / 3, 6);
});

test.each([0, -1, 20_001])("refuses %s ml", (ml) => {
  expect(() => toScoops(ratio(BigInt(ml)), measuringSetOf("us-usual"), 0.05)).toThrow(RangeError);
});

test.each([
  [12.3, 1, "up", 13],
  [12.5, 1, "nearest", 13],
  [12.49, 1, "nearest", 12],
  [0.3, 0.1, "down", 0.3],
  [7.26, 0.25, "up", 7.5],
] as const)("%d to steps of %d %s is %d", (exact, step, to, shown) => {
  const rounded = toStep(exact, step, to);
  expect(rounded.shown).toBe(shown);
  expect(rounded.shown - rounded.drift).toBeCloseTo(exact, 9);
});
