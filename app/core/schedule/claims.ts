import { type Pieces, type Seconds, inSeconds, largest, plus, times } from "~/core/quantity";
import type { Unit } from "./units";

/** No unit, where a station is not kept apart or nothing suits it. */
export const noClaim = -1;

/** How a rule chooses the unit that a station kept apart has to itself: the last that nobody else has, or the one it is done on soonest. */
export type ClaimRule = "last" | "soonest";

/** What of a station says which unit suits it; see `Node`. */
interface Claimant {
  readonly isApart: boolean;
  readonly pieces: Pieces;
  readonly readyAfter: Seconds;
  readonly units: readonly number[];
  readonly places: readonly Pieces[];
  readonly load: readonly Seconds[];
  readonly loadOn: readonly (readonly Seconds[])[];
  readonly between: Seconds;
}

/** What of the room says from when each unit is there; see `Network`. */
interface Room {
  readonly hotAt: readonly Seconds[];
  readonly rewash: readonly Seconds[];
  readonly isClearable: readonly boolean[];
  readonly testers: Pieces;
  readonly demoMixEnd: Seconds;
}

/** Seconds since the doors at which a station would be done on one unit alone, from when the unit is free. */
function doneOn(node: Claimant, unit: number, free: Seconds, { testers, demoMixEnd }: Room): Seconds {
  const load = node.loadOn[unit] ?? node.load;
  const places = Math.max(1, node.places[unit] ?? 0);
  const from = plus(largest(plus(demoMixEnd, node.readyAfter), free), times(load[1] ?? inSeconds(0), testers));
  const loads = Math.ceil(node.pieces / places);
  const full = plus(load[Math.min(places, node.pieces)] ?? inSeconds(0), node.between);
  return plus(from, times(full, loads));
}

/**
 * A station kept apart gets a surface to itself: one of its own if it has any, else by the rule one that nobody else has, else one with
 * few before it, which is then washed. What washing cannot clear is taken only where nothing else is left.
 * @returns for each station its unit, or {@link noClaim}.
 */
export function claimsByRule(
  nodes: readonly Claimant[],
  units: readonly Unit[],
  room: Room,
  rule: ClaimRule,
): number[] {
  const before = units.map(() => 0);
  const free = [...room.hotAt];
  return nodes.map((node) => {
    if (!node.isApart) return noClaim;
    const own = node.units.find((unit) => units[unit]?.stationId !== null);
    const unclaimed = node.units.filter((unit) => before[unit] === 0);
    const end = (unit: number) => doneOn(node, unit, free[unit] ?? inSeconds(0), room);
    const waited = [...node.units].sort(
      (a, b) =>
        (before[a] ?? 0) - (before[b] ?? 0) ||
        Number(room.isClearable[a] !== true) - Number(room.isClearable[b] !== true) ||
        b - a,
    );
    const soonest = [...(unclaimed.length > 0 ? unclaimed : waited)].sort((a, b) => end(a) - end(b) || b - a);
    const claimed = own ?? (rule === "soonest" ? soonest[0] : (unclaimed.at(-1) ?? waited[0])) ?? noClaim;
    if (claimed === noClaim) return noClaim;
    free[claimed] = plus(end(claimed), room.rewash[claimed] ?? inSeconds(0));
    before[claimed] = (before[claimed] ?? 0) + 1;
    return claimed;
  });
}
