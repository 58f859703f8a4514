import { type Ingredient, type LabelReading, type Substance, bearsOn, diets } from "~/core/pantry";
import type { Need, Participant, Severity } from "~/core/people";

/** Gravest first: a plate takes the gravest of its items. */
export const verdictWords = ["contains", "unknown", "may-contain", "clear"] as const;
export type VerdictWord = (typeof verdictWords)[number];

/** Why a verdict is what it is; the words are made of these fields. */
export type Reason =
  | { readonly why: "not-answered" }
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

const mayContainCounts: Readonly<Record<Severity, boolean>> = {
  "rescue-medicine": true,
  allergy: true,
  coeliac: true,
  intolerance: false,
  choice: false,
};

const gravest = (words: readonly VerdictWord[]): VerdictWord =>
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

/** What a need leaves out, and whether "may contain" counts as "contains" for it. A diet is a choice. */
const avoidedBy = (need: Need): { substance: Substance; mayCounts: boolean }[] =>
  need.kind === "diet"
    ? diets[need.diet].map((substance) => ({ substance, mayCounts: false }))
    : [{ substance: need.substance, mayCounts: mayContainCounts[need.severity] }];

/** The verdict on one ingredient for one person. Someone who has not answered is unknown for everything. */
export function judgeItem(
  person: Participant,
  ingredientId: string,
  ingredient: Ingredient | undefined,
  label: LabelReading | undefined,
): ItemVerdict {
  const whole = (verdict: VerdictWord, reason: Reason): ItemVerdict => ({ ingredientId, verdict, reasons: [reason] });
  if (!person.hasAnswered) return whole("unknown", { why: "not-answered" });
  const avoided = person.needs.flatMap(avoidedBy);
  if (avoided.length === 0) return whole("clear", { why: "no-needs" });
  if (!ingredient) return whole("unknown", { why: "not-in-pantry" });
  const judged = avoided.map(({ substance, mayCounts }) => judge(substance, mayCounts, ingredient, label));
  const rank = (one: Judged) => verdictWords.indexOf(one.verdict);
  const reasons = [...judged].sort((a, b) => rank(a) - rank(b)).map((one) => one.reason);
  return { ingredientId, verdict: gravest(judged.map((one) => one.verdict)), reasons };
}

/** The verdict on everything that touches a person's plate: batter, pan fat and toppings alike. */
export function judgePlate(
  person: Participant,
  ingredientIds: readonly string[],
  pantry: ReadonlyMap<string, Ingredient>,
  labels: ReadonlyMap<string, LabelReading>,
): PersonVerdict {
  const items = ingredientIds.map((id) => judgeItem(person, id, pantry.get(id), labels.get(id)));
  const verdict = items.length === 0 && !person.hasAnswered ? "unknown" : gravest(items.map((item) => item.verdict));
  return { participantId: person.id, verdict, items };
}
