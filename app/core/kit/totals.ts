import type { PackSize } from "~/core/pantry";
import { type Ratio, add, ceil, multiply, ratio, zero } from "~/core/quantity";
import type { KitLine } from "./kit";

/** What the class needs of one ingredient, over all stations, the demonstration and the spare kit. */
export interface Total {
  readonly ingredientId: string;
  /** Grams to start with; `undefined` when an amount or a density is not known. */
  readonly expectedGrams: number | undefined;
  /** Grams to buy: the most that may be used. */
  readonly buyGrams: number | undefined;
  /** Exact count of pieces, and the whole pieces that buying them takes; absent for what is not counted. */
  readonly pieces: Ratio | undefined;
  readonly buyPieces: number | undefined;
  readonly isToTaste: boolean;
  readonly packs: Packs | undefined;
}

/** Units and packs to buy, and what stays over. */
export interface Packs {
  readonly exactUnits: number;
  readonly units: number;
  readonly packs: number;
  readonly spareUnits: number;
  readonly unitName: string;
}

/** Whole units, then whole packs; 336 g at 25 g a sachet, 10 to the box, is 14 sachets in 2 boxes with 6 spare. */
export function packsFor(grams: number, size: PackSize): Packs {
  const exactUnits = grams / size.unitGrams;
  const units = Math.max(0, Math.ceil(exactUnits - 1e-9));
  const packs = Math.ceil(units / size.unitsPerPack);
  return { exactUnits, units, packs, spareUnits: packs * size.unitsPerPack - units, unitName: size.unitName };
}

const plus = (a: number | undefined, b: number | undefined) => (a === undefined || b === undefined ? undefined : a + b);

const by = (grams: number | undefined, times: number) => (grams === undefined ? undefined : grams * times);

/** Sums kits line by line; an unknown amount anywhere leaves the ingredient's sum unknown rather than too small. */
export function totalsOf(kits: readonly (readonly KitLine[])[], packSizes: readonly PackSize[]): Total[] {
  const byIngredient = new Map<
    string,
    { expected: number | undefined; buy: number | undefined; pieces: Ratio | undefined; isToTaste: boolean }
  >();
  // Stations that make the same share one kit: each different kit is gone through once, times how often it is packed.
  const often = new Map<readonly KitLine[], number>();
  for (const kit of kits) often.set(kit, (often.get(kit) ?? 0) + 1);
  const lines = [...often].flatMap(([kit, times]) => kit.map((line) => ({ line, times })));
  for (const { line, times } of lines) {
    const so = byIngredient.get(line.ingredientId) ?? { expected: 0, buy: 0, pieces: undefined, isToTaste: false };
    const isToTaste = line.kind === "to-taste";
    const counted = line.main?.amount.unit === "piece" ? line.main.amount.value : undefined;
    byIngredient.set(line.ingredientId, {
      expected: isToTaste
        ? so.expected
        : plus(so.expected, by(plus(line.main?.grams, line.kind === "hold-back" ? line.apart?.grams : 0), times)),
      buy: isToTaste ? so.buy : plus(so.buy, by(line.buyGrams, times)),
      pieces: counted ? add(so.pieces ?? zero, multiply(counted, ratio(BigInt(times)))) : so.pieces,
      isToTaste: so.isToTaste || isToTaste,
    });
  }
  return [...byIngredient].map(([ingredientId, { expected, buy, pieces, isToTaste }]) => {
    const size = packSizes.find((one) => one.ingredientId === ingredientId);
    return {
      ingredientId,
      expectedGrams: expected,
      buyGrams: buy,
      pieces,
      isToTaste,
      buyPieces: pieces ? Number(ceil(pieces)) : undefined,
      packs: size && buy !== undefined ? packsFor(buy, size) : undefined,
    };
  });
}
