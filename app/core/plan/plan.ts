import { noUnit } from "~/core/ids";
import { type Kitchen, gearOf } from "~/core/gear";
import { demandOf } from "~/core/kit";
import { knownFood } from "~/core/pantry";
import { tablesOf } from "~/core/people";
import { type Pieces, toNumber, minus, inPieces, type Minutes, sumOf, largest } from "~/core/quantity";
import { servingsOf } from "~/core/recipe";
import type { Task, Timeline } from "~/core/schedule";
import { dishesOf } from "./dishes";
import { figuresOf } from "./figures";
import { findingsOf } from "./findings";
import { platesOf } from "./plates";
import { extraKits } from "./extras";
import { tidyKits } from "./kits-of";
import { laid } from "./laying";
import { stationPlans } from "./stations";
import type { ClassInput, ClassPlan, StationPlan } from "./types";

const plans = new WeakMap<ClassInput, ClassPlan>();

/**
 * From what is known of a class to everything that follows from it. Pure: the browser shows the consequences of an unsaved
 * change with the very function the server plans with. The same input, as an object, gives the same plan again.
 */
export function plan(input: ClassInput): ClassPlan {
  const before = plans.get(input);
  if (before) return before;
  const made = planned(input);
  plans.set(input, made);
  return made;
}

function planned(input: ClassInput): ClassPlan {
  const { brief } = input;
  const food = knownFood(input);
  const { pantry } = food;
  const seats = tablesOf(brief, input.people, input.arrangement);
  const { dishes, dishAt } = dishesOf(input, pantry, seats);
  for (const dish of dishes) tidyKits(dish.recipe);
  const { rows, scheduled, timeline } = laid(input, seats, dishAt, dishes, pantry);
  const stations = stationPlans(input, rows, timeline, pantry);
  const extras = extraKits(input, dishes, stations, timeline, pantry);
  const kitOf = (kind: "demo" | "spare") => extras.find((one) => one.kind === kind)?.kit ?? [];
  const totals = demandOf(
    [...stations.map((station) => station.kit), ...extras.map((one) => one.kit)],
    pantry,
    input.packs,
  );
  const gear = gearOf(
    {
      dishes: dishes
        .filter((dish) => dish.stations > 0)
        .map((dish) => {
          const own = stations.filter((station) => station.dishId === dish.id);
          return {
            recipe: dish.atTable ?? dish.recipe,
            ...(dish.batter.unknownLines.length === 0 && dish.batter.millilitres > 0
              ? {
                  batterMl: dish.batter.millilitres,
                  gramsPerMl: dish.batter.grams / dish.batter.millilitres,
                }
              : {}),
            batches: [
              ...own.map((station) => toNumber(station.scale.factor)),
              ...extras
                .filter((one) => one.kind === "demo" && one.dishId === dish.id)
                .map((one) => toNumber(one.factor)),
            ],
            inOvenAtOnce: inOvenAtOnce(timeline, input.kitchen, own),
            ...(dish.mixing === "halves" ? { mixes: 2 as const } : {}),
            ...(dish.atTable ? { madeAhead: dish.recipe } : {}),
            stations: dish.stations,
            people: own.reduce((sum, station) => sum + station.eaters, 0),
            // What is thrown away is put on no stick.
            pieces: sumOf(own.map((station) => minus(station.cooked, inPieces(station.testers)))),
            servings: own.reduce(
              (sum, station) => sum + servingsOf(dish.recipe, minus(station.cooked, inPieces(station.testers))),
              0,
            ),
          };
        }),
      isMeasuring: brief.kitMode !== "pre-measured",
      // Whoever steps along with a bowl of their own needs what it is mixed in.
      hasDemo: brief.demo !== "along" || brief.hasDemoBatch,
      surfaces: timeline.units.length,
    },
    input.kitchen,
  );
  const plates = platesOf(input, food, stations, dishes, gear, timeline, extras);
  const findings = findingsOf(input, pantry, dishes, stations, plates, gear, timeline, scheduled, extras);

  return {
    stations,
    dishes,
    extras,
    demoKit: kitOf("demo"),
    spareKit: kitOf("spare"),
    totals,
    gear,
    timeline,
    plates,
    figures: figuresOf(input, dishes, stations, timeline, totals),
    findings,
    isPackable:
      dishes.length > 0 && !findings.some((finding) => finding.level === "blocks" && finding.stage === "recipe"),
  };
}

/** Pieces that each of these stations has in an oven at once, at the most. */
function inOvenAtOnce(
  { tasks, units }: Timeline,
  { surfaces }: Pick<Kitchen, "surfaces">,
  stations: readonly StationPlan[],
): Pieces[] {
  const isOven = new Set(surfaces.filter((surface) => surface.kind === "oven").map((surface) => surface.id));
  const ovens = new Set(units.filter((unit) => isOven.has(unit.surfaceId)).map((unit) => unit.id));
  const baked =
    ovens.size === 0 ? [] : tasks.filter((task) => task.kind === "load" && ovens.has(task.surfaceId ?? noUnit));
  const byStation = new Map(stations.map(({ id }): [string, Task[]] => [id, []]));
  for (const load of baked) byStation.get(load.stationId ?? "")?.push(load);
  return [...byStation.values()].map((own) => {
    const at = (moment: Minutes) =>
      sumOf(own.map((load) => (load.start <= moment && moment < load.end ? load.pieces : inPieces(0))));
    return largest(inPieces(0), ...own.map((load) => at(load.start)));
  });
}
