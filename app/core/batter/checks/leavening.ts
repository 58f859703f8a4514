import { type Recipe, familyFacts } from "~/core/recipe";
import { type Pantry, batterOf } from "../batter";
import { leaveningOf, powderBand, sodaSlackTsp } from "../leavening";
import type { BatterFinding } from "../types";

/** Below this many teaspoons of soda a cultured liquid has nothing to lift with (starting value). */
const sourWorthSaying = 0.2;
/** Grams of flour below which a family's want of leavener is not worth a word. */
const leastFlour = 20;

/** Soda against acid, powder against flour, and a leavened family without either. */
export function leavening(recipe: Recipe, pantry: Pantry): BatterFinding[] {
  const findings: BatterFinding[] = [];
  const { starchGrams } = batterOf(recipe, pantry);
  const { sodaTsp, neutralisedTsp, powderTsp, soda, powder, acid, hasYeast } = leaveningOf(recipe, pantry);
  if (soda && sodaTsp > sodaSlackTsp && neutralisedTsp === 0)
    findings.push({ code: "soda-without-acid", level: "warns", lineId: soda.id, sodaTsp });
  else if (soda && sodaTsp - neutralisedTsp > sodaSlackTsp)
    findings.push({ code: "soda-left-over", level: "warns", lineId: soda.id, sodaTsp, neutralisedTsp });

  const tspPer125g = starchGrams > 0 ? (powderTsp / starchGrams) * 125 : 0;
  const { from, to, slack } = powderBand;
  const isLow = tspPer125g < from - slack;
  // Less powder is right where soda does part of the work.
  if (powder && starchGrams > 0 && powderTsp > 0 && ((isLow && sodaTsp === 0) || tspPer125g > to + slack))
    findings.push({ code: "powder-outside-band", level: "warns", lineId: powder.id, tspPer125g, from, to });
  if (
    acid &&
    sodaTsp === 0 &&
    isLow &&
    !hasYeast &&
    neutralisedTsp > sourWorthSaying &&
    familyFacts[recipe.family].isLeavened
  )
    findings.push({ code: "acid-without-soda", level: "warns", lineId: acid.id, acidTsp: neutralisedTsp });
  else if (
    familyFacts[recipe.family].isLeavened &&
    sodaTsp + powderTsp === 0 &&
    !hasYeast &&
    starchGrams >= leastFlour
  ) {
    const flour = recipe.lines.find((line) => ["flour", "starch"].includes(pantry.get(line.ingredientId)?.role ?? ""));
    // A bought mix brings its own leavener.
    if (flour && flour.ingredientId !== "cocoa-mix")
      findings.push({ code: "leavener-missing", level: "warns", flourLineId: flour.id, grams: starchGrams });
  }
  return findings;
}
