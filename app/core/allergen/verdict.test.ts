import { inGrams } from "~/core/quantity";
import { type LabelReading, type Substance, knownFood, starterPantry } from "~/core/pantry";
import type { Participant } from "~/core/people";
import { isCoeliacAsked, judgeItem, judgePlate } from "./verdict";

const pantry = new Map(starterPantry.map((one) => [one.id, one]));
const read = (ingredientId: string, contains: Substance[] = [], mayContain: Substance[] = []): LabelReading => ({
  ingredientId,
  product: "packet",
  contains,
  mayContain,
  readBy: "Tester",
  readOn: "2026-11-20",
});
const person = (needs: Participant["needs"], hasAnswered = true): Participant => ({
  id: "p",
  name: "P",
  role: "cook",
  ageBand: "adult",
  hasAnswered,
  needs,
});
const avoids = (
  substance: Substance,
  severity: "allergy" | "coeliac" | "intolerance" | "choice" | "rescue-medicine" = "allergy",
) => ({ kind: "substance" as const, substance, severity, touchOrAir: false, note: "" });
const verdict = (who: Participant, id: string, label?: LabelReading) =>
  judgeItem(who, id, pantry.get(id), label).verdict;

test.each([
  ["milk holds milk, read or not", avoids("milk"), "whole-milk", undefined, "contains"],
  ["a tin nobody read", avoids("gluten", "coeliac"), "baking-powder", undefined, "unknown"],
  ["a tin that was read and is silent", avoids("gluten", "coeliac"), "baking-powder", read("baking-powder"), "clear"],
  ["a whole egg has no label and no milk", avoids("milk"), "egg", undefined, "clear"],
  ["wheat is gluten", avoids("gluten", "coeliac"), "plain-flour", undefined, "contains"],
  ["barley on a label is not wheat", avoids("wheat"), "syrup", read("syrup", ["barley"]), "clear"],
  ["but an unnamed gluten may be wheat", avoids("wheat"), "syrup", read("syrup", ["gluten"]), "contains"],
  ["traces count for an allergy", avoids("almond"), "syrup", read("syrup", [], ["tree-nut"]), "contains"],
  [
    "traces warn for an intolerance",
    avoids("milk", "intolerance"),
    "syrup",
    read("syrup", [], ["milk"]),
    "may-contain",
  ],
  [
    "coconut is a question to who avoids tree nuts",
    avoids("tree-nut"),
    "coconut-drink",
    read("coconut-drink", ["coconut"]),
    "unknown",
  ],
  [
    "gelatine is no allergen but a vegetarian's business",
    { kind: "diet" as const, diet: "vegetarian" as const, note: "" },
    "marshmallow-topping",
    read("marshmallow-topping"),
    "contains",
  ],
  ["buckwheat is not wheat", avoids("wheat"), "buckwheat-flour", read("buckwheat-flour"), "clear"],
] as const)("%s", (_name, what, id, label, expected) => {
  expect(verdict(person([what]), id, label)).toBe(expected);
});

test("not answered is unknown for everything, even for water", () => {
  expect(verdict(person([], false), "water")).toBe("unknown");
  expect(judgePlate(person([], false), ["water", "egg"], pantry, new Map()).verdict).toBe("unknown");
});

test("a plate takes the gravest of its items, and a contained allergen outweighs an unread label", () => {
  const plate = judgePlate(person([avoids("egg")]), ["water", "baking-powder", "egg"], pantry, new Map());
  expect(plate.items.map((item) => item.verdict)).toEqual(["clear", "unknown", "contains"]);
  expect(plate.verdict).toBe("contains");
});

test("free words nobody has read, and a second answer nobody has compared, leave everything unknown", () => {
  const open = { ...person([]), words: { text: "careful with bits", readBy: null } };
  expect(judgeItem(open, "water", pantry.get("water"), undefined)).toMatchObject({
    verdict: "unknown",
    reasons: [{ why: "words-not-read" }],
  });
  const read = { ...open, words: { text: "careful with bits", readBy: "Lead" } };
  // "Read" without a need, and without anybody's word that there is none, leaves it as open as before.
  expect(judgeItem(read, "water", pantry.get("water"), undefined).verdict).toBe("unknown");
  const signed = { ...open, words: { text: "careful with bits", readBy: "Lead", isNothing: true } };
  expect(judgeItem(signed, "water", pantry.get("water"), undefined).verdict).toBe("clear");
  expect(judgeItem({ ...signed, isContested: true }, "water", pantry.get("water"), undefined).verdict).toBe("unknown");
  expect(judgePlate(open, [], pantry, new Map()).verdict).toBe("unknown");
});

test("honey is not for an infant, whatever was declared; a faith is asked about, not decided", () => {
  const infant = { ...person([]), ageBand: "under-1" as const };
  expect(judgeItem(infant, "syrup", pantry.get("syrup"), read("syrup", ["honey"])).verdict).toBe("contains");
  expect(judgeItem(infant, "syrup", pantry.get("syrup"), read("syrup", [], ["honey"])).verdict).toBe("contains");
  const faith = person([{ kind: "diet", diet: "faith", note: "" }]);
  expect(judgeItem(faith, "vanilla", pantry.get("vanilla"), read("vanilla", ["alcohol"]))).toMatchObject({
    verdict: "unknown",
    reasons: expect.arrayContaining([{ why: "ask-about-faith", substance: "alcohol" }]),
  });
});

describe("what silence on a label means", () => {
  const us = (id: string, more: Partial<LabelReading> = {}): LabelReading => ({ ...read(id), market: "us", ...more });
  test.each([
    ["rye to coeliac disease under the US list", avoids("gluten", "coeliac"), us("syrup"), "unknown"],
    ["mustard under the US list", avoids("mustard"), us("syrup"), "unknown"],
    ["coconut anywhere", avoids("coconut"), read("syrup"), "unknown"],
    ["mustard under the EU list, which must name it", avoids("mustard"), read("syrup"), "clear"],
    ["pine nut, which the fourteen leave out", avoids("pine-nut"), read("syrup"), "unknown"],
    ["pine nut under the US list", avoids("pine-nut"), us("syrup"), "clear"],
    [
      "tree nuts on a European label in a class by the US list, whose tree nuts have the pine nut among them",
      avoids("tree-nut"),
      { ...read("syrup"), seenFrom: "us" as const },
      "unknown",
    ],
    ["tree nuts on that label by its own list", avoids("tree-nut"), read("syrup"), "clear"],
    ["what somebody looked for in the whole list", avoids("mustard"), us("syrup", { lookedFor: ["mustard"] }), "clear"],
    [
      "rennet in what nobody looked through",
      { kind: "diet" as const, diet: "vegan" as const, note: "" },
      read("syrup"),
      "unknown",
    ],
  ] as const)("%s", (_name, what, label, expected) => {
    expect(verdict(person([what]), "syrup", label)).toBe(expected);
  });
});

describe("a need for any food by its name", () => {
  const corn = { kind: "food" as const, food: "corn", severity: "allergy" as const, touchOrAir: false, note: "" };
  test.each([
    ["is what is made of it", "fine-cornmeal", undefined, "contains"],
    ["under its other names", "cornflour", read("cornflour"), "contains"],
    ["is not in another whole food", "egg", undefined, "clear"],
    ["may be in any packet nobody looked through", "baking-powder", read("baking-powder"), "unknown"],
    ["and is not where somebody did", "baking-powder", { ...read("baking-powder"), lookedFor: ["Corn"] }, "clear"],
    ["or is where the list names it", "syrup", { ...read("syrup"), foods: ["corn syrup"] }, "contains"],
  ] as const)("corn %s: %s", (_name, id, label, expected) => {
    expect(verdict(person([corn]), id, label)).toBe(expected);
  });

  test("banana, strawberry and cinnamon are found by name, in what is made of them too", () => {
    const of = (food: string) => person([{ ...corn, food }]);
    expect(verdict(of("bananas"), "banana")).toBe("contains");
    expect(verdict(of("strawberry"), "strawberries")).toBe("contains");
    expect(verdict(of("Cinnamon"), "mixed-spice")).toBe("contains");
    expect(verdict(of("pea"), "pear")).toBe("clear");
  });
});

describe("coeliac disease", () => {
  const coeliac = person([avoids("gluten", "coeliac")]);
  const claim = (id: string, contains: Substance[] = [], market: "eu" | "us" | "anz" = "eu") => ({
    ...read(id, contains),
    market,
    isGlutenFree: true,
  });
  test.each([
    ["a claim is enough under any list", "baking-powder", claim("baking-powder", [], "us"), "clear"],
    ["oats are asked about where so labelled", "oats", claim("oats"), "unknown"],
    ["and no where not", "oats", read("oats"), "contains"],
    [
      "and no in Australia and New Zealand, which call no oats gluten-free",
      "oats",
      claim("oats", [], "anz"),
      "contains",
    ],
    ["gluten-free wheat starch is asked about", "gluten-free-flour", claim("gluten-free-flour", ["wheat"]), "unknown"],
  ] as const)("%s", (_name, id, label, expected) => {
    expect(verdict(coeliac, id, label)).toBe(expected);
  });

  test("a claim clears nothing for a wheat allergy, and coeliac disease written down as wheat means gluten", () => {
    expect(verdict(person([avoids("wheat")]), "gluten-free-flour", claim("gluten-free-flour", ["wheat"]))).toBe(
      "contains",
    );
    const asWheat = person([avoids("wheat", "coeliac")]);
    expect(verdict(asWheat, "rye-flour", read("rye-flour"))).toBe("contains");
    expect(isCoeliacAsked(asWheat)).toBe(true);
    expect(isCoeliacAsked(coeliac)).toBe(false);
  });
});

test("a note on a need is unread words until somebody has read it", () => {
  const noted = person([{ ...avoids("milk"), note: "and something else" }]);
  expect(verdict(noted, "water")).toBe("unknown");
  expect(verdict(person([{ ...avoids("milk"), note: "and something else", noteReadBy: "Lead" }]), "water")).toBe(
    "clear",
  );
});

test("a whole food bought as a product of some name is unknown until its label is read", () => {
  const pack = {
    ingredientId: "egg",
    unitGrams: inGrams(500),
    unitsPerPack: 1,
    unitName: "carton",
    product: "Liquid egg",
  };
  const food = (labels: LabelReading[]) =>
    knownFood({ brief: { regime: "eu" }, pantry: starterPantry, labels, packs: [pack] });
  const judged = (labels: LabelReading[]) => {
    const { pantry: known, labels: inHand } = food(labels);
    return judgeItem(person([avoids("milk")]), "egg", known.get("egg"), inHand.get("egg")).verdict;
  };
  expect(judged([])).toBe("unknown");
  expect(judged([{ ...read("egg"), product: "Liquid egg" }])).toBe("clear");
});
