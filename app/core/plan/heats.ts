import { hotPlaceOf } from "~/core/caution";
import { type Recipe, type SurfaceKind, heatOn } from "~/core/recipe";
import { shownDish } from "./dishes";
import type { ClassInput, ClassPlan } from "./types";

/** The kind of each surface that stands in a class, by its unit. */
export const kindsByUnit = (
  { kitchen }: Pick<ClassInput, "kitchen">,
  { timeline }: Pick<ClassPlan, "timeline">,
): ReadonlyMap<string, SurfaceKind | undefined> =>
  new Map(timeline.units.map((unit) => [unit.id, kitchen.surfaces.find((one) => one.id === unit.surfaceId)?.kind]));

/** Kinds of surface that a recipe cooks on: those used in this class, or all it allows if none is used. */
export function kindsUsed(
  { kitchen }: Pick<ClassInput, "kitchen">,
  { timeline }: Pick<ClassPlan, "timeline">,
  { heat }: Pick<Recipe, "heat">,
): readonly SurfaceKind[] {
  const kinds = new Set(kindsByUnit({ kitchen }, { timeline }).values());
  const own = heat.surfaceKinds.filter((kind) => kinds.has(kind));
  return own.length > 0 ? own : heat.surfaceKinds;
}

/** The heat a surface is set to, as its recipe says it for that kind, and the dial in its author's words. */
export interface SetTo {
  readonly surfaceC: { readonly from: number; readonly to: number };
  readonly dial: string | null;
  /** Whether it has a cord, which is laid along the wall. */
  readonly hasCord: boolean;
}

/** Setting of each unit when it is switched on: the heat of the first dish on it. Unused units are left out. */
export function heatsOf(
  { kitchen }: Pick<ClassInput, "kitchen">,
  { timeline, stations, dishes }: Pick<ClassPlan, "timeline" | "stations" | "dishes">,
): ReadonlyMap<string, SetTo> {
  const heats = new Map<string, SetTo>();
  const recipeOf = (stationId: string | null) => {
    const station = stations.find((one) => one.id === stationId);
    return (station ? dishes.find((dish) => dish.id === station.dishId) : shownDish(dishes))?.recipe;
  };
  const kindOf = kindsByUnit({ kitchen }, { timeline });
  const surfaceOf = new Map(
    timeline.units.map((unit) => [unit.id, kitchen.surfaces.find((one) => one.id === unit.surfaceId)]),
  );
  const cooked = timeline.tasks.filter(({ kind }) => kind === "load" || kind === "tester" || kind === "demo-load");
  for (const { surfaceId, stationId } of [...cooked].sort((a, b) => a.start - b.start)) {
    if (surfaceId === null || heats.has(surfaceId)) continue;
    const [recipe, kind] = [recipeOf(stationId), kindOf.get(surfaceId)];
    if (!recipe || !kind) continue;
    const { surfaceC } = heatOn(recipe.heat, kind);
    const surface = surfaceOf.get(surfaceId);
    heats.set(surfaceId, {
      surfaceC,
      dial: recipe.heat.on?.find((one) => one.surfaceKind === kind)?.dial ?? null,
      hasCord: surface !== undefined && hotPlaceOf(surface).hasCord,
    });
  }
  return heats;
}
