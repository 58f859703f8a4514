import { type Amount, isVolumeUnit } from "~/core/quantity";
import { expectedOf, isBatter } from "../lines";
import type { Recipe, RecipeFinding } from "../types";

const isCupLike = ({ unit }: Amount): boolean =>
  isVolumeUnit(unit) && unit !== "ml" && unit !== "l" && unit !== "tsp" && unit !== "tbsp" && unit !== "dash";
const isMetric = ({ unit }: Amount): boolean => unit === "g" || unit === "kg" || unit === "ml" || unit === "l";

/** Some lines by the cup and others in grams: a station needs both cups and a scale. Spoons go with either. */
export function unitsMixed(recipe: Recipe): RecipeFinding[] {
  const named = (holds: (amount: Amount) => boolean) =>
    recipe.lines.flatMap((line) => {
      // What comes in packs is opened, not weighed.
      const amount = isBatter(line, recipe) && line.amount.kind !== "packs" ? expectedOf(line.amount) : undefined;
      return amount && holds(amount) ? [line.ingredientId] : [];
    });
  const [byVolume, byMetric] = [named(isCupLike), named(isMetric)];
  return byVolume.length > 0 && byMetric.length > 0
    ? [{ code: "units-mixed", level: "notes", byVolume, byMetric }]
    : [];
}
