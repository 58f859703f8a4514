import { type MeasuringSystem, type QuantityQuestion } from "~/core/quantity";
import type { FillMethod } from "~/core/pantry";
import type {
  Bowl,
  Cue,
  Family,
  GateKind,
  Hazard,
  LineAmount,
  MixingStop,
  PartHeat,
  PartKind,
  ReadinessTest,
  Recipe,
  ServingKind,
  ShapeId,
  Standing,
  Step,
  Technique,
  StepKind,
  SurfaceKind,
  Tool,
  Waiver,
  WarmPlace,
  WindowReason,
} from "./types";

/**
 * A recipe as somebody is typing it: numbers and amounts are still text. Reading it never fails: what cannot be read becomes an
 * open amount or keeps its last meaning, and is listed with its place, so that checks and consequences go on while typing.
 */
export interface DraftLine {
  readonly id: string;
  readonly partId: string;
  /** Empty while nobody has said which ingredient it is. */
  readonly ingredientId: string;
  /** The line as it was pasted; empty when it was typed here. */
  readonly said: string;
  readonly kind: LineAmount["kind"];
  readonly amount: string;
  /** The other end of a range, the most of a top-up, what is held back, the net amount of a pack. */
  readonly second: string;
  readonly packName: string;
  readonly bowl: Bowl;
  readonly keepsPercent: string;
  readonly isOptional: boolean;
  readonly note: string;
  /** Empty or absent where all pieces get of it. */
  readonly roundId?: string | undefined;
  readonly alternatives?: readonly DraftAlternative[] | undefined;
  /** What it could be, while {@link ingredientId} is empty or was taken for granted. */
  readonly choices: readonly string[];
  /** What the program took for granted when it read the line, until somebody has looked at it. */
  readonly guesses: readonly Guess[];
}
export interface DraftAlternative {
  readonly ingredientId: string;
  /** Empty where as much of it is taken. */
  readonly amount: string;
  readonly isAdvised: boolean;
  readonly reason: string;
}
export interface DraftHeatOn {
  readonly surfaceKind: SurfaceKind;
  readonly from: string;
  readonly to: string;
  readonly dial: string;
  /** Empty: as everywhere. */
  readonly test: ReadinessTest | "";
  readonly side1: DraftSpan;
  readonly side2: DraftSpan;
}
export const guesses = ["ingredient", "amount", "bowl", "kind", "note"] as const;
export type Guess = (typeof guesses)[number];

export interface DraftSpan {
  readonly low: string;
  readonly likely: string;
  readonly high: string;
}
export interface DraftStep {
  readonly id: string;
  readonly partId: string;
  readonly kind: StepKind;
  readonly text: string;
  readonly draws: readonly { readonly lineId: string; readonly share: string }[];
  readonly mentions: readonly string[];
  readonly minutes: DraftSpan;
  readonly tools: readonly Tool[];
  readonly hazards: readonly Hazard[];
  readonly waived?: readonly Waiver[] | undefined;
  readonly who: Step["who"];
  readonly stop?: MixingStop | undefined;
  readonly point?: string | undefined;
  readonly question?: string | undefined;
  readonly avoid?: string | undefined;
  readonly gateKind?: GateKind | "" | undefined;
  readonly gateValue?: string | undefined;
  readonly techniques?: readonly Technique[] | undefined;
  readonly warmPlace?: WarmPlace | "" | undefined;
  readonly warmC?: string | undefined;
  /** Empty: no longest time. */
  readonly warmMost?: string | undefined;
  readonly guesses: readonly Guess[];
}
export interface DraftPart {
  readonly id: string;
  readonly name: string;
  readonly kind: PartKind;
  readonly heat: PartHeat;
  readonly minutes: DraftSpan;
  readonly makesGrams: string;
}
export interface DraftRound {
  readonly id: string;
  readonly name: string;
  readonly parts: string;
}
export interface DraftVariant {
  readonly id: string;
  readonly name: string;
  readonly standing: Standing;
  readonly decidedAt: string;
  readonly omit: readonly string[];
  readonly swaps: readonly { readonly lineId: string; readonly ingredientId: string; readonly amount: string }[];
  readonly add: readonly DraftLine[];
  /** Steps in the author's own words for this variant. */
  readonly steps: readonly { readonly stepId: string; readonly text: string }[];
}
export interface RecipeDraft {
  readonly title: string;
  readonly intro: string;
  readonly family: Family;
  /** Empty while nobody has said which cups the recipe means. */
  readonly system: MeasuringSystem | "";
  readonly fill: FillMethod;
  readonly standing: Standing;
  readonly lines: readonly DraftLine[];
  readonly steps: readonly DraftStep[];
  readonly restMin: string;
  readonly restMax: string;
  readonly restReason: WindowReason;
  readonly surfaceKinds: readonly SurfaceKind[];
  readonly surfaceFrom: string;
  readonly surfaceTo: string;
  readonly test: ReadinessTest;
  readonly side1: DraftSpan;
  readonly hasSide2: boolean;
  readonly side2: DraftSpan;
  readonly turnaround: string;
  readonly pourPerPiece: string;
  readonly recover: string;
  /** Empty or absent where a piece is poured at once. */
  readonly halves?: DraftSpan | undefined;
  readonly cues: readonly Cue[];
  /** What is different on some kinds of surface; what is left empty is as everywhere. */
  readonly heatOn?: readonly DraftHeatOn[] | undefined;
  readonly blindNote: string;
  readonly portionKind: "ml" | "grams" | "batch";
  readonly portion: string;
  readonly pieceDiameterCm: string;
  readonly aimedLooseness: string;
  readonly claimedPieces: string;
  /** Empty where a piece is eaten by itself. */
  /** What is offered to be drawn; absent for all there is. */
  readonly shapes?: readonly ShapeId[] | undefined;
  readonly servingPieces: string;
  readonly servingAs: ServingKind;
  /** None, or at least two. */
  readonly rounds?: readonly DraftRound[] | undefined;
  readonly isRoundsOpen?: boolean | undefined;
  readonly parts: readonly DraftPart[];
  readonly variants: readonly DraftVariant[];
}

/** What is wrong with one field of a draft; `path` is its place, such as "lines.flour.amount". */
export type DraftProblem = { readonly path: string; readonly said: string } & (
  | { readonly code: "title-missing" }
  | { readonly code: "system-open" }
  | { readonly code: "no-lines" }
  | { readonly code: "ingredient-open" }
  | { readonly code: "amount-not-read" }
  | { readonly code: "amount-asks"; readonly question: QuantityQuestion }
  | { readonly code: "wrong-order" }
  | { readonly code: "different-units" }
  | { readonly code: "number"; readonly least: number; readonly most: number }
  | { readonly code: "span-order" }
  | { readonly code: "share" }
  | { readonly code: "surface-missing" }
  | { readonly code: "name-missing" }
);
/** Problems that keep a draft from being kept as a revision; the rest is kept as an open amount and blocks packing only. */
export const keepsFromSaving: readonly DraftProblem["code"][] = [
  "title-missing",
  "system-open",
  "no-lines",
  "ingredient-open",
  "wrong-order",
  "different-units",
  "number",
  "span-order",
  "share",
  "surface-missing",
  "name-missing",
];

export interface DraftRead {
  readonly recipe: Recipe;
  readonly problems: readonly DraftProblem[];
}
