import type { Route } from "./+types/recipe-jsonld";
import { schemaOrgOf } from "~/formats/schema-org";
import { fileAnswer } from "~/services/files.server";
import { recipeWithPantry } from "~/services/recipes.server";
import { toolWords } from "~/ui/words/en";

export async function loader({ params }: Route.LoaderArgs) {
  const { recipe, pantry } = await recipeWithPantry(params.recipeId);
  return fileAnswer(
    schemaOrgOf(recipe, pantry, (tool) => toolWords[tool]),
    "application/ld+json",
    recipe.title,
    ".jsonld",
  );
}
