import {
  type Grams,
  type Millilitres,
  type Pieces,
  inPieces,
  times,
  inGrams,
  inMillilitres,
  dividedBy,
} from "~/core/quantity";
import { type Ingredient, type Role, toGrams } from "~/core/pantry";
import { type Line, type Recipe, expectedOf, isBatter, isCountedOut } from "~/core/recipe";

/** Share of the volume that is air whisked in (starting value). */
export const airFactor = 1.03;
/** Share of a batter lost in bowl and ladle (starting value), assumed for every audience. */
export const leftBehind = 0.04;
/** Children leave up to this share (starting value, 8 to 10 %); what it would cost is said beside the plan. */
export const leftByChildren = 0.1;

/** How to find an ingredient by its id; `undefined` for one the pantry does not have. */
export type Pantry = ReadonlyMap<string, Ingredient>;

/** One batch of batter as numbers. */
export interface Batter {
  readonly grams: Grams;
  readonly millilitres: Millilitres;
  readonly waterGrams: Grams;
  readonly fatGrams: Grams;
  /** Flour and other starch. */
  readonly starchGrams: Grams;
  /** Grams of water per gram of starch; `undefined` without starch. */
  readonly looseness: number | undefined;
  /** Lines left out of the sums because their amount or density is not known. */
  readonly unknownLines: readonly string[];
  /** Those of them that the batter is made of: flour, starch, liquid, egg, vegetable. */
  readonly openMain: readonly string[];
}

/** What a batter is made of: without one of these nobody knows how much of it there is. */
const mainRoles: readonly Role[] = ["flour", "starch", "liquid", "egg", "vegetable"];

/** Grams of one line in one batch, after draining or squeezing; `undefined` when not known. */
export function lineGrams(line: Line, recipe: Recipe, pantry: Pantry): Grams | undefined {
  const ingredient = pantry.get(line.ingredientId);
  const amount = expectedOf(line.amount);
  if (!ingredient || !amount) return undefined;
  return toGrams(amount, ingredient, recipe.system, recipe.fill);
}

/**
 * One batch of a recipe's batter: volume is the sum of mass over true density with {@link airFactor}; water squeezed out is
 * taken from the water. Lines "to taste", per load or per piece do not count.
 */
export function batterOf(recipe: Recipe, pantry: Pantry): Batter {
  let [grams, displaced, waterGrams, fatGrams, starchGrams] = [0, 0, 0, 0, 0];
  const unknownLines: string[] = [];
  const openMain: string[] = [];
  for (const line of recipe.lines) {
    if (!isBatter(line, recipe) || line.amount.kind === "to-taste" || isCountedOut(line.amount)) continue;
    const ingredient = pantry.get(line.ingredientId);
    const raw = lineGrams(line, recipe, pantry);
    if (!ingredient || raw === undefined) {
      unknownLines.push(line.id);
      if (ingredient && mainRoles.includes(ingredient.role) && !line.isOptional) openMain.push(line.id);
      continue;
    }
    const kept = raw * line.keeps;
    grams += kept;
    displaced += kept / ingredient.trueDensity;
    waterGrams += Math.max(0, (raw * ingredient.waterPercent) / 100 - (raw - kept));
    fatGrams += (kept * ingredient.fatPercent) / 100;
    if (ingredient.role === "flour" || ingredient.role === "starch") starchGrams += kept;
  }
  return {
    grams: inGrams(grams),
    millilitres: inMillilitres(displaced * airFactor),
    waterGrams: inGrams(waterGrams),
    fatGrams: inGrams(fatGrams),
    starchGrams: inGrams(starchGrams),
    looseness: starchGrams > 0 ? waterGrams / starchGrams : undefined,
    unknownLines,
    openMain,
  };
}

/** How many whole pieces a batch gives, and what it was worked out from. */
export interface BatchYield {
  readonly pieces: Pieces;
  readonly from:
    | { readonly kind: "ml"; readonly batterMl: Millilitres; readonly portionMl: Millilitres }
    | { readonly kind: "grams"; readonly batterGrams: Grams; readonly portionGrams: Grams }
    | { readonly kind: "batch" }
    /** As the recipe claims, because a main amount is not known. */
    | { readonly kind: "claim" };
}

/** More pieces than this nobody makes of any number of batches: an amount with a slip in it is not laid out load by load. */
export const mostYield = 2000;

/** Floating-point noise must not cost a piece: 12 × 38 ml is twelve pieces. */
const noise = 1e-9;

/**
 * Whole pieces from `batches` batches, after what stays in the bowl.
 * @param batches 0 or more, may be a fraction.
 * @param left the share that stays in bowl and ladle, 0 to below 1.
 */
export function yieldOf(recipe: Recipe, batter: Batter, batches = 1, left = leftBehind): BatchYield {
  const whole = (pieces: Pieces) => Math.min(mostYield, Math.floor(pieces + noise));
  // What is not known cannot be added up: better the author's word than a batter without its flour.
  if (recipe.portion.kind !== "batch" && batter.openMain.length > 0 && recipe.claimedPieces !== null)
    return { pieces: inPieces(whole(times(recipe.claimedPieces, batches))), from: { kind: "claim" } };
  switch (recipe.portion.kind) {
    case "ml": {
      const batterMl = batter.millilitres * batches;
      return {
        pieces: inPieces(whole(inPieces((batterMl * (1 - left)) / recipe.portion.ml))),
        from: { kind: "ml", batterMl: inMillilitres(batterMl), portionMl: recipe.portion.ml },
      };
    }
    case "grams": {
      const batterGrams = times(batter.grams, batches);
      return {
        pieces: inPieces(whole(inPieces((batterGrams * (1 - left)) / recipe.portion.grams))),
        from: { kind: "grams", batterGrams, portionGrams: recipe.portion.grams },
      };
    }
    case "batch":
      return { pieces: inPieces(whole(times(recipe.portion.pieces, batches))), from: { kind: "batch" } };
    default:
      return recipe.portion satisfies never;
  }
}

/**
 * Butter, in grams, that makes up for milk lower in fat than the recipe's.
 * @param points percentage points of fat the milk lacks.
 */
export const fatMakeUpGrams = (milkGrams: Grams, points: number, butterFatPercent = 81): Grams =>
  dividedBy(times(milkGrams, points), butterFatPercent);
