import { type Pantry, outOfTheCold } from "~/core/batter";
import {
  type Station,
  adultsAtHeat,
  eatersOf,
  bears,
  handwashMinutes,
  needsAdultAtHeat,
  paceOf,
  roomKindOf,
  stationIndex,
  tastersAtHome,
} from "~/core/people";
import { one, toNumber, type Pieces, inPieces, smallest, inMinutes } from "~/core/quantity";
import { type Recipe, expectedOf, isBatter } from "~/core/recipe";
import { type StationScale, fixedBowl, leastWithEggs, piecesWanted, scaleStation, withWholeEggs } from "~/core/scale";
import { type Amounts, type ScheduleInput, type StationJob, type Timeline, laying, timelineOf } from "~/core/schedule";
import { type Surface, goesRoundIn } from "~/core/gear";
import { factsOf, shownDish } from "./dishes";
import type { ClassInput, Dish, DishPlan } from "./types";
import { remembered } from "./kits-of";

/** A station with its dish and how much of it, before anything is laid in time. */
export interface Row {
  readonly station: Station;
  readonly eaters: number;
  readonly index: number;
  readonly dish: DishPlan;
  readonly scale: StationScale;
}

/** How much each station makes, with so many testers in its batter. */
function scaled(
  input: ClassInput,
  seats: readonly Station[],
  dishAt: (index: number) => Dish | undefined,
  dishes: ReadonlyMap<string, DishPlan>,
  pantry: Pantry,
  testers: ReadonlyMap<string, number>,
): Row[] {
  const { brief } = input;
  const atHome = brief.isRemote ? [...tastersAtHome(seats, input.people).values()] : [];
  const eaters = brief.isRemote
    ? new Map(seats.map(({ id, size }) => [id, size + atHome.filter((home) => home === id).length]))
    : eatersOf(seats, brief.tasters, input.arrangement?.apart);
  const scaleFor = remembered((key): StationScale | undefined => {
    const [dishId = "", mouths = "0", extra = "0"] = key.split("\n");
    const dish = dishes.get(dishId);
    if (!dish) return undefined;
    const { recipe, batter, bowl } = dish;
    const wanted = piecesWanted(Number(mouths), brief.piecesEach, Number(extra), recipe.serving?.pieces);
    return bowl ? fixedBowl(recipe, batter, wanted, bowl) : scaleStation(recipe, batter, wanted, brief.batchRule);
  });
  const rows = seats.flatMap((station): Row[] => {
    const index = stationIndex(station.id);
    const dish = dishes.get(dishAt(index)?.id ?? "");
    const fed = eaters.get(station.id) ?? station.size;
    const scale = dish && scaleFor(`${dish.id}\n${fed}\n${testers.get(station.id) ?? 0}`);
    return dish && scale ? [{ station, eaters: fed, index, dish, scale }] : [];
  });
  const { eggRule } = brief;
  if (eggRule === "by-weight") return rows;
  const whole = new Map<Row, StationScale>();
  for (const dish of dishes.values()) {
    // A bowl of a fixed size takes the eggs it takes.
    if (dish.bowl) continue;
    const own = rows.filter((row) => row.dish === dish);
    withWholeEggs(
      own.map((row) => row.scale),
      dish.recipe,
      dish.batter,
      (id) => pantry.get(id)?.role === "egg",
      eggRule,
    ).forEach((scale, at) => {
      const row = own[at];
      if (row) whole.set(row, scale);
    });
  }
  return rows.map((row) => ({ ...row, scale: whole.get(row) ?? row.scale }));
}

/** Pieces that a station cooks of those it makes. */
export const cookedOf = ({ cooks }: DishPlan, { piecesMade, piecesWanted: wanted }: StationScale): Pieces =>
  cooks === "wanted" ? smallest(piecesMade, wanted) : piecesMade;

/** What a recipe asks of hands beside its steps, in one batch. */
function handworkOf(recipe: Recipe, pantry: Pantry) {
  const lines = recipe.lines.filter((line) => isBatter(line, recipe));
  const isEgg = (line: (typeof lines)[number]) =>
    pantry.get(line.ingredientId)?.role === "egg" && expectedOf(line.amount)?.unit === "piece";
  return {
    measuredLines: lines.filter((line) => !isEgg(line) && line.amount.kind !== "packs").length,
    eggs: lines.filter(isEgg).reduce((sum, line) => sum + toNumber(expectedOf(line.amount)?.value ?? one), 0),
    sachets: lines.reduce((sum, line) => sum + (line.amount.kind === "packs" ? toNumber(line.amount.packs) : 0), 0),
  };
}

/** Hot places that one adult may have in use at once; null where the class has no such rule. */
export const placesPerAdult = ({ brief }: Pick<ClassInput, "brief">): number | null =>
  // Nobody cooks but the instructor, or every household has its own adult: no adult of the room is shared.
  roomKindOf(brief) === "tables" && brief.hotPlacesPerAdult > 0 && needsAdultAtHeat(brief.audience)
    ? brief.hotPlacesPerAdult
    : null;

/** Hot places that may be in use at once for want of adults; null where the class has no such rule. */
export const hotPlacesOf = ({ brief, people }: Pick<ClassInput, "brief" | "people">): number | null => {
  const each = placesPerAdult({ brief });
  return each === null ? null : each * adultsAtHeat(brief.helpers, people);
};

/** A surface of a remote class: divided evenly among the households, at least one each. */
const atEachHome = (surface: Surface, homes: number): Surface =>
  surface.at === "station" || surface.count === 0
    ? surface
    : { ...surface, at: "station", count: Math.max(1, Math.floor(surface.count / Math.max(1, homes))) };

/** Nobody sits there: the instructor cooks, and tells what is done while doing it. */
const isShownOnly = (rows: readonly Row[]): boolean =>
  rows.length > 0 && rows.every(({ station }) => station.size === 0);

/** What each station has to do. */
function jobsOf(input: ClassInput, rows: readonly Row[], pantry: Pantry): StationJob[] {
  const isShown = isShownOnly(rows);
  const handwork = new Map<Recipe, ReturnType<typeof handworkOf>>();
  return rows.map(({ station, index, dish, scale }): StationJob => {
    const { recipe } = dish;
    const work = handwork.get(recipe) ?? handworkOf(recipe, pantry);
    handwork.set(recipe, work);
    const { wetStepId, cookBy } = factsOf(recipe, input.pantry, pantry);
    // Of two halves each has half the eggs to crack, and every line to measure.
    const inBowl = toNumber(scale.factor) / (dish.mixing === "halves" ? 2 : 1);
    return {
      stationId: station.id,
      recipe: dish.atTable ?? recipe,
      // Whoever shows has the helpers' hands beside their own.
      hands: isShown ? 1 + input.brief.helpers : Math.max(1, station.size),
      pieces: cookedOf(dish, scale),
      isApart: input.arrangement?.apart.includes(index) ?? false,
      ...(dish.mixing === "halves" ? { mixes: 2 as const } : {}),
      measuredLines: work.measuredLines,
      eggs: work.eggs * inBowl,
      sachets: work.sachets * inBowl,
      wetStepId: dish.atTable ? null : wetStepId,
      cookBy: dish.atTable ? outOfTheCold(recipe, pantry) : cookBy,
    };
  });
}

/**
 * The least that a station makes, whoever gives the testers, from its amounts where it gives none. Where eggs are dealt out unevenly it
 * may have one less than its share.
 * @param eggs that it cracks for one mix where it gives no testers.
 */
function leastOf({ brief }: ClassInput, dish: DishPlan, scale: StationScale, pantry: Pantry, eggs: number) {
  const isUneven = brief.eggRule === "uneven" && !dish.bowl;
  const piecesMade = isUneven
    ? leastWithEggs(scale, dish.recipe, dish.batter, (id) => pantry.get(id)?.role === "egg")
    : scale.piecesMade;
  const pieces = cookedOf(dish, { ...scale, piecesMade });
  return { pieces, eaten: smallest(pieces, scale.piecesWanted), eggs: isUneven ? Math.max(0, eggs - 1) : eggs };
}

function scheduleInputOf(
  input: ClassInput,
  rows: readonly Row[],
  pantry: Pantry,
  shown: Recipe | undefined,
): ScheduleInput {
  const { brief, kitchen } = input;
  const isShown = isShownOnly(rows);
  const isHomes = brief.isRemote;
  return {
    stations: jobsOf(input, rows, pantry),
    surfaces: isHomes ? kitchen.surfaces.map((surface) => atEachHome(surface, rows.length)) : kitchen.surfaces,
    ...(isHomes ? { areHomes: true } : {}),
    // At home everybody washes at their own sink.
    people: isHomes ? Math.max(0, ...rows.map(({ station }) => station.size)) : brief.people,
    sinks: isHomes ? 1 : kitchen.sinks,
    pace: isShown ? 1 : paceOf[brief.audience],
    handwash: inMinutes(handwashMinutes[brief.audience]),
    idleBorne: bears[brief.audience].idle,
    demo: isShown ? "along" : brief.demo,
    demoRecipe: shown,
    kitMode: brief.kitMode,
    doorsMinutes: brief.doorsMinutes,
    eatMinutes: brief.eatMinutes,
    cleanMinutes: brief.cleanMinutes,
    testersPerSurface: inPieces(brief.testersPerSurface),
    washesBetween: input.arrangement?.washesBetween ?? false,
    hotPlaces: hotPlacesOf(input),
    // Each household has its own of everything.
    goesRound: brief.isRemote
      ? undefined
      : goesRoundIn(
          kitchen,
          rows.map(({ dish }) => dish.atTable ?? dish.recipe),
        ),
    pins: input.pins,
    order: input.order,
  };
}

export const testersIn = (timeline: Timeline): Map<string, number> => {
  const found = new Map<string, number>();
  for (const task of timeline.tasks)
    if (task.kind === "tester" && task.stationId) found.set(task.stationId, (found.get(task.stationId) ?? 0) + 1);
  return found;
};

/**
 * How much each station makes and when it cooks it. The two depend on each other through the testers: whoever is first on a surface
 * throws away pieces of its own batter, and a larger batter may change who is first. They agree in the plan that is returned.
 */
export function laid(
  input: ClassInput,
  seats: readonly Station[],
  dishAt: (index: number) => Dish | undefined,
  dishes: readonly DishPlan[],
  pantry: Pantry,
): { readonly rows: readonly Row[]; readonly scheduled: ScheduleInput; readonly timeline: Timeline } {
  const byId = new Map(dishes.map((dish) => [dish.id, dish]));
  const dish = shownDish(dishes);
  const shown = dish?.atTable ?? dish?.recipe;
  const first = scaled(input, seats, dishAt, byId, pantry, new Map());
  const known = new Map<string, readonly Row[]>();
  const rowsFor = (testers: readonly Pieces[]): readonly Row[] => {
    const key = testers.join(" ");
    const before = known.get(key);
    if (before) return before;
    const given = new Map(first.map(({ station }, index) => [station.id, testers[index] ?? 0]));
    const made = testers.some((count) => count > 0) ? scaled(input, seats, dishAt, byId, pantry, given) : first;
    known.set(key, made);
    return made;
  };
  const scheduled = scheduleInputOf(input, first, pantry, shown);
  if (input.brief.testersPerSurface < 1) return { rows: first, scheduled, timeline: timelineOf(laying(scheduled)) };
  const jobsFor = (testers: readonly Pieces[]) => jobsOf(input, rowsFor(testers), pantry);
  const least = first.map(({ dish: own, scale }, index) =>
    leastOf(input, own, scale, pantry, scheduled.stations[index]?.eggs ?? 0),
  );
  const amountsFor = (testers: readonly Pieces[]) =>
    jobsFor(testers).map(({ pieces, eggs, sachets = 0 }, index): Amounts => {
      return { pieces, eggs, sachets, least: least[index] ?? { pieces, eaten: inPieces(0), eggs } };
    });
  const found = laying({ ...scheduled, amountsFor });
  const given = found.net.given ?? [];
  return {
    rows: rowsFor(given),
    scheduled: { ...scheduled, amountsFor, stations: jobsFor(given) },
    timeline: timelineOf(found),
  };
}
