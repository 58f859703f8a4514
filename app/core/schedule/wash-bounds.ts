import { type Seconds, inSeconds, largest, plus, smallest } from "~/core/quantity";
import { leastOf, leastThat, mostPieces } from "./capacity";
import type { Network, Node } from "./network";

/** Least seconds of washing: each surface begins with one dish, every further dish costs a wash. */
export function leastWashes(net: Network, group: readonly Node[], units: readonly number[]): Seconds {
  if (!net.washes || units.some((unit) => net.isClearable[unit] !== true)) return inSeconds(0);
  const dishes = new Set(group.map((node) => node.recipe)).size;
  return inSeconds(Math.max(0, dishes - units.length) * Math.min(...units.map((unit) => net.rewash[unit] ?? 0)));
}

/** Lower bound from one washed unit: its wash and the two shortest loads around it. */
export function washedBound(net: Network, group: readonly Node[], units: readonly number[], ready: Seconds): Seconds {
  const hot = Math.min(...units.map((unit) => net.hotAt[unit] ?? 0));
  const shortest = Math.min(...group.map((node) => node.load[1] ?? 0));
  const between = Math.min(...group.map((node) => node.between));
  return plus(
    plus(plus(largest(ready, inSeconds(hot)), inSeconds(2 * shortest)), inSeconds(between)),
    smallest(...units.map((unit) => net.rewash[unit] ?? inSeconds(0))),
  );
}

/** Dishes and units up to which every way to part them is tried. */
const mostParted = { dishes: 4, units: 8 };

/** All ways to give each of so many a number below `choices`. */
function* choicesOf(count: number, choices: number): Generator<readonly number[]> {
  const row = new Array<number>(count).fill(0);
  for (;;) {
    yield row;
    let at = 0;
    while (at < count && (row[at] ?? 0) === choices - 1) row[at++] = 0;
    if (at === count) return;
    row[at] = (row[at] ?? 0) + 1;
  }
}

/**
 * Lower bound where dishes are washed between and there are as few washes as can be: then no dish is cooked on two units that share
 * another dish. With at most as many dishes as units each unit has one dish; with more each dish has one unit. Infinity where there are
 * too many of either to try all, so that nothing is claimed.
 * @param testers that the first use of each unit costs for sure.  @param froms when each unit is free at the soonest.
 */
export function partedBound(
  net: Network,
  group: readonly Node[],
  units: readonly number[],
  testers: number,
  froms: readonly Seconds[],
): number {
  const dishes = [...new Set(group.map((node) => node.recipe))].map((recipe) =>
    group.filter((node) => node.recipe === recipe),
  );
  if (dishes.length > mostParted.dishes || units.length > mostParted.units) return 0;
  const from = (at: number) => froms[at] ?? inSeconds(0);
  /** Seconds of all loads of a dish on one unit, with the greasing between them; Infinity where it cannot lie there. */
  const secondsOn = dishes.map((own) =>
    units.map((unit) =>
      own.reduce((sum, node) => {
        const places = node.places[unit] ?? 0;
        if (places < 1) return Infinity;
        const table = node.loadOn[unit] ?? node.load;
        const [full, rest] = [Math.floor(node.pieces / places), node.pieces % places];
        const loads = full + (rest > 0 ? 1 : 0);
        // Pieces of several rounds or mixes make no fewer loads than all of them together; split otherwise each may be rounded down.
        return sum + full * (table[places] ?? 0) + (rest > 0 ? (table[rest] ?? 0) : 0) + loads * (node.between - 1);
      }, 0),
    ),
  );
  const between = Math.max(...group.map((node) => node.between));
  const spared = net.testers * between;
  let best = Infinity;
  if (dishes.length > units.length) {
    for (const unitOf of choicesOf(dishes.length, units.length)) {
      const end = units.map((unit, at) => {
        const here = dishes.flatMap((_, dish) => (unitOf[dish] === at ? [secondsOn[dish]?.[at] ?? Infinity] : []));
        const washes = Math.max(0, here.length - 1) * (net.rewash[unit] ?? 0);
        return here.length === 0 ? 0 : from(at) + here.reduce((sum, one) => sum + one, washes - between - spared);
      });
      best = Math.min(best, Math.max(...end));
    }
    return best;
  }
  const leastHere = dishes.map((own) => units.map((unit) => leastOf(net, own, unit)));
  const wanted = dishes.map((own) => own.reduce((sum, node) => sum + node.pieces, 0));
  const known = dishes.map(() => new Map<string, number>());
  /** When a dish is done on some of the units alone. */
  const doneOn = (dish: number, mine: readonly number[]): number => {
    const key = mine.join(" ");
    const before = known[dish]?.get(key);
    if (before !== undefined) return before;
    const enough = (until: Seconds) =>
      mine.reduce((sum, at) => {
        const one = leastHere[dish]?.[at];
        return one ? sum + mostPieces(one, testers, from(at), until) : sum;
      }, 0) >= (wanted[dish] ?? 0);
    const isAny = mine.some((at) => leastHere[dish]?.[at] !== undefined);
    const done = isAny ? leastThat(enough, inSeconds(0)) : Infinity;
    known[dish]?.set(key, done);
    return done;
  };
  for (const dishOf of choicesOf(units.length, dishes.length)) {
    let end = 0;
    for (let dish = 0; dish < dishes.length && end < best; dish += 1)
      end = Math.max(
        end,
        doneOn(
          dish,
          units.flatMap((_, at) => (dishOf[at] === dish ? [at] : [])),
        ),
      );
    best = Math.min(best, end);
  }
  return best;
}
