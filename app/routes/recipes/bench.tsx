import { useSearchParams } from "react-router";
import type { Route } from "./+types/bench";
import { database } from "~/db/client.server";
import { allIngredients } from "~/db/queries/pantry.server";
import { newestRecipes } from "~/db/queries/recipes.server";
import { Bench } from "~/ui/batter/Bench";
import { Findable, TextLink } from "~/ui/parts/fields";
import { PlainSelect } from "~/ui/parts/plain";
import { parts } from "~/ui/theme/parts";
import { look } from "~/ui/theme/look";

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
      <div className={parts.sheet.head}>
        <h1>Batter bench</h1>
        {recipe ? (
          <div className={look("cell")}>
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
          </div>
        ) : null}
        <div className={parts.sheet.tools}>
          <TextLink to={recipe ? `/recipes/${recipe.id}` : "/recipes"}>Back to the recipe</TextLink>
        </div>
      </div>
      {recipe ? (
        <Bench key={`${recipe.id} ${recipe.revision}`} written={recipe} pantry={pantry} />
      ) : (
        <p>
          Nothing to put on the bench yet. <TextLink to="/recipes">Write or paste a recipe first.</TextLink>
        </p>
      )}
    </>
  );
}
