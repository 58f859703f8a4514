import { judgePlate } from "~/core/allergen";
import { type Pantry, airFactor, batterOf, leftBehind, yieldOf } from "~/core/batter";
import { gearOf, surfacesFor } from "~/core/gear";
import { type KitLine, kitOf, totalsOf } from "~/core/kit";
import { type Participant, needsAdultAtHeat, paceOf, seat } from "~/core/people";
import { type Ratio, measuringSetOf, one, toNumber, writeRatio } from "~/core/quantity";
import { asVariant, isBatter } from "~/core/recipe";
import { type StationScale, loadsFor, piecesWanted, scaleStation } from "~/core/scale";
import { type ScheduleInput, type Timeline, schedule } from "~/core/schedule";
import { findingsOf } from "./findings";
import { fingerprints } from "./stages";
import type { ClassInput, ClassPlan, Dish, DishPlan, KeyFigure, StationPlan } from "./types";

/** Each dish as its variant makes it, with its batter and what a batch gives. */
function dishPlan(dish: Dish, pantry: Pantry, stations: number): DishPlan {
  const recipe = asVariant(dish.recipe, dish.variantId);
  const batter = batterOf(recipe, pantry);
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
export function dishOfStations(dishes: readonly Dish[], stations: number): (Dish | undefined)[] {
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

interface Made {
  readonly scale: StationScale;
  readonly loads: number;
  readonly kit: readonly KitLine[];
}

/** Surfaces and places a dish can use at one station: the largest load, and the station's own surfaces for testers. */
function cookingPlaces(dish: DishPlan, input: ClassInput) {
  const surfaces = surfacesFor(dish.recipe, input.kitchen);
  const own = surfaces.filter((surface) => surface.at === "station");
  return {
    places: Math.max(1, ...surfaces.map((surface) => surface.places)),
    ownSurfaces: own.reduce((sum, surface) => sum + surface.count, 0),
  };
}

function stationPlans(input: ClassInput, dishes: ReadonlyMap<string, DishPlan>, pantry: Pantry): StationPlan[] {
  const { brief } = input;
  const seats = seat(brief.people, brief.stationSize, input.people, brief.stationNames);
  const dishOf = dishOfStations(input.dishes, seats.length);
  const set = measuringSetOf(brief.measuringSetId);
  const make = remembered((key): Made | undefined => {
    const [dishId = "", size = "0"] = key.split("\n");
    const dish = dishes.get(dishId);
    if (!dish) return undefined;
    const { places, ownSurfaces } = cookingPlaces(dish, input);
    const scale = scaleStation(
      dish.recipe,
      dish.batter,
      piecesWanted(Number(size), brief.piecesEach, brief.testersPerSurface * ownSurfaces),
      brief.batchRule,
    );
    const loads = loadsFor(scale.piecesMade, places);
    return { scale, loads, kit: kitOf(dish.recipe, pantry, scale.factor, loads, scale.piecesMade, set) };
  });
  return seats.flatMap((station, index) => {
    const dish = dishOf[index];
    const made = dish && make(`${dish.id}\n${station.size}`);
    return dish && made ? [{ ...station, dishId: dish.id, ...made }] : [];
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
    hotPlaces:
      brief.hotPlacesPerAdult > 0 && needsAdultAtHeat(brief.audience)
        ? brief.hotPlacesPerAdult * (brief.helpers + 1)
        : null,
  };
}

/** What is on one person's plate: the dish of their station, or of every station for those who have none. */
function plateOf(person: Participant, stations: readonly StationPlan[], dishes: readonly DishPlan[]): string[] {
  const own = stations.find((station) => station.people.includes(person.id))?.dishId;
  const eaten = dishes.filter((dish) => own === undefined || dish.id === own);
  return [...new Set(eaten.flatMap((dish) => dish.recipe.lines.map((line) => line.ingredientId)))];
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
  const pantry: Pantry = new Map(input.pantry.map((ingredient) => [ingredient.id, ingredient]));
  const labels = new Map(input.labels.map((label) => [label.ingredientId, label]));
  const stationCount = brief.people > 0 ? Math.ceil(brief.people / brief.stationSize) : 0;
  const assigned = dishOfStations(input.dishes, stationCount);
  const dishes = input.dishes.map((dish) =>
    dishPlan(dish, pantry, assigned.filter((each) => each?.id === dish.id).length),
  );
  const dishById = new Map(dishes.map((dish) => [dish.id, dish]));

  const stations = stationPlans(input, dishById, pantry);
  const first = dishes[0];
  const set = measuringSetOf(brief.measuringSetId);
  const extraKit = first ? kitOf(first.recipe, pantry, one, 1, first.batchYield.pieces, set) : [];
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
  const plates = input.people.map((person) => judgePlate(person, plateOf(person, stations, dishes), pantry, labels));
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
