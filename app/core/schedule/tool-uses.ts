import type { SharedThing } from "~/core/gear";
import { type Pieces, type Seconds, inSeconds, minus, plus, times, smallest } from "~/core/quantity";
import type { ChainTask, Network, Node } from "./network";

/** A shared tool held by one table for an interval, in seconds since the doors opened. */
export interface ToolUse {
  readonly thing: SharedThing;
  readonly from: Seconds;
  readonly to: Seconds;
}

/** Count of each shared tool. */
export type Counts = ReadonlyMap<SharedThing, number>;
export const countsOf = ({ input }: Network): Counts =>
  new Map((input.goesRound ?? []).map(({ thing, count }) => [thing, count]));

const heldIn = (tasks: readonly ChainTask[], counts: Counts, begin: Seconds): ToolUse[] =>
  tasks.flatMap(({ from, things, holds }) =>
    things.flatMap((thing) =>
      counts.has(thing) ? [{ thing, from: plus(begin, from), to: plus(plus(begin, from), holds) }] : [],
    ),
  );

/** Holds of a station’s first mix with what it makes beside it, from a begin; and of its second mix. */
export const firstMixUses = (node: Node, counts: Counts, begin: Seconds): ToolUse[] =>
  heldIn([...node.chain, ...node.beside], counts, begin);
export const secondMixUses = (node: Node, counts: Counts, begin: Seconds): ToolUse[] =>
  heldIn(node.again.chain, counts, begin);
/** Holds of one task after the last piece, from its begin. */
export const afterUses = (task: ChainTask, counts: Counts, begin: Seconds): ToolUse[] =>
  heldIn([{ ...task, from: inSeconds(0), to: minus(task.to, task.from) }], counts, begin);

/**
 * Holds of the shared pouring tool by one load, from its begin: each tester while it is poured, then the load until its last piece, or
 * its second half, is poured. None where every table has a tool of its own.
 */
export function pouringUses(node: Node, unit: number, testers: Pieces, pieces: Pieces, begin: Seconds): ToolUse[] {
  const { pouredWith: thing, pouring } = node;
  if (thing === null) return [];
  const tester = (node.loadOn[unit] ?? node.load)[1] ?? inSeconds(0);
  const start = plus(begin, times(tester, testers));
  const held: ToolUse[] = [];
  for (let from = begin; from < start; from = plus(from, tester))
    held.push({ thing, from, to: plus(from, pouring[1] ?? inSeconds(0)) });
  if (pieces > 0) held.push({ thing, from: start, to: plus(start, pouring[pieces] ?? inSeconds(0)) });
  return held;
}

/** Holds of the same shared tool that overlap `use`, if adding it would exceed the count; otherwise none. */
function inTheWay(use: ToolUse, others: readonly ToolUse[], counts: Counts): readonly ToolUse[] {
  const there = others.filter((one) => one.thing === use.thing && one.from < use.to && one.to > use.from);
  const moments = [use.from, ...there.map((one) => one.from).filter((at) => at > use.from)];
  const most = Math.max(...moments.map((at) => there.filter((one) => one.from <= at && one.to > at).length));
  return most < (counts.get(use.thing) ?? Infinity) ? [] : there;
}

/** Are all tools of these holds available beside the others? */
export const isThere = (own: readonly ToolUse[], others: readonly ToolUse[], counts: Counts): boolean =>
  own.every((use) => inTheWay(use, others, counts).length === 0);

/** The earliest begin, not before `from`, at which all holds of `own` (relative to that begin) are available. */
export function soonestThere(
  own: readonly ToolUse[],
  others: readonly ToolUse[],
  counts: Counts,
  from: Seconds,
): Seconds {
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
