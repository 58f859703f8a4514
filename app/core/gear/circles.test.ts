import fc from "fast-check";
import { type SurfaceSize, isLayout, layoutOf, pieceGapCm, piecesOn, piecesSpread, withRim } from "./circles";

/**
 * Best known packings of 1 to 30 equal circles: for the round pan the pan's radius over the circle's, for the square the circle's
 * radius over the side. From the published tables of record packings, to five figures.
 */
const panOverCircle = [
  1, 2, 2.1547, 2.41421, 2.7013, 3, 3, 3.30476, 3.61313, 3.81303, 3.9238, 4.0296, 4.23607, 4.32843, 4.52136, 4.61543,
  4.79203, 4.8637, 4.8637, 5.12232, 5.25232, 5.43972, 5.5452, 5.65166, 5.75282, 5.82818, 5.9064, 6.01494, 6.1386,
  6.19774,
];
const circleOverSide = [
  0.5, 0.29289, 0.25433, 0.25, 0.20711, 0.18768, 0.17446, 0.17054, 0.16667, 0.1482, 0.1424, 0.13996, 0.13399, 0.12933,
  0.12717, 0.125, 0.1172, 0.11552, 0.11227, 0.11138, 0.10686, 0.10567, 0.1028, 0.10138, 0.1, 0.09636, 0.09542, 0.09367,
  0.09246, 0.09167,
];

const sizes: fc.Arbitrary<SurfaceSize> = fc.oneof(
  fc.record({ kind: fc.constant("round" as const), diameterCm: fc.integer({ min: 8, max: 48 }) }),
  fc.record({
    kind: fc.constant("rect" as const),
    widthCm: fc.integer({ min: 8, max: 70 }),
    depthCm: fc.integer({ min: 8, max: 50 }),
  }),
);

describe("pieces on a surface", () => {
  test("the tables are whole and fall as they must", () => {
    expect([panOverCircle.length, circleOverSide.length]).toEqual([30, 30]);
    expect(panOverCircle.every((one, i) => i === 0 || one >= (panOverCircle[i - 1] ?? 0))).toBe(true);
    expect(circleOverSide.every((one, i) => i === 0 || one <= (circleOverSide[i - 1] ?? 0))).toBe(true);
  });

  test.each(panOverCircle.map((ratio, index) => [index + 1, ratio] as const))(
    "a round pan that is known to hold %d holds that or one fewer",
    (count, ratio) => {
      const size = { kind: "round", diameterCm: 28 } as const;
      // Just inside what is known, and just outside: the figures are rounded.
      const roomy = layoutOf(size, (28 / ratio) * 0.9995);
      expect(isLayout(size, (28 / ratio) * 0.9995, roomy)).toBe(true);
      expect(roomy.length).toBeGreaterThanOrEqual(count - 1);
      // That it never finds more is in the layout itself, which was looked over; every third is tried all the same.
      if (count % 3 === 0) expect(layoutOf(size, (28 / ratio) * 1.0005).length).toBeLessThan(count);
    },
  );

  test.each(circleOverSide.map((ratio, index) => [index + 1, ratio] as const))(
    "a square griddle that is known to hold %d holds that or one fewer",
    (count, ratio) => {
      const size = { kind: "rect", widthCm: 40, depthCm: 40 } as const;
      const roomy = layoutOf(size, 80 * ratio * 0.999);
      expect(isLayout(size, 80 * ratio * 0.999, roomy)).toBe(true);
      expect(roomy.length).toBeGreaterThanOrEqual(count - 1);
      if (count % 3 === 0) expect(layoutOf(size, 80 * ratio * 1.001).length).toBeLessThan(count);
    },
  );

  test.each([
    [{ kind: "rect", widthCm: 60, depthCm: 30 }, 9, 18],
    [{ kind: "rect", widthCm: 30, depthCm: 60 }, 9, 18],
    [{ kind: "round", diameterCm: 28 }, 10.5, 4],
    [{ kind: "round", diameterCm: 20 }, 19, 1],
    [{ kind: "round", diameterCm: 20 }, 20, 1],
    [{ kind: "round", diameterCm: 20 }, 20.5, 0],
    [{ kind: "rect", widthCm: 9, depthCm: 50 }, 9, 5],
    [{ kind: "rect", widthCm: 8.5, depthCm: 50 }, 9, 0],
  ] as const)("%j takes pieces of %d cm: %d", (size, diameter, count) => {
    expect(piecesOn(size, diameter)).toBe(count);
  });

  test("any layout stands up to being looked over, and turning the griddle changes nothing", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 5, max: 60 }),
        fc.integer({ min: 5, max: 60 }),
        fc.integer({ min: 7, max: 30 }),
        (widthCm, depthCm, diameter) => {
          const size = { kind: "rect", widthCm, depthCm } as const;
          const layout = layoutOf(size, diameter);
          expect(isLayout(size, diameter, layout)).toBe(true);
          expect(layoutOf({ kind: "rect", widthCm: depthCm, depthCm: widthCm }, diameter).length).toBe(layout.length);
          const pan = { kind: "round", diameterCm: widthCm } as const;
          expect(isLayout(pan, diameter, layoutOf(pan, diameter))).toBe(true);
        },
      ),
      { numRuns: 10 },
    );
  });

  test("few pieces are spread over the surface: as many as fit, none over the rim or too near another, one in the middle", () => {
    fc.assert(
      fc.property(
        sizes,
        fc.double({ min: 4, max: 24, noNaN: true }),
        fc.integer({ min: 1, max: 14 }),
        (size, cm, count) => {
          const spread = piecesSpread(size, cm, count);
          expect(spread).toHaveLength(Math.min(count, piecesOn(size, cm)));
          expect(isLayout(withRim(size), cm + pieceGapCm, spread)).toBe(true);
          const [only] = spread;
          if (only && count === 1) expect(Math.hypot(only.x, only.y)).toBeCloseTo(0, 9);
        },
      ),
      { numRuns: 60 },
    );
    // Four on a long griddle that holds twelve stand as far apart as two rows of two allow.
    const [first, second] = piecesSpread({ kind: "rect", widthCm: 50, depthCm: 30 }, 10, 4);
    expect(Math.hypot((first?.x ?? 0) - (second?.x ?? 0), (first?.y ?? 0) - (second?.y ?? 0))).toBeGreaterThan(20);
  });

  test("a piece without width is refused", () => {
    expect(() => layoutOf({ kind: "round", diameterCm: 28 }, 0)).toThrow(RangeError);
  });
});
