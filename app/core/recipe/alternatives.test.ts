import fc from "fast-check";
import { starterRecipes } from "~/demo/recipes";
import { ratio, inPieces } from "~/core/quantity";
import { recipes } from "../../../test/recipes";
import type { Line, Recipe } from "./types";
import { ingredientsNamedIn } from "./lines";
import { asVariant } from "./variants";
import { draftOf } from "./draft";
import { readDraft } from "./read-draft";
import { compareRecipes } from "./compare";

const pancakes = starterRecipes.find((recipe) => recipe.id === "slipway-pancakes") as Recipe;
const withAlternatives = (change: (line: Line) => Line): Recipe => ({ ...pancakes, lines: pancakes.lines.map(change) });
const milk = withAlternatives((line) =>
  line.id === "milk"
    ? {
        ...line,
        alternatives: [
          { ingredientId: "buttermilk", amount: { value: ratio(250n), unit: "ml" }, isAdvised: true, reason: "" },
          { ingredientId: "water", isAdvised: false, reason: "pale and tough" },
        ],
      }
    : line,
);
const lineOf = (recipe: Recipe, id: string) => recipe.lines.find((line) => line.id === id);

test("an alternative that is taken stands in list and words, with its own amount or as much", () => {
  const made = asVariant(milk, null, undefined, [{ lineId: "milk", ingredientId: "buttermilk" }]);
  expect(lineOf(made, "milk")).toMatchObject({
    ingredientId: "buttermilk",
    amount: { kind: "exact", amount: { value: ratio(250n), unit: "ml" } },
  });
  const other = asVariant(milk, null, undefined, [{ lineId: "milk", ingredientId: "water" }]);
  expect(lineOf(other, "milk")).toMatchObject({ ingredientId: "water", amount: lineOf(pancakes, "milk")?.amount });
  // It can still be made in another way, which the recipe's own variants say.
  expect(made.variants).toBe(milk.variants);
  expect(made.standing).toBe(milk.standing);
});

test("what the recipe does not name, or its variant settles itself, is not taken", () => {
  expect(asVariant(milk, null, undefined, [{ lineId: "milk", ingredientId: "oat-drink" }])).toBe(milk);
  expect(asVariant(milk, null, undefined, [{ lineId: "egg", ingredientId: "water" }])).toBe(milk);
  const swapped = milk.variants.find((variant) => variant.swaps.some((swap) => swap.lineId === "milk"));
  const own = asVariant(milk, swapped?.id ?? null);
  expect(asVariant(milk, swapped?.id ?? null, undefined, [{ lineId: "milk", ingredientId: "buttermilk" }])).toEqual(
    own,
  );
});

test("whatever is taken: one line changes for each, to what the recipe names, and every id stays", () => {
  fc.assert(
    fc.property(recipes, (recipe) => {
      const takes = recipe.lines.flatMap((line) =>
        (line.alternatives ?? []).slice(0, 1).map(({ ingredientId }) => ({ lineId: line.id, ingredientId })),
      );
      const made = asVariant(recipe, null, undefined, takes);
      expect(made.lines.map((line) => line.id)).toEqual(recipe.lines.map((line) => line.id));
      for (const line of made.lines)
        expect(line.ingredientId).toBe(
          takes.find((take) => take.lineId === line.id)?.ingredientId ?? lineOf(recipe, line.id)?.ingredientId,
        );
      for (const take of takes) expect(ingredientsNamedIn(recipe)).toContain(take.ingredientId);
    }),
  );
});

test("an editor reads alternatives, servings, greasing, heat by surface and words for the room back unchanged, and a change of any is told", () => {
  fc.assert(
    fc.property(recipes, (recipe) => {
      const { recipe: read } = readDraft(draftOf(recipe), recipe);
      const said = (one: Recipe) => ({
        alternatives: one.lines.map((line) => line.alternatives ?? []),
        amounts: one.lines.map((line) => (line.amount.kind === "per-load" ? line.amount.every : undefined)),
        serving: one.serving,
        on: one.heat.on,
        words: one.steps.map(({ point, question, avoid, gate }) => ({ point, question, avoid, gate })),
      });
      expect(said(read)).toEqual(said(recipe));
    }),
  );
  const fields = compareRecipes(pancakes, {
    ...milk,
    serving: { pieces: inPieces(3), as: "stack" },
    heat: { ...milk.heat, on: [{ surfaceKind: "hob-pan", dial: "low" }] },
    steps: milk.steps.map((step, at) =>
      at === 0 ? { ...step, point: "Lift", gate: { kind: "grams-at-most" as const, value: 300 } } : step,
    ),
  }).map((change) => change.field);
  expect(fields.sort()).toEqual(["alternatives", "gate", "heat by surface", "point", "serving"]);
});
