import fc from "fast-check";
import { classes } from "../../../test/generators";
import { packingOfClass } from "~/core/pack";
import { type PackSize, starterPantry } from "~/core/pantry";
import { plan } from "~/core/plan";
import { type ShoppingLine, moneyOf, sections, shoppingList, soldByVolume } from "./list";
import { demandOf } from "~/core/kit";
import { ratio, inGrams, inPieces } from "~/core/quantity";

const pantry = new Map(starterPantry.map((one) => [one.id, one]));
const total = (ingredientId: string, grams: number | undefined, buyPieces?: number, isToTaste = false) => ({
  ingredientId,
  expectedGrams: grams === undefined ? undefined : inGrams(grams),
  buyGrams: grams === undefined ? undefined : inGrams(grams),
  pieces: buyPieces === undefined ? undefined : ratio(BigInt(buyPieces)),
  expectedPieces: undefined,
  raw: undefined,
  buyPieces: buyPieces === undefined ? undefined : inPieces(buyPieces),
  isToTaste,
  packs: undefined,
});
const need = (classId: string, totals: ReturnType<typeof total>[], packs: PackSize[] = []) => ({
  classId,
  totals,
  packs,
});
const only = (lines: readonly ShoppingLine[], key: string) => {
  const line = lines.find((one) => one.key === key);
  if (!line) throw new Error(`no line for ${key}`);
  return line;
};
const none = new Map<string, number>();
const bag = { ingredientId: "plain-flour", unitGrams: inGrams(1500), unitsPerPack: 1, unitName: "bag", price: 95 };

describe("the shopping list", () => {
  test("sums several classes, takes off what is on hand once, and says what each takes", () => {
    const lines = shoppingList(
      [need("a", [total("plain-flour", 1200)], [bag]), need("b", [total("plain-flour", 900)])],
      pantry,
      new Map([["plain-flour", 700]]),
      [],
    );
    expect(only(lines, "plain-flour")).toMatchObject({
      grams: inGrams(2100),
      stockGrams: 700,
      buyGrams: inGrams(1400),
      basket: { take: [{ id: "0", count: 1 }], price: 95 },
      over: 100,
      overPrice: 6,
      perClass: [
        { classId: "a", grams: inGrams(1200) },
        { classId: "b", grams: inGrams(900) },
      ],
    });
  });

  test("the price of what stays over is rounded to whole hundredths, a half upwards", () => {
    const over = (price: number, grams: number) =>
      only(
        shoppingList([need("a", [total("plain-flour", 1500 - grams)], [{ ...bag, price }])], pantry, none, []),
        "plain-flour",
      ).overPrice;
    expect([over(97, 100), over(99, 250), over(98, 100)]).toEqual([6, 17, 7]);
  });

  test("what the steps use up is bought with the food: of each kitchen what all its classes need less what it has", () => {
    const usedUp = (needed: number, owned: number | undefined) => [{ tool: "stick" as const, needed, owned }];
    const list = shoppingList(
      [
        { ...need("a", []), kitchenId: "galley", usedUp: usedUp(30, 40) },
        { ...need("b", []), kitchenId: "galley", usedUp: usedUp(33, 40) },
        { ...need("c", []), kitchenId: "hall", usedUp: usedUp(5, undefined) },
        { ...need("d", []), kitchenId: "barn", usedUp: usedUp(5, 9) },
      ],
      pantry,
      none,
      [],
    );
    expect(list).toHaveLength(1);
    expect(only(list, "gear:stick")).toMatchObject({ section: "household", tool: "stick", buyPieces: 23 + 5 });
    expect(moneyOf(list, 4).unpriced).toEqual(["gear:stick"]);
  });

  test("eggs are counted, juice is bought as lemons, and drained corn by the tin's whole weight", () => {
    const eggs = { ingredientId: "egg", unitGrams: inGrams(50), unitsPerPack: 6, unitName: "egg", price: 190 };
    const lines = shoppingList(
      [need("a", [total("egg", 1750, 35), total("lemon-juice", 91.2), total("sweetcorn", 540)], [eggs])],
      pantry,
      none,
      [],
    );
    expect(only(lines, "egg")).toMatchObject({ unit: "piece", buyPieces: 35, over: 1, price: 1140 });
    expect(only(lines, "lemon-juice")).toMatchObject({ name: "lemons", raw: { pieces: inPieces(2) }, buyPieces: 2 });
    expect(only(lines, "sweetcorn").buyGrams).toBeCloseTo(900, 6);
  });

  test("an unknown amount stays unknown, to taste is on the list without an amount, and no price is made up", () => {
    const lines = shoppingList(
      [need("a", [total("sugar", undefined), total("syrup", 0, undefined, true)])],
      pantry,
      none,
      [{ id: "1", name: "baking paper", count: 2, price: 150 }],
    );
    expect(only(lines, "sugar")).toMatchObject({ grams: undefined, buyGrams: undefined, basket: undefined });
    expect(only(lines, "syrup").isToTaste).toBe(true);
    expect(moneyOf(lines, 10)).toEqual({ total: 300, perPerson: 30, over: 0, eaten: 300, unpriced: ["sugar"] });
    expect(lines.map((line) => sections.indexOf(line.section))).toEqual(
      lines.map((line) => sections.indexOf(line.section)).sort((a, b) => a - b),
    );
  });

  test("more on hand than is needed buys nothing and is not turned into money", () => {
    const pack = { ingredientId: "sugar", unitGrams: inGrams(1000), unitsPerPack: 1, unitName: "bag", price: 120 };
    const line = only(
      shoppingList([need("a", [total("sugar", 300)], [pack])], pantry, new Map([["sugar", 900]]), []),
      "sugar",
    );
    expect(line).toMatchObject({ stockGrams: 300, buyGrams: inGrams(0), price: 0, over: 0, overPrice: 0 });
  });

  test("the larger size is taken where it is cheaper", () => {
    const pack = {
      ingredientId: "plain-flour",
      unitGrams: inGrams(500),
      unitsPerPack: 1,
      unitName: "bag",
      price: 80,
      sizes: [{ unitGrams: inGrams(1500), unitsPerPack: 1, price: 95 }],
    };
    expect(
      only(shoppingList([need("a", [total("plain-flour", 600)], [pack])], pantry, none, []), "plain-flour").basket
        ?.take,
    ).toEqual([{ id: "1", count: 1 }]);
  });
});

test("what is bought and on hand, less what is left over, is what is packed for stations, demonstration, spares and what is stored", () => {
  fc.assert(
    fc.property(
      classes,
      fc.array(fc.tuple(fc.constantFrom(...starterPantry.map((one) => one.id)), fc.integer({ min: 1, max: 3000 }))),
      fc.array(fc.integer({ min: 20, max: 2500 }), { minLength: 1, maxLength: 3 }),
      (input, stocked, sizes) => {
        const made = plan(input);
        const [first = 500, ...others] = sizes;
        const packs = made.totals.map((one) => ({
          ingredientId: one.ingredientId,
          unitGrams: inGrams(first),
          unitsPerPack: 1,
          unitName: "pack",
          price: first,
          sizes: others.map((unitGrams) => ({ unitGrams: inGrams(unitGrams), unitsPerPack: 1, price: unitGrams })),
        }));
        const stock = new Map(stocked);
        const lines = shoppingList([{ classId: "a", totals: made.totals, packs }], pantry, stock, []);
        const { containers, shared } = packingOfClass(input, made);
        const held = new Map<string, number>();
        for (const one of containers)
          for (const { ingredientId, measured } of one.contents)
            held.set(ingredientId, (held.get(ingredientId) ?? 0) + (measured.grams ?? 0));
        const onTable = new Set(shared.flatMap((one) => one.lines.map((line) => line.ingredientId)));
        for (const line of lines) {
          if (line.grams === undefined || onTable.has(line.key)) continue;
          const keeps = pantry.get(line.key)?.raw?.keeps ?? 1;
          const pieceGrams = pantry.get(line.key)?.pieceGrams ?? 0;
          if (line.unit === "piece") {
            expect(line.basket?.holds).toBe((line.buyPieces ?? 0) + (line.over ?? 0));
            // Counted food by its own weight; fruit for its juice by what is left of each.
            const each = line.pieces === undefined ? (pantry.get(line.key)?.raw?.pieceGrams ?? 0) * keeps : pieceGrams;
            const count = line.pieces ?? line.raw?.pieces ?? 0;
            expect(count * each).toBeGreaterThanOrEqual((held.get(line.key) ?? 0) - 1e-2);
            continue;
          }
          const bought = (line.basket?.holds ?? 0) * keeps;
          const left = (line.over ?? 0) * keeps;
          const packed = held.get(line.key) ?? 0;
          // To the gram; of tonnes, as close as numbers are.
          expect(Math.abs(bought + line.stockGrams - left - packed)).toBeLessThan(1e-3 + packed * 1e-9);
        }
        // And the totals are the kits: nothing is bought that nobody packs.
        const again = demandOf(
          [...made.stations, ...made.extras].map((one) => one.kit),
          new Map(input.pantry.map((one) => [one.id, one])),
          [],
        );
        expect(again.map((one) => one.buyGrams)).toEqual(made.totals.map((one) => one.buyGrams));
      },
    ),
    { numRuns: 50 },
  );
});

test("what pours is sold by volume, what is spooned or cut by weight", () => {
  const by = (id: string) => {
    const one = pantry.get(id);
    if (!one) throw new Error(`no ${id}`);
    return soldByVolume(one);
  };
  expect(["plain-flour", "butter", "plain-yogurt", "egg", "lemon-juice", "honey"].map(by)).toEqual([
    undefined,
    undefined,
    undefined,
    undefined,
    // Squeezed from what is bought: the shop sells the lemon.
    undefined,
    undefined,
  ]);
  for (const id of ["whole-milk", "buttermilk", "oat-drink", "sunflower-oil", "water", "vinegar"])
    expect(by(id)).toBeCloseTo(id === "sunflower-oil" ? 0.91 : 1.02, 1);
});

test("of what is used up nothing is bought where the kitchen has as many as are needed", () => {
  const used = (needed: number, owned: number | undefined) =>
    shoppingList(
      [{ ...need("a", []), kitchenId: "k", usedUp: [{ tool: "stick", needed, owned }] }],
      pantry,
      new Map(),
      [],
    )
      .filter((line) => line.key === "gear:stick")
      .map((line) => line.buyPieces);
  expect([used(10, 10), used(10, 12), used(10, 4), used(10, undefined), used(0, 0)]).toEqual([[], [], [6], [10], []]);
});
