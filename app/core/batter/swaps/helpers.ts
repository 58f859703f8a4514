import { type Amount, type Ratio, ratioOf, type Grams } from "~/core/quantity";
import {
  type Line,
  type LineAmount,
  type Recipe,
  type RecipeEdit,
  expectedOf,
  isAtPlate,
  scaleLineAmount,
} from "~/core/recipe";
import { type Pantry, lineGrams } from "../batter";

export const gramsAmount = (grams: Grams): LineAmount => ({
  kind: "exact",
  amount: { value: ratioOf(Number(grams.toFixed(grams < 10 ? 1 : 0))), unit: "g" },
});
export const exact = (value: Ratio, unit: Amount["unit"]): LineAmount => ({ kind: "exact", amount: { value, unit } });

/** The first step that draws on a line: what is added for it goes in there too. */
export const drawnBy = (recipe: Recipe, lineId: string): string | null =>
  recipe.steps.find((step) => step.draws.some((draw) => draw.lineId === lineId))?.id ?? null;

/** A line beside another: same bowl, same sub-recipe, drawn by the same step. */
export const addBeside = (
  recipe: Recipe,
  line: Line,
  id: string,
  ingredientId: string,
  amount: LineAmount,
): RecipeEdit => ({
  kind: "add-line",
  line: {
    id,
    partId: line.partId,
    ingredientId,
    amount,
    bowl: line.bowl,
    keeps: 1,
    isOptional: line.isOptional,
    note: "",
  },
  afterId: line.id,
  drawnBy: drawnBy(recipe, line.id),
});

export const hasLine = (recipe: Recipe, lineId: string): boolean => recipe.lines.some((line) => line.id === lineId);
export const lineOf = (recipe: Recipe, lineId: string): Line | undefined =>
  recipe.lines.find((line) => line.id === lineId);

/** Takes a line away if it is there, as an edit list. */
export const dropIfThere = (recipe: Recipe, lineId: string): RecipeEdit[] =>
  hasLine(recipe, lineId) ? [{ kind: "remove-line", lineId }] : [];

export const gramsOf = (recipe: Recipe, line: Line, pantry: Pantry): number => lineGrams(line, recipe, pantry) ?? 0;

/** Every liquid line of the batter times a factor. */
export const scaleLiquids = (recipe: Recipe, pantry: Pantry, factor: Ratio): RecipeEdit[] =>
  recipe.lines.flatMap((line): RecipeEdit[] =>
    pantry.get(line.ingredientId)?.role === "liquid" && !isAtPlate(line, recipe) && expectedOf(line.amount)
      ? [{ kind: "set-amount", lineId: line.id, amount: scaleLineAmount(line.amount, factor) }]
      : [],
  );
