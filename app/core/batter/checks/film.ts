import { inMillilitres } from "~/core/quantity";
import type { Family, Recipe } from "~/core/recipe";
import { diameterOf, pourFor, pourThickness } from "../bench";
import type { BatterFinding } from "../types";

/** Families whose pour spreads by itself, so that portion and width say how thick it lies; the others are shaped by a dish or an iron. */
const spreads: readonly Family[] = ["crepe", "pancake", "drop", "drawn"];

/** Shares of the family's usual thickness as poured between which nobody would say a word (starting values). */
export const filmBand = { least: 0.6, most: 1.7 } as const;

/** Does a pour cover the piece it is meant for, and does it fit it? Too thin tears or leaves holes, too thick stays raw inside. */
export function filmOutsideBand(recipe: Recipe): BatterFinding[] {
  const { portion, pieceDiameterCm, family } = recipe;
  if (portion.kind !== "ml" || !spreads.includes(family)) return [];
  const usual = pourThickness[family];
  const millimetres = (portion.ml / pourFor(pieceDiameterCm, usual)) * usual;
  const [least, most] = [usual * filmBand.least, usual * filmBand.most];
  if (millimetres >= least && millimetres <= most) return [];
  return [
    {
      code: "film-outside-band",
      level: "notes",
      millimetres,
      least,
      most,
      pourMl: inMillilitres(Math.round(pourFor(pieceDiameterCm, usual))),
      acrossCm: Math.round(diameterOf(portion.ml, usual)),
    },
  ];
}
