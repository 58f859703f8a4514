import { gravest, hasOpenWords, isCoeliacAsked } from "~/core/allergen";
import type { ClassInput, ClassPlan } from "./types";

/** What stands open of one person when the allergy table is to be signed. */
export const openingKinds = [
  "contains",
  "reached",
  "may-contain",
  "unknown",
  "not-answered",
  "words-not-read",
  "second-answer",
  "coeliac-as-cereal",
] as const;
export type OpeningKind = (typeof openingKinds)[number];

export interface Opening {
  readonly participantId: string;
  readonly name: string;
  readonly kind: OpeningKind;
}

/** What the lead decides of it. Nothing here changes a plate: it says what will be done, and by whom it was decided. */
export const decisionKinds = ["sits-out", "own-food", "other-plate", "asked-agreed", "will-ask"] as const;
export type DecisionKind = (typeof decisionKinds)[number];

/** A plate that contains what somebody must not have is not signed away: they do not eat of it. */
export const decisionsFor = (kind: OpeningKind): readonly DecisionKind[] =>
  kind === "contains" || kind === "reached" ? ["sits-out", "own-food", "other-plate"] : decisionKinds;

export interface Decision {
  readonly participantId: string;
  readonly kind: OpeningKind;
  readonly decision: DecisionKind;
}

/** Everything that wants a decision before the allergy table is signed, person by person in the order of the register. */
export function openingsOf(input: ClassInput, made: ClassPlan): Opening[] {
  const plateOf = new Map(made.plates.map((plate) => [plate.participantId, plate]));
  return input.people.flatMap((person): Opening[] => {
    const at = (kind: OpeningKind): Opening => ({ participantId: person.id, name: person.name, kind });
    if (!person.hasAnswered) return [at("not-answered")];
    if (person.isContested) return [at("second-answer")];
    if (hasOpenWords(person)) return [at("words-not-read")];
    const plate = plateOf.get(person.id);
    const own = plate ? gravest(plate.items.map((item) => item.verdict)) : "clear";
    const verdict = plate?.verdict ?? "clear";
    return [
      ...(isCoeliacAsked(person) ? [at("coeliac-as-cereal")] : []),
      ...(verdict === "clear" ? [] : [at(verdict === "contains" && own !== "contains" ? "reached" : verdict)]),
    ];
  });
}

/** Openings without a decision that settles them. */
export const undecided = (openings: readonly Opening[], decisions: readonly Decision[]): Opening[] =>
  openings.filter(
    ({ participantId, kind }) =>
      !decisions.some(
        (one) => one.participantId === participantId && one.kind === kind && decisionsFor(kind).includes(one.decision),
      ),
  );

/** Who is set apart by the class as it is planned: those at a station of their own. */
export const setApart = (input: ClassInput, made: ClassPlan): string[] => {
  const apart = new Set(made.stations.filter((station) => station.isApart).flatMap((station) => station.people));
  return input.people.filter((person) => apart.has(person.id)).map((person) => person.name);
};
