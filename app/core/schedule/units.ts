import { unitIdOf } from "~/core/ids";
import { type Surface, canBeCleared, placesOn } from "~/core/gear";
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
  /** Stations kept apart that have it to themselves, one after the other, each until its last load is out. */
  readonly claims: string[];
}

export function unitsOf({ surfaces, stations }: Pick<ScheduleInput, "surfaces" | "stations">): Unit[] {
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
      claims: [],
    });
  for (const surface of surfaces)
    for (const stationId of surface.at === "shared" ? [null] : stations.map((job) => job.stationId))
      for (let number = 1; number <= surface.count; number += 1) add(surface, number, stationId);
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

/**
 * A station kept apart gets a surface to itself: one of its own if it has any, else the last that nobody else has, else the one with
 * the fewest before it, which is then washed. What washing cannot clear is taken only where nothing else is left.
 */
export function claimSurfaces(jobs: readonly StationJob[], usableBy: (job: StationJob) => readonly Unit[]) {
  const claimOf = new Map<string, Unit>();
  for (const job of jobs) {
    if (!job.isApart || job.pieces <= 0) continue;
    const usable = usableBy(job);
    const waited = [...usable].sort(
      (a, b) =>
        a.claims.length - b.claims.length ||
        Number(!canBeCleared(a.surface)) - Number(!canBeCleared(b.surface)) ||
        b.place - a.place,
    );
    const claimed =
      usable.find((unit) => unit.stationId === job.stationId) ??
      usable.filter((unit) => unit.claims.length === 0).at(-1) ??
      waited[0];
    if (!claimed) continue;
    claimed.claims.push(job.stationId);
    claimOf.set(job.stationId, claimed);
  }
  return claimOf;
}
