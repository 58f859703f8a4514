import fc from "fast-check";
import {
  type Ingredient,
  type LabelReading,
  familyRows,
  foodMeanings,
  foodName,
  foodRows,
  isUnderstood,
  matchOf,
  mixtureRows,
  starterPantry,
  substances,
} from "~/core/pantry";
import type { Need, Participant } from "~/core/people";
import { openWords, writtenWords } from "../../../test/food-words";
import { judgeItem } from "./verdict";

const pantry = new Map(starterPantry.map((one) => [one.id, one]));
const needing = (needs: readonly Need[]): Participant => ({
  id: "p",
  name: "P",
  role: "cook",
  ageBand: "adult",
  hasAnswered: true,
  needs,
});
const need = (food: string, covers?: string[]): Need => ({
  kind: "food",
  food,
  severity: "allergy",
  touchOrAir: false,
  note: "",
  ...(covers ? { covers: { words: covers, by: "Lead" } } : {}),
});
/** The kindest label there is: read, silent, and every word of these looked for in its whole list. */
const silent = (ingredientId: string, ...lookedFor: string[]): LabelReading => ({
  ingredientId,
  product: "packet",
  contains: [],
  mayContain: [],
  lookedFor,
  market: "eu",
  readBy: "T",
  readOn: "2026-11-20",
});
const verdictOf = (who: Participant, one: Ingredient, label?: LabelReading) =>
  judgeItem(who, one.id, one, one.label === "packaged" ? label : undefined).verdict;

const rows = writtenWords.flatMap(([words, ids]) =>
  words.split("|").map((word) => ({ word, ids: ids.split(",").filter((id) => id !== "") })),
);

test("the list of words is long, and its ingredients are in the pantry", () => {
  expect(rows.length).toBeGreaterThanOrEqual(400);
  expect(rows.flatMap((row) => row.ids).filter((id) => !pantry.has(id))).toEqual([]);
});

test("every link of the list of foods leads to a food of the list or to a substance", () => {
  const names = new Set([...foodRows, ...familyRows, ...mixtureRows].map(([words]) => words.split("|")[0] ?? ""));
  const links = [...foodRows, ...familyRows, ...mixtureRows].flatMap(([, ...all]) => all);
  expect(
    links.filter((link) => !(link.startsWith("@") ? substances.some((one) => link === `@${one}`) : names.has(link))),
  ).toEqual([]);
});

test("no name stands in two rows of the list of foods", () => {
  const names = [...foodRows, ...familyRows, ...mixtureRows].flatMap(([words]) => [
    ...new Set(words.split("|").map(foodName)),
  ]);
  expect(names.filter((name, at) => names.indexOf(name) !== at)).toEqual([]);
});

test("no word that people write is clear of an ingredient that has it, however kindly its label was read", () => {
  const wrong = rows.flatMap(({ word, ids }) =>
    ids.flatMap((id) => {
      const one = pantry.get(id);
      return one && verdictOf(needing([need(word)]), one, silent(id, word)) === "clear" ? [`${word}: ${id}`] : [];
    }),
  );
  expect(wrong).toEqual([]);
});

test("what is in the list of words is understood, but for slips of the pen", () => {
  const open = rows.filter(({ word }) => !foodMeanings(word).every(isUnderstood)).map(({ word }) => word);
  expect(open).toEqual(["penuts", "crustacea?"]);
});

test("a word that is not understood is unknown over everything, water included, whatever was ticked", () => {
  const wrong = openWords.flatMap((word) => {
    const who = needing([need(word)]);
    return starterPantry.flatMap((one) => {
      const verdict = verdictOf(who, one, silent(one.id, word));
      return verdict === "clear" || verdict === "may-contain" ? [`${word}: ${one.id}`] : [];
    });
  });
  expect(wrong).toEqual([]);
});

test("words with a great many spaces, separators or letters between them are read like any others", () => {
  // By a pattern that tries every space as a beginning this would take hours.
  for (const between of [" ".repeat(300_000), " and ".repeat(40), `${" ".repeat(100_000)},${" ".repeat(100_000)}`]) {
    const meanings = foodMeanings(`milk${between}egg`);
    expect(meanings.some((one) => one.substances.includes("milk"))).toBe(true);
    expect(meanings.some((one) => one.substances.includes("egg"))).toBe(true);
  }
  expect(foodMeanings(`makes${" ".repeat(300_000)}x`).every(isUnderstood)).toBe(false);
});

test("a slip of a known word is asked about, never taken for nothing", () => {
  // A word of the list that is a slip itself would be two letters off.
  const words = rows
    .map(({ word }) => word)
    .filter((word) => /^[a-z]{5,}$/.test(word) && foodMeanings(word).every(isUnderstood));
  const letters = "abcdefghijklmnopqrstuvwxyz".split("");
  let asked = 0;
  fc.assert(
    fc.property(
      fc.constantFrom(...words),
      fc.nat(),
      fc.constantFrom(...letters),
      fc.constantFrom("change", "add", "drop", "swap"),
      fc.constantFrom(...starterPantry),
      (word, place, letter, how, one) => {
        const at = place % word.length;
        const slip =
          how === "change"
            ? word.slice(0, at) + letter + word.slice(at + 1)
            : how === "add"
              ? word.slice(0, at) + letter + word.slice(at)
              : how === "drop"
                ? word.slice(0, at) + word.slice(at + 1)
                : word.slice(0, at) + (word[at + 1] ?? "") + (word[at] ?? "") + word.slice(at + 2);
        const [meaning] = foodMeanings(slip);
        if (meaning && isUnderstood(meaning)) return;
        asked += 1;
        expect(meaning?.nearest).not.toBeNull();
        expect(verdictOf(needing([need(slip)]), one, silent(one.id, slip))).not.toBe("clear");
      },
    ),
    { numRuns: 400 },
  );
  expect(asked).toBeGreaterThan(250);
});

test("synonyms go both ways: whoever avoids either name avoids the food under the other", () => {
  const own = (name: string): Ingredient => ({
    ...(pantry.get("pear") as Ingredient),
    id: "own",
    name,
    raw: undefined,
  });
  for (const [words] of foodRows) {
    const names = words.split("|").slice(0, 6);
    for (const avoided of names) {
      const meanings = foodMeanings(avoided);
      for (const name of names)
        expect([avoided, name, meanings.some((one) => matchOf(own(name), one) === "is")]).toEqual([
          avoided,
          name,
          true,
        ]);
    }
  }
});

describe("words for listed substances are judged as those", () => {
  const says = (contains: LabelReading["contains"], foods?: string[]): LabelReading => ({
    ...silent("syrup", "peanuts", "prawns", "almonds", "nuts", "cow's milk", "dairy", "gluten", "maize"),
    contains,
    ...(foods ? { foods } : {}),
  });
  test.each([
    ["peanuts", says(["peanut"]), "contains"],
    ["prawns", says(["crustacean"]), "contains"],
    ["almonds", says(["tree-nut"]), "contains"],
    ["nuts", says(["peanut"]), "contains"],
    ["nuts", says(["hazelnut"]), "contains"],
    ["cow's milk", says(["milk"]), "contains"],
    ["dairy", says(["milk"]), "contains"],
    ["gluten", says(["barley"]), "contains"],
    ["maize", says([], ["corn"]), "contains"],
    ["prawns", says([], ["shrimp paste"]), "contains"],
    ["cow's milk", says([]), "clear"],
    ["maize", says([]), "clear"],
  ] as const)("%s", (word, label, expected) => {
    expect(verdictOf(needing([need(word)]), pantry.get("syrup") as Ingredient, label)).toBe(expected);
  });
});

test("what only sounds alike is not taken for it", () => {
  const one = (id: string) => pantry.get(id) as Ingredient;
  const of = (word: string, id: string, label?: LabelReading) => verdictOf(needing([need(word)]), one(id), label);
  expect(of("milk", "canned-coconut-milk", silent("canned-coconut-milk"))).toBe("clear");
  expect(of("butter", "peanut-butter", silent("peanut-butter"))).toBe("clear");
  expect(of("wheat", "gluten-free-flour", silent("gluten-free-flour"))).toBe("clear");
  expect(of("pea", "pear")).toBe("clear");
  expect(of("apple", "banana")).toBe("clear");
  expect(of("egg plant", "egg")).toBe("clear");
  expect(of("nutmeg", "walnuts", silent("walnuts", "nutmeg"))).toBe("clear");
});

test("what a person says a word covers decides, and only what that is", () => {
  const of = (word: string, covers: string[], id: string) =>
    verdictOf(needing([need(word, covers)]), pantry.get(id) as Ingredient);
  expect(of("citrus", ["lemon"], "lemon")).toBe("contains");
  expect(of("citrus", ["lemon"], "orange")).toBe("clear");
  expect(of("plonkberries", [], "egg")).toBe("clear");
  expect(of("plonkberries", ["strawberries", "raspberries"], "strawberries")).toBe("contains");
  expect(of("plonkberries", ["something else again"], "egg")).toBe("unknown");
  expect(of("fructose", ["fruit", "honey"], "apple")).toBe("contains");
});

test("what a product goes by beside its name does not decide which food it is", () => {
  const jam = pantry.get("jam") as Ingredient;
  const of = (word: string, one: Ingredient) =>
    verdictOf(needing([need(word)]), one, { ...silent(jam.id, word), foods: [] });
  expect(of("strawberries", jam)).toBe("contains");
  const other = { ...jam, name: "Apricot jam" };
  expect(of("strawberries", other)).toBe("clear");
  expect(of("apricot", other)).toBe("contains");
  // "Jam" alone says too little: its fruit is asked about until the list was looked through for it.
  expect(verdictOf(needing([need("strawberries")]), { ...jam, name: "Jam" }, silent(jam.id))).toBe("unknown");
});

describe("what comes of an animal that is not named", () => {
  const topping = pantry.get("marshmallow-topping") as Ingredient;
  const has = (...contains: LabelReading["contains"]) => ({ ...silent(topping.id), contains });
  const avoiding = (substance: "pork" | "beef" | "meat" | "fish") =>
    needing([{ kind: "substance", substance, severity: "choice", touchOrAir: false, note: "" }]);
  const faith = needing([{ kind: "diet", diet: "faith", note: "" }]);
  test("is unknown for whoever avoids one", () => {
    for (const one of ["pork", "beef", "meat", "fish"] as const)
      expect(verdictOf(avoiding(one), topping, has())).toBe("unknown");
    const cheese = { ...(pantry.get("hard-cheese") as Ingredient), id: "own-cheese" };
    for (const one of ["pork", "beef", "meat"] as const)
      expect(verdictOf(avoiding(one), cheese, { ...silent(cheese.id), contains: ["milk", "rennet"] })).toBe("unknown");
    const pastry = { ...topping, id: "pastry", contains: [] };
    expect(verdictOf(avoiding("pork"), pastry, { ...silent("pastry"), contains: ["lard"] })).toBe("unknown");
    expect(verdictOf(avoiding("meat"), pastry, { ...silent("pastry"), contains: ["lard"] })).toBe("contains");
  });
  test("is that animal where it is named beside it", () => {
    expect(verdictOf(avoiding("beef"), topping, has("gelatine", "beef"))).toBe("contains");
    expect(verdictOf(avoiding("fish"), topping, has("gelatine", "fish"))).toBe("contains");
    expect(verdictOf(avoiding("fish"), topping, has("gelatine", "beef"))).toBe("clear");
  });
  test("and a faith is asked about carmine and shellac", () => {
    const sprinkles = pantry.get("sprinkles") as Ingredient;
    for (const one of ["carmine", "shellac"] as const)
      expect(verdictOf(faith, sprinkles, { ...silent(sprinkles.id), contains: [one] })).toBe("unknown");
  });
});

test("lupin is a question to whoever is allergic to peanut", () => {
  const flour = pantry.get("gluten-free-flour") as Ingredient;
  const label = { ...silent(flour.id), contains: ["lupin" as const] };
  const avoiding = (severity: "allergy" | "choice") =>
    needing([{ kind: "substance", substance: "peanut", severity, touchOrAir: false, note: "" }]);
  expect(verdictOf(avoiding("allergy"), flour, label)).toBe("unknown");
  expect(verdictOf(avoiding("choice"), flour, label)).toBe("clear");
});
