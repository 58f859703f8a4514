import { type Ratio, add, divide, isZero, zero, type Pieces } from "~/core/quantity";
import { retold } from "./variants";
import type { Cue, Hazard, Heat, Line, LineAmount, Portion, Recipe, Step, Window } from "./types";

/**
 * Small changes to a recipe as data: what a finding offers as its remedy, what a swap consists of, what the editor can undo.
 * Each is a whole step for whoever reads it; a change that names a line or step that is not there changes nothing.
 */
export type RecipeEdit =
  | { readonly kind: "set-amount"; readonly lineId: string; readonly amount: LineAmount }
  | { readonly kind: "set-ingredient"; readonly lineId: string; readonly ingredientId: string }
  | { readonly kind: "remove-line"; readonly lineId: string }
  /** Adds a line after `afterId`, or at the end, drawn whole by a step. */
  | { readonly kind: "add-line"; readonly line: Line; readonly afterId: string | null; readonly drawnBy: string | null }
  /** Sets what a step draws of a line; a share of 0 ends it. */
  | { readonly kind: "draw"; readonly stepId: string; readonly lineId: string; readonly share: Ratio }
  /** Makes the shares of a line come to one, each in proportion. */
  | { readonly kind: "level-shares"; readonly lineId: string }
  | { readonly kind: "undraw-unknown"; readonly stepId: string; readonly lineId: string }
  | { readonly kind: "unmention"; readonly stepId: string; readonly ingredientId: string }
  | { readonly kind: "mention-instead"; readonly stepId: string; readonly from: string; readonly to: string }
  | { readonly kind: "put-back-caution"; readonly stepId: string; readonly hazard: Hazard }
  | { readonly kind: "adult-only"; readonly stepId: string }
  | { readonly kind: "set-heat"; readonly heat: Heat }
  | { readonly kind: "set-window"; readonly rest: Window }
  | { readonly kind: "set-cues"; readonly cues: readonly Cue[]; readonly blindNote: string }
  | { readonly kind: "claim-pieces"; readonly pieces: Pieces | null }
  | { readonly kind: "set-portion"; readonly portion: Portion }
  | { readonly kind: "set-piece"; readonly diameterCm: number }
  | { readonly kind: "add-step"; readonly step: Step }
  | { readonly kind: "remove-part"; readonly partId: string }
  | { readonly kind: "forget-in-variant"; readonly variantId: string; readonly lineId: string };

const inLine = (recipe: Recipe, lineId: string, change: (line: Line) => Line): Recipe => ({
  ...recipe,
  lines: recipe.lines.map((line) => (line.id === lineId ? change(line) : line)),
});
const inStep = (recipe: Recipe, stepId: string, change: (step: Step) => Step): Recipe => ({
  ...recipe,
  steps: recipe.steps.map((step) => (step.id === stepId ? change(step) : step)),
});

/** The step's draws with this line's share set; a share of 0 takes the draw away. */
export const withDraw = (step: Step, lineId: string, share: Ratio): Step => ({
  ...step,
  draws: isZero(share)
    ? step.draws.filter((draw) => draw.lineId !== lineId)
    : step.draws.some((draw) => draw.lineId === lineId)
      ? step.draws.map((draw) => (draw.lineId === lineId ? { lineId, share } : draw))
      : [...step.draws, { lineId, share }],
});

/** Another ingredient in a line, and the words of the method with it; see {@link retold}. */
function withIngredient(recipe: Recipe, lineId: string, ingredientId: string): Recipe {
  const before = recipe.lines.find((line) => line.id === lineId)?.ingredientId;
  const after = inLine(recipe, lineId, (line) => ({ ...line, ingredientId }));
  const listed = [...new Set(after.lines.map((line) => line.ingredientId))];
  // What nobody had chosen yet, and what another line still has, is named rightly as it is.
  if (before === undefined || before === "" || before === ingredientId || listed.includes(before)) return after;
  return { ...after, steps: after.steps.map((step) => retold(step, before, ingredientId, listed)) };
}

/** Takes a line out with its draws and what variants do to it. */
function withoutLine(recipe: Recipe, lineId: string): Recipe {
  return {
    ...recipe,
    lines: recipe.lines.filter((line) => line.id !== lineId),
    steps: recipe.steps.map((step) => withDraw(step, lineId, zero)),
    variants: recipe.variants.map((variant) => ({
      ...variant,
      omit: variant.omit.filter((id) => id !== lineId),
      swaps: variant.swaps.filter((swap) => swap.lineId !== lineId),
    })),
  };
}

/** The recipe after one change. Pure; the recipe itself when there is nothing to change. */
export function applyEdit(recipe: Recipe, edit: RecipeEdit): Recipe {
  switch (edit.kind) {
    case "set-amount":
      return inLine(recipe, edit.lineId, (line) => ({ ...line, amount: edit.amount }));
    case "set-ingredient":
      return withIngredient(recipe, edit.lineId, edit.ingredientId);
    case "remove-line":
      return withoutLine(recipe, edit.lineId);
    case "add-line": {
      if (recipe.lines.some((line) => line.id === edit.line.id)) return recipe;
      const at = recipe.lines.findIndex((line) => line.id === edit.afterId);
      const lines = [...recipe.lines];
      lines.splice(at < 0 ? lines.length : at + 1, 0, edit.line);
      const added = { ...recipe, lines };
      return edit.drawnBy === null
        ? added
        : inStep(added, edit.drawnBy, (step) => withDraw(step, edit.line.id, { num: 1n, den: 1n }));
    }
    case "draw":
      return inStep(recipe, edit.stepId, (step) => withDraw(step, edit.lineId, edit.share));
    case "level-shares": {
      const drawn = recipe.steps
        .flatMap((step) => step.draws)
        .filter((draw) => draw.lineId === edit.lineId)
        .reduce((sum, draw) => add(sum, draw.share), zero);
      if (isZero(drawn)) return recipe;
      return {
        ...recipe,
        steps: recipe.steps.map((step) => ({
          ...step,
          draws: step.draws.map((draw) =>
            draw.lineId === edit.lineId ? { ...draw, share: divide(draw.share, drawn) } : draw,
          ),
        })),
      };
    }
    case "undraw-unknown":
      return inStep(recipe, edit.stepId, (step) => withDraw(step, edit.lineId, zero));
    case "unmention":
      return inStep(recipe, edit.stepId, (step) => ({
        ...step,
        mentions: step.mentions.filter((id) => id !== edit.ingredientId),
      }));
    case "mention-instead":
      return inStep(recipe, edit.stepId, (step) => {
        const line = recipe.lines.find((one) => one.ingredientId === edit.to);
        const mended = { ...step, mentions: step.mentions.filter((id) => id !== edit.from) };
        return line ? withDraw(mended, line.id, { num: 1n, den: 1n }) : mended;
      });
    case "put-back-caution":
      return inStep(recipe, edit.stepId, (step) => {
        const { waived = [], ...rest } = step;
        const left = waived.filter((one) => one.hazard !== edit.hazard);
        return left.length === waived.length ? step : left.length === 0 ? rest : { ...rest, waived: left };
      });
    case "adult-only":
      return inStep(recipe, edit.stepId, (step) => ({ ...step, who: "adult" }));
    case "set-heat":
      return { ...recipe, heat: edit.heat };
    case "set-window":
      return { ...recipe, rest: edit.rest };
    case "set-cues":
      return { ...recipe, heat: { ...recipe.heat, cues: edit.cues }, blindNote: recipe.blindNote || edit.blindNote };
    case "claim-pieces":
      return { ...recipe, claimedPieces: edit.pieces };
    case "set-portion":
      return { ...recipe, portion: edit.portion };
    case "set-piece":
      return { ...recipe, pieceDiameterCm: edit.diameterCm };
    case "add-step":
      return recipe.steps.some((step) => step.id === edit.step.id)
        ? recipe
        : { ...recipe, steps: [...recipe.steps, edit.step] };
    case "remove-part":
      return {
        ...recipe,
        parts: recipe.parts.filter((part) => part.id !== edit.partId),
        lines: recipe.lines.map((line) => (line.partId === edit.partId ? { ...line, partId: null } : line)),
        steps: recipe.steps.map((step) => (step.partId === edit.partId ? { ...step, partId: null } : step)),
      };
    case "forget-in-variant":
      return {
        ...recipe,
        variants: recipe.variants.map((variant) =>
          variant.id === edit.variantId
            ? {
                ...variant,
                omit: variant.omit.filter((id) => id !== edit.lineId),
                swaps: variant.swaps.filter((swap) => swap.lineId !== edit.lineId),
              }
            : variant,
        ),
      };
    default:
      return edit satisfies never;
  }
}

export const applyEdits = (recipe: Recipe, edits: readonly RecipeEdit[]): Recipe => edits.reduce(applyEdit, recipe);
