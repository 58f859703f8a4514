import type { Diet, Substance } from "~/core/pantry";

export const audiences = ["small-children", "school-age", "teens", "adults", "mixed"] as const;
export type Audience = (typeof audiences)[number];

export const participantRoles = ["cook", "grown-up", "taster", "helper"] as const;
export type ParticipantRole = (typeof participantRoles)[number];

export const ageBands = ["under-6", "6-11", "12-17", "adult"] as const;
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
    }
  | { readonly kind: "diet"; readonly diet: Diet; readonly note: string };

export interface Participant {
  readonly id: string;
  readonly name: string;
  readonly role: ParticipantRole;
  readonly ageBand: AgeBand;
  /** False until somebody said so: not answered is not "none". */
  readonly hasAnswered: boolean;
  readonly needs: readonly Need[];
}

/** One table of people who work through the recipe together. */
export interface Station {
  readonly id: string;
  readonly name: string;
  readonly size: number;
  /** Participants seated here; may be fewer than `size` while the register is incomplete. */
  readonly people: readonly string[];
}
