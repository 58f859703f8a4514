import { toMillilitres, toGrams } from "~/core/pantry";
import { type Recipe, expectedOf, familyFacts, isBatter } from "~/core/recipe";
import { millilitresIn, toNumber } from "~/core/quantity";
import { type Pantry, batterOf } from "./batter";

export type BatterFinding =
  | {
      readonly code: "soda-left-over";
      readonly level: "warns";
      readonly sodaTsp: number;
      readonly neutralisedTsp: number;
    }
  | { readonly code: "soda-without-acid"; readonly level: "warns"; readonly sodaTsp: number }
  | {
      readonly code: "powder-outside-band";
      readonly level: "warns";
      readonly tspPer125g: number;
      readonly from: number;
      readonly to: number;
    }
  | {
      readonly code: "looseness-outside-band";
      readonly level: "warns";
      readonly looseness: number;
      readonly from: number;
      readonly to: number;
    }
  | {
      readonly code: "density-unknown";
      readonly level: "warns";
      readonly lineId: string;
      readonly ingredientId: string;
    };

/** Teaspoons of baking powder per 125 g of flour that are usual (starting values); half a spoon either way is not worth a word. */
export const powderBand = { from: 1, to: 2, slack: 0.5 } as const;
/** Teaspoons of soda that may stay over before it can be tasted (starting value). */
const sodaSlackTsp = 0.1;

const usTsp = toNumber(millilitresIn("tsp", "us"));
const usCup = toNumber(millilitresIn("cup", "us"));

function totals(recipe: Recipe, pantry: Pantry) {
  let [sodaTsp, neutralisedTsp, powderTsp] = [0, 0, 0];
  for (const line of recipe.lines) {
    const ingredient = pantry.get(line.ingredientId);
    const amount = expectedOf(line.amount);
    if (!ingredient || !amount || !isBatter(line)) continue;
    const ml = toMillilitres(amount, ingredient, recipe.system, recipe.fill);
    const spoons =
      ml === undefined
        ? (toGrams(amount, ingredient, recipe.system, recipe.fill) ?? 0) / (ingredient.gramsPerTsp ?? Infinity)
        : toNumber(ml) / usTsp;
    if (ingredient.role === "soda") sodaTsp += spoons;
    if (ingredient.role === "powder") powderTsp += spoons;
    if (ml !== undefined) neutralisedTsp += (toNumber(ml) / usCup) * ingredient.neutralisesTsp;
  }
  return { sodaTsp, neutralisedTsp, powderTsp };
}

/** Balance of soda and acid, powder against flour, looseness against the family, and lines that could not be counted. */
export function checkBatter(recipe: Recipe, pantry: Pantry): BatterFinding[] {
  const findings: BatterFinding[] = [];
  const batter = batterOf(recipe, pantry);
  const { sodaTsp, neutralisedTsp, powderTsp } = totals(recipe, pantry);
  if (sodaTsp > sodaSlackTsp && neutralisedTsp === 0)
    findings.push({ code: "soda-without-acid", level: "warns", sodaTsp });
  else if (sodaTsp - neutralisedTsp > sodaSlackTsp)
    findings.push({ code: "soda-left-over", level: "warns", sodaTsp, neutralisedTsp });

  const tspPer125g = batter.starchGrams > 0 ? (powderTsp / batter.starchGrams) * 125 : 0;
  const { from, to, slack } = powderBand;
  if (powderTsp > 0 && (tspPer125g < from - slack || tspPer125g > to + slack))
    findings.push({ code: "powder-outside-band", level: "warns", tspPer125g, from, to });

  const band = familyFacts[recipe.family].looseness;
  const isComplete = batter.unknownLines.length === 0;
  if (isComplete && batter.looseness !== undefined && (batter.looseness < band.from || batter.looseness > band.to)) {
    findings.push({ code: "looseness-outside-band", level: "warns", looseness: batter.looseness, ...band });
  }
  for (const lineId of batter.unknownLines) {
    const line = recipe.lines.find((one) => one.id === lineId);
    if (line && line.amount.kind !== "unknown")
      findings.push({ code: "density-unknown", level: "warns", lineId, ingredientId: line.ingredientId });
  }
  return findings;
}

/** Millilitres of acid that sour a volume of milk: one tablespoon to the cup of the recipe's system. */
export function souringAcidMl(milkMl: number, system: Recipe["system"]): number {
  return (milkMl * toNumber(millilitresIn("tbsp", system))) / toNumber(millilitresIn("cup", system));
}
