import { type Batter, type Pantry, yieldOf } from "~/core/batter";
import {
  type Ratio,
  ceil,
  divide,
  isWhole,
  multiply,
  ratio,
  toNumber,
  zero,
  type Grams,
  type Millilitres,
  type Pieces,
  sumOf,
  inGrams,
  times,
  inMillilitres,
} from "~/core/quantity";
import type { Recipe } from "~/core/recipe";
import { type BatchRule, type StationScale, wholeEggStep } from "~/core/scale";
import { type KitLine, isSpiceEased } from "./kit";

/** One way of making what a station wants, to be laid beside the others. */
export interface ScaleOption {
  readonly rule: BatchRule;
  readonly scale: StationScale;
  readonly loads: number;
  /** Millilitres of batter nobody asked for; 0 where pieces are not poured by volume. */
  readonly leftoverMl: Millilitres;
  /** Eggs as the factor makes them, the next whole number, and the weight of a fraction beaten. */
  readonly eggs: { readonly exact: Ratio; readonly whole: number; readonly beatenGrams: Grams | undefined } | undefined;
  /** Lines of the batter this set cannot measure within tolerance. */
  readonly unmeasurable: readonly string[];
  /** The largest error of any line measured in scoops, as a share, and whose. */
  readonly worst: { readonly ingredientId: string; readonly error: number } | undefined;
  readonly scoops: number;
  /** Whether salt and strong spice would be eased at this factor. */
  readonly offersEase: boolean;
  readonly kit: readonly KitLine[];
}

function eggsIn(kit: readonly KitLine[], pantry: Pantry): ScaleOption["eggs"] {
  const lines = kit.filter(
    (line) => pantry.get(line.ingredientId)?.role === "egg" && line.main?.amount.unit === "piece",
  );
  const [first] = lines;
  if (!first?.main) return undefined;
  const exact = lines.reduce(
    (sum, line) => ({
      num: sum.num * (line.main?.amount.value.den ?? 1n) + (line.main?.amount.value.num ?? 0n) * sum.den,
      den: sum.den * (line.main?.amount.value.den ?? 1n),
    }),
    zero,
  );
  const sum = ratio(exact.num, exact.den);
  return {
    exact: sum,
    whole: Number(ceil(sum)),
    beatenGrams: isWhole(sum) ? undefined : sumOf(lines.map((line) => line.main?.grams ?? inGrams(0))),
  };
}

/**
 * One way a station could make what it wants, as it was planned: to be laid beside the others.
 * @param made the station of a plan under that rule; its loads are those of the timeline.
 */
export function scaleOption(
  rule: BatchRule,
  recipe: Recipe,
  pantry: Pantry,
  { scale, loads, kit }: Pick<ScaleOption, "scale" | "loads" | "kit">,
): ScaleOption {
  const scooped = kit.filter(
    (line) => line.main?.scoops && line.bowl !== "pan" && line.bowl !== "topping" && !line.part,
  );
  const worst = [...scooped].sort(
    (a, b) => Math.abs(b.main?.scoops?.error ?? 0) - Math.abs(a.main?.scoops?.error ?? 0),
  )[0];
  return {
    rule,
    scale,
    loads,
    leftoverMl: recipe.portion.kind === "ml" ? times(recipe.portion.ml, Math.max(0, scale.over)) : inMillilitres(0),
    eggs: eggsIn(kit, pantry),
    unmeasurable: scooped.filter((line) => !line.main?.scoops?.isWithin).map((line) => line.ingredientId),
    worst: worst?.main?.scoops ? { ingredientId: worst.ingredientId, error: worst.main.scoops.error } : undefined,
    scoops: scooped.reduce(
      (sum, line) => sum + (line.main?.scoops?.counts.reduce((so, one) => so + one.count, 0) ?? 0),
      0,
    ),
    offersEase: recipe.lines.some((line) => isSpiceEased(pantry.get(line.ingredientId)?.role, scale.factor)),
    kit,
  };
}

/** The next scale at which eggs come out whole: the factor, and the pieces it makes. For when nobody wants to weigh half an egg. */
export function nextWholeEggs(
  recipe: Recipe,
  pantry: Pantry,
  batter: Batter,
  factor: Ratio,
): { factor: Ratio; pieces: Pieces } | undefined {
  const step = wholeEggStep(recipe, (id) => pantry.get(id)?.role === "egg");
  if (!step) return undefined;
  const next = multiply(ratio(ceil(divide(factor, step))), step);
  return { factor: next, pieces: yieldOf(recipe, batter, toNumber(next)).pieces };
}
