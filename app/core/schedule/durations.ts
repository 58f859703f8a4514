import type { Minutes, Pieces, Seconds } from "~/core/quantity";
import { type Recipe, type Step, type SurfaceKind, heatOn, isHeatPaced, lyingMinutes, methodOf } from "~/core/recipe";
import type { ScheduleInput, StationJob } from "./types";

/** Inside, a plan counts whole seconds: exact, the same in every engine, and never rounded up part by part. */
export const toSeconds = (minutes: Minutes): number => Math.round(minutes * 60);
export const toMinutes = (seconds: Seconds): number => seconds / 60;

/** Starting values from teaching practice, in minutes. */
export const handMinutes = {
  washPerPerson: 25 / 60,
  measureLine: 35 / 60,
  sachet: 10 / 60,
  crackEgg: 25 / 60,
  demoMix: 4,
  /** How much longer a station takes when it follows the instructor step by step. */
  alongFactor: 1.25,
} as const;

/** Washing a surface between foods that must not meet, in minutes (starting values): cool, wash and dry; heating again comes on top. */
export const washFigures = { cool: { low: 10, likely: 15, high: 20 }, washAndDry: 4 } as const;

/** Minutes a wash takes before the surface heats again (its own preheat). */
export const washMinutes = washFigures.cool.likely + washFigures.washAndDry;

/** Seconds for doors, coats and hands: the sink is a queue. */
export const arrivalSeconds = (input: ScheduleInput): number =>
  toSeconds(
    Math.max(
      input.doorsMinutes,
      (input.people * (input.handwash ?? handMinutes.washPerPerson)) / Math.max(1, input.sinks),
    ),
  );

/** Minutes measuring at the station adds to the first mixing, by the kit mode: nothing, everything, or the wet list only. */
function measuringMinutes(job: StationJob, input: ScheduleInput): number {
  const share = { "pre-measured": 0, "station-measures": 1, "dry-mix": 0.5 }[input.kitMode];
  return (
    share * (job.measuredLines * handMinutes.measureLine + (job.sachets ?? 0) * handMinutes.sachet) +
    job.eggs * handMinutes.crackEgg
  );
}

/** What the audience's pace and following step by step make of a minute of handwork. */
const handPace = (input: ScheduleInput): number => input.pace * (input.demo === "along" ? handMinutes.alongFactor : 1);

/** Seconds one station takes over one step, and how many of them go into measuring first: handwork at the pace of the audience, heat and waiting by the clock. */
export function stepSeconds(
  step: Step,
  job: StationJob,
  input: ScheduleInput,
): { readonly measuring: number; readonly whole: number } {
  if (isHeatPaced(step, job.recipe)) return { measuring: 0, whole: toSeconds(step.minutes.likely) };
  const isFirstMix = methodOf(job.recipe).mixing.find((one) => one.kind === "mix") === step;
  const measuring = isFirstMix ? measuringMinutes(job, input) : 0;
  const pace = handPace(input);
  return { measuring: toSeconds(measuring * pace), whole: toSeconds((step.minutes.likely + measuring) * pace) };
}

/** Pouring and lifting are handwork: by the audience, or by an adult where the recipe leaves the heat to one. */
const heatPace = (recipe: Recipe, pace: number): number => (methodOf(recipe).cook?.who === "adult" ? 1 : pace);

/** Seconds from the first pour of a load until its last piece is poured; where it is poured in two halves, its second half. */
export const pouringSeconds = (recipe: Recipe, pieces: Pieces, pace: number): number =>
  toSeconds(pieces * recipe.heat.pourPerPiece * heatPace(recipe, pace) + (recipe.heat.halves?.likely ?? 0));

/** Seconds from the first pour of a load until its last piece is out, on a kind of surface. */
export const loadSeconds = (recipe: Recipe, pieces: Pieces, pace: number, kind: SurfaceKind): number =>
  toSeconds(pieces * recipe.heat.pourPerPiece * heatPace(recipe, pace) + lyingMinutes(heatOn(recipe.heat, kind)));

/** Seconds after a load before the surface takes the next one: lifting and greasing by hand, heating up again by the clock. */
export const betweenSeconds = (recipe: Recipe, pace: number): number =>
  toSeconds(recipe.heat.turnaround * heatPace(recipe, pace) + recipe.heat.recover);
