import { gramsIn, millilitresIn, toNumber } from "./index";

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
