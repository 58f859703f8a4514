import { type Millilitres, inMinutes, inMillilitres, inCelsius } from "~/core/quantity";
import { reheatC } from "./safety";
import type { Cue, Family, Hazard, Heat, Recipe, Span, Step, StepKind, SurfaceKind, Warmth } from "./types";

/** Minutes a step of each kind usually takes, to begin with (starting values from teaching practice). */
const usualMinutes: Readonly<Record<StepKind, Span>> = {
  prepare: { low: 2, likely: 3, high: 6 },
  mix: { low: 1, likely: 2, high: 4 },
  rest: { low: 5, likely: 10, high: 15 },
  preheat: { low: 5, likely: 8, high: 12 },
  cook: { low: 3, likely: 4, high: 6.5 },
  hold: { low: 0, likely: 0, high: 20 },
  reheat: { low: 2, likely: 3, high: 6 },
  serve: { low: 1, likely: 2, high: 4 },
};

/** Held in a low oven above every rule for hot food; reheated until the middle is hot (general food safety guidance). */
const usualWarmth: Readonly<Record<"hold" | "reheat", Warmth>> = {
  hold: { place: "oven", c: inCelsius(95), most: inMinutes(30) },
  reheat: { place: "oven", c: reheatC },
};

/** An id that no step has yet. */
export function freshStepId(recipe: Pick<Recipe, "steps">, from: string): string {
  const taken = new Set(recipe.steps.map((step) => step.id));
  if (!taken.has(from)) return from;
  for (let n = 2; ; n += 1) if (!taken.has(`${from}-${n}`)) return `${from}-${n}`;
}

/** An empty step of a kind, with the caution it cannot be without. */
export function stepTemplate(kind: StepKind, recipe: Pick<Recipe, "steps" | "heat">): Step {
  const isOven = recipe.heat.surfaceKinds.every((surface) => surface === "oven");
  const isHot = kind === "cook" || kind === "preheat";
  const hazards: Hazard[] = isHot ? [isOven ? "oven-dish" : "hot-surface"] : kind === "reheat" ? ["hot-surface"] : [];
  return {
    id: freshStepId(recipe, kind),
    partId: null,
    kind,
    text: "",
    draws: [],
    mentions: [],
    minutes: usualMinutes[kind],
    tools: kind === "cook" && !isOven ? ["ladle", "turner"] : kind === "mix" ? ["mixing-bowl", "whisk"] : [],
    hazards,
    who: isHot && isOven ? "adult" : "anyone",
    ...(kind === "hold" || kind === "reheat" ? { warmth: usualWarmth[kind] } : {}),
  };
}

/** What a family usually cooks on, how hot, how long and by which cues (starting values from teaching practice). */
interface FamilyHeat {
  readonly surfaceKinds: readonly SurfaceKind[];
  readonly from: number;
  readonly to: number;
  readonly test: Heat["test"];
  readonly side1: Span;
  readonly side2: Span | null;
  readonly cues: readonly Cue[];
}
const span = (low: number, likely: number, high: number): Span => ({ low, likely, high });
const pans: readonly SurfaceKind[] = ["electric-griddle", "hob-pan", "cast-iron-pan"];
const usualHeat: Readonly<Record<Family, FamilyHeat>> = {
  drawn: {
    surfaceKinds: ["electric-griddle", "hob-pan"],
    from: 135,
    to: 150,
    test: "infrared",
    side1: span(3, 4, 6),
    side2: span(1, 2, 3),
    cues: ["bubbles-stay-open", "slides"],
  },
  drop: {
    surfaceKinds: pans,
    from: 175,
    to: 200,
    test: "water-beads",
    side1: span(2, 2.5, 4),
    side2: span(1, 1.5, 2.5),
    cues: ["bubbles-stay-open", "dull-rim"],
  },
  pancake: {
    surfaceKinds: pans,
    from: 175,
    to: 200,
    test: "water-beads",
    side1: span(2, 2.5, 4),
    side2: span(1, 1.5, 2.5),
    cues: ["bubbles-stay-open", "dull-rim"],
  },
  crepe: {
    surfaceKinds: ["crepe-pan", "hob-pan"],
    from: 180,
    to: 210,
    test: "water-beads",
    side1: span(0.7, 1, 1.5),
    side2: span(0.3, 0.5, 0.8),
    cues: ["brown-edge", "slides"],
  },
  waffle: {
    surfaceKinds: ["waffle-iron"],
    from: 190,
    to: 210,
    test: "lamp",
    side1: span(3, 4.5, 7),
    side2: null,
    cues: ["steam-stops", "lamp"],
  },
  "ridged-waffle": {
    surfaceKinds: ["ridged-pan"],
    from: 175,
    to: 190,
    test: "drop-sizzles",
    side1: span(4, 5, 6.5),
    side2: span(3, 4, 5),
    cues: ["brown-edge", "slides"],
  },
  fritter: {
    surfaceKinds: ["hob-pan", "cast-iron-pan"],
    from: 175,
    to: 190,
    test: "drop-sizzles",
    side1: span(2, 3, 4),
    side2: span(2, 2.5, 4),
    cues: ["brown-edge", "slides"],
  },
  "oven-puffed": {
    surfaceKinds: ["oven"],
    from: 220,
    to: 220,
    test: "oven-thermometer",
    side1: span(12, 18, 25),
    side2: null,
    cues: ["puffed-and-brown"],
  },
};

/** Default heat of a family with a surface test; a starting value for whoever knows the pan. */
export function familyHeat(family: Family): Heat {
  const { from, to, ...rest } = usualHeat[family];
  return {
    ...rest,
    surfaceC: { from: inCelsius(from), to: inCelsius(to) },
    turnaround: inMinutes(0.5),
    pourPerPiece: family === "oven-puffed" ? inMinutes(1.5) : inMinutes(0.1),
    recover: family === "waffle" ? inMinutes(1) : inMinutes(0),
  };
}

/** Pour and size of a family's usual piece: millilitres and centimetres (starting values). */
export const familyPiece: Readonly<Record<Family, { readonly ml: Millilitres; readonly cm: number }>> = {
  drawn: { ml: inMillilitres(25), cm: 10 },
  drop: { ml: inMillilitres(30), cm: 7 },
  pancake: { ml: inMillilitres(60), cm: 11 },
  crepe: { ml: inMillilitres(55), cm: 24 },
  waffle: { ml: inMillilitres(90), cm: 14 },
  "ridged-waffle": { ml: inMillilitres(120), cm: 18 },
  fritter: { ml: inMillilitres(45), cm: 8 },
  "oven-puffed": { ml: inMillilitres(480), cm: 24 },
};
