import type { Route } from "./+types/edit";
import { EditorPage } from "./EditorPage";
import { keepPosted } from "./keep";
import { draftOf } from "~/core/recipe";
import { recipeWithPantry } from "~/services/recipes.server";
import { accountOf } from "~/services/session.server";
import { TextLink } from "~/ui/parts/fields";

export async function loader({ params }: Route.LoaderArgs) {
  const { recipe, pantry } = await recipeWithPantry(params.recipeId);
  return { draft: draftOf(recipe), title: recipe.title, revision: recipe.revision, pantry };
}

export const action = ({ request, params, context }: Route.ActionArgs) =>
  keepPosted(request, params.recipeId, accountOf(context).id);

// What was kept is shown on the recipe's own page; reading it again here would throw the editor's state away.
export const shouldRevalidate = () => false;

export default function EditRecipe({ loaderData, params }: Route.ComponentProps) {
  const { draft, title, revision, pantry } = loaderData;
  return (
    <>
      <title>{`Edit ${title} · Apron Bell`}</title>
      <div className="sheet-head">
        <h1>{title}</h1>
        <span className="quiet">from revision {revision}</span>
        <div className="tools">
          <TextLink to={`/recipes/${params.recipeId}`}>Leave without keeping</TextLink>
        </div>
      </div>
      <EditorPage
        initial={draft}
        pantry={pantry}
        recipeId={params.recipeId}
        revision={revision}
        action={`/recipes/${params.recipeId}/edit`}
      />
    </>
  );
}
