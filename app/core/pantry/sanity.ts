import { millilitresIn, toNumber } from "~/core/quantity";
import type { Ingredient } from "./types";

/** What is odd about the figures of one ingredient. */
export type PantryFinding =
  | { readonly code: "parts-over-hundred"; readonly level: "blocks"; readonly sum: number }
  | { readonly code: "fills-out-of-order"; readonly level: "blocks"; readonly sifted: number; readonly dipped: number }
  | { readonly code: "spread-out-of-order"; readonly level: "blocks"; readonly low: number; readonly high: number }
  | {
      readonly code: "cup-heavier-than-itself";
      readonly level: "warns";
      readonly gramsPerCup: number;
      readonly most: number;
    }
  | { readonly code: "cup-and-spoon-disagree"; readonly level: "warns"; readonly cup: number; readonly spoons: number }
  | { readonly code: "no-measure"; readonly level: "warns" }
  | { readonly code: "density-unlikely"; readonly level: "warns"; readonly density: number; readonly expected: number };

const cupMl = toNumber(millilitresIn("cup", "us"));
const tspInCup = 48;

/** A cup cannot hold more than the substance weighs without its air; this much over may be the measuring (starting value). */
const cupSlack = 0.08;
/** Cup and spoon figures of one ingredient may differ by this share: a spoon is packed differently (starting value). */
const spoonSlack = 0.35;

/** Grams per ml that water, fat and dry matter of these shares would come to; dry matter is taken as 1.5. */
export const mixedDensity = ({
  waterPercent: water,
  fatPercent: fat,
}: Pick<Ingredient, "waterPercent" | "fatPercent">): number =>
  100 / (water / 1 + fat / 0.91 + Math.max(0, 100 - water - fat) / 1.5);

/** Do the figures of an ingredient fit together? Blocks are contradictions, warnings are worth a second look. */
export function checkIngredient(one: Ingredient): PantryFinding[] {
  const findings: PantryFinding[] = [];
  const sum = one.waterPercent + one.fatPercent + one.sugarPercent;
  if (sum > 100.5) findings.push({ code: "parts-over-hundred", level: "blocks", sum });
  const cup = one.gramsPerCup;
  if (typeof cup === "object" && !(cup.sifted <= cup.spooned && cup.spooned <= cup.dipped))
    findings.push({ code: "fills-out-of-order", level: "blocks", sifted: cup.sifted, dipped: cup.dipped });
  if (one.tspSpread && !(one.tspSpread.low <= one.tspSpread.high))
    findings.push({ code: "spread-out-of-order", level: "blocks", ...one.tspSpread });
  const heaviest = typeof cup === "object" ? cup.dipped : cup;
  const most = one.trueDensity * cupMl;
  if (heaviest !== undefined && heaviest > most * (1 + cupSlack))
    findings.push({ code: "cup-heavier-than-itself", level: "warns", gramsPerCup: heaviest, most });
  const spooned = typeof cup === "object" ? cup.spooned : cup;
  if (spooned !== undefined && one.gramsPerTsp !== undefined) {
    const spoons = one.gramsPerTsp * tspInCup;
    if (Math.abs(spoons / spooned - 1) > spoonSlack)
      findings.push({ code: "cup-and-spoon-disagree", level: "warns", cup: spooned, spoons });
  }
  if (cup === undefined && one.gramsPerTsp === undefined && one.pieceGrams === undefined)
    findings.push({ code: "no-measure", level: "warns" });
  // Only where water or fat says what it must weigh: a powder's density cannot be told from these.
  const expected = mixedDensity(one);
  if (one.waterPercent + one.fatPercent >= 60 && Math.abs(one.trueDensity / expected - 1) > 0.25)
    findings.push({ code: "density-unlikely", level: "warns", density: one.trueDensity, expected });
  return findings;
}
