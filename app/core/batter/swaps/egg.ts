import { multiply, ratio } from "~/core/quantity";
import { addBeside, exact, hasLine } from "./helpers";
import type { FindSwaps } from "./types";

/** Minutes until a seed gel has swollen (starting value: 5 to 10). */
const gelMinutes = 8;
const seeds = ["chia", "linseed"];

/** An egg for a tablespoon of seed in three of water. It binds but does not lift: not for oven-puffed. */
export const egg: FindSwaps = (recipe, line, pantry) => {
  const ingredient = pantry.get(line.ingredientId);
  if (!ingredient || line.amount.kind !== "exact") return [];
  const waterId = `${line.id}-gel-water`;
  const common = { swap: "egg" as const, lineId: line.id, fromIngredientId: ingredient.id, way: "" };
  const { value, unit } = line.amount.amount;
  if (ingredient.role === "egg" && unit === "piece") {
    const isOven = recipe.family === "oven-puffed";
    return seeds.flatMap((id) =>
      pantry.has(id)
        ? [
            {
              ...common,
              toIngredientId: id,
              waitMinutes: isOven ? 0 : gelMinutes,
              refused: isOven ? ("no-lift-for-oven" as const) : undefined,
              notes: [{ code: "no-lift" as const }, { code: "thickens-on-standing" as const }],
              edits: isOven
                ? []
                : [
                    { kind: "set-ingredient" as const, lineId: line.id, ingredientId: id },
                    { kind: "set-amount" as const, lineId: line.id, amount: exact(value, "tbsp") },
                    addBeside(recipe, line, waterId, "water", exact(multiply(value, ratio(3n)), "tbsp")),
                  ],
            },
          ]
        : [],
    );
  }
  if (!seeds.includes(ingredient.id) || unit !== "tbsp" || !hasLine(recipe, waterId)) return [];
  return ["egg", "large-egg"].flatMap((id) =>
    pantry.has(id)
      ? [
          {
            ...common,
            toIngredientId: id,
            waitMinutes: 0,
            refused: undefined,
            notes: [],
            edits: [
              { kind: "set-ingredient" as const, lineId: line.id, ingredientId: id },
              { kind: "set-amount" as const, lineId: line.id, amount: exact(value, "piece") },
              { kind: "remove-line" as const, lineId: waterId },
            ],
          },
        ]
      : [],
  );
};
