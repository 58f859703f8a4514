import { Form, Link, data, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/recipe";
import { formOf } from "../form";
import { batterOf, checkBatter, yieldOf } from "~/core/batter";
import { withCautions } from "~/core/caution";
import { correctionStep } from "~/core/look";
import { type Standing, checkRecipe, standings } from "~/core/recipe";
import { database } from "~/db/client.server";
import { allIngredients } from "~/db/queries/pantry.server";
import { historyOf, recipeOf } from "~/db/queries/recipes.server";
import { asideOf } from "~/services/aside.server";
import { notFound } from "~/services/classes.server";
import { giveStanding, restoreRevision } from "~/services/recipes.server";
import { accountOf } from "~/services/session.server";
import { Findings } from "~/ui/class/Findings";
import { grams, howMany, moment, number, thin } from "~/ui/format/format";
import { Troubles } from "~/ui/recipe/Troubles";
import { RecipeSheet } from "~/ui/recipe/RecipeSheet";
import { PrimaryLink, Secondary, TextLink } from "~/ui/parts/fields";
import { MenuFile, MoreMenu } from "~/ui/parts/Menu";
import { PrintButton } from "~/ui/parts/PrintButton";
import { useLocale, useZone } from "~/ui/sheet/locale";
import { standingWords } from "~/ui/words/en";
import { namesOf } from "~/ui/words/names";
import { AsideButton } from "~/ui/sheet/Aside";
import { Heads } from "~/ui/sheet/Heads";
import { Hidden, PlainButton, PlainInput, PlainSelect } from "~/ui/parts/plain";
import { parts } from "~/ui/theme/parts";
import { look } from "~/ui/theme/look";

const revisionOf = (request: Request): number | undefined => {
  const asked = Number(new URL(request.url).searchParams.get("revision"));
  return Number.isInteger(asked) && asked > 0 ? asked : undefined;
};

export async function loader({ params, request }: Route.LoaderArgs) {
  const db = database();
  const [recipe, pantry, history, aside] = await Promise.all([
    recipeOf(db, params.recipeId, revisionOf(request)),
    allIngredients(db),
    historyOf(db, params.recipeId),
    asideOf(db, "recipe"),
  ]);
  if (!recipe) throw notFound("recipe");
  return { recipe, pantry, history, isAside: aside.has(params.recipeId) };
}

const revision = z.coerce.number().int().min(1).max(100_000);
const formSchema = z.discriminatedUnion("intent", [
  z.object({
    intent: z.literal("standing"),
    revision,
    standing: z.enum(standings),
    note: z.string().trim().max(300).default(""),
  }),
  z.object({ intent: z.literal("restore"), revision }),
]);

/** Gives a revision a standing, or makes an old one the newest again. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const form = formSchema.safeParse(Object.fromEntries(await formOf(request)));
  if (!form.success)
    throw data("This form was not understood. Go back, load the page again and repeat.", { status: 400 });
  const account = accountOf(context);
  if (!(await recipeOf(database(), params.recipeId, form.data.revision))) throw notFound("revision of this recipe");
  if (form.data.intent === "standing")
    await giveStanding(params.recipeId, form.data.revision, form.data.standing, form.data.note, account.id);
  else await restoreRevision(params.recipeId, form.data.revision, account.id);
  return redirect(`/recipes/${params.recipeId}`);
}

export default function RecipePage({ loaderData, params }: Route.ComponentProps) {
  const { pantry, history } = loaderData;
  const locale = useLocale();
  const zone = useZone();
  const names = namesOf({ pantry }, { stations: [], dishes: [] }, locale);
  const byId = new Map(pantry.map((one) => [one.id, one]));
  const recipe = withCautions(loaderData.recipe, byId);
  const batter = batterOf(recipe, byId);
  const findings = [...checkRecipe(recipe), ...checkBatter(recipe, byId)].map((finding) => ({
    ...finding,
    stage: "recipe" as const,
    dishId: null,
  }));
  const base = `/recipes/${params.recipeId}`;
  const newest = history[0]?.revision ?? recipe.revision;
  return (
    <>
      <title>{`${recipe.title} · Apron Bell`}</title>
      <div className={parts.sheet.head}>
        <h1 className={look("title-l")}>{recipe.title}</h1>
        <div className={parts.sheet.tools}>
          <TextLink to="/recipes">Back to the book</TextLink>
          <TextLink to={`/bench?recipe=${recipe.id}`}>On the bench</TextLink>
          <TextLink to={`${base}/handout`}>Handout for home</TextLink>
          <MoreMenu label="Export">
            <MenuFile href={`${base}/recipe.json`}>Recipe file</MenuFile>
            <MenuFile href={`${base}/recipe.jsonld`}>schema.org</MenuFile>
          </MoreMenu>
          <PrintButton>Print</PrintButton>
          <PrimaryLink to={`${base}/edit`}>Edit</PrimaryLink>
        </div>
      </div>
      {recipe.revision !== newest ? (
        <p className={look("saved")}>
          This is revision {recipe.revision}; the newest is {newest}. <TextLink to={base}>Show the newest</TextLink>
        </p>
      ) : null}
      <Findings findings={findings} names={names} />
      <RecipeSheet recipe={recipe} ingredientName={names.ingredient} pantry={byId} />
      <section className={look("recipe-troubles")}>
        <h2 className={look("small-head")}>Where a piece looks wrong</h2>
        <Troubles
          family={recipe.family}
          kinds={recipe.heat.surfaceKinds}
          step={correctionStep(recipe, batter, byId, 1)}
          names={names}
        />
      </section>
      <p className={look("quiet", "ruled-off-soft", "above-m")}>
        One batch: {grams(batter.grams, locale)}, {number(batter.millilitres, locale, 0)}
        {thin}ml of batter, {howMany(yieldOf(recipe, batter).pieces, "piece")}
        {batter.looseness === undefined
          ? ""
          : `; looseness ${number(batter.looseness, locale, 2)} (grams of water to a gram of flour)`}
        .
      </p>
      <section className={look("no-print", "above-l")}>
        <h2>History</h2>
        {loaderData.isAside ? <p className={look("saved")}>Put aside: nothing new is offered this recipe.</p> : null}
        <AsideButton action="/recipes" id={recipe.id} isAside={loaderData.isAside} />
        <table className={look("ruled")}>
          <Heads of={["Revision", "Saved", "How far tried", "Go back"]} />
          <tbody>
            {history.map((one) => (
              <tr key={one.revision}>
                <td>
                  <Link className={look("text")} to={`${base}?revision=${one.revision}`}>
                    {one.revision}
                  </Link>
                  {one.title === recipe.title ? "" : `, ${one.title}`}
                </td>
                <td>
                  {one.by ?? "someone"}, {moment(one.at, locale, zone)}
                </td>
                <td>
                  {standingWords[one.standing as Standing]}
                  {one.marks.map((mark) => (
                    <div className={look("quiet", "small")} key={mark.at.toISOString()}>
                      {standingWords[mark.standing as Standing]}: {mark.by ?? "someone"},{" "}
                      {moment(mark.at, locale, zone)}
                      {mark.note ? `, “${mark.note}”` : ""}
                    </div>
                  ))}
                </td>
                <td>
                  {one.revision === newest ? null : (
                    <span className={look("actions")}>
                      <TextLink to={`${base}/compare?from=${one.revision}&to=${newest}`}>
                        Compare with {newest}
                      </TextLink>
                      <Form method="post">
                        <Hidden name="revision" value={one.revision} />
                        <PlainButton className={look("row-button")} name="intent" value="restore" type="submit">
                          Make it the newest again
                        </PlainButton>
                      </Form>
                    </span>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        <Form method="post" className={look("facts", "tight")}>
          <Hidden name="revision" value={recipe.revision} />
          <label className={look("cell")}>
            <span className={look("cell-label")}>Revision {recipe.revision} was</span>
            <PlainSelect name="standing" defaultValue={recipe.standing === "draft" ? "rehearsed" : "taught"}>
              {standings.map((standing) => (
                <option key={standing} value={standing}>
                  {standingWords[standing]}
                </option>
              ))}
            </PlainSelect>
          </label>
          <label className={look("cell")}>
            <span className={look("cell-label")}>with</span>
            <PlainInput name="note" maxLength={300} placeholder="what you saw" autoComplete="off" />
          </label>
          <Secondary name="intent" value="standing">
            Mark it
          </Secondary>
        </Form>
      </section>
    </>
  );
}
