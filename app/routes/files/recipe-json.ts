import type { Route } from "./+types/recipe-json";
import { recipeWithPantry } from "~/services/recipes.server";
import { writeRecipeFile } from "~/formats/recipe-file";
import { fileAnswer } from "~/services/files.server";

export async function loader({ params }: Route.LoaderArgs) {
  const { recipe, pantry } = await recipeWithPantry(params.recipeId);
  return fileAnswer(writeRecipeFile(recipe, pantry), "application/json", recipe.title, ".recipe.json");
}
