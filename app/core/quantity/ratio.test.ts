import fc from "fast-check";
import {
  add,
  ceil,
  commonMeasure,
  compare,
  divide,
  floor,
  isSame,
  isWhole,
  multiply,
  ratio,
  ratioFrom,
  ratioOf,
  readRatio,
  subtract,
  toNumber,
  writeRatio,
} from "./ratio";

const ratios = fc.tuple(fc.bigInt(-5000n, 5000n), fc.bigInt(1n, 5000n)).map(([num, den]) => ratio(num, den));

test("three times a third of a cup is one cup, not nearly one", () => {
  expect(isSame(multiply(ratio(1n, 3n), ratio(3n)), ratio(1n))).toBe(true);
});

test.each([
  ["3", 3],
  ["3/4", 0.75],
  ["1 1/2", 1.5],
  ["1½", 1.5],
  ["½", 0.5],
  ["2.5", 2.5],
  ["2,5", 2.5],
  [" 7 ", 7],
  ["-1/4", -0.25],
  ["1⁄8", 0.125],
])("reads %s", (text, value) => {
  expect(toNumber(ratioFrom(text))).toBe(value);
});

test.each(["", "a few", "1/0", "1,120", "1e3", "1/2/3", "--2", "½½½ cups", "٣"])("does not guess at “%s”", (text) => {
  expect(readRatio(text)).toBeUndefined();
});

test("what cannot be read says what is wanted", () => {
  expect(() => ratioFrom("some")).toThrow(/expected a number such as .* got "some"/);
  expect(() => ratio(1n, 0n)).toThrow(RangeError);
  expect(() => ratioOf(Number.NaN)).toThrow(RangeError);
});

test("writing and reading gives the same fraction", () => {
  fc.assert(fc.property(ratios, (a) => expect(isSame(ratioFrom(writeRatio(a)), a)).toBe(true)));
});

test("adding and taking away, multiplying and dividing undo one another exactly", () => {
  fc.assert(
    fc.property(ratios, ratios, (a, b) => {
      expect(isSame(subtract(add(a, b), b), a)).toBe(true);
      if (b.num !== 0n) expect(isSame(divide(multiply(a, b), b), a)).toBe(true);
    }),
  );
});

test("floor and ceil enclose, and agree on whole numbers only", () => {
  fc.assert(
    fc.property(ratios, (a) => {
      expect(compare(ratio(floor(a)), a)).toBeLessThanOrEqual(0);
      expect(compare(ratio(ceil(a)), a)).toBeGreaterThanOrEqual(0);
      expect(ceil(a) - floor(a)).toBe(isWhole(a) ? 0n : 1n);
    }),
  );
});

test("a common measure goes a whole number of times into both", () => {
  const positive = ratios.filter((a) => a.num > 0n);
  fc.assert(
    fc.property(positive, positive, (a, b) => {
      const measure = commonMeasure(a, b);
      expect([divide(a, measure), divide(b, measure)].every(isWhole)).toBe(true);
    }),
  );
});
