import { type Grams, type Millilitres } from "~/core/quantity";
import type { Cue, Family, RecipeFinding, SurfaceKind, Window } from "~/core/recipe";
import type { Role } from "~/core/pantry";

export type CeilingRole = Extract<Role, "salt" | "powder" | "soda" | "spice" | "vanilla">;

/** What the figures of a batter say against it. */
export type BatterFinding =
  | {
      readonly code: "soda-left-over";
      readonly level: "warns";
      readonly lineId: string;
      readonly sodaTsp: number;
      readonly neutralisedTsp: number;
    }
  | { readonly code: "soda-without-acid"; readonly level: "warns"; readonly lineId: string; readonly sodaTsp: number }
  | { readonly code: "acid-without-soda"; readonly level: "warns"; readonly lineId: string; readonly acidTsp: number }
  | {
      readonly code: "powder-outside-band";
      readonly level: "warns";
      readonly lineId: string;
      readonly tspPer125g: number;
      readonly from: number;
      readonly to: number;
    }
  | { readonly code: "leavener-missing"; readonly level: "warns"; readonly flourLineId: string; readonly grams: Grams }
  | {
      readonly code: "looseness-outside-band";
      readonly level: "warns";
      readonly looseness: number;
      readonly from: number;
      readonly to: number;
    }
  | {
      /** Its lines make another batter than its author aims at. */
      readonly code: "looseness-off-aim";
      readonly level: "warns";
      readonly looseness: number;
      readonly aim: number;
    }
  | {
      /** What its author aims at is not what its family usually is. */
      readonly code: "aim-outside-band";
      readonly level: "notes";
      readonly aim: number;
      readonly from: number;
      readonly to: number;
    }
  | {
      readonly code: "density-unknown";
      readonly level: "warns";
      readonly lineId: string;
      readonly ingredientId: string;
    }
  | {
      readonly code: "ceiling-passed";
      /** Blocks where nobody could have meant it: nothing may be packed from such a line. */
      readonly level: "warns" | "blocks";
      readonly lineId: string;
      readonly ingredientId: string;
      readonly role: CeilingRole;
      readonly gramsPer100: number;
      readonly most: number;
    }
  | {
      readonly code: "yield-off";
      readonly level: "warns";
      readonly claimed: number;
      readonly computed: number;
      /** The portion that would make the claim true, in the portion's own unit; `undefined` for a batch portion. */
      readonly portion: number | undefined;
      readonly unit: "ml" | "g";
    }
  /** A pour lies thinner or thicker than its family's usual over a piece this wide. */
  | {
      readonly code: "film-outside-band";
      readonly level: "notes";
      readonly millimetres: number;
      readonly least: number;
      readonly most: number;
      /** The pour that lies as usual over this piece, and the piece that this pour makes. */
      readonly pourMl: Millilitres;
      readonly acrossCm: number;
    }
  | { readonly code: "window-missing"; readonly level: "warns"; readonly wanted: Window }
  | {
      readonly code: "cue-not-visible";
      readonly level: "warns";
      readonly ingredientId: string;
      readonly cues: readonly Cue[];
    }
  | {
      /** Flour, liquid or egg whose amount nobody said: what a batch makes is the author's claim, or a guess without it. */
      readonly code: "main-amount-open";
      readonly level: "warns";
      readonly ingredientIds: readonly string[];
      readonly claimed: number | null;
    }
  | { readonly code: "pan-fat-not-said"; readonly level: "notes"; readonly surfaceKinds: readonly SurfaceKind[] }
  | {
      /** Flour that drinks more than plain white, and goes on: shares of the liquid. */
      readonly code: "thirsty-flour";
      readonly level: "notes";
      readonly ingredientId: string;
      readonly low: number;
      readonly high: number;
    }
  | {
      readonly code: "variant-without-flour";
      readonly level: "warns";
      readonly variantId: string;
      readonly name: string;
    }
  | {
      /** Heat or surfaces that its family is not cooked at, as after a change of family. */
      readonly code: "heat-of-another-family";
      readonly level: "warns";
      readonly family: Family;
      readonly from: number;
      readonly to: number;
    }
  | {
      /** Butter that goes quiet says nothing about a pan that should be hotter. */
      readonly code: "test-not-for-heat";
      readonly level: "warns";
      readonly from: number;
      readonly to: number;
      readonly wanted: number;
    }
  /** Water does not dance on a surface so gentle: °C from which it does, and the most this recipe wants. */
  | { readonly code: "test-wants-hotter"; readonly level: "warns"; readonly least: number; readonly to: number }
  | {
      readonly code: "salt-depends-on-brand";
      readonly level: "notes";
      readonly lineId: string;
      readonly low: number;
      readonly high: number;
    };

/** A recipe finding of either kind. */
export type AnyRecipeFinding = RecipeFinding | BatterFinding;
