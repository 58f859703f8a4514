import type { Route } from "./+types/recipe-jsonld";
import { schemaOrgOf } from "~/formats/schema-org";
import { fileAnswer } from "~/services/files.server";
import { recipeWithPantry } from "~/services/recipes.server";
import { sayStep } from "~/ui/words/batter";
import { toolWords } from "~/ui/words/en";

/** Files for other programs are in the program's own English, whoever asks for them. */
const fileLocale = "en-GB";

export async function loader({ params }: Route.LoaderArgs) {
  const { recipe, pantry } = await recipeWithPantry(params.recipeId);
  const nameOf = (id: string) => pantry.find((one) => one.id === id)?.name ?? id;
  return fileAnswer(
    schemaOrgOf(recipe, pantry, {
      toolName: (tool) => toolWords[tool],
      stepNotes: (step) => sayStep(step, recipe, nameOf, fileLocale),
    }),
    "application/ld+json",
    recipe.title,
    ".jsonld",
  );
}
