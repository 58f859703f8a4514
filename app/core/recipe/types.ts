import {
  type Amount,
  type MeasuringSystem,
  type Minutes,
  type Ratio,
  type Grams,
  type Millilitres,
  type Pieces,
  type Celsius,
} from "~/core/quantity";
import type { FillMethod } from "~/core/pantry";

export const families = [
  "drawn",
  "drop",
  "pancake",
  "crepe",
  "waffle",
  "ridged-waffle",
  "fritter",
  "oven-puffed",
] as const;
export type Family = (typeof families)[number];

/** Where a line goes. "pan" is what greases the surface, "topping" what is put on at the plate; neither is batter. */
export const bowls = ["dry", "wet", "bowl", "pan", "topping"] as const;
export type Bowl = (typeof bowls)[number];

/**
 * How much of an ingredient, as recipes really say it. "unknown" is the only kind that blocks: such a recipe may be taught
 * from but never packed from.
 */
export type LineAmount =
  | { readonly kind: "exact"; readonly amount: Amount }
  | { readonly kind: "range"; readonly from: Amount; readonly to: Amount }
  /** Start with one amount, add more by judgement up to the other: buy `most`, pack the difference apart. */
  | { readonly kind: "top-up"; readonly start: Amount; readonly most: Amount }
  /** Listed amount, of which `back` is kept aside until the batter has been judged. */
  | { readonly kind: "hold-back"; readonly amount: Amount; readonly back: Amount }
  /** Sachets, tins, tubs: how many, with the net amount of each. */
  | { readonly kind: "packs"; readonly packs: Ratio; readonly each: Amount; readonly packName: string }
  | {
      readonly kind: "per-load";
      readonly amount: Amount;
      /** Which loads of a surface it is for: absent for each, "first" for its first only, n (2 to 20) for the first and every nth after. */
      readonly every?: Greasing | undefined;
    }
  | { readonly kind: "per-piece"; readonly amount: Amount }
  /** For what is put together from several pieces; see {@link Serving}. Without servings each piece is one. */
  | { readonly kind: "per-serving"; readonly amount: Amount }
  /** Each person at the table takes so much, or the share of them who take any (above 0, at most 1). */
  | { readonly kind: "per-person"; readonly amount: Amount; readonly takes?: Ratio | undefined }
  | { readonly kind: "to-taste" }
  | { readonly kind: "unknown"; readonly said: string };

export type Greasing = "first" | number;

export const amountKinds = [
  "exact",
  "range",
  "top-up",
  "hold-back",
  "packs",
  "per-load",
  "per-piece",
  "per-serving",
  "per-person",
  "to-taste",
  "unknown",
] as const satisfies readonly LineAmount["kind"][];

/** What is made by itself before it joins: a sauce, a bulk dry mix, a flavoured butter. */
export const partKinds = ["sauce", "dry-mix", "flavoured-butter", "filling", "other"] as const;
export type PartKind = (typeof partKinds)[number];
export const partHeats = ["none", "hob", "oven", "microwave"] as const;
export type PartHeat = (typeof partHeats)[number];

/** A sub-recipe with its own yield, time and heat; its lines and steps name it. */
export interface Part {
  readonly id: string;
  readonly name: string;
  readonly kind: PartKind;
  readonly heat: PartHeat;
  readonly minutes: Span;
  /** Grams it makes for one batch, as the author says; null when nobody said. */
  readonly makesGrams: Grams | null;
}

export interface Line {
  readonly id: string;
  /** The sub-recipe this line belongs to; null for the batter itself. */
  readonly partId: string | null;
  readonly ingredientId: string;
  readonly amount: LineAmount;
  readonly bowl: Bowl;
  /** Share of its weight that stays after draining, squeezing or peeling; 1 when all of it does. */
  readonly keeps: number;
  readonly isOptional: boolean;
  readonly note: string;
  /** The round it is for; absent where all pieces get of it. It is no batter then, but added to it or put on. */
  readonly roundId?: string | undefined;
  /** What may stand for it, as the author says; a class chooses. */
  readonly alternatives?: readonly Alternative[] | undefined;
}

/** "Buttermilk or yogurt or soured milk": one of the things that do for a line, or that do not and why. */
export interface Alternative {
  readonly ingredientId: string;
  /** Absent where as much of it is taken. */
  readonly amount?: Amount | undefined;
  /** False for what people reach for and the author advises against. */
  readonly isAdvised: boolean;
  /** Why, or what is different then; may be empty. */
  readonly reason: string;
}

/** Minutes as the shortest, the likely and the longest. */
export interface Span {
  readonly low: number;
  readonly likely: number;
  readonly high: number;
}

/** Part of a line that a step uses; the shares of one line over all steps make 1. */
export interface Draw {
  readonly lineId: string;
  readonly share: Ratio;
}

export const stepKinds = ["prepare", "mix", "rest", "preheat", "cook", "hold", "reheat", "serve"] as const;
export type StepKind = (typeof stepKinds)[number];

export const hazards = [
  "hot-surface",
  "steam",
  "oven-dish",
  "hot-fat",
  "spray-flame",
  "raw-batter",
  "blades",
  "boiling-sauce",
  "small-pieces",
  "cords",
  "spitting",
  "iron-hinge",
  "oiling-hot-pan",
  "oil-fire",
  "butter-smokes",
  "oil-smokes",
  "bare-fingers",
  "sticks",
  "mixer",
  "hands-again",
  "batter-clock",
  "gas-air",
] as const;
export type Hazard = (typeof hazards)[number];

export const tools = [
  "mixing-bowl",
  "small-bowl",
  "whisk",
  "spatula",
  "ladle",
  "turner",
  "measuring-set",
  "scale",
  "jug",
  "grater",
  "knife",
  "board",
  "egg-cup",
  "brush",
  "tray",
  "oven-dish",
  "oven-gloves",
  "towel",
  "plate",
  "fork",
  "sieve",
  "stick",
  "baking-paper",
  "mixer",
  "zester",
  "leveller",
  "thermometer",
  "kitchen-paper",
  "pen",
  "table-knife",
  "peeler",
  "rack",
  "saucepan",
  "microwave",
  "gloves",
] as const;
export type Tool = (typeof tools)[number];

export interface Step {
  readonly id: string;
  readonly partId: string | null;
  readonly kind: StepKind;
  readonly text: string;
  readonly draws: readonly Draw[];
  /** Ingredients the text names that are not drawn from a line; each must be on the list, or the ledger says so. */
  readonly mentions: readonly string[];
  readonly minutes: Span;
  readonly tools: readonly Tool[];
  readonly hazards: readonly Hazard[];
  /** Cautions that follow from the step's facts and that the author left out on purpose, each with the reason. */
  readonly waived?: readonly Waiver[] | undefined;
  readonly who: "anyone" | "adult";
  /** When to stop mixing; absent where the family's usual is meant. */
  readonly stop?: MixingStop | undefined;
  /** The one point made while it is done, the one question asked, and what is not shown or said here; for the instructor only. */
  readonly point?: string | undefined;
  readonly question?: string | undefined;
  readonly avoid?: string | undefined;
  /** What must be reached before a station goes on, as a figure somebody reads off. */
  readonly gate?: Gate | undefined;
  /** What is shown at this step; absent where it follows from what the step draws, its tools and the family. */
  readonly techniques?: readonly Technique[] | undefined;
  /** Of a step that holds or reheats: its own heat, never the pan's. */
  readonly warmth?: Warmth | undefined;
}

/** Where cooked pieces wait or are warmed again. */
export const warmPlaces = ["oven", "hot-plate", "covered-dish", "pan", "microwave", "fridge"] as const;
export type WarmPlace = (typeof warmPlaces)[number];
export interface Warmth {
  readonly place: WarmPlace;
  /** °C that the place keeps, or that the middle of a piece reaches when it is reheated; -25 to 250. */
  readonly c: Celsius;
  /** The longest a piece is held there, in minutes, above 0; absent where only the local rule sets a limit. */
  readonly most?: Minutes | undefined;
}
/** Cold places keep what cooked pieces must not warm up in. */
export const isCold = (place: WarmPlace): boolean => place === "fridge";

/** "squeezed to at most 300 g", "the oil reads at least 175 °C". */
export const gateKinds = ["grams-at-most", "grams-at-least", "celsius-at-least", "celsius-at-most"] as const;
export type GateKind = (typeof gateKinds)[number];
export interface Gate {
  readonly kind: GateKind;
  /** Grams for one batch, or degrees Celsius. */
  readonly value: number;
}

/** How far a batter is mixed: most are spoilt by a stroke too many, a few by lumps. */
export const mixingStops = ["lumps-fine", "just-combined", "smooth"] as const;
export type MixingStop = (typeof mixingStops)[number];

export interface Waiver {
  readonly hazard: Hazard;
  readonly reason: string;
}

/** The least and most minutes between mixing and the pour, and why; `max` null when only the shelf sets a limit. */
export interface Window {
  readonly min: Minutes;
  readonly max: Minutes | null;
  readonly reason: WindowReason;
}
export const windowReasons = [
  "relax-gluten",
  "cook-at-once",
  "single-acting",
  "double-acting",
  "soda-and-acid",
  "gel-swells",
  "author",
] as const;
export type WindowReason = (typeof windowReasons)[number];

/** What is seen on the upper side while the lower cooks: the piece is turned then. */
export const turnCues = [
  "first-bubbles",
  "whole-top",
  "bubbles-stay-open",
  "dull-rim",
  "dry-sides",
  "brown-edge",
  "slides",
] as const;
/** What says that a piece is done. */
export const doneCues = [
  "golden-below",
  "set-in-middle",
  "steam-stops",
  "lamp",
  "puffed-and-brown",
  "minutes-only",
] as const;
export const cues = [...turnCues, ...doneCues] as const;
export type Cue = (typeof cues)[number];

export const readinessTests = [
  "water-beads",
  "drop-steams",
  "butter-foams",
  "drop-sizzles",
  "lamp",
  "infrared",
  "oven-thermometer",
] as const;
export type ReadinessTest = (typeof readinessTests)[number];

export const surfaceKinds = [
  "electric-griddle",
  "hob-pan",
  "cast-iron-pan",
  "crepe-pan",
  "waffle-iron",
  "ridged-pan",
  "oven",
] as const;
export type SurfaceKind = (typeof surfaceKinds)[number];

export interface Heat {
  readonly surfaceKinds: readonly SurfaceKind[];
  /** Where to start the dial; a test on the surface is what opens the pour. */
  readonly surfaceC: { readonly from: Celsius; readonly to: Celsius };
  readonly test: ReadinessTest;
  readonly side1: Span;
  /** Null where both sides cook at once. */
  readonly side2: Span | null;
  /** Minutes to lift out, grease and be ready for the next load. */
  readonly turnaround: Minutes;
  /** Minutes to pour one piece, one after the other. */
  readonly pourPerPiece: Minutes;
  /** Minutes the surface needs to be hot again before the next load. */
  readonly recover: Minutes;
  readonly cues: readonly Cue[];
  /**
   * A piece is poured in two halves, with what is put in lying between them: minutes from the first half to the second, before its
   * first side begins to count. Absent where it is poured at once.
   */
  readonly halves?: Span | undefined;
  /** What is different on some of the surfaces. */
  readonly on?: readonly HeatOn[] | undefined;
}

/** The heat of one kind of surface where it is not the recipe's own. */
export interface HeatOn {
  readonly surfaceKind: SurfaceKind;
  readonly surfaceC?: { readonly from: Celsius; readonly to: Celsius } | undefined;
  /** The dial in the words of whoever stands there: "4 of 9", "low for long, then a little up". */
  readonly dial?: string | undefined;
  /** How one sees here that it is ready; left out, as everywhere. */
  readonly test?: ReadinessTest | undefined;
  readonly side1?: Span | undefined;
  readonly side2?: Span | undefined;
}

/** What makes a piece: a pour by volume or weight, or a whole batch that makes a fixed number. */
export type Portion =
  | { readonly kind: "ml"; readonly ml: Millilitres }
  | { readonly kind: "grams"; readonly grams: Grams }
  | { readonly kind: "batch"; readonly pieces: Pieces };

/** What several pieces are put together to before they are eaten: a pair with a filling, a stack, pieces on a stick, one plate. */
export const servingKinds = ["pair", "stack", "stick", "plate"] as const;
export type ServingKind = (typeof servingKinds)[number];
export interface Serving {
  /** 2 to 20. */
  readonly pieces: Pieces;
  readonly as: ServingKind;
}

/** Movements of the hand that are shown rather than told, in the order in which a class meets them. */
export const techniques = [
  "level",
  "eye-level",
  "pinch",
  "crack",
  "fish-shell",
  "tap-whisk",
  "fold",
  "swirl",
  "turn",
] as const;
export type Technique = (typeof techniques)[number];

/** What a drawn piece can be: plain things that belong to nobody. */
export const shapeIds = ["ring", "sun", "star", "fish", "boat", "oar"] as const;
export type ShapeId = (typeof shapeIds)[number];

/** Pieces of one bowl that are finished alike and cooked by themselves: the plain ones first, then those with berries. */
export interface Round {
  readonly id: string;
  readonly name: string;
  /** How many of them to those of the other rounds, 1 to 20. */
  readonly parts: number;
}

/** A branch of the recipe: berries in, savoury, the egg-free version. */
export interface Variant {
  readonly id: string;
  readonly name: string;
  readonly standing: Standing;
  /** The step at which the stations choose; null when it is decided from the start. */
  readonly decidedAt: string | null;
  readonly omit: readonly string[];
  readonly swaps: readonly { readonly lineId: string; readonly ingredientId: string; readonly amount?: LineAmount }[];
  readonly add: readonly Line[];
  /** Steps in the author's own words for this variant; the others are retold from the recipe's. */
  readonly steps?: readonly { readonly stepId: string; readonly text: string }[] | undefined;
}

export const standings = ["draft", "rehearsed", "taught"] as const;
export type Standing = (typeof standings)[number];

/** One immutable revision of a recipe; a class pins one. */
export interface Recipe {
  readonly id: string;
  readonly revision: number;
  readonly title: string;
  readonly intro: string;
  readonly family: Family;
  readonly system: MeasuringSystem;
  readonly fill: FillMethod;
  readonly standing: Standing;
  readonly lines: readonly Line[];
  readonly steps: readonly Step[];
  readonly rest: Window;
  readonly heat: Heat;
  readonly portion: Portion;
  readonly pieceDiameterCm: number;
  /** How loose its author wants the batter, in grams of water to a gram of flour, above 0 and at most 10; absent, as its lines make it. */
  readonly aimedLooseness?: number | undefined;
  /** In the order in which they are cooked; absent where all pieces are alike. */
  readonly rounds?: readonly Round[] | undefined;
  /** If true, stations choose the split between rounds while cooking; `parts` is then the expected split. */
  readonly isRoundsOpen?: true | undefined;
  /** What is offered to be drawn; absent for every shape there is. Of the drawn family only. */
  readonly shapes?: readonly ShapeId[] | undefined;
  /** Absent where a piece is eaten by itself. */
  readonly serving?: Serving | undefined;
  /** Pieces the author says a batch makes; null when nobody said. Compared with what the volume gives. */
  readonly claimedPieces: Pieces | null;
  /** What cannot be seen with this batter: "dark from the cocoa, colour says nothing". */
  readonly blindNote: string;
  readonly parts: readonly Part[];
  readonly variants: readonly Variant[];
}

export type RecipeFinding =
  | {
      readonly code: "amount-unknown";
      readonly level: "blocks";
      readonly lineId: string;
      readonly ingredientId: string;
      readonly said: string;
    }
  | {
      readonly code: "used-not-listed";
      readonly level: "blocks";
      readonly stepId: string;
      readonly ingredientId: string;
    }
  | {
      readonly code: "wrong-twin";
      readonly level: "blocks";
      readonly stepId: string;
      readonly named: string;
      readonly listed: string;
    }
  | {
      readonly code: "listed-not-used";
      readonly level: "warns";
      readonly lineId: string;
      readonly ingredientId: string;
    }
  | { readonly code: "draws-unknown-line"; readonly level: "blocks"; readonly stepId: string; readonly lineId: string }
  | {
      readonly code: "shares-do-not-add-up";
      readonly level: "blocks";
      readonly lineId: string;
      readonly ingredientId: string;
      readonly drawn: Ratio;
    }
  | {
      readonly code: "ingredient-not-in-pantry";
      readonly level: "blocks";
      readonly lineId: string;
      readonly ingredientId: string;
    }
  /** In the way where a method was written and none of it is at the heat: a class of it would cook nothing. */
  | { readonly code: "no-cook-step"; readonly level: "warns" | "blocks" }
  | {
      readonly code: "caution-left-out";
      readonly level: "notes";
      readonly stepId: string;
      readonly hazard: Hazard;
      readonly reason: string;
    }
  | { readonly code: "adult-not-named"; readonly level: "warns"; readonly stepId: string; readonly hazard: Hazard }
  | {
      readonly code: "units-mixed";
      readonly level: "notes";
      readonly byVolume: readonly string[];
      readonly byMetric: readonly string[];
    }
  | { readonly code: "part-empty"; readonly level: "blocks"; readonly partId: string; readonly name: string }
  | { readonly code: "part-without-step"; readonly level: "warns"; readonly partId: string; readonly name: string }
  | {
      readonly code: "pack-size-missing";
      readonly level: "blocks";
      readonly lineId: string;
      readonly ingredientId: string;
    }
  | {
      readonly code: "variant-without-line";
      readonly level: "blocks";
      readonly variantId: string;
      readonly name: string;
      readonly lineId: string;
    };
