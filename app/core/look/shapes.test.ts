import fc from "fast-check";
import { pourFor } from "~/core/batter";
import { shapeIds } from "~/core/recipe";
import { drawing, shapeFigures, shapes, shapesOf } from "./shapes";

const anyShape = fc.constantFrom(...shapeIds);
const size = fc.double({ min: 4, max: 24, noNaN: true });

test("every shape lies on its piece, and lines come before what they are filled with", () => {
  for (const id of shapeIds) {
    const { strokes } = shapes[id];
    for (const { points } of strokes)
      for (const [x, y] of points) {
        expect([id, Math.hypot(x - 5, y - 5) <= 5.2]).toEqual([id, true]);
      }
    const firstFill = strokes.findIndex((stroke) => stroke.kind === "fill");
    expect(firstFill === -1 || strokes.slice(firstFill).every((stroke) => stroke.kind === "fill")).toBe(true);
    // What is filled has its line drawn around it.
    for (const one of strokes.filter((stroke) => stroke.kind === "fill"))
      expect([id, strokes.some((stroke) => stroke.isClosed === true && stroke.points === one.points)]).toEqual([
        id,
        true,
      ]);
  }
});
test("a ring takes what its line holds: length times width times thickness", () => {
  const { ml, minutes } = shapeFigures("ring", 10, 3);
  // A circle of 8 cm across is about 25.1 cm round; 8 mm wide and 3 mm thick that is 6 ml.
  expect(ml).toBeCloseTo(6.03, 0);
  expect(minutes).toBeCloseTo(25.1 / drawing.cmPerMinute, 1);
});

test("a shape takes no more than the round piece it lies on, grows with the square of its size and with its thickness", () => {
  fc.assert(
    fc.property(anyShape, size, fc.double({ min: 1, max: 8, noNaN: true }), (id, cm, thick) => {
      const one = shapeFigures(id, cm, thick);
      expect(one.ml).toBeGreaterThan(0);
      expect(one.ml).toBeLessThan(pourFor(cm * 1.1, thick));
      expect(shapeFigures(id, cm * 2, thick).ml).toBeCloseTo(one.ml * 4, 6);
      expect(shapeFigures(id, cm, thick * 2).ml).toBeCloseTo(one.ml * 2, 6);
      expect(one.isThin).toBe(one.neckMm < drawing.leastNeckMm);
      expect(one.minutes).toBeGreaterThan(0);
    }),
    { numRuns: 200 },
  );
});

test("only what is drawn has shapes: all, or those its author offers", () => {
  expect(shapesOf({ family: "pancake" })).toEqual([]);
  expect(shapesOf({ family: "drawn" })).toEqual(shapeIds);
  expect(shapesOf({ family: "drawn", shapes: ["star"] })).toEqual(["star"]);
});
