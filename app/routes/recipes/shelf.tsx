import { RuledTable } from "~/ui/parts/tables";
import { Heading, Text } from "@chakra-ui/react";
import { SheetHead, SheetTools } from "~/ui/parts/sheet";
import { ActionForm, InlineField, InlineFields, InlineLabel, ScrollArea } from "~/ui/parts/forms";
import { useState } from "react";
import { data, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/shelf";
import { formOf } from "../form";
import type { Family, Standing } from "~/core/recipe";
import { fits } from "~/formats/matching";
import { database } from "~/db/client.server";
import { asideFormSchema, putAside } from "~/services/aside.server";
import { notFound } from "~/services/classes.server";
import { addStarterRecipes } from "~/services/demo.server";
import { accountOf } from "~/services/session.server";
import { shelfNow } from "~/services/shelf.server";
import { howMany, moment } from "~/ui/format/format";
import { Secondary, TextLink } from "~/ui/parts/fields";
import { useLocale, useZone } from "~/ui/sheet/locale";
import { familyWords, standingWords } from "~/ui/words/en";
import { Hidden, PlainInput, PlainSelect } from "~/ui/parts/plain";
import { PutAside, afterAside } from "~/ui/sheet/Aside";

export const loader = () => shelfNow(database());

const asked = z.discriminatedUnion("intent", [z.object({ intent: z.literal("starters") }), asideFormSchema]);

/** Adds the starter recipes, or puts one recipe aside or back. */
export async function action({ request, context }: Route.ActionArgs) {
  const form = asked.safeParse(Object.fromEntries(await formOf(request)));
  if (!form.success)
    throw data("This form was not understood. Go back, load the page again and repeat.", { status: 400 });
  if (form.data.intent === "starters") await addStarterRecipes(database(), accountOf(context).id);
  else if (!(await putAside(database(), "recipe", form.data.id, form.data.intent === "aside")))
    throw notFound("recipe");
  else return redirect(afterAside("/recipes", form.data));
  return redirect("/recipes");
}

export default function Shelf({ loaderData }: Route.ComponentProps) {
  const { recipes, aside } = loaderData;
  const locale = useLocale();
  const zone = useZone();
  const [sought, setSought] = useState("");
  const [family, setFamily] = useState("");
  const shown = recipes.filter(
    (recipe) =>
      (family === "" || recipe.family === family) &&
      fits(`${recipe.title} ${recipe.names} ${familyWords[recipe.family as Family]}`, sought),
  );
  const there = [...new Set(recipes.map((recipe) => recipe.family as Family))];
  return (
    <>
      <title>Batter book · Apron Bell</title>
      <SheetHead>
        <Heading as="h1" size="2xl">
          Batter book
        </Heading>
        <SheetTools>
          <TextLink to="/recipes/new">Write a recipe</TextLink>
          <TextLink to="/recipes/bring-in">Paste or import one</TextLink>
        </SheetTools>
      </SheetHead>
      {recipes.length === 0 ? (
        <ActionForm method="post">
          <Text>
            No recipe {aside.length > 0 ? "that is not archived" : "yet"}. Write one, paste one, or begin with ours.
          </Text>
          <Hidden name="intent" value="starters" />
          <Secondary>Add the three starter recipes</Secondary>
        </ActionForm>
      ) : (
        <>
          <InlineFields isTight _print={{ display: "none" }} role="search">
            <InlineField>
              <InlineLabel>Find by name or ingredient</InlineLabel>
              <PlainInput
                value={sought}
                onChange={(event) => setSought(event.target.value)}
                type="search"
                autoComplete="off"
              />
            </InlineField>
            <InlineField>
              <InlineLabel>Family</InlineLabel>
              <PlainSelect value={family} onChange={(event) => setFamily(event.target.value)}>
                <option value="">all</option>
                {there.map((one) => (
                  <option key={one} value={one}>
                    {familyWords[one]}
                  </option>
                ))}
              </PlainSelect>
            </InlineField>
          </InlineFields>
          <ScrollArea tabIndex={0} role="group" aria-label="Recipes">
            <RuledTable kind="stacked">
              <thead>
                <tr>
                  <th scope="col">Recipe</th>
                  <th data-wide scope="col">
                    Family
                  </th>
                  <th scope="col">How far tried</th>
                  <th scope="col">To look at</th>
                  <th data-wide scope="col">
                    Saved
                  </th>
                </tr>
              </thead>
              <tbody>
                {shown.map((recipe) => (
                  <tr key={recipe.recipeId}>
                    <td>
                      <TextLink textStyle="leadName" to={`/recipes/${recipe.recipeId}`}>
                        {recipe.title}
                      </TextLink>
                      {recipe.ways > 0 ? (
                        <span data-quiet data-small>
                          {" "}
                          and {howMany(recipe.ways, "variant")}
                        </span>
                      ) : null}
                    </td>
                    <td data-wide>{familyWords[recipe.family as Family]}</td>
                    <td>{standingWords[recipe.standing as Standing]}</td>
                    <td data-whole>
                      {recipe.blocks > 0 ? (
                        <Text as="b" layerStyle="needsYou">
                          {recipe.blocks} in the way
                        </Text>
                      ) : null}
                      {recipe.blocks > 0 && recipe.warns > 0 ? ", " : ""}
                      {recipe.warns > 0 ? (
                        `${recipe.warns} to look at`
                      ) : recipe.blocks === 0 ? (
                        <span data-quiet>nothing to mend</span>
                      ) : (
                        ""
                      )}
                    </td>
                    <td data-quiet data-wide>
                      revision {recipe.revision}, {recipe.by ?? "someone"}, {moment(recipe.createdAt, locale, zone)}
                    </td>
                  </tr>
                ))}
                {shown.length === 0 ? (
                  <tr>
                    <td data-quiet colSpan={5}>
                      No recipe has all of these words. Fewer of them find more.
                    </td>
                  </tr>
                ) : null}
              </tbody>
            </RuledTable>
          </ScrollArea>
        </>
      )}
      <PutAside action="/recipes" of={aside.map(({ id, title }) => ({ id, name: title }))} />
    </>
  );
}
