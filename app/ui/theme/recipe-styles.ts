import type { SlotRecipeDefinition, SystemStyleObject } from "@chakra-ui/react";
import { chosenName, slotName } from "./parts";
import type { Styles } from "./sheets/styles";

type Slots = Readonly<Record<string, SystemStyleObject>>;

/** The styles of a slot recipe by the names its slots have: what is always so, then what was chosen, then what was chosen together. */
export function recipeStyles(recipe: SlotRecipeDefinition): Styles {
  const part = recipe.className ?? "";
  const base = Object.entries((recipe.base ?? {}) as Slots).map(([slot, style]) => ({
    [`.${slotName(part, slot)}`]: style,
  }));
  const chosen = Object.entries(recipe.variants ?? {}).flatMap(([variant, values]) =>
    Object.entries(values).flatMap(([value, slots]) =>
      Object.entries(slots as Slots).map(([slot, style]) => ({
        [`.${chosenName(part, slot, variant, value)}`]: style,
      })),
    ),
  );
  const together = (recipe.compoundVariants ?? []).flatMap(({ css, ...choice }) =>
    Object.entries(css as Slots).map(([slot, style]) => ({
      [Object.entries(choice as Readonly<Record<string, unknown>>)
        .map(([variant, value]) => `.${chosenName(part, slot, variant, String(value))}`)
        .join("")]: style,
    })),
  );
  return [...base, ...chosen, ...together];
}
