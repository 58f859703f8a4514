import { judgePlate } from "~/core/allergen";
import { type Pantry, swapsFor } from "~/core/batter";
import type { LabelReading } from "~/core/pantry";
import type { Participant } from "~/core/people";
import { type Recipe, type Variant, applyEdits } from "~/core/recipe";
import { variantOf } from "./dishes";
import type { ClassInput } from "./types";

/** A recipe with one more variant that nobody has cooked yet, made of swaps that clear a plate. */
export interface DraftedVariant {
  readonly recipe: Recipe;
  readonly variantId: string;
  /** What goes for what, by ingredient; nothing for what is only left out. */
  readonly swaps: readonly { readonly from: string; readonly to: string | null }[];
}

/** Swaps are looked for line by line, each against what the one before left: more rounds than this no recipe needs. */
const mostSwaps = 8;

/** The variant that two recipes differ by, line by line. */
function variantBetween(before: Recipe, after: Recipe, id: string, name: string): Variant {
  const then = new Map(before.lines.map((line) => [line.id, line]));
  const now = new Map(after.lines.map((line) => [line.id, line]));
  return {
    id,
    name,
    standing: "draft",
    decidedAt: null,
    omit: before.lines.filter((line) => !now.has(line.id)).map((line) => line.id),
    swaps: after.lines.flatMap((line) => {
      const was = then.get(line.id);
      return was && (was.ingredientId !== line.ingredientId || was.amount !== line.amount)
        ? [{ lineId: line.id, ingredientId: line.ingredientId, amount: line.amount }]
        : [];
    }),
    add: after.lines.filter((line) => !then.has(line.id)),
  };
}

/**
 * The recipe with a drafted variant that this person could eat of, from the swaps the program knows: for each line that is in the way
 * the swap that brings nothing else in the way, what is optional or for the plate left out where no swap is known. Undefined where that
 * does not come to a plate without "contains". It stays a draft until somebody has cooked it.
 */
export function draftFor(
  recipe: Recipe,
  person: Participant,
  pantry: Pantry,
  labels: ReadonlyMap<string, LabelReading>,
  ingredients: ClassInput["pantry"],
): DraftedVariant | undefined {
  const verdictOf = (id: string) => judgePlate(person, [id], pantry, labels).verdict;
  let so: Recipe = { ...recipe, variants: [] };
  const swaps: { from: string; to: string | null }[] = [];
  for (let round = 0; round < mostSwaps; round += 1) {
    const line = so.lines.find((one) => verdictOf(one.ingredientId) === "contains");
    if (!line) break;
    const offers = swapsFor(so, pantry).filter(
      (offer) =>
        offer.lineId === line.id && offer.refused === undefined && verdictOf(offer.toIngredientId) !== "contains",
    );
    const best = offers.find((offer) => verdictOf(offer.toIngredientId) === "clear") ?? offers[0];
    if (best) {
      so = applyEdits(so, best.edits);
      swaps.push({ from: line.ingredientId, to: best.toIngredientId });
    } else if (line.isOptional || line.bowl === "topping") {
      so = applyEdits(so, [{ kind: "remove-line", lineId: line.id }]);
      swaps.push({ from: line.ingredientId, to: null });
    } else return undefined;
  }
  if (swaps.length === 0) return undefined;
  const taken = new Set(recipe.variants.map((variant) => variant.id));
  let variantId = "drafted";
  for (let n = 2; taken.has(variantId); n += 1) variantId = `drafted-${n}`;
  const name = `Without ${swaps.map((swap) => pantry.get(swap.from)?.name ?? swap.from).join(" and ")}`.slice(0, 120);
  const drafted = { ...recipe, variants: [...recipe.variants, variantBetween(recipe, so, variantId, name)] };
  const made = variantOf(drafted, variantId, ingredients, pantry);
  return made.lines.some((line) => verdictOf(line.ingredientId) === "contains")
    ? undefined
    : { recipe: drafted, variantId, swaps };
}
