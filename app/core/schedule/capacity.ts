import { type Seconds, inSeconds, largest, plus, smallest, times } from "~/core/quantity";
import type { Network, Node } from "./network";

/** Stations whose load may hold a piece of a station on a unit: in an oven also those that bake alike, by their own times. */
export const leadsOn = (net: Network, node: Node, unit: number): readonly Node[] =>
  net.isOven[unit] === true ? net.nodes.filter((one) => net.alike[one.recipe]?.[node.recipe] === true) : [node];

/** Least demand of a group of stations on one unit. */
export interface Least {
  readonly places: number;
  /** Seconds of a load by pieces. */
  readonly load: readonly Seconds[];
  readonly between: Seconds;
  readonly tester: Seconds;
  /** Seconds by which rounding makes a load shorter than its pours, at the most. */
  readonly rounding: Seconds;
}

export function leastOf(net: Network, nodes: readonly Node[], unit: number): Least | undefined {
  const own = nodes.filter((node) => (node.places[unit] ?? 0) > 0);
  if (own.length === 0) return undefined;
  const here = [...new Set(own.flatMap((node) => leadsOn(net, node, unit)))];
  const places = Math.max(...here.map((node) => node.places[unit] ?? 0));
  // By whoever is quickest with so many.
  const load = Array.from({ length: places + 1 }, (_, count) =>
    smallest(
      ...here.flatMap((node) =>
        (node.places[unit] ?? 0) >= count ? [node.loadOn[unit]?.[count] ?? inSeconds(Infinity)] : [],
      ),
    ),
  );
  const pour = places > 1 ? ((load[places] ?? 0) - (load[1] ?? 0)) / (places - 1) : 0;
  return {
    places,
    load,
    rounding: largest(
      inSeconds(0),
      ...load.slice(1).map((seconds, at) => inSeconds((load[1] ?? 0) + at * pour - seconds)),
    ),
    between: smallest(...here.map((node) => node.between)),
    tester: smallest(...here.map((node) => node.loadOn[unit]?.[1] ?? inSeconds(0))),
  };
}

/**
 * Most pieces that one unit can finish by `until` if nobody can use it before `from`.
 * @param areCounted its testers count as pieces.
 */
export function mostPieces(
  { places, load, between, tester, rounding }: Least,
  testers: number,
  from: Seconds,
  until: Seconds,
  areCounted = true,
): number {
  let at = from;
  let pieces = 0;
  for (let n = 0; n < testers; n += 1) {
    if (at + tester > until) return pieces;
    at = plus(at, tester);
    if (areCounted) pieces += 1;
  }
  if (until <= at) return pieces;
  const full = load[places] ?? Infinity;
  // Loads that are full, and after them one that is as full as still fits; or the same number of loads, each a little less full.
  const loads = Math.floor((until - at + between) / (full + between));
  let most = loads * places;
  const one = load[1] ?? Infinity;
  const pour = places > 1 ? (full - one) / (places - 1) : 0;
  const upTo = Math.floor((until - at + between) / Math.max(1, one + between - rounding));
  for (let count = loads; count <= upTo; count += 1) {
    if (count < 1) continue;
    const forPours = until - at + between - count * (one + between - rounding);
    const fit = pour > 0 ? count + Math.floor(forPours / pour + 1e-9) : count * places;
    most = Math.max(most, Math.min(count * places, fit));
    if (fit < most) break;
  }
  return pieces + most;
}

/** Binary search: the smallest whole second, not before `from`, at which a monotone predicate holds. */
export function leastThat(holds: (at: Seconds) => boolean, from: Seconds): Seconds {
  let step = inSeconds(64);
  let high = largest(inSeconds(1), from);
  while (!holds(high) && high < 4e6) {
    high = plus(high, step);
    step = times(step, 2);
  }
  let low = largest(inSeconds(0), from);
  while (low < high) {
    const middle = inSeconds(Math.floor((low + high) / 2));
    if (holds(middle)) high = middle;
    else low = plus(middle, inSeconds(1));
  }
  return low;
}
