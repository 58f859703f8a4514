import { type Minutes, sumOf, inMinutes } from "~/core/quantity";
import { isForPlate } from "./plate";
import type { Heat, Part, PartHeat, Recipe, Step, StepKind, Tool } from "./types";

/** A sub-recipe for the plate (sauce, filling) with the steps that make it: work beside the batter, not before it. */
export interface Beside {
  readonly part: Part;
  readonly steps: readonly Step[];
}

/** A method as it falls into time around the cook step of the batter. Heating, cooking and serving are none of these. */
export interface Method {
  /** Up to the end of mixing, in order; waits among them are steps of their own. */
  readonly mixing: readonly Step[];
  /**
   * Between mixing and the pour. A rest here is the rest of the recipe's window: the two are one, and the longer counts.
   */
  readonly resting: readonly Step[];
  /** After the last piece: cool before the cream, roll, dust. */
  readonly after: readonly Step[];
  readonly beside: readonly Beside[];
  readonly cook: Step | undefined;
  /** Where cooked pieces wait for the others; the first such step after cooking. */
  readonly hold: Step | undefined;
  /** Minutes of rest that the method itself asks for between mixing and the pour. */
  readonly restMinutes: Minutes;
}

const isWork = (step: Step): boolean =>
  step.kind === "prepare" ||
  step.kind === "mix" ||
  step.kind === "rest" ||
  // What is cooked to go into the batter is work like any other.
  (step.kind === "cook" && step.partId !== null);
/** What is reheated takes its minutes; what is held only waits for the plate. */
const isWorkAfter = (step: Step): boolean => isWork(step) || step.kind === "reheat";

const isOfPart = (step: Step, recipe: Pick<Recipe, "parts">): Part | undefined =>
  recipe.parts.find((part) => part.id === step.partId);

/**
 * Is it the pieces that cook at this step, rather than a sauce or something else that is made by itself? Where no step but that of a part
 * of the batter is called cooking, it is that one.
 */
export function cooksPieces(step: Step, recipe: Pick<Recipe, "parts" | "steps">): boolean {
  if (step.kind !== "cook") return false;
  const part = isOfPart(step, recipe);
  if (!part) return true;
  return !isForPlate(part.kind) && !recipe.steps.some((one) => one.kind === "cook" && !isOfPart(one, recipe));
}

/**
 * Heat source of a step of a part: the part’s heat from its first cook step on; if it has none, its mix steps; if none, its prepare steps.
 */
export function partHeatAt(step: Step, recipe: Pick<Recipe, "parts" | "steps">): Exclude<PartHeat, "none"> | null {
  const part = isOfPart(step, recipe);
  if (!part || part.heat === "none" || cooksPieces(step, recipe)) return null;
  const own = recipe.steps.filter((one) => one.partId === part.id);
  const cooked = own.findIndex((one) => one.kind === "cook");
  const hot: StepKind = own.some((one) => one.kind === "mix") ? "mix" : "prepare";
  const isOver =
    cooked >= 0
      ? step.kind === "cook" || (step.kind === "mix" && own.findIndex((one) => one.id === step.id) > cooked)
      : step.kind === hot;
  return isOver ? part.heat : null;
}

const known = new WeakMap<Recipe, Method>();

/** The method of a recipe around its cook step: worked out once for the same recipe. */
export function methodOf(recipe: Recipe): Method {
  const before = known.get(recipe);
  if (before) return before;
  const plateParts = recipe.parts.filter((part) => isForPlate(part.kind));
  const isBeside = (step: Step) => plateParts.some((part) => part.id === step.partId);
  const batter = recipe.steps.filter((step) => !isBeside(step));
  const cookAt = batter.findIndex((step) => cooksPieces(step, recipe));
  const upTo = (cookAt < 0 ? batter : batter.slice(0, cookAt)).filter(isWork);
  const lastMix = upTo.findLastIndex((step) => step.kind === "mix");
  // Where nothing is called mixing, the last handwork before the pour ends it.
  const mixedAt = lastMix >= 0 ? lastMix : upTo.findLastIndex((step) => step.kind === "prepare");
  const resting = upTo.slice(mixedAt + 1);
  const method: Method = {
    mixing: upTo.slice(0, mixedAt + 1),
    resting,
    after: cookAt < 0 ? [] : batter.slice(cookAt + 1).filter(isWorkAfter),
    beside: plateParts.flatMap((part) => {
      const steps = recipe.steps.filter((step) => step.partId === part.id && step.kind !== "serve");
      return steps.length > 0 ? [{ part, steps }] : [];
    }),
    cook: batter[cookAt],
    hold: cookAt < 0 ? undefined : batter.slice(cookAt + 1).find((step) => step.kind === "hold"),
    restMinutes: sumOf(resting.map((step) => (step.kind === "rest" ? inMinutes(step.minutes.likely) : inMinutes(0)))),
  };
  known.set(recipe, method);
  return method;
}

/** Plates, or what stands for them where a piece is eaten. */
const eatenFrom: readonly Tool[] = ["plate", "stick", "tray", "baking-paper"];

/**
 * The tools of a step with what goes without saying: batter that is drawn is drawn with a pen; what is made over a hob stands in a
 * saucepan, what is warmed in a microwave in one; an oven is not reached into without gloves; a hot pan is oiled with paper where no brush
 * is named; a figure that somebody reads off wants what shows it; and what is served is eaten from something.
 */
export function toolsAt(step: Step, recipe: Pick<Recipe, "family" | "parts" | "steps" | "heat">): readonly Tool[] {
  const over = partHeatAt(step, recipe);
  const isCooking = cooksPieces(step, recipe);
  const isOven = over === "oven" || step.warmth?.place === "oven" || (isCooking && isOvenOnly(recipe.heat));
  const isRead = step.gate?.kind.startsWith("celsius") === true || (isCooking && recipe.heat.test === "infrared");
  const usual: (Tool | false)[] = [
    isCooking && recipe.family === "drawn" && "pen",
    over === "hob" && "saucepan",
    (over === "microwave" || (step.kind === "reheat" && step.warmth?.place === "microwave")) && "microwave",
    isOven && "oven-gloves",
    isRead && "thermometer",
    step.gate?.kind.startsWith("grams") === true && "scale",
    step.hazards.includes("oiling-hot-pan") && !step.tools.includes("brush") && "kitchen-paper",
    step.kind === "serve" && !step.tools.some((tool) => eatenFrom.includes(tool)) && "plate",
  ];
  const more = usual.filter((tool): tool is Tool => tool !== false && !step.tools.includes(tool));
  return more.length > 0 ? [...step.tools, ...more] : step.tools;
}

const isOvenOnly = ({ surfaceKinds }: Pick<Heat, "surfaceKinds">): boolean =>
  surfaceKinds.length > 0 && surfaceKinds.every((kind) => kind === "oven");

/** What a recipe's batter is poured with, piece by piece; null where its cook step names neither. */
export function pouredWith(recipe: Recipe): "pen" | "ladle" | null {
  const { cook } = methodOf(recipe);
  const tools = cook ? toolsAt(cook, recipe) : [];
  return tools.includes("pen") ? "pen" : tools.includes("ladle") ? "ladle" : null;
}

const withoutMixing = new WeakMap<Recipe, Recipe>();

/** What is left of a recipe for those who get its batter ready made: every step but mixing and resting it. The same one each time. */
export function afterMixing(recipe: Recipe): Recipe {
  const before = withoutMixing.get(recipe);
  if (before) return before;
  const { mixing, resting } = methodOf(recipe);
  const done = new Set([...mixing, ...resting]);
  const made = {
    ...recipe,
    steps: recipe.steps.filter((step) => !done.has(step)),
    rest: { ...recipe.rest, min: inMinutes(0) },
  };
  withoutMixing.set(recipe, made);
  return made;
}

/** Minimum minutes that a batter made ahead must keep: from a morning’s kitchen to the doors (starting value). */
export const leastAhead: Minutes = inMinutes(120);

/** May a batter stand cold until the class? Not where its window is shorter than that: what makes it rise would be spent. */
export const keepsCold = ({ rest }: Pick<Recipe, "rest">): boolean => rest.max === null || rest.max >= leastAhead;

const isOverHeat: readonly Tool[] = ["saucepan", "microwave"];
const hotHazards: readonly string[] = ["hot-surface", "steam", "oven-dish", "hot-fat", "boiling-sauce"];

/**
 * Does the clock of a hob, an oven or a wait set the minutes of a step, rather than hands? Such minutes are the same for every
 * audience: pace stretches handwork, never heat or waiting.
 */
export function isHeatPaced(step: Step, recipe: Recipe): boolean {
  if (["rest", "cook", "preheat", "hold", "reheat"].includes(step.kind)) return true;
  if (step.hazards.some((hazard) => hotHazards.includes(hazard))) return true;
  return partHeatAt(step, recipe) !== null || toolsAt(step, recipe).some((tool) => isOverHeat.includes(tool));
}
