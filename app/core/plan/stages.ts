import { type Ratio, writeRatio } from "~/core/quantity";
import { canonical, fingerprintOf } from "./hash";
import { type ClassInput, type Stage, stages } from "./types";

/**
 * Exactly the inputs a stage depends on, by a name that can be said aloud. Two of these compared tell what made a sheet stale.
 * What is health data appears as a hash only, so that a stored stamp gives nobody's needs away.
 */
export type StageInputs = Readonly<Record<string, string>>;

/** Longer than any single brief figure: what is longer is a document and is compared by its hash. */
const longestShown = 40;

const isRatio = (value: unknown): value is Ratio =>
  typeof value === "object" && value !== null && "num" in value && "den" in value;

const shown = (value: unknown): string => {
  const text = typeof value === "string" ? value : isRatio(value) ? writeRatio(value) : canonical(value);
  return text.length <= longestShown ? text : `#${fingerprintOf(value)}`;
};
// Inputs are immutable, and a recipe stands in the inputs of eight stages: each object is hashed once.
const hashes = new WeakMap<object, string>();

function hidden(value: unknown): string {
  if (typeof value !== "object" || value === null) return `#${fingerprintOf(value)}`;
  const hash = hashes.get(value) ?? `#${fingerprintOf(value)}`;
  hashes.set(value, hash);
  return hash;
}

const named = (
  prefix: string,
  entries: readonly (readonly [string, unknown])[],
  as: (value: unknown) => string,
): [string, string][] => entries.map(([key, value]) => [`${prefix}:${key}`, as(value)]);

// Rows are named by their place: the names the database gives them change whenever they are written anew.
const dishes = (input: ClassInput) =>
  input.dishes.flatMap((dish, index): [string, string][] => [
    [`recipe:${dish.recipe.title}`, hidden(dish.recipe)],
    [
      `dish:${index + 1}`,
      shown(
        `${dish.recipe.title}, revision ${dish.recipe.revision}, ${dish.variantId ?? "as written"}, ${dish.stations ?? "rest"}`,
      ),
    ],
  ]);
const brief = (input: ClassInput, ...keys: readonly (keyof ClassInput["brief"])[]) =>
  named(
    "brief",
    (keys.length > 0 ? keys : (Object.keys(input.brief) as (keyof ClassInput["brief"])[])).map((key) => [
      key,
      input.brief[key],
    ]),
    shown,
  );
const register = (input: ClassInput) =>
  named(
    "person",
    input.people.map(({ id, name, role, ageBand }) => [name || id, { role, ageBand }]),
    shown,
  );
const needs = (input: ClassInput) =>
  named(
    "answer",
    input.people.map(({ id, name, hasAnswered, needs: declared }) => [name || id, { hasAnswered, declared }]),
    hidden,
  );
const ingredientIds = (input: ClassInput) =>
  new Set(
    input.dishes.flatMap((dish) =>
      [...dish.recipe.lines, ...dish.recipe.variants.flatMap((variant) => variant.add)].map(
        (line) => line.ingredientId,
      ),
    ),
  );
const pantry = (input: ClassInput) => {
  const used = ingredientIds(input);
  return named(
    "ingredient",
    input.pantry.filter((one) => used.has(one.id)).map((one) => [one.name, one]),
    hidden,
  );
};
const labels = (input: ClassInput) =>
  named(
    "label",
    input.labels.map((one) => [one.ingredientId, one]),
    hidden,
  );
const packs = (input: ClassInput) =>
  named(
    "pack",
    input.packs.map((one) => [one.ingredientId, one]),
    shown,
  );
const surfaces = (input: ClassInput) =>
  named(
    "surface",
    input.kitchen.surfaces.map(({ id: _id, ...surface }) => [surface.name, surface]),
    hidden,
  );
const gear = (input: ClassInput) =>
  named(
    "gear",
    input.kitchen.gear.map((one) => [one.tool, one.owned]),
    shown,
  );

const scaleKeys = [
  "people",
  "stationSize",
  "piecesEach",
  "batchRule",
  "testersPerSurface",
  "hasDemoBatch",
  "hasSpareKit",
  "stationNames",
] as const;
const timeKeys = [
  "people",
  "stationSize",
  "piecesEach",
  "batchRule",
  "testersPerSurface",
  "audience",
  "minutes",
  "helpers",
  "kitMode",
  "demo",
  "hotPlacesPerAdult",
  "doorsMinutes",
  "eatMinutes",
  "cleanMinutes",
] as const;

const parts: Readonly<Record<Stage, (input: ClassInput) => [string, string][]>> = {
  recipe: (input) => [...dishes(input), ...pantry(input)],
  brief: (input) => [...dishes(input), ...brief(input), ...register(input)],
  allergies: (input) => [
    ...dishes(input),
    ...brief(input, "people", "regime"),
    ...needs(input),
    ...pantry(input),
    ...labels(input),
  ],
  amounts: (input) => [
    ...dishes(input),
    ...brief(input, ...scaleKeys, "measuringSetId"),
    ...pantry(input),
    ...packs(input),
    ...surfaces(input),
  ],
  gear: (input) => [
    ...dishes(input),
    ...brief(input, "people", "stationSize", "kitMode", "demo"),
    ...surfaces(input),
    ...gear(input),
  ],
  timeline: (input) => [
    ...dishes(input),
    ...brief(input, ...timeKeys),
    ...pantry(input),
    ...surfaces(input),
    ["kitchen:sinks", String(input.kitchen.sinks)],
  ],
  teach: (input) => [...parts.allergies(input), ...parts.amounts(input), ...parts.timeline(input)],
  log: (input) => parts.timeline(input),
};

/** The inputs of one stage, for storing beside a signature. */
export const stageInputs = (input: ClassInput, stage: Stage): StageInputs => Object.fromEntries(parts[stage](input));

/** The fingerprint of every stage. */
export function fingerprints(input: ClassInput): Record<Stage, string> {
  return Object.fromEntries(stages.map((stage) => [stage, fingerprintOf(stageInputs(input, stage))])) as Record<
    Stage,
    string
  >;
}

/** One input that differs between two stamps; `from` or `to` is undefined where it was added or removed. */
export interface InputChange {
  readonly name: string;
  readonly from: string | undefined;
  readonly to: string | undefined;
}

/** What changed since a stage was settled, in the order of the names. */
export function changesBetween(before: StageInputs, after: StageInputs): InputChange[] {
  const names = [...new Set([...Object.keys(before), ...Object.keys(after)])].sort();
  return names
    .filter((name) => before[name] !== after[name])
    .map((name) => ({ name, from: before[name], to: after[name] }));
}

export type StageState = "settled" | "open" | "stale";

/** A stage nobody signed is open; a signed one is settled while its inputs are what they were, and stale after. */
export const stateOfStage = (stamp: string | undefined, now: string): StageState =>
  stamp === undefined ? "open" : stamp === now ? "settled" : "stale";
