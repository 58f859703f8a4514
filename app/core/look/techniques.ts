import { isVolumeUnit } from "~/core/quantity";
import type { Pantry } from "~/core/batter";
import {
  type LineAmount,
  type Recipe,
  type Step,
  type Technique,
  expectedOf,
  isCountedOut,
  techniques,
  cooksPieces,
} from "~/core/recipe";
import { stopOf } from "./stop";

export { type Technique, techniques } from "~/core/recipe";

const amountOf = (amount: LineAmount) => (isCountedOut(amount) ? amount.amount : expectedOf(amount));

/** Techniques that a step asks of hands, from what it draws, its tools and what is cooked; see {@link techniquesOf}. */
export function techniquesAt(step: Step, recipe: Recipe, pantry: Pantry): Technique[] {
  const chosen = step.techniques;
  if (chosen) return techniques.filter((one) => chosen.includes(one));
  const found = new Set<Technique>();
  for (const { lineId } of step.draws) {
    const line = recipe.lines.find((one) => one.id === lineId);
    const amount = line && amountOf(line.amount);
    const role = line && pantry.get(line.ingredientId)?.role;
    if (!amount || !role) continue;
    if (amount.unit === "pinch") found.add("pinch");
    else if (role === "egg" && amount.unit === "piece") found.add("crack").add("fish-shell");
    else if (isVolumeUnit(amount.unit) && amount.unit !== "dash")
      // A jug is read at the height of the eye, a spoon is struck off.
      found.add(role === "liquid" || role === "acid" ? "eye-level" : "level");
  }
  if (step.kind === "mix" && step.tools.includes("whisk")) found.add("tap-whisk");
  const stop = stopOf(step, recipe);
  if (step.tools.includes("spatula") && stop !== undefined && stop !== "smooth") found.add("fold");
  if (cooksPieces(step, recipe) && recipe.family === "crepe") found.add("swirl");
  if (cooksPieces(step, recipe) && recipe.heat.side2 !== null) found.add("turn");
  return techniques.filter((one) => found.has(one));
}

/** The techniques of a recipe by step, each at the first step that asks for it. */
export function techniquesOf(recipe: Recipe, pantry: Pantry): ReadonlyMap<string, readonly Technique[]> {
  const shown = new Set<Technique>();
  return new Map(
    recipe.steps.map((step) => {
      const own = techniquesAt(step, recipe, pantry).filter((one) => !shown.has(one));
      for (const one of own) shown.add(one);
      return [step.id, own];
    }),
  );
}

/** All techniques that these recipes ask for, each once: what hangs on the wall. */
export const techniquesIn = (recipes: readonly Recipe[], pantry: Pantry): Technique[] => {
  const found = new Set(
    recipes.flatMap((recipe) => recipe.steps.flatMap((step) => techniquesAt(step, recipe, pantry))),
  );
  return techniques.filter((one) => found.has(one));
};
