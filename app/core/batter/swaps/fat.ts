import { type Ratio, divide, gramsIn, isMassUnit, multiply, one, ratio, ratioOf, inMinutes } from "~/core/quantity";
import { gramsOf } from "./helpers";
import type { FindSwaps } from "./types";

/** Grams of each fat that stand in for one gram of butter: oil has no water in it, so four fifths do (starting value). */
const forButter: Readonly<Record<string, Ratio>> = {
  butter: one,
  "plant-spread": one,
  "sunflower-oil": ratio(4n, 5n),
};

/** Butter, plant spread and oil for one another, by weight. */
export const fat: FindSwaps = (recipe, line, pantry) => {
  const from = forButter[line.ingredientId];
  const { amount } = line;
  if (!from || (amount.kind !== "exact" && amount.kind !== "per-load")) return [];
  return Object.entries(forButter).flatMap(([id, to]) => {
    if (id === line.ingredientId || !pantry.has(id)) return [];
    const { value, unit } = amount.amount;
    // Exact where the amount is a weight; a spoonful becomes the tenth of a gram a scale shows.
    const grams = isMassUnit(unit)
      ? multiply(value, gramsIn(unit))
      : ratioOf(
          Number(
            (pantry.get(line.ingredientId)
              ? gramsOf(recipe, { ...line, amount: { kind: "exact", amount: amount.amount } }, pantry)
              : 0
            ).toFixed(1),
          ),
        );
    if (grams.num <= 0n) return [];
    return [
      {
        swap: "fat" as const,
        lineId: line.id,
        fromIngredientId: line.ingredientId,
        toIngredientId: id,
        way: "",
        edits: [
          { kind: "set-ingredient" as const, lineId: line.id, ingredientId: id },
          {
            kind: "set-amount" as const,
            lineId: line.id,
            amount: { kind: amount.kind, amount: { value: divide(multiply(grams, to), from), unit: "g" as const } },
          },
        ],
        waitMinutes: inMinutes(0),
        notes: [],
        refused: undefined,
      },
    ];
  });
};
