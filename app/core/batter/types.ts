import type { Cue, RecipeFinding, Window } from "~/core/recipe";
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
  | { readonly code: "leavener-missing"; readonly level: "warns"; readonly flourLineId: string; readonly grams: number }
  | {
      readonly code: "looseness-outside-band";
      readonly level: "warns";
      readonly looseness: number;
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
  | { readonly code: "window-missing"; readonly level: "warns"; readonly wanted: Window }
  | {
      readonly code: "cue-not-visible";
      readonly level: "warns";
      readonly ingredientId: string;
      readonly cues: readonly Cue[];
    }
  | {
      readonly code: "salt-depends-on-brand";
      readonly level: "notes";
      readonly lineId: string;
      readonly low: number;
      readonly high: number;
    };

/** A recipe finding of either kind. */
export type AnyRecipeFinding = RecipeFinding | BatterFinding;
