import { checkBatter, batterOf, yieldOf } from "~/core/batter";
import { starterPantry } from "~/core/pantry";
import { asVariant, checkRecipe, families } from "~/core/recipe";
import { starterBook } from "./starter-book";

const pantry = new Map(starterPantry.map((one) => [one.id, one]));

test("has a recipe for each family, under names and ids of their own", () => {
  expect(new Set(starterBook.map((recipe) => recipe.family))).toEqual(new Set(families));
  for (const key of ["id", "title"] as const)
    expect(new Set(starterBook.map((one) => one[key])).size).toBe(starterBook.length);
});

test.each(starterBook.map((recipe) => [recipe.title, recipe] as const))("%s has nothing to mend", (_title, recipe) => {
  const findings = [...checkRecipe(recipe), ...checkBatter(recipe, pantry)].filter((one) => one.level !== "notes");
  expect(findings).toEqual([]);
  expect(yieldOf(recipe, batterOf(recipe, pantry)).pieces).toBeGreaterThanOrEqual(3);
  expect(recipe.standing).toBe("draft");
});

test.each(["pancake", "crepe", "waffle"] as const)(
  "the %s comes without egg, milk and wheat, and none is left",
  (family) => {
    const recipe = starterBook.find((one) => one.family === family);
    if (!recipe) throw new Error(`no ${family}`);
    for (const [variantId, substance] of [
      ["no-egg", "egg"],
      ["no-milk", "milk"],
      ["no-wheat", "wheat"],
    ] as const) {
      const dish = asVariant(recipe, variantId);
      const left = dish.lines.filter((line) => pantry.get(line.ingredientId)?.contains.includes(substance));
      expect(left.map((line) => line.ingredientId)).toEqual([]);
      expect(dish.lines.length).toBeGreaterThan(3);
    }
  },
);
