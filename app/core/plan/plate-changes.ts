import { type Reason, type VerdictWord, rankOf } from "~/core/allergen";
import type { ClassInput, ClassPlan, Plate } from "./types";

/** What a change does to one person. */
export interface PlateChange {
  readonly participantId: string;
  readonly name: string;
  readonly before: VerdictWord | null;
  readonly after: VerdictWord | null;
  /** Graver for at least one thing they avoid, in the food itself or with what reaches it. */
  readonly isWorse: boolean;
  /** Reasons that are graver than before, each with the ingredient it is about; "reached" for what comes over the room. */
  readonly worse: readonly {
    readonly ingredientId: string | null;
    readonly reason: Reason | null;
    readonly about: string;
  }[];
  /** The dish and the table, where they are others than before. */
  readonly dish: { readonly from: string; readonly to: string } | null;
  readonly table: { readonly from: string; readonly to: string } | null;
}

/** Severity of each kind of reason beside its verdict. */
const graveness = (reason: Reason): VerdictWord => {
  switch (reason.why) {
    case "by-nature":
    case "label-contains":
    case "is-food":
    case "label-names-food":
      return "contains";
    case "label-may-contain":
      return "may-contain";
    case "no-needs":
    case "none-declared":
    case "whole-food":
    case "looked-for":
    case "not-this-food":
    case "gluten-free-claim":
      return "clear";
    default:
      return "unknown";
  }
};

/** What a reason is about, so that the same avoided thing is compared with itself. */
const aboutOf = (reason: Reason): string =>
  "substance" in reason
    ? reason.substance
    : "food" in reason
      ? reason.food
      : "what" in reason
        ? reason.what
        : reason.why;

interface Grave {
  readonly word: VerdictWord;
  readonly ingredientId: string | null;
  readonly reason: Reason | null;
}

/** The gravest that stands on a plate of each thing a person avoids: in the food itself, and with what reaches it over the room. */
function gravestOf(plate: Plate | undefined, isWithContact: boolean): Map<string, Grave> {
  const found = new Map<string, Grave>();
  const note = (about: string, grave: Grave) => {
    const before = found.get(about);
    if (!before || rankOf[grave.word] < rankOf[before.word]) found.set(about, grave);
  };
  for (const { ingredientId, reasons, verdict } of plate?.items ?? [])
    for (const reason of reasons) {
      const word = graveness(reason);
      // "May contain" counts as contained where the verdict says so.
      note(aboutOf(reason), { word: rankOf[word] < rankOf[verdict] ? verdict : word, ingredientId, reason });
    }
  for (const { substance, food, verdict } of (isWithContact && plate?.exposures) || [])
    note(substance ?? food ?? "", { word: verdict, ingredientId: null, reason: null });
  return found;
}

const placeOf = (made: ClassPlan) =>
  new Map(made.stations.flatMap((station) => station.people.map((id) => [id, station] as const)));

const titleOf = (made: ClassPlan, dishId: string | undefined): string => {
  const dish = made.dishes.find((one) => one.id === dishId);
  return dish
    ? dish.variantName === null
      ? dish.recipe.title
      : `${dish.recipe.title}, ${dish.variantName.toLowerCase()}`
    : "";
};

/**
 * Everybody whose plate, dish or table a change touches, in the order of the register, those whose plate gets worse first. Reasons are
 * compared, not only verdicts: a plate that contained milk and then contains milk and nuts is worse.
 */
export function plateChanges(
  before: { readonly input: ClassInput; readonly plan: ClassPlan },
  after: { readonly input: ClassInput; readonly plan: ClassPlan },
): PlateChange[] {
  if (before.plan === after.plan) return [];
  const [wasAt, isAt] = [placeOf(before.plan), placeOf(after.plan)];
  const platesBefore = new Map(before.plan.plates.map((plate) => [plate.participantId, plate]));
  const platesAfter = new Map(after.plan.plates.map((plate) => [plate.participantId, plate]));
  const people = [...after.input.people, ...before.input.people.filter((one) => !platesAfter.has(one.id))];
  const changes = people.flatMap((person): PlateChange[] => {
    const [then, now] = [platesBefore.get(person.id), platesAfter.get(person.id)];
    const [was, is] = [wasAt.get(person.id), isAt.get(person.id)];
    const risen = (isWithContact: boolean) => {
      const earlier = gravestOf(then, isWithContact);
      return [...gravestOf(now, isWithContact)].filter(
        ([about, { word }]) => rankOf[word] < rankOf[earlier.get(about)?.word ?? "clear"],
      );
    };
    // Milk in the batter is worse than milk that may come over the griddle, though both are "contains": the food is compared by itself too.
    const worse =
      !then || !now
        ? []
        : [...new Map([...risen(true), ...risen(false)])].map(([about, grave]) => ({
            ingredientId: grave.ingredientId,
            reason: grave.reason,
            about,
          }));
    const [fromDish, toDish] = [titleOf(before.plan, was?.dishId), titleOf(after.plan, is?.dishId)];
    const isOtherDish = then !== undefined && now !== undefined && fromDish !== toDish;
    const isOtherTable = then !== undefined && now !== undefined && was?.name !== is?.name;
    const isOther = then?.verdict !== now?.verdict || worse.length > 0;
    if (!isOther && !isOtherDish && !isOtherTable) return [];
    return [
      {
        participantId: person.id,
        name: person.name,
        before: then?.verdict ?? null,
        after: now?.verdict ?? null,
        isWorse:
          worse.length > 0 || (then !== undefined && now !== undefined && rankOf[now.verdict] < rankOf[then.verdict]),
        worse,
        dish: isOtherDish ? { from: fromDish, to: toDish } : null,
        table: isOtherTable ? { from: was?.name ?? "", to: is?.name ?? "" } : null,
      },
    ];
  });
  return [...changes.filter((one) => one.isWorse), ...changes.filter((one) => !one.isWorse)];
}
