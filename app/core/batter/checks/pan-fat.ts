import { type Recipe, type SurfaceKind, isBatter } from "~/core/recipe";
import { type Pantry, lineGrams } from "../batter";
import type { BatterFinding } from "../types";

/** Surfaces on which a batter may stick where nothing greases them; what they are coated with is for the author to say. */
const mayStick: readonly SurfaceKind[] = ["cast-iron-pan", "crepe-pan", "hob-pan", "ridged-pan", "waffle-iron", "oven"];
/** Grams of fat to a batch above which a batter greases its own pan, as fritters and rich waffles do (starting value). */
const greasesItself = 60;

/** Nothing said about what greases the pan: asked, as non-stick needs none and bare iron does. */
export function panFat(recipe: Recipe, pantry: Pantry): BatterFinding[] {
  const surfaceKinds = recipe.heat.surfaceKinds.filter((kind) => mayStick.includes(kind));
  const isGreased = recipe.lines.some(
    (line) => line.bowl === "pan" || line.amount.kind === "per-load" || pantry.get(line.ingredientId)?.role === "spray",
  );
  const isSaid = recipe.steps.some((step) =>
    /\b(?:grease|oil|butter|non-?stick)\b/i.test(step.kind === "mix" ? "" : step.text),
  );
  const fat = recipe.lines.reduce(
    (sum, line) =>
      pantry.get(line.ingredientId)?.role === "fat" && isBatter(line, recipe)
        ? sum + (lineGrams(line, recipe, pantry) ?? 0)
        : sum,
    0,
  );
  return surfaceKinds.length === 0 || isGreased || isSaid || fat > greasesItself
    ? []
    : [{ code: "pan-fat-not-said", level: "notes", surfaceKinds }];
}
