import { inMinutes, smallest } from "~/core/quantity";
import type { Recipe, Window } from "~/core/recipe";
import type { Pantry } from "../batter";
import { leaveningOf } from "../leavening";
import type { BatterFinding } from "../types";

/** The window a batter's leavener asks for (starting values); the other school's is a choice of the author's. */
export function usualWindow(recipe: Recipe, pantry: Pantry): Window {
  const { sodaTsp, powderTsp, hasYeast } = leaveningOf(recipe, pantry);
  if (hasYeast) return { min: inMinutes(45), max: inMinutes(180), reason: "author" };
  if (sodaTsp > 0) return { min: inMinutes(0), max: inMinutes(15), reason: "soda-and-acid" };
  if (powderTsp > 0) return { min: inMinutes(5), max: inMinutes(30), reason: "double-acting" };
  return { min: inMinutes(30), max: null, reason: "relax-gluten" };
}

/** A leavened batter loses its lift: without a longest wait the plan cannot see that the last load comes too late. */
export function windowMissing(recipe: Recipe, pantry: Pantry): BatterFinding[] {
  if (recipe.rest.max !== null) return [];
  const wanted = usualWindow(recipe, pantry);
  return wanted.max === null
    ? []
    : [{ code: "window-missing", level: "warns", wanted: { ...wanted, min: smallest(recipe.rest.min, wanted.max) } }];
}
