import { type Cue, type Family, type Recipe, doneCues, turnCues } from "~/core/recipe";

/** What says that a piece is to be turned, and what that it is done: two looks, not one. */
export interface Looks {
  /** Empty where nothing is turned. */
  readonly turn: readonly Cue[];
  readonly done: readonly Cue[];
}

/** When a family's usual piece is done, where its author did not say (starting values from teaching practice). */
const usuallyDone: Readonly<Record<Family, readonly Cue[]>> = {
  drawn: ["golden-below"],
  drop: ["golden-below", "set-in-middle"],
  pancake: ["golden-below", "set-in-middle"],
  crepe: ["golden-below"],
  waffle: ["steam-stops"],
  "ridged-waffle": ["golden-below", "set-in-middle"],
  fritter: ["golden-below", "set-in-middle"],
  "oven-puffed": ["puffed-and-brown"],
};

const isTurnCue = (cue: Cue): boolean => turnCues.some((one) => one === cue);
const isDoneCue = (cue: Cue): boolean => doneCues.some((one) => one === cue);

/** The two looks of a recipe: as its author chose, else its family's. Where both sides cook at once nothing is turned. */
export function looksOf({ heat, family }: Pick<Recipe, "heat" | "family">): Looks {
  const chosen = heat.cues.filter(isDoneCue);
  return {
    turn: heat.side2 ? heat.cues.filter(isTurnCue) : [],
    done: chosen.length > 0 ? chosen : usuallyDone[family],
  };
}
