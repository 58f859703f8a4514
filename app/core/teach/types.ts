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

/** What each kind of live event carries. A new kind is named here; schema, fold and stored check do not pass without it. */
export interface LiveEventBodies {
  readonly "class-started": object;
  readonly "bell-rung": { readonly bellId: string };
  readonly "bell-taken-back": { readonly bellId: string };
  readonly "delay-added": { readonly minutes: Minutes };
  readonly "station-set": { readonly stationId: string; readonly state: StationState };
  readonly "pieces-counted": { readonly stationId: string; readonly pieces: Pieces };
  /** Pieces of each round a table makes, where it chooses while it cooks; together all of its pieces. */
  readonly "rounds-decided": { readonly stationId: string; readonly rounds: readonly RoundPieces[] };
  readonly "note-added": { readonly text: string };
  readonly "class-ended": object;
  readonly "class-reopened": object;
}
export type LiveEventKind = keyof LiveEventBodies;
export type LiveEvent = {
  readonly [K in LiveEventKind]: Happened & { readonly kind: K } & LiveEventBodies[K];
}[LiveEventKind];

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
