import type { Recipe, RecipeFinding } from "../types";

/** A sub-recipe is complete by itself: it has lines, and a step that makes it. */
export const parts = (recipe: Recipe): RecipeFinding[] =>
  recipe.parts.flatMap((part): RecipeFinding[] => [
    ...(recipe.lines.some((line) => line.partId === part.id)
      ? []
      : [{ code: "part-empty", level: "blocks", partId: part.id, name: part.name } as const]),
    ...(recipe.steps.some((step) => step.partId === part.id)
      ? []
      : [{ code: "part-without-step", level: "warns", partId: part.id, name: part.name } as const]),
  ]);
