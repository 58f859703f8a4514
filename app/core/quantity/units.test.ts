import { type Grams, type Millilitres, type Minutes, gramsIn, millilitresIn, toNumber } from "./index";

const inMinutes = (value: Minutes): number => value;

test("a figure in one unit does not pass for another, a bare one does", () => {
  const grams: Grams = 3;
  const ml: Millilitres = 4;
  // @ts-expect-error Grams are no minutes.
  expect(inMinutes(grams)).toBe(3);
  // @ts-expect-error Millilitres are no minutes.
  expect(inMinutes(ml)).toBe(4);
  expect(inMinutes(5)).toBe(5);
});

test.each([
  ["us", 236.5882365, 3],
  ["metric", 250, 3],
  ["au", 250, 4],
] as const)("a cup in %s holds %d ml and a tablespoon %d teaspoons", (system, cup, spoons) => {
  expect(toNumber(millilitresIn("cup", system))).toBeCloseTo(cup, 9);
  expect(toNumber(millilitresIn("tbsp", system)) / toNumber(millilitresIn("tsp", system))).toBeCloseTo(spoons, 9);
});

test("a pound is sixteen ounces", () => {
  expect(toNumber(gramsIn("lb"))).toBeCloseTo(16 * toNumber(gramsIn("oz")), 9);
});

test("a quart is two pints of its own country, a gallon's quarter", () => {
  const ml = (unit: "us-quart" | "us-pint" | "uk-pint" | "cup") => toNumber(millilitresIn(unit, "us"));
  expect(ml("us-quart")).toBeCloseTo(2 * ml("us-pint"), 6);
  expect(ml("us-quart")).toBeCloseTo(946.353, 2);
  expect(ml("us-quart")).toBeCloseTo(4 * ml("cup"), 2);
});
