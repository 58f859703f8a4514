import { type Seconds, inSeconds, largest, smallest, plus, inPieces, times } from "~/core/quantity";
import { type Least, leadsOn, leastOf, leastThat, mostPieces } from "./capacity";
import { pouringSeconds } from "./durations";
import { type Network, type Node, network } from "./network";
import { leastWashes, partedBound, washedBound } from "./wash-bounds";

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
    const { surfaceId = "", stationId = "" } = net.units[unit] ?? {};
    const surface = `${surfaceId} ${stationId ?? ""} ${net.hotAt[unit] ?? 0}`;
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
  // What may lie on the same units by the same times is one row.
  const dishes = new Map<string, { pieces: number; node: Node }>();
  for (const node of group) {
    const key = `${node.recipe} ${node.units.join()}`;
    const known = dishes.get(key);
    if (known) known.pieces += node.pieces;
    else dishes.set(key, { pieces: node.pieces, node });
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

/** Stations that share units, and every unit that any of them may use; see {@link groupsOf}. */
interface Group {
  /** Equal for groups whose demand on a unit is the same. */
  readonly key: string;
  readonly units: readonly number[];
  readonly nodes: readonly Node[];
}

/** Each station by itself, and sets of stations by nested sets of units, from the scarcest on. */
function groupsOf(net: Network, placed: readonly Node[]): Group[] {
  const masks = new Map<string, { units: Set<number>; group: Node[] }>();
  for (const node of placed) {
    const key = node.units.join(",");
    const found = masks.get(key) ?? { units: new Set(node.units), group: [] };
    found.group.push(node);
    masks.set(key, found);
  }
  const sets = [...masks.values()].sort((a, b) => a.units.size - b.units.size);
  const groups: Group[] = [];
  const seen = new Set<string>();
  const addGroup = (units: Set<number>) => {
    const nodes = sets.filter((one) => [...one.units].every((unit) => units.has(unit))).flatMap((one) => one.group);
    const key = `${[...units].sort((a, b) => a - b).join(",")}|${nodes.map((node) => node.index).join(",")}`;
    if (seen.has(key) || nodes.length === 0) return;
    seen.add(key);
    groups.push({ key, units: [...units], nodes });
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
    groups.push({ key: `one ${node.units.length} ${node.index}`, units: [...node.units], nodes: [node] });
  }
  return groups;
}

/** What a group wants of each of its units, and from when each is free for it. */
interface Offer {
  readonly one: Least;
  readonly from: Seconds;
  /** From when a tester of somebody outside the group may have proved it. */
  readonly tried: Seconds;
  readonly isShown: boolean;
}

/** The least moment by which the units hold all pieces of a group, testers counted and not. */
function byPieces(net: Network, { nodes }: Group, offers: readonly Offer[], ready: Seconds): Seconds {
  const wanted = nodes.reduce((sum, node) => sum + node.pieces, 0);
  const eaten = nodes.reduce((sum, node) => sum + node.eaten, 0);
  const testers = sureTesters(net, nodes);
  // Whoever is kept apart has one of them.
  const isOnOne = nodes.length === 1 && nodes[0]?.isApart === true;
  // The unit on which the load is shown needs no tester: which it is, is open, so the best is spared.
  const most = (until: Seconds, areCounted: boolean) => {
    let [sum, spared, best] = [0, 0, 0];
    for (const { one, from, tried, isShown } of offers) {
      const own = mostPieces(one, testers, from, until, areCounted);
      const pieces = tried < until ? Math.max(own, mostPieces(one, 0, tried, until)) : own;
      sum += pieces;
      const untried = isShown && testers > 0 ? mostPieces(one, 0, from, until) : pieces;
      spared = Math.max(spared, untried - pieces);
      best = Math.max(best, pieces, untried);
    }
    return isOnOne ? best : sum + spared;
  };
  return leastThat((until) => most(until, true) >= wanted && (eaten === 0 || most(until, false) >= eaten), ready);
}

/**
 * Loads are of one station each, but on ovens: so many loads at the least, each with its sides, its pours and the greasing after it, and
 * the washes between dishes.
 */
function byLoads(net: Network, { nodes, units }: Group, froms: readonly Seconds[], ready: Seconds): Seconds {
  const heat = nodes.map((node) => heatOf(net, node));
  const between = Math.max(...heat.map((one) => one.between));
  const loads = heat.reduce((sum, one) => sum + one.loads, 0);
  // A tester is a load of one without the greasing.
  const spared = net.testers * units.length * between;
  const taken = heat.reduce((sum, one) => sum + one.seconds + one.loads * one.between, 0) - spared;
  const quickest = Math.min(...nodes.map((node) => (node.load[1] ?? 0) + node.between));
  const roomFor = (washes: number) => (until: Seconds) => {
    let seconds = 0;
    let count = 0;
    for (const from of froms) {
      const open = until - from + between;
      if (open <= between) continue;
      seconds += open;
      if (quickest > 0) count += Math.floor(open / quickest);
    }
    return seconds >= taken + washes && (quickest <= 0 || net.testers > 0 || count >= loads);
  };
  const washed = leastWashes(net, nodes, units);
  const bounds = [leastThat(roomFor(washed), ready)];
  // As few washes as can be part the dishes; one more costs its time.
  const isWashed = net.washes && units.every((unit) => net.isClearable[unit] === true);
  if (isWashed && new Set(nodes.map((node) => node.recipe)).size > 1) {
    const oneMore = washed + Math.min(...units.map((unit) => net.rewash[unit] ?? 0));
    // The unit on which the load is shown needs no tester, and others may have tried one.
    const isWhole = net.shown === null && nodes.length === net.nodes.filter((node) => node.pieces > 0).length;
    const parted = partedBound(
      net,
      nodes,
      units,
      isWhole ? sureTesters(net, nodes) : 0,
      units.map((unit) => largest(ready, net.hotAt[unit] ?? inSeconds(0))),
    );
    bounds.push(inSeconds(Math.min(parted, leastThat(roomFor(oneMore), ready))));
  }
  // Where dishes outnumber the surfaces, some surface is washed between two of them.
  if (washed > 0) bounds.push(washedBound(net, nodes, units, ready));
  return largest(...bounds);
}

/** As many places at the heat as adults can watch. */
function byAdults(net: Network, placed: readonly Node[], readyOf: (node: Node) => Seconds): number {
  if (net.hotPlaces === null || placed.length === 0) return 0;
  const heat = placed
    .filter((node) => node.units.every((unit) => net.isOven[unit] !== true))
    .reduce((sum, node) => sum + heatOf(net, node).seconds, 0);
  const hottest = Math.min(...placed.map((node) => Math.min(...node.units.map((unit) => net.hotAt[unit] ?? 0))));
  return (
    Math.max(Math.min(...placed.map(readyOf)), hottest) +
    Math.floor(heat / net.hotPlaces) +
    Math.min(...placed.map((node) => node.afterSeconds))
  );
}

/** What batter is poured with: all pours of those who share it one after the other, and the last piece still to be cooked. */
function byPouring(asked: Network, net: Network, placed: readonly Node[], readyOf: (node: Node) => Seconds): number {
  let bound = 0;
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
  return bound;
}

/**
 * The largest of all lower bounds.
 * @param of a network; where testers come on top of what is eaten its bound is that of the least each station makes.
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
  let bound = Math.max(
    0,
    ...nodes.map((node) => mix + node.mixedAfter + node.besideSeconds),
    net.shown ? net.demoMixEnd + net.shown.seconds : 0,
    byAdults(net, placed, readyOf),
    byPouring(asked, net, placed, readyOf),
  );
  const known = new Map<string, Least | undefined>();
  const leastFor = (key: string, group: readonly Node[], unit: number) => {
    const name = `${key} ${unit}`;
    if (!known.has(name)) known.set(name, leastOf(net, group, unit));
    return known.get(name);
  };
  for (const group of groupsOf(net, placed)) {
    const { key, units, nodes: own } = group;
    const ready = inSeconds(Math.min(...own.map(readyOf)));
    const after = Math.min(...own.map((node) => node.afterSeconds));
    const isTried = sureTesters(net, own) > 0 && own.length < placed.length;
    const others = isTried ? placed.filter((node) => !own.includes(node)) : [];
    const offers = units.flatMap((unit): Offer[] => {
      const one = leastFor(key, own, unit);
      return one
        ? [
            {
              one,
              from: largest(ready, net.hotAt[unit] ?? inSeconds(0)),
              tried: largest(ready, triedByOthers(net, others, unit, readyOf)),
              isShown: net.shown?.units.includes(unit) ?? false,
            },
          ]
        : [];
    });
    const isOnOne = own.length === 1 && own[0]?.isApart === true;
    const rates = isOnOne
      ? Math.min(...units.map((unit) => byRates(net, own, [unit], ready)))
      : byRates(net, own, units, ready);
    bound = Math.max(bound, byPieces(net, group, offers, ready) + after, rates + after);
    if (units.length > 0 && units.every((unit) => net.isOven[unit] !== true))
      bound = Math.max(
        bound,
        byLoads(
          net,
          group,
          offers.map((one) => one.from),
          ready,
        ) + after,
      );
  }
  return inSeconds(bound);
}
