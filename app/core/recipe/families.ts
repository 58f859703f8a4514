import { type Minutes, inMinutes } from "~/core/quantity";
import type { Family, SurfaceKind } from "./types";

/** What a family of griddle food usually does. All figures are starting values from teaching practice, open to correction. */
export interface FamilyFacts {
  /** Grams of water per gram of flour and other starch. */
  readonly looseness: { readonly from: number; readonly to: number };
  /** False where steam and egg lift the batter and no leavener is wanted. */
  readonly isLeavened: boolean;
}

export const familyFacts: Readonly<Record<Family, FamilyFacts>> = {
  drawn: { looseness: { from: 1.2, to: 1.7 }, isLeavened: true },
  drop: { looseness: { from: 1.1, to: 1.8 }, isLeavened: true },
  pancake: { looseness: { from: 1.6, to: 2.2 }, isLeavened: true },
  crepe: { looseness: { from: 2.2, to: 3.3 }, isLeavened: false },
  waffle: { looseness: { from: 1.6, to: 2.3 }, isLeavened: true },
  "ridged-waffle": { looseness: { from: 1.6, to: 2.3 }, isLeavened: true },
  // Fritters are bound vegetable, not a poured batter: no band is taught for them.
  fritter: { looseness: { from: 0, to: Infinity }, isLeavened: true },
  "oven-puffed": { looseness: { from: 2, to: 4.5 }, isLeavened: false },
};

/** Where pieces wait: soft ones under a cloth, crisp ones on a rack in moving air; what is puffed falls and waits for nobody. */
export type TrayKeeping = "cloth" | "rack" | "at-once";
/** How pieces of a family wait between the heat and the plate, and for how many minutes at most (starting values from kitchen practice). */
export const trayOf: Readonly<Record<Family, { readonly keep: TrayKeeping; readonly most: Minutes }>> = {
  drawn: { keep: "cloth", most: inMinutes(20) },
  drop: { keep: "cloth", most: inMinutes(20) },
  pancake: { keep: "cloth", most: inMinutes(20) },
  crepe: { keep: "cloth", most: inMinutes(25) },
  waffle: { keep: "rack", most: inMinutes(10) },
  "ridged-waffle": { keep: "rack", most: inMinutes(10) },
  fritter: { keep: "rack", most: inMinutes(10) },
  "oven-puffed": { keep: "at-once", most: inMinutes(5) },
};

/** Minutes from cold to hot, by surface; starting values. */
export const preheatMinutes: Readonly<
  Record<SurfaceKind, { readonly low: number; readonly likely: number; readonly high: number }>
> = {
  "electric-griddle": { low: 8, likely: 10, high: 15 },
  "hob-pan": { low: 4, likely: 5, high: 8 },
  "cast-iron-pan": { low: 5, likely: 7, high: 10 },
  "crepe-pan": { low: 4, likely: 5, high: 8 },
  "waffle-iron": { low: 5, likely: 6, high: 9 },
  "ridged-pan": { low: 4, likely: 5, high: 8 },
  oven: { low: 15, likely: 20, high: 25 },
};
