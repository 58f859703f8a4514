import { useClass } from "../class-context";
import { techniquesIn } from "~/core/look";
import { recipesMade } from "~/core/plan";
import { Techniques } from "~/ui/recipe/Techniques";
import { PrintButton } from "~/ui/parts/PrintButton";
import { parts } from "~/ui/theme/parts";
import { look } from "~/ui/theme/look";

/** What hands do in this class, as one sheet for the wall. */
export default function TechniquesSheet() {
  const { input, plan } = useClass();
  const shown = techniquesIn(recipesMade(plan), new Map(input.pantry.map((one) => [one.id, one])));
  return (
    <>
      <div className={parts.sheet.head}>
        <h2>How it is done</h2>
        <p className={look("quiet")}>The movements of this class, for the wall. They follow from the recipes.</p>
        <div className={parts.sheet.tools}>
          <PrintButton>Print</PrintButton>
        </div>
      </div>
      {shown.length === 0 ? (
        <p>Nothing has to be shown: no recipe is made in this class yet.</p>
      ) : (
        <Techniques of={shown} isLarge />
      )}
    </>
  );
}
