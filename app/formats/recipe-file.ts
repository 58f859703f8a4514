import { z } from "zod";
import type { Ingredient } from "~/core/pantry";
import { type Recipe, ingredientsNamedIn } from "~/core/recipe";
import { toPlain } from "./class-file";
import { completeIngredient, ingredientSchema, recipeSchema } from "./recipe-schema";

/** One recipe as a file of its own: every field, and the figures of every ingredient it names. */
export const recipeFileFormat = "apron-bell-recipe";

export const recipeFileSchema = z.strictObject({
  format: z.literal(recipeFileFormat),
  version: z.literal(1),
  recipe: recipeSchema,
  pantry: z.array(ingredientSchema).max(120).default([]),
});

export interface RecipeFile {
  readonly recipe: Recipe;
  readonly pantry: readonly Ingredient[];
}
export type RecipeFileRead =
  | { readonly kind: "recipe"; readonly file: RecipeFile }
  /** JSON that says it is a recipe file and does not fit: each place with what is wanted. */
  | { readonly kind: "broken"; readonly problems: readonly string[] }
  | { readonly kind: "other" };

const mostProblems = 12;

/** Reads a recipe file from JSON already parsed. */
export function readRecipeFile(value: unknown): RecipeFileRead {
  if (value === null || typeof value !== "object" || Reflect.get(value, "format") !== recipeFileFormat)
    return { kind: "other" };
  const parsed = recipeFileSchema.safeParse(value);
  if (parsed.success)
    return { kind: "recipe", file: { recipe: parsed.data.recipe, pantry: parsed.data.pantry.map(completeIngredient) } };
  const problems = parsed.error.issues.map(
    (issue) => `${issue.path.length > 0 ? issue.path.join(" › ") : "The file"}: ${issue.message}.`,
  );
  return {
    kind: "broken",
    problems:
      problems.length > mostProblems
        ? [...problems.slice(0, mostProblems), `… and ${problems.length - mostProblems} more.`]
        : problems,
  };
}

/** Writes a recipe with the ingredients it names. */
export function writeRecipeFile(recipe: Recipe, pantry: readonly Ingredient[]): string {
  const named = new Set(ingredientsNamedIn(recipe));
  const file = { format: recipeFileFormat, version: 1, recipe, pantry: pantry.filter((one) => named.has(one.id)) };
  return `${JSON.stringify(toPlain(file), null, 2)}\n`;
}
