import {
  smallest,
  type Ratio,
  add,
  ceil,
  compare,
  divide,
  multiply,
  one,
  ratio,
  toNumber,
  zero,
  type Pieces,
  inPieces,
} from "~/core/quantity";
import { type Batter, yieldOf } from "~/core/batter";
import { type Recipe, apartOf, expectedOf, isBatter, mostOf } from "~/core/recipe";

/** Which fractions of a batch a station may make. */
export const batchRules = ["whole", "half", "quarter", "exact"] as const;
export type BatchRule = (typeof batchRules)[number];
/** "exact" goes by twenty-fourths: fine enough to waste next to nothing, and cups and spoons still come out in scoops. */
const batchStep: Readonly<Record<BatchRule, Ratio>> = {
  whole: ratio(1n),
  half: ratio(1n, 2n),
  quarter: ratio(1n, 4n),
  exact: ratio(1n, 24n),
};

/** What is done about half an egg: weigh it beaten, give stations whole eggs in turn, or let each round up. */
export const eggRules = ["by-weight", "uneven", "round-up"] as const;
export type EggRule = (typeof eggRules)[number];

/** No station mixes more than this many batches in its bowls (starting value). */
export const mostBatches = 8;

/** What one station makes. */
export interface StationScale {
  /** Batches; the one factor every line is multiplied by. */
  readonly factor: Ratio;
  readonly piecesWanted: Pieces;
  readonly piecesMade: Pieces;
  /** Pieces beyond those wanted; negative when even {@link mostBatches} are too few. */
  readonly over: number;
}

/**
 * Whole pieces wanted by a station: people × pieces each, rounded up to whole servings, with its testers.
 * @param size people, 0 or more.  @param testers throw-away pieces, 0 or more.  @param perServing pieces put together to be eaten.
 */
export const piecesWanted = (size: number, piecesEach: Ratio, testers: number, perServing = 1): number =>
  Math.ceil(Number(ceil(multiply(ratio(BigInt(size)), piecesEach))) / perServing) * perServing + testers;

/** A bowl of a fixed size, whatever is wanted. */
export function fixedBowl(recipe: Recipe, batter: Batter, wanted: number, factor: Ratio): StationScale {
  const piecesMade = yieldOf(recipe, batter, toNumber(factor)).pieces;
  return { factor, piecesWanted: inPieces(wanted), piecesMade, over: piecesMade - wanted };
}

/** The smallest allowed number of batches that makes `wanted` pieces. */
export function scaleStation(recipe: Recipe, batter: Batter, wanted: number, rule: BatchRule): StationScale {
  const step = batchStep[rule];
  const steps = (n: bigint) => multiply(step, ratio(n));
  const made = (batches: Ratio) => yieldOf(recipe, batter, toNumber(batches)).pieces;
  const most = BigInt(mostBatches) * step.den;
  // What one batch makes says about how many steps it takes; whole pieces may ask for one more or allow one less.
  const perBatch = made(one);
  let n = wanted <= 0 ? 0n : BigInt(Math.min(Number(most), Math.ceil((wanted / (perBatch + 1)) * Number(step.den))));
  while (n < most && made(steps(n)) < wanted) n += 1n;
  const factor = steps(n);
  const piecesMade = made(factor);
  return { factor, piecesWanted: inPieces(wanted), piecesMade, over: piecesMade - wanted };
}

/**
 * How many loads `pieces` take on surfaces that hold `places` each.
 * @throws {RangeError} when `places` is below 1.
 */
export function loadsFor(pieces: Pieces, places: number): number {
  if (places < 1) throw new RangeError(`expected at least 1 place on a surface, got ${places}.`);
  return Math.ceil(pieces / places);
}

/** Counted amounts of eggs in a batch that must each come out whole: what goes in, and what is kept aside or may be added. */
function eggAmounts(recipe: Recipe, isEgg: (ingredientId: string) => boolean): Ratio[] {
  return recipe.lines.flatMap((line) => {
    if (!isEgg(line.ingredientId) || !isBatter(line, recipe)) return [];
    const amounts =
      line.amount.kind === "range" ? [mostOf(line.amount)] : [expectedOf(line.amount), apartOf(line.amount)];
    return amounts.flatMap((amount) => (amount?.unit === "piece" && amount.value.num > 0n ? [amount.value] : []));
  });
}

/**
 * The smallest part of a batch in which every line's eggs come out whole; `undefined` for recipes without counted eggs. One egg in
 * the batter and two in another line need a whole batch, though three eggs alone could be had from a third.
 */
export function wholeEggStep(recipe: Recipe, isEgg: (ingredientId: string) => boolean): Ratio | undefined {
  const amounts = eggAmounts(recipe, isEgg);
  const [first] = amounts;
  if (!first) return undefined;
  const gcd = (a: bigint, b: bigint): bigint => (b === 0n ? a : gcd(b, a % b));
  const dens = amounts.reduce((so, { den }) => (so * den) / gcd(so, den), 1n);
  return ratio(
    dens,
    amounts.reduce((so, { num }) => gcd(so, num), first.num),
  );
}

/**
 * Stations that would each need a fraction of an egg, with whole ones: rounded up at each, or dealt out so that the class uses no
 * more than all of them together need, in the order of the stations. Everything else of the batch follows the eggs.
 * @param scales of stations that make the same recipe, in the order of the room.
 */
export function withWholeEggs(
  scales: readonly StationScale[],
  recipe: Recipe,
  batter: Batter,
  isEgg: (ingredientId: string) => boolean,
  rule: Exclude<EggRule, "by-weight">,
): StationScale[] {
  const step = wholeEggStep(recipe, isEgg);
  if (!step) return [...scales];
  let exact = zero;
  let dealt = 0n;
  return scales.map((scale) => {
    const wanted = divide(scale.factor, step);
    exact = add(exact, wanted);
    const due = rule === "round-up" ? ceil(wanted) : ceil(exact) - dealt;
    // Nobody goes without: where there is half an egg to each, uneven would leave every other station with none.
    const whole = due < 1n && wanted.num > 0n ? 1n : due;
    dealt += whole;
    if (compare(ratio(whole), wanted) === 0) return scale;
    const factor = multiply(ratio(whole), step);
    const piecesMade = yieldOf(recipe, batter, toNumber(factor)).pieces;
    return { ...scale, factor, piecesMade, over: piecesMade - scale.piecesWanted };
  });
}

/**
 * The least pieces that a station makes where eggs are dealt out unevenly: with the whole eggs below its share, one at the least.
 * @param scale what it makes as dealt out for some class; that class decides which stations get the egg more.
 */
export function leastWithEggs(
  scale: StationScale,
  recipe: Recipe,
  batter: Batter,
  isEgg: (ingredientId: string) => boolean,
): Pieces {
  const step = wholeEggStep(recipe, isEgg);
  if (!step) return scale.piecesMade;
  const eggs = ceil(divide(scale.factor, step)) - 1n;
  const factor = multiply(ratio(eggs < 1n ? 1n : eggs), step);
  return smallest(scale.piecesMade, yieldOf(recipe, batter, toNumber(factor)).pieces);
}
