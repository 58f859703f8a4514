import { inPieces, minus, sumOf, smallest, plus } from "~/core/quantity";
import { uniformInt } from "pure-rand/distribution/uniformInt";
import { xoroshiro128plus } from "pure-rand/generator/xoroshiro128plus";
import { boundOf } from "./bounds";
import type { Gene, Genes } from "./lay";
import { type Network, type Networks, networksOf } from "./network";
import type { Order } from "./order";
import { type Candidate, byGenes, byRule, bestByRule, turnsOf } from "./rules";
import { genesFrom, orderFrom, timelineOf } from "./schedule";
import type { ScheduleInput, Timeline } from "./types";
import { type Score, compareScores, compareWindows } from "./windows";

/** Number of schedules that a search evaluates: fixed, so that every machine finds the same plan. */
export interface Effort {
  readonly starts: number;
  readonly schedulesEach: number;
}

/** Number of pieces up to which twice as many starts are searched. */
const smallClass = 12;

/** Default effort: four starts, with fewer schedules per start the longer each takes. */
export function usualEffort(input: ScheduleInput): Effort {
  const pieces = input.stations.reduce((sum, job) => sum + job.pieces, 0);
  const by = (count: number, most: number) => Math.min(most, Math.round(count / Math.max(1, pieces)));
  // A small class is laid in no time, and in it every load counts: from twice as many starts it misses the best once in thousands.
  return { starts: pieces <= smallClass ? 8 : 4, schedulesEach: Math.max(1000, by(160_000, 2000), by(90_000, 6000)) };
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

type Compare = (a: Score, b: Score) => number;

/** Seeded random integers below `n`, equal in every engine. */
class Dice {
  private readonly source = xoroshiro128plus(20_241_126);
  below(n: number): number {
    return n <= 1 ? 0 : uniformInt(this.source, 0, n - 1);
  }
  chance(percent: number): boolean {
    return this.below(100) < percent;
  }
}

const copyOf = (genes: Genes): Genes => ({
  ...genes,
  loads: genes.loads.map(({ unit, stations, pieces }) => ({ unit, stations: [...stations], pieces: [...pieces] })),
});

/** The unit that finishes last: moving work off it can shorten the makespan. */
function lastUnit({ laid }: Candidate): number {
  let last = laid.loads[0];
  for (const load of laid.loads) if (last && load.end > last.end) last = load;
  return last?.unit ?? -1;
}

/** Applies one random move to an order; the kinds of move are the branches below. `last` is the unit that finishes last. */
function move(net: Network, genes: Genes, dice: Dice, last: number): void {
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

/** Start solutions: dispatching rules and station sequences, even and full loads, demonstration before or after mixing. */
function startsOf(nets: Networks): Candidate[] {
  const net = nets.first;
  const rows: Candidate[] = [];
  const firsts = net.shown ? [false, true] : [false];
  for (const showsFirst of firsts)
    for (const isEven of [true, false]) {
      rows.push(byRule(nets, { inTurn: null, isEven, showsFirst }));
      for (const inTurn of turnsOf(net))
        for (const spreads of net.testers > 0 ? [true, false] : [false])
          rows.push(byRule(nets, { inTurn, isEven, showsFirst, spreads }));
    }
  return rows;
}

/**
 * Iterated local search from the best rules: a fixed number of schedules from a fixed seed; ends early once the bound proves the
 * best. Windows that can all be kept rank before the makespan. Yields progress, so that the caller can show it or stop.
 */
export function* search(
  input: ScheduleInput,
  effort: Effort = usualEffort(input),
): Generator<SearchProgress, Found, undefined> {
  const nets = networksOf(input);
  const net = nets.first;
  const bound = boundOf(net);
  const dice = new Dice();
  const starts = [
    bestByRule(nets),
    ...(input.order ? [byGenes(nets, genesFrom(net, input.order))] : []),
    ...startsOf(nets),
  ];
  let best = starts.reduce((so, one) => (compareScores(one.score, so.score) < 0 ? one : so));
  const of = effort.starts * effort.schedulesEach;
  let laid = 0;
  const isProved = ({ score }: Candidate) => score.uncleared === 0 && score.broken === 0 && score.served <= bound;

  function* climb(from: Candidate, compare: Compare, count: number): Generator<SearchProgress, Candidate, undefined> {
    let here = from;
    let top = from;
    let since = 0;
    for (let n = 0; n < count && !isProved(best); n += 1) {
      const genes = copyOf(here.genes);
      const moves = since > 0 && since % 250 === 0 ? 4 : dice.chance(70) ? 1 : 2;
      const last = lastUnit(here);
      for (let m = 0; m < moves; m += 1) move(net, genes, dice, last);
      const next = byGenes(nets, genes);
      laid += 1;
      const differs = compare(next.score, here.score);
      if (differs <= 0 || moves === 4) here = next;
      if (compare(next.score, top.score) < 0) {
        top = next;
        since = 0;
      } else since += 1;
      if (compareScores(next.score, best.score) < 0) best = next;
      if (since > 0 && since % 500 === 0) here = top;
      if (laid % 25 === 0) yield { laid, of, bestServed: best.score.served };
    }
    return top;
  }

  const byScore = [...starts].sort((a, b) => compareScores(a.score, b.score));
  const distinct = byScore.filter(
    (one, at) => at === 0 || compareScores(one.score, byScore[at - 1]?.score ?? one.score) !== 0,
  );
  for (let n = 0; n < effort.starts && !isProved(best); n += 1) {
    const start = distinct[n % Math.max(1, distinct.length)] ?? best;
    // Whether all windows can be kept is found out first: only then does the last plate count for more.
    const compare = best.score.broken > 0 && n % 2 === 1 ? compareWindows : compareScores;
    yield* climb(start, compare, effort.schedulesEach);
  }
  return { order: orderFrom(best), timeline: timelineOf(best) };
}

/** Runs {@link search} to its end. */
export function searchThrough(input: ScheduleInput, effort?: Effort): Found {
  const turns = search(input, effort);
  for (;;) {
    const { value, done } = turns.next();
    if (done === true) return value;
  }
}
