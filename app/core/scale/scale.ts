import { type Ratio, ceil, compare, multiply, ratio, toNumber, zero } from "~/core/quantity";
import { type Batter, yieldOf } from "~/core/batter";
import type { Recipe } from "~/core/recipe";

/** Which fractions of a batch a station may make. */
export const batchRules = ["whole", "half", "quarter"] as const;
export type BatchRule = (typeof batchRules)[number];
const batchStep: Readonly<Record<BatchRule, Ratio>> = { whole: ratio(1n), half: ratio(1n, 2n), quarter: ratio(1n, 4n) };

/** No station mixes more than this many batches in its bowls (starting value). */
export const mostBatches = 8;

/** What one station makes. */
export interface StationScale {
  /** Batches; the one factor every line is multiplied by. */
  readonly factor: Ratio;
  readonly piecesWanted: number;
  readonly piecesMade: number;
  /** Pieces beyond those wanted; negative when even {@link mostBatches} are too few. */
  readonly over: number;
}

/**
 * Whole pieces wanted by a station: people × pieces each, rounded up, with its testers.
 * @param size people, 0 or more.  @param testers throw-away pieces, 0 or more.
 */
export const piecesWanted = (size: number, piecesEach: Ratio, testers: number): number =>
  Number(ceil(multiply(ratio(BigInt(size)), piecesEach))) + testers;

/** The smallest allowed number of batches that makes `wanted` pieces. */
export function scaleStation(recipe: Recipe, batter: Batter, wanted: number, rule: BatchRule): StationScale {
  const step = batchStep[rule];
  let factor = wanted > 0 ? step : zero;
  const made = (batches: Ratio) => yieldOf(recipe, batter, toNumber(batches)).pieces;
  for (let n = 1n; made(factor) < wanted && compare(factor, ratio(BigInt(mostBatches))) < 0; n += 1n)
    factor = multiply(step, ratio(n));
  const piecesMade = made(factor);
  return { factor, piecesWanted: wanted, piecesMade, over: piecesMade - wanted };
}

/**
 * How many loads `pieces` take on surfaces that hold `places` each.
 * @throws {RangeError} when `places` is below 1.
 */
export function loadsFor(pieces: number, places: number): number {
  if (places < 1) throw new RangeError(`expected at least 1 place on a surface, got ${places}.`);
  return Math.ceil(pieces / places);
}

/** Loads when pieces are shared out over several surfaces at once: rounds of the whole group of surfaces. */
export const roundsFor = (pieces: number, places: number, surfaces: number): number =>
  loadsFor(pieces, places * surfaces);
