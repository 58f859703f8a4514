import { useClass } from "../class-context";
import { correctionStep, techniquesIn } from "~/core/look";
import { dishesOnce, kindsUsed, recipesMade } from "~/core/plan";
import { Techniques } from "~/ui/recipe/Techniques";
import { Troubles } from "~/ui/recipe/Troubles";
import { PrintButton } from "~/ui/parts/PrintButton";
import { parts } from "~/ui/theme/parts";
import { look } from "~/ui/theme/look";

/** What hands do in this class, and what to do about a piece that looks wrong, as one sheet for the wall. */
export default function TechniquesSheet() {
  const { input, plan, names } = useClass();
  const pantry = new Map(input.pantry.map((one) => [one.id, one]));
  const shown = techniquesIn(recipesMade(plan), pantry);
  return (
    <>
      <div className={parts.sheet.head}>
        <h2>How it is done</h2>
        <p className={look("quiet")}>
          The movements of this class, and what to do about a piece that looks wrong, for the wall. They follow from the
          recipes.
        </p>
        <div className={parts.sheet.tools}>
          <PrintButton>Print</PrintButton>
        </div>
      </div>
      {shown.length === 0 ? (
        <p>Nothing has to be shown: no recipe is made in this class yet.</p>
      ) : (
        <Techniques of={shown} isLarge />
      )}
      {dishesOnce(plan).map((dish) => (
        <section key={dish.id} className={look("above-l")}>
          <h3>A piece looks wrong: {dish.recipe.title}</h3>
          <Troubles
            family={dish.recipe.family}
            kinds={kindsUsed(input, plan, dish.recipe)}
            step={correctionStep(dish.recipe, dish.batter, pantry, 1)}
            names={names}
          />
        </section>
      ))}
    </>
  );
}
