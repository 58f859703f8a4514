import {
  type Pieces,
  type Seconds,
  toSeconds,
  dividedBy,
  times,
  inMinutes,
  largest,
  inSeconds,
  plus,
} from "~/core/quantity";
import { type Recipe, type Step, type SurfaceKind, heatOn, isHeatPaced, lyingMinutes, methodOf } from "~/core/recipe";
import type { ScheduleInput, StationJob } from "./types";

/** Starting values from teaching practice, in minutes. */
export const handMinutes = {
  washPerPerson: inMinutes(25 / 60),
  measureLine: inMinutes(35 / 60),
  sachet: inMinutes(10 / 60),
  crackEgg: inMinutes(25 / 60),
  demoMix: inMinutes(4),
  /** How much longer a station takes when it follows the instructor step by step. */
  alongFactor: 1.25,
} as const;

/** Washing a surface between foods that must not meet, in minutes (starting values): cool, wash and dry; heating again comes on top. */
export const washFigures = { cool: { low: 10, likely: 15, high: 20 }, washAndDry: 4 } as const;

/** Minutes a wash takes before the surface heats again (its own preheat). */
export const washMinutes = inMinutes(washFigures.cool.likely + washFigures.washAndDry);

/** Seconds from the doors until everybody has washed hands: arrival or the queue at the sinks, whichever is longer. */
export const arrivalSeconds = (input: ScheduleInput): Seconds =>
  toSeconds(
    largest(
      input.doorsMinutes,
      dividedBy(times(input.handwash ?? handMinutes.washPerPerson, input.people), Math.max(1, input.sinks)),
    ),
  );

/** Minutes that measuring at the station adds to its first mix step, by kit mode: none, all lines, or the wet list only. */
function measuringMinutes(job: StationJob, input: ScheduleInput): number {
  const share = { "pre-measured": 0, "station-measures": 1, "dry-mix": 0.5 }[input.kitMode];
  return (
    share * (job.measuredLines * handMinutes.measureLine + (job.sachets ?? 0) * handMinutes.sachet) +
    job.eggs * handMinutes.crackEgg
  );
}

/** Factor on handwork: the pace of the audience, and more where everybody follows step by step. */
const handPace = (input: ScheduleInput): number => input.pace * (input.demo === "along" ? handMinutes.alongFactor : 1);

/**
 * Seconds of one step at one station, and how many of them are measuring: handwork at the pace of the audience, heat and waits by the
 * clock.
 */
export function stepSeconds(
  step: Step,
  job: StationJob,
  input: ScheduleInput,
): { readonly measuring: Seconds; readonly whole: Seconds } {
  if (isHeatPaced(step, job.recipe))
    return { measuring: inSeconds(0), whole: toSeconds(inMinutes(step.minutes.likely)) };
  const isFirstMix = methodOf(job.recipe).mixing.find((one) => one.kind === "mix") === step;
  const measuring = isFirstMix ? measuringMinutes(job, input) : 0;
  const pace = handPace(input);
  return {
    measuring: toSeconds(inMinutes(measuring * pace)),
    whole: toSeconds(inMinutes((step.minutes.likely + measuring) * pace)),
  };
}

/** Pouring and lifting are handwork: by the audience, or by an adult where the recipe leaves the heat to one. */
const heatPace = (recipe: Recipe, pace: number): number => (methodOf(recipe).cook?.who === "adult" ? 1 : pace);

/** Seconds from the first pour of a load until its last piece is poured; where it is poured in two halves, its second half. */
export const pouringSeconds = (recipe: Recipe, pieces: Pieces, pace: number): Seconds =>
  toSeconds(inMinutes(pieces * recipe.heat.pourPerPiece * heatPace(recipe, pace) + (recipe.heat.halves?.likely ?? 0)));

/** Seconds from the first pour of a load until its last piece is out, on a kind of surface. */
export const loadSeconds = (recipe: Recipe, pieces: Pieces, pace: number, kind: SurfaceKind): Seconds =>
  toSeconds(
    plus(
      inMinutes(pieces * recipe.heat.pourPerPiece * heatPace(recipe, pace)),
      lyingMinutes(heatOn(recipe.heat, kind)),
    ),
  );

/** Seconds after a load before the surface takes the next one: lifting and greasing by hand, heating up again by the clock. */
export const betweenSeconds = (recipe: Recipe, pace: number): Seconds =>
  toSeconds(inMinutes(recipe.heat.turnaround * heatPace(recipe, pace) + recipe.heat.recover));
