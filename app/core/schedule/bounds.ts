import { type Seconds, inSeconds, largest, smallest, plus, inPieces, times } from "~/core/quantity";
import { pouringSeconds } from "./durations";
import { type Network, type Node, network } from "./network";

/**
 * Lower bounds on the moment at which everything is ready to eat, whatever the order. Each relaxes something that a plan must keep
 * (which station a piece belongs to, what else the adult does), so no plan beats them; the largest counts.
 */

/**
 * Minimum number of testers that the first use of a unit costs this group: 1 if several stations, else the lesser of testers and pieces.
 */
const sureTesters = (net: Network, nodes: readonly Node[]): number =>
  // Beside what is eaten there is batter for all of them, but at the end of the first of two mixes.
  net.given !== null && nodes.every((node) => node.job.mixes !== 2)
    ? net.testers
    : Math.min(net.testers, nodes.length > 1 ? 1 : (nodes[0]?.pieces ?? 0));

/** Earliest moment at which a unit was tried by a station outside the group and is free again; Infinity where no station can. */
const triedByOthers = (
  net: Network,
  others: readonly Node[],
  unit: number,
  readyOf: (node: Node) => Seconds,
): Seconds =>
  inSeconds(
    others.reduce(
      (least, node) =>
        (node.places[unit] ?? 0) < 1
          ? least
          : Math.min(
              least,
              Math.max(readyOf(node), net.hotAt[unit] ?? 0) +
                Math.min(net.testers, 1) * (node.loadOn[unit]?.[1] ?? 0) +
                node.between,
            ),
      Infinity,
    ),
  );

/** Least demand of a group of stations on one unit. */
interface Least {
  readonly places: number;
  /** Seconds of a load by pieces. */
  readonly load: readonly Seconds[];
  readonly between: Seconds;
  readonly tester: Seconds;
  /** Seconds by which rounding makes a load shorter than its pours, at the most. */
  readonly rounding: Seconds;
}

function leastOf(net: Network, nodes: readonly Node[], unit: number): Least | undefined {
  const own = nodes.filter((node) => (node.places[unit] ?? 0) > 0);
  if (own.length === 0) return undefined;
  const here = [...new Set(own.flatMap((node) => leadsOn(net, node, unit)))];
  const places = Math.max(...here.map((node) => node.places[unit] ?? 0));
  // By whoever is quickest with so many.
  const load = Array.from({ length: places + 1 }, (_, count) =>
    smallest(
      ...here.flatMap((node) =>
        (node.places[unit] ?? 0) >= count ? [node.loadOn[unit]?.[count] ?? inSeconds(Infinity)] : [],
      ),
    ),
  );
  const pour = places > 1 ? ((load[places] ?? 0) - (load[1] ?? 0)) / (places - 1) : 0;
  return {
    places,
    load,
    rounding: largest(
      inSeconds(0),
      ...load.slice(1).map((seconds, at) => inSeconds((load[1] ?? 0) + at * pour - seconds)),
    ),
    between: smallest(...here.map((node) => node.between)),
    tester: smallest(...here.map((node) => node.loadOn[unit]?.[1] ?? inSeconds(0))),
  };
}

/**
 * Most pieces that one unit can finish by `until` if nobody can use it before `from`.
 * @param areCounted its testers count as pieces.
 */
function mostPieces(
  { places, load, between, tester, rounding }: Least,
  testers: number,
  from: Seconds,
  until: Seconds,
  areCounted = true,
): number {
  let at = from;
  let pieces = 0;
  for (let n = 0; n < testers; n += 1) {
    if (at + tester > until) return pieces;
    at = plus(at, tester);
    if (areCounted) pieces += 1;
  }
  if (until <= at) return pieces;
  const full = load[places] ?? Infinity;
  // Loads that are full, and after them one that is as full as still fits; or the same number of loads, each a little less full.
  const loads = Math.floor((until - at + between) / (full + between));
  let most = loads * places;
  const one = load[1] ?? Infinity;
  const pour = places > 1 ? (full - one) / (places - 1) : 0;
  const upTo = Math.floor((until - at + between) / Math.max(1, one + between - rounding));
  for (let count = loads; count <= upTo; count += 1) {
    if (count < 1) continue;
    const forPours = until - at + between - count * (one + between - rounding);
    const fit = pour > 0 ? count + Math.floor(forPours / pour + 1e-9) : count * places;
    most = Math.max(most, Math.min(count * places, fit));
    if (fit < most) break;
  }
  return pieces + most;
}

/** Binary search: the smallest whole second, not before `from`, at which a monotone predicate holds. */
function leastThat(holds: (at: Seconds) => boolean, from: Seconds): Seconds {
  let step = inSeconds(64);
  let high = largest(inSeconds(1), from);
  while (!holds(high) && high < 4e6) {
    high = plus(high, step);
    step = times(step, 2);
  }
  let low = largest(inSeconds(0), from);
  while (low < high) {
    const middle = inSeconds(Math.floor((low + high) / 2));
    if (holds(middle)) high = middle;
    else low = plus(middle, inSeconds(1));
  }
  return low;
}

/** Earliest first pour of each station, over both ways to schedule the demonstration’s load. */
function soonest(net: Network): { readonly mix: Seconds; readonly readyOf: (node: Node) => Seconds } {
  const { shown, demoMixEnd } = net;
  if (!shown) return { mix: demoMixEnd, readyOf: (node) => plus(demoMixEnd, node.readyAfter) };
  const hot = Math.min(...shown.units.map((unit) => net.shownHotAt[unit] ?? 0));
  const first = plus(largest(demoMixEnd, inSeconds(hot)), shown.seconds);
  const mixed = net.nodes.reduce((last, node) => largest(last, plus(demoMixEnd, node.handsAfter)), demoMixEnd);
  const after = plus(largest(mixed, inSeconds(hot)), shown.seconds);
  return {
    mix: demoMixEnd,
    readyOf: (node) => smallest(largest(plus(demoMixEnd, node.readyAfter), after), plus(first, node.readyAfter)),
  };
}

/** Least number of loads of a station, on its largest unit, and their seconds at the heat. */
function heatOf(
  net: Network,
  node: Node,
): { readonly loads: number; readonly seconds: Seconds; readonly between: Seconds } {
  const most = Math.max(1, ...node.units.map((unit) => node.places[unit] ?? 0));
  let loads = 0;
  let seconds = inSeconds(0);
  for (const { pieces } of node.segments) {
    const full = Math.floor(pieces / most);
    const rest = pieces - full * most;
    loads += full + (rest > 0 ? 1 : 0);
    seconds = plus(
      seconds,
      plus(times(node.load[most] ?? inSeconds(0), full), rest > 0 ? (node.load[rest] ?? inSeconds(0)) : inSeconds(0)),
    );
  }
  return { loads, seconds, between: node.between };
}

/** Least seconds of washing: each surface begins with one dish, every further dish costs a wash. */
function leastWashes(net: Network, group: readonly Node[], units: readonly number[]): Seconds {
  if (!net.washes || units.some((unit) => net.isClearable[unit] !== true)) return inSeconds(0);
  const dishes = new Set(group.map((node) => node.recipe)).size;
  return inSeconds(Math.max(0, dishes - units.length) * Math.min(...units.map((unit) => net.rewash[unit] ?? 0)));
}

/** Lower bound from one washed unit: its wash and the two shortest loads around it. */
function washedBound(net: Network, group: readonly Node[], units: readonly number[], ready: Seconds): Seconds {
  const hot = Math.min(...units.map((unit) => net.hotAt[unit] ?? 0));
  const shortest = Math.min(...group.map((node) => node.load[1] ?? 0));
  const between = Math.min(...group.map((node) => node.between));
  return plus(
    plus(plus(largest(ready, inSeconds(hot)), inSeconds(2 * shortest)), inSeconds(between)),
    smallest(...units.map((unit) => net.rewash[unit] ?? inSeconds(0))),
  );
}

/** Units that a bound treats alike: same surface, hot at the same moment. */
interface Kind {
  readonly count: number;
  readonly from: Seconds;
  readonly unit: number;
}

/**
 * Bound of a linear relaxation: pieces split freely over all surfaces, each piece taking its share of a full load and of the adults’
 * places. Computed by its dual: any weights on kinds of surface and on places at the heat give a bound; subgradient steps improve them.
 */
function byRates(net: Network, group: readonly Node[], units: readonly number[], ready: Seconds): Seconds {
  const kinds: Kind[] = [];
  const bySurface = new Map<string, number[]>();
  for (const unit of units) {
    const surface = `${net.units[unit]?.surfaceId ?? ""} ${net.hotAt[unit] ?? 0}`;
    bySurface.set(surface, [...(bySurface.get(surface) ?? []), unit]);
  }
  for (const row of bySurface.values())
    kinds.push({ count: row.length, from: largest(ready, net.hotAt[row[0] ?? 0] ?? inSeconds(0)), unit: row[0] ?? 0 });
  // A unit that is hot only after everything is done does nothing, and holds nothing up: those that are hot sooner are tried first.
  kinds.sort((a, b) => a.from - b.from);
  for (let count = 1; count < kinds.length; count += 1) {
    const next = kinds[count]?.from ?? inSeconds(Infinity);
    if (next === kinds[count - 1]?.from) continue;
    const sooner = ratesOf(net, group, kinds.slice(0, count));
    if (sooner <= next) return largest(sooner, kinds[count - 1]?.from ?? inSeconds(0));
  }
  return ratesOf(net, group, kinds);
}

/** Stations whose load may hold a piece of a station on a unit: in an oven also those that bake alike, by their own times. */
const leadsOn = (net: Network, node: Node, unit: number): readonly Node[] =>
  net.isOven[unit] === true ? net.nodes.filter((one) => net.alike[one.recipe]?.[node.recipe] === true) : [node];

/** Least seconds of a surface, and of an adult at it, that one piece takes its share of; undefined where none lies on it. */
function rateOn(net: Network, node: Node, unit: number): { surface: number; heat: number } | undefined {
  if ((node.places[unit] ?? 0) < 1) return undefined;
  const least = { surface: Infinity, heat: Infinity };
  for (const one of leadsOn(net, node, unit))
    for (let pieces = 1; pieces <= (one.places[unit] ?? 0); pieces += 1) {
      const load = one.loadOn[unit]?.[pieces] ?? inSeconds(0);
      least.surface = Math.min(least.surface, (load + one.between) / pieces);
      least.heat = Math.min(least.heat, load / pieces);
    }
  return least;
}

/** The bound of {@link byRates} where all units are in use; Infinity where some pieces lie on none of them. */
function ratesOf(net: Network, group: readonly Node[], kinds: readonly Kind[]): Seconds {
  const dishes = new Map<number, { pieces: number; node: Node }>();
  for (const node of group) {
    const known = dishes.get(node.recipe);
    if (known) known.pieces += node.pieces;
    else dishes.set(node.recipe, { pieces: node.pieces, node });
  }
  const rows = [...dishes.values()].map(({ pieces, node }) => ({
    pieces,
    at: kinds.map(({ unit }) => rateOn(net, node, unit)),
  }));
  if (rows.some(({ at }) => at.every((one) => one === undefined))) return inSeconds(Infinity);
  const between = Math.max(
    ...kinds.flatMap(({ unit }) => group.flatMap((node) => leadsOn(net, node, unit))).map((node) => node.between),
  );
  const shared = kinds.some(({ unit }) => net.isOven[unit] === true);
  const hot = shared ? null : net.hotPlaces;
  // Weights: one for each kind, and one for the places at the heat; each times its count adds up to one.
  const counts = [...kinds.map((kind) => kind.count), ...(hot === null ? [] : [hot])];
  const spared = net.testers * between;
  const valueOf = (weights: readonly number[]): number => {
    let value = 0;
    for (const { pieces, at } of rows) {
      let least = Infinity;
      at.forEach((one, k) => {
        if (one)
          least = Math.min(
            least,
            (weights[k] ?? 0) * one.surface + (hot === null ? 0 : (weights[kinds.length] ?? 0) * one.heat),
          );
      });
      value += least === Infinity ? 0 : least * pieces;
    }
    kinds.forEach(({ count, from }, k) => {
      value += (weights[k] ?? 0) * count * (from - between - spared);
    });
    if (hot !== null) value += (weights[kinds.length] ?? 0) * hot * Math.min(...kinds.map((kind) => kind.from));
    return value;
  };
  // What arithmetic left behind the point is no second.
  const wholeSeconds = (value: number): Seconds => inSeconds(Math.ceil(value - 1e-6));
  // One dish on one kind of surface is a straight line in the weights: its best is at an end of it.
  if (rows.length === 1 && kinds.length === 1)
    return wholeSeconds(
      Math.max(...counts.map((count, at) => valueOf(counts.map((_, k) => (k === at ? 1 / count : 0))))),
    );
  const total = counts.reduce((sum, count) => sum + count, 0);
  let weights = counts.map(() => 1 / total);
  let best = valueOf(weights);
  for (let step = 0.5; step > 0.002; step /= 2)
    for (let hasGained = true, rounds = 0; hasGained && rounds < 12; rounds += 1) {
      hasGained = false;
      for (let a = 0; a < counts.length; a += 1)
        for (let b = 0; b < counts.length; b += 1) {
          if (a === b) continue;
          const moved = (weights[a] ?? 0) * step;
          if (moved <= 0) continue;
          const next = weights.map((weight, k) =>
            k === a ? weight - moved : k === b ? weight + (moved * (counts[a] ?? 1)) / (counts[b] ?? 1) : weight,
          );
          const value = valueOf(next);
          if (value > best + 1e-9) {
            best = value;
            weights = next;
            hasGained = true;
          }
        }
    }
  return wholeSeconds(best);
}

/**
 * The largest of all lower bounds.
 * @returns seconds since the doors opened.
 */
export function boundOf(of: Network): Seconds {
  const asked = of.least ?? of;
  // Who has first what goes round is only one of the orders it could go round in: nothing is claimed of the others.
  const net = asked.input.goesRound
    ? network(
        { ...asked.input, goesRound: undefined },
        { given: asked.given, eaten: asked.nodes.map((node) => node.eaten) },
      )
    : asked;
  const { readyOf, mix } = soonest(net);
  const nodes = net.nodes.filter((node) => node.pieces > 0);
  const placed = nodes.filter((node) => node.units.length > 0);
  let bound = Math.max(0, ...nodes.map((node) => mix + node.mixedAfter + node.besideSeconds));
  if (net.shown) bound = Math.max(bound, net.demoMixEnd + net.shown.seconds);
  const least = new Map<string, Least | undefined>();
  const leastFor = (key: string, group: readonly Node[], unit: number) => {
    const name = `${key} ${unit}`;
    if (!least.has(name)) least.set(name, leastOf(net, group, unit));
    return least.get(name);
  };

  // Groups of stations, and every unit any of them may use: each station by itself, and nested sets of units from the scarcest on.
  const masks = new Map<string, { units: Set<number>; group: Node[] }>();
  for (const node of placed) {
    const key = node.units.join(",");
    const found = masks.get(key) ?? { units: new Set(node.units), group: [] };
    found.group.push(node);
    masks.set(key, found);
  }
  const sets = [...masks.values()].sort((a, b) => a.units.size - b.units.size);
  const groups: { key: string; units: number[]; group: Node[] }[] = [];
  const seen = new Set<string>();
  const addGroup = (units: Set<number>) => {
    const group = sets.filter((one) => [...one.units].every((unit) => units.has(unit))).flatMap((one) => one.group);
    const key = `${[...units].sort((a, b) => a - b).join(",")}|${group.map((node) => node.index).join(",")}`;
    if (seen.has(key) || group.length === 0) return;
    seen.add(key);
    groups.push({ key, units: [...units], group });
  };
  // A set of one station is bounded by itself below.
  for (const one of sets) if (one.group.length > 1) addGroup(one.units);
  if (sets.length > 1 && sets.length <= 12) {
    for (const a of sets)
      for (const b of sets)
        if (a !== b && [...a.units].some((unit) => b.units.has(unit))) addGroup(new Set([...a.units, ...b.units]));
    addGroup(new Set(sets.flatMap((one) => [...one.units])));
  }
  const known = new Set<string>();
  for (const node of placed) {
    // Stations of one dish and as many pieces, on surfaces of one kind, are one to a bound.
    const same = [
      node.recipe,
      node.pieces,
      ...node.units.map((unit) => `${net.units[unit]?.surfaceId ?? ""} ${net.units[unit]?.number ?? 0}`),
    ].join();
    if (known.has(same)) continue;
    known.add(same);
    const key = `one ${node.units.length} ${node.index}`;
    groups.push({ key, units: [...node.units], group: [node] });
  }

  for (const { key, units, group } of groups) {
    const ready = Math.min(...group.map(readyOf));
    const after = Math.min(...group.map((node) => node.afterSeconds));
    const wanted = group.reduce((sum, node) => sum + node.pieces, 0);
    const eaten = group.reduce((sum, node) => sum + node.eaten, 0);
    // Whoever is kept apart has one of them.
    const isOnOne = group.length === 1 && group[0]?.isApart === true;
    const testers = sureTesters(net, group);
    const others = testers > 0 && group.length < placed.length ? placed.filter((node) => !group.includes(node)) : [];
    const all = units.flatMap((unit) => {
      const one = leastFor(key, group, unit);
      return one
        ? [
            {
              one,
              from: Math.max(ready, net.hotAt[unit] ?? 0),
              tried: Math.max(ready, triedByOthers(net, others, unit, readyOf)),
              isShown: net.shown?.units.includes(unit) ?? false,
            },
          ]
        : [];
    });
    // The unit on which the load is shown needs no tester: which it is, is open, so the best is spared.
    const most = (until: Seconds, areCounted: boolean) => {
      let [sum, spared, best] = [0, 0, 0];
      for (const { one, from, tried, isShown } of all) {
        const own = mostPieces(one, testers, inSeconds(from), until, areCounted);
        const pieces = tried < until ? Math.max(own, mostPieces(one, 0, inSeconds(tried), until)) : own;
        sum += pieces;
        const untried = isShown && testers > 0 ? mostPieces(one, 0, inSeconds(from), until) : pieces;
        spared = Math.max(spared, untried - pieces);
        best = Math.max(best, pieces, untried);
      }
      return isOnOne ? best : sum + spared;
    };
    const enough = (until: Seconds) => most(until, true) >= wanted && (eaten === 0 || most(until, false) >= eaten);
    bound = Math.max(bound, leastThat(enough, inSeconds(ready)) + after);
    const rates = isOnOne
      ? Math.min(...units.map((unit) => byRates(net, group, [unit], inSeconds(ready))))
      : byRates(net, group, units, inSeconds(ready));
    bound = Math.max(bound, rates + after);

    // Loads are of one station each, but on ovens: so many loads at the least, each with its sides, its pours and the greasing after it.
    if (units.every((unit) => net.isOven[unit] !== true) && units.length > 0) {
      const heat = group.map((node) => heatOf(net, node));
      const between = Math.max(...heat.map((one) => one.between));
      const loads = heat.reduce((sum, one) => sum + one.loads, 0);
      // A tester is a load of one without the greasing.
      const spared = net.testers * units.length * between;
      const taken = heat.reduce((sum, one) => sum + one.seconds + one.loads * one.between, 0) - spared;
      const quickest = Math.min(...group.map((node) => (node.load[1] ?? 0) + node.between));
      const washed = leastWashes(net, group, units);
      const room = (until: Seconds) => {
        let seconds = 0;
        let count = 0;
        for (const { from } of all) {
          const open = until - from + between;
          if (open <= between) continue;
          seconds += open;
          if (quickest > 0) count += Math.floor(open / quickest);
        }
        return seconds >= taken + washed && (quickest <= 0 || net.testers > 0 || count >= loads);
      };
      bound = Math.max(bound, leastThat(room, inSeconds(ready)) + after);
      // Where dishes outnumber the surfaces, some surface is washed between two of them.
      if (washed > 0) bound = Math.max(bound, washedBound(net, group, units, inSeconds(ready)) + after);
    }
  }

  // As many places at the heat as adults can watch.
  if (net.hotPlaces !== null && placed.length > 0) {
    const ready = Math.min(...placed.map(readyOf));
    const heat = placed
      .filter((node) => node.units.every((unit) => net.isOven[unit] !== true))
      .reduce((sum, node) => sum + heatOf(net, node).seconds, 0);
    const hottest = Math.min(...placed.map((node) => Math.min(...node.units.map((unit) => net.hotAt[unit] ?? 0))));
    bound = Math.max(
      bound,
      Math.max(ready, hottest) +
        Math.floor(heat / net.hotPlaces) +
        Math.min(...placed.map((node) => node.afterSeconds)),
    );
  }

  // What batter is poured with: all pours of those who share it one after the other, and the last piece still to be cooked.
  for (const { thing, count } of asked.input.goesRound ?? []) {
    const sharing = placed.filter((node) => asked.nodes[node.index]?.pouredWith === thing);
    if (sharing.length === 0) continue;
    const begin = Math.min(
      ...sharing.map((node) => Math.max(readyOf(node), Math.min(...node.units.map((unit) => net.hotAt[unit] ?? 0)))),
    );
    // Each load is rounded to a second, and may be of one piece.
    const pours = sharing.reduce((sum, node) => {
      const all =
        pouringSeconds(node.job.recipe, node.pieces, net.input.pace) - pouringSeconds(node.job.recipe, inPieces(0), 1);
      return sum + Math.max(0, all - 0.5 - node.pieces / 2);
    }, 0);
    const after = Math.min(
      ...sharing.map(
        (node) =>
          Math.max(0, (node.load[0] ?? 0) - pouringSeconds(node.job.recipe, inPieces(0), 1)) + node.afterSeconds,
      ),
    );
    bound = Math.max(bound, begin + Math.floor(pours / count) + after - 1);
  }
  return inSeconds(bound);
}
