import { type Minutes, largest, minus, smallest, inMinutes } from "~/core/quantity";
import { type Recipe, holdColdC, holdHotC, isCold, methodOf, reheatC, trayOf } from "~/core/recipe";
import type { Timeline } from "~/core/schedule";
import type { DishPlan, MealMode, PlanFinding, StationPlan } from "./types";

/**
 * What is held is held hot or cold enough by the rules of the class, and what is reheated gets hot enough (general food safety
 * guidance; local rules come first).
 */
export const warmthFindings = (recipe: Recipe, regime: keyof typeof holdHotC): PlanFinding[] =>
  recipe.steps.flatMap((step): PlanFinding[] => {
    const { kind, warmth } = step;
    if (!warmth) return [];
    if (kind === "reheat")
      return warmth.c < reheatC
        ? [{ code: "reheated-too-cool", level: "warns", stepId: step.id, c: warmth.c, least: reheatC }]
        : [];
    if (kind !== "hold") return [];
    if (isCold(warmth.place))
      return warmth.c > holdColdC
        ? [{ code: "held-too-warm", level: "warns", stepId: step.id, c: warmth.c, most: holdColdC }]
        : [];
    const least = holdHotC[regime];
    return warmth.c < least ? [{ code: "held-too-cool", level: "warns", stepId: step.id, c: warmth.c, least }] : [];
  });

/** Stations whose first pieces wait for the meal for longer than they are to be held, or than such pieces bear on a tray. */
export function holdFindings(
  dish: DishPlan,
  stations: readonly StationPlan[],
  timeline: Timeline,
  mealMode: MealMode | undefined,
): PlanFinding[] {
  const { hold } = methodOf(dish.recipe);
  const eaten = timeline.bells.find((bell) => bell.kind === "eat")?.at;
  // Eaten as it comes, nothing waits; what is held without a limit waits as its author says.
  if (mealMode === "as-it-comes" || eaten === undefined || (hold && hold.warmth?.most === undefined)) return [];
  const tray = trayOf[dish.recipe.family];
  const most = hold?.warmth?.most ?? tray.most;
  const ids = new Set(stations.filter((station) => station.dishId === dish.id).map((station) => station.id));
  const firstOut = new Map<string, Minutes>();
  for (const { kind, stationId, end, pieces } of timeline.tasks)
    if (kind === "load" && pieces > 0 && stationId !== null && ids.has(stationId))
      firstOut.set(stationId, smallest(end, firstOut.get(stationId) ?? inMinutes(Infinity)));
  const late = [...firstOut].filter(([, out]) => eaten - out > most + 1 / 60);
  if (late.length === 0) return [];
  const common = {
    level: "warns" as const,
    stationIds: late.map(([stationId]) => stationId),
    minutes: largest(...late.map(([, out]) => minus(eaten, out))),
    most,
  };
  return [hold ? { code: "held-too-long", ...common } : { code: "waits-on-tray", ...common, keep: tray.keep }];
}
