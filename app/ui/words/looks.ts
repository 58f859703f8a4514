import type { Act, Cause, CorrectionStep, Sight, Trouble } from "~/core/look";
import { grams, volume } from "~/ui/format/format";
import type { Names } from "./findings";

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

/** What to do, with the amount where one is known. */
export function sayAct({ act }: Trouble, step: CorrectionStep | undefined, names: Names): string {
  if (act === "thin")
    return step?.liquidId && step.ml > 0
      ? `stir in ${volume(step.ml, names.locale)} of ${names.ingredient(step.liquidId)}, look, once more if need be`
      : "stir in a spoon of its liquid, look, once more if need be";
  if (act === "thicken")
    return step?.flourId && step.grams > 0
      ? `stir in ${grams(step.grams, names.locale)} of ${names.ingredient(step.flourId)}, wait a minute, look`
      : "stir in a spoon of its flour, wait a minute, look";
  return plainActs[act];
}
