import type { Route } from "./+types/recipe";
import { batterOf, checkBatter, yieldOf } from "~/core/batter";
import { checkRecipe } from "~/core/recipe";
import { database } from "~/db/client.server";
import { allIngredients } from "~/db/queries/pantry.server";
import { recipeOf } from "~/db/queries/recipes.server";
import { notFound } from "~/services/classes.server";
import { Findings } from "~/ui/class/Findings";
import { grams, number, thin } from "~/ui/format/format";
import { RecipeSheet } from "~/ui/recipe/RecipeSheet";
import { TextLink } from "~/ui/sheet/controls";
import { PrintButton } from "~/ui/sheet/PrintButton";
import { useLocale } from "~/ui/sheet/locale";
import { namesOf } from "~/ui/words/findings";

export async function loader({ params }: Route.LoaderArgs) {
  const [recipe, pantry] = await Promise.all([recipeOf(database(), params.recipeId), allIngredients(database())]);
  if (!recipe) throw notFound("recipe");
  return { recipe, pantry };
}

export default function RecipePage({ loaderData }: Route.ComponentProps) {
  const { recipe, pantry } = loaderData;
  const locale = useLocale();
  const names = namesOf({ pantry }, { stations: [], dishes: [] }, locale);
  const byId = new Map(pantry.map((one) => [one.id, one]));
  const batter = batterOf(recipe, byId);
  const findings = [...checkRecipe(recipe), ...checkBatter(recipe, byId)].map((finding) => ({
    ...finding,
    stage: "recipe" as const,
    dishId: null,
  }));
  return (
    <>
      <title>{`${recipe.title} · Apron Bell`}</title>
      <div className="sheet-head">
        <h1 style={{ fontSize: 40 }}>{recipe.title}</h1>
        <div className="tools">
          <PrintButton>Print</PrintButton>
          <TextLink to="/recipes">Back to the book</TextLink>
        </div>
      </div>
      <Findings findings={findings} names={names} />
      <RecipeSheet recipe={recipe} ingredientName={names.ingredient} />
      <p className="quiet" style={{ borderTop: "1px solid var(--rule)", paddingTop: 10, marginTop: 18 }}>
        One batch: {grams(batter.grams, locale)}, {number(batter.millilitres, locale, 0)}
        {thin}ml of batter, {yieldOf(recipe, batter).pieces} pieces
        {batter.looseness === undefined
          ? ""
          : `; looseness ${number(batter.looseness, locale, 2)} (grams of water to a gram of flour)`}
        .
      </p>
    </>
  );
}
