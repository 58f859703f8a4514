import { type Pieces, inPieces, largest, minus, plus, smallest, sumOf } from "~/core/quantity";
import type { Laid, Genes } from "./laid";
import { type Rule, dispatch, genesOf, lay } from "./lay";
import type { Network, Networks } from "./network";
import { type Score, compareScores, settle } from "./windows";

/** A placed class, its score, and the order that reproduces it; `net` has the amounts for the testers that are given. */
export interface Candidate {
  readonly net: Network;
  readonly laid: Laid;
  readonly score: Score;
  readonly genes: Genes;
}

/** Testers that each station gives, by its index. */
export function testersOf(net: Network, { loads }: Laid): Pieces[] {
  const given = net.nodes.map(() => inPieces(0));
  for (const { station, testers } of loads) given[station] = plus(given[station] ?? inPieces(0), testers);
  return given;
}

/** Testers that each station will give by an order: whoever is first on a unit tries it, but for the one the load is shown on. */
function testersBy(net: Network, { loads, demoUnit }: Genes): Pieces[] {
  const given = net.nodes.map(() => inPieces(0));
  const used = new Set(net.shown ? [net.shown.units[demoUnit] ?? -1] : []);
  for (const { unit, stations } of loads) {
    const index = stations[0] ?? -1;
    if (used.has(unit)) continue;
    used.add(unit);
    given[index] = plus(given[index] ?? inPieces(0), net.testers);
  }
  return given;
}

/** An order without surfaces that are only tried: whoever throws a tester there makes batter for nothing. */
function withoutIdleTrials(genes: Genes): Genes {
  if (genes.loads.every(({ pieces }) => sumOf(pieces) > 0)) return genes;
  const used = new Set(genes.loads.flatMap(({ unit, pieces }) => (sumOf(pieces) > 0 ? [unit] : [])));
  return { ...genes, loads: genes.loads.filter(({ unit }) => used.has(unit)) };
}

/**
 * An order whose loads hold exactly what its stations make beside their testers: what is missing goes where there is room, what is too
 * much is taken away, both from the last load back. Without this a piece more would be a load of its own.
 */
function fitted(net: Network, genes: Genes): Genes {
  const missing = net.nodes.map((node, index) => minus(node.pieces, net.given?.[index] ?? inPieces(0)));
  for (const { stations, pieces } of genes.loads)
    for (let n = 0; n < stations.length; n += 1) {
      const index = stations[n] ?? -1;
      missing[index] = minus(missing[index] ?? inPieces(0), pieces[n] ?? inPieces(0));
    }
  if (missing.every((count) => count === 0)) return genes;
  const loads = [...genes.loads];
  for (let at = loads.length - 1; at >= 0; at -= 1) {
    const gene = loads[at];
    if (!gene) continue;
    const index = gene.stations[0] ?? -1;
    const count = missing[index] ?? inPieces(0);
    const own = gene.pieces[0] ?? inPieces(0);
    if (count === 0 || own === 0) continue;
    const room = minus(net.nodes[index]?.places[gene.unit] ?? inPieces(0), sumOf(gene.pieces));
    const by = count > 0 ? largest(inPieces(0), smallest(room, count)) : largest(count, minus(inPieces(0), own));
    if (by === 0) continue;
    missing[index] = minus(count, by);
    const pieces = gene.pieces.map((before, n) => (n === 0 ? plus(before, by) : before));
    if (sumOf(pieces) > 0) loads[at] = { ...gene, pieces };
    else loads.splice(at, 1);
  }
  return { ...genes, loads };
}

/** Rounds after which the testers that are made for only grow, and after which the last one counts. */
const openRounds = 4;
const mostRounds = 8;

/**
 * Lays a class with batter for exactly the testers that are given: who is first on a unit decides how much its station makes, and how
 * much it makes may decide who is first. Where the two change each other in a circle, batter is made for the most that was given.
 * @param begin the testers to begin with.  @param layIn lays the class in a network.
 */
function agreed(
  nets: Networks,
  begin: readonly Pieces[],
  layIn: (net: Network) => Laid,
): { readonly net: Network; readonly laid: Laid } {
  let testers = begin;
  for (let round = 1; ; round += 1) {
    const net = nets.of(testers);
    const laid = layIn(net);
    if (round === mostRounds) return { net, laid };
    const given = testersOf(net, laid);
    if (given.every((count, index) => count === testers[index])) return { net, laid };
    const before = testers;
    testers = round < openRounds ? given : given.map((count, index) => largest(count, before[index] ?? inPieces(0)));
    if (testers.every((count, index) => count === before[index])) return { net, laid };
  }
}

const none = (nets: Networks): Pieces[] => nets.input.stations.map(() => inPieces(0));

/** Lays a class by a rule, and where rule and amounts do not agree at once by the order that the rule made. */
export function byRule(nets: Networks, rule: Rule, demoUnit = 0, begin: readonly Pieces[] = none(nets)): Candidate {
  let net = nets.of(begin);
  let laid = dispatch(net, rule, demoUnit);
  for (let round = 0; round < 2 && !nets.isOne; round += 1) {
    const given = testersOf(net, laid);
    if (given.every((count, index) => count === net.given?.[index])) break;
    if (round === 1) return byGenes(nets, genesOf(laid, demoUnit, rule.showsFirst));
    net = nets.of(given);
    laid = dispatch(net, rule, demoUnit);
  }
  return { net, laid, score: settle(net, laid), genes: genesOf(laid, demoUnit, rule.showsFirst) };
}

export function byGenes(nets: Networks, genes: Genes): Candidate {
  if (nets.isOne) {
    const laid = lay(nets.first, genes);
    return { net: nets.first, laid, score: settle(nets.first, laid), genes };
  }
  const own = withoutIdleTrials(genes);
  const { net, laid } = agreed(nets, testersBy(nets.first, own), (one) => lay(one, fitted(one, own)));
  return { net, laid, score: settle(net, laid), genes: own };
}

/** Station sequences used as start solutions: by dish, by time after cooking, by how long the batter keeps, and more. */
export function turnsOf({ nodes }: Network): number[][] {
  const all = nodes.map((_, index) => index);
  const by = (key: (index: number) => number) => [...all].sort((a, b) => key(a) - key(b) || a - b);
  const at = (index: number) => nodes[index];
  return [
    by((index) => at(index)?.recipe ?? 0),
    by((index) => -((at(index)?.afterSeconds ?? 0) + (at(index)?.besideSeconds ?? 0))),
    by((index) => at(index)?.readyAfter ?? 0),
    by((index) => at(index)?.cookBy ?? Infinity),
    by((index) => -(at(index)?.pieces ?? 0) * (at(index)?.tester ?? 0)),
    by((index) => at(index)?.units.length ?? 0),
    by((index) => -(at(index)?.recipe ?? 0)),
  ];
}

/** Number of stations up to which more than two rules fit into a frame while somebody types. */
const mostInFrame = 24;

/**
 * Best of a few dispatching rules, shown while somebody types. Two are always tried; the others only where windows break, dishes need
 * washing between them or a station is kept apart.
 * @param isQuick only the two: for a class that is laid to compare it with another.
 */
export function bestByRule(nets: Networks, isQuick = false): Candidate {
  let best = byRule(nets, { inTurn: null, isEven: false, showsFirst: false });
  const { net } = best;
  const begin = net.given ?? undefined;
  const consider = (rule: Rule) => {
    const next = byRule(nets, rule, 0, begin);
    if (compareScores(next.score, best.score) < 0) best = next;
  };
  consider({ inTurn: null, isEven: true, showsFirst: false });
  if (net.claims.soonest.some((unit, index) => unit !== net.claims.last[index]))
    consider({ inTurn: null, isEven: true, showsFirst: false, claims: "soonest" });
  if (isQuick || net.nodes.length > mostInFrame) return best;
  if (best.score.broken > 0 || best.score.uncleared > 0 || net.washes)
    for (const inTurn of turnsOf(net).slice(0, 1))
      for (const spreads of net.testers > 0 ? [true, false] : [false])
        consider({ inTurn, isEven: true, showsFirst: false, spreads });
  if (best.score.broken > 0 && net.shown) {
    consider({ inTurn: turnsOf(net)[3] ?? [], isEven: true, showsFirst: true });
  }
  return best;
}
