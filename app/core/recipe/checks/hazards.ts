import type { Recipe, RecipeFinding } from "../types";

/** Boiling sauce and a hot oven dish are an adult's; what an author left out of the cautions is said, with the reason. */
export function hazards(recipe: Recipe): RecipeFinding[] {
  return recipe.steps.flatMap((step): RecipeFinding[] => {
    const grave = step.hazards.find((hazard) => hazard === "oven-dish" || hazard === "boiling-sauce");
    return [
      ...(step.waived ?? []).map(({ hazard, reason }): RecipeFinding => ({
        code: "caution-left-out",
        level: "notes",
        stepId: step.id,
        hazard,
        reason,
      })),
      ...(grave && step.who !== "adult"
        ? [{ code: "adult-not-named", level: "warns", stepId: step.id, hazard: grave } as const]
        : []),
    ];
  });
}
