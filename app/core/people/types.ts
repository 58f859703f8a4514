import type { Diet, Substance } from "~/core/pantry";

export const audiences = ["small-children", "school-age", "teens", "adults", "mixed"] as const;
export type Audience = (typeof audiences)[number];

export const participantRoles = ["cook", "grown-up", "taster", "helper"] as const;
export type ParticipantRole = (typeof participantRoles)[number];

/**
 * Youngest first. Before twelve months honey is not for a child (general infant-feeding guidance), so infants have a band of their own;
 * "6-11" is whoever nobody said of whether it is nearer six or eleven.
 */
export const ageBands = ["under-1", "under-6", "6-8", "9-11", "6-11", "12-17", "adult"] as const;
export type AgeBand = (typeof ageBands)[number];

/** How bad it is, gravest first. Below "coeliac" a "may contain" warns instead of counting as contained. */
export const severities = ["rescue-medicine", "allergy", "coeliac", "intolerance", "choice"] as const;
export type Severity = (typeof severities)[number];

export type Need =
  | {
      readonly kind: "substance";
      readonly substance: Substance;
      readonly severity: Severity;
      readonly touchOrAir: boolean;
      readonly note: string;
      /** Who has read the note; until somebody has, it is as open as free words. */
      readonly noteReadBy?: string | null | undefined;
    }
  /** Any food at all by its name, and what is made of it: corn, banana, cinnamon. */
  | {
      readonly kind: "food";
      readonly food: string;
      /** What somebody of the class said that the word covers; absent while nobody did. */
      readonly covers?: Covers | undefined;
      readonly severity: Severity;
      readonly touchOrAir: boolean;
      readonly note: string;
      readonly noteReadBy?: string | null | undefined;
    }
  | {
      readonly kind: "diet";
      readonly diet: Diet;
      readonly note: string;
      readonly noteReadBy?: string | null | undefined;
    };

/** What a word of somebody's covers: foods and substances by name; none, only what goes by this very name. */
export interface Covers {
  readonly words: readonly string[];
  readonly by: string;
}

export interface Participant {
  readonly id: string;
  readonly name: string;
  readonly role: ParticipantRole;
  readonly ageBand: AgeBand;
  /** False until somebody said so: not answered is not "none". */
  readonly hasAnswered: boolean;
  readonly needs: readonly Need[];
  /** The grown-up on the same register who looks after this person. */
  readonly grownUpId?: string | undefined;
  /** What the instructor wants to remember that is no health data: left-handed, leaves early. */
  readonly note?: string | undefined;
  /**
   * What was written in free words about allergies and diet. Nothing is read into it: until a person has turned it into needs and
   * said so, every verdict on this participant is unknown.
   */
  readonly words?:
    | {
        readonly text: string;
        readonly readBy: string | null;
        /** Whoever read them signed that they name nothing to avoid. */
        readonly isNothing?: boolean | undefined;
      }
    | undefined;
  /** A second answer came in that differs in who gave it, and nobody has compared the two yet. */
  readonly isContested?: boolean | undefined;
  /** Where rescue medicine and the emergency plan are. */
  readonly emergency?: string | undefined;
  /** Who gave the answer and when, as an ISO date. */
  readonly answered?: { readonly by: string; readonly on: string } | undefined;
}

/** Who sits where, as the optimiser or a hand arranged it, and which stations are kept apart from the rest. */
export interface Arrangement {
  /** Participants by station, in the order of the stations; null while the order of the register decides. */
  readonly seats: readonly (readonly string[])[] | null;
  /** No hand arranged them: they were written down as the register dealt them, so that dishes and products stay with their people. */
  readonly isFromRegister?: boolean | undefined;
  /** Stations, counted from 0, that have their own kit packed first, their own gear, and cook first on a clean surface of their own. */
  readonly apart: readonly number[];
  /** Shared surfaces are washed whenever they pass from one dish to another. */
  readonly washesBetween?: boolean | undefined;
  /** Stations, counted from 0, that measure with another set than the class: a household with its own cups and spoons. */
  readonly sets?: readonly OwnSet[] | undefined;
}

/** The measuring set of one station, by the set's id. */
export interface OwnSet {
  readonly station: number;
  readonly measuringSetId: string;
}

/** One table of people who work through the recipe together. */
export interface Station {
  readonly id: string;
  readonly name: string;
  readonly size: number;
  /** Participants seated here; may be fewer than `size` while the register is incomplete. */
  readonly people: readonly string[];
}
