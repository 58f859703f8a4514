import type { Minutes, Pieces } from "~/core/quantity";
import type { Bell } from "~/core/schedule";

/** Pieces of one round of a recipe. */
export interface RoundPieces {
  readonly roundId: string;
  readonly pieces: Pieces;
}

export const stationStates = ["waiting", "heating", "ready", "poured", "turned", "done", "stuck"] as const;
export type StationState = (typeof stationStates)[number];

/** Moments are milliseconds since 1970, written by the device where it happened. */
interface Happened {
  /** Made by the client, so that sending twice is not two events. */
  readonly id: string;
  readonly at: number;
}

export type LiveEvent = Happened &
  (
    | { readonly kind: "class-started" }
    | { readonly kind: "bell-rung"; readonly bellId: string }
    | { readonly kind: "bell-taken-back"; readonly bellId: string }
    | { readonly kind: "delay-added"; readonly minutes: Minutes }
    | { readonly kind: "station-set"; readonly stationId: string; readonly state: StationState }
    | { readonly kind: "pieces-counted"; readonly stationId: string; readonly pieces: Pieces }
    /** A table that decides while it cooks has decided: pieces of each round it makes, all of its pieces together. */
    | { readonly kind: "rounds-decided"; readonly stationId: string; readonly rounds: readonly RoundPieces[] }
    | { readonly kind: "note-added"; readonly text: string }
    | { readonly kind: "class-ended" }
    | { readonly kind: "class-reopened" }
  );
export const liveEventKinds = [
  "class-started",
  "bell-rung",
  "bell-taken-back",
  "delay-added",
  "station-set",
  "pieces-counted",
  "rounds-decided",
  "note-added",
  "class-ended",
  "class-reopened",
] as const satisfies readonly LiveEvent["kind"][];

/** What is known of a running class: nothing but the fold of its events. */
export interface LiveState {
  readonly startedAt: number | undefined;
  readonly endedAt: number | undefined;
  /** When each bell was rung. */
  readonly rung: Readonly<Record<string, number>>;
  /** Minutes given to the room on top of the plan, each with its moment. */
  readonly delays: readonly { readonly at: number; readonly minutes: Minutes }[];
  readonly stations: Readonly<Record<string, { readonly state: StationState; readonly since: number }>>;
  readonly pieces: Readonly<Record<string, number>>;
  /** What tables have decided of their rounds; the last word counts. */
  readonly decided: Readonly<Record<string, readonly RoundPieces[]>>;
  readonly notes: readonly { readonly at: number; readonly text: string }[];
}

/** Now, next, and how late: read from the state and a moment. */
export interface Situation {
  readonly phase: "not-started" | "running" | "ended";
  /** The last bell rung, and the one to ring next. */
  readonly now: Bell | undefined;
  readonly next: Bell | undefined;
  /** Milliseconds until the next bell is due: its planned distance from the bell that was rung, and what was added since. Negative when overdue. */
  readonly untilNext: number | undefined;
  /** Minutes added since the last bell. */
  readonly addedMinutes: Minutes;
  /** Minutes by which the next bell will be behind the plan at the earliest; negative when ahead. */
  readonly lateMinutes: Minutes;
  readonly elapsed: number;
}
