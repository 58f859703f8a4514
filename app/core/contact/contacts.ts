import { type Avoided, type VerdictWord, avoidedBy, hasOpenWords, isObliged, rankOf } from "~/core/allergen";
import {
  type Ingredient,
  type KnownFood,
  type LabelReading,
  type Market,
  type Substance,
  bearsOn,
  isLookedFor,
  isUnderstood,
  matchOf,
  namedOn,
  substancesNamedOn,
  unnamedAnimalIn,
  isStoredDry,
} from "~/core/pantry";
import type { Participant } from "~/core/people";
import { type Line, type Recipe, type Tool, isAtPlate, toolsAt } from "~/core/recipe";
import type { KitMode, Timeline } from "~/core/schedule";
import { type Cleaning, type Leg, type Reached, type Touch, type Way, reach } from "./reach";

/** What is carried from one plate to another, and how surely. */
export type Trace =
  | { readonly certainty: "contains" | "may-contain"; readonly substance: Substance }
  | { readonly certainty: "unread"; readonly ingredientId: string }
  /** A label that was read but is silent on a substance that nobody is obliged to declare and nobody looked for. */
  | {
      readonly certainty: "silent";
      readonly ingredientId: string;
      readonly market: Market;
      /** Whose list the class goes by. */
      readonly seenFrom: Market;
      readonly lookedFor: readonly string[];
      readonly isGlutenFree: boolean;
    }
  /** The ingredient itself, for people who avoid a food by name. */
  | {
      readonly certainty: "food";
      readonly ingredientId: string;
      readonly names: Pick<Ingredient, "id" | "name" | "raw">;
    };

/**
 * The traces of one plan, each by its number as text: the search over touches goes by names. Equal traces of the same ingredient and
 * label have one name. Made anew for each plan, so that no class is answered with another's ingredients.
 */
export interface Traces {
  readonly nameOf: (trace: Trace) => string;
  readonly traceOf: (name: string) => Trace | undefined;
}

export function newTraces(): Traces {
  const traces: Trace[] = [];
  const names = new Map<unknown, Map<string, string>>();
  return {
    nameOf(trace) {
      // What a trace is about by identity, where there is such a thing; the rest of it are words of fixed lists and ids.
      const about =
        trace.certainty === "food" ? trace.names : trace.certainty === "silent" ? trace.lookedFor : undefined;
      const key = JSON.stringify([
        trace.certainty,
        "substance" in trace ? trace.substance : trace.ingredientId,
        ...(trace.certainty === "silent" ? [trace.market, trace.seenFrom, trace.isGlutenFree] : []),
      ]);
      const of = names.get(about) ?? new Map<string, string>();
      names.set(about, of);
      const before = of.get(key);
      if (before !== undefined) return before;
      const name = String(traces.push(trace) - 1);
      of.set(key, name);
      return name;
    },
    traceOf: (name) => traces[Number(name)],
  };
}

const nothingLookedFor: readonly string[] = [];

/** What anybody of the class avoids beyond what labels must name: without it such traces are not followed. */
export interface Asks {
  readonly foods: boolean;
  readonly silence: boolean;
}

/** What the food made of these ingredients leaves on whatever it touches. A label that was not read leaves a question. */
export function tracesOf(
  ingredientIds: Iterable<string>,
  pantry: ReadonlyMap<string, Ingredient>,
  labels: ReadonlyMap<string, LabelReading>,
  { nameOf }: Traces,
  asks: Asks = { foods: true, silence: true },
): Set<string> {
  const traces = new Set<string>();
  for (const id of ingredientIds) {
    const ingredient = pantry.get(id);
    const label = labels.get(id);
    for (const substance of [...(ingredient?.contains ?? []), ...(label?.contains ?? []), ...substancesNamedOn(label)])
      traces.add(nameOf({ certainty: "contains", substance }));
    for (const substance of label?.mayContain ?? []) traces.add(nameOf({ certainty: "may-contain", substance }));
    if (ingredient?.label !== "whole" && !label) traces.add(nameOf({ certainty: "unread", ingredientId: id }));
    if (asks.silence && ingredient?.label !== "whole" && label)
      traces.add(
        nameOf({
          certainty: "silent",
          ingredientId: id,
          market: label.market ?? "eu",
          seenFrom: label.seenFrom ?? label.market ?? "eu",
          lookedFor: label.lookedFor ?? nothingLookedFor,
          isGlutenFree: label.isGlutenFree ?? false,
        }),
      );
    if (!asks.foods) continue;
    if (ingredient) traces.add(nameOf({ certainty: "food", ingredientId: id, names: ingredient }));
    for (const names of namedOn(label)) traces.add(nameOf({ certainty: "food", ingredientId: id, names }));
  }
  return traces;
}

export interface ContactStation {
  readonly id: string;
  readonly recipe: Recipe;
  /** Own kit packed first and sealed, own tools, own fat and toppings. */
  readonly isApart: boolean;
  /** What is known of its food where it has products of its own: they touch and fly like any other food. */
  readonly food?: Pick<KnownFood, "pantry" | "labels"> | undefined;
}

export interface ContactInput {
  readonly stations: readonly ContactStation[];
  /** What the instructor shows with; undefined where nothing is loaded in front of the room. */
  readonly demo: Recipe | undefined;
  /** Kits that no station has: they are packed after all others, at the same table. */
  readonly extras: readonly { readonly kind: "demo" | "spare"; readonly recipe: Recipe }[];
  readonly timeline: Pick<Timeline, "tasks" | "units">;
  readonly kitMode: KitMode;
  /** Households apart: no surface, tool, pot, topping or air is shared, only the table at which kits are packed. */
  readonly isRemote: boolean;
  /** Tools with fewer pieces than stations that use them: shared tools. Uncounted tools are assumed to suffice. */
  readonly shortTools: ReadonlySet<Tool>;
}

/** The instructor's bowl among the stations of a path. */
export const demoStation = "demo";
/** Names of things in a path: a surface by its unit, a tool, a pot of fat, a topping, the tub of an ingredient, the packing table, a kit. */
export const thingKinds = ["unit", "tool", "fat", "topping", "tub", "packing", "kit", "air"] as const;
export type ThingKind = (typeof thingKinds)[number];
const thing = (kind: ThingKind, id = ""): string => `${kind}:${id}`;

/** The kind and the id of a thing in a path. */
export function thingOf(name: string): { readonly kind: ThingKind; readonly id: string } {
  const colon = name.indexOf(":");
  return { kind: name.slice(0, colon) as ThingKind, id: name.slice(colon + 1) };
}

/** A kit as it is packed: it meets other kits at the packing table, before it meets its station. */
const kitStation = (stationId: string): string => `kit ${stationId}`;
/** The station a carrier in a path stands for, and whether it is its kit. */
export const carrierOf = (name: string): { readonly stationId: string; readonly isKit: boolean } =>
  name.startsWith("kit ") ? { stationId: name.slice(4), isKit: true } : { stationId: name, isKit: false };

const atHeat: ReadonlySet<Tool> = new Set(["ladle", "turner", "brush", "oven-gloves", "spatula", "pen"]);
const heatTasks: ReadonlySet<string> = new Set(["load", "tester", "demo-load"]);
/** The table at which kits are packed, one after another, long before the doors. */
const packedAt = (index: number, count: number) => index - count - 10;

/** What stations that make this share, as the names of things. */
interface Shared {
  readonly fats: readonly string[];
  readonly tubs: readonly string[];
  readonly atHeat: readonly string[];
  readonly atHand: readonly string[];
}

/**
 * Dry goods that lie open where they are measured and leave dust on what is beside them, whichever bowl they go into: by what the
 * ingredient is, not by where the recipe puts it.
 */
export const isDusty = (one: Ingredient | undefined): boolean =>
  one !== undefined && isStoredDry(one) && !notDusty.has(one.role);
const notDusty: ReadonlySet<Ingredient["role"]> = new Set(["fat", "spray", "liquid", "acid", "vanilla", "egg"]);

const dustyIn = (recipe: Recipe, pantry: ReadonlyMap<string, Ingredient>): string[] => [
  ...new Set(recipe.lines.map((line) => line.ingredientId).filter((id) => isDusty(pantry.get(id)))),
];

const inLines = (recipe: Recipe, isMeant: (line: Line) => boolean): string[] => [
  ...new Set(recipe.lines.filter(isMeant).map((line) => line.ingredientId)),
];

/**
 * Every touch of the class, from its timeline:
 * a load, a tester and the demonstration touch their surface, and the pot of pan fat (not a spray can);
 * tools that are short go round among those who use them; toppings are shared at the table while everyone eats;
 * stations that measure share the tubs; kits that are packed share the packing table, those kept apart first, demonstration and spare last.
 * A station kept apart shares only the surface. A surface is clean after a washing task.
 */
export function touchesOf(
  input: ContactInput,
  pantry: ReadonlyMap<string, Ingredient>,
): { readonly touches: Touch[]; readonly cleanings: Cleaning[] } {
  const touches: Touch[] = [];
  const cleanings: Cleaning[] = [];
  const byId = new Map(input.stations.map((station) => [station.id, station]));
  const made = [...new Set(input.stations.map((station) => station.recipe))];
  const toolsOf = (recipe: Recipe) =>
    [...new Set(recipe.steps.flatMap((step) => toolsAt(step, recipe)))].filter((tool) => input.shortTools.has(tool));
  // Tools that the same recipes use at the same place go the same rounds: the first of them speaks for all.
  const rounds = new Map<string, Tool>();
  const speaksFor = new Map<Tool, Tool>();
  for (const tool of input.shortTools) {
    const round = `${atHeat.has(tool)} ${made.map((recipe) => toolsOf(recipe).includes(tool)).join()}`;
    if (!rounds.has(round)) rounds.set(round, tool);
    speaksFor.set(tool, rounds.get(round) ?? tool);
  }
  const recipes = new Map<Recipe, Shared>();
  const sharedBy = (recipe: Recipe): Shared => {
    const before = recipes.get(recipe);
    if (before) return before;
    const tools = toolsOf(recipe).filter((tool) => speaksFor.get(tool) === tool);
    const shared: Shared = {
      fats: inLines(recipe, (line) => line.bowl === "pan")
        .filter((id) => pantry.get(id)?.role !== "spray")
        .map((id) => thing("fat", id)),
      tubs: dustyIn(recipe, pantry).map((id) => thing("tub", id)),
      atHeat: tools.filter((tool) => atHeat.has(tool)).map((tool) => thing("tool", tool)),
      atHand: tools.filter((tool) => !atHeat.has(tool)).map((tool) => thing("tool", tool)),
    };
    recipes.set(recipe, shared);
    return shared;
  };
  // A surface that only its own station ever uses brings nothing to anybody.
  const usersOf = new Map<string, string>();
  const isShared = new Set<string>();
  for (const task of input.timeline.tasks) {
    if (!heatTasks.has(task.kind) || task.surfaceId === null) continue;
    const user = task.kind === "demo-load" ? demoStation : (task.stationId ?? demoStation);
    const before = usersOf.get(task.surfaceId);
    if (before === undefined) usersOf.set(task.surfaceId, user);
    else if (before !== user) isShared.add(task.surfaceId);
  }

  for (const task of input.isRemote ? [] : input.timeline.tasks) {
    const { start, end } = task;
    if (task.kind === "wash" && task.surfaceId) cleanings.push({ thing: thing("unit", task.surfaceId), at: end });
    if (heatTasks.has(task.kind) && task.surfaceId) {
      const id = task.kind === "demo-load" ? demoStation : (task.stationId ?? demoStation);
      const station = byId.get(id);
      const recipe = station?.recipe ?? input.demo;
      if (isShared.has(task.surfaceId)) touches.push({ station: id, thing: thing("unit", task.surfaceId), start, end });
      if (recipe && !station?.isApart)
        for (const fat of sharedBy(recipe).fats) touches.push({ station: id, thing: fat, start, end });
    }
    const station = task.stationId === null ? undefined : byId.get(task.stationId);
    if (!station || station.isApart) continue;
    const isHandwork = task.kind === "mix" || task.kind === "prepare";
    if (isHandwork && input.kitMode === "station-measures")
      for (const tub of sharedBy(station.recipe).tubs) touches.push({ station: station.id, thing: tub, start, end });
    const isAtHeat = task.kind === "load" || task.kind === "tester";
    if (input.shortTools.size > 0 && (isHandwork || isAtHeat))
      for (const tool of sharedBy(station.recipe)[isAtHeat ? "atHeat" : "atHand"])
        touches.push({ station: station.id, thing: tool, start, end });
  }

  const eat = input.timeline.tasks.find((task) => task.kind === "eat");
  if (!input.isRemote && eat && eat.end > eat.start)
    for (const station of input.stations)
      if (!station.isApart)
        for (const topping of inLines(station.recipe, (line) => isAtPlate(line, station.recipe)))
          touches.push({ station: station.id, thing: thing("topping", topping), start: eat.start, end: eat.end });

  // Kits kept apart come first, one after the other: only the first of them has a table that nothing was opened on.
  if (input.kitMode !== "station-measures") {
    const packed = [
      ...[...input.stations].sort((a, b) => Number(b.isApart) - Number(a.isApart)).map((station) => station.id),
      ...input.extras.map((extra) => extra.kind),
    ];
    packed.forEach((id, index) => {
      const start = packedAt(index, packed.length);
      const kit = kitStation(id);
      touches.push({ station: kit, thing: thing("packing"), start, end: start + 1 });
      touches.push({ station: kit, thing: thing("kit", id), start: -2, end: -1 });
      touches.push({ station: id, thing: thing("kit", id), start: -1, end: 0 });
    });
  }
  return { touches, cleanings };
}

/** What reaches each station's food from elsewhere in the room. */
export function contactsOf(
  input: ContactInput,
  pantry: ReadonlyMap<string, Ingredient>,
  labels: ReadonlyMap<string, LabelReading>,
  traces: Traces,
  asks: Asks,
): Reached {
  // Stations of one dish carry the same.
  const whole = new Map<Recipe, Set<string>>();
  const dry = new Map<Recipe, Set<string>>();
  const once = (kept: Map<Recipe, Set<string>>, recipe: Recipe, ids: () => string[]) => {
    const left = kept.get(recipe) ?? tracesOf(ids(), pantry, labels, traces, asks);
    kept.set(recipe, left);
    return left;
  };
  const all = (recipe: Recipe) => once(whole, recipe, () => recipe.lines.map((line) => line.ingredientId));
  const at = ({ recipe, food }: ContactStation) =>
    food
      ? tracesOf(
          recipe.lines.map((line) => line.ingredientId),
          food.pantry,
          food.labels,
          traces,
          asks,
        )
      : all(recipe);
  const own = new Map<string, ReadonlySet<string>>(input.stations.map((station) => [station.id, at(station)]));
  const carried = [
    ...input.stations,
    ...input.extras.map((extra) => ({ id: extra.kind as string, recipe: extra.recipe })),
  ];
  for (const { id, recipe } of carried)
    own.set(
      kitStation(id),
      once(dry, recipe, () => dustyIn(recipe, pantry)),
    );
  for (const { kind, recipe } of input.extras) own.set(kind, all(recipe));
  if (input.demo) own.set(demoStation, all(input.demo));
  const { touches, cleanings } = touchesOf(input, pantry);
  return reach(own, touches, cleanings);
}

/** Something that reaches a person's plate, or them, from elsewhere. */
export interface Exposure {
  /** What the person avoids: a substance, or a food by its name. */
  readonly substance: Substance | null;
  readonly food: string | null;
  readonly trace: Trace;
  readonly verdict: Exclude<VerdictWord, "clear">;
  /** The way it came, first leg first. Through the air: one leg. */
  readonly legs: readonly Leg[];
}

/** What a trace means to somebody: the rule of the plate, one step further off. Contact is never more than "may contain" for a choice. */
function bearing(avoided: Avoided, trace: Trace): Exposure["verdict"] | undefined {
  if (trace.certainty === "unread") return "unknown";
  if (avoided.food !== undefined) {
    const { meaning } = avoided;
    if (trace.certainty === "food") {
      const match = matchOf(trace.names, meaning);
      if (match === "is") return avoided.mayCounts ? "contains" : "may-contain";
      return match === "may-be" ? "unknown" : undefined;
    }
    // A word nobody understands makes the plate unknown already; the substances that a word means answer for themselves.
    if (trace.certainty !== "silent" || !isUnderstood(meaning) || meaning.isListed) return undefined;
    return isLookedFor(trace.lookedFor, meaning) ? undefined : "unknown";
  }
  if (trace.certainty === "food") return undefined;
  const { substance } = avoided;
  if (trace.certainty === "silent") {
    if (isObliged(substance, trace.market, trace.seenFrom) || trace.lookedFor.includes(substance)) return undefined;
    if (avoided.word && isLookedFor(trace.lookedFor, avoided.word)) return undefined;
    return avoided.isCoeliac && trace.isGlutenFree ? undefined : "unknown";
  }
  if (bearsOn(trace.substance, substance)) {
    if (avoided.isAsked) return "unknown";
    return avoided.mayCounts ? "contains" : "may-contain";
  }
  if (unnamedAnimalIn([trace.substance], substance)) return "unknown";
  if (substance === "peanut" && avoided.mayCounts && trace.substance === "lupin") return "unknown";
  const isNut = substance === "tree-nut" || bearsOn(substance, "tree-nut");
  return isNut && trace.substance === "coconut" ? "unknown" : undefined;
}

/**
 * What reaches one person at one station, beyond what is in their own food.
 * @param others what the other stations and the demonstration are made of: bears on whoever may not meet it on the skin or in the air.
 */
export function exposuresOf(
  person: Pick<Participant, "needs" | "ageBand" | "hasAnswered" | "words" | "isContested">,
  reached: ReadonlyMap<string, Way>,
  others: readonly { readonly stationId: string; readonly traces: ReadonlySet<string> }[],
  stationId: string,
  { traceOf }: Traces,
): Exposure[] {
  if (!person.hasAnswered || hasOpenWords(person)) return [];
  const avoided = avoidedBy(person);
  if (avoided.length === 0) return [];
  const found = new Map<string, Exposure>();
  const note = (one: Avoided, text: string, way: Way) => {
    const trace = traceOf(text);
    if (!trace) return;
    const verdict = bearing(one, trace);
    if (!verdict) return;
    const key = `${one.substance ?? one.food} ${text}`;
    // Who avoids one thing for two reasons is told the graver.
    const before = found.get(key);
    if (before && rankOf[before.verdict] <= rankOf[verdict]) return;
    found.set(key, {
      substance: one.substance ?? null,
      food: one.food ?? null,
      trace,
      verdict,
      legs: before?.legs ?? way(),
    });
  };
  for (const one of avoided) for (const [text, way] of reached) note(one, text, way);
  for (const one of avoided.filter((each) => each.touchOrAir))
    for (const { stationId: from, traces } of others)
      for (const text of traces)
        note(one, text, () => [{ from, thing: thing("air"), leftAt: 0, to: stationId, pickedAt: 0 }]);
  // The gravest first: whoever shows only some of them shows those.
  return [...found.values()].sort((a, b) => rankOf[a.verdict] - rankOf[b.verdict]);
}
