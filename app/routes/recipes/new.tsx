import { Heading } from "@chakra-ui/react";
import { SheetHead, SheetTools } from "~/ui/parts/sheet";
import { useMemo } from "react";
import { useSearchParams } from "react-router";
import type { Route } from "./+types/new";
import { EditorPage } from "./EditorPage";
import { keepPosted } from "./keep";
import { type Family, emptyDraft, families } from "~/core/recipe";
import { database } from "~/db/client.server";
import { pantryToWrite } from "~/services/pantry.server";
import { accountOf } from "~/services/session.server";
import { TextLink } from "~/ui/parts/fields";

export const loader = () => pantryToWrite(database());

export const action = ({ request, context }: Route.ActionArgs) => keepPosted(request, null, accountOf(context).id);
export const shouldRevalidate = () => false;

export default function NewRecipe({ loaderData }: Route.ComponentProps) {
  const asked = useSearchParams()[0].get("family");
  const family: Family = families.find((one) => one === asked) ?? "pancake";
  const initial = useMemo(() => emptyDraft(family), [family]);
  return (
    <>
      <title>Write a recipe · Apron Bell</title>
      <SheetHead>
        <Heading as="h1" size="2xl">
          Write a recipe
        </Heading>
        <SheetTools>
          <TextLink to="/recipes/bring-in">Paste one instead</TextLink>
          <TextLink to="/recipes">Back to the book</TextLink>
        </SheetTools>
      </SheetHead>
      <EditorPage
        initial={initial}
        pantry={loaderData.pantry}
        aside={loaderData.aside}
        recipeId={null}
        revision={0}
        action="/recipes/new"
      />
    </>
  );
}
