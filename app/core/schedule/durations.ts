import type { Recipe, Step } from "~/core/recipe";
import { toStep } from "~/core/quantity";
import type { ScheduleInput, StationJob } from "./types";

/** The grid of the plan, in minutes. Durations go up to it, so that the plan never promises a quarter minute it has not got. */
export const timeStep = 0.25;
export const onGrid = (minutes: number): number => toStep(minutes, timeStep, "up").shown;

/** Starting values from teaching practice, in minutes. */
export const handMinutes = {
  washPerPerson: 25 / 60,
  measureLine: 35 / 60,
  crackEgg: 25 / 60,
  demoMix: 4,
  /** How much longer a station takes when it follows the instructor step by step. */
  alongFactor: 1.25,
} as const;

/** Doors, coats and hands: the sink is a queue. */
export const arrivalMinutes = (input: ScheduleInput): number =>
  onGrid(Math.max(input.doorsMinutes, (input.people * handMinutes.washPerPerson) / Math.max(1, input.sinks)));

/** What measuring at the station adds to the mixing, by the kit mode: nothing, everything, or the wet list only. */
function measuringMinutes(job: StationJob, input: ScheduleInput): number {
  const share = { "pre-measured": 0, "station-measures": 1, "dry-mix": 0.5 }[input.kitMode];
  return share * job.measuredLines * handMinutes.measureLine + job.eggs * handMinutes.crackEgg;
}

/** Minutes one station takes over one step: handwork at the pace of the audience, waiting at the pace of the clock. */
export function stepMinutes(step: Step, job: StationJob, input: ScheduleInput): number {
  const isWait = step.kind === "rest";
  const isFirstMix = step.kind === "mix" && job.recipe.steps.find((one) => one.kind === "mix")?.id === step.id;
  const work = step.minutes.likely + (isFirstMix ? measuringMinutes(job, input) : 0);
  const along = input.demo === "along" ? handMinutes.alongFactor : 1;
  return onGrid(isWait ? work : work * input.pace * along);
}

/** Minutes from the first pour of a load until its last piece is out. */
export const loadMinutes = (recipe: Recipe, pieces: number): number =>
  onGrid(pieces * recipe.heat.pourPerPiece + recipe.heat.side1.likely + (recipe.heat.side2?.likely ?? 0));

/** Minutes after a load before the surface takes the next one. */
export const betweenLoads = (recipe: Recipe): number => onGrid(recipe.heat.turnaround + recipe.heat.recover);

/** Minutes to cool, scrape, wash, dry and heat a surface again between two that must not meet (starting value). */
export const washMinutes = 8;
