import { useClass } from "../class-context";
import { Findings } from "~/ui/class/Findings";
import { SettleBar } from "~/ui/class/SettleBar";
import { subjectsOf } from "~/ui/words/findings";
import { RecipeSheet } from "~/ui/recipe/RecipeSheet";
import { TextLink } from "~/ui/parts/fields";
import { look } from "~/ui/theme/look";

/** The recipe as this class makes it. */
export default function ClassRecipe() {
  const { input, plan, standings, names, action } = useClass();
  const findings = plan.findings.filter((finding) => finding.stage === "recipe");
  const pantry = new Map(input.pantry.map((one) => [one.id, one]));
  return (
    <>
      {input.dishes.length === 0 ? (
        <p>
          No recipe chosen yet. <TextLink to="../brief">Choose one in the brief.</TextLink>
        </p>
      ) : null}
      <Findings findings={findings} names={names} />
      {plan.dishes.map((dish) => (
        <section className={look("below-xl")} key={dish.id}>
          <h2 className={look("title-m", "below-s")}>
            {dish.recipe.title}
            {dish.variantName ? `, ${dish.variantName.toLowerCase()}` : ""}{" "}
            <span className={look("quiet", "small")}>
              {dish.stations} {dish.stations === 1 ? "station" : "stations"}
            </span>
          </h2>
          <RecipeSheet
            recipe={dish.variantName ? { ...dish.recipe, variants: [] } : dish.recipe}
            ingredientName={names.ingredient}
            pantry={pantry}
          />
        </section>
      ))}
      <SettleBar
        stage="recipe"
        standing={standings.recipe}
        subjectOf={subjectsOf(input)}
        timeZone={input.timeZone}
        action={action}
        {...(input.dishes.length === 0 ? { blockedBy: "Choose a recipe first." } : {})}
      />
    </>
  );
}
