import { inMillilitres, largest } from "~/core/quantity";
import { drawnShapes } from "~/core/look";
import type { Recipe } from "~/core/recipe";
import type { PlanFinding } from "./types";

/** Shapes that take more batter than a piece of their recipe has, or longer than it says one piece is poured, or that may tear. */
export function shapeFindings(recipe: Recipe): PlanFinding[] {
  const { portion, heat } = recipe;
  const all = drawnShapes(recipe);
  if (all.length === 0) return [];
  const portionMl = portion.kind === "ml" ? portion.ml : inMillilitres(Infinity);
  const large = all.filter((one) => one.isLarge);
  const longest = largest(...all.map((one) => one.minutes));
  return [
    ...(large.length > 0
      ? [
          {
            code: "shapes-too-large" as const,
            level: "warns" as const,
            shapeIds: large.map((one) => one.shape.id),
            ml: largest(...large.map((one) => one.ml)),
            portionMl,
          },
        ]
      : []),
    ...(longest > heat.pourPerPiece
      ? [
          {
            code: "shapes-take-longer" as const,
            level: "notes" as const,
            minutes: longest,
            pourMinutes: heat.pourPerPiece,
          },
        ]
      : []),
    ...(all.some((one) => one.isThin)
      ? [
          {
            code: "shapes-may-tear" as const,
            level: "warns" as const,
            shapeIds: all.filter((one) => one.isThin).map((one) => one.shape.id),
            neckMm: Math.min(...all.map((one) => one.neckMm)),
          },
        ]
      : []),
  ];
}
