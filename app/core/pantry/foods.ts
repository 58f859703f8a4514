import { wordsFor } from "./aliases";
import type { Ingredient } from "./types";

/**
 * Foods that go by several names or are made into others (general food knowledge). A need for the first covers all of its row.
 */
const kin: readonly (readonly string[])[] = [
  [
    "corn",
    "maize",
    "cornmeal",
    "cornflour",
    "cornstarch",
    "corn starch",
    "polenta",
    "sweetcorn",
    "masa",
    "popcorn",
    "corn syrup",
  ],
  ["cinnamon", "mixed spice", "pumpkin spice"],
  ["nutmeg", "mixed spice", "pumpkin spice"],
  ["ginger", "mixed spice", "pumpkin spice"],
  ["cocoa", "chocolate", "cacao"],
  ["chocolate", "cocoa", "cacao"],
  ["citrus", "lemon", "lime", "orange", "grapefruit"],
  ["strawberry", "strawberries"],
  ["raspberry", "raspberries"],
  ["blueberry", "blueberries"],
  ["berries", "strawberries", "raspberries", "blueberries"],
  ["potato", "potatoes"],
  ["tomato", "tomatoes"],
  ["courgette", "zucchini"],
  ["aubergine", "eggplant"],
  ["rice", "rice flour"],
  ["vanilla", "vanilla sugar"],
  ["pepper", "black pepper"],
  ["seeds", "chia", "linseed", "flax", "poppy", "sunflower", "pumpkin seed"],
  ["legumes", "chickpea", "aquafaba", "lentil", "bean", "pea"],
];

const plain = (text: string): string =>
  text
    .normalize("NFC")
    .toLowerCase()
    .replace(/[^\p{L}\p{N} '-]/gu, " ")
    .replace(/\s+/g, " ")
    .trim();
const singular = (word: string): string =>
  word
    .replace(/ies$/, "y")
    .replace(/(?<=[a-z]{2}(?:o|ch|sh))es$/, "")
    .replace(/(?<=[^s])s$/, "");

/** A food's name in the one form in which two spellings of it meet. */
export const foodName = (food: string): string => singular(plain(food));

const known = new Map<string, RegExp>();

function patternOf(food: string): RegExp {
  const name = foodName(food);
  const before = known.get(name);
  if (before) return before;
  const words = [...new Set([name, plain(food), ...(kin.find(([first]) => first && foodName(first) === name) ?? [])])];
  const source = words
    .filter((word) => word !== "")
    .map((word) => {
      const one = singular(word).replace(/[.*+?^${}()|[\]\\]/g, "\\$&");
      return one.endsWith("y") ? `${one.slice(0, -1)}(?:y|ies)` : `${one}(?:s|es)?`;
    })
    .join("|");
  const pattern = new RegExp(`(?<![\\p{L}])(?:${source})(?![\\p{L}])`, "iu");
  known.set(name, pattern);
  return pattern;
}

/**
 * Is an ingredient this food, or made of it, by any of the names it goes by? A name that is not found here is no proof of absence:
 * of what is packaged nobody knows until its list was looked through.
 */
export function isFood(one: Pick<Ingredient, "id" | "name" | "raw">, food: string): boolean {
  if (foodName(food) === "") return false;
  const pattern = patternOf(food);
  const names = [one.name, one.id.replaceAll("-", " "), one.raw?.name ?? ""];
  // A jam may be of strawberries and need not: of the words it goes by only one that is the food itself decides.
  const whole = (word: string) => pattern.exec(word)?.[0].length === word.length;
  return names.some((name) => pattern.test(name)) || wordsFor(one.id).some(whole);
}
