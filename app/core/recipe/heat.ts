import { type Minutes, inMinutes } from "~/core/quantity";
import { isCookedIn } from "./lines";
import type { Heat, Line, Recipe, SurfaceKind } from "./types";

/** Minutes a load lies on the surface beside its pouring, likely: between two half pours, the first side and the second. */
export const lyingMinutes = ({ halves, side1, side2 }: Heat): Minutes =>
  inMinutes((halves?.likely ?? 0) + side1.likely + (side2?.likely ?? 0));

/** What lies between the two halves of a piece: what the cook step draws of the toppings, where it is poured in two. */
export const betweenHalves = (recipe: Pick<Recipe, "heat" | "steps" | "lines" | "parts">): Line[] =>
  recipe.heat.halves ? recipe.lines.filter((line) => isCookedIn(line, recipe)) : [];

/** A recipe's heat as it is on one kind of surface. */
export function heatOn(heat: Heat, kind: SurfaceKind): Heat {
  const own = heat.on?.find((each) => each.surfaceKind === kind);
  if (!own) return heat;
  return {
    ...heat,
    surfaceC: own.surfaceC ?? heat.surfaceC,
    test: own.test ?? heat.test,
    side1: own.side1 ?? heat.side1,
    // Where both sides cook at once there is no second side on any surface.
    side2: heat.side2 && (own.side2 ?? heat.side2),
  };
}

/**
 * The heat a class cooks by on the kinds of surface it has: that kind's own where there is one. With several it stays the recipe's, and
 * each load lies as long as {@link heatOn} says of the surface it is on.
 */
export function heatAmong(heat: Heat, kinds: readonly SurfaceKind[]): Heat {
  const [first, ...others] = new Set(kinds);
  return first === undefined || others.length > 0 ? heat : heatOn(heat, first);
}
