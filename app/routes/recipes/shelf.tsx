import { Form, Link, redirect } from "react-router";
import type { Route } from "./+types/shelf";
import { database } from "~/db/client.server";
import { newestRevisions } from "~/db/queries/recipes.server";
import { addStarterRecipes } from "~/services/demo.server";
import { accountOf } from "~/services/session.server";
import { Secondary } from "~/ui/sheet/controls";
import { familyWords, standingWords } from "~/ui/words/en";
import type { Family, Standing } from "~/core/recipe";

export const loader = async () => ({ recipes: await newestRevisions(database()) });

export async function action({ context }: Route.ActionArgs) {
  await addStarterRecipes(database(), accountOf(context).id);
  return redirect("/recipes");
}

export default function Shelf({ loaderData }: Route.ComponentProps) {
  const { recipes } = loaderData;
  return (
    <>
      <title>Batter book · Apron Bell</title>
      <h1 style={{ marginBottom: 14 }}>Batter book</h1>
      {recipes.length === 0 ? (
        <Form method="post" className="actions">
          <p>No recipe yet.</p>
          <Secondary>Add the three starter recipes</Secondary>
        </Form>
      ) : (
        <table className="ruled" style={{ maxWidth: 900 }}>
          <thead>
            <tr>
              <th scope="col">Recipe</th>
              <th scope="col">Family</th>
              <th scope="col">Standing</th>
            </tr>
          </thead>
          <tbody>
            {recipes.map((recipe) => (
              <tr key={recipe.recipeId}>
                <td>
                  <Link
                    className="text"
                    to={`/recipes/${recipe.recipeId}`}
                    style={{ fontFamily: "var(--head)", fontWeight: 600, fontSize: 22 }}
                  >
                    {recipe.title}
                  </Link>
                </td>
                <td>{familyWords[recipe.family as Family]}</td>
                <td>
                  {standingWords[recipe.standing as Standing]}, revision {recipe.revision}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </>
  );
}
