import {
  type ItemVerdict,
  type PersonVerdict,
  avoidedBy,
  gravest,
  isObliged,
  judgePlate,
  rankOf,
} from "~/core/allergen";
import { type ContactStation, contactsOf, demoStation, exposuresOf, newTraces, tracesOf } from "~/core/contact";
import { stationIndex, tastersAtHome } from "~/core/people";
import { type GearLine, goesRoundIn, isUsedUp } from "~/core/gear";
import { type KnownFood, foodAt, markets } from "~/core/pantry";
import type { Timeline } from "~/core/schedule";
import { shownDish } from "./dishes";
import { remembered } from "./kits-of";
import type { ClassInput, DishPlan, ExtraKit, Plate, StationPlan } from "./types";

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

/** A plate on which each item may also be one of other tables' own: the gravest of them counts. */
function withGraver(plate: PersonVerdict, others: readonly (readonly ItemVerdict[])[]): PersonVerdict {
  if (others.length === 0) return plate;
  const items = plate.items.map((item) =>
    others
      .flatMap((of) => of.filter((one) => one.ingredientId === item.ingredientId))
      .reduce((worst, one) => (rankOf[one.verdict] < rankOf[worst.verdict] ? one : worst), item),
  );
  return { ...plate, items, verdict: gravest(items.map((item) => item.verdict)) };
}

/** The plate of every person: its items, brought food, and cross-contact in the room. */
export function platesOf(
  input: ClassInput,
  food: KnownFood,
  stations: readonly StationPlan[],
  dishes: readonly DishPlan[],
  gear: readonly GearLine[],
  timeline: Timeline,
  extras: readonly ExtraKit[],
): Plate[] {
  const { pantry, labels, broughtIds } = food;
  const eaten = eatenBy(stations, dishes);
  const stationOf = new Map(stations.flatMap((station) => station.people.map((id) => [id, station] as const)));
  // Whoever tastes in a household apart eats of what is made there, and of nothing else.
  if (input.brief.isRemote)
    for (const [id, home] of tastersAtHome(stations, input.people)) {
      const station = stations.find((one) => one.id === home);
      if (station) stationOf.set(id, station);
    }

  // Who avoids nothing is reached by nothing, and then nobody needs to know who touched what.
  const isAsked = input.people.some((person) => avoidedBy(person).length > 0);
  const avoided = input.people.flatMap((person) => avoidedBy(person));
  const asks = {
    foods: avoided.some((one) => one.food !== undefined),
    silence: avoided.some(
      (one) =>
        one.food !== undefined || markets.some((market) => !isObliged(one.substance, market, input.brief.regime)),
    ),
  };
  const recipeOf = new Map(dishes.map((dish) => [dish.id, dish.recipe]));
  const atStations = stations.flatMap((station): ContactStation[] => {
    const recipe = recipeOf.get(station.dishId);
    // A household's own kit meets nobody's; in one room what stands at a table is in the room.
    const own = input.brief.isRemote ? undefined : food.own.get(stationIndex(station.id));
    return recipe ? [{ id: station.id, recipe, isApart: station.isApart, food: own }] : [];
  });
  const traces = newTraces();
  const tables = atStations.length;
  const goesRound = goesRoundIn(
    input.kitchen,
    atStations.map((one) => one.recipe),
  ).filter(({ thing, count }) => count < tables || input.kitchen.goesRound?.some((one) => one.thing === thing));
  const isShown = timeline.tasks.some((task) => task.kind === "demo-load") || extras.some((one) => one.kind === "demo");
  const demoDish = isShown ? shownDish(dishes)?.id : undefined;
  const reached = isAsked
    ? contactsOf(
        {
          stations: atStations,
          demo: recipeOf.get(demoDish ?? ""),
          timeline,
          kitMode: input.brief.kitMode,
          isRemote: input.brief.isRemote,
          // What is stored is filled when every kit is closed.
          extras: extras.flatMap(({ kind, dishId }) => {
            const recipe = recipeOf.get(dishId);
            return recipe && kind !== "stored" ? [{ kind, recipe }] : [];
          }),
          // What is short goes round, and so does what goes round by plan.
          shortTools: new Set(
            gear
              .filter(
                ({ tool, short, perStation }) =>
                  (short > 0 && perStation > 0 && !isUsedUp(tool)) || goesRound.some((one) => one.thing === tool),
              )
              .map((line) => line.tool),
          ),
        },
        pantry,
        labels,
        traces,
        asks,
      )
    : undefined;
  const leftBy = (dishId: string, known: Pick<KnownFood, "pantry" | "labels">) =>
    tracesOf(
      recipeOf.get(dishId)?.lines.map((line) => line.ingredientId) ?? [],
      known.pantry,
      known.labels,
      traces,
      asks,
    );
  const tracesOfDish = remembered((dishId) => leftBy(dishId, food));
  const withOwn = input.brief.isRemote
    ? []
    : atStations.flatMap((one) => (one.food ? [{ ...one, food: one.food }] : []));
  // Of stations that make the same, one that is not a person's own speaks for all.
  const aroundFor = remembered((stationId) => {
    const makers = new Map<string, string>();
    if (demoDish !== undefined) makers.set(demoDish, demoStation);
    for (const one of stations) if (one.id !== stationId && !makers.has(one.dishId)) makers.set(one.dishId, one.id);
    const own = withOwn.filter((one) => one.id !== stationId);
    return [
      ...[...makers].map(([dishId, from]) => ({ stationId: from, traces: tracesOfDish(dishId) })),
      ...own.map(({ id, food: known }) => ({
        stationId: id,
        traces: leftBy(stations.find((one) => one.id === id)?.dishId ?? "", known),
      })),
    ];
  });
  /** What whoever has no station may be given of a table's own products: they eat of every dish, and of these. */
  const tasted = remembered((personId) => {
    const person = input.people.find((one) => one.id === personId);
    return person
      ? withOwn.map(({ id, food: known }) => judgePlate(person, eaten(id), known.pantry, known.labels).items)
      : [];
  });
  return input.people.map((person): Plate => {
    const station = stationOf.get(person.id);
    const there = foodAt(food, station && stationIndex(station.id));
    const usual = judgePlate(person, [...eaten(station?.id), ...broughtIds], there.pantry, there.labels);
    const judged = station ? usual : withGraver(usual, tasted(person.id));
    // Who has no station is judged on every dish already: nothing in the room could add to that.
    const others =
      !input.brief.isRemote && person.needs.some((need) => need.kind !== "diet" && need.touchOrAir)
        ? aroundFor(station?.id ?? "")
        : [];
    const exposures = reached && station ? exposuresOf(person, reached.of(station.id), others, station.id, traces) : [];
    return exposures.length === 0
      ? { ...judged, exposures }
      : { ...judged, verdict: gravest([judged.verdict, ...exposures.map((one) => one.verdict)]), exposures };
  });
}
