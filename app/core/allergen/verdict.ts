import { type Ingredient, type LabelReading, type Substance, bearsOn, diets, isAskedAbout } from "~/core/pantry";
import type { Need, Participant, Severity } from "~/core/people";

/** Gravest first: a plate takes the gravest of its items. */
export const verdictWords = ["contains", "unknown", "may-contain", "clear"] as const;
export type VerdictWord = (typeof verdictWords)[number];

/** The place of a verdict in that order: less is graver. */
export const rankOf = Object.fromEntries(verdictWords.map((word, index) => [word, index])) as Readonly<
  Record<VerdictWord, number>
>;

/** Why a verdict is what it is; the words are made of these fields. */
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

/** One substance in one ingredient. A label that is silent leaves "none declared"; a label not read leaves "unknown". */
function judge(
  substance: Substance,
  mayCounts: boolean,
  ingredient: Ingredient,
  label: LabelReading | undefined,
): Judged {
  const nature = ingredient.contains.find((declared) => bearsOn(declared, substance));
  if (nature) return { verdict: "contains", reason: { why: "by-nature", substance, declared: nature } };
  if (label) {
    const { product, readBy, readOn } = label;
    const stated = label.contains.find((declared) => bearsOn(declared, substance));
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
  // Regions disagree whether coconut is a tree nut; only the person knows what their own advice covers.
  const isNut = substance === "tree-nut" || bearsOn(substance, "tree-nut");
  const mentionsCoconut =
    ingredient.contains.includes("coconut") ||
    label?.contains.includes("coconut") ||
    label?.mayContain.includes("coconut");
  if (isNut && mentionsCoconut) return { verdict: "unknown", reason: { why: "ask-about-coconut", substance } };
  if (ingredient.label === "whole") return { verdict: "clear", reason: { why: "whole-food", substance } };
  if (!label) return { verdict: "unknown", reason: { why: "label-unread", substance } };
  const { product, readBy, readOn } = label;
  return { verdict: "clear", reason: { why: "none-declared", substance, product, readBy, readOn } };
}

/** One substance a person must or wants to avoid. */
export interface Avoided {
  readonly substance: Substance;
  /** Does "may contain" count as "contains"? */
  readonly mayCounts: boolean;
  /** Does it matter on the skin or in the air, too? */
  readonly touchOrAir: boolean;
  /** What has it is a question to the person, not a no. */
  readonly isAsked: boolean;
}

const avoidedFor = (need: Need): Avoided[] =>
  need.kind === "diet"
    ? diets[need.diet].map((substance) => ({
        substance,
        mayCounts: false,
        touchOrAir: false,
        isAsked: isAskedAbout(need.diet),
      }))
    : [
        {
          substance: need.substance,
          mayCounts: mayContainCounts[need.severity],
          touchOrAir: need.touchOrAir,
          isAsked: false,
        },
      ];

/** Everything a person avoids: what was declared, and honey for an infant whatever was declared. A diet is a choice. */
export const avoidedBy = (person: Pick<Participant, "needs" | "ageBand">): Avoided[] => [
  ...person.needs.flatMap(avoidedFor),
  ...(person.ageBand === "under-1"
    ? [{ substance: "honey" as const, mayCounts: true, touchOrAir: false, isAsked: false }]
    : []),
];

/** Is there anything to watch with this person, or may there be? */
export const isConcerned = (person: Participant): boolean =>
  !person.hasAnswered ||
  person.words !== undefined ||
  person.emergency !== undefined ||
  hasOpenWords(person) ||
  avoidedBy(person).length > 0;

/** Free words nobody has turned into needs yet, or a second answer nobody has compared with the first: as good as no answer. */
export const hasOpenWords = (person: Pick<Participant, "words" | "isContested">): boolean =>
  person.isContested === true ||
  (person.words !== undefined && person.words.text.trim() !== "" && person.words.readBy === null);

const gravestFirst = (a: Judged, b: Judged): number => rankOf[a.verdict] - rankOf[b.verdict];

/** Why nothing can be said of a person yet, whatever is on the plate; undefined when something can. */
const openReason = (person: Participant): Reason | undefined => {
  if (!person.hasAnswered) return { why: "not-answered" };
  if (person.isContested) return { why: "second-answer" };
  return hasOpenWords(person) ? { why: "words-not-read" } : undefined;
};

const noNeeds: readonly Reason[] = [{ why: "no-needs" }];
const notInPantry: readonly Reason[] = [{ why: "not-in-pantry" }];

function judgeAvoided(
  avoided: readonly Avoided[],
  ingredientId: string,
  ingredient: Ingredient | undefined,
  label: LabelReading | undefined,
): ItemVerdict {
  if (avoided.length === 0) return { ingredientId, verdict: "clear", reasons: noNeeds };
  if (!ingredient) return { ingredientId, verdict: "unknown", reasons: notInPantry };
  const judged: Judged[] = [];
  for (const { substance, mayCounts, isAsked } of avoided) {
    const found = judge(substance, mayCounts, ingredient, label);
    judged.push(
      isAsked && (found.verdict === "contains" || found.verdict === "may-contain")
        ? { verdict: "unknown", reason: { why: "ask-about-faith", substance } }
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
