import { placesOn } from "~/core/gear";
import type { Kitchen } from "~/core/gear";
import { lyingMinutes, mostLoads } from "~/core/recipe";
import type { Timeline } from "~/core/schedule";
import type { DishPlan, PlanFinding, StationPlan } from "./types";

/** What it may cost in loads that tables decide while they cook how many of each round they make. */
export function openRoundFindings(
  { id, recipe }: DishPlan,
  stations: readonly StationPlan[],
  timeline: Timeline,
  { surfaces }: Kitchen,
): PlanFinding[] {
  if (!recipe.isRoundsOpen) return [];
  const rounds = recipe.rounds?.length ?? 1;
  const unitOf = new Map(timeline.units.map((unit) => [unit.id, unit.surfaceId]));
  const more = stations.flatMap((station) => {
    if (station.dishId !== id) return [];
    const loads = timeline.tasks.filter((task) => task.kind === "load" && task.stationId === station.id);
    const used = new Set(loads.map((task) => unitOf.get(task.surfaceId ?? "")));
    const places = Math.max(
      1,
      ...surfaces.filter((surface) => used.has(surface.id)).map((surface) => placesOn(surface, recipe)),
    );
    return [Math.max(0, mostLoads(station.cooked, places, rounds) - loads.length)];
  });
  const { heat } = recipe;
  const each = lyingMinutes(heat) + heat.pourPerPiece + heat.turnaround + heat.recover;
  return more.length === 0
    ? []
    : [
        {
          code: "rounds-open",
          level: "notes",
          loads: more.reduce((sum, count) => sum + count, 0),
          minutes: Math.max(...more) * each,
        },
      ];
}
