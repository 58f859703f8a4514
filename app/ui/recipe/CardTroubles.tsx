import { correctionStep } from "~/core/look";
import { type ClassInput, type ClassPlan, type DishPlan, kindsUsed } from "~/core/plan";
import type { Names } from "~/ui/words/names";
import { Troubles } from "./Troubles";

export interface CardTroublesProps {
  readonly input: ClassInput;
  readonly plan: ClassPlan;
  readonly dish: DishPlan;
  /** Batches in the bowl of this table. */
  readonly factor: number;
  readonly names: Names;
}

/** What is seen on a piece, why and what to do, with the amounts of one table's own bowl. */
export default function CardTroubles({ input, plan, dish, factor, names }: CardTroublesProps) {
  const pantry = new Map(input.pantry.map((one) => [one.id, one]));
  return (
    <Troubles
      family={dish.recipe.family}
      kinds={kindsUsed(input, plan, dish.recipe)}
      step={correctionStep(dish.recipe, dish.batter, pantry, factor)}
      names={names}
    />
  );
}
