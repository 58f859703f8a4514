import { type Ingredient, groupOf } from "~/core/pantry";
import { type Hazard, type Recipe, type Step, isForPlate } from "~/core/recipe";
import type { Pantry } from "./batter";

const isNut = (one: Ingredient): boolean =>
  one.role !== "flour" &&
  one.gramsPerTsp === undefined &&
  one.contains.some((substance) => substance === "tree-nut" || groupOf(substance) === "tree-nut");
/** Small and firm, or sticky: what a small child may choke on. */
const small: ReadonlySet<string> = new Set(["blueberries", "raspberries", "raisins", "chocolate-pieces", "sweetcorn"]);
const isGround = (one: Ingredient): boolean => /\b(ground|meal|flour|butter|spread|drink)\b/.test(one.name);

/** What grease is in the pan: oil that is hot is hot fat, a spray near a flame burns. */
function panHazards(recipe: Recipe, pantry: Pantry): Hazard[] {
  const grease = recipe.lines.flatMap((line) => (line.bowl === "pan" ? (pantry.get(line.ingredientId) ?? []) : []));
  return [
    ...(grease.some((one) => one.role === "fat" && one.waterPercent < 5) ? (["hot-fat"] as const) : []),
    ...(grease.some((one) => one.role === "spray") ? (["spray-flame"] as const) : []),
  ];
}

/** Cautions that follow from what a step has in hand (general kitchen safety): an author may add to them, not leave them out. */
function cautionsOf(step: Step, recipe: Recipe, pantry: Pantry, pan: readonly Hazard[]): Hazard[] {
  const found: Hazard[] = [];
  const lines = new Map(recipe.lines.map((line) => [line.id, line]));
  const food = step.draws.flatMap((draw) => pantry.get(lines.get(draw.lineId)?.ingredientId ?? "") ?? []);
  const part = recipe.parts.find((one) => one.id === step.partId);
  const kinds = recipe.heat.surfaceKinds;
  const isAside = part !== undefined && isForPlate(part.kind);
  if ((step.kind === "cook" || step.kind === "preheat") && !isAside) {
    found.push(kinds.every((kind) => kind === "oven") ? "oven-dish" : "hot-surface");
    if (kinds.includes("waffle-iron")) found.push("steam");
    if (kinds.includes("electric-griddle") || kinds.includes("waffle-iron")) found.push("cords");
    found.push(...pan);
  }
  if (part && (step.kind === "mix" || step.kind === "cook")) {
    if (part.heat === "hob")
      found.push(part.kind === "sauce" || part.kind === "filling" ? "boiling-sauce" : "hot-surface");
    if (part.heat === "oven") found.push("oven-dish");
    if (part.heat === "microwave") found.push("spitting");
  }
  if (step.kind === "mix" && !isAside && food.some((one) => one.role === "flour" || one.role === "egg"))
    found.push("raw-batter");
  if (step.tools.includes("knife") || step.tools.includes("grater")) found.push("blades");
  if (step.tools.includes("stick") || food.some((one) => small.has(one.id) || (isNut(one) && !isGround(one))))
    found.push("small-pieces");
  return found;
}

/** A recipe whose steps carry the cautions that follow from their facts, beside those the author wrote; itself when nothing is missing. */
export function withCautions(recipe: Recipe, pantry: Pantry): Recipe {
  const pan = panHazards(recipe, pantry);
  let isSame = true;
  const steps = recipe.steps.map((step) => {
    const missing = [...new Set(cautionsOf(step, recipe, pantry, pan))].filter((one) => !step.hazards.includes(one));
    if (missing.length === 0) return step;
    isSame = false;
    return { ...step, hazards: [...step.hazards, ...missing] };
  });
  return isSame ? recipe : { ...recipe, steps };
}
