import { type Amount, type MeasuringSystem, type Ratio, multiply, ratio, toNumber, inMinutes } from "~/core/quantity";
import { addBeside, exact, hasLine } from "./helpers";
import type { FindSwaps } from "./types";

/** Minutes until a seed gel has swollen (starting value: 5 to 10). */
const gelMinutes = inMinutes(8);
const seeds = ["chia", "linseed"];

/**
 * Seed gel for one egg: 15 ml of seed and 45 ml of water in every system (starting values); half of it for a white. A tablespoon is 15
 * ml but in Australia, where it is 20: there it is said in teaspoons of 5.
 */
const gelFor = (eggs: Ratio, system: MeasuringSystem): { readonly seed: Amount; readonly water: Amount } => {
  const [unit, spoons] = system === "au" ? (["tsp", 3n] as const) : (["tbsp", 1n] as const);
  const seed = multiply(eggs, ratio(spoons));
  return { seed: { value: seed, unit }, water: { value: multiply(seed, ratio(3n)), unit } };
};
/** Beyond so many eggs gel is a trial: nobody counts on it before it was rehearsed (starting value). */
const mostGelEggs = 2;

/** An egg for a tablespoon of seed in three of water. It binds but does not lift: not for oven-puffed. */
export const egg: FindSwaps = (recipe, line, pantry) => {
  const ingredient = pantry.get(line.ingredientId);
  if (!ingredient || line.amount.kind !== "exact") return [];
  const waterId = `${line.id}-gel-water`;
  const common = { swap: "egg" as const, lineId: line.id, fromIngredientId: ingredient.id, way: "" };
  const { value, unit } = line.amount.amount;
  const isWhite = ingredient.id === "egg-white";
  if (ingredient.role === "egg" && unit === "piece") {
    const gel = gelFor(isWhite ? multiply(value, ratio(1n, 2n)) : value, recipe.system);
    const isOven = recipe.family === "oven-puffed";
    return seeds.flatMap((id) =>
      pantry.has(id)
        ? [
            {
              ...common,
              toIngredientId: id,
              waitMinutes: isOven ? inMinutes(0) : gelMinutes,
              refused: isOven ? ("no-lift-for-oven" as const) : undefined,
              notes: [
                { code: "no-lift" as const },
                { code: "thickens-on-standing" as const },
                ...(toNumber(value) > mostGelEggs ? [{ code: "gel-for-many" as const }] : []),
              ],
              edits: isOven
                ? []
                : [
                    { kind: "set-ingredient" as const, lineId: line.id, ingredientId: id },
                    {
                      kind: "set-amount" as const,
                      lineId: line.id,
                      amount: { kind: "exact" as const, amount: gel.seed },
                    },
                    addBeside(recipe, line, waterId, "water", { kind: "exact", amount: gel.water }),
                  ],
            },
          ]
        : [],
    );
  }
  const spoons = recipe.system === "au" ? { unit: "tsp", count: 3n } : { unit: "tbsp", count: 1n };
  if (!seeds.includes(ingredient.id) || unit !== spoons.unit || !hasLine(recipe, waterId)) return [];
  const eggs = multiply(value, ratio(1n, spoons.count));
  return ["egg", "large-egg"].flatMap((id) =>
    pantry.has(id)
      ? [
          {
            ...common,
            toIngredientId: id,
            waitMinutes: inMinutes(0),
            refused: undefined,
            notes: [],
            edits: [
              { kind: "set-ingredient" as const, lineId: line.id, ingredientId: id },
              { kind: "set-amount" as const, lineId: line.id, amount: exact(eggs, "piece") },
              { kind: "remove-line" as const, lineId: waterId },
            ],
          },
        ]
      : [],
  );
};
