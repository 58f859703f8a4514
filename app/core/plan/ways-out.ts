import { type SurfaceId } from "~/core/ids";
import { type Ratio, compare, subtract, one, inMinutes, type Minutes } from "~/core/quantity";
import { type Effort, type Order, holdUp, lateBatters, reasonsAtHeat, watches } from "~/core/schedule";
import { type SharedThing, surfacesFor } from "~/core/gear";
import { adultsAtHeat } from "~/core/people";
import { oncePerPlan } from "./once";
import { layout, orderFor } from "./order";
import { type PlateChange, plateChanges } from "./plate-changes";
import { plan } from "./plan";
import { placesPerAdult } from "./laying";
import type { Brief, ClassInput, ClassPlan, Mixing } from "./types";
import { keepsCold } from "~/core/recipe";

/** A change that would make a class shorter, or keep more of its batters inside their windows. */
export type WayKind =
  /** The class as it is, its loads in another order: only a search finds it. */
  | { readonly kind: "better-order" }
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
  /** The order that was found for the class with it; undefined where the rules lay it. */
  readonly order: Order | undefined;
  /** Minutes the class becomes shorter by, negative where it becomes longer, and what is then still over. */
  readonly gained: number;
  readonly over: number;
  /** Batters that are then still poured too late, and those that are now. */
  readonly late: number;
  readonly lateNow: number;
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

/** A change that could help, and the class with it; not planned yet. */
interface Tried {
  readonly way: WayKind;
  readonly becomes: WayOut["becomes"];
  readonly input: ClassInput;
}

/** Does the class need a way out: over its time, or a batter poured too late? */
const isNeeded = (input: ClassInput, { timeline }: ClassPlan): boolean =>
  timeline.end > input.brief.minutes || lateBatters(timeline).length > 0;

/** Each change that could help, from the one that costs least to the one that costs most. */
function changesTried(input: ClassInput, now: ClassPlan): Tried[] {
  const { brief, kitchen } = input;
  const over = now.timeline.end - brief.minutes;
  const tried: Tried[] = [];
  const by = (way: WayKind, becomes: NonNullable<WayOut["becomes"]>) =>
    tried.push({ way, becomes, input: { ...input, ...becomes } });
  const byBrief = (way: WayKind, change: Partial<Brief>) => by(way, { brief: { ...brief, ...change } });
  if (input.order?.isWished !== true) by({ kind: "better-order" }, {});
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
  if (placesPerAdult(input) !== null) byBrief({ kind: "one-more-adult" }, { helpers: brief.helpers + 1 });
  if (compare(brief.piecesEach, one) > 0) {
    const fewer = subtract(brief.piecesEach, one);
    const pieces = compare(fewer, one) < 0 ? one : fewer;
    byBrief({ kind: "fewer-pieces", pieces }, { piecesEach: pieces });
  }
  for (const one of kitchen.goesRound ?? []) {
    if (!now.timeline.tasks.some((task) => task.waitsFor === one.thing)) continue;
    const goesRound = kitchen.goesRound?.map((each) => (each === one ? { ...each, count: each.count + 1 } : each));
    tried.push({
      way: { kind: "one-more-thing", thing: one.thing },
      becomes: null,
      input: { ...input, kitchen: { ...kitchen, goesRound } },
    });
  }
  const suits = new Set(now.dishes.flatMap((dish) => surfacesFor(dish.recipe, kitchen)));
  for (const surface of kitchen.surfaces) {
    if (!suits.has(surface)) continue;
    const surfaces = kitchen.surfaces.map((each) => (each === surface ? { ...each, count: each.count + 1 } : each));
    tried.push({
      way: { kind: "one-more-surface", surfaceId: surface.id, name: surface.name },
      becomes: null,
      input: { ...input, kitchen: { ...kitchen, surfaces } },
    });
  }
  const step = 5;
  const minutes = Math.ceil(now.timeline.end / step) * step;
  if (over > 0 && minutes <= 600)
    byBrief({ kind: "longer", minutes: inMinutes(minutes) }, { minutes: inMinutes(minutes) });
  return tried;
}

/** Minutes from which on a gain is worth a line. */
const gainWorthSaying = 1;
/** Ways that are told whatever they gain, where none gains so much. */
const fewest = 3;

interface Measured {
  readonly tried: Tried;
  readonly made: ClassPlan;
  readonly order: Order | undefined;
}

/** What the ways that help come to, those that suffice first, then by what they gain. */
function told(input: ClassInput, now: ClassPlan, measured: readonly Measured[]): WayOut[] {
  const late = lateBatters(now.timeline).length;
  const ways = measured.flatMap(({ tried, made, order }, cost): (WayOut & { cost: number })[] => {
    const { way, becomes } = tried;
    const gained = now.timeline.end - made.timeline.end;
    const lateThen = lateBatters(made.timeline).length;
    const over = Math.max(0, made.timeline.end - tried.input.brief.minutes);
    const helps = way.kind === "longer" || gained > 1 / 60 || lateThen < late;
    const worsens = plateChanges({ input, plan: now }, { input: { ...tried.input, order }, plan: made }).filter(
      (one) => one.isWorse,
    );
    return helps ? [{ way, becomes, order, gained, over, late: lateThen, lateNow: late, worsens, cost }] : [];
  });
  const isEnough = (one: WayOut) => one.over <= 0 && one.late === 0;
  return ways
    .sort(
      (a, b) =>
        Number(a.worsens.length > 0) - Number(b.worsens.length > 0) ||
        Number(isEnough(b)) - Number(isEnough(a)) ||
        a.late - b.late ||
        b.gained - a.gained ||
        a.cost - b.cost,
    )
    .filter((one, at) => at < fewest || one.gained >= gainWorthSaying || one.late < late)
    .map(({ cost: _cost, ...way }) => way);
}

/**
 * The ways out of a class, each planned by the usual rules: what they gain they gain at the least. Empty where the class fits and every
 * batter is poured in time.
 */
export const waysOut = oncePerPlan((input, now): WayOut[] =>
  isNeeded(input, now)
    ? told(
        input,
        now,
        changesTried(input, now).map((tried) => ({ tried, made: plan(tried.input), order: tried.input.order })),
      )
    : [],
);

/** How far the search for ways out is: ways that are planned, of so many, and which is searched now. */
export interface WaysProgress {
  readonly done: number;
  readonly of: number;
  readonly way: WayKind;
}

/**
 * The same with the best order that is found for each changed class, against the class as it is laid now; heavy work, for a worker.
 * @param effort of each search; the usual one where it is not said.
 */
export function* waysOutSearched(input: ClassInput, effort?: Effort): Generator<WaysProgress, WayOut[], undefined> {
  const now = plan(input);
  if (!isNeeded(input, now)) return [];
  const all = changesTried(input, now);
  const measured: Measured[] = [];
  for (const [done, tried] of all.entries()) {
    const progress = { done, of: all.length, way: tried.way };
    yield progress;
    const turns = orderFor(tried.input, effort);
    for (;;) {
      const { value, done: isDone } = turns.next();
      if (isDone !== true) {
        yield progress;
        continue;
      }
      measured.push({ tried, made: plan({ ...tried.input, order: value.order }), order: value.order });
      break;
    }
  }
  return told(input, now, measured);
}

/** One way out by its name, as a change of the class; undefined where the class does not offer it, or no press can do it. */
export function wayNamed(input: ClassInput, id: string): Pick<WayOut, "way" | "becomes"> | undefined {
  const now = plan(input);
  if (!isNeeded(input, now)) return undefined;
  return changesTried(input, now).find(({ way, becomes }) => becomes !== null && wayId(way) === id);
}
