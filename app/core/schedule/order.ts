import type { Pieces } from "~/core/quantity";

/** One load of an order: on which unit, and whose pieces lie on it. Several stations only where an oven takes them together. */
export interface OrderedLoad {
  /** The surface, and which of it: the second of three griddles; of a table's own, the first station's. */
  readonly surfaceId: string;
  readonly number: number;
  readonly parts: readonly { readonly stationId: string; readonly pieces: Pieces }[];
}

/**
 * What a search found, or a hand wished: the loads in the order in which they are laid, and when the load of the demonstration is
 * shown. It holds no times; laid anew it makes the same timeline, always. What it says of stations or units that are not there any
 * more is passed over, and what it leaves uncooked is laid after it by rule.
 */
export interface Order {
  readonly loads: readonly OrderedLoad[];
  /** Where the demonstration's load is shown, and of a table's own surface at whose table; null where the rule decides. */
  readonly demoAt: { readonly surfaceId: string; readonly number: number; readonly stationId?: string } | null;
  /** The load is shown right after the mixing was, before anybody mixes: their batter then waits less. */
  readonly showsFirst: boolean;
  /** A hand wished it: it holds although a rule would do better. */
  readonly isWished?: boolean | undefined;
}
