import { type SurfaceId } from "~/core/ids";
import type { Pieces } from "~/core/quantity";

/** One load of an order: its unit and whose pieces it holds. Several stations share a load only in an oven. */
export interface OrderedLoad {
  /** Surface and number of the unit: the second of three griddles; for surfaces at stations, the first station’s. */
  readonly surfaceId: SurfaceId;
  readonly number: number;
  readonly parts: readonly { readonly stationId: string; readonly pieces: Pieces }[];
}

/**
 * The order of a class, found by a search or set by hand: its loads in the sequence in which they are placed, and the demonstration’s
 * load. It holds no times; placing it again gives the same timeline. Entries for stations or units that no longer exist are skipped;
 * pieces it leaves uncooked are placed by rule.
 */
export interface Order {
  readonly loads: readonly OrderedLoad[];
  /** Unit of the demonstration’s load, with its station for surfaces at stations; null where the rule decides. */
  readonly demoAt: { readonly surfaceId: SurfaceId; readonly number: number; readonly stationId?: string } | null;
  /** The demonstration’s load comes right after its mixing, before anybody mixes: their batter then waits less. */
  readonly showsFirst: boolean;
  /** Set by hand: used even where a rule would be faster. */
  readonly isWished?: boolean | undefined;
}
