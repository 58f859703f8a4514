import { type Laid, type Rule, dispatch, genesOf, lay, type Genes } from "./lay";
import type { Network } from "./network";
import { type Score, compareScores, settle } from "./windows";

/** A placed class, its score, and the order that reproduces it. */
export interface Candidate {
  readonly laid: Laid;
  readonly score: Score;
  readonly genes: Genes;
}

export function byRule(net: Network, rule: Rule, demoUnit = 0): Candidate {
  const laid = dispatch(net, rule, demoUnit);
  return { laid, score: settle(net, laid), genes: genesOf(laid, demoUnit, rule.showsFirst) };
}

export function byGenes(net: Network, genes: Genes): Candidate {
  const laid = lay(net, genes);
  return { laid, score: settle(net, laid), genes };
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
 * Best of a few dispatching rules, shown while somebody types. Two are always tried; the others only where windows break or dishes
 * need washing between them.
 */
export function bestByRule(net: Network): Candidate {
  let best = byRule(net, { inTurn: null, isEven: false, showsFirst: false });
  const consider = (next: Candidate) => {
    if (compareScores(next.score, best.score) < 0) best = next;
  };
  consider(byRule(net, { inTurn: null, isEven: true, showsFirst: false }));
  if (net.nodes.length > mostInFrame) return best;
  if (best.score.broken > 0 || best.score.uncleared > 0 || net.washes)
    for (const inTurn of turnsOf(net).slice(0, 1))
      for (const spreads of net.testers > 0 ? [true, false] : [false])
        consider(byRule(net, { inTurn, isEven: true, showsFirst: false, spreads }));
  if (best.score.broken > 0 && net.shown) {
    consider(byRule(net, { inTurn: turnsOf(net)[3] ?? [], isEven: true, showsFirst: true }));
  }
  return best;
}
