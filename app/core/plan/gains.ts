import { mostPeople } from "~/core/people";
import { type Amount, type Ratio, isSame, isZero, subtract, zero } from "~/core/quantity";
import type { KitLine } from "~/core/kit";
import type { ClassInput, ClassPlan, StationPlan } from "./types";
import { withSeatsFor } from "./kept-seats";
import { plan } from "./plan";

/** What one line of a station's kit gains (or loses, when negative), in the unit of the recipe. */
export interface LineGain {
  readonly lineId: string;
  readonly ingredientId: string;
  readonly by: Amount;
  readonly now: KitLine | undefined;
}

/** What one station gains when a class grows. */
export interface StationGain {
  readonly stationId: string;
  readonly name: string;
  readonly kind: "new" | "gone" | "changed" | "same";
  readonly people: number;
  readonly factor: { readonly from: Ratio; readonly to: Ratio };
  readonly pieces: { readonly from: number; readonly to: number };
  readonly loads: { readonly from: number; readonly to: number };
  readonly lines: readonly LineGain[];
}

function lineGains(before: readonly KitLine[], after: readonly KitLine[]): LineGain[] {
  const ids = [...new Set([...before, ...after].map((line) => line.lineId))];
  return ids.flatMap((lineId): LineGain[] => {
    const [was, now] = [before.find((line) => line.lineId === lineId), after.find((line) => line.lineId === lineId)];
    const amount = now?.main?.amount ?? was?.main?.amount;
    if (!amount) return [];
    const value = subtract(now?.main?.amount.value ?? zero, was?.main?.amount.value ?? zero);
    return isZero(value)
      ? []
      : [{ lineId, ingredientId: (now ?? was)?.ingredientId ?? "", by: { value, unit: amount.unit }, now }];
  });
}

/** What each station gains or loses between two plans of the same class; stations are matched by their id. */
export function gainsBetween(before: ClassPlan, after: ClassPlan): StationGain[] {
  const ids = [...new Set([...before.stations, ...after.stations].map((station) => station.id))];
  return ids.map((stationId): StationGain => {
    const find = (made: ClassPlan): StationPlan | undefined =>
      made.stations.find((station) => station.id === stationId);
    const [was, now] = [find(before), find(after)];
    const isOther = was && now && was.dishId !== now.dishId;
    const lines = lineGains(isOther ? [] : (was?.kit ?? []), now?.kit ?? []);
    const factor = { from: was?.scale.factor ?? zero, to: now?.scale.factor ?? zero };
    const people = (now?.size ?? 0) - (was?.size ?? 0);
    const isSameKit = lines.length === 0 && isSame(factor.from, factor.to);
    return {
      stationId,
      name: now?.name ?? was?.name ?? stationId,
      kind: !was ? "new" : !now ? "gone" : isSameKit && people === 0 ? "same" : "changed",
      people,
      factor,
      pieces: { from: was?.scale.piecesMade ?? 0, to: now?.scale.piecesMade ?? 0 },
      loads: { from: was?.loads ?? 0, to: now?.loads ?? 0 },
      lines,
    };
  });
}

/**
 * "Two more at the door": the class planned again with that many more people, and what each station gains. Nothing is saved.
 * @param more people, may be negative for those who did not come.
 */
export function withMorePeople(
  input: ClassInput,
  before: ClassPlan,
  more: number,
): { input: ClassInput; plan: ClassPlan; gains: StationGain[] } {
  const people = Math.max(0, Math.min(mostPeople, input.brief.people + more));
  const next = withSeatsFor(input, { ...input, brief: { ...input.brief, people } });
  const after = plan(next);
  return { input: next, plan: after, gains: gainsBetween(before, after) };
}
