import type { Pantry } from "~/core/batter";
import type { Ingredient, PackSize } from "~/core/pantry";
import {
  type Ratio,
  add,
  ceil,
  multiply,
  ratio,
  ratioOf,
  toNumber,
  zero,
  type Grams,
  type Pieces,
  inPieces,
  inGrams,
  largest,
  minus,
  dividedBy,
  times,
  sumKnown,
} from "~/core/quantity";
import type { KitLine } from "./kit";
import { type Basket, cheapest } from "./packs";

/**
 * What the class needs of one ingredient, over all stations, the demonstration and the spare kit. Whoever shows, buys, prepares or
 * pays for it reads it here; nobody adds it up again.
 */
export interface Total {
  readonly ingredientId: string;
  /** Grams that are likely used; `undefined` when an amount or a density is not known. */
  readonly expectedGrams: Grams | undefined;
  /** Grams to buy: the most that may be used. */
  readonly buyGrams: Grams | undefined;
  /**
   * Exact count of pieces at the most, what is weighed of the same food counted in; absent for what is nowhere counted, and where
   * what is weighed of it cannot be counted.
   */
  readonly pieces: Ratio | undefined;
  /** Pieces that are likely used. */
  readonly expectedPieces: Ratio | undefined;
  readonly buyPieces: Pieces | undefined;
  readonly isToTaste: boolean;
  /** As it is bought, where that is not as it is used: heavier by what falls away. */
  readonly raw: Raw | undefined;
  readonly packs: Packs | undefined;
}

export interface Raw {
  readonly name: string;
  readonly grams: Grams;
  readonly pieces: Pieces | undefined;
}

/** Units and packs to buy, and what stays over. */
export interface Packs {
  readonly exactUnits: number;
  readonly units: number;
  readonly packs: number;
  readonly spareUnits: number;
  readonly unitName: string;
}

const noise = 1e-9;

/** What is to be bought of one ingredient, less what is on hand. */
export interface Need {
  /** Grams as bought; `undefined` while an amount or a weight is not known. */
  readonly grams: Grams | undefined;
  /** Whole pieces, for what is bought by the piece. */
  readonly pieces: Pieces | undefined;
}

/** Grams of one piece as it is bought, skin, stone and all; `undefined` for what is not bought by the piece. */
const boughtPieceGrams = (one: Ingredient): number | undefined =>
  one.raw ? (one.raw.pieceGrams ?? (one.pieceGrams && one.pieceGrams / one.raw.keeps)) : one.pieceGrams;

/**
 * What is to be bought for a need at the most.
 * @param stockGrams on hand, as used.
 */
export function needOf(
  one: Ingredient,
  { buyGrams, pieces }: Pick<Total, "buyGrams" | "pieces">,
  stockGrams: Grams = inGrams(0),
): Need {
  const left = buyGrams === undefined ? undefined : largest(inGrams(0), minus(buyGrams, stockGrams));
  const grams = left === undefined ? undefined : dividedBy(left, one.raw?.keeps ?? 1);
  const whole = (count: number) => Math.max(0, Math.ceil(count - noise));
  if (pieces !== undefined) {
    const onHand = one.pieceGrams === undefined ? 0 : stockGrams / one.pieceGrams;
    return { grams, pieces: inPieces(whole(toNumber(pieces) - Math.floor(onHand + noise))) };
  }
  const each = one.raw?.pieceGrams;
  return { grams, pieces: each === undefined || grams === undefined ? undefined : inPieces(whole(grams / each)) };
}

/**
 * Is a unit of this size one piece of the food, as an egg is of a box? A bag of bananas or a net of lemons is not: that is bought by
 * weight. A unit of half to one and a half times a piece counts as one (starting value).
 */
export function isByPiece(one: Ingredient, size: Pick<PackSize, "unitGrams">): boolean {
  const each = boughtPieceGrams(one);
  return each !== undefined && size.unitGrams >= each * 0.5 && size.unitGrams < each * 1.5;
}

/** Whole units, then whole packs; 336 g at 25 g a sachet, 10 to the box, is 14 sachets in 2 boxes with 6 spare. */
export function packsFor(exactUnits: number, size: PackSize): Packs {
  const units = Math.max(0, Math.ceil(exactUnits - noise));
  const packs = Math.ceil(units / size.unitsPerPack);
  return { exactUnits, units, packs, spareUnits: packs * size.unitsPerPack - units, unitName: size.unitName };
}

/** A need in units of a size: pieces where a unit is one, weight as bought otherwise; `undefined` while it is not known. */
function unitsOf(one: Ingredient, need: Need, size: Pick<PackSize, "unitGrams">): number | undefined {
  if (need.pieces !== undefined && isByPiece(one, size)) return need.pieces;
  if (need.grams !== undefined) return need.grams / size.unitGrams;
  return undefined;
}

/** One size a product is sold in, with how it is called on the list. */
export interface ShopSize {
  readonly id: string;
  readonly unitGrams: Grams;
  readonly unitsPerPack: number;
  readonly unitName: string;
  readonly price: number | undefined;
}

/** Every size a product is sold in: the one that is written down first, and the others. */
export function sizesOf(pack: PackSize): ShopSize[] {
  const size = (id: string, one: Pick<PackSize, "unitGrams" | "unitsPerPack" | "price">): ShopSize => ({
    id,
    unitGrams: one.unitGrams,
    unitsPerPack: one.unitsPerPack,
    unitName: pack.unitName,
    price: one.price,
  });
  return [size("0", pack), ...(pack.sizes ?? []).map((one, index) => size(String(index + 1), one))];
}

/** What to take from the shelf for a need, and whether its sizes are counted in pieces or weighed as bought. */
export function basketOf(
  one: Ingredient,
  need: Need,
  sizes: readonly ShopSize[],
): { readonly basket: Basket | undefined; readonly wanted: number | undefined; readonly unit: "g" | "piece" } {
  const isPiece =
    need.pieces !== undefined &&
    (sizes.length > 0
      ? sizes.every((size) => isByPiece(one, size))
      : one.pieceGrams !== undefined || need.grams === undefined);
  const wanted = isPiece ? need.pieces : need.grams;
  const basket =
    wanted === undefined
      ? undefined
      : cheapest(
          wanted,
          sizes.map((size) => ({
            id: size.id,
            holds: isPiece ? size.unitsPerPack : size.unitGrams * size.unitsPerPack,
            price: size.price,
          })),
        );
  return { basket, wanted, unit: isPiece ? "piece" : "g" };
}

const added = (a: Grams | undefined, b: Grams | undefined) => sumKnown([a, b]);
const by = (grams: Grams | undefined, stations: number): Grams | undefined =>
  grams === undefined ? undefined : times(grams, stations);

interface Sum {
  expected: Grams | undefined;
  most: Grams | undefined;
  /** Counted pieces, and grams where the same food is weighed. */
  counted: Ratio;
  countedLikely: Ratio;
  weighed: Grams | undefined;
  weighedLikely: Grams | undefined;
  isCounted: boolean;
  isToTaste: boolean;
}

/** Pieces of a food that is counted in one place and weighed in another; `undefined` where its piece has no weight. */
function together(counted: Ratio, weighed: number | undefined, one: Ingredient | undefined): Ratio | undefined {
  if (weighed === 0) return counted;
  if (weighed === undefined || one?.pieceGrams === undefined) return undefined;
  return add(counted, ratioOf(Number((weighed / one.pieceGrams).toFixed(6))));
}

/**
 * What a class needs, per ingredient, likely and at the most: kits of stations, demonstration and spare, with everything in them
 * (top-up, hold-back, per load, per piece), but for what a household has of its own. An unknown amount anywhere leaves the ingredient's
 * sum unknown rather than too small.
 */
export function demandOf(
  kits: readonly (readonly KitLine[])[],
  pantry: Pantry,
  packSizes: readonly PackSize[],
): Total[] {
  const sums = new Map<string, Sum>();
  // Stations that make the same share one kit: each different kit is gone through once, times how often it is packed.
  const often = new Map<readonly KitLine[], number>();
  for (const kit of kits) often.set(kit, (often.get(kit) ?? 0) + 1);
  for (const [kit, stations] of often) {
    const count = ratio(BigInt(stations));
    for (const line of kit) {
      if (line.own !== undefined) continue;
      const so = sums.get(line.ingredientId) ?? {
        expected: inGrams(0),
        most: inGrams(0),
        counted: zero,
        countedLikely: zero,
        weighed: inGrams(0),
        weighedLikely: inGrams(0),
        isCounted: false,
        isToTaste: false,
      };
      sums.set(line.ingredientId, so);
      if (line.kind === "to-taste") {
        so.isToTaste = true;
        continue;
      }
      so.expected = added(so.expected, by(line.main?.grams, stations));
      so.most = added(so.most, by(line.buyGrams, stations));
      if (line.most?.unit === "piece" && line.main) {
        so.isCounted = true;
        so.counted = add(so.counted, multiply(line.most.value, count));
        so.countedLikely = add(so.countedLikely, multiply(line.main.amount.value, count));
      } else {
        so.weighed = added(so.weighed, by(line.buyGrams, stations));
        so.weighedLikely = added(so.weighedLikely, by(line.main?.grams, stations));
      }
    }
  }
  return [...sums].map(([ingredientId, sum]): Total => {
    const one = pantry.get(ingredientId);
    const pieces = sum.isCounted ? together(sum.counted, sum.weighed, one) : undefined;
    const size = packSizes.find((each) => each.ingredientId === ingredientId);
    const amounts = { buyGrams: sum.most, pieces };
    const need = one && needOf(one, amounts);
    const units = one && need && size ? unitsOf(one, need, size) : undefined;
    return {
      ingredientId,
      expectedGrams: sum.expected,
      ...amounts,
      expectedPieces: sum.isCounted ? together(sum.countedLikely, sum.weighedLikely, one) : undefined,
      isToTaste: sum.isToTaste,
      buyPieces: pieces ? inPieces(Number(ceil(pieces))) : undefined,
      raw:
        one?.raw && need?.grams !== undefined && sum.most !== 0
          ? { name: one.raw.name, grams: need.grams, pieces: need.pieces }
          : undefined,
      packs: size && units !== undefined ? packsFor(units, size) : undefined,
    };
  });
}

/** What the first written price makes a class cost, in hundredths; null while something that is bought has no price. */
export function costOf(totals: readonly Total[], pantry: Pantry, packSizes: readonly PackSize[]): number | null {
  let cost = 0;
  for (const total of totals) {
    const one = pantry.get(total.ingredientId);
    if (!one || isFromTap(one) || total.buyGrams === 0) continue;
    const pack = packSizes.find((each) => each.ingredientId === total.ingredientId);
    const price = pack && basketOf(one, needOf(one, total), sizesOf(pack)).basket?.price;
    if (price === undefined) return null;
    cost += price;
  }
  return cost;
}

/** Nobody buys what comes out of the tap. */
export const isFromTap = (one: Ingredient): boolean =>
  one.role === "liquid" && one.waterPercent === 100 && one.label === "whole";
