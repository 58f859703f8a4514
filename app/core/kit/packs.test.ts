import fc from "fast-check";
import { type SoldAs, cheapest } from "./packs";

const size = (holds: number, price?: number): SoldAs => ({ id: `${holds}`, holds, price });

test("14 sachets of 25 g in boxes of ten are two boxes", () => {
  expect(cheapest(336, [size(250, 300)])).toEqual({
    take: [{ id: "250", count: 2 }],
    holds: 500,
    price: 600,
    chosenBy: "price",
  });
});

test("the larger pack where it is cheaper, the smaller where the larger is not worth it", () => {
  expect(cheapest(400, [size(500, 200), size(250, 120)])?.take).toEqual([{ id: "500", count: 1 }]);
  expect(cheapest(700, [size(500, 200), size(250, 90)])?.take).toEqual([{ id: "250", count: 3 }]);
});

test("of equally cheap ways the one with least left over, then with the fewest packs", () => {
  expect(cheapest(600, [size(1000, 200), size(700, 200)])?.take).toEqual([{ id: "700", count: 1 }]);
  expect(cheapest(1000, [size(500, 100), size(1000, 200)])?.take).toEqual([{ id: "1000", count: 1 }]);
});

test("without every price the least is left over, and no price is made up", () => {
  const basket = cheapest(600, [size(500, 100), size(350)]);
  expect(basket).toMatchObject({ holds: 700, price: undefined, chosenBy: "least-over" });
  expect(cheapest(500, [size(500, 100), size(350)])?.price).toBe(100);
});

test("nothing needed takes nothing, nothing sold gives no answer, and a pack must hold something", () => {
  expect(cheapest(0, [size(500, 100)])).toMatchObject({ take: [], price: 0 });
  expect(cheapest(100, [])).toBeUndefined();
  expect(() => cheapest(100, [size(0, 5)])).toThrow(RangeError);
  expect(() => cheapest(100, [size(5, -1)])).toThrow(RangeError);
});

test("a sum that misses by a rounding error needs no further pack", () => {
  expect(cheapest(0.1 + 0.2, [size(0.3, 10)])?.take).toEqual([{ id: "0.3", count: 1 }]);
});

/** Every number of every size, up to what alone would do. */
function everyBasket(need: number, sizes: readonly SoldAs[]): { price: number; holds: number; packs: number } {
  let best: { price: number; holds: number; packs: number } | undefined;
  const walk = (at: number, holds: number, price: number, packs: number): void => {
    if (holds >= need) {
      const isBetter =
        !best ||
        price < best.price ||
        (price === best.price && (holds < best.holds || (holds === best.holds && packs < best.packs)));
      if (isBetter) best = { price, holds, packs };
      return;
    }
    const one = sizes[at];
    if (!one) return;
    for (let n = 0; n <= Math.ceil(need / one.holds); n += 1)
      walk(at + 1, holds + n * one.holds, price + n * (one.price ?? 0), packs + n);
  };
  walk(0, 0, 0, 0);
  return best ?? { price: 0, holds: 0, packs: 0 };
}

test("as cheap, as little over and as few as trying every combination", () => {
  const sizes = fc.uniqueArray(
    fc.record({ holds: fc.integer({ min: 3, max: 60 }), price: fc.integer({ min: 0, max: 9 }) }),
    {
      selector: (one) => one.holds,
      minLength: 1,
      maxLength: 4,
    },
  );
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 150 }), sizes, (need, rows) => {
      const sold = rows.map((row) => size(row.holds, row.price));
      const basket = cheapest(need, sold);
      const packs = basket?.take.reduce((sum, one) => sum + one.count, 0);
      expect({ price: basket?.price, holds: basket?.holds, packs }).toEqual(everyBasket(need, sold));
    }),
    { numRuns: 400 },
  );
});
