import { type Family, type MixingStop, type Recipe, type Step, methodOf } from "~/core/recipe";

/** How far each family's batter is usually mixed (teaching practice): what rises by powder stays lumpy, what is poured thin is smooth. */
const usualStop: Readonly<Record<Family, MixingStop>> = {
  drawn: "smooth",
  drop: "lumps-fine",
  pancake: "lumps-fine",
  crepe: "smooth",
  waffle: "lumps-fine",
  "ridged-waffle": "just-combined",
  fritter: "just-combined",
  "oven-puffed": "smooth",
};

/** The last step at which a batter is mixed: where it is spoilt or saved. */
const lastMix = (recipe: Recipe): Step | undefined => methodOf(recipe).mixing.findLast((step) => step.kind === "mix");

/**
 * When to stop mixing at a step: as its author says, else at the last mixing of the batter as the family usually does; undefined where
 * nothing is to be watched.
 */
export const stopOf = (step: Step, recipe: Recipe): MixingStop | undefined =>
  step.kind !== "mix" ? undefined : (step.stop ?? (step === lastMix(recipe) ? usualStop[recipe.family] : undefined));
