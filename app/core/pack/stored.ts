import type { KitLine } from "~/core/kit";
import { knownFood } from "~/core/pantry";
import type { ClassInput, ClassPlan } from "~/core/plan";
import { prepFigures } from "~/core/prep";
import { type Grams, sumKnown } from "~/core/quantity";
import { type AllergenMark, allergensOn } from "./marks";

/** What the label of a stored bag of dry mix says: one batch, what is in it, what is added, how long it keeps. */
export interface StoredMix {
  readonly dishId: string;
  readonly bags: number;
  /** Of one bag; undefined where a weight is not known. */
  readonly grams: Grams | undefined;
  readonly ingredients: readonly AllergenMark[];
  /** What goes to one batch beside the bag. */
  readonly add: readonly KitLine[];
  readonly keepsDays: number;
}

/** Of each dish whose dry mix is made in bulk, its stored bags. */
export function storedMixesOf(input: ClassInput, { extras }: Pick<ClassPlan, "extras">): StoredMix[] {
  const { pantry, labels } = knownFood(input);
  return extras.flatMap(({ dishId, stored }) =>
    stored
      ? [
          {
            dishId,
            bags: stored.bags,
            grams: sumKnown(stored.each.map((line) => line.main?.grams)),
            ingredients: allergensOn([...new Set(stored.each.map((line) => line.ingredientId))], pantry, labels),
            add: stored.add,
            keepsDays: prepFigures.dryMix.keeps / 24,
          },
        ]
      : [],
  );
}
