import { type Grams, type Millilitres, type Minutes, type Seconds } from "./index";
import { inGrams, inMillilitres, inMinutes, inSeconds, plus, sumKnown, sumOf, toMinutes, toSeconds } from "./index";

const waited = (value: Minutes): number => value;

test("neither a bare number nor another unit passes for a figure in one unit", () => {
  const grams = inGrams(3);
  const ml = inMillilitres(4);
  // @ts-expect-error Grams are no minutes.
  expect(waited(grams)).toBe(3);
  // @ts-expect-error Millilitres are no minutes.
  expect(waited(ml)).toBe(4);
  // @ts-expect-error Seconds are no minutes.
  expect(waited(inSeconds(60))).toBe(60);
  // @ts-expect-error A bare number has no unit.
  expect(waited(5)).toBe(5);
  // @ts-expect-error The language's own sum is a bare number.
  const sum: Grams = grams + grams;
  // @ts-expect-error Nor does a sum of two units compile.
  const mixed = plus(grams, ml);
  // @ts-expect-error Minutes come out of seconds, not seconds.
  const seconds: Seconds = toMinutes(inSeconds(90));
  // @ts-expect-error Millilitres are no grams.
  const volume: Millilitres = sumOf([grams, grams]);
  expect([sum, mixed, seconds, volume]).toEqual([6, 7, 1.5, 6]);
  expect(waited(inMinutes(5))).toBe(5);
});

test("minutes are whole seconds, and a sum with an unknown part is unknown", () => {
  expect(toSeconds(inMinutes(0.4))).toBe(24);
  expect(sumKnown([inGrams(1), inGrams(2)])).toBe(3);
  expect(sumKnown([inGrams(1), undefined])).toBeUndefined();
  expect(sumOf([])).toBe(0);
});
