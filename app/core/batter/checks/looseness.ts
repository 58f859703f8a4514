import { type Recipe, familyFacts } from "~/core/recipe";
import { type Pantry, batterOf } from "../batter";
import type { BatterFinding } from "../types";

/** Looseness against the family's band, and the lines that could not be counted. */
export function looseness(recipe: Recipe, pantry: Pantry): BatterFinding[] {
  const batter = batterOf(recipe, pantry);
  const band = familyFacts[recipe.family].looseness;
  const isComplete = batter.unknownLines.length === 0;
  const findings: BatterFinding[] = [];
  if (isComplete && batter.looseness !== undefined && (batter.looseness < band.from || batter.looseness > band.to))
    findings.push({ code: "looseness-outside-band", level: "warns", looseness: batter.looseness, ...band });
  for (const lineId of batter.unknownLines) {
    const line = recipe.lines.find((one) => one.id === lineId);
    if (line && line.amount.kind !== "unknown")
      findings.push({ code: "density-unknown", level: "warns", lineId, ingredientId: line.ingredientId });
  }
  return findings;
}
