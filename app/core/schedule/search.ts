import { inPieces, minus, sumOf, smallest, plus } from "~/core/quantity";
import { uniformInt } from "pure-rand/distribution/uniformInt";
import { xoroshiro128plus } from "pure-rand/generator/xoroshiro128plus";
import { boundOf } from "./bounds";
import { inFixedOrder } from "./fixed-order";
import type { Gene, Genes } from "./laid";
import { genesOf } from "./lay";
import { type Network, type Networks, networksOf } from "./network";
import type { Order } from "./order";
import { type Candidate, byGenes, byRule, bestByRule, turnsOf } from "./rules";
import { genesFrom, orderFrom } from "./schedule";
import { timelineOf } from "./timeline";
import type { ScheduleInput, Timeline } from "./types";
import { type Score, compareScores, compareWindows } from "./windows";

/** Number of schedules that a search evaluates: fixed, so that every machine finds the same plan. */
export interface Effort {
  readonly starts: number;
  readonly schedulesEach: number;
  /** Another seed for its chance: for measuring how much chance matters. */
  readonly seed?: number;
}

/** Number of pieces up to which twice as many starts are searched. */
const smallClass = 12;

/** Number of pieces above which fewer schedules are searched the more there are. */
const largeClass = 1000;
/** Pieces that are laid between two yields of the search: some hundredths of a second, so that who shares its thread is not kept waiting. */
const piecesBetweenYields = 1500;

/** Default effort: four starts, with fewer schedules per start the longer each takes. */
export function usualEffort(input: ScheduleInput): Effort {
  const pieces = input.stations.reduce((sum, job) => sum + job.pieces, 0);
  const by = (count: number, most: number) => Math.min(most, Math.round(count / Math.max(1, pieces)));
  // A small class is laid in no time, and in it every load counts: from twice as many starts it misses the best once in thousands.
  const starts = pieces <= smallClass ? 8 : 4;
  // Of hundreds of tables one schedule takes a tenth of a second: fewer of them.
  if (pieces > largeClass) return { starts, schedulesEach: Math.max(50, by(largeClass * 1000, 1000)) };
  return { starts, schedulesEach: Math.max(1000, by(160_000, 2000), by(90_000, 6000)) };
}

export interface SearchProgress {
  readonly laid: number;
  readonly of: number;
  readonly bestServed: number;
}

export interface Found {
  readonly order: Order;
  readonly timeline: Timeline;
}

/** How a start is improved: only to what is no worse, or by annealing, which takes worse orders the more rarely the longer it runs. */
interface Manner {
  readonly withBlocks: boolean;
  /** About how many seconds of a later plate are taken at even odds, at the begin and at the end; null to take nothing worse. */
  readonly heat: { readonly from: number; readonly to: number } | null;
}

/** Different manners miss different orders: the starts take turns at them. */
const climbing: Manner = { withBlocks: true, heat: null };
const manners: readonly Manner[] = [
  climbing,
  { withBlocks: true, heat: { from: 300, to: 5 } },
  climbing,
  { withBlocks: false, heat: { from: 120, to: 3 } },
];

/** What annealing makes small, in seconds: the last plate, and batter that is poured too late, which counts for more `forWindows`. */
function costOf({ uncleared, broken, late, served, waits }: Score, stations: number, forWindows: boolean): number {
  const tooLate = broken > 0 ? (forWindows ? 1800 + 2 * late : 900 + 0.3 * late) : 0;
  return uncleared * 1e5 + served + tooLate + (0.1 * waits) / Math.max(1, stations);
}

/** Seeded random integers below `n`, equal in every engine. */
class Dice {
  private readonly source;
  constructor(seed = 20_241_126) {
    this.source = xoroshiro128plus(seed);
  }
  below(n: number): number {
    return n <= 1 ? 0 : uniformInt(this.source, 0, n - 1);
  }
  chance(percent: number): boolean {
    return this.below(100) < percent;
  }
}

/** The unit that finishes last: moving work off it can shorten the makespan. */
function lastUnit({ laid }: Candidate): number {
  let last = laid.loads[0];
  for (const load of laid.loads) if (last && load.end > last.end) last = load;
  return last?.unit ?? -1;
}

/**
 * Applies one random move of many loads at once: what small moves reach only over worse orders, where dishes are washed between, where
 * every surface costs its testers, or where somebody has a surface to themselves.
 */
function moveBlock(net: Network, { loads }: Genes, gene: Gene, dice: Dice, unitFor: (gene: Gene) => number): void {
  const lead = (one: Gene) => net.nodes[one.stations[0] ?? -1];
  const recipe = lead(gene)?.recipe;
  const together = (own: readonly Gene[], at: number) => {
    const rest = loads.filter((one) => !own.includes(one));
    rest.splice(Math.min(at, rest.length), 0, ...own);
    loads.splice(0, loads.length, ...rest);
  };
  const kind = dice.below(6);
  if (kind === 0) {
    // All loads of a station on one unit, together.
    const unit = unitFor(gene);
    const own = loads.filter((one) => one.stations[0] === gene.stations[0] && one.stations.length === 1);
    for (const one of own) one.unit = unit;
    together(own, dice.below(loads.length - own.length + 1));
  } else if (kind === 1) {
    // The loads of a dish on a unit together, where its first is: one wash instead of several.
    const own = loads.filter((one) => one.unit === gene.unit && lead(one)?.recipe === recipe);
    together(own, loads.indexOf(own[0] ?? gene));
  } else if (kind === 2) {
    // Two stations of one dish change places in all their loads.
    const others = net.nodes.filter((node) => node.recipe === recipe && node.index !== gene.stations[0]);
    const other = others[dice.below(others.length)]?.index;
    const own = gene.stations[0];
    if (other === undefined || own === undefined) return;
    for (const one of loads)
      one.stations = one.stations.map((station) => (station === own ? other : station === other ? own : station));
  } else {
    // A unit is closed to a dish, or to everybody: its loads go where that dish is cooked already, or anywhere.
    const isForAll = kind === 5;
    const hosts = [
      ...new Set(loads.flatMap((one) => (one.unit !== gene.unit && lead(one)?.recipe === recipe ? [one.unit] : []))),
    ];
    const from = gene.unit;
    for (const one of loads) {
      if (one.unit !== from || one.stations.length > 1 || (!isForAll && lead(one)?.recipe !== recipe)) continue;
      const to = hosts.length > 0 && dice.chance(80) ? (hosts[dice.below(hosts.length)] ?? from) : unitFor(one);
      if ((lead(one)?.places[to] ?? 0) > 0) one.unit = to;
    }
  }
}

/** Of a hundred moves so many are of many loads at once. */
const blockMoves = 15;

/**
 * Applies one random move to an order; the kinds of move are the branches below.
 * @param last the unit that finishes last.  @param withBlocks also moves of many loads at once.
 */
function move(net: Network, genes: Genes, dice: Dice, last: number, withBlocks: boolean): void {
  const { loads } = genes;
  if (loads.length === 0) return;
  const pick = () => {
    const at = dice.below(loads.length);
    if (loads[at]?.unit === last || !dice.chance(40)) return at;
    const critical = loads.flatMap((gene, index) => (gene.unit === last ? [index] : []));
    return critical[dice.below(critical.length)] ?? at;
  };
  const unitFor = (gene: Gene): number => {
    const units = net.nodes[gene.stations[0] ?? -1]?.units ?? [];
    return units[dice.below(units.length)] ?? gene.unit;
  };
  const insert = (gene: Gene, near: number) => {
    // Near its old place as often as anywhere: what matters is mostly who goes before whom on one surface.
    const at = dice.chance(50)
      ? dice.below(loads.length + 1)
      : Math.max(0, Math.min(loads.length, near + dice.below(7) - 3));
    loads.splice(at, 0, gene);
  };
  /** Fills the load to its unit’s capacity; the decoder reduces later loads by what is missing. */
  const fill = (gene: Gene) => {
    if (gene.stations.length === 1)
      gene.pieces[0] = net.nodes[gene.stations[0] ?? -1]?.places[gene.unit] ?? inPieces(0);
  };
  if (withBlocks && dice.chance(blockMoves)) {
    const gene = loads[pick()];
    if (gene) moveBlock(net, genes, gene, dice, unitFor);
    return;
  }
  const kind = dice.below(100);
  if (kind < 30) {
    // Another place in the row, and now and then another unit.
    const at = pick();
    const [gene] = loads.splice(at, 1);
    if (!gene) return;
    if (dice.chance(60)) gene.unit = unitFor(gene);
    if (dice.chance(25)) fill(gene);
    insert(gene, at);
  } else if (kind < 50) {
    // Two change places, with their units or without.
    const [a, b] = [pick(), pick()];
    const [one, two] = [loads[a], loads[b]];
    if (!one || !two) return;
    loads[a] = two;
    loads[b] = one;
    if (dice.chance(50)) {
      const unit = one.unit;
      if ((net.nodes[one.stations[0] ?? -1]?.places[two.unit] ?? 0) > 0) one.unit = two.unit;
      if ((net.nodes[two.stations[0] ?? -1]?.places[unit] ?? 0) > 0) two.unit = unit;
    }
  } else if (kind < 60) {
    const gene = loads[pick()];
    if (!gene) return;
    gene.unit = unitFor(gene);
    if (dice.chance(40)) fill(gene);
  } else if (kind < 82) {
    // Pieces from one load of a station to another of it; an empty load goes.
    const a = pick();
    const from = loads[a];
    if (!from) return;
    const part = dice.below(from.stations.length);
    const station = from.stations[part] ?? -1;
    const others = loads.filter((gene) => gene !== from && gene.stations.includes(station));
    const to = others[dice.below(others.length)];
    if (!to) return;
    const there = to.stations.indexOf(station);
    const room = minus(net.nodes[station]?.places[to.unit] ?? inPieces(0), sumOf(to.pieces));
    const most = smallest(room, from.pieces[part] ?? inPieces(0));
    if (most < 1) return;
    const count = dice.chance(40) ? most : inPieces(1 + dice.below(most));
    from.pieces[part] = minus(from.pieces[part] ?? inPieces(0), count);
    to.pieces[there] = plus(to.pieces[there] ?? inPieces(0), count);
    if ((from.pieces[part] ?? 0) < 1) {
      from.pieces.splice(part, 1);
      from.stations.splice(part, 1);
      if (from.stations.length === 0) loads.splice(a, 1);
    }
  } else if (kind < 94) {
    // A load in two, the second on any unit; of an oven load, one dish out of it, or into another load.
    const at = pick();
    const gene = loads[at];
    if (!gene) return;
    const part = dice.below(gene.stations.length);
    const station = gene.stations[part] ?? -1;
    if (net.testers > 0 && dice.chance(25)) {
      // A surface may be tried and then left to others, or several tried at once.
      const trial: Gene = { unit: gene.unit, stations: [station], pieces: [inPieces(0)] };
      trial.unit = unitFor(trial);
      insert(trial, at);
      return;
    }
    const pieces = gene.pieces[part] ?? inPieces(0);
    const share =
      gene.stations.length > 1 || dice.chance(20) ? pieces : inPieces(1 + dice.below(Math.max(1, pieces - 1)));
    if (pieces < 1) return;
    const isWhole = share >= pieces;
    if (isWhole && gene.stations.length === 1 && net.isOven[gene.unit] !== true) return;
    gene.pieces[part] = minus(pieces, share);
    if (isWhole) {
      gene.pieces.splice(part, 1);
      gene.stations.splice(part, 1);
    }
    const ovens = loads.filter((one) => one !== gene && net.isOven[one.unit] === true && one.stations.length > 0);
    const host = dice.chance(60) ? ovens[dice.below(ovens.length)] : undefined;
    if (host && !host.stations.includes(station)) {
      host.stations.push(station);
      host.pieces.push(share);
    } else {
      const fresh: Gene = { unit: gene.unit, stations: [station], pieces: [share] };
      fresh.unit = unitFor(fresh);
      insert(fresh, at);
    }
    for (let n = loads.length - 1; n >= 0; n -= 1) if (loads[n]?.stations.length === 0) loads.splice(n, 1);
  } else if (kind < 97 && net.shown) {
    if (dice.chance(50)) genes.demoUnit = dice.below(net.shown.units.length);
    else genes.showsFirst = !genes.showsFirst;
  } else {
    // All loads of one station together, somewhere.
    const station = loads[pick()]?.stations[0] ?? -1;
    const own = loads.filter((gene) => gene.stations[0] === station);
    const rest = loads.filter((gene) => gene.stations[0] !== station);
    rest.splice(dice.below(rest.length + 1), 0, ...own);
    loads.splice(0, loads.length, ...rest);
  }
}

/** The same class without one of its rules: what is good there is often near the best here. */
function neighboursOf(input: ScheduleInput): ScheduleInput[] {
  return [
    ...(input.washesBetween === true ? [{ ...input, washesBetween: false }] : []),
    ...(input.stations.some((job) => job.cookBy)
      ? [{ ...input, stations: input.stations.map((job) => ({ ...job, cookBy: null })) }]
      : []),
    ...(input.hotPlaces === null ? [] : [{ ...input, hotPlaces: null }]),
  ];
}

/**
 * Start solutions: dispatching rules and station sequences, even and full loads, demonstration before or after mixing; orders of the
 * same class without one of its rules.
 */
function* startsOf(nets: Networks, input: ScheduleInput): Generator<Candidate, void, undefined> {
  const net = nets.first;
  const isAnyApart = net.nodes.some((node) => node.isApart);
  const firsts = net.shown ? [false, true] : [false];
  for (const showsFirst of firsts)
    for (const isEven of [true, false]) {
      yield byRule(nets, { inTurn: null, isEven, showsFirst });
      for (const inTurn of turnsOf(net))
        for (const spreads of net.testers > 0 ? [true, false] : [false])
          yield byRule(nets, { inTurn, isEven, showsFirst, spreads });
      if (isAnyApart) yield byRule(nets, { inTurn: null, isEven, showsFirst, claims: "soonest" });
    }
  for (const neighbour of neighboursOf(input)) {
    const { laid, genes } = bestByRule(networksOf(neighbour));
    yield byGenes(nets, genesOf(laid, genes.demoUnit, genes.showsFirst));
  }
}

/**
 * Iterated local search from the best rules: a fixed number of schedules from a fixed seed; ends early once the bound proves the
 * best. Windows that can all be kept rank before the makespan. Yields progress, so that the caller can show it or stop.
 */
export function* search(
  input: ScheduleInput,
  effort: Effort = usualEffort(input),
): Generator<SearchProgress, Found, undefined> {
  const asked = networksOf(input);
  const fixed = inFixedOrder(input);
  const nets = networksOf(fixed);
  const net = nets.first;
  const bound = boundOf(net);
  const dice = new Dice(effort.seed);
  const of = effort.starts * effort.schedulesEach;
  let laid = 0;
  const starts = [
    bestByRule(nets),
    byGenes(nets, genesFrom(net, orderFrom(bestByRule(asked)))),
    ...(input.order ? [byGenes(nets, genesFrom(net, input.order))] : []),
  ];
  let best = starts.reduce((so, one) => (compareScores(one.score, so.score) < 0 ? one : so));
  for (const start of startsOf(nets, fixed)) {
    starts.push(start);
    if (compareScores(start.score, best.score) < 0) best = start;
    yield { laid, of, bestServed: best.score.served };
  }
  const pieces = net.nodes.reduce((sum, node) => sum + node.pieces, 0);
  const between = Math.max(1, Math.round(piecesBetweenYields / Math.max(1, pieces)));
  const isProved = ({ score }: Candidate) => score.uncleared === 0 && score.broken === 0 && score.served <= bound;

  function* improve(
    from: Candidate,
    { withBlocks, heat }: Manner,
    forWindows: boolean,
  ): Generator<SearchProgress, void, undefined> {
    const compare = forWindows ? compareWindows : compareScores;
    const cost = (one: Candidate) => costOf(one.score, net.nodes.length, forWindows);
    const count = effort.schedulesEach;
    let here = from;
    let top = from;
    let since = 0;
    for (let n = 0; n < count && !isProved(best); n += 1) {
      // From the class as it was laid: what an order asked for and could not have is not asked for again.
      const genes = genesOf(here.laid, here.genes.demoUnit, here.genes.showsFirst);
      const isKick = heat === null && since > 0 && since % 250 === 0;
      const moves = isKick ? 4 : dice.chance(70) ? 1 : 2;
      const last = lastUnit(here);
      for (let m = 0; m < moves; m += 1) move(net, genes, dice, last, withBlocks);
      const next = byGenes(nets, genes);
      laid += 1;
      if (heat === null) {
        if (isKick || compare(next.score, here.score) <= 0) here = next;
      } else {
        const worse = cost(next) - cost(here);
        const left = 1 - n / count;
        const warm = heat.to + (heat.from - heat.to) * left * left * left;
        // Products instead of powers: the same in every engine.
        const odds = dice.below(1000) / 1000;
        if (worse <= 3 * warm * odds * odds) here = next;
      }
      if (compare(next.score, top.score) < 0) {
        top = next;
        since = 0;
      } else since += 1;
      if (compareScores(next.score, best.score) < 0) best = next;
      if (heat === null && since > 0 && since % 500 === 0) here = top;
      if (laid % between === 0) yield { laid, of, bestServed: best.score.served };
    }
  }

  const byScore = [...starts].sort((a, b) => compareScores(a.score, b.score));
  const distinct = byScore.filter(
    (one, at) => at === 0 || compareScores(one.score, byScore[at - 1]?.score ?? one.score) !== 0,
  );
  for (let n = 0; n < effort.starts && !isProved(best); n += 1) {
    const start = distinct[n % Math.max(1, distinct.length)] ?? best;
    // Whether all windows can be kept is found out first: only then does the last plate count for more.
    const forWindows = best.score.broken > 0 && n % 2 === 1;
    yield* improve(start, manners[n % manners.length] ?? climbing, forWindows);
  }
  const found = byGenes(asked, genesFrom(asked.first, orderFrom(best)));
  return { order: orderFrom(found), timeline: timelineOf(found) };
}

/** Runs {@link search} to its end. */
export function searchThrough(input: ScheduleInput, effort?: Effort): Found {
  const turns = search(input, effort);
  for (;;) {
    const { value, done } = turns.next();
    if (done === true) return value;
  }
}
