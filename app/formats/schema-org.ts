import { z } from "zod";
import { batterOf, yieldOf } from "~/core/batter";
import { type Ingredient, bearsOn, diets } from "~/core/pantry";
import { writeAmount } from "~/core/quantity";
import {
  type Line,
  type Recipe,
  type Step,
  type Tool,
  amountText,
  lyingMinutes,
  methodOf,
  toolsAt,
} from "~/core/recipe";

/**
 * Recipes as schema.org/Recipe in JSON-LD, the form most pages carry. Coming in they are turned into plain text first and read like
 * any pasted recipe, so that there is one reader and one set of questions. Going out nothing is left out that the form has a place for.
 */
const textual = z.union([z.string(), z.number().transform(String)]);
const anyNode = z.looseObject({ "@type": z.unknown() });

/** Every object of a JSON-LD value, graphs and lists opened; cut off where it is absurdly deep. */
function* nodes(value: unknown, depth = 0): Generator<Record<string, unknown>> {
  if (depth > 12) return;
  if (Array.isArray(value)) for (const one of value) yield* nodes(one, depth + 1);
  else if (value !== null && typeof value === "object") {
    yield value as Record<string, unknown>;
    for (const field of Object.values(value))
      if (field !== null && typeof field === "object") yield* nodes(field, depth + 1);
  }
}

const isRecipe = (node: Record<string, unknown>): boolean => {
  const type = anyNode.safeParse(node).data?.["@type"];
  return (Array.isArray(type) ? type : [type]).some((one) => typeof one === "string" && /(?:^|\/)Recipe$/.test(one));
};

const plain = (value: unknown): string => {
  const text = textual.safeParse(value);
  return text.success
    ? text.data
        .replace(/<[^>]*>/g, " ")
        .replace(/&nbsp;/g, " ")
        .replace(/&amp;/g, "&")
        .replace(/\s+/g, " ")
        .trim()
    : "";
};

/** Instructions as rows: one text, a list of texts, HowToStep, HowToSection. */
function instructionRows(value: unknown): string[] {
  if (typeof value === "string")
    return value
      .split(/\r?\n|(?<=[.!])\s+(?=[A-Z])/)
      .map(plain)
      .filter(Boolean);
  if (Array.isArray(value)) return value.flatMap(instructionRows);
  if (value === null || typeof value !== "object") return [];
  const node = value as Record<string, unknown>;
  const own = plain(node.text) || plain(node.name);
  if (node.itemListElement !== undefined) return instructionRows(node.itemListElement);
  return own ? [own] : [];
}

/** An ISO 8601 duration in minutes; `undefined` for anything else. */
export function minutesOf(duration: unknown): number | undefined {
  const found =
    typeof duration === "string"
      ? /^P(?:(\d{1,3})D)?(?:T(?:(\d{1,4})H)?(?:(\d{1,5})M)?(?:\d+S)?)?$/.exec(duration)
      : null;
  if (!found) return undefined;
  const [, days = "0", hours = "0", minutes = "0"] = found;
  return Number(days) * 1440 + Number(hours) * 60 + Number(minutes);
}

/** A schema.org recipe as the text somebody would have pasted; `undefined` when the JSON holds none. */
export function textOfSchemaOrg(json: unknown): string | undefined {
  for (const node of nodes(json)) {
    if (!isRecipe(node)) continue;
    const list = [node.recipeIngredient ?? node.ingredients].flat().map(plain).filter(Boolean);
    const rows = instructionRows(node.recipeInstructions);
    if (list.length === 0 && rows.length === 0) continue;
    const yields = [node.recipeYield].flat().map(plain).find(Boolean);
    const pieces = yields && /\d+/.exec(yields)?.[0];
    const isPeople = yields !== undefined && /serv|people|person|portion/i.test(yields);
    return [
      plain(node.name),
      plain(node.description),
      ...(pieces && !isPeople ? [`Makes ${pieces}`] : yields ? [`Serves ${yields}`] : []),
      "Ingredients",
      ...list.map((line) => `- ${line}`),
      "Method",
      ...rows.map((row, index) => `${index + 1}. ${row}`),
    ]
      .filter(Boolean)
      .join("\n");
  }
  return undefined;
}

/** A line as one would say it, so that it can be read again: amount, name, then what is particular about it. */
function lineText(line: Line, name: string, roundName: string | undefined): string {
  const { amount } = line;
  const tail = `${roundName === undefined ? "" : `, only for: ${roundName.toLowerCase()}`}${line.note ? `, ${line.note}` : ""}${line.isOptional ? " (optional)" : ""}`;
  switch (amount.kind) {
    case "top-up":
      return `${writeAmount(amount.start)} ${name}, up to ${writeAmount(amount.most)}${tail}`;
    case "hold-back":
      return `${writeAmount(amount.amount)} ${name}, hold back ${writeAmount(amount.back)}${tail}`;
    case "per-load":
      return `${writeAmount(amount.amount)} ${name}, for each load${tail}`;
    case "per-piece":
      return `${writeAmount(amount.amount)} ${name}, for each piece${tail}`;
    case "to-taste":
      return `${name}, to taste${tail}`;
    case "unknown":
      return `${name}${tail}`;
    default:
      return `${amountText(amount)} ${name}${tail}`;
  }
}

/** The ISO duration of a number of minutes, whole. */
const duration = (minutes: number): string => `PT${Math.max(0, Math.round(minutes))}M`;

/**
 * The diets a recipe is made for, by the nature of what is on its list. A recipe's own claim, not one about the products somebody
 * buys for it; allergies have no place here.
 */
function dietsOf(recipe: Recipe, pantry: ReadonlyMap<string, Ingredient>): string[] {
  const all = recipe.lines.map((line) => pantry.get(line.ingredientId));
  if (all.length === 0 || all.includes(undefined)) return [];
  const leavesOut = (diet: "vegan" | "vegetarian") =>
    !all.some((one) => one?.contains.some((has) => diets[diet].some((avoided) => bearsOn(has, avoided))));
  return [
    ...(leavesOut("vegan") ? ["https://schema.org/VeganDiet"] : []),
    ...(leavesOut("vegetarian") ? ["https://schema.org/VegetarianDiet"] : []),
  ];
}

/** The words that go out: what a tool is called, and what a step's own text does not say of it (rounds, two half pours, holding, gates). */
export interface SchemaWords {
  readonly toolName: (tool: Tool) => string;
  readonly stepNotes: (step: Step) => readonly string[];
}

/**
 * A recipe as JSON-LD for other programs. Steps carry their text; amounts are written out in the recipe's own measures. Times are of
 * one batch in one pair of hands with one surface that takes one load.
 */
export function schemaOrgOf(
  recipe: Recipe,
  pantry: readonly Ingredient[],
  { toolName, stepNotes }: SchemaWords,
): string {
  const byId = new Map(pantry.map((one) => [one.id, one]));
  const name = (id: string) => byId.get(id)?.name ?? id;
  const pieces = recipe.claimedPieces ?? yieldOf(recipe, batterOf(recipe, byId)).pieces;
  const method = methodOf(recipe);
  const minutes = (kinds: readonly string[]) =>
    [...method.mixing, ...method.after].reduce(
      (sum, step) => sum + (kinds.includes(step.kind) ? step.minutes.likely : 0),
      0,
    );
  const prep = minutes(["prepare", "mix"]);
  const rest = Math.max(recipe.rest.min, method.restMinutes) + minutes(["rest"]);
  const cook = lyingMinutes(recipe.heat);
  const tools = [...new Set(recipe.steps.flatMap((step) => toolsAt(step, recipe)))];
  const suits = dietsOf(recipe, byId);
  const value = {
    "@context": "https://schema.org",
    "@type": "Recipe",
    name: recipe.title,
    ...(recipe.intro ? { description: recipe.intro } : {}),
    ...(pieces > 0 ? { recipeYield: `${pieces} pieces` } : {}),
    prepTime: duration(prep),
    cookTime: duration(cook),
    totalTime: duration(prep + rest + cook),
    ...(suits.length > 0 ? { suitableForDiet: suits } : {}),
    ...(tools.length > 0 ? { tool: tools.map((tool) => ({ "@type": "HowToTool", name: toolName(tool) })) } : {}),
    recipeIngredient: recipe.lines.map((line) =>
      lineText(line, name(line.ingredientId), recipe.rounds?.find((round) => round.id === line.roundId)?.name),
    ),
    recipeInstructions: recipe.steps.map((step) => ({
      "@type": "HowToStep",
      text: [step.text, ...stepNotes(step)].join(" "),
    })),
  };
  return `${JSON.stringify(value, null, 2)}\n`;
}
