import { type Order, lateBatters, orderNow } from "~/core/schedule";
import type { Minutes } from "~/core/quantity";
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
    minutes: readyAt(made.timeline) - readyAt(without),
    late: lateBatters(made.timeline).length - lateBatters(without).length,
    uncleared: made.timeline.uncleared.length - without.uncleared.length,
  };
}
