import { type Grams, type Millilitres, type Pieces, inMillilitres, inGrams, times, inPieces } from "~/core/quantity";
import type { Ingredient } from "~/core/pantry";
import { type Family, type Recipe, familyFacts } from "~/core/recipe";
import { type Batter, type Pantry, airFactor, leftBehind } from "./batter";

/** Thickness as poured, in mm (starting values): a crepe spreads until the pan stops it, a pancake stays as it falls. */
export const pourThickness: Readonly<Record<Family, number>> = {
  drawn: 3,
  drop: 8,
  pancake: 7,
  crepe: 1.2,
  waffle: 9,
  "ridged-waffle": 9,
  fritter: 9,
  "oven-puffed": 10,
};

/**
 * Millilitres that cover a round of `diameterCm`, poured `thicknessMm` thick: π/4 · d² · t.
 * @throws {RangeError} when either is not above 0.
 * @example pourFor(24, 1.2) // => 54.3
 */
export function pourFor(diameterCm: number, thicknessMm: number): number {
  if (!(diameterCm > 0) || !(thicknessMm > 0))
    throw new RangeError(`expected a diameter and a thickness above 0, got ${diameterCm} cm and ${thicknessMm} mm.`);
  return (Math.PI / 4) * diameterCm ** 2 * (thicknessMm / 10);
}

/** How wide a pour of `ml` becomes at a thickness, in cm; the other way round of {@link pourFor}. */
export function diameterOf(ml: Millilitres, thicknessMm: number): number {
  if (!(ml > 0) || !(thicknessMm > 0))
    throw new RangeError(`expected a pour and a thickness above 0, got ${ml} ml and ${thicknessMm} mm.`);
  return Math.sqrt(ml / ((Math.PI / 4) * (thicknessMm / 10)));
}

/** What to put into a bowl that is too thick or too thin. */
export type Correction =
  | { readonly kind: "liquid"; readonly ml: Millilitres; readonly waterGrams: Grams }
  | { readonly kind: "flour"; readonly grams: Grams }
  | { readonly kind: "none" };

/** Below this many grams of water or flour nobody would notice (starting value). */
const worthAdding = 2;

/**
 * What brings what is left of a bowl from the looseness it has to the one wanted: water needed = (target − now) × flour left, given
 * as ml of the recipe's own liquid; or the flour that takes up what is too much.
 * @param now grams of water to a gram of flour in the bowl.  @param target the same, wanted; both above 0.
 * @param starchLeft grams of flour still in the bowl.
 */
export function correctBowl(now: number, target: number, starchLeft: number, liquid: Ingredient): Correction {
  if (!(now > 0) || !(target > 0) || !(starchLeft >= 0))
    throw new RangeError(
      `expected loosenesses above 0 and flour of 0 or more, got ${now}, ${target} and ${starchLeft}.`,
    );
  const water = (target - now) * starchLeft;
  if (water >= worthAdding) {
    const waterShare = liquid.waterPercent / 100;
    return waterShare > 0
      ? { kind: "liquid", ml: inMillilitres(water / waterShare / liquid.trueDensity), waterGrams: inGrams(water) }
      : { kind: "none" };
  }
  const flour = (now * starchLeft) / target - starchLeft;
  return flour >= worthAdding ? { kind: "flour", grams: inGrams(flour) } : { kind: "none" };
}

/** How far one step of "too thick" or "too thin" is, as a share of the family's band (starting value). */
const feelStep = 0.2;
export const feels = ["far-too-thick", "too-thick", "right", "too-thin", "far-too-thin"] as const;
export type Feel = (typeof feels)[number];
const feelSteps: Readonly<Record<Feel, number>> = {
  "far-too-thick": 2,
  "too-thick": 1,
  right: 0,
  "too-thin": -1,
  "far-too-thin": -2,
};

/**
 * How loose a bowl really is, from how it feels: flour drinks more on some days, so a bowl made to the recipe may be stiffer than its
 * figures. A step is a fifth of the family's band.
 */
export function loosenessByFeel(planned: number, feel: Feel, family: Family): number {
  const { from, to } = familyFacts[family].looseness;
  const width = Number.isFinite(to - from) ? to - from : 0.6;
  return Math.max(0.1, planned - feelSteps[feel] * feelStep * width);
}

/** How loose a bowl should be that feels so: as its author aims at, where they said; as its recipe makes it otherwise, or where it is right. */
export const loosenessWanted = (
  { aimedLooseness }: Pick<Recipe, "aimedLooseness">,
  planned: number,
  feel: Feel,
): number => (feel === "right" ? planned : (aimedLooseness ?? planned));

/** Grams of salt kept when its kind changes: the same weight, another number of spoons. */
export const saltSpoons = (
  tsp: number,
  from: Ingredient,
  to: Ingredient,
): { low: number; likely: number; high: number } | undefined => {
  if (from.gramsPerTsp === undefined || to.gramsPerTsp === undefined) return undefined;
  const grams = tsp * from.gramsPerTsp;
  const { low, high } = to.tspSpread ?? { low: to.gramsPerTsp, high: to.gramsPerTsp };
  // The heavier the spoon, the fewer of them.
  return { low: grams / high, likely: grams / to.gramsPerTsp, high: grams / low };
};

/** Eggs of another size for the same weight without shells, and the whole number nearest to it with what that is off by. */
export function eggsOfSize(
  count: number,
  fromGrams: Grams,
  toGrams: number,
): { exact: number; whole: number; gramsOff: number } {
  const exact = (count * fromGrams) / toGrams;
  const whole = Math.max(1, Math.round(exact));
  return { exact, whole, gramsOff: whole * toGrams - count * fromGrams };
}

/** One point of the bench's chart: an amount of liquid, and what it would make of the batter. */
export interface LiquidPoint {
  readonly addedMl: Millilitres;
  readonly looseness: number;
  readonly pieces: Pieces;
}

/** Looseness and pieces as a function of one liquid, varied by ±`share` in `steps` steps. */
export function liquidCurve(
  recipe: Recipe,
  batter: Batter,
  liquid: Ingredient,
  liquidMl: Millilitres,
  share = 0.4,
  steps = 16,
): LiquidPoint[] {
  if (batter.starchGrams <= 0) return [];
  return Array.from({ length: steps + 1 }, (_, index) => {
    const addedMl = times(times(liquidMl, share), (2 * index) / steps - 1);
    const grams = addedMl * liquid.trueDensity;
    const looseness = (batter.waterGrams + (grams * liquid.waterPercent) / 100) / batter.starchGrams;
    const kept = 1 - leftBehind;
    const pieces =
      recipe.portion.kind === "ml"
        ? ((batter.millilitres + addedMl * airFactor) * kept) / recipe.portion.ml
        : recipe.portion.kind === "grams"
          ? ((batter.grams + grams) * kept) / recipe.portion.grams
          : recipe.portion.pieces;
    return { addedMl, looseness, pieces: inPieces(Math.max(0, pieces)) };
  });
}

/** The recipe's main liquid: the one with the most water in it. */
export function mainLiquid(
  recipe: Recipe,
  pantry: Pantry,
  gramsOf: (lineId: string) => number | undefined,
): { lineId: string; ingredient: Ingredient } | undefined {
  const found = recipe.lines
    .flatMap((line) => {
      const ingredient = pantry.get(line.ingredientId);
      return ingredient?.role === "liquid"
        ? [{ lineId: line.id, ingredient, water: ((gramsOf(line.id) ?? 0) * ingredient.waterPercent) / 100 }]
        : [];
    })
    .sort((a, b) => b.water - a.water)[0];
  return found && found.water > 0 ? { lineId: found.lineId, ingredient: found.ingredient } : undefined;
}
