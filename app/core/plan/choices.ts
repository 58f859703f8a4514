import { judgePlate } from "~/core/allergen";
import type { Pantry } from "~/core/batter";
import type { LabelReading } from "~/core/pantry";
import type { Participant } from "~/core/people";
import type { Recipe, RoundParts, Take } from "~/core/recipe";
import { variantOf } from "./dishes";
import type { ClassInput } from "./types";

/** What a class may settle of a recipe as its author wrote it: alternatives that are taken, rounds that nobody makes. */
export interface Choice {
  readonly takes: readonly Take[];
  readonly rounds: readonly RoundParts[];
}

/**
 * What the author offers that would leave nothing on this person's plate that contains what they avoid: for each line in the way an
 * alternative that is advised, or the round it is for left out, as long as one is still made. Undefined where that does not suffice,
 * and where nothing is in the way.
 */
export function choiceFor(
  recipe: Recipe,
  variantId: string | null,
  person: Participant,
  pantry: Pantry,
  labels: ReadonlyMap<string, LabelReading>,
  ingredients: ClassInput["pantry"],
): (Choice & { readonly made: Recipe }) | undefined {
  const verdictOf = (id: string) => judgePlate(person, [id], pantry, labels).verdict;
  const inTheWay = variantOf(recipe, variantId, ingredients, pantry).lines.filter(
    (line) => verdictOf(line.ingredientId) === "contains",
  );
  if (inTheWay.length === 0) return undefined;
  const dropped = new Set(inTheWay.flatMap((line) => line.roundId ?? []));
  const rounds =
    dropped.size < (recipe.rounds ?? []).length ? [...dropped].map((roundId) => ({ roundId, parts: 0 })) : [];
  const takes = inTheWay.flatMap((line): Take[] => {
    if (line.roundId !== undefined && rounds.length > 0) return [];
    const fit = (line.alternatives ?? []).filter((one) => one.isAdvised && verdictOf(one.ingredientId) !== "contains");
    const best = fit.find((one) => verdictOf(one.ingredientId) === "clear") ?? fit[0];
    return best ? [{ lineId: line.id, ingredientId: best.ingredientId }] : [];
  });
  const made = variantOf(recipe, variantId, ingredients, pantry, takes, rounds);
  return made.lines.some((line) => verdictOf(line.ingredientId) === "contains") ? undefined : { takes, rounds, made };
}
