import { type Ingredient, type PackSize, gramsPerMl } from "~/core/pantry";
import type { Pantry } from "~/core/batter";
import type { GearLine } from "~/core/gear";
import type { Tool } from "~/core/recipe";
import { type Basket, type Raw, type ShopSize, type Total, basketOf, isFromTap, needOf, sizesOf } from "~/core/kit";
import {
  type Ratio,
  add,
  ceil,
  ratioOf,
  zero,
  type Grams,
  type Pieces,
  inGrams,
  inPieces,
  sumKnown,
  smallest,
} from "~/core/quantity";

/** Where things stand in a shop, in the order most people walk it. */
export const sections = ["fruit-vegetables", "chilled", "baking", "oils", "spreads", "frozen", "household"] as const;
export type Section = (typeof sections)[number];

export function sectionOf(one: Pick<Ingredient, "role" | "storage">): Section {
  if (one.role === "fruit" || one.role === "vegetable") return one.storage === "frozen" ? "frozen" : "fruit-vegetables";
  if (one.storage === "frozen") return "frozen";
  if (one.storage === "chilled") return "chilled";
  if (one.role === "fat" || one.role === "spray" || one.role === "acid") return "oils";
  if (one.role === "topping") return "spreads";
  return "baking";
}

/** Thick dairy is sold in tubs by weight, whatever a cook measures it with. */
const soldByWeight: readonly string[] = ["plain-yogurt", "soured-cream", "cream-cheese", "double-cream", "soft-cheese"];
/** Fat from here on pours, and is sold in bottles; butter and lard are not (percent). */
const oilPercent = 99;

/** Grams per millilitre of goods sold by volume (drinks, milk, oil, vinegar); `undefined` for the rest. */
export function soldByVolume(one: Ingredient): number | undefined {
  const pours =
    (one.role === "liquid" && !soldByWeight.includes(one.id)) ||
    (one.role === "fat" && one.fatPercent >= oilPercent && one.id !== "coconut-oil") ||
    (one.role === "acid" && one.waterPercent > 50);
  return pours && one.raw === undefined ? (gramsPerMl(one, "spooned") ?? one.trueDensity) : undefined;
}

/** In what something on hand is counted: eggs as eggs, milk by the jug, flour on the scale. */
export const stockUnits = ["g", "ml", "piece"] as const;
export type StockUnit = (typeof stockUnits)[number];

/** Grams, as used, in one of `unit` of an ingredient; `undefined` where nobody counts it in that. */
export const gramsPer = (unit: StockUnit, one: Ingredient): number | undefined =>
  unit === "g" ? 1 : unit === "ml" ? soldByVolume(one) : one.pieceGrams;

/** What one class asks of the trip. */
export interface ClassNeed {
  readonly classId: string;
  readonly totals: readonly Total[];
  readonly packs: readonly PackSize[];
  /** Of its gear what is used up, and in whose kitchen; absent where there is none. */
  readonly kitchenId?: string | undefined;
  readonly usedUp?: readonly Pick<GearLine, "tool" | "needed" | "owned">[] | undefined;
}

/**
 * What is used up and has to be bought: what the classes of a kitchen need together, less what it has; all of it where nobody counted.
 */
function consumablesToBuy(needs: readonly ClassNeed[]): { readonly tool: Tool; readonly count: number }[] {
  const kitchens = new Map<string, { tool: Tool; needed: number; owned: number }>();
  for (const { kitchenId = "", usedUp = [] } of needs)
    for (const { tool, needed, owned = 0 } of usedUp) {
      const key = `${tool} ${kitchenId}`;
      kitchens.set(key, { tool, needed: (kitchens.get(key)?.needed ?? 0) + needed, owned });
    }
  const counts = new Map<Tool, number>();
  for (const { tool, needed, owned } of kitchens.values())
    if (needed > owned) counts.set(tool, (counts.get(tool) ?? 0) + needed - owned);
  return [...counts].map(([tool, count]) => ({ tool, count }));
}

/** Something bought that nobody eats: paper, sticks, labels. */
export interface Extra {
  readonly id: string;
  readonly name: string;
  readonly count: number;
  /** Price of one in hundredths; `undefined` where nobody wrote it down. */
  readonly price: number | undefined;
}

/** One line of the shopping list. Grams are as used unless called raw. */
export interface ShoppingLine {
  /** The ingredient's id; "extra:…" for what is not eaten and somebody wrote down, "gear:…" for what the steps use up. */
  readonly key: string;
  readonly section: Section;
  /** What it is called at the shop; the id of the tool for what the steps use up. */
  readonly name: string;
  /** What the steps use up; absent for food, and for what somebody wrote down. */
  readonly tool?: Tool | undefined;
  /** What all classes need at the most; `undefined` while an amount or a weight is not known. */
  readonly grams: Grams | undefined;
  /** The same counted, for what is counted. */
  readonly pieces: Pieces | undefined;
  readonly isToTaste: boolean;
  /** As it is bought, where that is not as it is used: heavier by what falls away. */
  readonly raw: Raw | undefined;
  /** Grams of it on hand, as they were counted; never more is taken off than is needed. */
  readonly stockGrams: Grams;
  /** Unit in which stock is counted, and its grams. */
  readonly stockIn: { readonly unit: StockUnit; readonly grams: Grams };
  /** What is left to buy, in grams as bought. */
  readonly buyGrams: Grams | undefined;
  readonly buyPieces: Pieces | undefined;
  /** Packs to take; `undefined` while nobody said how it is sold. */
  readonly basket: Basket | undefined;
  readonly sizes: readonly ShopSize[];
  /** What stays over of the packs, in grams as bought or in pieces. */
  readonly over: number | undefined;
  readonly unit: "g" | "piece";
  /** Grams in a millilitre, for what is sold by volume. */
  readonly gramsPerMl: number | undefined;
  readonly price: number | undefined;
  /** The share of the price that stays over. */
  readonly overPrice: number | undefined;
  /** What each class takes of it, in grams as used. */
  readonly perClass: readonly { readonly classId: string; readonly grams: Grams | undefined }[];
}

const piecesIn = (grams: Grams | undefined, one: Ingredient): Ratio | undefined =>
  grams === undefined || one.pieceGrams === undefined
    ? undefined
    : ratioOf(Number((grams / one.pieceGrams).toFixed(6)));

const half = 0.5;

/**
 * Everything several classes need on one trip, less what is on hand, as packs.
 * @param stock grams on hand by ingredient, as used.
 */
export function shoppingList(
  needs: readonly ClassNeed[],
  pantry: Pantry,
  stock: ReadonlyMap<string, number>,
  extras: readonly Extra[],
): ShoppingLine[] {
  const ids = [...new Set(needs.flatMap((need) => need.totals.map((total) => total.ingredientId)))];
  const lines = ids.flatMap((id): ShoppingLine[] => {
    const one = pantry.get(id);
    if (!one || isFromTap(one)) return [];
    const totals = needs.flatMap((need) => {
      const total = need.totals.find((each) => each.ingredientId === id);
      return total ? [{ classId: need.classId, total }] : [];
    });
    const grams = sumKnown(totals.map(({ total }) => total.buyGrams));
    const isToTaste = totals.some(({ total }) => total.isToTaste);
    // A class that only weighs what another counts adds to the count, by the weight of a piece.
    const exact = totals.reduce<Ratio | undefined>(
      (sum, { total }) => {
        const own = total.pieces ?? (total.buyGrams === 0 ? zero : piecesIn(total.buyGrams, one));
        return sum && own && add(sum, own);
      },
      totals.some(({ total }) => total.pieces !== undefined) ? zero : undefined,
    );
    const pieces = exact && Number(ceil(exact)) > 0 ? inPieces(Number(ceil(exact))) : undefined;
    const stockUnit = pieces !== undefined && one.pieceGrams !== undefined ? "piece" : soldByVolume(one) ? "ml" : "g";
    const stockGrams = smallest(inGrams(stock.get(id) ?? 0), grams ?? inGrams(Infinity));
    const counted = { buyGrams: grams, pieces: pieces === undefined ? undefined : exact };
    const whole = needOf(one, counted);
    const raw =
      one.raw && whole.grams !== undefined
        ? { name: one.raw.name, grams: whole.grams, pieces: whole.pieces }
        : undefined;
    const need = needOf(one, counted, stockGrams);
    const pack = needs.flatMap((each) => each.packs).find((each) => each.ingredientId === id);
    const sizes = pack ? sizesOf(pack) : [];
    const { basket, wanted, unit } = basketOf(one, need, sizes);
    const [buyGrams, buyPieces] = [need.grams, need.pieces];
    const over = basket && wanted !== undefined ? Math.max(0, basket.holds - wanted) : undefined;
    return [
      {
        key: id,
        section: sectionOf(one),
        name: one.raw && pieces === undefined ? one.raw.name : one.name,
        grams,
        pieces,
        isToTaste,
        raw,
        stockGrams: stockGrams,
        stockIn: { unit: stockUnit, grams: inGrams(gramsPer(stockUnit, one) ?? 1) },
        buyGrams,
        buyPieces,
        basket,
        sizes,
        over,
        unit,
        gramsPerMl: soldByVolume(one),
        price: basket?.price,
        overPrice:
          basket?.price === undefined || over === undefined || basket.holds === 0
            ? basket?.price === undefined
              ? undefined
              : 0
            : Math.floor((basket.price * over) / basket.holds + half),
        perClass: totals.map(({ classId, total }) => ({ classId, grams: total.buyGrams })),
      },
    ];
  });
  const counted = (key: string, name: string, count: number, price: number | undefined): ShoppingLine => ({
    key,
    section: "household",
    name,
    grams: undefined,
    pieces: inPieces(count),
    isToTaste: false,
    raw: undefined,
    stockGrams: inGrams(0),
    stockIn: { unit: "piece", grams: inGrams(1) },
    buyGrams: undefined,
    buyPieces: inPieces(count),
    basket: undefined,
    sizes: [],
    over: 0,
    unit: "piece",
    gramsPerMl: undefined,
    price: price === undefined ? undefined : price * count,
    overPrice: 0,
    perClass: [],
  });
  const household = [
    ...extras.map(({ id, name, count, price }) => counted(`extra:${id}`, name, count, price)),
    ...consumablesToBuy(needs).map(({ tool, count }) => ({ ...counted(`gear:${tool}`, tool, count, undefined), tool })),
  ];
  return [...lines, ...household].sort(
    (a, b) => sections.indexOf(a.section) - sections.indexOf(b.section) || (a.name < b.name ? -1 : 1),
  );
}

/** Is there anything to buy of it? */
export const isToBuy = (line: ShoppingLine): boolean =>
  line.isToTaste || line.buyGrams === undefined || line.buyGrams > 1e-6 || (line.buyPieces ?? 0) > 0;

/** What the trip costs, in hundredths. */
export interface Money {
  readonly total: number;
  readonly perPerson: number | undefined;
  /** What stays over for another day, and what of the total is eaten. */
  readonly over: number;
  readonly eaten: number;
  /** Lines that no price is known of: the total is at least this, and says so. */
  readonly unpriced: readonly string[];
}

/** Adds up a list; a line without a price is named, never taken for nothing. */
export function moneyOf(lines: readonly ShoppingLine[], people: number): Money {
  const bought = lines.filter(isToBuy);
  const total = bought.reduce((sum, line) => sum + (line.price ?? 0), 0);
  const over = bought.reduce((sum, line) => sum + (line.overPrice ?? 0), 0);
  return {
    total,
    perPerson: people > 0 ? Math.floor(total / people + half) : undefined,
    over,
    eaten: total - over,
    unpriced: bought
      .filter((line) => line.price === undefined && !(line.isToTaste && line.grams === 0))
      .map((line) => line.key),
  };
}
