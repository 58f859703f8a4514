import { type Recipe, butterQuietC, familyHeat, waterDancesC } from "~/core/recipe";
import type { BatterFinding } from "../types";

/** A heat that its family is never cooked at, or none of its family's surfaces: what is left when a recipe changes its family. */
export function heatOfFamily(recipe: Recipe): BatterFinding[] {
  const usual = familyHeat(recipe.family);
  const { surfaceC, surfaceKinds } = recipe.heat;
  const [from, to] = [usual.surfaceC.from, usual.surfaceC.to];
  const isApart = surfaceC.to < from || surfaceC.from > to;
  const isElsewhere = !surfaceKinds.some((kind) => usual.surfaceKinds.includes(kind));
  return isElsewhere || isApart
    ? [{ code: "heat-of-another-family", level: "warns", family: recipe.family, from, to }]
    : [];
}

/** A test that is over before the surface is as hot as the recipe wants it, or that a surface so gentle never passes. */
export const testOfHeat = ({ heat }: Recipe): BatterFinding[] => [
  ...(heat.test === "butter-foams" && heat.surfaceC.from > butterQuietC.to
    ? [{ code: "test-not-for-heat", level: "warns", ...butterQuietC, wanted: heat.surfaceC.from } as const]
    : []),
  ...(heat.test === "water-beads" && heat.surfaceC.to < waterDancesC
    ? [{ code: "test-wants-hotter", level: "warns", least: waterDancesC, to: heat.surfaceC.to } as const]
    : []),
];
