import {
  type Act,
  type Cause,
  type CorrectionStep,
  type Likeness,
  type Sight,
  type Technique,
  type Trouble,
} from "~/core/look";
import { grams, volume } from "~/ui/format/format";
import type { MixingStop, ShapeId } from "~/core/recipe";
import type { Names } from "./names";

/** What is seen on a piece, why it is so and what to do. */
export const sightWords: Readonly<Record<Sight, string>> = {
  pale: "pale",
  "raw-inside": "brown outside, raw inside",
  "dark-middle": "dark in the middle",
  "one-part-ahead": "one part ahead of the rest",
  torn: "torn",
  sticks: "sticks",
  fused: "grown together",
  spreads: "spreads flat",
  lacy: "lacy, full of holes",
  thick: "thick, does not flow",
  flat: "does not rise",
};
export const causeWords: Readonly<Record<Cause, string>> = {
  "surface-cool": "not hot enough",
  "surface-hot": "too hot",
  "uneven-heat": "uneven heat",
  "turned-early": "turned too early",
  "opened-early": "opened too early",
  "too-thin": "batter too thin",
  "too-thick": "batter too thick",
  "little-fat": "too little fat",
  "much-fat": "too much fat",
  crowded: "too close together",
  "stood-too-long": "batter stood too long",
  "dish-cold": "the dish was cold",
  "slow-to-heat": "thick metal, not hot through",
  "filled-at-once": "filled at once, it cooled down",
  "small-flame": "heat under the middle only",
};
const plainActs: Readonly<Record<Exclude<Act, "thin" | "thicken">, string>> = {
  "heat-up": "a little hotter",
  "heat-down": "a little less heat",
  wait: "wait longer",
  "space-out": "fewer at a time, a hand apart",
  "more-fat": "grease again, thinly",
  "less-fat": "wipe off fat",
  "other-order": "change places or cook it sooner",
};

/** What hands do, named and said in one sentence. */
export const techniqueWords: Readonly<Record<Technique, { readonly name: string; readonly says: string }>> = {
  level: { name: "Level it.", says: "Heap the spoon or cup, then draw a straight edge across. Never shake or press." },
  "eye-level": {
    name: "Read it at eye level.",
    says: "Set the jug down and bend to it; from above it always looks like more.",
  },
  pinch: { name: "A pinch.", says: "As much as stays between thumb and one finger." },
  crack: { name: "Crack it on the flat.", says: "One firm tap, thumbs into the crack, open over its own cup." },
  "fish-shell": {
    name: "Shell in it?",
    says: "Fish it out with a larger piece of shell: it cuts where a spoon chases.",
  },
  "tap-whisk": { name: "Tap the whisk off.", says: "On the rim, once or twice; what hangs in it is batter too." },
  fold: {
    name: "Fold.",
    says: "Down the middle, along the bottom, up the side, and turn the bowl. Count the strokes.",
  },
  swirl: {
    name: "Pour and swirl.",
    says: "Off the heat: pour in the middle, tilt the pan all round at once, then set it back.",
  },
  turn: {
    name: "Turn once.",
    says: "The whole turner under it, low and away from you. A turned piece is not pressed.",
  },
};

/** When to stop mixing, and why. */
export const stopWords: Readonly<Record<MixingStop, { readonly name: string; readonly says: string }>> = {
  "lumps-fine": {
    name: "lumps are fine",
    says: "Stop while there are still lumps: they cook away, and every stroke more makes it tough and flat.",
  },
  "just-combined": {
    name: "just combined",
    says: "Stop when no dry streak is left: more makes it tight.",
  },
  smooth: { name: "smooth", says: "Go on until it is smooth: in this batter lumps do not cook away." },
};

/** Millilitres and grams in fives: what is stirred in by eye is not weighed to the gram. */
const inFives = (value: number): number => Math.max(5, Math.round(value / 5) * 5);

/** What to do, with the amount where one is known. */
export function sayAct(
  { cause, act }: Trouble,
  step: CorrectionStep | undefined,
  names: Pick<Names, "ingredient" | "locale">,
): string {
  if (act === "thin")
    return step?.liquidId && step.ml > 0
      ? `stir in ${volume(inFives(step.ml), names.locale)} of ${names.ingredient(step.liquidId)}, look, once more if need be`
      : "stir in a spoon of its liquid, look, once more if need be";
  if (act === "thicken")
    return step?.flourId && step.grams > 0
      ? `stir in ${grams(inFives(step.grams), names.locale)} of ${names.ingredient(step.flourId)}, wait a minute, look`
      : "stir in a spoon of its flour, wait a minute, look";
  return cause === "small-flame" ? "turn the pan, move it about" : plainActs[act];
}

export const shapeWords: Readonly<Record<ShapeId, string>> = {
  ring: "ring",
  sun: "sun",
  star: "star",
  fish: "fish",
  boat: "boat",
  oar: "oar",
};

/** What a batter falls from the spoon like. */
export const likenessWords: Readonly<Record<Likeness, string>> = {
  holds: "holds on the spoon",
  clots: "falls in clots",
  ribbons: "falls in ribbons",
  cream: "runs like cream",
  milk: "runs like milk",
};
