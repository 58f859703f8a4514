import type { Ratio } from "./ratio";
import { type MeasuringSet, type Scooped, scoopChoices, toScoops } from "./scoops";

/** One line to be scooped together with others. */
export interface JointLine {
  readonly millilitres: Ratio;
  /** Largest share of error. */
  readonly tolerance: number;
  /** True for flour and other starch: what the others are held against. */
  readonly isBase: boolean;
}

const scoopsIn = (one: Scooped): number => one.counts.reduce((sum, each) => sum + each.count, 0);

/** How far a line's ratio to the flour is off, as a share. */
const deviation = (error: number, baseError: number): number => Math.abs((1 + error) / (1 + baseError) - 1);

/**
 * The scoops for all lines of a recipe at once, so that the ratios to the flour stay closest. The choices of a line are its fillings
 * with the fewest scoops, or the exact one (see {@link scoopChoices}); among all combinations the one with the least sum of squared
 * deviations from the flour's own error is found: for each choice of the flour every other line simply takes its nearest. The
 * first base line stands for the flour; without one each line is taken by itself.
 */
export function jointScoops(lines: readonly JointLine[], set: MeasuringSet): Scooped[] {
  const alone = lines.map((line) => toScoops(line.millilitres, set, line.tolerance));
  const base = lines.findIndex((line) => line.isBase);
  if (base < 0) return alone;
  // What the set cannot come near has no choice and no say: it is marked, and weighed.
  const choices = lines.map((line, index) =>
    alone[index]?.isWithin ? scoopChoices(line.millilitres, set, line.tolerance) : alone.slice(index, index + 1),
  );
  let best: { row: Scooped[]; sum: number; error: number; scoops: number } | undefined;
  for (const flour of choices[base] ?? []) {
    const row = choices.map((own, index) =>
      index === base
        ? flour
        : own.reduce((nearest, one) =>
            deviation(one.error, flour.error) < deviation(nearest.error, flour.error) - 1e-12 ? one : nearest,
          ),
    );
    const sum = row.reduce((so, one) => so + (one.isWithin ? deviation(one.error, flour.error) ** 2 : 0), 0);
    const scoops = row.reduce((so, one) => so + scoopsIn(one), 0);
    // Ratios first; of equal ones the least error, then the fewest scoops.
    const error = row.reduce((so, one) => so + (one.isWithin ? Math.abs(one.error) : 0), 0);
    const isBetter =
      !best ||
      sum < best.sum - 1e-12 ||
      (sum <= best.sum + 1e-12 &&
        (error < best.error - 1e-12 || (error <= best.error + 1e-12 && scoops < best.scoops)));
    if (isBetter) best = { row, sum, error, scoops };
  }
  return best?.row ?? alone;
}
