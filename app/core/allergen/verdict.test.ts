import { type LabelReading, type Substance, starterPantry } from "~/core/pantry";
import type { Participant } from "~/core/people";
import { judgeItem, judgePlate } from "./verdict";

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
  expect(judgeItem(read, "water", pantry.get("water"), undefined).verdict).toBe("clear");
  expect(judgeItem({ ...read, isContested: true }, "water", pantry.get("water"), undefined).verdict).toBe("unknown");
  expect(judgePlate(open, [], pantry, new Map()).verdict).toBe("unknown");
});

test("honey is not for an infant, whatever was declared; a faith is asked about, not decided", () => {
  const infant = { ...person([]), ageBand: "under-1" as const };
  expect(judgeItem(infant, "syrup", pantry.get("syrup"), read("syrup", ["honey"])).verdict).toBe("contains");
  expect(judgeItem(infant, "syrup", pantry.get("syrup"), read("syrup", [], ["honey"])).verdict).toBe("contains");
  const faith = person([{ kind: "diet", diet: "faith", note: "" }]);
  expect(judgeItem(faith, "vanilla", pantry.get("vanilla"), read("vanilla", ["alcohol"]))).toMatchObject({
    verdict: "unknown",
    reasons: [{ why: "ask-about-faith", substance: "alcohol" }, {}, {}],
  });
});
