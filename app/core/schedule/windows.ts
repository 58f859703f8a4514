import type { Seconds } from "~/core/quantity";
import type { Laid, Placed } from "./lay";
import type { Network, Node } from "./network";

/** What a laid class is judged by; less is better, the first that differs decides. */
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
  readonly testers: number;
  /** The stations' own last plates, added up: who is done early waits less. */
  readonly waits: Seconds;
}

/** Negative where the first is better. Windows that can all be kept come before the last plate; otherwise the last plate does. */
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

/** The same, with windows before the last plate even where not all can be kept: how a search finds out whether they can. */
export function compareWindows(a: Score, b: Score): number {
  return a.uncleared - b.uncleared || a.late - b.late || compareScores(a, b);
}

interface Own {
  first: Seconds;
  lastPour: Seconds;
  lastEnd: Seconds;
  loads: number;
  testers: number;
}

/** When the nth station of a load pours last for it: its pieces, or where it only tries the surface its last tester. */
export function pouredAt(net: Network, load: Placed, n: number): Seconds | null {
  if ((load.pieces[n] ?? 0) > 0) return load.start;
  if (n > 0 || load.testers < 1) return null;
  return load.from + (load.testers - 1) * (net.nodes[load.station]?.tester ?? 0);
}

function ownOf(net: Network, loads: readonly Placed[]): Own[] {
  const own = net.nodes.map((): Own => ({ first: Infinity, lastPour: -1, lastEnd: -1, loads: 0, testers: 0 }));
  for (const load of loads)
    for (let n = 0; n < load.stations.length; n += 1) {
      const mine = own[load.stations[n] ?? -1];
      if (!mine) continue;
      const from = n === 0 ? load.from : load.start;
      if (n === 0) mine.testers += load.testers;
      if (from < mine.first) mine.first = from;
      if (load.end > mine.lastEnd) mine.lastEnd = load.end;
      const poured = pouredAt(net, load, n);
      if (poured !== null && poured > mine.lastPour) mine.lastPour = poured;
      if ((load.pieces[n] ?? 0) > 0) mine.loads += 1;
    }
  return own;
}

/**
 * How many seconds later than the rest a station begins to mix, so that its batter is not wet for longer than it may be: no more than
 * that takes, never so late that its first pour would wait, and never across the load that is shown.
 */
function lateBy(node: Node, own: Own, { mixFrom, demo }: Laid): Seconds {
  if (node.cookBy === null || own.lastPour < 0) return 0;
  const need = own.lastPour - (mixFrom + node.wetAfter) - node.cookBy;
  const slack = own.first - (mixFrom + node.readyAfter);
  if (need <= 0 || slack <= 0) return 0;
  const wanted = Math.min(need, slack);
  if (!demo || demo.end <= mixFrom) return wanted;
  const before = Math.max(0, demo.start - (mixFrom + node.handsAfter));
  if (wanted <= before) return wanted;
  const after = demo.end - mixFrom;
  return slack >= after ? Math.max(after, wanted) : Math.min(slack, before);
}

/** Moves the begins of stations that would wait too long, in place; see {@link lateBy}. */
function mixLate(net: Network, laid: Laid, own: readonly Own[]): void {
  for (const node of net.nodes) {
    const mine = own[node.index];
    if (mine) laid.begins[node.index] = laid.mixFrom + lateBy(node, mine, laid);
  }
}

const lateOf = (node: Node, own: Own, begin: Seconds): Seconds =>
  node.cookBy === null || own.lastPour < 0 ? 0 : Math.max(0, own.lastPour - (begin + node.wetAfter) - node.cookBy);

/** Is a place at the heat free for a load over a span, beside all others? */
function isFree(net: Network, loads: readonly Placed[], moved: Placed, from: Seconds, end: Seconds): boolean {
  if (net.hotPlaces === null) return true;
  const others = loads.filter((one) => one !== moved && one.from < end && one.end > from);
  if (others.length < net.hotPlaces) return true;
  const moments = [from, ...others.map((one) => one.from).filter((at) => at > from && at < end)];
  return moments.every(
    (at) => others.filter((one) => one.from <= at && one.end > at).length < (net.hotPlaces ?? Infinity),
  );
}

/** Moves the loads of some stations, but for their last, as late as they can be: so their batter can be mixed later. In place. */
function justify(net: Network, { loads }: Laid, stations: ReadonlySet<number>, own: readonly Own[]): boolean {
  let hasMoved = false;
  const byStart = [...loads].sort((a, b) => b.from - a.from || b.end - a.end);
  const nextOn = new Map<number, Seconds>();
  const pourBy = new Map<number, Seconds>();
  for (const load of byStart) {
    const next = nextOn.get(load.unit) ?? Infinity;
    const lead = net.nodes[load.station];
    const isAlone = load.stations.length === 1;
    if (lead && isAlone && stations.has(load.station) && load.start < (own[load.station]?.lastPour ?? -1)) {
      const byHands =
        lead.hands > 0 ? (pourBy.get(load.station) ?? Infinity) - (load.pieces[0] ?? 0) * lead.pour : Infinity;
      const shift = Math.min(
        next - load.between - load.end,
        (own[load.station]?.lastPour ?? 0) - load.start,
        byHands - load.start,
      );
      const from = load.from + shift;
      if (shift > 0 && Number.isFinite(shift) && isFree(net, loads, load, from, load.end + shift)) {
        load.from = from;
        load.start += shift;
        load.end += shift;
        hasMoved = true;
      }
    }
    // Before a load the unit may have been washed for it: what comes before has to be out by then.
    nextOn.set(load.unit, load.from - (load.washTo - load.washFrom));
    pourBy.set(load.station, load.from);
  }
  return hasMoved;
}

/** Loads up to which they are moved about one by one: more are ordered by the search, not in the frame of somebody who types. */
const mostMoved = 120;

/** Lets mixing begin as late as windows want it, and says how good the class is then. Changes `laid` in place. */
export function settle(net: Network, laid: Laid): Score {
  let own = ownOf(net, laid.loads);
  mixLate(net, laid, own);
  const lateNodes = () =>
    net.nodes.filter((node) => {
      const mine = own[node.index];
      return mine !== undefined && lateOf(node, mine, laid.begins[node.index] ?? 0) > 0;
    });
  const late = lateNodes();
  if (
    late.length > 0 &&
    laid.loads.length <= mostMoved &&
    justify(net, laid, new Set(late.map((node) => node.index)), own)
  ) {
    own = ownOf(net, laid.loads);
    mixLate(net, laid, own);
  }
  let [broken, lateSum, served, lastEnd, waits] = [0, 0, laid.demo?.end ?? 0, laid.demo?.end ?? 0, 0];
  for (const node of net.nodes) {
    const mine = own[node.index];
    if (!mine || node.pieces < 1) continue;
    const by = lateOf(node, mine, laid.begins[node.index] ?? 0);
    // A second of rounding is not a broken window.
    if (by > 1) {
      broken += 1;
      lateSum += by;
    }
    const end = servedAt(node, mine, laid.begins[node.index] ?? 0);
    if (end > served) served = end;
    if (mine.lastEnd > lastEnd) lastEnd = mine.lastEnd;
    waits += end;
  }
  const testers = own.reduce((most, one) => Math.max(most, one.testers), 0);
  return { uncleared: laid.uncleared.length, broken, late: lateSum, served, lastEnd, testers, waits };
}

/** When everything of a station can be eaten: its last piece, what comes after it, and what is made beside. */
const servedAt = (node: Node, own: Own, begin: Seconds): Seconds =>
  Math.max(
    own.lastEnd,
    node.afterSeconds > 0 && own.loads > 0 ? own.lastEnd + node.afterSeconds : 0,
    begin + node.mixedAfter + node.besideSeconds,
  );
