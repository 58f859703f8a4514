import {
  type Pieces,
  type Seconds,
  minus,
  inPieces,
  plus,
  largest,
  inSeconds,
  times,
  smallest,
  sumOf,
} from "~/core/quantity";
import { type ClaimRule, noClaim } from "./claims";
import { type ToolUse, countsOf, secondMixUses, firstMixUses, soonestThere } from "./tool-uses";
import type { Network, Node } from "./network";
import { Counted, type Span } from "./resources";
import type { Genes, Laid, Placed } from "./laid";
import { leftOfMix, segmentAt } from "./segments";

const nobody = -1;
const theDemo = -2;

/** A dispatching rule: which station lays its next load, and how large; see {@link dispatch}. */
export interface Rule {
  /** Which station is next: whoever can start first, of those with the fewest loads; or one after the other, by this list. */
  readonly inTurn: readonly number[] | null;
  /** Loads of a station of the same size, instead of full ones and a rest. */
  readonly isEven: boolean;
  readonly showsFirst: boolean;
  /** In turn, but each surface is tried by another station first, so that nobody gives all testers. */
  readonly spreads?: boolean;
  /** Which units stations kept apart have to themselves; see `claimsByRule`. */
  readonly claims?: ClaimRule;
}

/** Where a station's next load would go, and when. */
interface Choice {
  readonly unit: number;
  readonly size: Pieces;
  readonly from: Seconds;
  readonly start: Seconds;
  /** When all that the station has left would be out, if it stayed on this unit. */
  readonly allOut: Seconds;
}

/** Is one load better than the best so far? The sooner all would be out, then the sooner it starts; else the first stays. */
const isBetter = (one: Choice, best: Choice | undefined): boolean =>
  best === undefined || one.allOut < best.allOut || (one.allOut === best.allOut && one.start < best.start);

/**
 * When somebody’s hands, or a tool, are in use for a load with its testers: while each tester and the load is poured.
 * @param table seconds by pieces, of which `apart` are not poured: the sides of a load.
 */
export function poursOf(
  tester: Seconds,
  testers: Pieces,
  table: readonly Seconds[],
  pieces: Pieces,
  apart: Seconds = inSeconds(0),
): Span[] {
  const spans: Span[] = [];
  let from = inSeconds(0);
  for (let n = 0; n < testers; n += 1) {
    spans.push({ from, to: minus(plus(from, table[1] ?? apart), apart) });
    from = plus(from, tester);
  }
  if (pieces > 0) spans.push({ from, to: minus(plus(from, table[pieces] ?? apart), apart) });
  return spans;
}

/**
 * The decoder’s state: when each resource (unit, hands, adults at the heat, shared tools) is free while loads are laid one by one.
 */
export class Bench {
  readonly unitFree: Seconds[];
  private readonly lastRecipe: number[];
  private readonly lastUser: number[];
  private readonly isUsed: boolean[];
  /** Adults at the heat, each station's hands, and the tools that batter is poured with; null where they are no limit. */
  private readonly adults: Counted | null;
  private readonly hands: readonly (Counted | null)[];
  private readonly tools: readonly (Counted | null)[];
  readonly remaining: Pieces[];
  readonly loadsOf: number[];
  readonly ready: Seconds[];
  private readonly secondMixStarts: Seconds[];
  /** For each unit the stations that have it to themselves, one after the other, and how many of them are done. */
  private readonly claims: readonly (readonly number[])[];
  private readonly claimAt: number[];
  private claimsDone = 0;
  readonly loads: Placed[] = [];
  readonly uncleared = new Set<number>();
  readonly mixFrom: Seconds;
  readonly demo: Laid["demo"];
  private readonly canTake: readonly boolean[];
  /** Who has what of the things that go round, once a second mix has asked. */
  private held: ToolUse[] | undefined;
  /** Batter is poured with what goes round. */
  private readonly isPouredInTurn: boolean;

  /** @param claimOf for each station the unit it has to itself; the one who is first there comes first in `firsts`. */
  constructor(
    readonly net: Network,
    demoUnit: number,
    showsFirst: boolean,
    private readonly claimOf: readonly number[],
    firsts: readonly number[],
  ) {
    const { nodes, shown } = net;
    this.unitFree = [...net.hotAt];
    this.lastRecipe = this.unitFree.map(() => nobody);
    this.lastUser = this.unitFree.map(() => nobody);
    this.isUsed = this.unitFree.map(() => false);
    this.adults = net.hotPlaces === null ? null : new Counted(net.hotPlaces);
    this.remaining = nodes.map((node) => node.pieces);
    this.loadsOf = nodes.map(() => 0);
    this.claims = nodes.some((node) => node.isApart)
      ? net.units.map((_, unit) => firsts.filter((index) => claimOf[index] === unit))
      : [];
    this.claimAt = net.units.map(() => 0);
    this.hands = nodes.map((node) => (node.hands > 0 ? new Counted(node.hands) : null));
    const counts = countsOf(net);
    const tools = new Map([...counts].map(([thing, count]) => [thing, new Counted(count)]));
    this.tools = nodes.map((node) => (node.pouredWith === null ? null : (tools.get(node.pouredWith) ?? null)));
    this.canTake = nodes.map((node) => node.units.length > 0);
    this.isPouredInTurn = nodes.some((node) => node.pouredWith !== null);
    let demoEnd = inSeconds(0);
    let mixFrom = net.demoMixEnd;
    const unit = shown?.units[demoUnit] ?? shown?.units[0];
    if (shown && unit !== undefined) {
      const mixed = showsFirst
        ? net.demoMixEnd
        : nodes.reduce((last, node) => largest(last, plus(net.demoMixEnd, node.handsAfter)), net.demoMixEnd);
      const start = largest(mixed, net.shownHotAt[unit] ?? inSeconds(0));
      demoEnd = plus(start, shown.secondsOn[unit] ?? shown.seconds);
      if (showsFirst) mixFrom = demoEnd;
      this.isUsed[unit] = true;
      this.lastRecipe[unit] = shown.recipe;
      this.lastUser[unit] = theDemo;
      this.unitFree[unit] = largest(plus(demoEnd, shown.between), net.hotAt[unit] ?? inSeconds(0));
      this.demo = { unit, start, end: demoEnd };
    } else this.demo = null;
    this.mixFrom = mixFrom;
    this.ready = nodes.map((node) => largest(plus(mixFrom, node.readyAfter), demoEnd));
    this.secondMixStarts = nodes.map(() => inSeconds(0));
  }

  /** May this station use this unit now? A unit kept for somebody apart is theirs alone until they are done. */
  mayUse(node: Node, unit: number): boolean {
    if ((node.places[unit] ?? 0) < 1) return false;
    if (node.isApart) return this.claimOf[node.index] === unit && this.claimant(unit) === node.index;
    return this.claimant(unit) === nobody;
  }

  private claimant(unit: number): number {
    const claims = this.claims[unit];
    return claims === undefined || claims.length === 0 ? nobody : (claims[this.claimAt[unit] ?? 0] ?? nobody);
  }

  mustWash(node: Node, unit: number): boolean {
    const last = this.lastRecipe[unit] ?? nobody;
    if (last === nobody) return false;
    const isOtherDish = last !== node.recipe;
    const isOtherHand = this.lastUser[unit] !== node.index;
    return (this.net.washes && isOtherDish) || (node.job.isApart === true && isOtherHand);
  }

  private washSeconds(node: Node, unit: number): Seconds {
    return this.net.isClearable[unit] === true && this.mustWash(node, unit)
      ? (this.net.rewash[unit] ?? inSeconds(0))
      : inSeconds(0);
  }

  testersOn(node: Node, unit: number): Pieces {
    return this.isUsed[unit] === true
      ? inPieces(0)
      : smallest(this.net.testers, leftOfMix(node, this.remaining[node.index] ?? inPieces(0)));
  }

  /**
   * The earliest begin of a load on a unit, testers and all, its batter ready at `ready`.
   * @param needs `hands` minds the unit and the station's own hands; `adults` whoever watches the heat, too; `all` also the tool.
   */
  beginOn(node: Node, unit: number, size: Pieces, ready: Seconds, needs: "hands" | "adults" | "all"): Seconds {
    const free = largest(ready, plus(this.unitFree[unit] ?? inSeconds(0), this.washSeconds(node, unit)));
    const hands = this.hands[node.index] ?? null;
    const adults = needs === "hands" ? null : this.adults;
    const tool = needs === "all" ? (this.tools[node.index] ?? null) : null;
    if (hands === null && adults === null && tool === null) return free;
    const testers = this.testersOn(node, unit);
    const load = node.loadOn[unit] ?? node.load;
    const tester = load[1] ?? inSeconds(0);
    const start = times(tester, testers);
    const pours = hands && poursOf(tester, testers, load, size, load[0]);
    const held = tool && poursOf(tester, testers, node.pouring, size);
    const watched = adults && [{ from: inSeconds(0), to: size > 0 ? plus(start, load[size] ?? inSeconds(0)) : start }];
    for (let begin = free; ;) {
      let at = begin;
      if (hands && pours) at = hands.soonest(at, pours);
      if (tool && held) at = tool.soonest(at, held);
      if (adults && watched) at = adults.soonest(at, watched);
      if (at === begin) return at;
      begin = at;
    }
  }

  /**
   * Places one load: at most the pieces that are left, on a unit the stations may use. Returns false where nothing was placed.
   * Several stations share a load only in an oven, for dishes that bake alike; each gets the room that the stations before it left.
   */
  lay(unit: number, stations: readonly number[], pieces: readonly Pieces[]): boolean {
    const { net } = this;
    const lead = net.nodes[stations[0] ?? -1];
    if (!lead || (this.remaining[lead.index] ?? 0) < 1) return false;
    const testers = this.testersOn(lead, unit);
    let room = lead.places[unit] ?? inPieces(0);
    let ready = this.ready[lead.index] ?? inSeconds(0);
    const laid: number[] = [];
    const counts: Pieces[] = [];
    const segments: number[] = [];
    for (let n = 0; n < stations.length; n += 1) {
      const node = net.nodes[stations[n] ?? -1];
      if (!node) continue;
      const before = this.remaining[node.index] ?? inPieces(0);
      const tried = n === 0 ? testers : inPieces(0);
      const on = segmentAt(node, minus(before, tried));
      const count = smallest(pieces[n] ?? inPieces(0), on.left, room, minus(leftOfMix(node, before), tried));
      if (n > 0 && (count < 1 || net.isOven[unit] !== true)) continue;
      if (n > 0 && (laid.includes(node.index) || !this.mayUse(node, unit) || this.mustWash(node, unit))) continue;
      if (n > 0 && net.alike[lead.recipe]?.[node.recipe] !== true) continue;
      laid.push(node.index);
      counts.push(largest(inPieces(0), count));
      segments.push(count > 0 ? on.segment : segmentAt(node, before).segment);
      room = minus(room, largest(inPieces(0), count));
      ready = largest(ready, this.ready[node.index] ?? inSeconds(0));
    }
    // A load of nothing is none: it would take a surface for no pieces.
    if (testers < 1 && counts.every((count) => count < 1)) return false;
    const total = sumOf(counts);
    const soonest = this.beginOn(lead, unit, total, ready, "adults");
    const from = this.tools[lead.index] ? this.beginOn(lead, unit, total, ready, "all") : soonest;
    const washed = this.washSeconds(lead, unit);
    if (washed === 0 && this.mustWash(lead, unit)) this.uncleared.add(unit);
    const load = lead.loadOn[unit] ?? lead.load;
    const start = plus(from, times(load[1] ?? inSeconds(0), testers));
    const end = total > 0 ? plus(start, load[total] ?? inSeconds(0)) : start;
    const free = this.unitFree[unit] ?? inSeconds(0);
    this.loads.push({
      unit,
      stations: laid,
      pieces: counts,
      segments,
      washFrom: free,
      washTo: plus(free, washed),
      from,
      testers,
      start,
      end,
      between: lead.between,
      waited: minus(from, soonest),
      station: lead.index,
    });
    const [hands, tool] = [this.hands[lead.index], this.tools[lead.index]];
    const tester = load[1] ?? inSeconds(0);
    if (hands)
      for (const span of poursOf(tester, testers, load, total, load[0]))
        hands.use(plus(from, span.from), plus(from, span.to));
    if (tool)
      for (const span of poursOf(tester, testers, lead.pouring, total))
        tool.use(plus(from, span.from), plus(from, span.to));
    this.adults?.use(from, end);
    this.isUsed[unit] = true;
    this.lastRecipe[unit] = lead.recipe;
    this.lastUser[unit] = lead.index;
    this.unitFree[unit] = plus(end, lead.between);
    for (let n = 0; n < laid.length; n += 1) {
      const index = laid[n] ?? 0;
      const before = this.remaining[index] ?? inPieces(0);
      const after = minus(minus(before, counts[n] ?? inPieces(0)), n === 0 ? testers : inPieces(0));
      this.remaining[index] = after;
      if ((counts[n] ?? 0) > 0) this.loadsOf[index] = (this.loadsOf[index] ?? 0) + 1;
      const node = net.nodes[index];
      if (
        node &&
        node.firstMix < node.pieces &&
        before > node.pieces - node.firstMix &&
        after <= node.pieces - node.firstMix
      )
        this.mixAgain(node);
      const claim = this.claimOf[index] ?? noClaim;
      if (claim === noClaim || this.remaining[index] !== 0) continue;
      this.claimsDone += 1;
      this.claimAt[claim] = (this.claimAt[claim] ?? 0) + 1;
    }
    return true;
  }

  /**
   * Starts the second mix of a station whose first mix is used up: as soon as hands are free and the demonstration is over, and where
   * one person does everything, after the first half is cooked.
   */
  private mixAgain(node: Node): void {
    const hands = largest(plus(this.mixFrom, node.handsAfter), this.demo?.end ?? inSeconds(0));
    const cooked = node.isOneHanded
      ? inSeconds(
          this.loads.reduce((last, load) => (load.stations.includes(node.index) ? Math.max(last, load.end) : last), 0),
        )
      : inSeconds(0);
    // Whoever mixes has no hand to pour with.
    const own = this.hands[node.index];
    const mixing: Span = { from: inSeconds(0), to: node.again.handsAfter };
    let from = largest(hands, cooked);
    for (;;) {
      const at = this.whenThere(node, own ? own.soonest(from, [mixing]) : from);
      if (at === from) break;
      from = at;
    }
    own?.use(from, plus(from, mixing.to));
    if (this.held) this.held.push(...secondMixUses(node, countsOf(this.net), from));
    this.secondMixStarts[node.index] = from;
    this.ready[node.index] = plus(from, node.again.readyAfter);
  }

  /** When the shared tools for a second mix are available, behind all first mixes and earlier second mixes. */
  private whenThere(node: Node, from: Seconds): Seconds {
    const { net } = this;
    if (net.input.goesRound === undefined) return from;
    const counts = countsOf(net);
    const own = secondMixUses(node, counts, inSeconds(0));
    if (own.length === 0) return from;
    this.held ??= net.nodes.flatMap((one) => firstMixUses(one, counts, this.mixFrom));
    return soonestThere(own, this.held, counts, from);
  }

  /** Pieces of the next load of a station on a unit, behind its testers there, and how many loads what it has left makes. */
  private sizeOn(node: Node, unit: number, evenly: boolean): { readonly size: Pieces; readonly loads: number } {
    const before = this.remaining[node.index] ?? inPieces(0);
    const testers = this.testersOn(node, unit);
    const after = largest(inPieces(0), minus(before, testers));
    const places = largest(inPieces(1), node.places[unit] ?? inPieces(0));
    const { segment, left } = segmentAt(node, after);
    const here = Math.ceil(left / places);
    let loads = here;
    for (let next = segment + 1; next < node.segments.length; next += 1)
      loads += Math.ceil((node.segments[next]?.pieces ?? 0) / places);
    // Testers took the last of the first mix: the next load waits for the second.
    if (leftOfMix(node, before) <= testers) return { size: inPieces(0), loads: loads + 1 };
    return { size: evenly && here > 1 ? inPieces(Math.ceil(left / here)) : smallest(left, places), loads };
  }

  /**
   * Of the units a station may use now, the one on which so many of its pieces end soonest, testers and washing counted;
   * `inFull` minds adults and what batter is poured with, too.
   */
  private bestUnit(node: Node, evenly: boolean, inFull = true): Choice | undefined {
    let best: Choice | undefined;
    for (const unit of node.units) {
      const one = this.choiceOn(node, unit, evenly, inFull);
      if (one && isBetter(one, best)) best = one;
    }
    return best;
  }

  /** A station's next load on one unit; undefined where it may not use that unit now. */
  private choiceOn(node: Node, unit: number, evenly: boolean, inFull: boolean): Choice | undefined {
    if (!this.mayUse(node, unit)) return undefined;
    const ready = this.ready[node.index] ?? inSeconds(0);
    const places = node.places[unit] ?? 0;
    const testers = this.testersOn(node, unit);
    const { size, loads } = this.sizeOn(node, unit, evenly);
    const from = this.beginOn(node, unit, size, ready, inFull ? "all" : "hands");
    const load = node.loadOn[unit] ?? node.load;
    const start = plus(from, times(load[1] ?? inSeconds(0), testers));
    const end = size > 0 ? plus(start, load[size] ?? inSeconds(0)) : start;
    // Ends soonest for the pieces it takes: what is left over would take as long again for each load.
    const rest = loads > 1 ? times(plus(load[places] ?? inSeconds(0), node.between), loads - 1) : inSeconds(0);
    return { unit, size, from, start, allOut: plus(end, rest) };
  }

  /** Stations that fill up an oven load beside its first: batter ready, same bake, room left. */
  private beside(lead: Node, unit: number, size: Pieces, start: Seconds): [number[], Pieces[]] {
    const stations = [lead.index];
    const pieces = [size];
    let room = minus(lead.places[unit] ?? inPieces(0), size);
    if (room < 1 || this.net.isOven[unit] !== true) return [stations, pieces];
    const others = this.net.nodes
      .filter(
        (node) =>
          node !== lead &&
          (this.remaining[node.index] ?? 0) > 0 &&
          (this.ready[node.index] ?? 0) <= start &&
          this.net.alike[lead.recipe]?.[node.recipe] === true &&
          this.mayUse(node, unit) &&
          !this.mustWash(node, unit),
      )
      .sort((a, b) => (this.loadsOf[a.index] ?? 0) - (this.loadsOf[b.index] ?? 0));
    for (const node of others) {
      const count = smallest(room, segmentAt(node, this.remaining[node.index] ?? inPieces(0)).left);
      if (count < 1) break;
      stations.push(node.index);
      pieces.push(count);
      room = minus(room, count);
    }
    return [stations, pieces];
  }

  /** Lays all remaining loads by a dispatching rule. */
  dispatch(rule: Rule): void {
    const { nodes } = this.net;
    const hungry = () => nodes.filter((node) => (this.remaining[node.index] ?? 0) > 0 && this.canTake[node.index]);
    if (nodes.every((node) => (this.remaining[node.index] ?? 0) < 1)) return;
    if (rule.inTurn) {
      // Who is kept apart first: their unit is nobody's until they are done.
      const rank = new Map(rule.inTurn.map((index, at) => [index, at]));
      let row = hungry().sort(
        (a, b) =>
          Number(b.isApart) - Number(a.isApart) || (rank.get(a.index) ?? a.index) - (rank.get(b.index) ?? b.index),
      );
      if (rule.spreads === true)
        for (let unit = 0, next = 0; unit < this.unitFree.length && next < row.length; unit += 1) {
          const node = row[next];
          if (!node || this.isUsed[unit] === true || !node.units.includes(unit) || !this.mayUse(node, unit)) continue;
          const { size } = this.sizeOn(node, unit, rule.isEven);
          const from = this.beginOn(node, unit, size, this.ready[node.index] ?? inSeconds(0), "adults");
          this.lay(unit, ...this.beside(node, unit, size, from));
          next += 1;
        }
      row = row.filter((node) => (this.remaining[node.index] ?? 0) > 0);
      while (row.length > 0) {
        const before = this.loads.length;
        for (const node of row)
          while ((this.remaining[node.index] ?? 0) > 0) {
            const best = this.bestUnit(node, rule.isEven);
            if (!best) break;
            this.lay(best.unit, ...this.beside(node, best.unit, best.size, best.start));
          }
        row = row.filter((node) => (this.remaining[node.index] ?? 0) > 0);
        if (this.loads.length === before) break;
      }
      return;
    }
    // Cached per station and unit: a choice changes only if its station or its unit was part of the last load. It leaves out adults, who
    // delay every station alike, and the shared pouring tool; both are added for the station that is chosen.
    const open = hungry();
    // By station, then by unit in the order of the station’s list; null if not computed yet.
    const known: (Choice | undefined | null)[][] = nodes.map((node) => node.units.map(() => null));
    const bestKnown = (node: Node): Choice | undefined => {
      const row = known[node.index] ?? [];
      let best: Choice | undefined;
      for (let n = 0; n < row.length; n += 1) {
        let one = row[n];
        if (one === null) row[n] = one = this.choiceOn(node, node.units[n] ?? 0, rule.isEven, false);
        if (one && isBetter(one, best)) best = one;
      }
      return best;
    };
    // Best choice by station; null if not computed yet.
    const bests = new Array<Choice | undefined | null>(nodes.length).fill(null);
    const { adults } = this;
    while (open.length > 0) {
      let chosen: Node | undefined;
      let best: Choice | undefined;
      let soonest = Infinity;
      for (const node of open) {
        let one = bests[node.index];
        if (one === null) bests[node.index] = one = bestKnown(node);
        if (!one) continue;
        const start = adults ? one.start + adults.freeFrom(one.from) - one.from : one.start;
        if (
          !best ||
          !chosen ||
          start < soonest ||
          (start === soonest && (this.loadsOf[node.index] ?? 0) < (this.loadsOf[chosen.index] ?? 0))
        ) {
          best = one;
          soonest = start;
          chosen = node;
        }
      }
      if ((adults || this.isPouredInTurn) && chosen) best = this.bestUnit(chosen, rule.isEven);
      if (!chosen || !best) break;
      const claims = this.claimsDone;
      const [stations, pieces] = this.beside(chosen, best.unit, best.size, best.start);
      this.lay(best.unit, stations, pieces);
      const { unit } = best;
      const isClaimed = claims !== this.claimsDone;
      if (isClaimed) for (const row of known) row.fill(null);
      if (isClaimed || this.net.units[unit]?.stationId === null) {
        bests.fill(null);
        for (const node of open) {
          const at = node.units.indexOf(unit);
          if (at >= 0) (known[node.index] ?? [])[at] = null;
        }
      }
      for (const index of stations) {
        known[index]?.fill(null);
        bests[index] = null;
        if ((this.remaining[index] ?? 0) < 1)
          open.splice(
            open.findIndex((node) => node.index === index),
            1,
          );
      }
    }
  }

  done(): Laid {
    const { nodes } = this.net;
    return {
      loads: this.loads,
      mixFrom: this.mixFrom,
      demo: this.demo,
      begins: nodes.map(() => this.mixFrom),
      secondMixStarts: this.secondMixStarts,
      afters: [],
      uncleared: [...this.uncleared],
      unplaced: nodes.filter((node) => node.pieces > 0 && !this.canTake[node.index]).map((node) => node.index),
    };
  }
}

/** The plain rule: whoever can start first, of those with the fewest loads. */
export const plainRule: Rule = { inTurn: null, isEven: false, showsFirst: false };

/**
 * Which unit each station kept apart has to itself by an order, where its first load is; by rule where the order does not say. And the
 * stations in the sequence of their first loads.
 */
function claimsIn(net: Network, { loads }: Genes): { readonly claimOf: readonly number[]; readonly firsts: number[] } {
  const all = net.nodes.map((node) => node.index);
  if (!net.nodes.some((node) => node.isApart)) return { claimOf: net.claims.last, firsts: all };
  const claimOf = [...net.claims.last];
  const firsts: number[] = [];
  for (const { unit, stations } of loads)
    for (const index of stations) {
      if (firsts.includes(index)) continue;
      firsts.push(index);
      const node = net.nodes[index];
      if (node?.isApart && index === stations[0] && (node.places[unit] ?? 0) > 0) claimOf[index] = unit;
    }
  return { claimOf, firsts: [...firsts, ...all.filter((index) => !firsts.includes(index))] };
}

/**
 * Lays an order: each load as soon as its batter, its unit, an adult and hands are free, in the order given; what it leaves uncooked by
 * the plain rule. The same order gives the same timeline, always.
 */
export function lay(net: Network, order: Genes): Laid {
  const { claimOf, firsts } = claimsIn(net, order);
  const bench = new Bench(net, order.demoUnit, order.showsFirst, claimOf, firsts);
  for (const { unit, stations, pieces } of order.loads) {
    const lead = net.nodes[stations[0] ?? -1];
    const at = lead?.isApart ? (claimOf[lead.index] ?? unit) : unit;
    if (lead && bench.mayUse(lead, at)) bench.lay(at, stations, pieces);
  }
  bench.dispatch(plainRule);
  return bench.done();
}

/** Lays a class by a rule, without an order. */
export function dispatch(net: Network, rule: Rule, demoUnit = 0): Laid {
  const all = net.nodes.map((node) => node.index);
  const bench = new Bench(net, demoUnit, rule.showsFirst, net.claims[rule.claims ?? "last"], all);
  bench.dispatch(rule);
  return bench.done();
}

/** The order in which a class was laid, so that it can be moved about. */
export const genesOf = (laid: Laid, demoUnit: number, showsFirst: boolean): Genes => ({
  loads: laid.loads.map(({ unit, stations, pieces }) => ({ unit, stations: [...stations], pieces: [...pieces] })),
  demoUnit,
  showsFirst,
});
