import { ownProductsAt } from "~/core/pantry";
import { type Pantry, outOfTheCold } from "~/core/batter";
import { type Counted, type KitLine, type KitOptions, isBatchLarge, isInDryMix, kitOf } from "~/core/kit";
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
import {
  type Ratio,
  add,
  measuringSetOf,
  multiply,
  one,
  ratio,
  isZero,
  subtract,
  toNumber,
  withoutScoops,
  writeRatio,
  zero,
  type Grams,
  type Pieces,
  inPieces,
  smallest,
  inMinutes,
  minus,
  sumOf,
  sumKnown,
} from "~/core/quantity";
import { type Line, type Recipe, type Round, expectedOf, isBatter, isCountedOut } from "~/core/recipe";
import { type StationScale, fixedBowl, piecesWanted, scaleStation, withWholeEggs } from "~/core/scale";
import {
  type ScheduleInput,
  type StationJob,
  type Timeline,
  greasedLoads,
  laying,
  timelineOf,
  type Task,
} from "~/core/schedule";
import { type Surface, goesRoundIn } from "~/core/gear";
import { factsOf, shownDish } from "./dishes";
import type { ClassInput, Dish, DishPlan, ExtraKit, StationPlan } from "./types";

/** What a station makes depends only on its dish and its size: remembered, as fifty stations have but a few of either. */
export function remembered<T>(make: (key: string) => T): (key: string) => T {
  const known = new Map<string, T>();
  return (key) => {
    const found = known.get(key);
    if (found !== undefined) return found;
    const made = make(key);
    known.set(key, made);
    return made;
  };
}

/** Kits by what they are made of: while a brief is typed most stations go on making the same. */
const knownKits = new WeakMap<
  Recipe,
  { readonly pantry: ClassInput["pantry"]; readonly kits: Map<string, KitLine[]> }
>();
const mostKits = 60;

export function kitFor(
  recipe: Recipe,
  ingredients: ClassInput["pantry"],
  pantry: Pantry,
  factor: Ratio,
  counted: Counted,
  options: KitOptions,
): KitLine[] {
  const before = knownKits.get(recipe);
  const { kits } = before?.pantry === ingredients ? before : { kits: new Map<string, KitLine[]>() };
  if (before?.pantry !== ingredients) knownKits.set(recipe, { pantry: ingredients, kits });
  const { set, tolerance, easesSpice } = options;
  const { loads, greased, pieces, rounds = [], people = 0 } = counted;
  // Only what a line asks for tells two kits apart.
  const asked = recipe.lines.flatMap(({ amount }) =>
    amount.kind === "per-load" && amount.every !== undefined
      ? [greased?.(amount.every) ?? loads]
      : amount.kind === "per-person"
        ? [people]
        : [],
  );
  const measured = [set.id, tolerance.strict, tolerance.usual, easesSpice];
  // As JSON, so that no name of a product can be read as two.
  const own = JSON.stringify([...(options.own ?? [])]);
  const key = [writeRatio(factor), loads, pieces, rounds.join("+"), ...asked, ...measured, own].join(" ");
  const known = kits.get(key) ?? kitOf(recipe, pantry, factor, counted, options);
  kits.set(key, known);
  return known;
}

/** Forgets the kits of a recipe once there are many: between two plans only, as within one the same kit must stay the same list. */
export function tidyKits(recipe: Recipe): void {
  const kits = knownKits.get(recipe)?.kits;
  if (kits && kits.size >= mostKits) kits.clear();
}

/** The measuring set that a station has to itself; undefined where it measures with the class's. */
const ownSetAt = ({ arrangement }: Pick<ClassInput, "arrangement">, index: number): string | undefined =>
  arrangement?.sets?.find((one) => one.station === index)?.measuringSetId;

/**
 * Splits a kit into the lines that are halved with the batter and the lines that are not. Memoised by the kit’s identity, as packing
 * keeps its result by that list.
 */
const split = (wanted: boolean) => {
  const known = new WeakMap<readonly KitLine[], readonly KitLine[]>();
  return (kit: readonly KitLine[], recipe: Recipe): readonly KitLine[] => {
    const before = known.get(kit);
    if (before) return before;
    const isHalved = (line: Line) => isBatter(line, recipe) && !isCountedOut(line.amount);
    const batter = new Set(recipe.lines.filter(isHalved).map((line) => line.id));
    const made = kit.filter((line) => batter.has(line.lineId) === wanted);
    known.set(kit, made);
    return made;
  };
};
const batterIn = split(true);
const besideBatter = split(false);

/** How kits are measured in this class, or with a set of a station's own: nothing is missing from that. */
export const kitOptionsOf = ({ brief }: Pick<ClassInput, "brief">, ownSet?: string): KitOptions => ({
  set:
    ownSet === undefined
      ? withoutScoops(measuringSetOf(brief.measuringSetId), brief.missingScoops)
      : measuringSetOf(ownSet),
  tolerance: { strict: brief.strictTolerancePercent / 100, usual: brief.usualTolerancePercent / 100 },
  easesSpice: brief.easesSpice,
});

/** A station with its dish and how much of it, before anything is laid in time. */
interface Row {
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
const cookedOf = ({ cooks }: DishPlan, { piecesMade, piecesWanted: wanted }: StationScale): Pieces =>
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

function scheduleInputOf(
  input: ClassInput,
  rows: readonly Row[],
  pantry: Pantry,
  shown: Recipe | undefined,
): ScheduleInput {
  const { brief, kitchen } = input;
  // Nobody sits there: the instructor cooks, and tells what is done while doing it.
  const isShown = rows.length > 0 && rows.every(({ station }) => station.size === 0);
  const isHomes = brief.isRemote;
  const handwork = new Map<Recipe, ReturnType<typeof handworkOf>>();
  return {
    stations: rows.map(({ station, index, dish, scale }): StationJob => {
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
        hands: isShown ? 1 + brief.helpers : Math.max(1, station.size),
        pieces: cookedOf(dish, scale),
        isApart: input.arrangement?.apart.includes(index) ?? false,
        ...(dish.mixing === "halves" ? { mixes: 2 as const } : {}),
        measuredLines: work.measuredLines,
        eggs: work.eggs * inBowl,
        sachets: work.sachets * inBowl,
        wetStepId: dish.atTable ? null : wetStepId,
        cookBy: dish.atTable ? outOfTheCold(recipe, pantry) : cookBy,
      };
    }),
    surfaces: isHomes ? kitchen.surfaces.map((surface) => atEachHome(surface, rows.length)) : kitchen.surfaces,
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

const testersIn = (timeline: Timeline): Map<string, number> => {
  const found = new Map<string, number>();
  for (const task of timeline.tasks)
    if (task.kind === "tester" && task.stationId) found.set(task.stationId, (found.get(task.stationId) ?? 0) + 1);
  return found;
};

/** Laying a class anew because a station cooks more testers than its batter was made for ends after so many rounds. */
const mostRounds = 5;

/**
 * How much each station makes and when it cooks it. The two depend on each other through the testers: whoever is first on a surface
 * throws away pieces of its own batter, and a larger batter may change who is first. Testers made for only ever grow, so this ends.
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
  const made = new Map<string, number>();
  for (let round = 1; ; round += 1) {
    const rows = scaled(input, seats, dishAt, byId, pantry, made);
    const scheduled = scheduleInputOf(input, rows, pantry, shown);
    const { net, laid: found, testers } = laying(scheduled);
    const more = [...testers].filter(([stationId, count]) => count > (made.get(stationId) ?? 0));
    if (more.length === 0 || round === mostRounds) return { rows, scheduled, timeline: timelineOf(net, found) };
    for (const [stationId, count] of more) made.set(stationId, count);
  }
}

/** Pieces of each round that a station eats: those of its loads. */
const roundsIn = ({ tasks }: Timeline, stationId: string, rounds: readonly Round[]) =>
  rounds.map(({ id: roundId }) => ({
    roundId,
    pieces: sumOf(
      tasks.flatMap((task) =>
        task.kind === "load" && task.stationId === stationId && task.roundId === roundId ? task.pieces : [],
      ),
    ),
  }));

/** Every station with its kit: what depends on loads is computed after the timeline, from its loads. */
export function stationPlans(
  input: ClassInput,
  rows: readonly Row[],
  timeline: Timeline,
  pantry: Pantry,
): StationPlan[] {
  const usual = kitOptionsOf(input);
  const loads = new Map<string, number>();
  for (const task of timeline.tasks)
    if (task.kind === "load" && task.stationId) loads.set(task.stationId, (loads.get(task.stationId) ?? 0) + 1);
  const testers = testersIn(timeline);
  return rows.map(({ station, eaters, index, dish, scale }): StationPlan => {
    const own = { loads: loads.get(station.id) ?? 0, testers: testers.get(station.id) ?? 0 };
    const cooked = cookedOf(dish, scale);
    const ownSet = ownSetAt(input, index);
    const rounds = dish.recipe.rounds && roundsIn(timeline, station.id, dish.recipe.rounds);
    const inBowl = dish.mixing === "halves" ? multiply(scale.factor, ratio(1n, 2n)) : scale.factor;
    const asked = ownSet === undefined ? usual : kitOptionsOf(input, ownSet);
    // Spice is eased by what is in one bowl.
    const products = ownProductsAt(input, index);
    const options = {
      ...asked,
      easesSpice: asked.easesSpice && isBatchLarge(inBowl),
      ...(products.size > 0 ? { own: products } : {}),
    };
    const kit = kitFor(
      dish.recipe,
      input.pantry,
      pantry,
      scale.factor,
      {
        loads: own.loads,
        greased: (every) => greasedLoads(timeline.tasks, (load) => load.stationId === station.id, every),
        // Nobody garnishes what is thrown away.
        pieces: minus(cooked, inPieces(own.testers)),
        ...(rounds ? { rounds: rounds.map((round) => round.pieces) } : {}),
        people: eaters,
      },
      options,
    );
    const half = () => kitFor(dish.recipe, input.pantry, pantry, inBowl, { loads: 0, pieces: inPieces(0) }, options);
    return {
      ...station,
      dishId: dish.id,
      isApart: input.arrangement?.apart.includes(index) ?? false,
      scale,
      eaters,
      cooked,
      ...own,
      ...(rounds ? { rounds } : {}),
      ...(ownSet === undefined ? {} : { ownSet }),
      kit,
      ...(dish.mixing === "ahead"
        ? { ahead: { batter: batterIn(kit, dish.recipe), rest: besideBatter(kit, dish.recipe) } }
        : {}),
      ...(dish.mixing === "halves"
        ? { halves: { factor: inBowl, each: batterIn(half(), dish.recipe), rest: besideBatter(kit, dish.recipe) } }
        : {}),
    };
  });
}

/**
 * The instructor's own bowl, of the dish that is shown, with the fat of the loads that are shown; and the spare kit, as large as the
 * largest station of that dish it must stand in for.
 */
function bowlsBeside(
  input: ClassInput,
  dishes: readonly DishPlan[],
  stations: readonly StationPlan[],
  timeline: Timeline,
  pantry: Pantry,
): ExtraKit[] {
  const { brief } = input;
  const dish = shownDish(dishes);
  if (!dish) return [];
  const isShown = (task: Task) => task.kind === "demo-load";
  const shown: Pick<Counted, "loads" | "greased"> = {
    loads: timeline.tasks.filter(isShown).length,
    greased: (every) => greasedLoads(timeline.tasks, isShown, every),
  };
  const usual = (loads: Pick<Counted, "loads" | "greased">) =>
    kitFor(
      dish.recipe,
      input.pantry,
      pantry,
      one,
      {
        ...loads,
        pieces: dish.batchYield.pieces,
      },
      kitOptionsOf(input),
    );
  const own = stations.filter((station) => station.dishId === dish.id);
  const largest = own.reduce<StationPlan | undefined>(
    (so, station) =>
      so && toNumber(so.scale.factor) * 1000 + so.loads >= toNumber(station.scale.factor) * 1000 + station.loads
        ? so
        : station,
    undefined,
  );
  // What is shown without a load needs no fat for the pan; whoever steps along greases for their own first load.
  const shownOnce = brief.demo === "along" && shown.loads === 0 ? { loads: 1 } : shown;
  const isWanted = (line: KitLine) =>
    line.main === undefined || line.apart !== undefined || !isZero(line.main.amount.value);
  return [
    ...(brief.hasDemoBatch
      ? [{ kind: "demo" as const, dishId: dish.id, factor: one, kit: usual(shownOnce).filter(isWanted) }]
      : []),
    ...(brief.hasSpareKit
      ? [
          {
            kind: "spare" as const,
            dishId: dish.id,
            factor: largest?.scale.factor ?? one,
            kit: largest ? asTheClass(largest.kit) : usual({ loads: 1 }),
          },
        ]
      : []),
  ];
}

/** Grams of batter that are made before the doors for stations of a dish; undefined while an amount is not known. */
export const gramsAhead = (stations: readonly Pick<StationPlan, "ahead">[]): Grams | undefined =>
  sumKnown(stations.flatMap(({ ahead }) => ahead?.batter ?? []).map(({ main }) => main?.grams));

/** Batches of a dish that somebody mixes: the stations, the demonstration, the spare kit. */
export const batchesOf = (
  dishId: string,
  stations: readonly StationPlan[],
  extras: readonly Pick<ExtraKit, "kind" | "dishId" | "factor">[],
): Ratio =>
  [
    ...stations.filter((station) => station.dishId === dishId).map((station) => station.scale.factor),
    ...extras.filter((extra) => extra.dishId === dishId && extra.kind !== "stored").map((extra) => extra.factor),
  ].reduce(add, zero);

/** Of each dish whose dry mix is made in bulk, the whole batches that are over, as bags to store. */
function storedMixes(
  input: ClassInput,
  dishes: readonly DishPlan[],
  stations: readonly StationPlan[],
  extras: readonly ExtraKit[],
  pantry: Pantry,
): ExtraKit[] {
  return dishes.flatMap((dish): ExtraKit[] => {
    const over = subtract(ratio(BigInt(dish.bulk ?? 0)), batchesOf(dish.id, stations, extras));
    const bags = Math.floor(toNumber(over));
    if (bags < 1) return [];
    const { recipe } = dish;
    // Each bag is one batch, however many there are: nothing is eased.
    const options = { ...kitOptionsOf(input), easesSpice: false };
    const kit = (batches: Ratio) =>
      kitFor(recipe, input.pantry, pantry, batches, { loads: 0, pieces: inPieces(0) }, options);
    const dry = (lines: readonly KitLine[]) => lines.filter((line) => isInDryMix(line, pantry.get(line.ingredientId)));
    const each = dry(kit(one));
    if (each.length === 0) return [];
    const wet = new Set(recipe.lines.filter((line) => isBatter(line, recipe)).map((line) => line.id));
    const beside = kit(one).filter((line) => wet.has(line.lineId) && !each.includes(line));
    const factor = ratio(BigInt(bags));
    return [{ kind: "stored", dishId: dish.id, factor, kit: dry(kit(factor)), stored: { bags, each, add: beside } }];
  });
}

/** A kit of the class's own: what a household has of its own is in it like everything else. */
const asTheClass = (kit: StationPlan["kit"]): StationPlan["kit"] =>
  kit.some((line) => line.own !== undefined) ? kit.map(({ own: _own, ...line }) => line) : kit;

/** Every kit that no station has; see {@link ExtraKit}. */
export function extraKits(
  input: ClassInput,
  dishes: readonly DishPlan[],
  stations: readonly StationPlan[],
  timeline: Timeline,
  pantry: Pantry,
): ExtraKit[] {
  const beside = bowlsBeside(input, dishes, stations, timeline, pantry);
  return [...beside, ...storedMixes(input, dishes, stations, beside, pantry)];
}
