import {
  type FoodMeaning,
  type Ingredient,
  type LabelReading,
  type Substance,
  bearsOn,
  diets,
  foodMeanings,
  foodName,
  isAskedAbout,
  isLookedFor,
  isUnderstood,
  matchOf,
  namedOn,
  substancesNamedOn,
  unnamedAnimalIn,
} from "~/core/pantry";
import type { Need, Participant, Severity } from "~/core/people";
import { type Regime, isObliged } from "./regimes";

/** Gravest first: a plate takes the gravest of its items. */
export const verdictWords = ["contains", "unknown", "may-contain", "clear"] as const;
export type VerdictWord = (typeof verdictWords)[number];

/** The place of a verdict in that order: less is graver. */
export const rankOf = Object.fromEntries(verdictWords.map((word, index) => [word, index])) as Readonly<
  Record<VerdictWord, number>
>;

/** Reasons of a verdict, from whose fields the words are made. */
export type Reason =
  | { readonly why: "not-answered" }
  | { readonly why: "words-not-read" }
  | { readonly why: "second-answer" }
  | { readonly why: "no-needs" }
  | { readonly why: "by-nature"; readonly substance: Substance; readonly declared: Substance }
  | {
      readonly why: "label-contains";
      readonly substance: Substance;
      readonly declared: Substance;
      readonly product: string;
      readonly readBy: string;
      readonly readOn: string;
    }
  | {
      readonly why: "label-may-contain";
      readonly substance: Substance;
      readonly declared: Substance;
      readonly product: string;
      readonly readBy: string;
      readonly readOn: string;
    }
  | { readonly why: "label-unread"; readonly substance: Substance }
  | { readonly why: "ask-about-coconut"; readonly substance: Substance }
  | { readonly why: "ask-about-faith"; readonly substance: Substance }
  | {
      readonly why: "none-declared";
      readonly substance: Substance;
      readonly product: string;
      readonly readBy: string;
      readonly readOn: string;
    }
  | { readonly why: "whole-food"; readonly substance: Substance }
  /** The label is silent on what its market's law does not oblige it to name: that says nothing. */
  | {
      readonly why: "silence-says-nothing";
      readonly substance: Substance;
      readonly market: Regime;
      readonly product: string;
    }
  | {
      readonly why: "looked-for";
      readonly what: string;
      readonly product: string;
      readonly readBy: string;
      readonly readOn: string;
    }
  | { readonly why: "is-food"; readonly food: string }
  | { readonly why: "label-names-food"; readonly food: string; readonly product: string }
  | { readonly why: "food-not-looked-for"; readonly food: string }
  | { readonly why: "not-this-food"; readonly food: string }
  /** The ingredient goes by a wider word that may mean this food: soft herbs, and the need is coriander. */
  | { readonly why: "may-be-food"; readonly food: string }
  /** Nobody knows what the word covers: it is asked. */
  | { readonly why: "word-not-understood"; readonly food: string }
  /** A letter or two from a word that is known: it is asked which is meant. */
  | { readonly why: "word-misspelt"; readonly food: string; readonly nearest: string }
  /** Gelatine, rennet or lard of an animal that is not named. */
  | { readonly why: "animal-not-named"; readonly substance: Substance; readonly declared: Substance }
  /** Some who react to peanut react to lupin; only the person and their clinician know. */
  | { readonly why: "ask-about-lupin"; readonly substance: Substance }
  /** Claimed gluten-free by a label that was read: for coeliac, within its market's limit. */
  | {
      readonly why: "gluten-free-claim";
      readonly market: Regime;
      readonly product: string;
      readonly readBy: string;
      readonly readOn: string;
    }
  | { readonly why: "ask-about-oats" }
  | { readonly why: "ask-about-wheat-starch"; readonly product: string }
  | { readonly why: "not-in-pantry" };

/** The verdict on one item for one person, with every reason that led to it, gravest first. */
export interface ItemVerdict {
  readonly ingredientId: string;
  readonly verdict: VerdictWord;
  readonly reasons: readonly Reason[];
}

/** The verdict on a plate: its items, and the gravest of them. */
export interface PersonVerdict {
  readonly participantId: string;
  readonly verdict: VerdictWord;
  readonly items: readonly ItemVerdict[];
}

/** Does "may contain" count as "contains" for this severity? Source: the rule of the practice this program follows. */
const mayContainCounts: Readonly<Record<Severity, boolean>> = {
  "rescue-medicine": true,
  allergy: true,
  coeliac: true,
  intolerance: false,
  choice: false,
};

export const gravest = (words: readonly VerdictWord[]): VerdictWord =>
  verdictWords.find((word) => words.includes(word)) ?? "clear";

interface Judged {
  readonly verdict: VerdictWord;
  readonly reason: Reason;
}

/** What one substance is to one person in one ingredient; see {@link Avoided}. */
type AvoidedSubstance = Extract<Avoided, { substance: Substance }>;

const lookedForIn = new WeakMap<LabelReading, ReadonlySet<string>>();

function hasLookedFor(label: LabelReading, what: string): boolean {
  const { lookedFor = [] } = label;
  if (lookedFor.includes(what)) return true;
  let names = lookedForIn.get(label);
  if (!names) lookedForIn.set(label, (names = new Set(lookedFor.map(foodName))));
  return names.has(foodName(what));
}

/** A label that claims to be gluten-free, for somebody with coeliac disease; undefined where the claim decides nothing. */
function judgeClaim(ingredient: Ingredient, label: LabelReading): Judged | undefined {
  const declared = [...ingredient.contains, ...label.contains].filter((one) => bearsOn(one, "gluten"));
  const { product, readBy, readOn } = label;
  const market = label.market ?? "eu";
  if (label.mayContain.some((one) => bearsOn(one, "gluten"))) return undefined;
  if (declared.length === 0)
    return { verdict: "clear", reason: { why: "gluten-free-claim", market, product, readBy, readOn } };
  // No oats may be called gluten-free in Australia and New Zealand; elsewhere they are for whoever agreed it with their clinician.
  if (declared.every((one) => one === "oats"))
    return market === "anz" ? undefined : { verdict: "unknown", reason: { why: "ask-about-oats" } };
  // Only of wheat is there a starch without gluten; barley, rye or malt beside the claim is a contradiction, and contained.
  const isStarch =
    declared.every((one) => one === "oats" || one === "wheat" || one === "gluten") &&
    !ingredient.contains.some((one) => bearsOn(one, "gluten"));
  return isStarch ? { verdict: "unknown", reason: { why: "ask-about-wheat-starch", product } } : undefined;
}

/**
 * One substance in one ingredient. A label not read leaves "unknown"; a label that is silent leaves "none declared" only where the law
 * of its market obliges it to speak, or where somebody looked through the whole list for it.
 */
function judge(
  { substance, mayCounts, isCoeliac, word }: AvoidedSubstance,
  ingredient: Ingredient,
  label: LabelReading | undefined,
): Judged {
  if (isCoeliac && label?.isGlutenFree) {
    const claimed = judgeClaim(ingredient, label);
    if (claimed) return claimed;
  }
  const nature = ingredient.contains.find((declared) => bearsOn(declared, substance));
  if (nature) return { verdict: "contains", reason: { why: "by-nature", substance, declared: nature } };
  if (label) {
    const { product, readBy, readOn } = label;
    const stated = [...label.contains, ...substancesNamedOn(label)].find((declared) => bearsOn(declared, substance));
    if (stated)
      return {
        verdict: "contains",
        reason: { why: "label-contains", substance, declared: stated, product, readBy, readOn },
      };
    const traces = label.mayContain.find((declared) => bearsOn(declared, substance));
    if (traces)
      return {
        verdict: mayCounts ? "contains" : "may-contain",
        reason: { why: "label-may-contain", substance, declared: traces, product, readBy, readOn },
      };
  }
  const declared = [
    ...ingredient.contains,
    ...(label?.contains ?? []),
    ...(label?.mayContain ?? []),
    ...substancesNamedOn(label),
  ];
  const unnamed = unnamedAnimalIn(declared, substance);
  if (unnamed) return { verdict: "unknown", reason: { why: "animal-not-named", substance, declared: unnamed } };
  if (substance === "peanut" && mayCounts && declared.includes("lupin"))
    return { verdict: "unknown", reason: { why: "ask-about-lupin", substance } };
  // Regions disagree whether coconut is a tree nut; only the person knows what their own advice covers.
  const isNut = substance === "tree-nut" || bearsOn(substance, "tree-nut");
  if (isNut && declared.includes("coconut"))
    return { verdict: "unknown", reason: { why: "ask-about-coconut", substance } };
  if (ingredient.label === "whole") return { verdict: "clear", reason: { why: "whole-food", substance } };
  if (!label) return { verdict: "unknown", reason: { why: "label-unread", substance } };
  const { product, readBy, readOn } = label;
  const market = label.market ?? "eu";
  if (isObliged(substance, market, label.seenFrom))
    return { verdict: "clear", reason: { why: "none-declared", substance, product, readBy, readOn } };
  return hasLookedFor(label, substance) || (word && isLookedFor(label.lookedFor ?? [], word))
    ? { verdict: "clear", reason: { why: "looked-for", what: substance, product, readBy, readOn } }
    : { verdict: "unknown", reason: { why: "silence-says-nothing", substance, market, product } };
}

/**
 * Any food by its name. Nobody is obliged to single it out on a label, so its silence is an answer only to who looked for it. A word
 * nobody understands is unknown over everything. Undefined where the listed substances that the word means answer for it.
 */
function judgeFood(
  { food, meaning }: AvoidedFood,
  ingredient: Ingredient,
  label: LabelReading | undefined,
): Judged | undefined {
  const byName = matchOf(ingredient, meaning);
  if (byName === "is") return { verdict: "contains", reason: { why: "is-food", food } };
  const listed = namedOn(label).map((one) => matchOf(one, meaning));
  if (label && listed.includes("is"))
    return { verdict: "contains", reason: { why: "label-names-food", food, product: label.product } };
  if (meaning.nearest !== null)
    return { verdict: "unknown", reason: { why: "word-misspelt", food, nearest: meaning.nearest } };
  if (!isUnderstood(meaning)) return { verdict: "unknown", reason: { why: "word-not-understood", food } };
  if (label && isLookedFor(label.lookedFor ?? [], meaning) && !meaning.isListed) {
    const { product, readBy, readOn } = label;
    return { verdict: "clear", reason: { why: "looked-for", what: food, product, readBy, readOn } };
  }
  if (byName === "may-be" || listed.includes("may-be"))
    return { verdict: "unknown", reason: { why: "may-be-food", food } };
  if (meaning.isListed) return undefined;
  if (ingredient.label === "whole") return { verdict: "clear", reason: { why: "not-this-food", food } };
  return { verdict: "unknown", reason: { why: "food-not-looked-for", food } };
}

/** One substance or food a person must or wants to avoid. */
export type Avoided = {
  /** Does "may contain" count as "contains"? */
  readonly mayCounts: boolean;
  /** Does it matter on the skin or in the air, too? */
  readonly touchOrAir: boolean;
  /** What has it is a question to the person, not a no. */
  readonly isAsked: boolean;
} & (
  | {
      readonly substance: Substance;
      readonly food?: undefined;
      /** Of gluten for somebody with coeliac disease: what a product may claim bears on it. */
      readonly isCoeliac?: boolean;
      /** The word that was written and means this substance. */
      readonly word?: FoodMeaning;
    }
  | { readonly food: string; readonly meaning: FoodMeaning; readonly substance?: undefined }
);
type AvoidedFood = Extract<Avoided, { readonly food: string }>;

function avoidedFor(need: Need): Avoided[] {
  if (need.kind === "diet")
    return diets[need.diet].map((substance) => ({
      substance,
      mayCounts: false,
      touchOrAir: false,
      isAsked: isAskedAbout(need.diet),
    }));
  const common = { mayCounts: mayContainCounts[need.severity], touchOrAir: need.touchOrAir, isAsked: false };
  // Coeliac disease is about gluten, whichever cereal somebody wrote down.
  const isCoeliac = (substance: Substance) => need.severity === "coeliac" && bearsOn(substance, "gluten");
  const asSubstance = (substance: Substance) =>
    isCoeliac(substance) ? { ...common, substance: "gluten" as const, isCoeliac: true } : { ...common, substance };
  if (need.kind === "substance") return [asSubstance(need.substance)];
  return foodMeanings(need.food, need.covers?.words).flatMap((meaning): Avoided[] => [
    { ...common, food: meaning.word, meaning },
    ...meaning.substances.map((substance) => ({ ...asSubstance(substance), word: meaning })),
  ]);
}

/** A coeliac need written down as one cereal: the person or their guardian is asked what they mean. */
export const isCoeliacAsked = (person: Pick<Participant, "needs">): boolean =>
  person.needs.some(
    (need) =>
      need.kind !== "diet" &&
      need.severity === "coeliac" &&
      (need.kind === "substance" ? need.substance !== "gluten" : !/gluten|c(?:o|œ)?eliac/i.test(need.food)),
  );

const declaredIn = new WeakMap<readonly Need[], readonly Avoided[]>();
const honey: Avoided = { substance: "honey", mayCounts: true, touchOrAir: false, isAsked: false };

/**
 * Everything a person avoids: what was declared, and honey for an infant whatever was declared. A diet is a choice. The same list each
 * time for the same needs: a class is planned anew at every keystroke, and its register stays.
 */
export function avoidedBy({ needs, ageBand }: Pick<Participant, "needs" | "ageBand">): readonly Avoided[] {
  let declared = declaredIn.get(needs);
  if (!declared) declaredIn.set(needs, (declared = needs.flatMap(avoidedFor)));
  return ageBand === "under-1" ? [...declared, honey] : declared;
}

/** Is there anything to watch with this person, or may there be? */
export const isConcerned = (person: Participant): boolean =>
  !person.hasAnswered ||
  person.words !== undefined ||
  person.emergency !== undefined ||
  hasOpenWords(person) ||
  avoidedBy(person).length > 0;

const isUnreadNote = (need: Need): boolean => need.note.trim() !== "" && !need.noteReadBy;

/**
 * Free words nobody has turned into needs yet, a note on a need that nobody has read, or a second answer nobody has compared with the
 * first: as good as no answer. Words that were read name at least one need, or whoever read them signed that they name none.
 */
export const hasOpenWords = (
  person: Pick<Participant, "words" | "isContested"> & Partial<Pick<Participant, "needs">>,
): boolean => {
  if (person.isContested === true) return true;
  const needs = person.needs ?? [];
  if (needs.some(isUnreadNote)) return true;
  if (person.words === undefined || person.words.text.trim() === "") return false;
  return person.words.readBy === null || (needs.length === 0 && person.words.isNothing !== true);
};

const gravestFirst = (a: Judged, b: Judged): number => rankOf[a.verdict] - rankOf[b.verdict];

/** Why nothing can be said of a person yet, whatever is on the plate; undefined when something can. */
const openReason = (person: Participant): Reason | undefined => {
  if (!person.hasAnswered) return { why: "not-answered" };
  if (person.isContested) return { why: "second-answer" };
  return hasOpenWords(person) ? { why: "words-not-read" } : undefined;
};

const noNeeds: readonly Reason[] = [{ why: "no-needs" }];
const notInPantry: readonly Reason[] = [{ why: "not-in-pantry" }];

/** What was judged before, by what is avoided and by the ingredient, with the label it was judged by. */
const judgedBefore = new WeakMap<
  readonly Avoided[],
  WeakMap<Ingredient, { readonly label: LabelReading | undefined; readonly item: ItemVerdict }>
>();

function judgeAvoided(
  avoided: readonly Avoided[],
  ingredientId: string,
  ingredient: Ingredient | undefined,
  label: LabelReading | undefined,
): ItemVerdict {
  if (avoided.length === 0) return { ingredientId, verdict: "clear", reasons: noNeeds };
  if (!ingredient) return { ingredientId, verdict: "unknown", reasons: notInPantry };
  let of = judgedBefore.get(avoided);
  if (!of) judgedBefore.set(avoided, (of = new WeakMap()));
  const before = of.get(ingredient);
  if (before && before.label === label && before.item.ingredientId === ingredientId) return before.item;
  const item = judgedAnew(avoided, ingredientId, ingredient, label);
  of.set(ingredient, { label, item });
  return item;
}

function judgedAnew(
  avoided: readonly Avoided[],
  ingredientId: string,
  ingredient: Ingredient,
  label: LabelReading | undefined,
): ItemVerdict {
  const judged: Judged[] = [];
  for (const one of avoided) {
    if (one.food !== undefined) {
      const found = judgeFood(one, ingredient, label);
      if (found) judged.push(found);
      continue;
    }
    const found = judge(one, ingredient, label);
    judged.push(
      one.isAsked && (found.verdict === "contains" || found.verdict === "may-contain")
        ? { verdict: "unknown", reason: { why: "ask-about-faith", substance: one.substance } }
        : found,
    );
  }
  judged.sort(gravestFirst);
  return { ingredientId, verdict: judged[0]?.verdict ?? "clear", reasons: judged.map((one) => one.reason) };
}

/** The verdict on one ingredient for one person. Someone who has not answered is unknown for everything. */
export function judgeItem(
  person: Participant,
  ingredientId: string,
  ingredient: Ingredient | undefined,
  label: LabelReading | undefined,
): ItemVerdict {
  const open = openReason(person);
  return open
    ? { ingredientId, verdict: "unknown", reasons: [open] }
    : judgeAvoided(avoidedBy(person), ingredientId, ingredient, label);
}

/** The verdict on everything that touches a person's plate: batter, pan fat and toppings alike. */
export function judgePlate(
  person: Participant,
  ingredientIds: readonly string[],
  pantry: ReadonlyMap<string, Ingredient>,
  labels: ReadonlyMap<string, LabelReading>,
): PersonVerdict {
  const open = openReason(person);
  if (open) {
    const reasons = [open];
    const items = ingredientIds.map((ingredientId): ItemVerdict => ({ ingredientId, verdict: "unknown", reasons }));
    return { participantId: person.id, verdict: "unknown", items };
  }
  const avoided = avoidedBy(person);
  const items = ingredientIds.map((id) => judgeAvoided(avoided, id, pantry.get(id), labels.get(id)));
  return { participantId: person.id, verdict: gravest(items.map((item) => item.verdict)), items };
}
