import {
  type Seconds,
  plus,
  times,
  inSeconds,
  minus,
  smallest,
  largest,
  sumOf,
  inPieces,
  type Pieces,
} from "~/core/quantity";
import {
  type ToolUse,
  countsOf,
  afterUses,
  secondMixUses,
  firstMixUses,
  pouringUses,
  isThere,
  soonestThere,
} from "./tool-uses";
import type { Laid, Placed } from "./laid";
import { poursOf } from "./lay";
import type { Mixing, Network, Node } from "./network";
import { Counted, type Span } from "./resources";

/** Objective of the search, compared field by field in this order; less is better. */
export interface Score {
  /** Units on which a food met another it must not meet. */
  readonly uncleared: number;
  /** Stations whose last load is poured after its batter may still be used, and the seconds by which, added up. */
  readonly broken: number;
  readonly late: Seconds;
  /** When the last plate can be eaten, and when the last load is out. */
  readonly served: Seconds;
  readonly lastEnd: Seconds;
  /** Testers that one station gives at the most: who gives many makes more batter than the others. */
  readonly testers: Pieces;
  /** The stations' own last plates, added up: who is done early waits less. */
  readonly waits: Seconds;
}

/**
 * Lexicographic comparison, negative where `a` is better. Windows that can all be kept rank before the makespan; otherwise the makespan
 * ranks first.
 */
export function compareScores(a: Score, b: Score): number {
  return (
    a.uncleared - b.uncleared ||
    Number(a.broken > 0) - Number(b.broken > 0) ||
    a.served - b.served ||
    a.broken - b.broken ||
    a.late - b.late ||
    a.lastEnd - b.lastEnd ||
    a.testers - b.testers ||
    a.waits - b.waits
  );
}

/** Compares lateness before the makespan even where windows are broken: finds out whether all can be kept. */
export function compareWindows(a: Score, b: Score): number {
  return a.uncleared - b.uncleared || a.late - b.late || compareScores(a, b);
}

/** Summary of one mix of a station: first and last pour, last piece out. */
interface Own {
  first: Seconds;
  lastPour: Seconds;
  lastEnd: Seconds;
  loads: number;
  testers: Pieces;
}

/** When the nth station of a load pours last for it: its pieces, or where it only tries the surface its last tester. */
export function pouredAt(net: Network, load: Placed, n: number): Seconds | null {
  if ((load.pieces[n] ?? 0) > 0) return load.start;
  if (n > 0 || load.testers < 1) return null;
  return plus(load.from, times(net.nodes[load.station]?.loadOn[load.unit]?.[1] ?? inSeconds(0), load.testers - 1));
}

const nothing = (): Own => ({
  first: inSeconds(Infinity),
  lastPour: inSeconds(-1),
  lastEnd: inSeconds(-1),
  loads: 0,
  testers: inPieces(0),
});

/** Which mix of its batter the nth station of a load pours: 0 or 1. */
export const mixOf = (net: Network, load: Placed, n: number): number =>
  net.nodes[load.stations[n] ?? -1]?.segments[load.segments[n] ?? 0]?.mix ?? 0;

/** Summaries by station and mix, the second mix of a station at the next index; empty where it mixes once. */
function ownOf(net: Network, loads: readonly Placed[]): Own[] {
  const own = Array.from({ length: net.nodes.length * 2 }, nothing);
  for (const load of loads)
    for (let n = 0; n < load.stations.length; n += 1) {
      const mine = own[(load.stations[n] ?? -1) * 2 + mixOf(net, load, n)];
      if (!mine) continue;
      const from = n === 0 ? load.from : load.start;
      if (n === 0) mine.testers = plus(mine.testers, load.testers);
      if (from < mine.first) mine.first = from;
      if (load.end > mine.lastEnd) mine.lastEnd = load.end;
      const poured = pouredAt(net, load, n);
      if (poured !== null && poured > mine.lastPour) mine.lastPour = poured;
      if ((load.pieces[n] ?? 0) > 0) mine.loads += 1;
    }
  return own;
}

/**
 * Seconds to delay a mix so that its batter stays within cook-by: the least that suffices, limited by the first pour, by `by` (hands are
 * needed elsewhere) and by the demonstration’s load, which no mix may span.
 */
function lateBy({ cookBy }: Node, batter: Mixing, own: Own, from: Seconds, by: Seconds, { demo }: Laid): Seconds {
  if (cookBy === null || own.lastPour < 0) return inSeconds(0);
  const need = minus(minus(own.lastPour, plus(from, batter.wetAfter)), cookBy);
  const slack = smallest(minus(own.first, plus(from, batter.readyAfter)), minus(by, plus(from, batter.handsAfter)));
  if (need <= 0 || slack <= 0) return inSeconds(0);
  const wanted = smallest(need, slack);
  if (!demo || demo.end <= from) return wanted;
  const before = largest(inSeconds(0), minus(demo.start, plus(from, batter.handsAfter)));
  if (wanted <= before) return wanted;
  const after = minus(demo.end, from);
  return slack >= after ? largest(after, wanted) : smallest(slack, before);
}

/** Would all shared tools be available for one mix of a station from `begin`, with all other mixes as they are? */
function canBegin(net: Network, laid: Laid, node: Node, mix: 0 | 1, begin: Seconds): boolean {
  if (net.input.goesRound === undefined) return true;
  const counts = countsOf(net);
  const own = mix === 0 ? firstMixUses(node, counts, begin) : secondMixUses(node, counts, begin);
  if (own.length === 0) return true;
  const others = net.nodes.flatMap((one) => {
    const again = laid.secondMixStarts[one.index] ?? 0;
    return [
      ...(one === node && mix === 0 ? [] : firstMixUses(one, counts, inSeconds(laid.begins[one.index] ?? 0))),
      ...(again === 0 || (one === node && mix === 1) ? [] : secondMixUses(one, counts, again)),
    ];
  });
  return isThere(own, others, counts);
}

/** Earliest begins of second mixes; {@link mixLate} delays them from there. */
type Soonest = readonly Seconds[];

/** Delays mixing of batters that would exceed their cook-by window. Mutates `laid`. */
function mixLate(net: Network, laid: Laid, own: readonly Own[], soonest: Soonest): void {
  for (const node of net.nodes) {
    const [mine, other] = [own[node.index * 2], own[node.index * 2 + 1]];
    const again = soonest[node.index] ?? inSeconds(0);
    if (other && again > 0) {
      const later = plus(again, lateBy(node, node.again, other, again, inSeconds(Infinity), laid));
      if (canBegin(net, laid, node, 1, later)) laid.secondMixStarts[node.index] = later;
    }
    const by = again > 0 ? (laid.secondMixStarts[node.index] ?? Infinity) : Infinity;
    if (!mine) continue;
    const begin = plus(laid.mixFrom, lateBy(node, node, mine, laid.mixFrom, inSeconds(by), laid));
    if (begin === laid.begins[node.index]) continue;
    if (canBegin(net, laid, node, 0, begin)) laid.begins[node.index] = begin;
  }
}

/** When a mix of a station begins. */
const beginOf = ({ begins, secondMixStarts }: Laid, index: number, mix: number): Seconds =>
  inSeconds((mix === 0 ? begins[index] : secondMixStarts[index]) ?? 0);

const lateOf = ({ cookBy }: Node, batter: Mixing, own: Own, begin: Seconds): Seconds =>
  cookBy === null || own.lastPour < 0
    ? inSeconds(0)
    : largest(inSeconds(0), minus(minus(own.lastPour, plus(begin, batter.wetAfter)), cookBy));

/** Is an adult’s place free for a load over an interval, beside all other loads? */
function isFree(net: Network, loads: readonly Placed[], moved: Placed, from: Seconds, end: Seconds): boolean {
  if (net.hotPlaces === null) return true;
  const others = loads.filter((one) => one !== moved && one.from < end && one.end > from);
  if (others.length < net.hotPlaces) return true;
  const moments = [from, ...others.map((one) => one.from).filter((at) => at > from && at < end)];
  return moments.every(
    (at) => others.filter((one) => one.from <= at && one.end > at).length < (net.hotPlaces ?? Infinity),
  );
}

/** Holds of the shared pouring tool by a placed load. */
function pouringOf(net: Network, load: Placed): ToolUse[] {
  const lead = net.nodes[load.station];
  const pieces = sumOf(load.pieces);
  return lead ? pouringUses(lead, load.unit, load.testers, pieces, load.from) : [];
}

/** When a load that is placed has its station's hands: while its testers and it are poured. */
function handsOf(net: Network, load: Placed): Span[] {
  const lead = net.nodes[load.station];
  const table = lead?.loadOn[load.unit] ?? [];
  const pours = poursOf(table[1] ?? inSeconds(0), load.testers, table, sumOf(load.pieces), table[0]);
  return pours.map(({ from, to }) => ({ from: plus(load.from, from), to: plus(load.from, to) }));
}

/** Is the shared pouring tool available for a load that would begin at another moment? */
function canPour(net: Network, loads: readonly Placed[], moved: Placed, from: Seconds): boolean {
  const own = pouringOf(net, { ...moved, from });
  if (own.length === 0) return true;
  const others = loads.flatMap((load) => (load === moved ? [] : pouringOf(net, load)));
  return isThere(own, others, countsOf(net));
}

/** Are hands free at its station for a load that would begin at another moment, beside its other pours and a second mix? */
function haveHands(net: Network, { loads, secondMixStarts }: Laid, moved: Placed, from: Seconds): boolean {
  const node = net.nodes[moved.station];
  if (!node || node.hands < 1) return true;
  const hands = new Counted(node.hands);
  for (const load of loads)
    if (load !== moved && load.station === moved.station)
      for (const span of handsOf(net, load)) hands.use(span.from, span.to);
  const again = secondMixStarts[node.index] ?? inSeconds(0);
  if (again > 0) hands.use(again, plus(again, node.again.handsAfter));
  const own = handsOf(net, { ...moved, from, start: plus(from, minus(moved.start, moved.from)) });
  return hands.soonest(inSeconds(0), own) === 0;
}

/**
 * Right-shifts loads of the given stations, except their last, as far as resources allow, so that their batter can be mixed later. Mutates `laid`.
 */
function justify(net: Network, laid: Laid, stations: ReadonlySet<number>, own: readonly Own[]): boolean {
  const { loads } = laid;
  let hasMoved = false;
  const byStart = [...loads].sort((a, b) => b.from - a.from || b.end - a.end);
  const nextOn = new Map<number, Seconds>();
  for (const load of byStart) {
    const next = nextOn.get(load.unit) ?? inSeconds(Infinity);
    const lead = net.nodes[load.station];
    const isAlone = load.stations.length === 1;
    // Of two mixes each has its own last load.
    const lastPour = own[load.station * 2 + mixOf(net, load, 0)]?.lastPour ?? inSeconds(-1);
    if (lead && isAlone && stations.has(load.station) && load.start < lastPour) {
      const shift = smallest(minus(minus(next, load.between), load.end), minus(lastPour, load.start));
      const from = plus(load.from, shift);
      const isMoved = shift > 0 && Number.isFinite(shift);
      if (
        isMoved &&
        isFree(net, loads, load, from, plus(load.end, shift)) &&
        canPour(net, loads, load, from) &&
        haveHands(net, laid, load, from)
      ) {
        load.waited = inSeconds(0);
        load.from = from;
        load.start = plus(load.start, shift);
        load.end = plus(load.end, shift);
        hasMoved = true;
      }
    }
    // Before a load the unit may have been washed for it: what comes before has to be out by then.
    nextOn.set(load.unit, minus(load.from, minus(load.washTo, load.washFrom)));
  }
  return hasMoved;
}

/**
 * When each station begins what it does after its last piece: as soon as it is out, or where that wants what goes round as soon as it is
 * there, behind all mixing and pouring and whoever was out before.
 * @param out when a station's last piece is out; null where it cooks nothing.
 */
function aftersOf(net: Network, laid: Laid, out: (node: Node) => Seconds | null): Laid["afters"] {
  if (net.nodes.every((node) => node.after.length === 0)) return laid.afters;
  const counts = countsOf(net);
  const wants = (node: Node) => node.after.some((task) => task.things.some((thing) => counts.has(thing)));
  const isAsked = counts.size > 0 && net.nodes.some(wants);
  const held = isAsked
    ? [
        ...net.nodes.flatMap((node) => firstMixUses(node, counts, inSeconds(laid.begins[node.index] ?? 0))),
        ...net.nodes.flatMap((node) => {
          const again = laid.secondMixStarts[node.index] ?? 0;
          return again > 0 ? secondMixUses(node, counts, inSeconds(again)) : [];
        }),
        ...laid.loads.flatMap((load) => pouringOf(net, load)),
      ]
    : [];
  const begins = net.nodes.map((): Seconds[] => []);
  const row = net.nodes.flatMap((node) => {
    const at = node.after.length > 0 ? out(node) : null;
    return at === null ? [] : [{ node, at }];
  });
  if (isAsked)
    row.sort((a, b) => a.at - b.at || Number(b.node.job.isApart ?? false) - Number(a.node.job.isApart ?? false));
  for (const { node, at: outAt } of row) {
    let at = outAt;
    for (const task of node.after) {
      const own = isAsked ? afterUses(task, counts, inSeconds(0)) : [];
      if (own.length > 0) {
        at = soonestThere(own, held, counts, at);
        held.push(...afterUses(task, counts, at));
      }
      begins[node.index]?.push(at);
      at = plus(at, minus(task.to, task.from));
    }
  }
  return begins;
}

const mixes = [0, 1] as const;

/** Loads up to which they are moved about one by one: more are ordered by the search, not in the frame of somebody who types. */
const mostMoved = 120;

/** Delays mixing where windows need it, places the tasks after cooking, and scores the class. Mutates `laid`. */
export function settle(net: Network, laid: Laid): Score {
  let own = ownOf(net, laid.loads);
  const soonest = [...laid.secondMixStarts];
  mixLate(net, laid, own, soonest);
  const lateNodes = () =>
    net.nodes.filter((node) =>
      mixes.some((mix) => {
        const mine = own[node.index * 2 + mix];
        return (
          mine !== undefined && lateOf(node, mix === 0 ? node : node.again, mine, beginOf(laid, node.index, mix)) > 0
        );
      }),
    );
  const late = lateNodes();
  if (
    late.length > 0 &&
    laid.loads.length <= mostMoved &&
    justify(net, laid, new Set(late.map((node) => node.index)), own)
  ) {
    own = ownOf(net, laid.loads);
    mixLate(net, laid, own, soonest);
  }
  laid.afters = aftersOf(net, laid, (node) => {
    const [mine, other] = [own[node.index * 2], own[node.index * 2 + 1]];
    return mine && other && mine.loads + other.loads > 0 ? largest(mine.lastEnd, other.lastEnd) : null;
  });
  const shownTo = laid.demo?.end ?? inSeconds(0);
  let [lateSum, served, lastEnd, waits] = [inSeconds(0), shownTo, shownTo, inSeconds(0)];
  let [broken, testers] = [0, inPieces(0)];
  for (const node of net.nodes) {
    const [mine, other] = [own[node.index * 2], own[node.index * 2 + 1]];
    if (!mine || !other || node.pieces < 1) continue;
    for (const mix of mixes) {
      const [batter, poured] = mix === 0 ? [node, mine] : [node.again, other];
      const by = lateOf(node, batter, poured, beginOf(laid, node.index, mix));
      // A second of rounding is not a broken window.
      if (by > 1) {
        broken += 1;
        lateSum = plus(lateSum, by);
      }
    }
    const out = largest(mine.lastEnd, other.lastEnd);
    const end = servedAt(node, out, laid);
    if (end > served) served = end;
    if (out > lastEnd) lastEnd = out;
    waits = plus(waits, end);
    testers = largest(testers, plus(mine.testers, other.testers));
  }
  return { uncleared: laid.uncleared.length, broken, late: lateSum, served, lastEnd, testers, waits };
}

/** When everything of a station can be eaten: its last piece, what comes after it, and what is made beside. */
function servedAt(node: Node, out: Seconds, { begins, afters }: Laid): Seconds {
  const [task, begin] = [node.after[node.after.length - 1], afters[node.index]?.[node.after.length - 1]];
  return largest(
    out,
    task && begin !== undefined ? minus(plus(begin, task.to), task.from) : inSeconds(0),
    plus(plus(inSeconds(begins[node.index] ?? 0), node.mixedAfter), node.besideSeconds),
  );
}
