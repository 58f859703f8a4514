import { type SurfaceId } from "~/core/ids";
import { type Order, lateBatters, orderNow } from "~/core/schedule";
import { type Minutes, minus } from "~/core/quantity";
import { fingerprintOf } from "./hash";
import { oncePerPlan } from "./once";
import { layout } from "./order";
import { plan } from "./plan";
import type { ClassInput, ClassPlan } from "./types";

/** The order of the loads as it is, with those of one table before all others: a wish that is kept, whatever it costs. */
export function tableFirst(input: ClassInput, stationId: string): Order {
  const now = orderNow(layout(input).scheduled);
  const isTheirs = (load: Order["loads"][number]) => load.parts.some((part) => part.stationId === stationId);
  return {
    ...now,
    loads: [...now.loads.filter(isTheirs), ...now.loads.filter((load) => !isTheirs(load))],
    isWished: true,
  };
}

/** A load as it can be moved by hand: on which surface, whose pieces, and which of that table's loads it is, from 1. */
export interface MovableLoad {
  readonly surfaceId: SurfaceId;
  readonly number: number;
  readonly parts: Order["loads"][number]["parts"];
  readonly ofTable: number;
}

/** The loads as they are laid now, in the order in which they can be moved about. */
export const movableLoads = oncePerPlan((input): MovableLoad[] => {
  const often = new Map<string, number>();
  return orderNow(layout(input).scheduled).loads.map(({ surfaceId, number, parts }) => {
    const whose = parts[0]?.stationId ?? "";
    const ofTable = (often.get(whose) ?? 0) + 1;
    often.set(whose, ofTable);
    return { surfaceId, number, parts, ofTable };
  });
});

/** Fingerprint of a list of loads, to detect a choice made from an outdated list. */
export const loadsMark = (loads: readonly MovableLoad[]): string => fingerprintOf(loads);

/**
 * The order with one load laid right before another, on that one's surface: a wish that is kept, whatever it costs.
 * @param from @param before places in {@link movableLoads}.
 * @returns undefined where there are no such loads.
 */
export function loadMoved(input: ClassInput, from: number, before: number): Order | undefined {
  const now = orderNow(layout(input).scheduled);
  const [moved, target] = [now.loads[from], now.loads[before]];
  if (!moved || !target || moved === target) return undefined;
  const there = { ...moved, surfaceId: target.surfaceId, number: target.number };
  return {
    ...now,
    loads: now.loads.flatMap((load) => (load === moved ? [] : load === target ? [there, load] : [load])),
    isWished: true,
  };
}

/** What a wish costs beside the rules: minutes until all is ready to eat, batters poured too late, surfaces nothing clears. */
export interface WishCost {
  readonly minutes: Minutes;
  readonly late: number;
  readonly uncleared: number;
}

/** Undefined where the class has no wish. Negative figures are what it saves. */
export function wishCost(input: ClassInput, made: ClassPlan): WishCost | undefined {
  if (!input.order?.isWished) return undefined;
  const { order: _wish, ...rest } = input;
  const without = plan(rest).timeline;
  const readyAt = ({ bells, end }: ClassPlan["timeline"]) => bells.find((bell) => bell.kind === "eat")?.at ?? end;
  return {
    minutes: minus(readyAt(made.timeline), readyAt(without)),
    late: lateBatters(made.timeline).length - lateBatters(without).length,
    uncleared: made.timeline.uncleared.length - without.uncleared.length,
  };
}
