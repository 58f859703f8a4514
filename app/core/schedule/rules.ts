import { type Laid, type Rule, dispatch, genesOf, lay, type Genes } from "./lay";
import type { Network } from "./network";
import { type Score, compareScores, settle } from "./windows";

/** A class laid, how good it is, and the order that lays it so again. */
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

/** Stations in orders worth trying: one after the other by dish, by what comes after their cooking, by how long their batter keeps. */
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

/** Stations up to which the frame has time for more than two rules. */
const mostInFrame = 24;

/**
 * The best of a few rules: what is shown while somebody types. Two go first; the others only where windows break or dishes are washed
 * between, as they cost the frame its time.
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
