import { inCelsius } from "~/core/quantity";
import { type Pantry, rawPerishables } from "~/core/batter";
import type { Flame, Surface } from "~/core/gear";
import { type Ingredient, groupOf, isOil } from "~/core/pantry";
import {
  type Hazard,
  type Recipe,
  type Step,
  type SurfaceKind,
  type Tool,
  butterQuietC,
  cooksPieces,
  hazards,
  isCold,
  isForPlate,
  partHeatAt,
  toolsAt,
} from "~/core/recipe";

/** What the cautions at the heat follow from: a surface that a recipe cooks on, and what heats it where somebody said. */
export interface HotPlace {
  readonly kind: SurfaceKind;
  /** Whether it has a cord; the usual of its kind where nobody said. */
  readonly hasCord: boolean;
  readonly burns: Flame | null;
}

/** A kitchen's surface as the cautions see it. */
export const hotPlaceOf = ({ kind, watts, flame }: Surface): HotPlace => ({
  kind,
  hasCord: flame === undefined && (watts > 0 || corded.has(kind)),
  burns: flame ?? null,
});

const corded: ReadonlySet<SurfaceKind> = new Set(["electric-griddle", "waffle-iron"]);

/** Every kind of surface the recipe allows, as it usually is: before anybody has chosen a kitchen. */
const usualPlaces = (recipe: Recipe): HotPlace[] =>
  recipe.heat.surfaceKinds.map((kind) => ({ kind, hasCord: corded.has(kind), burns: null }));

const isNut = (one: Ingredient): boolean =>
  one.role !== "flour" &&
  one.gramsPerTsp === undefined &&
  one.contains.some((substance) => substance === "tree-nut" || groupOf(substance) === "tree-nut");
const isGround = (one: Ingredient): boolean => /\b(ground|meal|flour|butter|spread|drink)\b/.test(one.name);
const blades: ReadonlySet<Tool> = new Set<Tool>(["knife", "grater", "zester", "peeler"]);

/** Small and firm, or sticky: what a small child may choke on, by the words in its name (general guidance for early years). */
const small =
  /\b((blue|black|rasp|goose|cran|huckle|bil|mul)?berr(y|ies)|currants?|sultanas?|raisins?|grapes?|cherr(y|ies)|sweetcorn|kernels?|chocolate (pieces|chips|drops|buttons)|marshmallows?|olives?|peas?|popcorn|boiled sweets|dates?)\b/i;
/** What is no longer in pieces. */
const isSmooth =
  /\b(purée|puree|sauce|compote|jam|jelly|syrup|juice|powder|paste|flour|meal|oil|butter|spread|curd|mashed|ground|drink)\b/i;
const canChoke = (one: Ingredient): boolean =>
  (small.test(one.name) && !isSmooth.test(one.name)) || (isNut(one) && !isGround(one));

/** Meat or fish that is not cooked yet: what it leaves on hands goes into everything. */
const isRawMeat = (one: Ingredient): boolean =>
  one.contains.some((each) => each === "meat" || each === "pork" || each === "beef" || each === "fish") &&
  one.role !== "fat" &&
  one.role !== "starch" &&
  !/\b(cooked|tinned|canned|smoked|cured|gelatine|sauce|stock)\b/i.test(one.name);

const isButter = (one: Ingredient): boolean => one.role === "fat" && !isOil(one);
/** °C at which an oil begins to smoke, by its name, the lowest that is usual; refined seed oils are the rest (general figures, starting values). */
const smokesFrom: readonly (readonly [RegExp, number])[] = [
  [/\b(linseed|flax|walnut|hemp)\b/i, 110],
  [/\bcoconut\b/i, 175],
  [/\b(lard|dripping|duck|goose)\b/i, 185],
  [/\b(olive|sesame|extra virgin|cold[- ]pressed)\b/i, 190],
];
const smokeOfRefinedC = inCelsius(225);
const smokeC = (one: Ingredient): number => smokesFrom.find(([word]) => word.test(one.name))?.[1] ?? smokeOfRefinedC;

/** Families of which a piece lies flat and is turned: an edge is lifted to look, and fingers are near. */
const isTurned = (recipe: Recipe): boolean => recipe.heat.side2 !== null;

/** What follows from the surfaces, the grease in them and the cooking itself. */
function atTheHeat(step: Step, recipe: Recipe, grease: readonly Ingredient[], places: readonly HotPlace[]): Hazard[] {
  const found: Hazard[] = [];
  const isCooking = cooksPieces(step, recipe);
  const panLines = new Set(recipe.lines.flatMap((line) => (line.bowl === "pan" ? [line.id] : [])));
  const has = (kind: SurfaceKind) => places.some((place) => place.kind === kind);
  if (places.some((place) => place.kind !== "oven")) found.push("hot-surface");
  if (has("oven")) found.push("oven-dish");
  if (has("waffle-iron")) found.push("steam", "iron-hinge");
  if (places.some((place) => place.hasCord)) found.push("cords");
  if (places.some((place) => place.burns !== null)) found.push("gas-air");
  // Grease comes with the pour, unless the step that heats the pan takes it.
  const isGreased = isCooking || step.draws.some((draw) => panLines.has(draw.lineId));
  if (!isGreased) return found;
  if (grease.some((one) => one.role === "spray")) found.push("spray-flame");
  if (grease.some(isOil)) {
    found.push("hot-fat");
    if (recipe.family === "fritter" || has("oven")) found.push("oil-fire");
  }
  if (grease.some((one) => isOil(one) && recipe.heat.surfaceC.to > smokeC(one))) found.push("oil-smokes");
  if (!isCooking) return found;
  const isOiled = grease.some((one) => one.role !== "spray");
  if (isOiled && !step.tools.includes("brush") && places.some((place) => place.kind !== "oven"))
    found.push("oiling-hot-pan");
  if (grease.some(isButter) && recipe.heat.surfaceC.to > butterQuietC.to) found.push("butter-smokes");
  if (isTurned(recipe)) found.push("bare-fingers");
  return found;
}

/** What follows from a saucepan or a microwave at a step, and from what is warmed in it. */
function overHeat(step: Step, recipe: Recipe, food: readonly Ingredient[]): Hazard[] {
  const tools = toolsAt(step, recipe);
  const part = recipe.parts.find((one) => one.id === step.partId);
  const found: Hazard[] = [];
  if (tools.includes("saucepan"))
    found.push(part?.kind === "sauce" || part?.kind === "filling" ? "boiling-sauce" : "hot-surface");
  if (tools.includes("microwave")) found.push(food.some((one) => one.role === "fat") ? "spitting" : "steam");
  if (partHeatAt(step, recipe) === "oven") found.push("oven-dish");
  return found;
}

/** Has nothing been cooked yet? What cools on a rack is no batter any more. */
const isBeforeCooking = (step: Step, recipe: Recipe): boolean => {
  const cooked = recipe.steps.findIndex((one) => cooksPieces(one, recipe));
  return cooked < 0 || recipe.steps.findIndex((one) => one.id === step.id) < cooked;
};

/** Is raw egg or milk in the batter by this step? What a later step takes first is not in yet. */
function isWetBy(step: Step, recipe: Recipe, pantry: Pantry): boolean {
  const later = recipe.steps.slice(recipe.steps.findIndex((one) => one.id === step.id) + 1);
  const before = recipe.steps.filter((one) => !later.includes(one));
  const isIn = (steps: readonly Step[], lineId: string) =>
    steps.some((one) => one.draws.some((draw) => draw.lineId === lineId));
  return rawPerishables(recipe, pantry).some((line) => isIn(before, line.id) || !isIn(later, line.id));
}

/**
 * The cautions that follow from what a step has in hand: ingredients, tools, surfaces, heat (general kitchen safety). Each once, in the
 * order of {@link hazards}.
 * @param places the surfaces it is really cooked on; left out, whatever the recipe allows.
 */
export function cautionsOf(
  step: Step,
  recipe: Recipe,
  pantry: Pantry,
  places: readonly HotPlace[] = usualPlaces(recipe),
): Hazard[] {
  const found = new Set<Hazard>();
  const add = (...some: readonly Hazard[]) => some.forEach((one) => found.add(one));
  const lines = new Map(recipe.lines.map((line) => [line.id, line]));
  const drawn = step.draws.flatMap((draw) => lines.get(draw.lineId) ?? []);
  const food = drawn.flatMap((line) => pantry.get(line.ingredientId) ?? []);
  const part = recipe.parts.find((one) => one.id === step.partId);
  const isAside = part !== undefined && isForPlate(part.kind);
  if (cooksPieces(step, recipe) || (step.kind === "preheat" && !isAside)) {
    const grease = recipe.lines.flatMap((line) => (line.bowl === "pan" ? (pantry.get(line.ingredientId) ?? []) : []));
    add(...atTheHeat(step, recipe, grease, places));
  }
  add(...overHeat(step, recipe, food));
  // What waits or is warmed again burns like what cooks.
  if (step.warmth && !isCold(step.warmth.place)) add(step.warmth.place === "oven" ? "oven-dish" : "hot-surface");
  if (step.warmth?.place === "microwave") add("steam");
  if (step.warmth?.place === "hot-plate") add("cords");
  const isRaw = step.kind === "mix" || step.kind === "prepare";
  if (isRaw && food.some((one) => one.role === "flour" || one.role === "egg")) add("raw-batter");
  if (food.some((one) => one.role === "egg" || isRawMeat(one))) add("hands-again");
  // One clock over resting, waiting and drawing: what is drawn is poured for longer than any batter rests.
  const stands =
    (step.kind === "rest" && isBeforeCooking(step, recipe)) || (cooksPieces(step, recipe) && recipe.family === "drawn");
  if (stands && !isAside && isWetBy(step, recipe, pantry)) add("batter-clock");
  if (step.tools.some((tool) => blades.has(tool))) add("blades");
  if (step.tools.includes("mixer")) add("mixer", "cords");
  // What is boiled down is no longer in pieces.
  if (partHeatAt(step, recipe) === null && food.some(canChoke)) add("small-pieces");
  if (step.tools.includes("stick")) add("sticks");
  return hazards.filter((one) => found.has(one));
}

/** What the author left out on purpose, each with the reason. */
const isWaived = (step: Step, hazard: Hazard): boolean => step.waived?.some((one) => one.hazard === hazard) === true;

/**
 * A recipe whose steps carry the cautions that follow from their facts, beside those the author wrote and but for those left out with a
 * reason; itself when nothing changes.
 * @param places where it is cooked; left out, whatever the recipe allows, and nothing the author wrote is taken off.
 */
export function withCautions(recipe: Recipe, pantry: Pantry, places?: readonly HotPlace[]): Recipe {
  let isSame = true;
  const steps = recipe.steps.map((step) => {
    const derived = cautionsOf(step, recipe, pantry, places);
    // What follows from a surface that the recipe allows and the kitchen has not cannot apply there; all else the author wrote stays.
    const elsewhere = places ? cautionsOf(step, recipe, pantry).filter((one) => !derived.includes(one)) : [];
    const kept = step.hazards.filter((one) => !isWaived(step, one) && !elsewhere.includes(one));
    const missing = derived.filter((one) => !step.hazards.includes(one) && !isWaived(step, one));
    if (missing.length === 0 && kept.length === step.hazards.length) return step;
    isSame = false;
    return { ...step, hazards: [...kept, ...missing] };
  });
  return isSame ? recipe : { ...recipe, steps };
}

/** For each step the cautions that no step before it has shown: nothing is printed twice on one sheet. */
export function shownOnce(steps: readonly Step[]): Hazard[][] {
  const shown = new Set<Hazard>();
  return steps.map((step) =>
    step.hazards.filter((hazard) => {
      const isNew = !shown.has(hazard);
      shown.add(hazard);
      return isNew;
    }),
  );
}
