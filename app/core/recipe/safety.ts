import { inCelsius, inMinutes } from "~/core/quantity";
import { isAtPlate } from "./lines";
import type { Recipe } from "./types";

/**
 * Temperatures of food in °C and the minutes that go with them, by whose rules a class keeps (general food safety guidance; local
 * codes come first). Hot food is held at or above, cold food at or below.
 */
export const holdHotC = { us: 57, eu: 63, anz: 60 } as const;
export const holdColdC = inCelsius(5);
/** Cooked food that is kept: warm to cool, and cool to cold, each within its minutes. */
export const coolDown = {
  warm: { toC: inCelsius(21), withinMinutes: inMinutes(120) },
  cold: { toC: inCelsius(5), withinMinutes: inMinutes(240) },
} as const;
export const reheatC = inCelsius(74);
/** Egg dishes are done in the middle from here on. */
export const eggDoneC = 71;
/** Butter has gone quiet between these: a test for a gentle pan, none for one that should be hotter. */
export const butterQuietC = { from: 120, to: 150 } as const;
/** A drop of water beads and dances from here on; below it a drop steams away at once (general kitchen physics, starting value). */
export const waterDancesC = inCelsius(160);
/** Non-stick gives off fumes above this, and is never heated empty; pet birds out of the room. */
export const nonStickMostC = inCelsius(260);

/**
 * Shares of the liquid that a batter takes up while it stands 20 to 30 minutes, by its flour; then it slows (starting values from
 * general baking tables).
 */
export const takesUp = {
  wheat: { low: 0.03, high: 0.06 },
  wholegrain: { low: 0.05, high: 0.1 },
  glutenFree: { low: 0.08, high: 0.15 },
} as const;
/** From so many minutes of standing on the whole share has been taken up; below, in proportion. */
export const takesUpMinutes = 25;

/** How much of its share a batter has taken up after so many minutes, from 0 to 1. */
export const takenUpAfter = (minutes: number): number => Math.min(1, Math.max(0, minutes) / takesUpMinutes);

const wholegrain: readonly string[] = ["wholemeal-flour", "rye-flour", "spelt-flour"];
const glutenFree: readonly string[] = ["gluten-free-flour", "chia", "linseed", "rice-flour"];

/** The shares for a recipe: the thirstiest thing in its batter counts. */
export function takeUpOf(recipe: Pick<Recipe, "lines" | "parts">): { readonly low: number; readonly high: number } {
  const has = (ids: readonly string[]) =>
    recipe.lines.some((line) => !isAtPlate(line, recipe) && ids.includes(line.ingredientId));
  return has(glutenFree) ? takesUp.glutenFree : has(wholegrain) ? takesUp.wholegrain : takesUp.wheat;
}
