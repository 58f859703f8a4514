import type { Pieces } from "~/core/quantity";
import type { Amounts, ScheduleInput, StationJob } from "./types";
import type { Surface } from "~/core/gear";

const stationKey = (job: StationJob): readonly (string | number)[] => [
  job.recipe.id,
  job.recipe.title,
  job.pieces,
  job.isApart === true ? 1 : 0,
  job.hands ?? 0,
  job.mixes ?? 1,
  job.cookBy?.max ?? -1,
  job.measuredLines,
  job.eggs,
  job.sachets ?? 0,
];

const surfaceKey = (one: Surface): readonly (string | number)[] => [
  one.kind,
  one.places,
  one.at,
  one.preheatMinutes ?? -1,
  one.coating ?? "",
  one.count,
];

function compareKeys(a: readonly (string | number)[], b: readonly (string | number)[]): number {
  for (let n = 0; n < a.length; n += 1) {
    const [one, other] = [a[n] ?? 0, b[n] ?? 0];
    if (one !== other) return one < other ? -1 : 1;
  }
  return 0;
}

/**
 * A class with its lists in an order that follows from what is in them, so that a search of it finds the same in whatever order they
 * were written. Ties keep their order. Where tables queue for shared tools or step along the order of the tables says who is first, and
 * stays.
 */
export function inFixedOrder(input: ScheduleInput): ScheduleInput {
  const surfaces = [...input.surfaces].sort((a, b) => compareKeys(surfaceKey(a), surfaceKey(b)));
  if (input.goesRound || input.demo === "along") return { ...input, surfaces };
  const row = input.stations
    .map((job, at) => ({ job, at, key: stationKey(job) }))
    .sort((a, b) => compareKeys(a.key, b.key) || a.at - b.at);
  const { amountsFor, demoRecipe = input.stations[0]?.recipe } = input;
  const sorted = { ...input, surfaces, demoRecipe, stations: row.map(({ job }) => job) };
  if (!amountsFor) return sorted;
  return {
    ...sorted,
    amountsFor: (testers: readonly Pieces[]): readonly Amounts[] => {
      const given: Pieces[] = [];
      row.forEach(({ at }, n) => {
        given[at] = testers[n] as Pieces;
      });
      const amounts = amountsFor(given);
      return row.map(({ at }) => amounts[at] as Amounts);
    },
  };
}
