import { database } from "~/db/client.server";
import { kitchens } from "~/db/queries/kitchens.server";
import type { ClassFacts } from "./classes.server";
import { parseRecipe } from "~/formats/recipe-schema";

/** A kitchen or recipe that was on the list when the page was made but is not there now, as a sentence beside its field. */
export async function brokenChoice(facts: ClassFacts): Promise<Record<string, string[]> | undefined> {
  const db = database();
  const [room] = await kitchens(db, facts.kitchenId);
  if (!room) return { kitchenId: ["This kitchen is not there any more. Choose another."] };
  const wanted = facts.dishes.map((dish) => dish.recipeId);
  const rows =
    wanted.length === 0
      ? []
      : await db
          .selectFrom("recipe_revision")
          .select(["recipe_id", "revision", "body"])
          .where("recipe_id", "in", wanted)
          .execute();
  const index = facts.dishes.findIndex((dish) => {
    const row = rows.find((one) => one.recipe_id === dish.recipeId && one.revision === dish.revision);
    return (
      !row ||
      (dish.variantId !== null && !parseRecipe(row.body).variants.some((variant) => variant.id === dish.variantId))
    );
  });
  return index < 0
    ? undefined
    : { [`dishes[${index}].what`]: ["This recipe is not in the batter book any more. Choose another."] };
}
