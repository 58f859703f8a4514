import { airFactor, leftBehind } from "~/core/batter";
import { placesOn } from "~/core/gear";
import { type Ratio, toNumber, writeRatio, inPieces } from "~/core/quantity";
import type { Timeline } from "~/core/schedule";
import type { ClassInput, ClassPlan, DishPlan, KeyFigure, StationPlan } from "./types";

/** The figures an instructor reads first, each with how it came about. */
export function figuresOf(
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
  const usedIds = new Set(timeline.units.map((unit) => unit.surfaceId));
  const used = input.kitchen.surfaces.filter((surface) => usedIds.has(surface.id));
  const pieces: KeyFigure["why"] = {
    code: "pieces-made",
    made,
    wanted,
    people: brief.people + brief.tasters,
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
        pieces: inPieces(sum((station) => station.cooked)),
        loads: timeline.loads,
        places: Math.max(0, ...dishes.flatMap((dish) => used.map((surface) => placesOn(surface, dish.recipe)))),
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
