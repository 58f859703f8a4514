import { type Recipe, familyFacts } from "~/core/recipe";
import { type Pantry, batterOf } from "../batter";
import type { BatterFinding } from "../types";

/** How far from what its author aims at a batter may be, as a share of it (starting values): a line that is drawn shows it first. */
const nearAim: Readonly<Record<"drawn" | "other", number>> = { drawn: 0.04, other: 0.1 };

/** What its author aims at, against its family's band and against what its lines make. */
function aimed({ aimedLooseness: aim, family }: Recipe, made: number | undefined): BatterFinding[] {
  if (aim === undefined) return [];
  const band = familyFacts[family].looseness;
  const near = aim * nearAim[family === "drawn" ? "drawn" : "other"];
  return [
    ...(aim < band.from || aim > band.to ? [{ code: "aim-outside-band", level: "notes", aim, ...band } as const] : []),
    ...(made !== undefined && Math.abs(made - aim) > near
      ? [{ code: "looseness-off-aim", level: "warns", looseness: made, aim } as const]
      : []),
  ];
}

/** Looseness against the family's band, and the lines that could not be counted. */
export function looseness(recipe: Recipe, pantry: Pantry): BatterFinding[] {
  const batter = batterOf(recipe, pantry);
  const band = familyFacts[recipe.family].looseness;
  const isComplete = batter.unknownLines.length === 0;
  const findings: BatterFinding[] = [];
  // Told with two figures behind the point: what reads as the end of the band is inside it.
  const told = batter.looseness === undefined ? undefined : Math.round(batter.looseness * 100) / 100;
  if (isComplete && batter.looseness !== undefined && told !== undefined && (told < band.from || told > band.to))
    findings.push({ code: "looseness-outside-band", level: "warns", looseness: batter.looseness, ...band });
  findings.push(...aimed(recipe, isComplete ? batter.looseness : undefined));
  for (const lineId of batter.unknownLines) {
    const line = recipe.lines.find((one) => one.id === lineId);
    if (line && line.amount.kind !== "unknown")
      findings.push({ code: "density-unknown", level: "warns", lineId, ingredientId: line.ingredientId });
  }
  return findings;
}
