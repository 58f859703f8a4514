import { ingredientsNamedIn } from "~/core/recipe";
import { type ClassInput, type Stage, canonical, fingerprintOf, fingerprintOfText } from "~/core/plan";
import { type Ratio, writeRatio } from "~/core/quantity";

/**
 * The inputs that a stage's sheets may follow from, by a name that tells which: what it is and its id or place, never what it is
 * called. Two of these compared tell what made a sheet stale; whether it is stale, its stamp alone tells. What is health data appears
 * as a hash only, so that a stored stamp gives nobody's needs away.
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
const hidden = (value: unknown): string => `#${fingerprintOf(value)}`;

type Entry = readonly [name: string, value: string];
type Part = (input: ClassInput, keys: PersonKeys) => readonly Entry[];

/**
 * A secret text for each person, by their id, that goes into whatever is hashed of them: without it a stored hash of what somebody
 * declared could be guessed by hashing what people usually declare. Whoever is not in it is hashed as they are.
 */
export type PersonKeys = ReadonlyMap<string, string>;
export const noKeys: PersonKeys = new Map();

/** The hash of something of a person's, with their secret where they have one. */
const ofPerson = (value: unknown, key: string | undefined): string =>
  key ? `#${fingerprintOfText(canonical([value, key]))}` : hidden(value);

const byPlace = <T>(kind: string, list: readonly T[], as: (one: T) => string): Entry[] =>
  list.map((one, at) => [`${kind}:${at + 1}`, as(one)]);

const head: Part = ({ title, startsAt, timeZone, kitchen }) => [
  ["class:title", shown(title)],
  ["class:startsAt", startsAt],
  ["class:timeZone", timeZone],
  ["kitchen:name", shown(kitchen.name)],
];
const brief: Part = (input) =>
  Object.entries(input.brief).flatMap(([key, value]): Entry[] =>
    value === undefined ? [] : [[`brief:${key}`, shown(value)]],
  );
const dishes: Part = (input) => [
  ...byPlace("recipe", input.dishes, (dish) => hidden(dish.recipe)),
  ...byPlace("dish", input.dishes, (dish) =>
    shown({
      variant: dish.variantId,
      stations: dish.stations,
      newest: dish.newestRevision,
      bowl: dish.bowl,
      cooks: dish.cooks,
      mixing: dish.mixing,
      takes: dish.takes,
      rounds: dish.rounds,
      bulk: dish.bulk,
    }),
  ),
];
/** By whose rules food is held and warmed. */
const rules: Part = (input) => [["brief:regime", shown(input.brief.regime)]];
/** The register as everybody may see it; what was declared is in {@link needs}. */
const register: Part = (input, keys) =>
  input.people.map(({ id, name, role, ageBand }) => [`person:${id}`, ofPerson({ name, role, ageBand }, keys.get(id))]);
const order: Part = (input) => [["register:order", hidden(input.people.map((person) => person.id))]];
const needs: Part = (input, keys) =>
  input.people.map(({ name: _name, role: _role, ageBand: _ageBand, ...person }): Entry => [
    `answer:${person.id}`,
    ofPerson(person, keys.get(person.id)),
  ]);
const pantry: Part = (input) => {
  const used = new Set(input.dishes.flatMap((dish) => ingredientsNamedIn(dish.recipe)));
  return input.pantry.filter((one) => used.has(one.id)).map((one): Entry => [`ingredient:${one.id}`, hidden(one)]);
};
const labels: Part = (input) => input.labels.map((one): Entry => [`label:${one.ingredientId}`, hidden(one)]);
/** What is brought for everybody is judged; what a household has of its own is not bought and packed for it either. */
const brought: Part = (input) => [...byPlace("brought", input.shared ?? [], ({ id: _id, ...food }) => hidden(food))];
const packs: Part = (input) => input.packs.map((one): Entry => [`pack:${one.ingredientId}`, shown(one)]);
const seats: Part = (input) => [["arrangement:seats", hidden(input.arrangement ?? null)]];
const house: Part = (input) => [["house:rules", hidden(input.house ?? null)]];
const loads: Part = (input) => [
  ["arrangement:order", hidden(input.order ?? null)],
  ["arrangement:pins", shown(input.pins ?? null)],
];
const surfaces: Part = (input) => [
  ...byPlace("surface", input.kitchen.surfaces, ({ id: _id, ...surface }) => hidden(surface)),
  ["kitchen:sinks", String(input.kitchen.sinks)],
  ["kitchen:rounds", shown(input.kitchen.goesRound ?? null)],
  ["kitchen:altitude", String(input.kitchen.altitudeM ?? "unknown")],
];
const gear: Part = (input) => input.kitchen.gear.map((one): Entry => [`gear:${one.tool}`, String(one.owned)]);
const circuits: Part = (input) => [
  ["kitchen:circuits", String(input.kitchen.circuits?.length ?? "unknown")],
  ...byPlace("circuit", input.kitchen.circuits ?? [], ({ id: _id, ...circuit }) => hidden(circuit)),
];

const time: readonly Part[] = [head, dishes, brief, register, order, pantry, surfaces, seats, loads, brought];
const everything: readonly Part[] = [...time, needs, labels, packs, gear, circuits];

/** What each stage may follow from; wider rather than narrower, as a stamp that changed must be able to say why. */
const parts: Readonly<Record<Stage, readonly Part[]>> = {
  recipe: [dishes, pantry, rules],
  brief: [...time, packs, labels],
  allergies: everything,
  amounts: [...time, packs],
  kits: [...time, packs, labels, gear],
  gear: [...time, gear, circuits],
  timeline: time,
  teach: [...everything, house],
  log: time,
};

/** The inputs of one stage, for storing beside a signature. */
export const stageInputs = (input: ClassInput, stage: Stage, keys: PersonKeys = noKeys): StageInputs =>
  Object.fromEntries(parts[stage].flatMap((part) => part(input, keys)));

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

/** A stage nobody signed is open; a signed one is settled while its sheets are what they were, and stale after. */
export const stateOfStage = (stamp: string | undefined, now: string): StageState =>
  stamp === undefined ? "open" : stamp === now ? "settled" : "stale";
