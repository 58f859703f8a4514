import { writeRatio, type Grams, inGrams, minus } from "~/core/quantity";
import type { ClassContainer } from "./containers";

/** What can be ticked off before, in and after a class; `missing` is what a table has not got when the list is called. */
export const tickLists = ["packing", "shopping", "prep", "load", "return", "teaching", "missing"] as const;
export type TickList = (typeof tickLists)[number];

/** What was in a container when it was ticked, so that a later plan can say by how much it differs. */
export interface TickedContent {
  readonly ingredientId: string;
  readonly lineId: string;
  /** Grams; null for what is counted or has no known weight. */
  readonly grams: Grams | null;
  /** The amount as it was written, for what has no grams. */
  readonly amount: string;
}

/** What an aim of the class is ticked by, among what was taught: its words, as one that is written anew is another. */
export const aimKey = (aim: string): string => `aim/${aim}`;

/** One tick, or one taken back. Moments are milliseconds since 1970, written by the device where it happened. */
export interface TickEvent {
  /** Made by the client, so that sending twice is not two ticks. */
  readonly id: string;
  readonly at: number;
  readonly list: TickList;
  /** What was ticked: a container's key, an ingredient, a task, a tool. */
  readonly key: string;
  readonly isOn: boolean;
  /** Who did it; told by the server, empty until it has. */
  readonly by?: string | undefined;
  readonly contents?: readonly TickedContent[] | undefined;
  /** Grams the scale showed. */
  readonly weighed?: number | undefined;
  /** Pieces counted, out or back. */
  readonly count?: number | undefined;
}

export interface Tick {
  readonly at: number;
  readonly by: string;
  readonly contents: readonly TickedContent[];
  readonly weighed: number | undefined;
  readonly count: number | undefined;
}

export type Ticks = Readonly<Record<TickList, ReadonlyMap<string, Tick>>>;

/**
 * What is ticked: of each thing the latest event counts, by its own moment and then by its id, so that it does not matter in which
 * order, from how many devices or how often events arrive.
 */
export function foldTicks(events: readonly TickEvent[]): Ticks {
  const latest = new Map<string, TickEvent>();
  for (const event of events) {
    const key = `${event.list} ${event.key}`;
    const so = latest.get(key);
    if (!so || event.at > so.at || (event.at === so.at && (event.id > so.id || (event.id === so.id && event.by))))
      latest.set(key, event);
  }
  const lists = Object.fromEntries(tickLists.map((list) => [list, new Map<string, Tick>()])) as Record<
    TickList,
    Map<string, Tick>
  >;
  for (const event of latest.values())
    if (event.isOn)
      lists[event.list].set(event.key, {
        at: event.at,
        by: event.by ?? "",
        contents: event.contents ?? [],
        weighed: event.weighed,
        count: event.count,
      });
  return lists;
}

/** The contents of a container as they are ticked. Grams are kept to a thousandth: what differs by less is the same. */
export const contentsOf = (container: Pick<ClassContainer, "contents">): TickedContent[] =>
  container.contents.map(({ ingredientId, lineId, measured: { grams, amount } }) => ({
    ingredientId,
    lineId,
    grams: grams === undefined ? null : inGrams(Math.round(grams * 1000) / 1000),
    amount: `${writeRatio(amount.value)} ${amount.unit}`,
  }));

/** How a container differs from what was packed: by grams, where both are known. */
export interface ContentChange {
  readonly ingredientId: string;
  readonly from: TickedContent | undefined;
  readonly to: TickedContent | undefined;
  /** Grams to put in; negative to take out; `undefined` where one of them is not weighed or it is another thing. */
  readonly byGrams: Grams | undefined;
}

/** Grams by which a container may differ and still be the same: less than any kitchen scale shows. */
const sameGrams = 0.05;

export function changesSince(before: readonly TickedContent[], now: readonly TickedContent[]): ContentChange[] {
  const ids = [...new Set([...before, ...now].map((one) => `${one.lineId} ${one.ingredientId}`))];
  return ids.flatMap((id): ContentChange[] => {
    const isIt = (one: TickedContent) => `${one.lineId} ${one.ingredientId}` === id;
    const [from, to] = [before.find(isIt), now.find(isIt)];
    const [was, is] = [from?.grams ?? null, to?.grams ?? null];
    const byGrams = was === null || is === null ? undefined : minus(is, was);
    if (byGrams !== undefined ? Math.abs(byGrams) < sameGrams : from && to && from.amount === to.amount) return [];
    return [{ ingredientId: (to ?? from)?.ingredientId ?? "", from, to, byGrams }];
  });
}

/** Where a container stands. */
export type ContainerState =
  | { readonly kind: "open" }
  | { readonly kind: "packed"; readonly tick: Tick }
  | { readonly kind: "reopened"; readonly tick: Tick; readonly changes: readonly ContentChange[] };

/** Packed while it holds what the plan wants, and open again, with the difference, once the plan wants something else. */
export function stateOf(contents: readonly TickedContent[], tick: Tick | undefined): ContainerState {
  if (!tick) return { kind: "open" };
  const changes = changesSince(tick.contents, contents);
  return changes.length === 0 ? { kind: "packed", tick } : { kind: "reopened", tick, changes };
}
