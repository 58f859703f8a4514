import {
  type Ratio,
  add,
  one as wholeBatch,
  toNumber,
  zero,
  type Grams,
  type Minutes,
  inMinutes,
  dividedBy,
  sumOf,
  times,
  inGrams,
  sumKnown,
} from "~/core/quantity";
import type { Pantry } from "~/core/batter";
import { type KitLine, isInDryMix } from "~/core/kit";
import { type ClassInput, type ClassPlan, type DishPlan, gramsAhead } from "~/core/plan";
import { type Line, type Recipe, type Tool, isBatter, methodOf } from "~/core/recipe";
import type { Ingredient, Storage } from "~/core/pantry";

export const prepKinds = [
  "thaw",
  "dry-mix",
  "make-part",
  "squeeze",
  "drain",
  "trim",
  "soak-gel",
  "sour-milk",
  "melt",
  "rest-batter",
  "make-batter",
  "chill-down",
] as const;
export type PrepKind = (typeof prepKinds)[number];

/** One task before the class. Minutes are counted back from the moment the doors open. */
export interface PrepTask {
  /** Stays the same however the amounts change. */
  readonly id: string;
  readonly kind: PrepKind;
  readonly ingredientIds: readonly string[];
  readonly dishId: string | null;
  /** A sub-recipe's name, where the task is one. */
  readonly part: string | null;
  /** Grams to work with, and what is left of them where that is less. */
  readonly grams: Grams | undefined;
  readonly keptGrams: Grams | undefined;
  /** Not earlier than this before the doors, for it would not keep. */
  readonly notBefore: number;
  /** Done by this long before the doors at the latest. */
  readonly doneBy: number;
  /** Likely hands-on minutes; waiting is in the distance to the class. */
  readonly minutes: Minutes;
  readonly waitMinutes: Minutes;
  readonly storage: Storage | "warm";
  /** Hours it keeps once it is done; local food codes come first. */
  readonly keepsHours: number;
  /** Of what is squeezed: salt draws the water out first. */
  readonly isSalted?: boolean;
  /** Batches of a batter made ahead. */
  readonly batches?: Ratio;
  /** For a bulk dry mix: what goes into one station's bag, by batches, and how many such bags. */
  readonly bags: readonly { readonly factor: Ratio; readonly grams: Grams; readonly count: number }[];
}

const hour = 60;

/** How long each task takes, waits, and keeps (starting values from general kitchen practice; hours of chilled food follow local codes first). */
export const prepFigures = {
  thaw: { minutes: 5, wait: 12 * hour, latest: hour, keeps: 24 },
  dryMix: { minutesPerBag: 1, base: 10, latest: 2 * hour, keeps: 30 * 24 },
  drain: { minutes: 3, wait: 15, latest: hour, keeps: 24 },
  squeeze: { minutesPerKg: 12, wait: 12, latest: hour, keeps: 24 },
  trim: { minutesPerKg: 10, latest: hour, keeps: 24 },
  soakGel: { minutes: 5, wait: 10, latest: 20, keeps: 12 },
  sourMilk: { minutes: 3, wait: 5, latest: 15, keeps: 24 },
  melt: { minutes: 5, wait: 20, latest: 10, keeps: 2 },
  makeBatter: { minutesPerTub: 1, latest: 15, keeps: 24 },
  restBatter: { minutes: 10, latest: 0, keeps: 24 },
  chill: { minutes: 10, latest: 15, keeps: 2 },
} as const;

/** Grated vegetables give their water when they are squeezed; fruit, and what comes out of a tin, is drained. */
const isSqueezed = (line: Line, one: Ingredient | undefined): boolean =>
  one?.role === "vegetable" && !/\bdrain/i.test(`${line.note} ${one.name}`);
const isSalted = (line: Line, recipe: Recipe, pantry: Pantry): boolean =>
  recipe.steps.some(
    (step) =>
      step.kind === "prepare" &&
      step.draws.some((draw) => draw.lineId === line.id) &&
      step.draws.some((draw) => {
        const other = recipe.lines.find((each) => each.id === draw.lineId);
        return other !== undefined && pantry.get(other.ingredientId)?.role === "salt";
      }),
  );

const gelSeeds = ["chia", "linseed"];

/** The steps a dish leaves to its tables: what they do there is not done ahead as well. */
const stepsInClass = (dish: Pick<DishPlan, "recipe" | "atTable">) => (dish.atTable ?? dish.recipe).steps;
/** Is a line worked on by itself at a step of the class, before it is mixed in? */
const isPreparedInClass = (dish: Pick<DishPlan, "recipe" | "atTable">, lineId: string): boolean =>
  stepsInClass(dish).some((step) => step.kind === "prepare" && step.draws.some((draw) => draw.lineId === lineId));
/** Seeds that a step of the class gives their water swell in class, whatever that step is called, if a rest comes after it. */
const swellsInClass = (dish: Pick<DishPlan, "recipe" | "atTable">, lineId: string): boolean => {
  const steps = stepsInClass(dish);
  const at = steps.findIndex((step) => step.draws.some((draw) => draw.lineId === lineId));
  const rests = steps.slice(at + 1).some((step) => step.kind === "rest" && step.partId === steps[at]?.partId);
  return at >= 0 && (isPreparedInClass(dish, lineId) || rests);
};

const trimmers: readonly Tool[] = ["grater", "knife", "peeler", "zester"];
/** Does every table that uses it peel, grate or cut it at a step of its own? */
const isTrimmedInClass = (plan: ClassPlan, ingredientId: string): boolean => {
  const users = plan.dishes.filter(
    (dish) => dish.stations > 0 && dish.recipe.lines.some((line) => line.ingredientId === ingredientId),
  );
  return (
    users.length > 0 &&
    users.every((dish) =>
      dish.recipe.lines
        .filter((line) => line.ingredientId === ingredientId)
        .every((line) =>
          stepsInClass(dish).some(
            (step) =>
              step.kind === "prepare" &&
              step.tools.some((tool) => trimmers.includes(tool)) &&
              step.draws.some((draw) => draw.lineId === line.id),
          ),
        ),
    )
  );
};

/** Everything that is packed, once: stations, the demonstration and the spare kit, each with its dish. */
const packed = (plan: ClassPlan) => {
  return [
    ...plan.stations.flatMap(({ dishId, kit, halves, ahead, scale: { factor } }) => {
      const own = { dishId: dishId as string | null, bags: 0, isBowl: true };
      if (ahead) return [{ ...own, kit, factor, isBowl: false }];
      if (!halves) return [{ ...own, kit, factor }];
      const half = { ...own, kit: halves.each, factor: halves.factor };
      // The halves are all of its batches: what is there once beside them is none more.
      return [half, half, { ...own, kit: halves.rest, factor: zero, isBowl: false }];
    }),
    // A stored mix by its bags: what is made of it another day is not made here.
    ...plan.extras.map(({ dishId, kit, factor, stored }) => ({
      dishId: dishId as string | null,
      kit: stored ? stored.each : kit,
      factor: stored ? wholeBatch : factor,
      bags: stored ? stored.bags : 0,
      isBowl: true,
    })),
  ];
};

const gramsOf = (lines: readonly KitLine[]): Grams | undefined => sumKnown(lines.map((line) => line.buyGrams));

/**
 * What is to be done before the class, worked backwards from the doors, the earliest first. Which of it is really done ahead the
 * instructor decides; what a lesson is about is left to the children.
 */
export function prepTasks(input: ClassInput, plan: ClassPlan, pantry: Pantry): PrepTask[] {
  const tasks: PrepTask[] = [];
  const task = (one: Partial<PrepTask> & Pick<PrepTask, "id" | "kind" | "doneBy" | "minutes" | "keepsHours">): void => {
    tasks.push({
      ingredientIds: [],
      dishId: null,
      part: null,
      grams: undefined,
      keptGrams: undefined,
      waitMinutes: inMinutes(0),
      storage: "chilled",
      bags: [],
      ...one,
      // Never so early that it does not keep until the class is over.
      notBefore: Math.max(one.doneBy, one.keepsHours * hour - input.brief.minutes),
    });
  };
  const f = prepFigures;
  for (const total of plan.totals) {
    const one = pantry.get(total.ingredientId);
    if (!one || total.buyGrams === 0) continue;
    const common = { ingredientIds: [one.id], grams: total.buyGrams };
    if (one.storage === "frozen")
      task({
        ...common,
        id: `thaw:${one.id}`,
        kind: "thaw",
        doneBy: f.thaw.latest,
        minutes: inMinutes(f.thaw.minutes),
        waitMinutes: inMinutes(f.thaw.wait),
        keepsHours: f.thaw.keeps,
      });
    else if (one.raw && !isTrimmedInClass(plan, one.id))
      task({
        ...common,
        id: `trim:${one.id}`,
        kind: "trim",
        grams: total.buyGrams === undefined ? undefined : dividedBy(total.buyGrams, one.raw.keeps),
        keptGrams: total.buyGrams,
        doneBy: f.trim.latest,
        minutes: inMinutes(Math.ceil(((total.buyGrams ?? 0) / 1000) * f.trim.minutesPerKg) + 2),
        storage: one.storage,
        keepsHours: f.trim.keeps,
      });
  }
  const all = packed(plan);
  // Two rows of one recipe in one variant are one task; two variants of a recipe are two.
  const byRecipe = new Map<string, DishPlan[]>();
  for (const dish of plan.dishes) {
    const key = dish.variantId === null ? dish.recipe.id : `${dish.recipe.id}/${dish.variantId}`;
    byRecipe.set(key, [...(byRecipe.get(key) ?? []), dish]);
  }
  for (const [key, rows] of byRecipe) {
    const [dish] = rows;
    const own = all.filter((each) => each.bags === 0 && rows.some((row) => row.id === each.dishId));
    if (!dish || own.length === 0) continue;
    const { recipe } = dish;
    for (const line of recipe.lines) {
      const lines = own.flatMap(({ kit }) => kit.filter((each) => each.lineId === line.id));
      const grams = gramsOf(lines);
      const one = pantry.get(line.ingredientId);
      const named = { dishId: dish.id, ingredientIds: [line.ingredientId], grams };
      const keptGrams = grams === undefined ? undefined : times(grams, line.keeps);
      const hasSalt = isSalted(line, recipe, pantry);
      // What a step of the class squeezes or drains is the class's own work.
      const isLeft = line.keeps < 1 && !isPreparedInClass(dish, line.id);
      const isThawed = /\b(frozen|thaw)/i.test(`${line.note} ${one?.name ?? ""}`);
      if (isThawed && one?.storage !== "frozen")
        task({
          ...named,
          id: `thaw:${key}:${line.id}`,
          kind: "thaw",
          ...(line.keeps < 1 ? { keptGrams } : {}),
          doneBy: f.thaw.latest,
          minutes: inMinutes(f.thaw.minutes),
          waitMinutes: inMinutes(f.thaw.wait),
          keepsHours: f.thaw.keeps,
        });
      else if (isLeft && !isSqueezed(line, one))
        task({
          ...named,
          id: `drain:${key}:${line.id}`,
          kind: "drain",
          keptGrams,
          doneBy: f.drain.latest,
          minutes: inMinutes(f.drain.minutes),
          waitMinutes: inMinutes(f.drain.wait),
          keepsHours: f.drain.keeps,
        });
      else if (isLeft)
        task({
          ...named,
          id: `squeeze:${key}:${line.id}`,
          kind: "squeeze",
          isSalted: hasSalt,
          keptGrams,
          doneBy: f.squeeze.latest,
          minutes: inMinutes(Math.ceil(((grams ?? 0) / 1000) * f.squeeze.minutesPerKg)),
          waitMinutes: hasSalt ? inMinutes(f.squeeze.wait) : inMinutes(0),
          keepsHours: f.squeeze.keeps,
        });
      if (gelSeeds.includes(line.ingredientId) && !swellsInClass(dish, line.id))
        task({
          ...named,
          id: `soak-gel:${key}:${line.id}`,
          kind: "soak-gel",
          doneBy: f.soakGel.latest,
          minutes: inMinutes(f.soakGel.minutes),
          waitMinutes: inMinutes(f.soakGel.wait),
          keepsHours: f.soakGel.keeps,
        });
      const isMelted =
        one?.role === "fat" &&
        one.storage === "chilled" &&
        isBatter(line, recipe) &&
        (line.bowl === "wet" || line.bowl === "bowl");
      // What a step of the class melts is the class's own work.
      if (isMelted && !isPreparedInClass(dish, line.id))
        task({
          ...named,
          id: `melt:${key}:${line.id}`,
          kind: "melt",
          doneBy: f.melt.latest,
          minutes: inMinutes(f.melt.minutes),
          waitMinutes: inMinutes(f.melt.wait),
          storage: "warm",
          keepsHours: f.melt.keeps,
        });
    }
    const milk = recipe.lines.find(
      (line) =>
        isBatter(line, recipe) &&
        pantry.get(line.ingredientId)?.contains.includes("milk") &&
        pantry.get(line.ingredientId)?.role === "liquid",
    );
    const acid = recipe.lines.find((line) => isBatter(line, recipe) && pantry.get(line.ingredientId)?.role === "acid");
    if (milk && acid && !isPreparedInClass(dish, acid.id))
      task({
        id: `sour-milk:${key}`,
        kind: "sour-milk",
        dishId: dish.id,
        ingredientIds: [milk.ingredientId, acid.ingredientId],
        grams: gramsOf(
          own.flatMap(({ kit }) => kit.filter((line) => line.lineId === milk.id || line.lineId === acid.id)),
        ),
        doneBy: f.sourMilk.latest,
        minutes: inMinutes(f.sourMilk.minutes),
        waitMinutes: inMinutes(f.sourMilk.wait),
        keepsHours: f.sourMilk.keeps,
      });
    const inBags = all.filter(
      ({ dishId, bags, isBowl }) =>
        isBowl && rows.some((row) => row.id === dishId) && (bags > 0 || input.brief.kitMode === "dry-mix"),
    );
    if (inBags.length > 0) {
      const isDry = (line: KitLine) =>
        isInDryMix(line, pantry.get(line.ingredientId)) && line.main?.grams !== undefined;
      const bags = new Map<string, { factor: Ratio; grams: Grams; count: number }>();
      for (const { kit, factor, bags: stored } of inBags) {
        const grams = sumOf(kit.filter(isDry).map((line) => line.main?.grams ?? inGrams(0)));
        const key = grams.toFixed(3);
        bags.set(key, { factor, grams, count: (bags.get(key)?.count ?? 0) + Math.max(1, stored) });
      }
      const sorted = [...bags.values()].sort((a, b) => toNumber(a.factor) - toNumber(b.factor));
      const count = sorted.reduce((sum, bag) => sum + bag.count, 0);
      if (sorted.some((bag) => bag.grams > 0))
        task({
          id: `dry-mix:${key}`,
          kind: "dry-mix",
          dishId: dish.id,
          ingredientIds: [...new Set(inBags.flatMap(({ kit }) => kit.filter(isDry).map((line) => line.ingredientId)))],
          grams: sumOf(sorted.map((bag) => times(bag.grams, bag.count))),
          doneBy: f.dryMix.latest,
          minutes: inMinutes(f.dryMix.base + f.dryMix.minutesPerBag * count),
          storage: "dry",
          keepsHours: f.dryMix.keeps,
          bags: sorted,
        });
    }
    for (const part of recipe.parts)
      if (
        part.kind !== "dry-mix" &&
        !stepsInClass(dish).some((step) => step.partId === part.id && step.kind !== "serve")
      )
        task({
          id: `part:${key}:${part.id}`,
          kind: "make-part",
          dishId: dish.id,
          part: part.name,
          ingredientIds: recipe.lines.filter((line) => line.partId === part.id).map((line) => line.ingredientId),
          grams:
            part.makesGrams === null
              ? undefined
              : times(
                  part.makesGrams,
                  own.reduce((sum, one) => sum + toNumber(one.factor), 0),
                ),
          doneBy: hour,
          minutes: inMinutes(Math.ceil(part.minutes.likely)),
          keepsHours: 24,
        });
  }
  for (const dish of plan.dishes) {
    const own = plan.stations.filter((station) => station.dishId === dish.id && station.ahead);
    if (own.length === 0) continue;
    const { mixing } = methodOf(dish.recipe);
    task({
      id: `make-batter:${dish.id}`,
      kind: "make-batter",
      dishId: dish.id,
      ingredientIds: [...new Set(own.flatMap(({ ahead }) => ahead?.batter ?? []).map((line) => line.ingredientId))],
      grams: gramsAhead(own),
      batches: own.reduce((sum, station) => add(sum, station.scale.factor), zero),
      doneBy: f.makeBatter.latest,
      minutes: inMinutes(
        Math.ceil(mixing.reduce((sum, step) => sum + step.minutes.likely, 0)) + f.makeBatter.minutesPerTub * own.length,
      ),
      waitMinutes: dish.recipe.rest.min,
      keepsHours: dish.recipe.rest.max === null ? f.makeBatter.keeps : dish.recipe.rest.max / hour,
    });
  }
  const shown = plan.extras.find((one) => one.kind === "demo");
  const demo = plan.dishes.find((dish) => dish.id === shown?.dishId);
  if (demo && demo.recipe.rest.min >= 15)
    task({
      id: `rest-batter:${demo.recipe.id}`,
      kind: "rest-batter",
      dishId: demo.id,
      ingredientIds: [],
      grams: demo.batter.grams,
      doneBy: f.restBatter.latest,
      minutes: inMinutes(f.restBatter.minutes),
      waitMinutes: demo.recipe.rest.min,
      keepsHours: demo.recipe.rest.max === null ? f.restBatter.keeps : demo.recipe.rest.max / hour,
    });
  const chilled = plan.totals.filter(
    (total) => pantry.get(total.ingredientId)?.storage !== "dry" && (total.buyGrams ?? 1) > 0,
  );
  if (chilled.length > 0)
    task({
      id: "chill-down",
      kind: "chill-down",
      ingredientIds: chilled.map((total) => total.ingredientId),
      grams: sumOf(chilled.map((total) => total.buyGrams ?? inGrams(0))),
      doneBy: f.chill.latest,
      minutes: inMinutes(f.chill.minutes),
      keepsHours: f.chill.keeps,
    });
  return tasks.sort((a, b) => startBy(b) - startBy(a) || (a.id < b.id ? -1 : 1));
}

/** The latest moment to begin, in minutes before the doors: done by, less the work and the waiting. */
export const startBy = (task: PrepTask): number => task.doneBy + task.minutes + task.waitMinutes;
