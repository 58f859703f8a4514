import type { Batter, Pantry } from "~/core/batter";
import { type Grams, type Millilitres, inMillilitres, times } from "~/core/quantity";
import { type Family, type Recipe, type SurfaceKind, families, isBatter } from "~/core/recipe";

/** What is seen on a piece that is not as it should be. */
export const sights = [
  "pale",
  "raw-inside",
  "dark-middle",
  "one-part-ahead",
  "torn",
  "sticks",
  "fused",
  "spreads",
  "lacy",
  "thick",
  "flat",
] as const;
export type Sight = (typeof sights)[number];

export const causes = [
  "surface-cool",
  "surface-hot",
  "uneven-heat",
  "turned-early",
  "opened-early",
  "too-thin",
  "too-thick",
  "little-fat",
  "much-fat",
  "crowded",
  "stood-too-long",
  "dish-cold",
  "slow-to-heat",
  "filled-at-once",
  "small-flame",
] as const;
export type Cause = (typeof causes)[number];

/** What is done about it: heat, wait, thin or thicken, space out, fat, another order; nothing else is quick enough in a class. */
export const acts = [
  "heat-up",
  "heat-down",
  "wait",
  "thin",
  "thicken",
  "space-out",
  "more-fat",
  "less-fat",
  "other-order",
] as const;
export type Act = (typeof acts)[number];

export interface Trouble {
  readonly sight: Sight;
  readonly cause: Cause;
  readonly act: Act;
}

const flat: readonly Family[] = ["drawn", "drop", "pancake", "crepe"];
const turned: readonly Family[] = [...flat, "ridged-waffle", "fritter"];
const irons: readonly Family[] = ["waffle", "ridged-waffle"];
const risen: readonly Family[] = ["drop", "pancake", "waffle", "ridged-waffle", "fritter"];

/** From what is seen to why and what to do, the likeliest first (teaching practice; the surface's own makers know it better). */
const rows: readonly (readonly [Sight, Cause, Act, readonly Family[], (readonly SurfaceKind[])?])[] = [
  ["pale", "surface-cool", "heat-up", families],
  ["pale", "opened-early", "wait", irons],
  ["pale", "slow-to-heat", "wait", [...turned, "waffle"], ["cast-iron-pan", "ridged-pan", "waffle-iron"]],
  ["pale", "filled-at-once", "space-out", [...flat, "fritter"], ["electric-griddle"]],
  ["raw-inside", "surface-hot", "heat-down", ["drop", "pancake", "ridged-waffle", "fritter", "oven-puffed"]],
  ["raw-inside", "opened-early", "wait", ["waffle", "oven-puffed"]],
  ["raw-inside", "too-thick", "thin", ["drop", "pancake", "waffle"]],
  ["dark-middle", "surface-hot", "heat-down", turned],
  ["dark-middle", "small-flame", "other-order", turned, ["hob-pan", "cast-iron-pan", "crepe-pan", "ridged-pan"]],
  ["one-part-ahead", "uneven-heat", "other-order", turned],
  ["one-part-ahead", "uneven-heat", "other-order", ["oven-puffed"], ["oven"]],
  ["torn", "turned-early", "wait", turned],
  ["torn", "opened-early", "wait", ["waffle"]],
  ["torn", "too-thin", "thicken", ["crepe", "drawn"]],
  ["sticks", "surface-cool", "wait", families],
  ["sticks", "little-fat", "more-fat", families],
  ["fused", "crowded", "space-out", ["drawn", "drop", "pancake", "fritter"]],
  ["spreads", "too-thin", "thicken", ["drawn", "drop", "pancake", "fritter"]],
  ["spreads", "surface-cool", "wait", ["drawn", "drop", "pancake"]],
  ["lacy", "surface-hot", "heat-down", ["crepe", "drawn"]],
  ["lacy", "much-fat", "less-fat", flat],
  ["thick", "too-thick", "thin", ["crepe", "drawn"]],
  ["flat", "stood-too-long", "other-order", risen],
  ["flat", "dish-cold", "wait", ["oven-puffed"]],
  ["flat", "surface-cool", "heat-up", ["oven-puffed"]],
  ["flat", "opened-early", "wait", ["oven-puffed"]],
];

/**
 * What may be seen with this family on these kinds of surface, why, and what to do; in the order of {@link sights}.
 * @param kinds those it is cooked on; what comes from a surface it has not is left out.
 */
export const troublesOf = (family: Family, kinds: readonly SurfaceKind[]): Trouble[] =>
  rows.flatMap(([sight, cause, act, of, on]) =>
    of.includes(family) && (on === undefined || on.some((kind) => kinds.includes(kind))) ? [{ sight, cause, act }] : [],
  );

/** The share by which a batter is thinned or thickened at one go: less is not seen, more is soon too much (starting value). */
export const correctionShare = 0.05;

/** By how much a batter is thinned or thickened at one go: of its own liquid, and of its own flour, for so many batches. */
export interface CorrectionStep {
  readonly liquidId: string | null;
  readonly ml: Millilitres;
  readonly flourId: string | null;
  readonly grams: Grams;
}

/** @param factor batches in the bowl; above 0. */
export function correctionStep(recipe: Recipe, batter: Batter, pantry: Pantry, factor: number): CorrectionStep {
  const main = (role: "liquid" | "flour") =>
    recipe.lines.find((line) => isBatter(line, recipe) && pantry.get(line.ingredientId)?.role === role)?.ingredientId ??
    null;
  const liquidId = main("liquid");
  const liquid = liquidId === null ? undefined : pantry.get(liquidId);
  const water = batter.waterGrams * correctionShare * factor;
  const share = (liquid?.waterPercent ?? 0) / 100;
  return {
    liquidId: share > 0 ? liquidId : null,
    ml: liquid && share > 0 ? inMillilitres(water / share / liquid.trueDensity) : inMillilitres(0),
    flourId: main("flour"),
    grams: times(times(batter.starchGrams, correctionShare), factor),
  };
}
