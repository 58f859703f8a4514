import { isBatter } from "~/core/recipe";
import type { Cue, Recipe } from "~/core/recipe";
import type { Pantry } from "../batter";
import type { BatterFinding } from "../types";

/** Cues that are read by colour, and so not at all in a dark batter. */
const byColour: readonly Cue[] = ["brown-edge", "golden-below", "puffed-and-brown"];

/** Browning cannot be seen in a dark batter: bubbles, rim and time have to do. */
export function cuesNotVisible(recipe: Recipe, pantry: Pantry): BatterFinding[] {
  const dark = recipe.lines.find((line) => isBatter(line, recipe) && pantry.get(line.ingredientId)?.darkens);
  const cues = recipe.heat.cues.filter((cue) => byColour.includes(cue));
  return dark && cues.length > 0
    ? [{ code: "cue-not-visible", level: "warns", ingredientId: dark.ingredientId, cues }]
    : [];
}
