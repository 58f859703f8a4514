import type { Pantry } from "~/core/batter";
import { type Counted, type KitLine, isInDryMix } from "~/core/kit";
import {
  type Ratio,
  add,
  one,
  ratio,
  isZero,
  subtract,
  toNumber,
  zero,
  type Grams,
  inPieces,
  sumKnown,
} from "~/core/quantity";
import { isBatter } from "~/core/recipe";
import { type Timeline, greasedLoads, type Task } from "~/core/schedule";
import { shownDish } from "./dishes";
import type { ClassInput, DishPlan, ExtraKit, StationPlan } from "./types";
import { kitFor, kitOptionsOf } from "./kits-of";

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
