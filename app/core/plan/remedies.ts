import { type Minutes, minus } from "~/core/quantity";
import { type Arrangement, isAtStation, stationId, stationIndex } from "~/core/people";
import { type SeatingProblem, guestOf } from "~/core/seating";
import { type VerdictWord, avoidedBy, judgePlate, rankOf } from "~/core/allergen";
import { costOf } from "~/core/kit";
import { type KnownFood, foodAt, knownFood } from "~/core/pantry";
import type { Recipe } from "~/core/recipe";
import { type Choice, choiceFor } from "./choices";
import { dishByPlace, variantOf } from "./dishes";
import { type DraftedVariant, draftFor } from "./drafts";
import { type PlateChange, plateChanges } from "./plate-changes";
import { plan } from "./plan";
import { type ClassInput, type ClassPlan, type Dish, type Plate, settledOf } from "./types";

/** In the order in which practice proposes them: what sets nobody apart first, what leaves somebody out last. */
export const remedyKinds = ["whole-class", "own-station", "order", "wash", "other-dish", "sit-out"] as const;
export type RemedyKind = (typeof remedyKinds)[number];

/** What of a class a remedy changes; the rest stays as it is. */
export interface PlanChange {
  readonly dishes: ClassInput["dishes"];
  readonly arrangement: Arrangement | undefined;
}

/** What a remedy takes beside what is planned now; negative where it saves. */
export interface RemedyCost {
  readonly minutes: Minutes;
  readonly stations: number;
  /** Kinds of kit that differ. */
  readonly kits: number;
  /** Tools that are missing more than now. */
  readonly gearShort: number;
  /** In hundredths of the currency; null while a product that is bought has no price. */
  readonly money: number | null;
  /** People who sit at a station kept apart. */
  readonly setApart: readonly string[];
}

/** One way out for one person, with what it would leave of the danger and what it takes. */
export interface Remedy {
  readonly kind: RemedyKind;
  /** The dish it makes, as recipe and variant; null where no dish changes. */
  readonly recipeId: string | null;
  readonly variantId: string | null;
  readonly title: string | null;
  /** A variant drafted for this: the recipe with it, to be kept as a new revision when the way is chosen; null where it is there. */
  readonly drafted: DraftedVariant | null;
  /** What the author offers and this takes: alternatives, rounds nobody makes; null where nothing of the kind. */
  readonly choice: Choice | null;
  readonly stationId: string | null;
  readonly change: PlanChange | null;
  readonly before: VerdictWord;
  /** The verdict on the person's plate afterwards: never better than the labels allow. */
  readonly after: VerdictWord;
  /** Others whose plate would be worse than now. */
  readonly worsens: readonly string[];
  /** Everybody else whose plate, dish or table it changes. */
  readonly touches: readonly PlateChange[];
  readonly cost: RemedyCost | null;
}

const plateOf = (made: ClassPlan, participantId: string): Plate | undefined =>
  made.plates.find((plate) => plate.participantId === participantId);

const moneyOf = (input: ClassInput, made: ClassPlan): number | null =>
  costOf(made.totals, knownFood(input).pantry, input.packs);

const costBetween = (before: ClassPlan, after: ClassPlan, was: ClassInput, is: ClassInput): RemedyCost => {
  const short = (made: ClassPlan) => made.gear.reduce((sum, line) => sum + line.short, 0);
  const kits = (made: ClassPlan) => new Set(made.stations.map((station) => station.kit)).size;
  const [then, now] = [moneyOf(was, before), moneyOf(is, after)];
  return {
    minutes: minus(after.timeline.end, before.timeline.end),
    stations: after.stations.length - before.stations.length,
    kits: kits(after) - kits(before),
    gearShort: short(after) - short(before),
    money: then === null || now === null ? null : now - then,
    setApart: after.stations.filter((station) => station.isApart).flatMap((station) => station.people),
  };
};

/** The seats of a class as lists, whether somebody arranged them or the order of the register did. */
export const seatLists = (made: Pick<ClassPlan, "stations">): string[][] => {
  const count = Math.max(0, ...made.stations.map((station) => stationIndex(station.id) + 1));
  return Array.from({ length: count }, (_, index) => [
    ...(made.stations.find((station) => station.id === stationId(index))?.people ?? []),
  ]);
};

/**
 * The ways out for one person, computed and compared: each is planned whole, so its cost and its verdict are those of the plan it
 * makes. What does not make the plate better is left out; sitting out is always there.
 * @param recipes what else could be made, beside the dishes of the class.
 */
export function waysOutFor(input: ClassInput, participantId: string, recipes: readonly Recipe[]): Remedy[] {
  const before = plan(input);
  const person = input.people.find((one) => one.id === participantId);
  const now = plateOf(before, participantId);
  if (!person || !now || now.verdict === "clear" || !person.hasAnswered) return [];
  const station = before.stations.find((one) => one.people.includes(participantId));
  const { pantry, labels } = foodAt(knownFood(input), station && stationIndex(station.id));
  const seats = seatLists(before);
  const apart = input.arrangement?.apart ?? [];

  const judged = (recipe: Recipe): VerdictWord =>
    judgePlate(person, [...new Set(recipe.lines.map((line) => line.ingredientId))], pantry, labels).verdict;
  const options = (own: readonly Dish[]) =>
    own.flatMap((dish) =>
      [null, ...dish.recipe.variants.map((variant) => variant.id)].map((variantId) => ({
        recipe: dish.recipe,
        variantId,
        title: dish.recipe.variants.find((variant) => variant.id === variantId)?.name ?? dish.recipe.title,
        made: variantOf(dish.recipe, variantId, input.pantry, pantry),
      })),
    );
  const seen = new Set<string>();
  const isNew = ({ recipe, variantId }: { recipe: Recipe; variantId: string | null }) => {
    const key = `${recipe.id} ${variantId}`;
    return !seen.has(key) && Boolean(seen.add(key));
  };
  interface Option {
    readonly recipe: Recipe;
    readonly variantId: string | null;
    readonly title: string;
    readonly made: Recipe;
    readonly choice?: Choice;
  }
  // An answer of "unknown" may become clear once the labels are read; "contains" never does.
  const eatable = (one: { made: Recipe }) => judged(one.made) !== "contains";
  const written = options(input.dishes).filter(isNew);
  // Where no variant that the author wrote clears the plate, the swaps the program knows are drafted into one.
  const drafts = new Map<string, DraftedVariant>();
  // What the author offers beside the variants: another milk, the pieces without berries only.
  const chosen = written.flatMap((one): Option[] => {
    if (eatable(one)) return [];
    const found = choiceFor(one.recipe, one.variantId, person, pantry, labels, input.pantry);
    return found ? [{ ...one, made: found.made, choice: { takes: found.takes, rounds: found.rounds } }] : [];
  });
  const own: Option[] = [
    ...written,
    ...chosen,
    ...[...new Map(input.dishes.map((dish) => [dish.recipe.id, dish])).values()].flatMap((dish) => {
      if ([...written, ...chosen].some((one) => one.recipe.id === dish.recipe.id && eatable(one))) return [];
      const draft = draftFor(dish.recipe, person, pantry, labels, input.pantry);
      if (!draft) return [];
      drafts.set(`${dish.recipe.id} ${draft.variantId}`, draft);
      const title = draft.recipe.variants.find((one) => one.id === draft.variantId)?.name ?? dish.recipe.title;
      const made = variantOf(draft.recipe, draft.variantId, input.pantry, pantry);
      return [{ recipe: draft.recipe, variantId: draft.variantId as string | null, title, made }];
    }),
  ];
  const others = options(
    recipes
      .filter((recipe) => !input.dishes.some((dish) => dish.recipe.id === recipe.id))
      .map((recipe) => ({ id: recipe.id, recipe, variantId: null, stations: null })),
  ).filter(isNew);

  const found: Remedy[] = [];
  const propose = (
    kind: RemedyKind,
    change: PlanChange,
    what: Pick<Remedy, "recipeId" | "variantId" | "title">,
    choice: Choice | null = null,
  ) => {
    const changed: ClassInput = { ...input, ...change };
    const after = plan(changed);
    const then = plateOf(after, participantId);
    if (!then || rankOf[then.verdict] <= rankOf[now.verdict]) return;
    const touches = plateChanges({ input, plan: before }, { input: changed, plan: after }).filter(
      (one) => one.participantId !== participantId,
    );
    found.push({
      kind,
      ...what,
      drafted: drafts.get(`${what.recipeId} ${what.variantId}`) ?? null,
      choice,
      change,
      stationId: after.stations.find((one) => one.people.includes(participantId))?.id ?? null,
      before: now.verdict,
      after: then.verdict,
      worsens: touches.filter((one) => one.isWorse).map((one) => one.participantId),
      touches,
      cost: costBetween(before, after, input, changed),
    });
  };

  // A bowl of a fixed size stays one, and its rounds; which alternative is taken is what the remedy is about.
  const settledFor = ({ recipe, choice }: Pick<Option, "recipe" | "choice">): Partial<Dish> => {
    const { bowl, cooks, mixing, rounds } = settledOf(
      input.dishes.find((dish) => dish.recipe.id === recipe.id),
      recipe.id,
    );
    const asked = [
      ...(rounds ?? []).filter((one) => !choice?.rounds.some((each) => each.roundId === one.roundId)),
      ...(choice?.rounds ?? []),
    ];
    return {
      ...(bowl ? { bowl } : {}),
      ...(cooks ? { cooks } : {}),
      ...(mixing ? { mixing } : {}),
      ...(asked.length > 0 ? { rounds: asked } : {}),
      ...(choice && choice.takes.length > 0 ? { takes: choice.takes } : {}),
    };
  };
  for (const one of own.filter(eatable)) {
    const { recipe, variantId, title, choice } = one;
    propose(
      "whole-class",
      {
        dishes: [{ id: "all", recipe, variantId, stations: null, ...settledFor(one) }],
        arrangement: input.arrangement,
      },
      { recipeId: recipe.id, variantId, title },
      choice,
    );
  }

  /** The person alone at a new last station that makes this dish. */
  const alone = (option: Pick<Option, "recipe" | "variantId" | "choice">): PlanChange => {
    const { recipe, variantId } = option;
    const rest = seats.map((ids) => ids.filter((id) => id !== participantId));
    const kept = rest.flatMap((ids, index) => (ids.length > 0 ? [{ ids, index, isApart: apart.includes(index) }] : []));
    // The dish row of the station they leave behind empty, where it was theirs alone, goes with them.
    const emptied = station && station.people.length === 1 ? station.dishId : undefined;
    const dishes = input.dishes.flatMap((dish) => {
      if (dish.id !== emptied || dish.stations === null) return [dish];
      return dish.stations > 1 ? [{ ...dish, stations: dish.stations - 1 }] : [];
    });
    return {
      dishes: [
        ...(dishes.some((dish) => dish.stations === null)
          ? dishes
          : dishes.map((dish, index) => (index === 0 ? { ...dish, stations: null } : dish))),
        { id: "own", recipe, variantId, stations: 1, ...settledFor(option) },
      ],
      arrangement: {
        washesBetween: input.arrangement?.washesBetween,
        seats: [...kept.map((one) => one.ids), [participantId]],
        apart: [...kept.flatMap((one, index) => (one.isApart ? [index] : [])), kept.length],
        // A table keeps its cups and spoons where the tables before it go.
        ...(input.arrangement?.sets
          ? {
              sets: input.arrangement.sets.flatMap((own) => {
                const at = kept.findIndex((one) => one.index === own.station);
                return at < 0 ? [] : [{ ...own, station: at }];
              }),
            }
          : {}),
      },
    };
  };
  if (station)
    for (const one of own.filter(eatable))
      propose(
        "own-station",
        alone(one),
        { recipeId: one.recipe.id, variantId: one.variantId, title: one.title },
        one.choice,
      );

  if (station && !station.isApart) {
    const index = stationIndex(station.id);
    propose(
      "order",
      {
        dishes: input.dishes,
        arrangement: { ...input.arrangement, seats: input.arrangement?.seats ?? null, apart: [...apart, index] },
      },
      { recipeId: null, variantId: null, title: null },
    );
  }

  if (station && !input.arrangement?.washesBetween)
    propose(
      "wash",
      {
        dishes: input.dishes,
        arrangement: { ...input.arrangement, seats: input.arrangement?.seats ?? null, apart, washesBetween: true },
      },
      { recipeId: null, variantId: null, title: null },
    );

  if (station)
    for (const { recipe, variantId, title } of others.filter(eatable))
      propose("other-dish", alone({ recipe, variantId }), {
        recipeId: recipe.id,
        variantId,
        title: variantId === null ? recipe.title : `${recipe.title}, ${title.toLowerCase()}`,
      });

  found.push({
    kind: "sit-out",
    recipeId: null,
    variantId: null,
    title: null,
    drafted: null,
    choice: null,
    stationId: station?.id ?? null,
    change: null,
    before: now.verdict,
    after: now.verdict,
    worsens: [],
    touches: [],
    cost: null,
  });
  // What makes somebody else's plate worse never stands first.
  return found.sort(
    (a, b) =>
      Number(a.worsens.length > 0) - Number(b.worsens.length > 0) ||
      remedyKinds.indexOf(a.kind) - remedyKinds.indexOf(b.kind) ||
      rankOf[b.after] - rankOf[a.after] ||
      (a.cost?.minutes ?? 0) - (b.cost?.minutes ?? 0),
  );
}

/** The room of a class as the seating optimiser sees it, and who sits where now. */
export function seatingOf(
  input: ClassInput,
  made: ClassPlan,
): { readonly problem: SeatingProblem; readonly now: readonly number[] } {
  const food = knownFood(input);
  const lists = seatLists(made);
  const dishAt = dishByPlace(input, made.stations.length);
  const linesOf = new Map(
    made.dishes.map((dish) => [dish.id, [...new Set(dish.recipe.lines.map((line) => line.ingredientId))]]),
  );
  const cooks = input.people.filter(isAtStation);
  const place = new Map(lists.flatMap((ids, index) => ids.map((id) => [id, index] as const)));
  const plates = cooks.map((person) => {
    const byDish = (of: Pick<KnownFood, "pantry" | "labels">) =>
      new Map([...linesOf].map(([dishId, ids]) => [dishId, judgePlate(person, ids, of.pantry, of.labels).verdict]));
    const usual = byDish(food);
    return lists.map((_, index): VerdictWord => {
      const there = foodAt(food, index);
      return (there === food ? usual : byDish(there)).get(dishAt(index)?.id ?? "") ?? "clear";
    });
  });
  return {
    problem: {
      guests: cooks.map((person) =>
        guestOf(
          person,
          avoidedBy(person)
            .filter((one) => one.mayCounts)
            .map((one) => one.substance ?? one.food),
        ),
      ),
      stations: lists.length,
      size: Math.max(input.brief.stationSize, ...lists.map((ids) => ids.length)),
      helpers: input.brief.helpers,
      plates,
      apart: input.arrangement?.apart ?? [],
    },
    now: cooks.map((person) => place.get(person.id) ?? 0),
  };
}

/** A seating as the lists of an arrangement. */
export const listsOf = (problem: SeatingProblem, seating: readonly number[]): string[][] =>
  Array.from({ length: problem.stations }, (_, station) =>
    problem.guests.filter((_guest, index) => seating[index] === station).map((guest) => guest.id),
  );
