import { isForPlate } from "./plate";
import { type Amount, type Pieces, type Ratio, add, multiply, ratio, subtract } from "~/core/quantity";
import { cooksPieces } from "./method";
import type { Line, LineAmount, Part, Recipe } from "./types";

/** The sauce, filling or flavoured butter a line belongs to, whatever bowl it is made in; undefined where it belongs to none. */
export const platePartOf = (line: Pick<Line, "partId">, { parts }: Pick<Recipe, "parts">): Part | undefined =>
  line.partId === null ? undefined : parts.find((part) => part.id === line.partId && isForPlate(part.kind));

/** Is it for the plate, put on it or made for it by itself? */
export const isAtPlate = (line: Line, recipe: Pick<Recipe, "parts">): boolean =>
  line.bowl === "topping" || platePartOf(line, recipe) !== undefined;

/** Does a line go into the batter? What greases the pan, goes on at the plate, is for one round only or belongs to a sauce does not. */
export const isBatter = (line: Line, recipe: Pick<Recipe, "parts">): boolean =>
  line.roundId === undefined && line.bowl !== "pan" && !isAtPlate(line, recipe);

/** Is it put on or into a piece while that cooks? Nobody takes it at the table, and a piece that goes home has it. */
export const isCookedIn = (line: Line, recipe: Pick<Recipe, "steps" | "parts">): boolean =>
  isAtPlate(line, recipe) &&
  recipe.steps.some((step) => cooksPieces(step, recipe) && step.draws.some((draw) => draw.lineId === line.id));

/**
 * Is it on a piece that leaves the table: all that was cooked with it, its filling, and what is put on or between by the piece or the serving? What
 * people take by themselves stays on the bar.
 */
export const goesHome = (line: Line, recipe: Pick<Recipe, "steps" | "parts">): boolean =>
  !isAtPlate(line, recipe) ||
  platePartOf(line, recipe)?.kind === "filling" ||
  line.amount.kind === "per-piece" ||
  line.amount.kind === "per-serving" ||
  isCookedIn(line, recipe);

/** The amount to plan with; `undefined` for what depends on loads or pieces, is to taste, or is not known. */
export function expectedOf(amount: LineAmount): Amount | undefined {
  switch (amount.kind) {
    case "exact":
      return amount.amount;
    case "range":
      return midOf(amount.from, amount.to);
    case "top-up":
      return amount.start;
    case "hold-back":
      // What is held back is likely not used: the batter is judged first.
      return { value: subtract(amount.amount.value, amount.back.value), unit: amount.amount.unit };
    case "packs":
      return { value: multiply(amount.packs, amount.each.value), unit: amount.each.unit };
    case "per-load":
    case "per-piece":
    case "per-serving":
    case "per-person":
    case "to-taste":
    case "unknown":
      return undefined;
    default:
      return amount satisfies never;
  }
}

/** The amount to buy: the most that may be used. */
export function mostOf(amount: LineAmount): Amount | undefined {
  switch (amount.kind) {
    case "range":
      return amount.to;
    case "top-up":
      return amount.most;
    case "hold-back":
      return amount.amount;
    default:
      return expectedOf(amount);
  }
}

/** What goes into the kit in a small container of its own: the possible top-up, the rest of a range, or what is held back. */
export function apartOf(amount: LineAmount): Amount | undefined {
  switch (amount.kind) {
    case "top-up":
      return { value: subtract(amount.most.value, amount.start.value), unit: amount.start.unit };
    case "range":
      return { value: subtract(amount.to.value, midOf(amount.from, amount.to).value), unit: amount.to.unit };
    case "hold-back":
      return amount.back;
    default:
      return undefined;
  }
}

const midOf = (from: Amount, to: Amount): Amount => ({
  value: multiply(add(from.value, to.value), ratio(1n, 2n)),
  unit: from.unit,
});

const scaleAmount = (amount: Amount, factor: Ratio): Amount => ({ ...amount, value: multiply(amount.value, factor) });

/** An amount that is counted out by loads, pieces, servings or people rather than measured by the batch. */
export type CountedAmount = Extract<LineAmount, { kind: "per-load" | "per-piece" | "per-serving" | "per-person" }>;
export const isCountedOut = (amount: LineAmount): amount is CountedAmount =>
  amount.kind === "per-load" ||
  amount.kind === "per-piece" ||
  amount.kind === "per-serving" ||
  amount.kind === "per-person";

/** Every amount of a line by one factor. What is counted out by loads, pieces, servings or people does not grow with the batch. */
export function scaleLineAmount(amount: LineAmount, factor: Ratio): LineAmount {
  switch (amount.kind) {
    case "exact":
      return { kind: "exact", amount: scaleAmount(amount.amount, factor) };
    case "range":
      return { kind: "range", from: scaleAmount(amount.from, factor), to: scaleAmount(amount.to, factor) };
    case "top-up":
      return { kind: "top-up", start: scaleAmount(amount.start, factor), most: scaleAmount(amount.most, factor) };
    case "hold-back":
      return { kind: "hold-back", amount: scaleAmount(amount.amount, factor), back: scaleAmount(amount.back, factor) };
    case "packs":
      return { ...amount, packs: multiply(amount.packs, factor) };
    case "per-load":
    case "per-piece":
    case "per-serving":
    case "per-person":
    case "to-taste":
    case "unknown":
      return amount;
    default:
      return amount satisfies never;
  }
}

/** Whole servings that so many pieces make; a piece is one where the recipe puts nothing together. */
export const servingsOf = (recipe: Pick<Recipe, "serving">, pieces: Pieces): number =>
  recipe.serving ? Math.floor(pieces / recipe.serving.pieces) : pieces;

/** Every ingredient that a recipe, one of its variants or an alternative of a line names. */
export const ingredientsNamedIn = (recipe: Pick<Recipe, "lines" | "variants">): string[] => [
  ...new Set(
    [
      ...recipe.lines.flatMap((line) => [line, ...(line.alternatives ?? [])]),
      ...recipe.variants.flatMap((variant) => [...variant.add, ...variant.swaps]),
    ].map((one) => one.ingredientId),
  ),
];
