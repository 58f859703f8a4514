import { type Minutes, inMinutes } from "~/core/quantity";
import { type Line, type Recipe, type Step, isBatter, methodOf } from "~/core/recipe";
import type { Pantry } from "./batter";

/**
 * Most minutes a batter with raw egg or milk stands at room temperature in all, whatever its leavener (general food safety; 60 above
 * 32 °C; chilled up to 24 hours, thin crepes 48; local food codes come first).
 */
export const rawBatterMinutes = {
  atRoom: inMinutes(120),
  above32: inMinutes(60),
  chilled: inMinutes(24 * 60),
  chilledCrepe: inMinutes(48 * 60),
} as const;

/** Lines of raw egg or milk in the batter. */
export const rawPerishables = (recipe: Recipe, pantry: Pantry): Line[] =>
  recipe.lines.filter((line) => {
    const one = pantry.get(line.ingredientId);
    return (
      isBatter(line, recipe) &&
      one !== undefined &&
      (one.role === "egg" ||
        (one.contains.includes("milk") && one.storage === "chilled" && one.waterPercent >= wateryPercent))
    );
  });

/** Is there raw egg or milk in the batter? */
export const isRawPerishable = (recipe: Recipe, pantry: Pantry): boolean => rawPerishables(recipe, pantry).length > 0;

/** From this share of water on, an ingredient wets what it meets (starting value). */
export const wateryPercent = 50;

/** What starts the clock: leavener, or flour where nothing else lifts. */
function clockLines(recipe: Recipe, pantry: Pantry): Line[] {
  const of = (isIt: (role: string, id: string) => boolean) =>
    recipe.lines.filter((line) => {
      const one = pantry.get(line.ingredientId);
      return one !== undefined && isBatter(line, recipe) && isIt(one.role, one.id);
    });
  const leaveners = of(
    (role, id) => role === "powder" || role === "soda" || id === "self-raising-flour" || id === "dried-yeast",
  );
  return leaveners.length > 0 ? leaveners : of((role) => role === "flour" || role === "starch");
}

/**
 * The step in which leavener (or, without any, flour) first gets wet: cook-by runs from there. A dry bowl or a wet bowl alone runs no
 * clock; where a step only joins the two, it is that step. Null where the method does not say.
 */
export function wettingStep(recipe: Recipe, pantry: Pantry): Step | null {
  const clocks = new Set(clockLines(recipe, pantry).map((line) => line.id));
  const wet = new Set(
    recipe.lines
      .filter((line) => isBatter(line, recipe) && (pantry.get(line.ingredientId)?.waterPercent ?? 0) >= wateryPercent)
      .map((line) => line.id),
  );
  const bowlOf = new Map(recipe.lines.map((line) => [line.id, line.bowl]));
  const steps = methodOf(recipe).mixing.filter((step) => step.kind !== "rest");
  const [dryBowls, wetBowls] = [new Set<string>(), new Set<string>()];
  let isApart = false;
  for (const [at, step] of steps.entries()) {
    const draws = step.draws.map((draw) => draw.lineId);
    const [dry, liquid] = [draws.filter((id) => clocks.has(id)), draws.filter((id) => wet.has(id))];
    if (dry.length > 0 && liquid.length > 0) return step;
    // Both bowls stood ready before this step: mixing joins them.
    if (isApart && step.kind === "mix") return step;
    for (const id of dry) dryBowls.add(bowlOf.get(id) ?? "bowl");
    for (const id of liquid) wetBowls.add(bowlOf.get(id) ?? "bowl");
    if (dryBowls.size === 0 || wetBowls.size === 0) continue;
    const isOneBowl = [...dryBowls].some((bowl) => wetBowls.has(bowl));
    const joinsLater = steps.slice(at + 1).some((later) => later.kind === "mix");
    if (isOneBowl || !joinsLater) return step;
    isApart = true;
  }
  return null;
}

/** The longest a batter made ahead may stand out of the cold before its last load, in minutes; null where nothing in it spoils. */
export const outOfTheCold = (
  recipe: Recipe,
  pantry: Pantry,
): { readonly max: Minutes; readonly why: "raw-batter" } | null =>
  isRawPerishable(recipe, pantry) ? { max: rawBatterMinutes.atRoom, why: "raw-batter" } : null;

/** The longest a mixed batter may stand before its last load, in minutes, and why; null where nothing says. */
export function cookByOf(
  recipe: Recipe,
  pantry: Pantry,
): { readonly max: Minutes; readonly why: "window" | "raw-batter" } | null {
  const { max } = recipe.rest;
  const raw = isRawPerishable(recipe, pantry) ? rawBatterMinutes.atRoom : null;
  // A window of more than the limit at room temperature is a batter that rests chilled.
  if (max !== null && (raw === null || max <= raw || recipe.rest.min > raw)) return { max, why: "window" };
  if (raw === null || recipe.rest.min > raw) return null;
  return { max: raw, why: "raw-batter" };
}
