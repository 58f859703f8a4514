import { type SurfaceId, type UnitId, surfaceIdOf, unitIdOf } from "./index";

const unitNamed = (id: UnitId): string => id;
const surfaceNamed = (id: SurfaceId): string => id;

test("the id of a surface does not pass for the id of one of its units, nor does any text", () => {
  // @ts-expect-error The griddles are not the second griddle.
  expect(unitNamed(surfaceIdOf("griddle"))).toBe("griddle");
  // @ts-expect-error The second griddle is not the griddles.
  expect(surfaceNamed(unitIdOf("griddle-2"))).toBe("griddle-2");
  // @ts-expect-error A text identifies nothing.
  expect(unitNamed("griddle-2")).toBe("griddle-2");
  expect(unitNamed(unitIdOf("griddle-2"))).toBe("griddle-2");
});
