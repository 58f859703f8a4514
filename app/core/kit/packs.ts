/** One size a product is sold in: how much is in it, in grams or in pieces as the need is, and its price in hundredths where it is known. */
export interface SoldAs {
  readonly id: string;
  readonly holds: number;
  readonly price: number | undefined;
}

/** What to take from the shelf. */
export interface Basket {
  readonly take: readonly { readonly id: string; readonly count: number }[];
  readonly holds: number;
  /** In hundredths; `undefined` while a size has no price. */
  readonly price: number | undefined;
  /** What it was chosen by: price where every size has one, otherwise the least left over. */
  readonly chosenBy: "price" | "least-over";
}

interface Way {
  readonly cost: number;
  readonly holds: number;
  readonly packs: number;
  readonly last: number;
}

/** Amounts are told apart to a thousandth of a gram. */
const grain = 1000;
/** No table is longer than this; above it sizes are told apart more coarsely, always to the side of too much. */
const mostStates = 400_000;

/** How many of the largest pack the table still chooses for where a need is of very many. */
const keptPacks = 100;

function withMore(basket: Basket, size: SoldAs, count: number): Basket {
  const own = basket.take.find((one) => one.id === size.id)?.count ?? 0;
  return {
    ...basket,
    take: [...basket.take.filter((one) => one.id !== size.id), { id: size.id, count: own + count }],
    holds: basket.holds + size.holds * count,
    price: basket.price === undefined || size.price === undefined ? undefined : basket.price + size.price * count,
  };
}

const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));

const isLess = (a: Way, b: Way): boolean =>
  a.cost !== b.cost ? a.cost < b.cost : a.holds !== b.holds ? a.holds < b.holds : a.packs < b.packs;

/**
 * The cheapest packs that hold at least `need`; of equally cheap ones those with least left over, then the fewest. Every combination
 * counts: what is best for a need is best for what remains after one more pack, so a table over all needs finds it exactly.
 * @param need in the unit of `holds`; 0 or less takes nothing.  @throws {RangeError} on a size that holds nothing or costs less than 0.
 * @example cheapest(336, [{ id: "box", holds: 250, price: 300 }]) // => 2 boxes
 */
export function cheapest(need: number, sizes: readonly SoldAs[]): Basket | undefined {
  for (const { holds, price } of sizes) {
    if (!(holds > 0)) throw new RangeError(`expected a pack that holds more than 0, got ${holds}.`);
    if (price !== undefined && !(price >= 0)) throw new RangeError(`expected a price of 0 or more, got ${price}.`);
  }
  if (sizes.length === 0) return undefined;
  const isPriced = sizes.every((one) => one.price !== undefined);
  const chosenBy = isPriced ? "price" : "least-over";
  if (need <= 0) return { take: [], holds: 0, price: 0, chosenBy };
  const whole = sizes.map((one) => Math.round(one.holds * grain));
  // A need that misses a thousandth is rounding, not want.
  const wanted = Math.max(1, Math.ceil(need * grain - 0.5));
  // A need of very many packs is met from the best one, but for the last hundred, which the table chooses.
  const rate = (one: SoldAs) => (isPriced ? (one.price ?? 0) / one.holds : 1 / one.holds);
  const bulk = sizes.reduce((least, one) => (rate(one) < rate(least) ? one : least));
  const kept = sizes.reduce((most, one) => Math.max(most, one.holds), 0) * keptPacks;
  if (need > 2 * kept && wanted / whole.reduce(gcd) > mostStates) {
    const count = Math.floor((need - kept) / bulk.holds);
    const rest = cheapest(need - count * bulk.holds, sizes);
    return rest && withMore(rest, bulk, count);
  }
  const step = Math.max(whole.reduce(gcd), Math.ceil(wanted / mostStates));
  const length = Math.ceil(wanted / step);
  const covers = whole.map((one) => Math.max(1, Math.floor(one / step)));
  const best: Way[] = [{ cost: 0, holds: 0, packs: 0, last: -1 }];
  for (let state = 1; state <= length; state += 1) {
    let found: Way | undefined;
    sizes.forEach((size, index) => {
      const before = best[Math.max(0, state - (covers[index] ?? 1))];
      if (!before) return;
      const way = {
        cost: before.cost + (isPriced ? (size.price ?? 0) : (whole[index] ?? 0)),
        holds: before.holds + (whole[index] ?? 0),
        packs: before.packs + 1,
        last: index,
      };
      if (!found || isLess(way, found)) found = way;
    });
    if (found) best[state] = found;
  }
  const counts = sizes.map(() => 0);
  for (let state = length; state > 0;) {
    const index = best[state]?.last ?? 0;
    counts[index] = (counts[index] ?? 0) + 1;
    state = Math.max(0, state - (covers[index] ?? 1));
  }
  const sum = (pick: (size: SoldAs) => number) => sizes.reduce((so, size, i) => so + pick(size) * (counts[i] ?? 0), 0);
  return {
    take: sizes.flatMap((size, i) => ((counts[i] ?? 0) > 0 ? [{ id: size.id, count: counts[i] ?? 0 }] : [])),
    holds: sum((size) => size.holds),
    price: sizes.every((one, i) => one.price !== undefined || (counts[i] ?? 0) === 0)
      ? sum((size) => size.price ?? 0)
      : undefined,
    chosenBy,
  };
}
