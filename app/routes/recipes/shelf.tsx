import { useState } from "react";
import { Form, Link, data, redirect } from "react-router";
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
import { parts } from "~/ui/theme/parts";
import { look } from "~/ui/theme/look";

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
      <div className={parts.sheet.head}>
        <h1>Batter book</h1>
        <div className={parts.sheet.tools}>
          <TextLink to="/recipes/new">Write a recipe</TextLink>
          <TextLink to="/recipes/bring-in">Paste or bring one in</TextLink>
        </div>
      </div>
      {recipes.length === 0 ? (
        <Form method="post" className={look("actions")}>
          <p>
            No recipe {aside.length > 0 ? "that is not put aside" : "yet"}. Write one, paste one, or begin with ours.
          </p>
          <Hidden name="intent" value="starters" />
          <Secondary>Add the three starter recipes</Secondary>
        </Form>
      ) : (
        <>
          <div className={look("facts", "tight", "no-print")} role="search">
            <label className={look("cell")}>
              <span className={look("cell-label")}>Find by name or ingredient</span>
              <PlainInput
                value={sought}
                onChange={(event) => setSought(event.target.value)}
                type="search"
                autoComplete="off"
              />
            </label>
            <label className={look("cell")}>
              <span className={look("cell-label")}>Family</span>
              <PlainSelect value={family} onChange={(event) => setFamily(event.target.value)}>
                <option value="">all</option>
                {there.map((one) => (
                  <option key={one} value={one}>
                    {familyWords[one]}
                  </option>
                ))}
              </PlainSelect>
            </label>
          </div>
          <div className={look("scroll-x")} tabIndex={0} role="group" aria-label="Recipes">
            <table className={look("ruled", "stacks")}>
              <thead>
                <tr>
                  <th scope="col">Recipe</th>
                  <th scope="col" className={look("on-wide")}>
                    Family
                  </th>
                  <th scope="col">How far tried</th>
                  <th scope="col">To look at</th>
                  <th scope="col" className={look("on-wide")}>
                    Saved
                  </th>
                </tr>
              </thead>
              <tbody>
                {shown.map((recipe) => (
                  <tr key={recipe.recipeId}>
                    <td>
                      <Link className={look("text", "lead-name")} to={`/recipes/${recipe.recipeId}`}>
                        {recipe.title}
                      </Link>
                      {recipe.ways > 0 ? (
                        <span className={look("quiet", "small")}> and {howMany(recipe.ways, "variant")}</span>
                      ) : null}
                    </td>
                    <td className={look("on-wide")}>{familyWords[recipe.family as Family]}</td>
                    <td>{standingWords[recipe.standing as Standing]}</td>
                    <td className={look("stacks-whole")}>
                      {recipe.blocks > 0 ? <b className={look("needs-you")}>{recipe.blocks} in the way</b> : null}
                      {recipe.blocks > 0 && recipe.warns > 0 ? ", " : ""}
                      {recipe.warns > 0 ? (
                        `${recipe.warns} to look at`
                      ) : recipe.blocks === 0 ? (
                        <span className={look("quiet")}>nothing to mend</span>
                      ) : (
                        ""
                      )}
                    </td>
                    <td className={look("quiet", "on-wide")}>
                      revision {recipe.revision}, {recipe.by ?? "someone"}, {moment(recipe.createdAt, locale, zone)}
                    </td>
                  </tr>
                ))}
                {shown.length === 0 ? (
                  <tr>
                    <td colSpan={5} className={look("quiet")}>
                      No recipe has all of these words. Fewer of them find more.
                    </td>
                  </tr>
                ) : null}
              </tbody>
            </table>
          </div>
        </>
      )}
      <PutAside action="/recipes" of={aside.map(({ id, title }) => ({ id, name: title }))} />
    </>
  );
}
