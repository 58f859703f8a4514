import { noUnit } from "~/core/ids";
import { placesOn } from "~/core/gear";
import type { Kitchen } from "~/core/gear";
import { type Minutes, plus, times } from "~/core/quantity";
import { type Recipe, lyingMinutes, mostLoads } from "~/core/recipe";
import type { Timeline } from "~/core/schedule";
import type { DishPlan, PlanFinding, StationPlan } from "./types";

/** Loads a station is planned to cook, and how many pieces lie at once on the widest surface it has for them. */
export function laidFor(stationId: string, recipe: Recipe, timeline: Timeline, { surfaces }: Kitchen) {
  const unitOf = new Map(timeline.units.map((unit) => [unit.id, unit.surfaceId]));
  const loads = timeline.tasks.filter((task) => task.kind === "load" && task.stationId === stationId);
  const used = new Set(loads.map((task) => unitOf.get(task.surfaceId ?? noUnit)));
  const places = Math.max(
    1,
    ...surfaces.filter((surface) => used.has(surface.id)).map((surface) => placesOn(surface, recipe)),
  );
  return { loads: loads.length, places };
}

/** Minutes of one load with what comes between two, on one surface. */
export const minutesEach = ({ heat }: Pick<Recipe, "heat">): Minutes =>
  plus(plus(plus(lyingMinutes(heat), heat.pourPerPiece), heat.turnaround), heat.recover);

/** What it may cost in loads that tables decide while they cook how many of each round they make. */
export function openRoundFindings(
  { id, recipe }: DishPlan,
  stations: readonly StationPlan[],
  timeline: Timeline,
  kitchen: Kitchen,
): PlanFinding[] {
  if (!recipe.isRoundsOpen) return [];
  const rounds = recipe.rounds?.length ?? 1;
  const more = stations.flatMap((station) => {
    if (station.dishId !== id) return [];
    const { loads, places } = laidFor(station.id, recipe, timeline, kitchen);
    return [Math.max(0, mostLoads(station.cooked, places, rounds) - loads)];
  });
  return more.length === 0
    ? []
    : [
        {
          code: "rounds-open",
          level: "notes",
          loads: more.reduce((sum, count) => sum + count, 0),
          minutes: times(minutesEach(recipe), Math.max(...more)),
        },
      ];
}
