import { twinsOf } from "~/core/pantry";
import { type Ratio, add, isSame, one, zero } from "~/core/quantity";
import type { Recipe, RecipeFinding } from "../types";

/**
 * The method draws on the list: what a step uses must be listed, what is listed must be used, the shares of a line make one.
 * A named ingredient whose twin (soda for powder) stands on the list unused is reported as the mix-up it probably is.
 */
export function ledger(recipe: Recipe): RecipeFinding[] {
  const lineIds = new Set(recipe.lines.map((line) => line.id));
  const listed = new Set(recipe.lines.map((line) => line.ingredientId));
  const drawn = new Map<string, Ratio>();
  const findings: RecipeFinding[] = [];
  for (const step of recipe.steps) {
    for (const draw of step.draws) {
      if (!lineIds.has(draw.lineId))
        findings.push({ code: "draws-unknown-line", level: "blocks", stepId: step.id, lineId: draw.lineId });
      drawn.set(draw.lineId, add(drawn.get(draw.lineId) ?? zero, draw.share));
    }
  }
  const isUnused = (ingredientId: string) =>
    recipe.lines.some((line) => line.ingredientId === ingredientId && !drawn.has(line.id));
  for (const step of recipe.steps) {
    for (const ingredientId of step.mentions) {
      if (listed.has(ingredientId)) continue;
      const twin = twinsOf(ingredientId).find(isUnused);
      findings.push(
        twin
          ? { code: "wrong-twin", level: "blocks", stepId: step.id, named: ingredientId, listed: twin }
          : { code: "used-not-listed", level: "blocks", stepId: step.id, ingredientId },
      );
    }
  }
  for (const line of recipe.lines) {
    const share = drawn.get(line.id);
    if (!share)
      findings.push({ code: "listed-not-used", level: "warns", lineId: line.id, ingredientId: line.ingredientId });
    else if (!isSame(share, one))
      findings.push({
        code: "shares-do-not-add-up",
        level: "blocks",
        lineId: line.id,
        ingredientId: line.ingredientId,
        drawn: share,
      });
  }
  return findings;
}
