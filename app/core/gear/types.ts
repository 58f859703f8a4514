import { type SurfaceId } from "~/core/ids";
import type { Minutes } from "~/core/quantity";
import type { SurfaceKind, Tool } from "~/core/recipe";
import type { SurfaceSize } from "./circles";
import type { Circuit } from "./circuits";
import type { GearSize } from "./sizes";

/** What covers the hot side. */
export const coatings = ["bare", "seasoned", "non-stick"] as const;
export type Coating = (typeof coatings)[number];
/** What the lamp of an iron says while it is lit; makers do not agree. */
export const lampMeanings = ["heating", "ready"] as const;
export type LampMeaning = (typeof lampMeanings)[number];

/** What burns under a surface that has a flame of its own. */
export const flames = ["gas", "camping-gas"] as const;
export type Flame = (typeof flames)[number];

/** A place where pieces cook. */
export interface Surface {
  readonly id: SurfaceId;
  readonly name: string;
  readonly kind: SurfaceKind;
  /** Pieces in one load, never crowded; where the size is known, as many as fit but never more than this. */
  readonly places: number;
  /** The cooking side as measured; absent where nobody measured. */
  readonly size?: SurfaceSize | undefined;
  readonly coating?: Coating | undefined;
  /** Handles that get hot are taken with a dry cloth only. */
  readonly hasHotHandle?: boolean | undefined;
  readonly lamp?: LampMeaning | undefined;
  /** Absent where nothing burns, or nobody said. */
  readonly flame?: Flame | undefined;
  /** How many of it there are: in the room when shared, at each station otherwise. */
  readonly count: number;
  readonly at: "shared" | "station";
  /** Minutes from cold to hot on this very appliance; null for the usual figure of its kind. */
  readonly preheatMinutes: Minutes | null;
  /** Electrical power in watts; 0 when it does not plug in. */
  readonly watts: number;
}

/** Shared tools: tools, and heat sources other than the cooking surfaces, that there may be fewer of than stations. */
export const sharedThings = [
  "scale",
  "sieve",
  "grater",
  "zester",
  "mixer",
  "microwave",
  "hob",
  "ladle",
  "pen",
] as const;
export type SharedThing = (typeof sharedThings)[number];

export interface Kitchen {
  readonly id: string;
  readonly name: string;
  readonly sinks: number;
  readonly surfaces: readonly Surface[];
  readonly gear: readonly { readonly tool: Tool; readonly owned: number }[];
  /**
   * What goes round the tables, and how many of it there are, 1 to 40; hobs those left beside the pans. Absent where every table has
   * its own, or nobody said: then nobody waits for it.
   */
  readonly goesRound?: readonly { readonly thing: SharedThing; readonly count: number }[] | undefined;
  /** Breakers and their sockets; absent where nobody looked, and then nobody can say what may be plugged in together. */
  readonly circuits?: readonly Circuit[] | undefined;
  readonly floor?: Floor | undefined;
  /** Metres above the sea, 0 to 5,000; absent where nobody said. */
  readonly altitudeM?: number | undefined;
}

export const floorKinds = [
  "station",
  "heat",
  "water",
  "exit",
  "extinguisher",
  "allergy-table",
  "cold",
  "topping-bar",
  "packing",
] as const;
export type FloorKind = (typeof floorKinds)[number];

/** A sketch of the room: its size in metres, and where things stand, in metres from the upper left corner. */
export interface Floor {
  readonly widthM: number;
  readonly depthM: number;
  readonly marks: readonly {
    readonly kind: FloorKind;
    readonly label: string;
    readonly x: number;
    readonly y: number;
  }[];
}

/** One line of the gear list. */
export interface GearLine {
  readonly tool: Tool;
  /** How large, and how many of each size; absent where size does not matter or is not known. */
  readonly sizes?: readonly GearSize[] | undefined;
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
      readonly code: "circuits-short";
      readonly level: "blocks";
      /** What stays unplugged, by name, and whether every way of plugging in was gone through. */
      readonly left: readonly string[];
      readonly watts: number;
      readonly isProven: boolean;
    }
  | { readonly code: "circuit-near-limit"; readonly level: "warns"; readonly appliances: readonly string[] }
  | { readonly code: "stick-care"; readonly level: "notes"; readonly sticks: number }
  /** What an oven dish has to be made of, and how many there are. */
  | { readonly code: "dish-care"; readonly level: "notes"; readonly dishes: number }
  | { readonly code: "circuits-not-known"; readonly level: "notes"; readonly watts: number }
  | {
      readonly code: "surface-care";
      readonly level: "notes";
      readonly surface: string;
      readonly cares: readonly SurfaceCare[];
    }
  | {
      readonly code: "no-surface";
      readonly level: "blocks";
      readonly recipeTitle: string;
      readonly wanted: readonly SurfaceKind[];
    };

/** What must not be done with a surface, or must be known of it. */
export const surfaceCares = [
  "no-metal",
  "never-empty",
  "hot-handle",
  "lamp-heating",
  "lamp-ready",
  "lamp-unknown",
] as const;
export type SurfaceCare = (typeof surfaceCares)[number];
