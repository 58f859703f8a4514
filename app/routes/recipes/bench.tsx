import { InlineField } from "~/ui/parts/forms";
import { Heading, Text } from "@chakra-ui/react";
import { SheetHead, SheetTools } from "~/ui/parts/sheet";
import { useSearchParams } from "react-router";
import type { Route } from "./+types/bench";
import { database } from "~/db/client.server";
import { allIngredients } from "~/db/queries/pantry.server";
import { newestRecipes } from "~/db/queries/recipes.server";
import { Bench } from "~/ui/batter/Bench";
import { Findable, TextLink } from "~/ui/parts/fields";
import { PlainSelect } from "~/ui/parts/plain";

export async function loader() {
  const db = database();
  const [recipes, pantry] = await Promise.all([newestRecipes(db), allIngredients(db)]);
  return { recipes, pantry };
}

export default function BenchPage({ loaderData }: Route.ComponentProps) {
  const { recipes, pantry } = loaderData;
  const [search, setSearch] = useSearchParams();
  const recipe = recipes.find((one) => one.id === search.get("recipe")) ?? recipes[0];
  return (
    <>
      <title>Batter bench · Apron Bell</title>
      <SheetHead>
        <Heading as="h1" size="2xl">
          Batter bench
        </Heading>
        {recipe ? (
          <InlineField as="div">
            <Findable label="Recipe" options={recipes.map(({ id, title }) => ({ value: id, label: title }))}>
              <PlainSelect
                aria-label="Recipe on the bench"
                value={recipe.id}
                onChange={(event) => setSearch({ recipe: event.target.value })}
              >
                {recipes.map((one) => (
                  <option key={one.id} value={one.id}>
                    {one.title}
                  </option>
                ))}
              </PlainSelect>
            </Findable>
          </InlineField>
        ) : null}
        <SheetTools>
          <TextLink to={recipe ? `/recipes/${recipe.id}` : "/recipes"}>Back to the recipe</TextLink>
        </SheetTools>
      </SheetHead>
      {recipe ? (
        <Bench key={`${recipe.id} ${recipe.revision}`} written={recipe} pantry={pantry} />
      ) : (
        <Text>
          Nothing to put on the bench yet. <TextLink to="/recipes">Write or paste a recipe first.</TextLink>
        </Text>
      )}
    </>
  );
}
