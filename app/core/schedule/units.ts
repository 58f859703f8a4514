import { unitIdOf } from "~/core/ids";
import { type Surface, placesOn } from "~/core/gear";
import { type Recipe, preheatMinutes } from "~/core/recipe";
import { toSeconds, inMinutes, type Pieces, type Seconds, inPieces } from "~/core/quantity";
import type { ScheduleInput, StationJob, SurfaceUnit } from "./types";

/** One surface while a class is laid. Moments are whole seconds since the doors. */
export interface Unit extends SurfaceUnit {
  readonly surface: Surface;
  /** Its place in the kitchen's list: which comes first decides between two that are free at once. */
  readonly place: number;
  /** How many pieces of each recipe lie on it: asked at every load, so worked out once. */
  readonly pieces: Map<Recipe, Pieces>;
  readonly preheat: Seconds;
}

/** Whose a unit is that stands where the instructor is, of a class whose tables are homes: no station's. */
export const instructorsOwn = "instructor";

export function unitsOf({
  surfaces,
  stations,
  areHomes = false,
  demo,
}: Pick<ScheduleInput, "surfaces" | "stations" | "areHomes" | "demo">): Unit[] {
  const units: Unit[] = [];
  const add = (surface: Surface, number: number, stationId: string | null) =>
    units.push({
      id: unitIdOf(stationId === null ? `${surface.id}-${number}` : `${surface.id}-${stationId}-${number}`),
      surfaceId: surface.id,
      name: surface.name,
      number,
      stationId,
      surface,
      place: units.length,
      pieces: new Map(),
      preheat: toSeconds(surface.preheatMinutes ?? inMinutes(preheatMinutes[surface.kind].likely)),
    });
  for (const surface of surfaces)
    for (const stationId of surface.at === "shared" ? [null] : stations.map((job) => job.stationId))
      for (let number = 1; number <= surface.count; number += 1) add(surface, number, stationId);
  if (areHomes && demo === "mix-and-load") for (const surface of surfaces) add(surface, 1, instructorsOwn);
  return units;
}

/** Pieces of a recipe to a load on a surface; 0 where it is of another kind, or too small for one. */
export function placesFor(unit: Unit, recipe: Recipe): Pieces {
  const known = unit.pieces.get(recipe);
  if (known !== undefined) return known;
  const places = recipe.heat.surfaceKinds.includes(unit.surface.kind)
    ? inPieces(placesOn(unit.surface, recipe))
    : inPieces(0);
  unit.pieces.set(recipe, places);
  return places;
}

export const canUse = (unit: Unit, job: StationJob): boolean =>
  (unit.stationId === null || unit.stationId === job.stationId) && placesFor(unit, job.recipe) > 0;
