import type { SharedThing } from "~/core/gear";
import { type Pieces, type Seconds, inSeconds, minus, plus, times, smallest } from "~/core/quantity";
import type { ChainTask, Network, Node } from "./network";

/** A thing that goes round, at one table from a moment to another. */
export interface Held {
  readonly thing: SharedThing;
  readonly from: Seconds;
  readonly to: Seconds;
}

/** How many there are of what goes round. */
export type Counts = ReadonlyMap<SharedThing, number>;
export const countsOf = ({ input }: Network): Counts =>
  new Map((input.goesRound ?? []).map(({ thing, count }) => [thing, count]));

const heldIn = (tasks: readonly ChainTask[], counts: Counts, begin: Seconds): Held[] =>
  tasks.flatMap(({ from, things, holds }) =>
    things.flatMap((thing) =>
      counts.has(thing) ? [{ thing, from: plus(begin, from), to: plus(plus(begin, from), holds) }] : [],
    ),
  );

/** What a table has while it mixes first, with what it makes beside, beginning at a moment; and while it mixes a second time. */
export const heldFirst = (node: Node, counts: Counts, begin: Seconds): Held[] =>
  heldIn([...node.chain, ...node.beside], counts, begin);
export const heldAgain = (node: Node, counts: Counts, begin: Seconds): Held[] =>
  heldIn(node.again.chain, counts, begin);
/** What one thing done after the last piece wants, by when it begins. */
export const heldAfter = (task: ChainTask, counts: Counts, begin: Seconds): Held[] =>
  heldIn([{ ...task, from: inSeconds(0), to: minus(task.to, task.from) }], counts, begin);

/**
 * When a load has what its batter is poured with, from its begin on: at each tester while that is poured, then while its pieces are,
 * and where they are poured in two halves until the second is. Nothing where every table has its own.
 */
export function heldPouring(node: Node, unit: number, testers: Pieces, pieces: Pieces, begin: Seconds): Held[] {
  const { pouredWith: thing, pouring } = node;
  if (thing === null) return [];
  const tester = (node.loadOn[unit] ?? node.load)[1] ?? inSeconds(0);
  const start = plus(begin, times(tester, testers));
  const held: Held[] = [];
  for (let from = begin; from < start; from = plus(from, tester))
    held.push({ thing, from, to: plus(from, pouring[1] ?? inSeconds(0)) });
  if (pieces > 0) held.push({ thing, from: start, to: plus(start, pouring[pieces] ?? inSeconds(0)) });
  return held;
}

/** Those that have the same thing at some moment of a use, where with it there would be more than there are; none where it is there. */
function inTheWay(use: Held, others: readonly Held[], counts: Counts): readonly Held[] {
  const there = others.filter((one) => one.thing === use.thing && one.from < use.to && one.to > use.from);
  const moments = [use.from, ...there.map((one) => one.from).filter((at) => at > use.from)];
  const most = Math.max(...moments.map((at) => there.filter((one) => one.from <= at && one.to > at).length));
  return most < (counts.get(use.thing) ?? Infinity) ? [] : there;
}

/** Is everything there for these uses, beside the others? */
export const isThere = (own: readonly Held[], others: readonly Held[], counts: Counts): boolean =>
  own.every((use) => inTheWay(use, others, counts).length === 0);

/** The soonest, from a moment on, that a table can begin what it wants these things for; `own` counts from its begin. */
export function soonestThere(own: readonly Held[], others: readonly Held[], counts: Counts, from: Seconds): Seconds {
  let begin = from;
  for (;;) {
    const at = begin;
    const behind = own.flatMap((use) =>
      inTheWay({ ...use, from: plus(at, use.from), to: plus(at, use.to) }, others, counts).map(
        (one) => one.to - use.from,
      ),
    );
    if (behind.length === 0) return begin;
    // The first of them to be given back lets it try again: always later, as what is in the way is still in use then.
    begin = smallest(...behind.map(inSeconds));
  }
}
