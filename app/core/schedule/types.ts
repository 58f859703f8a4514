import { type SurfaceId, type UnitId } from "~/core/ids";
/** Types of the timeline. All times in a plan are minutes since the doors open. */

import type { Minutes, Pieces } from "~/core/quantity";
import type { SharedThing, Surface } from "~/core/gear";
import type { Recipe } from "~/core/recipe";
import type { Order } from "./order";

/** What the instructor shows before the stations begin. */
export const demoModes = ["mix-and-load", "mix", "along"] as const;
export type DemoMode = (typeof demoModes)[number];

export const kitModes = ["pre-measured", "station-measures", "dry-mix"] as const;
export type KitMode = (typeof kitModes)[number];

/** What one station has to do; everything about people and amounts is settled before. */
export interface StationJob {
  readonly stationId: string;
  readonly recipe: Recipe;
  readonly pieces: Pieces;
  /** Lines the station has to measure for each mix, and eggs it cracks. */
  readonly measuredLines: number;
  readonly eggs: number;
  /** Sachets and tins it opens. */
  readonly sachets?: number;
  /** 2 where its batter is mixed in two halves, the second while the first is cooked; absent where it is mixed at once. */
  readonly mixes?: 2 | undefined;
  /** People at the table who can pour; where it is not said hands are no limit. */
  readonly hands?: number;
  /** Kept apart: cooks first, on one surface of its own, which is washed before it if anybody used it; see `washMinutes`. */
  readonly isApart?: boolean;
  /** The step at which leavener (or, without one, flour) first gets wet; null where no step says so: then the end of mixing counts. */
  readonly wetStepId?: string | null;
  /** Most minutes between that moment and the start of the last load, and why; null where nothing sets a limit. */
  readonly cookBy?: CookBy | null;
}

/** How much a station makes, and the least of it whoever gives the testers; `eaten` of its pieces are no testers. */
export interface Amounts extends Required<Pick<StationJob, "pieces" | "eggs" | "sachets">> {
  readonly least: { readonly pieces: Pieces; readonly eaten: Pieces; readonly eggs: number };
}

/** What limits how long a mixed batter may stand. */
export interface CookBy {
  readonly max: Minutes;
  readonly why: "window" | "raw-batter";
}

export interface ScheduleInput {
  readonly stations: readonly StationJob[];
  readonly surfaces: readonly Surface[];
  readonly people: number;
  readonly sinks: number;
  /** Minutes at the sink per person; defaults to 25 s (`handMinutes.washPerPerson`). */
  readonly handwash?: Minutes;
  /** Minutes with empty hands from which on a wait is worth a word. */
  readonly idleBorne?: Minutes;
  /** Multiplies handwork; see `paceOf`. */
  readonly pace: number;
  readonly demo: DemoMode;
  /** The dish that is shown; the first station's where it is not said. */
  readonly demoRecipe?: Recipe | undefined;
  readonly kitMode: KitMode;
  readonly doorsMinutes: Minutes;
  readonly eatMinutes: Minutes;
  readonly cleanMinutes: Minutes;
  /** Each table is a household of its own: the load that is shown is on a surface of the instructor's, which nobody else uses. */
  readonly areHomes?: boolean;
  readonly testersPerSurface: Pieces;
  /**
   * What each station makes if it gives so many testers, in the order of `stations`; what `stations` says is then what it makes as the
   * class is laid. Absent where testers come off a station's pieces, whoever gives them.
   */
  readonly amountsFor?: ((testers: readonly Pieces[]) => readonly Amounts[]) | undefined;
  /** Hot places that may be in use at once for want of adults; null for no such rule. */
  readonly hotPlaces: number | null;
  /** Wash a surface whenever it passes from one recipe to another; see `washMinutes`. */
  readonly washesBetween?: boolean;
  /** What goes round the tables, and how many of it there are; see `Kitchen`. */
  readonly goesRound?: readonly { readonly thing: SharedThing; readonly count: number }[] | undefined;
  /** Bells that somebody pinned. */
  readonly pins?: readonly Pin[] | undefined;
  /** The loads in the order a search found or a hand wished; by rule where there is none. */
  readonly order?: Order | undefined;
}

export const taskKinds = [
  "arrive",
  "demo-mix",
  "prepare",
  "mix",
  "wait",
  "rest",
  "part",
  "after",
  "preheat",
  "demo-load",
  "wash",
  "tester",
  "load",
  "eat",
  "clean",
] as const;
export type TaskKind = (typeof taskKinds)[number];

export interface Task {
  readonly id: string;
  readonly kind: TaskKind;
  /** Null for the whole room. */
  readonly stationId: string | null;
  /** The unit it is on. */
  readonly surfaceId: UnitId | null;
  readonly stepId: string | null;
  readonly start: Minutes;
  readonly end: Minutes;
  /** Pieces on the surface, for loads. */
  readonly pieces: Pieces;
  readonly loadNumber: number;
  /** Which pieces of its bowl a load holds; absent where all are alike. */
  readonly roundId?: string;
  /** 2 for what is done to, or poured from, the second of two mixes; absent else. */
  readonly mix?: 2;
  /** The shared tool that a wait, or a load or tester before it began, waited for. */
  readonly waitsFor?: SharedThing;
  /** Minutes that a load or tester waited for it. */
  readonly waited?: Minutes;
  /** Of a wait: where everybody steps along, the others are not there yet. */
  readonly isCatchUp?: true;
}

export const bellKinds = [
  "doors",
  "gather-mix",
  "mix",
  "rest",
  "gather-load",
  "pour",
  "swap",
  "eat",
  "clean",
  "close",
] as const;
export type BellKind = (typeof bellKinds)[number];

/** Bells that can be pinned to a moment: none of them rings before it, and as soon after it as can be. */
export const pinnableBells = ["mix", "pour", "eat"] as const satisfies readonly BellKind[];
export type PinnableBell = (typeof pinnableBells)[number];
/** @example { bell: "eat", at: 75 } minutes since the doors, whole, 0 to 1440. */
export interface Pin {
  readonly bell: PinnableBell;
  readonly at: Minutes;
}
/** The latest a bell can be pinned to, in minutes since the doors: a day. */
export const latestPin = 1440;

/** A moment the instructor calls the room. */
export interface Bell {
  readonly id: string;
  readonly kind: BellKind;
  readonly at: Minutes;
}

/** One unit of a surface: the second of three griddles, the left pan at Heron. */
export interface SurfaceUnit {
  readonly id: UnitId;
  readonly surfaceId: SurfaceId;
  readonly name: string;
  readonly number: number;
  readonly stationId: string | null;
}

/** Minutes on the way to the end of the class, by what was waited for. */
export interface CriticalPart {
  readonly kind: TaskKind | "queue";
  readonly minutes: Minutes;
}

/**
 * When a batter of one station got wet, was mixed, may be poured and was last poured (a tester is a pour), in minutes since the doors.
 * Of a station that pours nothing `lastPour` is `readyAt` and `cookBy` null.
 */
export interface BatterTimes {
  readonly stationId: string;
  /** 2 for the second of two mixes; absent else. */
  readonly mix?: 2;
  readonly wetAt: number;
  readonly mixedAt: number;
  readonly readyAt: number;
  readonly lastPour: number;
  readonly cookBy: CookBy | null;
}

export interface Timeline {
  readonly tasks: readonly Task[];
  readonly bells: readonly Bell[];
  readonly units: readonly SurfaceUnit[];
  /** Minutes from the doors to the end of clean-up. */
  readonly end: Minutes;
  readonly firstPour: Minutes;
  readonly lastLoadEnd: Minutes;
  /** Minutes since the doors before which no order of this class can have everything ready to eat; see `boundOf`. */
  readonly bound: Minutes;
  /** Nothing can be ready sooner: what is eaten last is ready at the bound, with every window kept. */
  readonly isProved: boolean;
  readonly loads: number;
  /** What the last station's time went into, in order of time. */
  readonly critical: readonly CriticalPart[];
  /** Minutes each station stands with nothing to do between the first mix and the last load: in all, and the longest stretch of them. */
  readonly idle: readonly { readonly stationId: string; readonly minutes: Minutes; readonly longest: Minutes }[];
  readonly batters: readonly BatterTimes[];
  /** Stations that cannot cook because no surface of the kitchen suits their recipe. */
  readonly unplaced: readonly string[];
  /** Surfaces that had another food on them before one it must not meet, and that no washing clears. */
  readonly uncleared: readonly SurfaceId[];
}

export type ScheduleFinding =
  | {
      readonly code: "does-not-fit";
      readonly level: "warns";
      readonly minutes: Minutes;
      readonly available: number;
      readonly over: number;
    }
  | {
      readonly code: "waits-for-surfaces";
      readonly level: "warns" | "notes";
      readonly minutes: Minutes;
      /** When the class would end with one more of it, by the usual rules, and by how much sooner that is. */
      readonly withOneMore: number;
      readonly gained: Minutes;
      readonly surfaceName: string;
    }
  | {
      readonly code: "cook-by-passed";
      readonly level: "warns";
      readonly stationIds: readonly string[];
      readonly minutes: Minutes;
      readonly max: Minutes;
      readonly why: CookBy["why"];
    }
  /** These wait with mixing after the bell, so that their batter is not wet for longer than it may be. */
  | {
      readonly code: "mixes-later";
      readonly level: "warns";
      readonly stationIds: readonly string[];
      /** After the mixing bell. */
      readonly minutes: Minutes;
    }
  /** Tables wait for something that goes round: the longest wait, in minutes, and how many of it there are. */
  | {
      readonly code: "waits-for-thing";
      readonly level: "notes";
      readonly thing: SharedThing;
      readonly count: number;
      readonly stationIds: readonly string[];
      readonly minutes: Minutes;
      /** The longest wait with one more of it, by the usual rules. */
      readonly withOneMore: Minutes;
    }
  /** A bell rings later than it was pinned to. */
  | {
      readonly code: "pin-not-kept";
      readonly level: "warns";
      readonly bell: PinnableBell;
      readonly at: Minutes;
      readonly minutes: Minutes;
    }
  | {
      readonly code: "stands-idle";
      readonly level: "notes";
      readonly stationIds: readonly string[];
      readonly minutes: Minutes;
    }
  /** Children cook, and nobody is at the heat but the instructor, who is everywhere. */
  | { readonly code: "nobody-at-heat"; readonly level: "warns" }
  /** A surface that must be kept for one food only was used for another before it: washing does not clear it. */
  | { readonly code: "surface-not-cleared"; readonly level: "warns"; readonly surfaces: readonly string[] }
  | {
      readonly code: "hot-places-limited";
      readonly level: "notes";
      readonly surfaces: number;
      readonly hotPlaces: number;
    };
