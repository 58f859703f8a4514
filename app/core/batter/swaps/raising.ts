import { millilitresIn, ratioOf, toNumber, toStep, inGrams, inMinutes } from "~/core/quantity";
import type { MeasuringSystem, Grams } from "~/core/quantity";
import type { RecipeEdit } from "~/core/recipe";
import { addBeside, exact, gramsOf, hasLine } from "./helpers";
import type { FindSwaps, SwapNote } from "./types";

/**
 * What self-raising flour holds, as each country's kitchens make it up: UK 2 tsp of powder to 150 g; US 1½ tsp and ¼ tsp salt to
 * the cup of 122 g; Australia 2 tsp to the metric cup of 129 g (starting values).
 */
export function powderFor(
  grams: Grams,
  system: MeasuringSystem,
): { tsp: number; saltTsp: number; rule: "uk" | "us" | "au" } {
  if (system === "us") return { tsp: (grams / 122) * 1.5, saltTsp: (grams / 122) * 0.25, rule: "us" };
  const metricCup = (122 * toNumber(millilitresIn("cup", "au"))) / toNumber(millilitresIn("cup", "us"));
  if (system === "au") return { tsp: (grams / metricCup) * 2, saltTsp: 0, rule: "au" };
  return { tsp: (grams / 150) * 2, saltTsp: 0, rule: "uk" };
}

/** Spoons go to the quarter: nobody levels an eighth of a teaspoon of powder for a whole class. */
const quarterTsp = (tsp: number): number => Math.max(0.25, toStep(tsp, 0.25).shown);

/** Self-raising flour for plain flour and baking powder, and back. */
export const raising: FindSwaps = (recipe, line, pantry) => {
  const powderId = `${line.id}-powder`;
  const saltId = `${line.id}-salt`;
  const common = {
    swap: "raising" as const,
    lineId: line.id,
    fromIngredientId: line.ingredientId,
    way: "",
    waitMinutes: inMinutes(0),
    refused: undefined,
  };
  const { tsp, saltTsp, rule } = powderFor(inGrams(gramsOf(recipe, line, pantry)), recipe.system);
  if (line.ingredientId === "self-raising-flour" && pantry.has("plain-flour") && pantry.has("baking-powder")) {
    const spoons = (value: number) => exact(ratioOf(quarterTsp(value)), "tsp");
    const notes: SwapNote[] = [{ code: "powder-added", tsp: quarterTsp(tsp), rule }];
    const edits: RecipeEdit[] = [
      { kind: "set-ingredient", lineId: line.id, ingredientId: "plain-flour" },
      addBeside(recipe, line, powderId, "baking-powder", spoons(tsp)),
      ...(saltTsp > 0 && pantry.has("fine-salt")
        ? [addBeside(recipe, line, saltId, "fine-salt", spoons(saltTsp))]
        : []),
    ];
    return [{ ...common, toIngredientId: "plain-flour", edits, notes }];
  }
  if (line.ingredientId !== "plain-flour" || !pantry.has("self-raising-flour")) return [];
  const toSelfRaising: RecipeEdit = { kind: "set-ingredient", lineId: line.id, ingredientId: "self-raising-flour" };
  if (hasLine(recipe, powderId)) {
    const edits: RecipeEdit[] = [
      toSelfRaising,
      { kind: "remove-line", lineId: powderId },
      ...(hasLine(recipe, saltId) ? [{ kind: "remove-line" as const, lineId: saltId }] : []),
    ];
    return [{ ...common, toIngredientId: "self-raising-flour", edits, notes: [] }];
  }
  const powder = recipe.lines.find(
    (each) =>
      each.ingredientId === "baking-powder" && each.amount.kind === "exact" && each.amount.amount.unit === "tsp",
  );
  if (!powder || powder.amount.kind !== "exact") return [];
  const left = toNumber(powder.amount.amount.value) - tsp;
  const edits: RecipeEdit[] =
    left >= 0.25
      ? [toSelfRaising, { kind: "set-amount", lineId: powder.id, amount: exact(ratioOf(quarterTsp(left)), "tsp") }]
      : [toSelfRaising, { kind: "remove-line", lineId: powder.id }];
  return [
    {
      ...common,
      toIngredientId: "self-raising-flour",
      edits,
      notes: [{ code: "powder-reduced", tsp: Math.max(0, left) }],
    },
  ];
};
