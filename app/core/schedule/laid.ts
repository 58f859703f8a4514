import type { Pieces, Seconds } from "~/core/quantity";

/** A load as indices: its unit, its stations and their pieces. The order of a class is a list of these. */
export interface Gene {
  unit: number;
  stations: number[];
  pieces: Pieces[];
}

/** An order as indices, which the search mutates; `Order` is the one that is stored. */
export interface Genes {
  loads: Gene[];
  /** Which of `shown.units` the demonstration's load is shown on. */
  demoUnit: number;
  showsFirst: boolean;
}

/** A placed load. Moments are seconds since the doors opened. */
export interface Placed {
  readonly unit: number;
  readonly stations: readonly number[];
  readonly pieces: readonly Pieces[];
  /** Which of its station's segments each is of. */
  readonly segments: readonly number[];
  /** When the unit was washed for it: from what was on it last to heating again; equal where it was not washed. */
  readonly washFrom: Seconds;
  readonly washTo: Seconds;
  /** When it begins with its testers, when the load itself is poured, when its last piece is out. */
  from: Seconds;
  readonly testers: Pieces;
  start: Seconds;
  end: Seconds;
  /** Seconds after which the unit takes the next load. */
  readonly between: Seconds;
  /** Seconds by which it begins later for what its batter is poured with, which goes round. */
  waited: Seconds;
  /** Whose first tester it is; the first of `stations`. */
  readonly station: number;
}

/** A class laid in time. */
export interface Laid {
  readonly loads: Placed[];
  readonly mixFrom: Seconds;
  /** When the load is shown, and on which unit; null where none is. */
  readonly demo: { readonly unit: number; readonly start: Seconds; readonly end: Seconds } | null;
  /** For each station: when its chain begins, later than `mixFrom` where its batter would wait too long. */
  readonly begins: Seconds[];
  /** For each station: when it begins to mix the second half; 0 where there is none. */
  readonly secondMixStarts: Seconds[];
  /** For each station: when it begins each thing it does after its last piece; see `settle`. */
  afters: readonly (readonly Seconds[])[];
  /** Units that had another food on them before one it must not meet, and that no washing clears. */
  readonly uncleared: readonly number[];
  /** Stations with pieces that no unit takes. */
  readonly unplaced: readonly number[];
}
