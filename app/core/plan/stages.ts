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
    input.people.map(({ id, name, ageBand, hasAnswered, needs: declared, words, emergency, isContested }) => [
      name || id,
      { ageBand, hasAnswered, declared, words, emergency, isContested },
    ]),
    hidden,
  );
/** A part of many entries as one: its hash, worked out once for the same list. While somebody types, the register stays the same list. */
const wholeHashes = new WeakMap<object, Map<string, string>>();

function asOne(name: string, list: object, entries: () => [string, string][]): [string, string][] {
  const known = wholeHashes.get(list) ?? new Map<string, string>();
  wholeHashes.set(list, known);
  const hash = known.get(name) ?? fingerprintOf(entries());
  known.set(name, hash);
  return [[name, hash]];
}

/** Entries made of one list alone: worked out once for the same list, as eight stages ask for them at every key. */
const knownEntries = new WeakMap<object, Map<string, [string, string][]>>();
function once(name: string, list: object, make: () => [string, string][]): [string, string][] {
  const known = knownEntries.get(list) ?? new Map<string, [string, string][]>();
  knownEntries.set(list, known);
  const entries = known.get(name) ?? make();
  known.set(name, entries);
  return entries;
}

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
const readings = (input: ClassInput) =>
  named(
    "label",
    input.labels.map((one) => [one.ingredientId, one]),
    hidden,
  );
const products = (input: ClassInput) =>
  named(
    "product",
    input.packs.flatMap((pack) => (pack.product ? [[pack.ingredientId, pack.product] as const] : [])),
    shown,
  );
const brought = (input: ClassInput) =>
  named(
    "brought",
    (input.shared ?? []).map((food) => [food.name, food]),
    hidden,
  );
const labels = (input: ClassInput) => [...readings(input), ...products(input), ...brought(input)];
/** Where everybody sits: how many where, and which stations are apart; the names only where they matter. */
const seating = (input: ClassInput): [string, string][] =>
  input.arrangement
    ? [
        [
          "arrangement:stations",
          shown({
            apart: input.arrangement.apart,
            washesBetween: input.arrangement.washesBetween ?? false,
            seats: input.arrangement.seats?.map((ids) => ids.length) ?? null,
          }),
        ],
      ]
    : [];
const seats = (input: ClassInput): [string, string][] =>
  input.arrangement ? [["arrangement:seats", hidden(input.arrangement)]] : [];
const packs = (input: ClassInput) =>
  once("pack", input.packs, () =>
    named(
      "pack",
      input.packs.map((one) => [one.ingredientId, one]),
      shown,
    ),
  );
const surfaces = (input: ClassInput) =>
  once("surface", input.kitchen.surfaces, () =>
    named(
      "surface",
      input.kitchen.surfaces.map(({ id: _id, ...surface }) => [surface.name, surface]),
      hidden,
    ),
  );
const gear = (input: ClassInput) =>
  once("gear", input.kitchen.gear, () =>
    named(
      "gear",
      input.kitchen.gear.map((one) => [one.tool, one.owned]),
      shown,
    ),
  );
const circuits = (input: ClassInput) =>
  named(
    "circuit",
    (input.kitchen.circuits ?? []).map(({ id: _id, ...circuit }) => [circuit.name, circuit]),
    hidden,
  );

const scaleKeys = [
  "people",
  "stationSize",
  "piecesEach",
  "batchRule",
  "eggRule",
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
  "eggRule",
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
  "isRemote",
] as const;

/** The entries of the long lists, each by its name; or one hash for all of them where only equality matters. */
type Entries = (input: ClassInput) => [string, string][];
interface LongParts {
  readonly register: Entries;
  readonly needs: Entries;
  readonly pantry: Entries;
  readonly labels: Entries;
}
const everyName: LongParts = { register, needs, pantry, labels };
const inOne: LongParts = {
  register: (input) => asOne("register", input.people, () => register(input)),
  needs: (input) => asOne("needs", input.people, () => needs(input)),
  pantry: (input) => asOne(`pantry ${[...ingredientIds(input)].join()}`, input.pantry, () => pantry(input)),
  labels: (input) => [
    ...asOne("readings", input.labels, () => readings(input)),
    ...asOne("products", input.packs, () => products(input)),
    ...brought(input),
  ],
};

function partsWith(long: LongParts): Readonly<Record<Stage, Entries>> {
  const parts: Readonly<Record<Stage, Entries>> = {
    recipe: (input) => [...dishes(input), ...long.pantry(input)],
    brief: (input) => [...dishes(input), ...brief(input), ...long.register(input)],
    allergies: (input) => [
      ...dishes(input),
      ...brief(input, ...timeKeys, "regime"),
      ...seats(input),
      ...surfaces(input),
      ...gear(input),
      ...long.needs(input),
      ...long.pantry(input),
      ...long.labels(input),
    ],
    amounts: (input) => [
      ...dishes(input),
      ...brief(
        input,
        ...scaleKeys,
        "measuringSetId",
        "missingScoops",
        "strictTolerancePercent",
        "usualTolerancePercent",
        "easesSpice",
      ),
      ...long.pantry(input),
      ...packs(input),
      ...surfaces(input),
      ...seating(input),
    ],
    kits: (input) => [...parts.amounts(input), ...brief(input, "kitMode", "containerPer"), ...long.labels(input)],
    gear: (input) => [
      ...dishes(input),
      ...brief(input, "people", "stationSize", "kitMode", "demo"),
      ...seating(input),
      ...surfaces(input),
      ...gear(input),
      ...circuits(input),
    ],
    timeline: (input) => [
      ...dishes(input),
      ...brief(input, ...timeKeys),
      ...seating(input),
      ...long.pantry(input),
      ...surfaces(input),
      ["kitchen:sinks", String(input.kitchen.sinks)],
    ],
    teach: (input) => [...parts.allergies(input), ...parts.amounts(input), ...parts.timeline(input)],
    log: (input) => parts.timeline(input),
  };
  return parts;
}
const namedParts = partsWith(everyName);
const hashedParts = partsWith(inOne);

/** The inputs of one stage, for storing beside a signature. */
export const stageInputs = (input: ClassInput, stage: Stage): StageInputs =>
  Object.fromEntries(namedParts[stage](input));

/** The fingerprint of every stage. */
export function fingerprints(input: ClassInput): Record<Stage, string> {
  return Object.fromEntries(
    stages.map((stage) => [stage, fingerprintOf(Object.fromEntries(hashedParts[stage](input)))]),
  ) as Record<Stage, string>;
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
