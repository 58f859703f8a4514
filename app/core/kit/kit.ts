import {
  type Amount,
  type MeasuringSet,
  type Ratio,
  type Rounded,
  type ScoopCount,
  type Scooped,
  ceil,
  compare,
  isWhole,
  jointScoops,
  multiply,
  ratio,
  toNumber,
  toScaleGrams,
  toScoops,
  type Grams,
  type Pieces,
  inPieces,
} from "~/core/quantity";
import { type Ingredient, type Role, toGrams, toMillilitres } from "~/core/pantry";
import type { Pantry } from "~/core/batter";
import {
  type Bowl,
  type CountedAmount,
  type Greasing,
  type Line,
  type LineAmount,
  type Recipe,
  apartOf,
  expectedOf,
  isBatter,
  isCountedOut,
  mostOf,
  mostOfRound,
  piecesByRound,
  platePartOf,
  type Part,
  scaleLineAmount,
  servingsOf,
} from "~/core/recipe";

/** One measured amount in the three ways it can be put out. */
export interface Measured {
  readonly amount: Amount;
  /** Unrounded grams; `undefined` when the density is not known. */
  readonly grams: Grams | undefined;
  readonly onScale: Rounded | undefined;
  /** Cups and spoons; `undefined` for what is counted, or has no known volume. */
  readonly scoops: Scooped | undefined;
}

/** How an amount is put out by hand. */
export type PutOut =
  | { readonly by: "spoons"; readonly counts: readonly ScoopCount[] }
  | { readonly by: "scale"; readonly shown: number }
  | { readonly by: "amount"; readonly amount: Amount };

/**
 * By cups and spoons where the set comes close enough; by the scale where spoons would miss by more than is allowed and the weight is
 * known; otherwise as it is written. The one place that decides it: cards, kits, labels and handouts all ask here.
 */
export function putOut({ amount, scoops, onScale }: Measured): PutOut {
  if (amount.unit === "piece" || !scoops) return { by: "amount", amount };
  if (!scoops.isWithin && onScale) return { by: "scale", shown: onScale.shown };
  return { by: "spoons", counts: scoops.counts };
}

/** One line of a station's kit. */
export interface KitLine {
  readonly lineId: string;
  readonly ingredientId: string;
  readonly bowl: Bowl;
  readonly kind: LineAmount["kind"];
  readonly isOptional: boolean;
  readonly note: string;
  /** The product that the household has of its own: nobody buys or packs it. */
  readonly own?: string | undefined;
  /** The sauce, filling or flavoured butter it is for, by name; absent for the batter, and for what is put on as it is. */
  readonly part?: string | undefined;
  /** The name of the round it is for; absent where all pieces get of it. */
  readonly round?: string | undefined;
  /** Salt and strong spice taken at nine tenths, because the batch is large. */
  readonly isEased: boolean;
  /** What a counted amount was taken times: greasings, pieces, servings or people; absent for what grows with the batch. */
  readonly times?: number | undefined;
  /** Sachets and tins: the exact number, and the whole ones that takes. */
  readonly packs: { readonly exact: Ratio; readonly whole: number; readonly name: string } | undefined;
  /** What the step starts with; `undefined` when to taste or unknown. */
  readonly main: Measured | undefined;
  /** Packed in a small container of its own: a possible top-up, or what is held back. */
  readonly apart: Measured | undefined;
  /** The most that may be used, in the recipe's unit; `undefined` when to taste or unknown. */
  readonly most: Amount | undefined;
  /** Grams to buy for this line: the most that may be used. */
  readonly buyGrams: Grams | undefined;
  /** Whole pieces to buy for what is counted. */
  readonly buyPieces: Pieces | undefined;
}

const strictRoles: readonly Role[] = ["powder", "soda", "salt"];

/** Below this many ml a mass with a known density is not offered as scoops: no spoon is that small. */
const leastScoopMl = 0.4;

/** How closely scoops must come, as shares, and whether salt and strong spice are eased in a large batch. */
export interface KitOptions {
  readonly set: MeasuringSet;
  readonly tolerance: { readonly strict: number; readonly usual: number };
  readonly easesSpice: boolean;
  /** What a household has of its own, by ingredient. */
  readonly own?: ReadonlyMap<string, string> | undefined;
}

/** Salt and strong spice do not grow quite with the pot: above this many batches, this share of them is offered (starting values). */
export const spiceEase = { above: 4, share: ratio(9n, 10n) } as const;

/** Is so much in one bowl that salt and spice are eased? @param factor batches. */
export const isBatchLarge = (factor: Ratio): boolean => compare(factor, ratio(BigInt(spiceEase.above))) > 0;

/** Would salt and spice be eased at this factor? */
export const isSpiceEased = (role: Role | undefined, factor: Ratio): boolean =>
  (role === "salt" || role === "spice") && isBatchLarge(factor);

/** Share by which a measured amount of an ingredient may be off: leaveners and salt are held more closely. */
export const toleranceFor = (
  ingredient: Pick<Ingredient, "role">,
  { tolerance }: Pick<KitOptions, "tolerance">,
): number => (strictRoles.includes(ingredient.role) ? tolerance.strict : tolerance.usual);

/** The volume that scoops are to hold; `undefined` for what no spoon takes. */
function scoopable(amount: Amount, ingredient: Ingredient, recipe: Recipe): Ratio | undefined {
  if (amount.unit === "pinch" || amount.unit === "spray") return undefined;
  const ml = toMillilitres(amount, ingredient, recipe.system, recipe.fill);
  return ml !== undefined && toNumber(ml) >= leastScoopMl && toNumber(ml) <= 20_000 ? ml : undefined;
}

function measure(amount: Amount, ingredient: Ingredient, recipe: Recipe, options: KitOptions): Measured {
  const grams = toGrams(amount, ingredient, recipe.system, recipe.fill);
  const ml = scoopable(amount, ingredient, recipe);
  return {
    amount,
    grams,
    onScale: grams === undefined ? undefined : toScaleGrams(grams),
    scoops: ml ? toScoops(ml, options.set, toleranceFor(ingredient, options)) : undefined,
  };
}

const times = (amount: Amount, n: number): Amount => ({ ...amount, value: multiply(amount.value, ratio(BigInt(n))) });

/** What is counted out rather than measured by the batch. */
export interface Counted {
  /** Loads the station cooks. */
  readonly loads: number;
  /** Of these, the ones before which a surface is greased; where it is not said, all are on one. */
  readonly greased?: ((every: Greasing) => number) | undefined;
  /** Pieces that are eaten. */
  readonly pieces: Pieces;
  /** Of these, the ones of each round of the recipe, in its order; where it is not said, dealt out by the recipe's parts. */
  readonly rounds?: readonly Pieces[] | undefined;
  /** People it feeds; 0 where it is not said. */
  readonly people?: number | undefined;
}

/** People who take of something: whole ones, as nobody takes half. */
const takersOf = (people: number, takes: Ratio | undefined): number =>
  takes ? Number(ceil(multiply(takes, ratio(BigInt(people))))) : people;

/** Of so many loads of one surface, those before which it is greased. */
const greasedOf = (loads: number, every: Greasing): number =>
  every === "first" ? Math.min(1, loads) : Math.ceil(loads / every);

/** How often an amount is counted out: pan fat by the loads, garnish by the pieces or servings, toppings by the people. */
function timesOf(recipe: Recipe, amount: CountedAmount, counted: Counted, roundId: string | undefined): number {
  const { loads, greased, people = 0 } = counted;
  const round = recipe.rounds?.findIndex((one) => one.id === roundId) ?? -1;
  const pieces =
    round < 0 ? counted.pieces : ((counted.rounds ?? piecesByRound(recipe, counted.pieces))[round] ?? inPieces(0));
  switch (amount.kind) {
    case "per-load":
      return amount.every === undefined ? loads : (greased?.(amount.every) ?? greasedOf(loads, amount.every));
    case "per-piece":
      return pieces;
    case "per-serving":
      return servingsOf(recipe, pieces);
    case "per-person":
      return takersOf(people, amount.takes);
    default:
      return amount satisfies never;
  }
}

/**
 * For rounds that are chosen while cooking: packs the expected amount, and apart from it a top-up for the case that every piece is of that round.
 */
function openly(likely: LineAmount, line: Line, recipe: Recipe, counted: Counted): LineAmount {
  if (!recipe.isRoundsOpen || line.roundId === undefined) return likely;
  const share = mostOfRound(recipe, line.roundId);
  if (likely.kind === "packs") return scaleLineAmount(likely, share);
  const start = expectedOf(likely);
  const most = isCountedOut(line.amount)
    ? times(line.amount.amount, timesOf(recipe, line.amount, counted, undefined))
    : mostOf(scaleLineAmount(likely, share));
  return start && most && compare(most.value, start.value) > 0 ? { kind: "top-up", start, most } : likely;
}

/**
 * Everything eaten that one station needs, in the order of the recipe.
 * @param factor batches.  @param counted loads for pan fat, pieces for garnish, people for toppings.
 */
export function kitOf(recipe: Recipe, pantry: Pantry, factor: Ratio, counted: Counted, options: KitOptions): KitLine[] {
  const lines = recipe.lines.map((line): KitLine => {
    const ingredient = pantry.get(line.ingredientId);
    const isEased = options.easesSpice && isSpiceEased(ingredient?.role, factor);
    const often = isCountedOut(line.amount) ? timesOf(recipe, line.amount, counted, line.roundId) : undefined;
    const likely: LineAmount =
      isCountedOut(line.amount) && often !== undefined
        ? { kind: "exact", amount: times(line.amount.amount, often) }
        : scaleLineAmount(line.amount, isEased ? multiply(factor, spiceEase.share) : factor);
    const scaled = openly(likely, line, recipe, counted);
    const gramsIn = (amount: Amount | undefined) =>
      amount && ingredient ? toGrams(amount, ingredient, recipe.system, recipe.fill) : undefined;
    const [main, apart, most] = [expectedOf(scaled), apartOf(scaled), mostOf(scaled)];
    return {
      lineId: line.id,
      ingredientId: line.ingredientId,
      bowl: line.bowl,
      kind: line.amount.kind,
      isOptional: line.isOptional,
      note: line.note,
      ...(options.own?.has(line.ingredientId) ? { own: options.own.get(line.ingredientId) } : {}),
      ...partNamed(platePartOf(line, recipe)),
      ...(line.roundId === undefined
        ? {}
        : { round: recipe.rounds?.find((round) => round.id === line.roundId)?.name ?? line.roundId }),
      isEased,
      ...(often === undefined ? {} : { times: often }),
      packs:
        scaled.kind === "packs"
          ? { exact: scaled.packs, whole: Number(ceil(scaled.packs)), name: scaled.packName }
          : undefined,
      main: main && ingredient ? measure(main, ingredient, recipe, options) : undefined,
      apart: apart && ingredient ? measure(apart, ingredient, recipe, options) : undefined,
      most,
      buyGrams: gramsIn(most),
      buyPieces: most?.unit === "piece" ? inPieces(Number(ceil(most.value))) : undefined,
    };
  });
  return withJointScoops(lines, recipe, pantry, options);
}

/**
 * Chooses the scoops of all batter lines together: each within its tolerance and with as few scoops as it can, and of those the ones
 * that keep the ratios to the flour closest. What is too much of everything is a slightly larger batter; too much of one line is another.
 */
function withJointScoops(lines: readonly KitLine[], recipe: Recipe, pantry: Pantry, options: KitOptions): KitLine[] {
  const measured = recipe.lines.flatMap((line, index) => {
    const ingredient = pantry.get(line.ingredientId);
    const main = lines[index]?.main;
    if (!ingredient || !main?.scoops || !isBatter(line, recipe) || isCountedOut(line.amount)) return [];
    const ml = scoopable(main.amount, ingredient, recipe);
    return ml
      ? [
          {
            index,
            isBase: ingredient.role === "flour" || ingredient.role === "starch",
            millilitres: ml,
            tolerance: toleranceFor(ingredient, options),
          },
        ]
      : [];
  });
  const chosen = jointScoops(measured, options.set);
  const byLine = new Map(measured.map(({ index }, at) => [index, chosen[at]]));
  return lines.map((line, index) => {
    const scoops = byLine.get(index);
    return scoops && line.main ? { ...line, main: { ...line.main, scoops } } : line;
  });
}

/** Counted lines that come out as a fraction, such as half an egg. */
export const hasFraction = (line: KitLine): boolean =>
  line.main !== undefined && line.main.amount.unit === "piece" && !isWhole(line.main.amount.value);

/** Lines in the order in which the method draws on them; what no step draws comes last, as listed. */
export function inBowlOrder(lines: readonly KitLine[], recipe: Recipe): KitLine[] {
  const drawn = recipe.steps.flatMap((step) => step.draws.map((draw) => draw.lineId));
  const place = (line: KitLine) => {
    const at = drawn.indexOf(line.lineId);
    return at < 0 ? drawn.length : at;
  };
  return [...lines].sort((a, b) => place(a) - place(b));
}

/** One line on the tare card: the reading when zeroing before each, and the running total in one bowl, in grams. */
export interface TareReading {
  readonly lineId: string;
  readonly each: number;
  readonly running: number;
}

const partNamed = (part: Part | undefined) => (part ? { part: part.name } : {});

/** Is a line of a kit batter, or the fat it is cooked in: not put on, not for one round only, not a sauce's? */
const isOfBatter = ({ bowl, round, part }: KitLine): boolean =>
  bowl !== "topping" && round === undefined && part === undefined;

/** Readings while weighing into one bowl: each line by itself, and the running total. Lines not weighed are left out. */
export function tareReadings(lines: readonly KitLine[]): TareReading[] {
  let running = 0;
  return lines.flatMap((line) => {
    if (line.main?.grams === undefined || line.bowl === "pan" || !isOfBatter(line)) return [];
    running += line.main.grams;
    return [{ lineId: line.lineId, each: line.main.grams, running }];
  });
}
