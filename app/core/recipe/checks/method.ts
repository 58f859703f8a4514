import type { Recipe, RecipeFinding } from "../types";

/** A recipe for a class has a step at the heat. */
export const method = (recipe: Recipe): RecipeFinding[] =>
  recipe.steps.some((step) => step.kind === "cook")
    ? []
    : [{ code: "no-cook-step", level: recipe.steps.length > 0 ? "blocks" : "warns" }];
