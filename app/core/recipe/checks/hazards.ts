import type { Hazard, Recipe, RecipeFinding, Step } from "../types";

/** Any of these on a hot step says that somebody thought of the burn. */
const burns: readonly Hazard[] = ["hot-surface", "oven-dish", "hot-fat", "boiling-sauce"];

function cautionOf(step: Step, recipe: Recipe): Hazard | undefined {
  if (step.kind === "preheat" || step.kind === "cook")
    return recipe.heat.surfaceKinds.every((kind) => kind === "oven") ? "oven-dish" : "hot-surface";
  const part = recipe.parts.find((one) => one.id === step.partId);
  return part && part.heat === "hob" && part.kind === "sauce" ? "boiling-sauce" : undefined;
}

/** Steps at the heat carry their caution; boiling sauce and a hot oven dish are an adult's. */
export function hazards(recipe: Recipe): RecipeFinding[] {
  return recipe.steps.flatMap((step): RecipeFinding[] => {
    const wanted = cautionOf(step, recipe);
    const missing: RecipeFinding[] =
      wanted && !step.hazards.some((hazard) => burns.includes(hazard))
        ? [{ code: "hazard-missing", level: "warns", stepId: step.id, hazard: wanted }]
        : [];
    const grave = step.hazards.find((hazard) => hazard === "oven-dish" || hazard === "boiling-sauce");
    return grave && step.who !== "adult"
      ? [...missing, { code: "adult-not-named", level: "warns", stepId: step.id, hazard: grave }]
      : missing;
  });
}
