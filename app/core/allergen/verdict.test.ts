import fc from "fast-check";
import { type Ingredient, type LabelReading, type Substance, diets, starterPantry, substances } from "~/core/pantry";
import type { Participant } from "~/core/people";
import { labels, need } from "../../../test/generators";
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

/** The rules of the domain once more, written the slow and plain way: every pair looked at, nothing shared with the code under test. */
function oracle(who: Participant, one: Ingredient, label: LabelReading | undefined): string {
  if (!who.hasAnswered) return "unknown";
  const gluten = ["wheat", "rye", "barley", "oats"];
  const nuts = ["almond", "hazelnut", "walnut", "cashew", "pecan", "brazil-nut", "pistachio", "macadamia"];
  const touches = (declared: string, avoided: string) =>
    declared === avoided ||
    (avoided === "gluten" && gluten.includes(declared)) ||
    (declared === "gluten" && gluten.includes(avoided)) ||
    (avoided === "tree-nut" && nuts.includes(declared)) ||
    (declared === "tree-nut" && nuts.includes(avoided));
  const pairs = who.needs.flatMap((want) =>
    want.kind === "diet"
      ? diets[want.diet].map((substance) => [substance as string, false] as const)
      : [[want.substance as string, ["rescue-medicine", "allergy", "coeliac"].includes(want.severity)] as const],
  );
  let worst = "clear";
  const rank = ["clear", "may-contain", "unknown", "contains"];
  for (const [avoided, strict] of pairs) {
    let now = one.label === "whole" || label ? "clear" : "unknown";
    const coconut = [...one.contains, ...(label?.contains ?? []), ...(label?.mayContain ?? [])].includes("coconut");
    if (coconut && (avoided === "tree-nut" || nuts.includes(avoided))) now = "unknown";
    if (label?.mayContain.some((declared) => touches(declared, avoided))) now = strict ? "contains" : "may-contain";
    if (
      label?.contains.some((declared) => touches(declared, avoided)) ||
      one.contains.some((declared) => touches(declared, avoided))
    )
      now = "contains";
    if (rank.indexOf(now) > rank.indexOf(worst)) worst = now;
  }
  return worst;
}

test("agrees with the rules written out plainly, on random people, labels and ingredients: no false clear, no false alarm", () => {
  const who = fc
    .record({ hasAnswered: fc.boolean(), needs: fc.array(need, { maxLength: 4 }) })
    .map(({ hasAnswered, needs }) => person(hasAnswered ? needs : [], hasAnswered));
  fc.assert(
    fc.property(who, labels, fc.constantFrom(...starterPantry), (someone, stickers, ingredient) => {
      const label = stickers.find((one) => one.ingredientId === ingredient.id);
      expect(judgeItem(someone, ingredient.id, ingredient, label).verdict).toBe(oracle(someone, ingredient, label));
    }),
    { numRuns: 5000 },
  );
  expect(substances.length).toBeGreaterThan(20);
});
