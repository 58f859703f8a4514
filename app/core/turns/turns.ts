import { avoidedBy, hasOpenWords } from "~/core/allergen";
import {
  type Ingredient,
  type LabelReading,
  bearsOn,
  matchOf,
  namedOn,
  isUnderstood,
  substancesNamedOn,
} from "~/core/pantry";
import { type Participant, isAdult } from "~/core/people";
import { type Recipe, type Step, cooksPieces } from "~/core/recipe";
import { type Doing, type HouseRule, type May, doingsOf, mayOf } from "./house";

export const jobs = ["do", "crack", "stir", "pour", "turn"] as const;
export type Job = (typeof jobs)[number];

/** Why somebody is left out of a job. */
export type LeftOut =
  | { readonly why: "adult-only" }
  | { readonly why: "house-rule"; readonly doing: Doing }
  | { readonly why: "avoids"; readonly ingredientId: string }
  | { readonly why: "not-answered"; readonly ingredientId: string };

export interface Turn {
  readonly stepId: string;
  readonly job: Job;
  /** Which load, for pouring and turning; 0 otherwise. */
  readonly load: number;
  /** In the order of their turns; empty when nobody at the station may: then it is the instructor's or a helper's. */
  readonly hands: readonly string[];
  /** Whom of them the house rules want an adult beside. */
  readonly beside: readonly string[];
  readonly leftOut: readonly { readonly participantId: string; readonly reason: LeftOut }[];
}

/** What a job asks besides what its step does. */
const askedBy: Readonly<Record<Job, readonly Doing[]>> = {
  do: [],
  crack: ["crack"],
  stir: ["stir"],
  pour: [],
  turn: ["turn"],
};

/** Would this person handle something they must not have? A choice of diet does not keep hands away; an unanswered form does. */
function handles(
  person: Participant,
  ingredientIds: readonly string[],
  pantry: ReadonlyMap<string, Ingredient>,
  labels: ReadonlyMap<string, LabelReading>,
): LeftOut | undefined {
  const open = !person.hasAnswered || hasOpenWords(person);
  for (const ingredientId of ingredientIds) {
    const ingredient = pantry.get(ingredientId);
    const label = labels.get(ingredientId);
    if (open) {
      // Whoever has not answered may still stir, but does not handle what is allergenic by nature.
      if ((ingredient?.contains.length ?? 0) > 0) return { why: "not-answered", ingredientId };
      continue;
    }
    const declared = [
      ...(ingredient?.contains ?? []),
      ...(label?.contains ?? []),
      ...(label?.mayContain ?? []),
      ...substancesNamedOn(label),
    ];
    const strict = avoidedBy(person).filter((one) => one.mayCounts || one.touchOrAir);
    const isHandled = (one: (typeof strict)[number]) =>
      one.food === undefined
        ? declared.some((substance) => bearsOn(substance, one.substance))
        : // A word nobody understands may mean this: the hands stay off it until somebody says what it covers.
          !isUnderstood(one.meaning) ||
          [...(ingredient ? [ingredient] : []), ...namedOn(label)].some((food) => matchOf(food, one.meaning) !== null);
    if (strict.some(isHandled)) return { why: "avoids", ingredientId };
  }
  return undefined;
}

export interface TurnsInput {
  readonly people: readonly Participant[];
  readonly recipe: Recipe;
  readonly loads: number;
  readonly pantry: ReadonlyMap<string, Ingredient>;
  readonly labels: ReadonlyMap<string, LabelReading>;
  /** The class's own house rules, where they differ from the usual. */
  readonly house?: readonly HouseRule[] | undefined;
}

/**
 * The rota of one station over its steps. Everyone who may stirs at every mixing step, in an order that moves on; every other
 * job goes to whoever may and has had the fewest turns, so that no two who may do the same jobs differ by more than one.
 */
export function turnsOf({ people, recipe, loads, pantry, labels, house = [] }: TurnsInput): Turn[] {
  const had = new Map(people.map((person) => [person.id, 0]));
  const ingredientOf = new Map(recipe.lines.map((line) => [line.id, line.ingredientId]));
  let firstStir = 0;

  const askedOf = (step: Step, job: Job): Doing[] => [...doingsOf(step, recipe), ...askedBy[job]];
  const mayDo = (person: Participant, step: Step, job: Job, may: May): Doing | undefined =>
    askedOf(step, job).find((doing) => mayOf(house, doing, person.ageBand) === may);
  const leftOutOf = (step: Step, job: Job): Map<string, LeftOut> => {
    const drawn = step.draws.flatMap((draw) => ingredientOf.get(draw.lineId) ?? []);
    return new Map(
      people.flatMap((person): [string, LeftOut][] => {
        if (step.who === "adult" && !isAdult(person.ageBand)) return [[person.id, { why: "adult-only" }]];
        const doing = mayDo(person, step, job, "no");
        if (doing) return [[person.id, { why: "house-rule", doing }]];
        // At the heat and at the table the whole batter is handled.
        const handled = cooksPieces(step, recipe) || step.kind === "serve" ? [...ingredientOf.values()] : drawn;
        const reason = handles(person, handled, pantry, labels);
        return reason ? [[person.id, reason]] : [];
      }),
    );
  };
  const take = (step: Step, job: Job, load: number): Turn => {
    const out = leftOutOf(step, job);
    const able = people.filter((person) => !out.has(person.id));
    const next = able.reduce<Participant | undefined>(
      (least, person) => (least && (had.get(least.id) ?? 0) <= (had.get(person.id) ?? 0) ? least : person),
      undefined,
    );
    if (next) had.set(next.id, (had.get(next.id) ?? 0) + 1);
    return turn(step, job, load, next ? [next] : [], out);
  };
  const turn = (
    step: Step,
    job: Job,
    load: number,
    hands: readonly Participant[],
    out: ReadonlyMap<string, LeftOut>,
  ): Turn => ({
    stepId: step.id,
    job,
    load,
    hands: hands.map((person) => person.id),
    beside: hands.flatMap((person) => (mayDo(person, step, job, "beside") ? [person.id] : [])),
    leftOut: [...out].map(([participantId, reason]) => ({ participantId, reason })),
  });

  return recipe.steps.flatMap((step): Turn[] => {
    if (step.kind === "rest" || step.kind === "preheat") return [];
    if (cooksPieces(step, recipe))
      return Array.from({ length: loads }, (_, index) => [
        take(step, "pour", index + 1),
        ...(recipe.heat.side2 ? [take(step, "turn", index + 1)] : []),
      ]).flat();
    const hasEgg = step.draws.some((draw) => pantry.get(ingredientOf.get(draw.lineId) ?? "")?.role === "egg");
    if (step.kind !== "mix") return [take(step, hasEgg ? "crack" : "do", 0)];
    const out = leftOutOf(step, "stir");
    const able = people.filter((person) => !out.has(person.id));
    const order = able.map((_, index) => able[(index + firstStir) % able.length]).filter((one) => one !== undefined);
    firstStir += 1;
    return [...(hasEgg ? [take(step, "crack", 0)] : []), turn(step, "stir", 0, order, out)];
  });
}
