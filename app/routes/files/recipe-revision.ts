import type { Route } from "./+types/recipe-revision";
import { database } from "~/db/client.server";
import { recipeOf } from "~/db/queries/recipes.server";
import { pack } from "~/formats/packed";
import { notFound } from "~/services/classes.server";

/** One recipe, whole, for the same program in the browser to plan with: asked for when somebody chooses it. */
export async function loader({ params }: Route.LoaderArgs) {
  const revision = /^[1-9]\d{0,8}$/.test(params.revision) ? Number(params.revision) : undefined;
  const recipe = revision && (await recipeOf(database(), params.recipeId, revision));
  if (!recipe) throw notFound("revision of a recipe");
  return new Response(pack(recipe), {
    headers: { "Content-Type": "text/plain; charset=utf-8", "Cache-Control": "private, no-store" },
  });
}
