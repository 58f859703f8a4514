import { Heading, Span } from "@chakra-ui/react";
import { SheetHead, SheetTools } from "~/ui/parts/sheet";
import type { Route } from "./+types/edit";
import { EditorPage } from "./EditorPage";
import { keepPosted } from "./keep";
import { draftOf } from "~/core/recipe";
import { database } from "~/db/client.server";
import { recipeWithPantry } from "~/services/recipes.server";
import { asideOf } from "~/services/aside.server";
import { accountOf } from "~/services/session.server";
import { TextLink } from "~/ui/parts/fields";

export async function loader({ params }: Route.LoaderArgs) {
  const [{ recipe, pantry }, aside] = await Promise.all([
    recipeWithPantry(params.recipeId),
    asideOf(database(), "ingredient"),
  ]);
  return { draft: draftOf(recipe), title: recipe.title, revision: recipe.revision, pantry, aside: [...aside] };
}

export const action = ({ request, params, context }: Route.ActionArgs) =>
  keepPosted(request, params.recipeId, accountOf(context).id);

// What was kept is shown on the recipe's own page; reading it again here would throw the editor's state away.
export const shouldRevalidate = () => false;

export default function EditRecipe({ loaderData, params }: Route.ComponentProps) {
  const { draft, title, revision, pantry, aside } = loaderData;
  return (
    <>
      <title>{`Edit ${title} · Apron Bell`}</title>
      <SheetHead>
        <Heading as="h1" size="2xl">
          {title}
        </Heading>
        <Span color="fg.muted">from revision {revision}</Span>
        <SheetTools>
          <TextLink to={`/recipes/${params.recipeId}`}>Leave without saving</TextLink>
        </SheetTools>
      </SheetHead>
      <EditorPage
        initial={draft}
        pantry={pantry}
        aside={aside}
        recipeId={params.recipeId}
        revision={revision}
        action={`/recipes/${params.recipeId}/edit`}
      />
    </>
  );
}
