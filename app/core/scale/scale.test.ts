import fc from "fast-check";
import { batterOf } from "~/core/batter";
import { starterPantry } from "~/core/pantry";
import { divide, isWhole, multiply, ratio, sum, toNumber } from "~/core/quantity";
import { starterRecipes } from "~/demo/recipes";
import { piecesWanted, scaleStation, wholeEggStep, withWholeEggs } from "./scale";

const pantry = new Map(starterPantry.map((one) => [one.id, one]));
const isEgg = (id: string) => pantry.get(id)?.role === "egg";
const [pancakes] = starterRecipes;
if (!pancakes) throw new Error("there is a first recipe");
const batter = batterOf(pancakes, pantry);
const step = wholeEggStep(pancakes, isEgg);
if (!step) throw new Error("the pancakes have eggs");
const eggs = divide(ratio(1n), step);
const half = scaleStation(pancakes, batter, 4, "half");
const scaled = (factor: ReturnType<typeof ratio>) => ({ ...half, factor });

describe("half an egg", () => {
  test("four stations of one and a half: rounded up they take eight eggs, dealt out six", () => {
    const stations = [1, 2, 3, 4].map(() => scaled(ratio(3n, 2n)));
    const count = (rule: "uneven" | "round-up") =>
      withWholeEggs(stations, pancakes, batter, isEgg, rule).map((one) => toNumber(multiply(one.factor, eggs)));
    expect(count("round-up")).toEqual([2, 2, 2, 2]);
    expect(count("uneven")).toEqual([2, 1, 2, 1]);
  });

  test("pieces follow the eggs, and a station that had whole ones keeps what it had", () => {
    const [less, more] = withWholeEggs([scaled(ratio(1n)), scaled(ratio(1n, 2n))], pancakes, batter, isEgg, "round-up");
    expect(less).toEqual(scaled(ratio(1n)));
    expect(more?.piecesMade).toBeGreaterThan(half.piecesWanted);
    expect(more?.over).toBe((more?.piecesMade ?? 0) - half.piecesWanted);
  });

  test("eggs come out whole everywhere, never fewer than the class needs, and nobody goes without", () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 24 }), { minLength: 1, maxLength: 9 }),
        fc.constantFrom("uneven" as const, "round-up" as const),
        (quarters, rule) => {
          const before = quarters.map((n) => scaled(ratio(BigInt(n), 4n)));
          const after = withWholeEggs(before, pancakes, batter, isEgg, rule);
          const used = after.map((one) => multiply(one.factor, eggs));
          expect(used.every((one) => isWhole(one) && one.num > 0n)).toBe(true);
          const needed = sum(before.map((one) => multiply(one.factor, eggs)));
          expect(toNumber(sum(used))).toBeGreaterThanOrEqual(toNumber(needed));
          if (rule === "uneven" && quarters.every((n) => n >= 4 * Number(eggs.den)))
            expect(toNumber(sum(used)) - toNumber(needed)).toBeLessThan(1);
        },
      ),
    );
  });

  test("two lines of eggs each come out whole: one in the batter and two more in the bowl take whole batches", () => {
    const egg = pancakes.lines.find((line) => isEgg(line.ingredientId));
    if (!egg) throw new Error("the pancakes have an egg");
    const counted = (id: string, n: bigint) => ({
      ...egg,
      id,
      amount: { kind: "exact" as const, amount: { value: ratio(n), unit: "piece" as const } },
    });
    const two = { ...pancakes, lines: [counted("a", 1n), counted("b", 2n)] };
    expect(wholeEggStep(two, isEgg)).toEqual(ratio(1n));
    const thirds = [1n, 2n, 4n].map((n) => scaled(ratio(n, 3n)));
    for (const rule of ["uneven", "round-up"] as const)
      for (const { factor } of withWholeEggs(thirds, two, batter, isEgg, rule)) expect(isWhole(factor)).toBe(true);
  });

  test("a recipe without counted eggs has none to deal out", () => {
    const none = { ...pancakes, lines: [] };
    expect(wholeEggStep(none, isEgg)).toBeUndefined();
    expect(withWholeEggs([half], none, batter, isEgg, "round-up")).toEqual([half]);
  });
});

test("testers come on top of whole servings: they fill none up", () => {
  // Five people at one piece each, put together in pairs: six to eat, and two thrown away beside them.
  expect(piecesWanted(5, ratio(1n), 2, 2)).toBe(8);
  expect(piecesWanted(5, ratio(1n), 1, 2)).toBe(7);
  expect(piecesWanted(0, ratio(1n), 3, 4)).toBe(3);
});
