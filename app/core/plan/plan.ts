import { avoidedBy, gravest, judgePlate } from "~/core/allergen";
import { type Batter, type Pantry, airFactor, batterOf, leftBehind, yieldOf } from "~/core/batter";
import { type ContactStation, contactsOf, demoStation, exposuresOf, tracesOf } from "~/core/contact";
import { type GearLine, gearOf, placesOn, surfacesFor } from "~/core/gear";
import { type KitLine, type KitOptions, kitOf, totalsOf } from "~/core/kit";
import { type KnownFood, knownFood } from "~/core/pantry";
import { type Station, needsAdultAtHeat, paceOf, seat, stationIndex } from "~/core/people";
import { type Ratio, measuringSetOf, one, toNumber, withoutScoops, writeRatio } from "~/core/quantity";
import { type Recipe, asVariant, isBatter } from "~/core/recipe";
import { type StationScale, eggsPerBatch, loadsFor, piecesWanted, scaleStation, withWholeEggs } from "~/core/scale";
import { type ScheduleInput, type Timeline, schedule } from "~/core/schedule";
import { findingsOf } from "./findings";
import { fingerprints } from "./stages";
import type { ClassInput, ClassPlan, Dish, DishPlan, KeyFigure, Plate, StationPlan } from "./types";

/** The batter of a recipe: worked out once for the same recipe and pantry, as neither changes while a brief is typed. */
const knownBatter = new WeakMap<Recipe, { readonly pantry: ClassInput["pantry"]; readonly batter: Batter }>();

function batterFor(recipe: Recipe, ingredients: ClassInput["pantry"], pantry: Pantry): Batter {
  const before = knownBatter.get(recipe);
  if (before?.pantry === ingredients) return before.batter;
  const batter = batterOf(recipe, pantry);
  knownBatter.set(recipe, { pantry: ingredients, batter });
  return batter;
}

/** Each dish as its variant makes it, with its batter and what a batch gives. */
function dishPlan(dish: Dish, ingredients: ClassInput["pantry"], pantry: Pantry, stations: number): DishPlan {
  const recipe = asVariant(dish.recipe, dish.variantId);
  const batter = batterFor(recipe, ingredients, pantry);
  return {
    id: dish.id,
    recipe,
    stations,
    batter,
    variantName: dish.recipe.variants.find((variant) => variant.id === dish.variantId)?.name ?? null,
    batchYield: yieldOf(recipe, batter),
  };
}

/** Which dish each station makes: the dishes in order, each for its stations, the open-ended one for the rest. */
function dishOfStations(dishes: readonly Dish[], stations: number): (Dish | undefined)[] {
  const fixed = dishes.reduce((sum, dish) => sum + (dish.stations ?? 0), 0);
  const open = dishes.filter((dish) => dish.stations === null).length;
  let rest = Math.max(0, stations - fixed);
  let openLeft = open;
  const row = dishes.flatMap((dish) => {
    const share = dish.stations ?? Math.ceil(rest / openLeft);
    if (dish.stations === null) {
      rest -= share;
      openLeft -= 1;
    }
    return Array.from({ length: share }, () => dish);
  });
  return Array.from({ length: stations }, (_, index) => row[index] ?? dishes[dishes.length - 1]);
}

/** The stations of a class, with who sits at them. */
const seatsOf = ({ brief, people, arrangement }: ClassInput): Station[] =>
  seat(brief.people, brief.stationSize, people, brief.stationNames, arrangement);

/**
 * What the station at each place makes. The dishes are given to the places as they were arranged: a table that falls empty takes its
 * dish with it, and one that is added for late comers makes what most make, so that nobody's own dish goes to another table.
 */
export function dishByPlace(input: ClassInput, stations: number): (index: number) => Dish | undefined {
  const row = dishOfStations(input.dishes, input.arrangement?.seats?.length ?? stations);
  const open = input.dishes.find((dish) => dish.stations === null) ?? input.dishes.at(-1);
  return (index) => row[index] ?? open;
}

/** What a station makes depends only on its dish and its size: remembered, as fifty stations have but a few of either. */
function remembered<T>(make: (key: string) => T): (key: string) => T {
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

function kitFor(
  recipe: Recipe,
  ingredients: ClassInput["pantry"],
  pantry: Pantry,
  factor: Ratio,
  loads: number,
  pieces: number,
  options: KitOptions,
): KitLine[] {
  const before = knownKits.get(recipe);
  const { kits } = before?.pantry === ingredients ? before : { kits: new Map<string, KitLine[]>() };
  if (before?.pantry !== ingredients) knownKits.set(recipe, { pantry: ingredients, kits });
  const { set, tolerance, easesSpice } = options;
  const key = [writeRatio(factor), loads, pieces, set.id, tolerance.strict, tolerance.usual, easesSpice].join(" ");
  const known = kits.get(key) ?? kitOf(recipe, pantry, factor, loads, pieces, options);
  kits.set(key, known);
  return known;
}

/** Forgets the kits of a recipe once there are many: between two plans only, as within one the same kit must stay the same list. */
function tidyKits(recipe: Recipe): void {
  const kits = knownKits.get(recipe)?.kits;
  if (kits && kits.size >= mostKits) kits.clear();
}

/** Surfaces and places a dish can use at one station: the largest load, and the station's own surfaces for testers. */
export function cookingPlaces(dish: Pick<DishPlan, "recipe">, input: Pick<ClassInput, "kitchen">) {
  const surfaces = surfacesFor(dish.recipe, input.kitchen);
  const own = surfaces.filter((surface) => surface.at === "station");
  return {
    places: Math.max(1, ...surfaces.map((surface) => placesOn(surface, dish.recipe))),
    ownSurfaces: own.reduce((sum, surface) => sum + surface.count, 0),
  };
}

/** How kits are measured in this class. */
export const kitOptionsOf = ({ brief }: Pick<ClassInput, "brief">): KitOptions => ({
  set: withoutScoops(measuringSetOf(brief.measuringSetId), brief.missingScoops),
  tolerance: { strict: brief.strictTolerancePercent / 100, usual: brief.usualTolerancePercent / 100 },
  easesSpice: brief.easesSpice,
});

function stationPlans(
  input: ClassInput,
  seats: readonly Station[],
  dishAt: (index: number) => Dish | undefined,
  dishes: ReadonlyMap<string, DishPlan>,
  pantry: Pantry,
): StationPlan[] {
  const { brief } = input;
  const scaleFor = remembered((key): StationScale | undefined => {
    const [dishId = "", size = "0"] = key.split("\n");
    const dish = dishes.get(dishId);
    return dish
      ? scaleStation(
          dish.recipe,
          dish.batter,
          piecesWanted(
            Number(size),
            brief.piecesEach,
            brief.testersPerSurface * cookingPlaces(dish, input).ownSurfaces,
          ),
          brief.batchRule,
        )
      : undefined;
  });
  const rows = seats.flatMap((station) => {
    const index = stationIndex(station.id);
    const dish = dishes.get(dishAt(index)?.id ?? "");
    const scale = dish && scaleFor(`${dish.id}\n${station.size}`);
    return dish && scale ? [{ station, index, dish, scale }] : [];
  });
  const scales = new Map(rows.map((row) => [row.index, row.scale]));
  const { eggRule } = brief;
  if (eggRule !== "by-weight")
    for (const dish of dishes.values()) {
      const own = rows.filter((row) => row.dish === dish);
      const eggs = eggsPerBatch(dish.recipe, (id) => pantry.get(id)?.role === "egg");
      if (!eggs) continue;
      withWholeEggs(
        own.map((row) => row.scale),
        dish.recipe,
        dish.batter,
        eggs,
        eggRule,
      ).forEach((scale, at) => scales.set(own[at]?.index ?? -1, scale));
    }
  const options = kitOptionsOf(input);
  return rows.map(({ station, index, dish, scale: usual }) => {
    const scale = scales.get(index) ?? usual;
    const loads = loadsFor(scale.piecesMade, cookingPlaces(dish, input).places);
    return {
      ...station,
      dishId: dish.id,
      isApart: input.arrangement?.apart.includes(index) ?? false,
      scale,
      loads,
      kit: kitFor(dish.recipe, input.pantry, pantry, scale.factor, loads, scale.piecesMade, options),
    };
  });
}

function scheduleInputOf(
  input: ClassInput,
  stations: readonly StationPlan[],
  dishes: ReadonlyMap<string, DishPlan>,
): ScheduleInput {
  const { brief, kitchen } = input;
  return {
    stations: stations.flatMap((station) => {
      const dish = dishes.get(station.dishId);
      if (!dish) return [];
      const batterLines = dish.recipe.lines.filter(isBatter);
      const eggs = station.kit.filter(
        (line) => line.main?.amount.unit === "piece" && batterLines.some((batter) => batter.id === line.lineId),
      );
      return [
        {
          stationId: station.id,
          recipe: dish.recipe,
          pieces: station.scale.piecesMade,
          isApart: station.isApart,
          measuredLines: batterLines.length - eggs.length,
          eggs: eggs.reduce((sum, line) => sum + (line.main ? toNumber(line.main.amount.value) : 0), 0),
        },
      ];
    }),
    surfaces: kitchen.surfaces,
    people: brief.people,
    sinks: kitchen.sinks,
    pace: paceOf[brief.audience],
    demo: brief.demo,
    kitMode: brief.kitMode,
    doorsMinutes: brief.doorsMinutes,
    eatMinutes: brief.eatMinutes,
    cleanMinutes: brief.cleanMinutes,
    testersPerSurface: brief.testersPerSurface,
    washesBetween: input.arrangement?.washesBetween ?? false,
    hotPlaces:
      brief.hotPlacesPerAdult > 0 && needsAdultAtHeat(brief.audience)
        ? brief.hotPlacesPerAdult * (brief.helpers + 1)
        : null,
  };
}

/** What is on each person's plate: the dish of their station, or of every station for those who have none. */
function eatenBy(
  stations: readonly StationPlan[],
  dishes: readonly DishPlan[],
): (stationId: string | undefined) => string[] {
  const dishOf = new Map(stations.map((station) => [station.id, station.dishId]));
  const eaten = remembered((dishId) => {
    const own = dishes.filter((dish) => dishId === "" || dish.id === dishId);
    return [...new Set(own.flatMap((dish) => dish.recipe.lines.map((line) => line.ingredientId)))];
  });
  return (stationId) => eaten(dishOf.get(stationId ?? "") ?? "");
}

/** Every person's plate: what it is made of, what is brought along, and what reaches it over the room. */
function platesOf(
  input: ClassInput,
  { pantry, labels, broughtIds }: KnownFood,
  stations: readonly StationPlan[],
  dishes: readonly DishPlan[],
  gear: readonly GearLine[],
  timeline: Timeline,
): Plate[] {
  const eaten = eatenBy(stations, dishes);
  const stationOf = new Map(stations.flatMap((station) => station.people.map((id) => [id, station] as const)));

  // Who avoids nothing is reached by nothing, and then nobody needs to know who touched what.
  const isAsked = input.people.some((person) => avoidedBy(person).length > 0);
  const recipeOf = new Map(dishes.map((dish) => [dish.id, dish.recipe]));
  const atStations = stations.flatMap((station): ContactStation[] => {
    const recipe = recipeOf.get(station.dishId);
    return recipe ? [{ id: station.id, recipe, isApart: station.isApart }] : [];
  });
  const demoDish = timeline.tasks.some((task) => task.kind === "demo-load") ? stations[0]?.dishId : undefined;
  const reached = isAsked
    ? contactsOf(
        {
          stations: atStations,
          demo: recipeOf.get(demoDish ?? ""),
          timeline,
          kitMode: input.brief.kitMode,
          isRemote: input.brief.isRemote,
          shortTools: new Set(gear.filter((line) => line.short > 0 && line.perStation > 0).map((line) => line.tool)),
        },
        pantry,
        labels,
      )
    : undefined;
  const traces = remembered((dishId) =>
    tracesOf(recipeOf.get(dishId)?.lines.map((line) => line.ingredientId) ?? [], pantry, labels),
  );
  // Of stations that make the same, one that is not a person's own speaks for all.
  const aroundFor = remembered((stationId) => {
    const makers = new Map<string, string>();
    if (demoDish !== undefined) makers.set(demoDish, demoStation);
    for (const one of stations) if (one.id !== stationId && !makers.has(one.dishId)) makers.set(one.dishId, one.id);
    return [...makers].map(([dishId, from]) => ({ stationId: from, traces: traces(dishId) }));
  });
  return input.people.map((person): Plate => {
    const station = stationOf.get(person.id);
    const judged = judgePlate(person, [...eaten(station?.id), ...broughtIds], pantry, labels);
    // Who has no station is judged on every dish already: nothing in the room could add to that.
    const others =
      !input.brief.isRemote && person.needs.some((need) => need.kind === "substance" && need.touchOrAir)
        ? aroundFor(station?.id ?? "")
        : [];
    const exposures = reached && station ? exposuresOf(person, reached.of(station.id), others, station.id) : [];
    return exposures.length === 0
      ? { ...judged, exposures }
      : { ...judged, verdict: gravest([judged.verdict, ...exposures.map((one) => one.verdict)]), exposures };
  });
}

function figuresOf(
  input: ClassInput,
  dishes: readonly DishPlan[],
  stations: readonly StationPlan[],
  timeline: Timeline,
  totals: ClassPlan["totals"],
): KeyFigure[] {
  const { brief } = input;
  const sum = (pick: (station: StationPlan) => number) => stations.reduce((so, station) => so + pick(station), 0);
  const [made, wanted] = [sum((station) => station.scale.piecesMade), sum((station) => station.scale.piecesWanted)];
  const byFactor = new Map<string, { factor: Ratio; stations: number }>();
  for (const {
    scale: { factor },
  } of stations)
    byFactor.set(writeRatio(factor), { factor, stations: (byFactor.get(writeRatio(factor))?.stations ?? 0) + 1 });
  const pieces: KeyFigure["why"] = {
    code: "pieces-made",
    made,
    wanted,
    people: brief.people,
    piecesEach: brief.piecesEach,
  };
  return [
    {
      code: "stations",
      of: null,
      value: stations.length,
      why: { code: "stations", people: brief.people, stationSize: brief.stationSize },
    },
    ...dishes.map((dish): KeyFigure => ({
      code: "pieces-per-batch",
      of: dish.id,
      value: dish.batchYield.pieces,
      why: { code: "pieces-per-batch", from: dish.batchYield.from, leftBehind, airFactor },
    })),
    {
      code: "batches",
      of: null,
      value: sum((station) => toNumber(station.scale.factor)),
      why: { code: "batches", stations: [...byFactor.values()], rule: brief.batchRule },
    },
    { code: "pieces-made", of: null, value: made, why: pieces },
    { code: "over", of: null, value: made - wanted, why: pieces },
    {
      code: "loads",
      of: null,
      value: timeline.loads,
      why: {
        code: "loads",
        pieces: made,
        loads: timeline.loads,
        places: Math.max(0, ...dishes.map((dish) => cookingPlaces(dish, input).places)),
      },
    },
    { code: "minutes", of: null, value: timeline.end, why: { code: "minutes", parts: timeline.critical } },
    {
      code: "slack",
      of: null,
      value: brief.minutes - timeline.end,
      why: { code: "room", minutes: timeline.end, available: brief.minutes },
    },
    ...totals.flatMap((total): KeyFigure[] =>
      total.buyGrams === undefined && total.buyPieces === undefined
        ? []
        : [
            {
              code: "total",
              of: total.ingredientId,
              value: total.buyPieces ?? total.buyGrams ?? 0,
              why: {
                code: "total",
                stations: stations.length,
                hasDemoBatch: brief.hasDemoBatch,
                hasSpareKit: brief.hasSpareKit,
              },
            },
          ],
    ),
  ];
}

/**
 * From what is known of a class to everything that follows from it. Pure: the browser shows the consequences of an unsaved
 * change with the very function the server plans with.
 */
export function plan(input: ClassInput): ClassPlan {
  const { brief } = input;
  const food = knownFood(input);
  const { pantry } = food;
  const seats = seatsOf(input);
  const dishAt = dishByPlace(input, seats.length);
  const assigned = seats.map((station) => dishAt(stationIndex(station.id)));
  const dishes = input.dishes.map((dish) =>
    dishPlan(dish, input.pantry, pantry, assigned.filter((each) => each?.id === dish.id).length),
  );
  const dishById = new Map(dishes.map((dish) => [dish.id, dish]));
  for (const dish of dishes) tidyKits(dish.recipe);

  const stations = stationPlans(input, seats, dishAt, dishById, pantry);
  const first = dishes[0];
  const extraKit = first
    ? kitFor(first.recipe, input.pantry, pantry, one, 1, first.batchYield.pieces, kitOptionsOf(input))
    : [];
  const demoKit = brief.hasDemoBatch ? extraKit : [];
  const spareKit = brief.hasSpareKit ? extraKit : [];
  const totals = totalsOf([...stations.map((station) => station.kit), demoKit, spareKit], input.packs);

  const scheduled = scheduleInputOf(input, stations, dishById);
  const timeline = schedule(scheduled);
  const gear = gearOf(
    {
      dishes: dishes.map((dish) => ({
        recipe: dish.recipe,
        stations: dish.stations,
        people: stations
          .filter((station) => station.dishId === dish.id)
          .reduce((sum, station) => sum + station.size, 0),
      })),
      isMeasuring: brief.kitMode !== "pre-measured",
      hasDemo: brief.demo !== "along",
      surfaces: timeline.units.length,
    },
    input.kitchen,
  );
  const plates = platesOf(input, food, stations, dishes, gear, timeline);
  const findings = findingsOf(input, pantry, dishes, stations, plates, gear, timeline, scheduled);

  return {
    stations,
    dishes,
    demoKit,
    spareKit,
    totals,
    gear,
    timeline,
    plates,
    figures: figuresOf(input, dishes, stations, timeline, totals),
    findings,
    isPackable:
      dishes.length > 0 && !findings.some((finding) => finding.level === "blocks" && finding.stage === "recipe"),
    fingerprints: fingerprints(input),
  };
}
