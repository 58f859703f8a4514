import { RuledTable } from "~/ui/parts/tables";
import { Heading, Span, Text } from "@chakra-ui/react";
import { SheetHead, SheetTools } from "~/ui/parts/sheet";
import { data } from "react-router";
import type { Route } from "./+types/compare";
import { compareRecipes } from "~/core/recipe";
import { database } from "~/db/client.server";
import { allIngredients } from "~/db/queries/pantry.server";
import { recipeOf } from "~/db/queries/recipes.server";
import { notFound } from "~/services/classes.server";
import { TextLink } from "~/ui/parts/fields";

export async function loader({ params, request }: Route.LoaderArgs) {
  const search = new URL(request.url).searchParams;
  const [from, to] = [Number(search.get("from")), Number(search.get("to"))];
  if (![from, to].every((one) => Number.isInteger(one) && one > 0))
    throw data("Which two? The history of a recipe has a link for each pair.", { status: 400 });
  const db = database();
  const [before, after, pantry] = await Promise.all([
    recipeOf(db, params.recipeId, from),
    recipeOf(db, params.recipeId, to),
    allIngredients(db),
  ]);
  if (!before || !after) throw notFound("revision of this recipe");
  return { before, after, pantry };
}

export default function Compare({ loaderData, params }: Route.ComponentProps) {
  const { before, after, pantry } = loaderData;
  const changes = compareRecipes(before, after);
  const ingredient = (id: string) => pantry.find((one) => one.id === id)?.name ?? id;
  const place = (where: string, id: string): string => {
    const line = [...after.lines, ...before.lines].find((one) => one.id === id);
    if (where === "line") return line ? ingredient(line.ingredientId) : id;
    if (where === "step") {
      const at = after.steps.findIndex((one) => one.id === id);
      return at >= 0 ? `step ${at + 1}` : `a step that went`;
    }
    if (where === "variant") return [...after.variants, ...before.variants].find((one) => one.id === id)?.name ?? id;
    if (where === "part") return [...after.parts, ...before.parts].find((one) => one.id === id)?.name ?? id;
    return "the recipe";
  };
  return (
    <>
      <title>{`Compare revisions of ${after.title} · Apron Bell`}</title>
      <SheetHead>
        <Heading as="h1" size="2xl">
          {after.title}
        </Heading>
        <Span color="fg.muted">
          revision {before.revision} beside {after.revision}
        </Span>
        <SheetTools>
          <TextLink to={`/recipes/${params.recipeId}`}>Back to the recipe</TextLink>
        </SheetTools>
      </SheetHead>
      {changes.length === 0 ? (
        <Text>They say the same.</Text>
      ) : (
        <RuledTable isFixed>
          <thead>
            <tr>
              <th scope="col">Where</th>
              <th scope="col">Revision {before.revision}</th>
              <th scope="col">Revision {after.revision}</th>
            </tr>
          </thead>
          <tbody>
            {changes.map((change) => (
              <tr key={`${change.where} ${change.id} ${change.field}`}>
                <td>
                  {place(change.where, change.id)}
                  {change.field ? <span data-quiet>, {change.field}</span> : null}
                </td>
                <td>
                  {change.from === undefined ? (
                    <span data-quiet>not there</span>
                  ) : (
                    <del>{change.field === "ingredient" ? ingredient(change.from) : change.from || "nothing"}</del>
                  )}
                </td>
                <td>
                  {change.to === undefined ? (
                    <span data-quiet>taken out</span>
                  ) : (
                    <b>{change.field === "ingredient" ? ingredient(change.to) : change.to || "nothing"}</b>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </RuledTable>
      )}
    </>
  );
}
