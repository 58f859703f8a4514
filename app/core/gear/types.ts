import type { SurfaceKind, Tool } from "~/core/recipe";

/** A place where pieces cook. */
export interface Surface {
  readonly id: string;
  readonly name: string;
  readonly kind: SurfaceKind;
  /** Pieces in one load, never crowded. */
  readonly places: number;
  /** How many of it there are: in the room when shared, at each station otherwise. */
  readonly count: number;
  readonly at: "shared" | "station";
  /** Minutes from cold to hot on this very appliance; null for the usual figure of its kind. */
  readonly preheatMinutes: number | null;
  /** Electrical power in watts; 0 when it does not plug in. */
  readonly watts: number;
}

export interface Kitchen {
  readonly id: string;
  readonly name: string;
  readonly sinks: number;
  readonly surfaces: readonly Surface[];
  readonly gear: readonly { readonly tool: Tool; readonly owned: number }[];
}

/** One line of the gear list. */
export interface GearLine {
  readonly tool: Tool;
  readonly perStation: number;
  readonly shared: number;
  readonly instructor: number;
  readonly needed: number;
  readonly owned: number | undefined;
  /** Missing pieces; 0 when there are enough or nobody counted. */
  readonly short: number;
  readonly isCountedBack: boolean;
}

export type GearFinding =
  | {
      readonly code: "gear-short";
      readonly level: "warns";
      readonly items: readonly { readonly tool: Tool; readonly needed: number; readonly owned: number }[];
    }
  | { readonly code: "gear-not-counted"; readonly level: "notes"; readonly tools: readonly Tool[] }
  | {
      readonly code: "no-surface";
      readonly level: "blocks";
      readonly recipeTitle: string;
      readonly wanted: readonly SurfaceKind[];
    };
