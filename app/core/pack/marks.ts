import type { Ingredient, LabelReading, Substance } from "~/core/pantry";

/** What a label must say of one product in a container. */
export interface AllergenMark {
  readonly ingredientId: string;
  readonly contains: readonly Substance[];
  readonly mayContain: readonly Substance[];
  /** A packaged product whose label nobody has read: what is in it is not known. */
  readonly isUnread: boolean;
}

/** By ingredient: what it is by nature, what its label says, and whether that was read. Nothing that is unread comes out as clear. */
export function allergensOn(
  ingredientIds: readonly string[],
  pantry: ReadonlyMap<string, Ingredient>,
  labels: ReadonlyMap<string, LabelReading>,
): AllergenMark[] {
  return [...new Set(ingredientIds)].map((ingredientId): AllergenMark => {
    const one = pantry.get(ingredientId);
    const label = labels.get(ingredientId);
    const contains = [...new Set([...(one?.contains ?? []), ...(label?.contains ?? [])])];
    return {
      ingredientId,
      contains,
      mayContain: (label?.mayContain ?? []).filter((each) => !contains.includes(each)),
      isUnread: one === undefined || (one.label === "packaged" && label === undefined),
    };
  });
}
