import { type SurfaceId } from "~/core/ids";
import { type Ratio, compare, subtract, one, inMinutes, type Minutes } from "~/core/quantity";
import { holdUp, lateBatters, reasonsAtHeat, watches } from "~/core/schedule";
import type { SharedThing } from "~/core/gear";
import { adultsAtHeat } from "~/core/people";
import { oncePerPlan } from "./once";
import { layout } from "./order";
import { type PlateChange, plateChanges } from "./plate-changes";
import { plan } from "./plan";
import { placesPerAdult } from "./laying";
import type { Brief, ClassInput, Mixing } from "./types";
import { keepsCold } from "~/core/recipe";

/** A change that would make a class shorter, or keep more of its batters inside their windows. */
export type WayKind =
  | { readonly kind: "fewer-testers" }
  /** Its stations mix in two halves; its batter is made before the doors. */
  | { readonly kind: "half-mixes" | "make-ahead"; readonly dishId: string; readonly title: string }
  | { readonly kind: "pre-measured" }
  | { readonly kind: "no-shown-load" }
  | { readonly kind: "one-more-adult" }
  | { readonly kind: "fewer-pieces"; readonly pieces: Ratio }
  | { readonly kind: "longer"; readonly minutes: Minutes }
  /** One more of a shared tool; no button can do that. */
  | { readonly kind: "one-more-thing"; readonly thing: SharedThing }
  /** One more of a surface: nothing a press can do. */
  | { readonly kind: "one-more-surface"; readonly surfaceId: SurfaceId; readonly name: string };

/** A way by its name among those of a class. */
export const wayId = (way: WayKind): string => ("dishId" in way ? `${way.kind} ${way.dishId}` : way.kind);

export interface WayOut {
  readonly way: WayKind;
  /** The class after applying this; null where it cannot be applied by a button. */
  readonly becomes: Partial<Pick<ClassInput, "brief" | "dishes">> | null;
  /** Minutes the class becomes shorter by, what is then still over, and batters that are then still poured too late. */
  readonly gained: number;
  readonly over: number;
  readonly late: number;
  /** Those whose plate it makes worse: other hands and surfaces meet when loads change places. */
  readonly worsens: readonly PlateChange[];
}

/** What holds the class up; see `holdUp`. */
export const holdUpOf = oncePerPlan((input, made) => holdUp(made.timeline, layout(input).scheduled));

/** Why each load starts when it does; see `reasonsAtHeat`. */
export const reasonsOf = oncePerPlan((input, made) => reasonsAtHeat(made.timeline, layout(input).scheduled));

/** What each adult at the heat looks after; the instructor alone where the brief names nobody else. See `watches`. */
export const watchesOf = oncePerPlan((input, made) =>
  watches(made.timeline, Math.max(1, adultsAtHeat(input.brief.helpers, input.people)), placesPerAdult(input)),
);

/** Ways out that are told: more would be a list to read rather than a choice. */
const most = 3;

/**
 * Each change that is tried, from the one that costs least to the one that costs most; every figure is of the class planned with it.
 * The cheapest that suffice come first, then those that gain most. Empty where the class fits and every batter is poured in time.
 */
export const waysOut = oncePerPlan((input, now): WayOut[] => {
  const { brief } = input;
  const over = now.timeline.end - brief.minutes;
  if (over <= 0 && lateBatters(now.timeline).length === 0) return [];
  const tried: { readonly way: WayKind; readonly becomes: WayOut["becomes"]; readonly input: ClassInput }[] = [];
  const by = (way: WayKind, becomes: NonNullable<WayOut["becomes"]>) =>
    tried.push({ way, becomes, input: { ...input, ...becomes } });
  const byBrief = (way: WayKind, change: Partial<Brief>) => by(way, { brief: { ...brief, ...change } });
  if (brief.testersPerSurface > 0)
    byBrief({ kind: "fewer-testers" }, { testersPerSurface: brief.testersPerSurface - 1 });
  // A dish whose batter stands too long is mixed in two halves; one by one, as each costs its tables a second bowl.
  const standsTooLong = new Set(lateBatters(now.timeline).map((batter) => batter.stationId));
  for (const dish of input.dishes) {
    const own = now.stations.filter((one) => one.dishId === dish.id);
    if (dish.mixing || own.length === 0) continue;
    const mixed = (mixing: Mixing) => ({
      dishes: input.dishes.map((one) => (one === dish ? { ...one, mixing } : one)),
    });
    const what = { dishId: dish.id, title: dish.recipe.title };
    if (own.some((one) => standsTooLong.has(one.id))) by({ kind: "half-mixes", ...what }, mixed("halves"));
    const made = now.dishes.find((one) => one.id === dish.id)?.recipe;
    if (made && keepsCold(made)) by({ kind: "make-ahead", ...what }, mixed("ahead"));
  }
  if (brief.kitMode !== "pre-measured") byBrief({ kind: "pre-measured" }, { kitMode: "pre-measured" });
  if (brief.demo === "mix-and-load") byBrief({ kind: "no-shown-load" }, { demo: "mix" });
  if (brief.hotPlacesPerAdult > 0) byBrief({ kind: "one-more-adult" }, { helpers: brief.helpers + 1 });
  if (compare(brief.piecesEach, one) > 0) {
    const fewer = subtract(brief.piecesEach, one);
    const pieces = compare(fewer, one) < 0 ? one : fewer;
    byBrief({ kind: "fewer-pieces", pieces }, { piecesEach: pieces });
  }
  for (const one of input.kitchen.goesRound ?? []) {
    if (!now.timeline.tasks.some((task) => task.waitsFor === one.thing)) continue;
    const goesRound = input.kitchen.goesRound?.map((each) =>
      each === one ? { ...each, count: each.count + 1 } : each,
    );
    tried.push({
      way: { kind: "one-more-thing", thing: one.thing },
      becomes: null,
      input: { ...input, kitchen: { ...input.kitchen, goesRound } },
    });
  }
  for (const surface of input.kitchen.surfaces) {
    if (!now.timeline.units.some((unit) => unit.surfaceId === surface.id)) continue;
    tried.push({
      way: { kind: "one-more-surface", surfaceId: surface.id, name: surface.name },
      becomes: null,
      input: {
        ...input,
        kitchen: {
          ...input.kitchen,
          surfaces: input.kitchen.surfaces.map((each) =>
            each === surface ? { ...each, count: each.count + 1 } : each,
          ),
        },
      },
    });
  }
  const step = 5;
  const minutes = Math.ceil(now.timeline.end / step) * step;
  if (over > 0 && minutes <= 600)
    byBrief({ kind: "longer", minutes: inMinutes(minutes) }, { minutes: inMinutes(minutes) });
  const late = lateBatters(now.timeline).length;
  const measured = tried.flatMap(({ way, becomes, input: changed }, cost): (WayOut & { cost: number })[] => {
    const made = plan(changed);
    const gained = now.timeline.end - made.timeline.end;
    const lateThen = lateBatters(made.timeline).length;
    const overThen = Math.max(0, made.timeline.end - changed.brief.minutes);
    const helps = way.kind === "longer" || gained > 1 / 60 || lateThen < late;
    const worsens = plateChanges({ input, plan: now }, { input: changed, plan: made }).filter((one) => one.isWorse);
    return helps ? [{ way, becomes, gained, over: overThen, late: lateThen, worsens, cost }] : [];
  });
  const isEnough = (one: WayOut) => one.over <= 0 && one.late === 0;
  return measured
    .sort(
      (a, b) =>
        Number(a.worsens.length > 0) - Number(b.worsens.length > 0) ||
        Number(isEnough(b)) - Number(isEnough(a)) ||
        (isEnough(a) ? a.cost - b.cost : a.late - b.late || b.gained - a.gained || a.cost - b.cost),
    )
    .slice(0, most)
    .map(({ cost: _cost, ...way }) => way);
});
