import { demoStation } from "~/core/contact";
import { sharedFoodId } from "~/core/pantry";
import type { ClassInput, ClassPlan } from "~/core/plan";
import { foodIn } from "./regional";

/** What a sentence needs beside its finding: names for ids, and the reader's locale. */
export interface Names {
  readonly ingredient: (id: string) => string;
  readonly station: (id: string) => string;
  readonly dish: (id: string | null) => string;
  /** A round of what a station makes. */
  readonly round: (stationId: string, roundId: string) => string;
  /** What a step of its method says. */
  readonly step: (stationId: string, stepId: string) => string;
  readonly locale: string;
}

/** Names from a class and its plan. */
export function namesOf(
  input: Pick<ClassInput, "pantry" | "shared">,
  plan: Pick<ClassPlan, "stations" | "dishes">,
  locale: string,
): Names {
  const ingredients = new Map([
    ...input.pantry.map((one) => [one.id, foodIn(one.name, locale)] as const),
    ...(input.shared ?? []).map((food) => [sharedFoodId(food), `${food.name} (brought by ${food.broughtBy})`] as const),
  ]);
  const stations = new Map([
    ...plan.stations.map((one) => [one.id, one.name] as const),
    [demoStation, "the instructor’s bowl"] as const,
  ]);
  const dishes = new Map(
    plan.dishes.map((one) => [
      one.id,
      one.variantName ? `${one.recipe.title}, ${one.variantName.toLowerCase()}` : one.recipe.title,
    ]),
  );
  const recipeOf = (stationId: string) => {
    const dishId = plan.stations.find((one) => one.id === stationId)?.dishId;
    return plan.dishes.find((one) => one.id === dishId)?.recipe;
  };
  return {
    ingredient: (id) => ingredients.get(id) ?? id,
    station: (id) => stations.get(id) ?? id,
    dish: (id) => dishes.get(id ?? "") ?? "",
    round: (stationId, roundId) => recipeOf(stationId)?.rounds?.find((one) => one.id === roundId)?.name ?? roundId,
    step: (stationId, stepId) => recipeOf(stationId)?.steps.find((one) => one.id === stepId)?.text ?? stepId,
    locale,
  };
}
