import type { Ingredient, LabelReading, Substance } from "~/core/pantry";

/** What a label must say of one product in a container. */
export interface AllergenMark {
  readonly ingredientId: string;
  readonly contains: readonly Substance[];
  readonly mayContain: readonly Substance[];
  /** Foods beyond the substances that its label names: maize, banana. */
  readonly foods: readonly string[];
  /** A fresh food has no label to read: what is not declared on one is not declared at all. */
  readonly hasLabel: boolean;
  /** A packaged product whose label nobody has read: what is in it is not known. */
  readonly isUnread: boolean;
}

/** Allergen marks per ingredient: its nature, its label, and whether the label was read. Unread is never clear. */
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
      foods: label?.foods ?? [],
      hasLabel: label !== undefined,
      isUnread: one === undefined || (one.label === "packaged" && label === undefined),
    };
  });
}
