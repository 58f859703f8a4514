import { type Substance, bearsOn, substances } from "./allergens";
import { wordsFor } from "./aliases";
import { familyRows, foodRows, formWords, mixtureRows, sideWords, turningWords } from "./food-words";
import type { Ingredient, LabelReading } from "./types";

/** The first word of a row of `food-words.ts`. */
export type FoodId = string;

interface Food {
  readonly id: FoodId;
  readonly kind: "food" | "family" | "mixture";
  /** Listed substances it is judged as; of a mixture those it may hold. */
  readonly substances: readonly Substance[];
  /** Foods and families it counts as, itself included, with all that those count as. */
  readonly countsAs: ReadonlySet<FoodId>;
}

/**
 * What one word that somebody must avoid means.
 * - `known`: a food, or a family of which every member is meant until somebody says which.
 * - `said`: a person of the class said what it covers.
 * - `typo`: one or two letters from a word that is known; the person is asked.
 * - `unknown`: no word of this list, or a dish that does not say which food in it is meant.
 */
export interface FoodMeaning {
  /** As it was written, without what is beside it. */
  readonly word: string;
  readonly kind: "known" | "said" | "typo" | "unknown";
  readonly foods: ReadonlySet<FoodId>;
  /** Listed substances that it is judged as, whatever else is known of it. */
  readonly substances: readonly Substance[];
  /** True where the substances cover all of it, so that a label obliged to name them answers for the word. */
  readonly isListed: boolean;
  /** Of a family: members a person is asked about, by name. */
  readonly members: readonly string[];
  /** Of a likely slip of the pen: the word that is known. */
  readonly nearest: string | null;
  /** The word in the form in which two spellings meet; found in an ingredient's name whatever it means. */
  readonly key: string;
}

// ---------------------------------------------------------------------------------------------------------------- words

/** Singular of one word, the same for the list and for what people type; no grammar beyond that is needed. */
function singular(word: string): string {
  if (word.length <= 3 || /(?:ss|us)$/.test(word)) return word;
  if (/ies$/.test(word)) return word.length > 4 ? `${word.slice(0, -3)}y` : word;
  if (/(?:o|ch|sh|ss|x|z)es$/.test(word)) return word.slice(0, -2);
  if (/(?:lea|hal|loa|kni)ves$/.test(word)) return `${word.slice(0, -3)}f`;
  return word.endsWith("s") ? word.slice(0, -1) : word;
}

/** Plural of one word: what {@link singular} takes back. */
function plural(word: string): string {
  if (/[^aeiou]y$/.test(word)) return `${word.slice(0, -1)}ies`;
  if (/(?:o|ch|sh|ss|x|z)$/.test(word)) return `${word}es`;
  return /(?:lea|hal|loa|kni)f$/.test(word) ? `${word.slice(0, -1)}ves` : `${word}s`;
}

/** The words of a text in lower case, without accents, apostrophes and hyphens. Most names have letters of ASCII only, and are quick. */
const spelt = (text: string): string[] => {
  const lower = text.toLowerCase();
  return /^[a-z0-9 -]*$/.test(lower)
    ? lower.split(/[ -]+/).filter((word) => word !== "")
    : lower
        .normalize("NFD")
        .replace(/\p{M}/gu, "")
        .replace(/œ/g, "oe")
        .replace(/['’`]s\b/g, "")
        .replace(/['’`]/g, "")
        .split(/[^\p{L}\p{N}]+/u)
        .filter((word) => word !== "");
};

/** The same, each in the singular. */
const wordsIn = (text: string): string[] => spelt(text).map(singular);

/** A food's name in the one form in which two spellings of it meet: "Corn-flour" and "cornflour". */
export const foodName = (food: string): string => wordsIn(food).join("");

const parts = (row: readonly [string, ...string[]]) => {
  const [words, ...links] = row;
  return { names: words.split("|"), links };
};

/** The list as a lookup. Made once when the module is read, from constants alone, and never written to again. */
const lexicon = (() => {
  const rows = [
    ...foodRows.map((row) => ({ kind: "food" as const, ...parts(row) })),
    ...familyRows.map((row) => ({ kind: "family" as const, ...parts(row) })),
    ...mixtureRows.map((row) => ({ kind: "mixture" as const, ...parts(row) })),
  ];
  const idOf = ({ names }: { readonly names: readonly string[] }): FoodId => names[0] ?? "";
  const linksOf = new Map(rows.map((row) => [idOf(row), row.links.filter((link) => !link.startsWith("@"))]));
  const above = (id: FoodId, seen: Set<FoodId> = new Set()): Set<FoodId> => {
    if (seen.has(id)) return seen;
    seen.add(id);
    for (const link of linksOf.get(id) ?? []) above(link, seen);
    return seen;
  };
  const ownSubstances = new Map(
    rows.map((row) => [idOf(row), row.links.flatMap((link) => substances.find((one) => link === `@${one}`) ?? [])]),
  );
  const foods = new Map<FoodId, Food>();
  for (const row of rows) {
    const id = idOf(row);
    const countsAs = above(id);
    const held = row.kind === "mixture" ? [...countsAs] : [id];
    foods.set(id, {
      id,
      kind: row.kind,
      countsAs,
      substances: [...new Set(held.flatMap((one) => ownSubstances.get(one) ?? []))],
    });
  }
  const byKey = new Map<string, Food>();
  // A word that stands in two rows is the first one's.
  for (const row of rows)
    for (const name of row.names) {
      const food = foods.get(idOf(row));
      if (food && !byKey.has(foodName(name))) byKey.set(foodName(name), food);
    }
  for (const substance of substances) {
    const row = foodRows.find(([, ...links]) => links.length === 1 && links[0] === `@${substance}`);
    const food = row && foods.get(row[0].split("|")[0] ?? "");
    if (food && !byKey.has(foodName(substance))) byKey.set(foodName(substance), food);
  }
  return { foods, byKey };
})();

const longestPhrase = 5;
const keysOf = (words: readonly string[]): ReadonlySet<string> => new Set(words.flatMap(wordsIn));
const beside = keysOf([...sideWords, "not-any"]);
const turning = keysOf(turningWords);
/** Said before a food and no part of its name: "all spices" are spices, not allspice. */
const quantifiers: ReadonlySet<string> = new Set(["all", "any", "every", "no"]);
const forms = keysOf(formWords);

interface Found {
  readonly food: Food;
  readonly from: number;
  readonly to: number;
}

/** The foods that a row of words names, longest phrase first from the left, each word in one phrase only. */
function phrasesIn(words: readonly string[]): Found[] {
  const found: Found[] = [];
  for (let from = 0; from < words.length;) {
    let to = Math.min(words.length, from + longestPhrase);
    let food: Food | undefined;
    for (; to > from; to -= 1) {
      food = lexicon.byKey.get(words.slice(from, to).join(""));
      if (food) break;
    }
    if (food) found.push({ food, from, to });
    from = food ? to : from + 1;
  }
  return found;
}

/**
 * Letters to change, add, leave out or swap with the next, up to `most`; `most` + 1 where it takes more. Plain loops over three rows: it
 * is asked for every known word.
 */
function distance(a: string, b: string, most: number): number {
  const [rows, columns] = [a.length, b.length];
  if (rows - columns > most || columns - rows > most) return most + 1;
  let before: number[] = [];
  let last: number[] = [];
  for (let j = 0; j <= columns; j += 1) last.push(j);
  for (let i = 1; i <= rows; i += 1) {
    const row = [i];
    let least = i;
    for (let j = 1; j <= columns; j += 1) {
      const isSame = a.charCodeAt(i - 1) === b.charCodeAt(j - 1);
      let cost = (last[j - 1] ?? 0) + (isSame ? 0 : 1);
      const dropped = (last[j] ?? 0) + 1;
      const added = (row[j - 1] ?? 0) + 1;
      if (dropped < cost) cost = dropped;
      if (added < cost) cost = added;
      const isSwap =
        i > 1 && j > 1 && a.charCodeAt(i - 1) === b.charCodeAt(j - 2) && a.charCodeAt(i - 2) === b.charCodeAt(j - 1);
      const swapped = isSwap ? (before[j - 2] ?? 0) + 1 : cost;
      if (swapped < cost) cost = swapped;
      row.push(cost);
      if (cost < least) least = cost;
    }
    if (least > most) return most + 1;
    before = last;
    last = row;
  }
  return last[columns] ?? most + 1;
}

/** The nearest known word: one letter off, two from eight letters on; undefined if there is none. */
function nearestTo(word: string): string | undefined {
  if (word.length < 4) return undefined;
  const most = word.length >= 8 ? 2 : 1;
  const forms = [...new Set([singular(word), word])];
  let best: { readonly name: string; readonly off: number } | undefined;
  for (const [key, food] of lexicon.byKey) {
    if (key.length < 3) continue;
    // A slip in the ending of a plural is one letter off that plural, and further off the singular.
    for (const name of [key, plural(key)])
      for (const form of forms) {
        const off = distance(form, name, most);
        if (off <= most && (!best || off < best.off)) best = { name: food.id, off };
      }
  }
  return best?.name;
}

// -------------------------------------------------------------------------------------------------------------- meaning

const none: ReadonlySet<FoodId> = new Set([]);

const unclear = (word: string, nearest: string | undefined): FoodMeaning => ({
  word,
  kind: nearest === undefined ? "unknown" : "typo",
  foods: none,
  substances: [],
  isListed: false,
  members: [],
  nearest: nearest ?? null,
  key: foodName(word),
});

/** Members of a family by name, those nearest to it first. */
const membersOf = (family: Food): Food[] =>
  [...lexicon.foods.values()].filter((one) => one.kind === "food" && one.countsAs.has(family.id));

function meaningOf(word: string, found: readonly Food[]): FoodMeaning {
  const families = found.filter((one) => one.kind === "family");
  const members = families.flatMap(membersOf);
  const covered = [...new Set(found.flatMap((one) => one.substances))];
  const isWhole = (one: Food) => one.substances.length > 0 && one.kind === "food";
  return {
    word,
    kind: "known",
    foods: new Set(found.map((one) => one.id)),
    substances: [...new Set([...covered, ...members.flatMap((one) => one.substances)])],
    isListed: found.every(
      (one) => isWhole(one) || (one.kind === "family" && one.substances.length > 0 && membersOf(one).every(isWhole)),
    ),
    members: [...new Set([...families.flatMap((one) => one.substances), ...members.map((one) => one.id)])],
    nearest: null,
    key: foodName(word),
  };
}

/** One word or phrase that stands by itself. */
function readPart(text: string): FoodMeaning {
  const written = spelt(text).filter((word) => !quantifiers.has(word));
  const words = written.map(singular);
  const whole = lexicon.byKey.get(words.join("")) ?? lexicon.byKey.get(foodName(text));
  if (whole && whole.kind !== "mixture") return meaningOf(text, [whole]);
  if (words.some((word) => turning.has(word))) return unclear(text, undefined);
  const found = phrasesIn(words);
  const isSaid = words.map((_, at) => found.some(({ from, to }) => from <= at && at < to));
  const isLeft = words.map((word, at) => !isSaid[at] && !beside.has(word) && !(found.length > 0 && forms.has(word)));
  const left = written.filter((_, at) => isLeft[at]);
  if (found.length > 0 && left.length === 0 && found.every(({ food }) => food.kind !== "mixture"))
    return meaningOf(
      text,
      found.map(({ food }) => food),
    );
  if (found.some(({ food }) => food.kind === "mixture")) return unclear(text, undefined);
  const near = [left.join(""), ...left].map(nearestTo).find((one) => one !== undefined);
  return unclear(text, near);
}

/** What stands between two foods where people write several. Spaces around it are left: to match them takes the square of their number. */
const separators =
  /[,;/&+:()[\]\n|]|\band\b|\bor\b|\bplus\b|\bas well as\b|\bincl(?:uding)?\b\.?|\bsuch as\b|\blike\b/iu;

/**
 * What a text means in which somebody wrote what they avoid: one meaning for each food in it. Never empty: a text in which nothing is
 * named is one meaning that is not known.
 * @param covers what a person of the class said that it covers, in words of foods; empty, only what goes by this very name; absent
 * where nobody said. It then stands for the whole text.
 */
export function foodMeanings(text: string, covers?: readonly string[]): FoodMeaning[] {
  if (covers) {
    const read = covers.flatMap((one) => foodMeanings(one));
    const open = read.find((one) => one.kind === "typo" || one.kind === "unknown");
    if (open) return [{ ...open, word: text, key: foodName(text) }];
    return [
      {
        word: text,
        kind: "said",
        foods: new Set(read.flatMap((one) => [...one.foods])),
        substances: [...new Set(read.flatMap((one) => one.substances))],
        isListed: read.length > 0 && read.every((one) => one.isListed),
        members: [],
        nearest: null,
        key: foodName(text),
      },
    ];
  }
  const whole = readPart(text.trim());
  if (isUnderstood(whole)) return [whole];
  const named = text
    .split(separators)
    .map((one) => one.trim())
    .filter((one) => wordsIn(one).some((word) => !beside.has(word)));
  return named.length === 0 ? [unclear(text.trim(), undefined)] : named.map(readPart);
}

/** Is a word one that is understood, so that what does not match it is not meant by it? */
export const isUnderstood = (meaning: FoodMeaning): boolean => meaning.kind === "known" || meaning.kind === "said";

// ------------------------------------------------------------------------------------------------- foods of ingredients

/** What goes by a name: an ingredient, or a food that a label lists. */
export type Named = Pick<Ingredient, "id" | "name" | "raw">;

interface NamedFoods {
  readonly foods: readonly Food[];
  /** Its names as rows of words, for words that nobody knows. */
  readonly rows: readonly (readonly string[])[];
}

/** Kept by the identity of an ingredient or a label's list, so that it goes with it and never speaks for another of the same name. */
const namedBefore = new WeakMap<object, NamedFoods>();

/** Foods of plants that are sold as a "milk", "butter", "cream", "cheese" or "yogurt" without any milk. */
const plantSources: ReadonlySet<FoodId> = new Set(
  "almond hazelnut walnut cashew pecan pistachio macadamia peanut coconut oat soy rice hemp pea nut sesame sunflower cocoa apple chestnut potato seed".split(
    " ",
  ),
);
const dairyNouns: ReadonlySet<FoodId> = new Set(["milk", "butter", "cream", "cheese", "yogurt"]);

/** The foods in one name: without what it says it is free of, and without the milk in "almond butter". */
function foodsNamed(row: readonly string[]): Food[] {
  const found = phrasesIn(row);
  const isWithout = ({ from, to }: Found) =>
    row[to] === "free" || ["without", "no", "non"].includes(row[from - 1] ?? "");
  const without = found.filter(isWithout).flatMap(({ food }) => food.substances);
  return found
    .filter((one) => !isWithout(one) && !one.food.substances.some((has) => without.some((gone) => bearsOn(has, gone))))
    .filter(
      ({ food, from }) =>
        !(dairyNouns.has(food.id) && found.some((one) => one.to === from && plantSources.has(one.food.id))),
    )
    .map(({ food }) => food);
}

function foodsOf(one: Named): NamedFoods {
  const before = namedBefore.get(one);
  if (before) return before;
  const rows = [one.name, one.id.replaceAll("-", " "), one.raw?.name ?? ""]
    .map(wordsIn)
    .filter((row) => row.length > 0);
  // A jam may be of strawberries and need not: of the words it goes by only one that is a food as a whole decides.
  const alias = wordsFor(one.id).flatMap((word) => lexicon.byKey.get(foodName(word)) ?? []);
  const foods = [...new Set([...rows.flatMap(foodsNamed), ...alias.filter((food) => food.kind === "food")])];
  const made = { foods, rows };
  namedBefore.set(one, made);
  return made;
}

/** Does a row of words hold others that join to this key, word by word? */
const holds = (row: readonly string[], key: string): boolean =>
  row.some((_, from) => {
    let joined = "";
    for (let at = from; at < row.length && joined.length < key.length; at += 1) joined += row[at] ?? "";
    return joined === key;
  });

/**
 * Is an ingredient this food, or made of it, by any of the names it goes by? "may-be" where it goes by a wider word that may mean it
 * ("soft herbs" beside coriander). A name that is not found here is no proof of absence: of what is packaged nobody knows until its list
 * was looked through.
 */
export function matchOf(one: Named, meaning: FoodMeaning): "is" | "may-be" | null {
  const { foods, rows } = foodsOf(one);
  // "Milk" stands in "coconut milk", which is another food: where the names are understood, the foods decide.
  const isByName = meaning.kind !== "known" || foods.length === 0;
  if (isByName && meaning.key !== "" && rows.some((row) => holds(row, meaning.key))) return "is";
  let found: "may-be" | null = null;
  for (const food of foods) {
    const isWider = (id: FoodId) =>
      [...food.countsAs].some(
        (above) => lexicon.foods.get(above)?.kind === "family" && lexicon.foods.get(id)?.countsAs.has(above),
      );
    for (const id of meaning.foods) {
      if (food.countsAs.has(id)) return "is";
      if (food.kind !== "food" && isWider(id)) found = "may-be";
    }
    if (food.kind === "mixture" && food.substances.some((each) => meaning.substances.includes(each))) found = "may-be";
  }
  return found;
}

/**
 * Does a name that somebody wrote name a food that this ingredient is not: "cashew butter" beside butter? What is only a mixture or a
 * family says too little to tell.
 */
export function namesAnother(name: string, one: Named): boolean {
  const own = foodsOf(one).foods;
  return foodsNamed(wordsIn(name)).some(
    (food) =>
      food.kind === "food" &&
      !own.some((each) => each.countsAs.has(food.id) || food.countsAs.has(each.id)) &&
      !(food.substances.length > 0 && own.some((each) => each.substances.some((has) => food.substances.includes(has)))),
  );
}

/** Foods that a label's list names, kept by the identity of that list. */
const listedBefore = new WeakMap<readonly string[], readonly Named[]>();
export function namedOn(label: Pick<LabelReading, "foods"> | undefined): readonly Named[] {
  if (!label?.foods) return [];
  const before = listedBefore.get(label.foods);
  if (before) return before;
  const made = label.foods.map((name): Named => ({ id: "", name, raw: undefined }));
  listedBefore.set(label.foods, made);
  return made;
}

/** Whether this word, or one that means the same or more, is among those that somebody looked for in a whole list. */
export function isLookedFor(lookedFor: readonly string[], meaning: FoodMeaning): boolean {
  return lookedFor.some((one) => {
    if (foodName(one) === meaning.key) return true;
    if (!isUnderstood(meaning) || meaning.foods.size === 0) return false;
    const sought = foodMeanings(one);
    const covers = (id: FoodId) =>
      sought.some(
        (each) => isUnderstood(each) && [...each.foods].some((food) => lexicon.foods.get(id)?.countsAs.has(food)),
      );
    return [...meaning.foods].every(covers);
  });
}

/** Listed substances that foods of a label's list are, by what they are called: a list with "prawns" has crustaceans. */
export const substancesNamedOn = (label: Pick<LabelReading, "foods"> | undefined): Substance[] => [
  ...new Set(
    namedOn(label).flatMap((one) =>
      foodsOf(one).foods.flatMap((food) => (food.kind === "food" ? food.substances : [])),
    ),
  ),
];
