import fc from "fast-check";
import { type Ratio, isSame, one, ratio, writeRatio, inPieces } from "~/core/quantity";
import { starterRecipes } from "~/demo/recipes";
import { canonical } from "~/core/plan";
import { toPlain } from "~/formats/class-file";
import { recipeSchema } from "~/formats/recipe-schema";
import { recipes } from "../../../test/recipes";
import { amountText, compareRecipes } from "./compare";
import { draftOf, emptyDraft, emptyLine } from "./draft";
import { type RecipeDraft, keepsFromSaving } from "./draft-types";
import { readDraft } from "./read-draft";
import { kindOfTyped, usualCooking, withFamily, withStepKind } from "./draft-changes";
import { applyEdit, applyEdits } from "./edits";
import { familyFacts } from "./families";
import { familyHeat, freshStepId, stepTemplate } from "./templates";
import { type Recipe, families } from "./types";

const [pancakes] = starterRecipes;
if (!pancakes) throw new Error("the starter recipes are gone");
const plain = (recipe: Recipe) => canonical(toPlain(recipe));

test("a recipe goes into the editor and comes out as it was, with either decimal mark", () => {
  fc.assert(
    fc.property(recipes, fc.constantFrom("." as const, "," as const), (recipe, decimalMark) => {
      const { recipe: back, problems } = readDraft(draftOf(recipe, { decimalMark }), recipe);
      expect(problems.filter((problem) => problem.code !== "no-lines")).toEqual([]);
      expect(plain(back)).toBe(plain(recipe));
    }),
    { numRuns: 200 },
  );
});

test("whatever is typed into a draft it is read without throwing, and what can be kept fits the schema", () => {
  const anyText = fc.oneof(
    fc.string({ maxLength: 12 }),
    fc.constantFrom("1 1/2 cups", "8 oz", "200 g", "", "many", "-3", "1/0"),
  );
  fc.assert(
    fc.property(
      fc.constantFrom(...starterRecipes),
      anyText,
      anyText,
      fc.nat({ max: 9 }),
      fc.constantFrom("exact", "range", "top-up", "hold-back", "packs", "unknown" as const),
      (recipe, a, b, at, kind) => {
        const draft = draftOf(recipe);
        const typed: RecipeDraft = {
          ...draft,
          restMin: b,
          portion: a,
          lines: draft.lines.map((line, index) =>
            index === at ? { ...line, amount: a, second: b, kind: kind as "exact" } : line,
          ),
        };
        const read = readDraft(typed, recipe);
        if (!read.problems.some((problem) => keepsFromSaving.includes(problem.code)))
          expect(() => recipeSchema.parse(toPlain(read.recipe))).not.toThrow();
      },
    ),
    { numRuns: 400 },
  );
});

test("an amount that asks stays open, keeps its words, and does not stop anybody from keeping the draft", () => {
  const draft = draftOf(pancakes);
  const typed = {
    ...draft,
    lines: draft.lines.map((line) => (line.id === "flour" ? { ...line, amount: "8 oz" } : line)),
  };
  const { recipe, problems } = readDraft(typed, pancakes);
  expect(recipe.lines.find((line) => line.id === "flour")?.amount).toEqual({ kind: "unknown", said: "8 oz" });
  expect(problems).toEqual([expect.objectContaining({ code: "amount-asks", path: "lines.flour.amount" })]);
  expect(problems.some((problem) => keepsFromSaving.includes(problem.code))).toBe(false);
});

test.each<[string, (draft: RecipeDraft) => RecipeDraft]>([
  ["title-missing", (draft) => ({ ...draft, title: " " })],
  ["system-open", (draft) => ({ ...draft, system: "" })],
  ["no-lines", (draft) => ({ ...draft, lines: [] })],
  ["ingredient-open", (draft) => ({ ...draft, lines: [...draft.lines, emptyLine("more")] })],
  ["number", (draft) => ({ ...draft, surfaceFrom: "hot" })],
  ["span-order", (draft) => ({ ...draft, side1: { low: "4", likely: "3", high: "2" } })],
  [
    "share",
    (draft) => ({
      ...draft,
      steps: draft.steps.map((step, index) =>
        index === 0 ? { ...step, draws: [{ lineId: "flour", share: "some" }] } : step,
      ),
    }),
  ],
  ["surface-missing", (draft) => ({ ...draft, surfaceKinds: [] })],
  [
    "wrong-order",
    (draft) => ({
      ...draft,
      lines: draft.lines.map((line) => (line.id === "milk" ? { ...line, second: "1/2 cup" } : line)),
    }),
  ],
  [
    "different-units",
    (draft) => ({
      ...draft,
      lines: draft.lines.map((line) => (line.id === "milk" ? { ...line, second: "300 ml" } : line)),
    }),
  ],
])("%s keeps a draft from being kept, and says where", (code, spoil) => {
  const { problems } = readDraft(spoil(draftOf(pancakes)), pancakes);
  expect(problems.map((problem) => problem.code)).toContain(code);
  expect(keepsFromSaving).toContain(code);
});

test("an empty draft of every family has its heat, cues and portion, and asks only for name, cups and lines", () => {
  for (const family of families) {
    const { problems, recipe } = readDraft(emptyDraft(family), { id: "new", revision: 1 });
    expect(problems.map((problem) => problem.code).sort()).toEqual(["no-lines", "system-open", "title-missing"]);
    expect(recipe.heat).toEqual(familyHeat(family));
    expect(familyFacts[family].looseness.from).toBeLessThan(familyFacts[family].looseness.to);
  }
});

describe("edits", () => {
  const drawn = (recipe: Recipe, lineId: string): Ratio =>
    recipe.steps
      .flatMap((step) => step.draws)
      .filter((draw) => draw.lineId === lineId)
      .reduce(
        (sum, draw) => ratio(sum.num * draw.share.den + draw.share.num * sum.den, sum.den * draw.share.den),
        ratio(0n),
      );

  test("levelling the shares of a line makes them one, whatever they were", () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.bigInt(1n, 9n), fc.bigInt(1n, 9n)), { minLength: 1, maxLength: 3 }),
        (shares) => {
          const recipe = shares.reduce((so, [num, den], index) => {
            const stepId = so.steps[index]?.id ?? "";
            return applyEdit(so, { kind: "draw", stepId, lineId: "salt", share: ratio(num, den) });
          }, pancakes);
          expect(isSame(drawn(applyEdit(recipe, { kind: "level-shares", lineId: "salt" }), "salt"), one)).toBe(true);
        },
      ),
    );
  });

  test("a line taken off the list goes from steps and variants too", () => {
    const without = applyEdit(pancakes, { kind: "remove-line", lineId: "milk" });
    expect(without.lines.some((line) => line.id === "milk")).toBe(false);
    expect(drawn(without, "milk").num).toBe(0n);
    expect(without.variants.flatMap((variant) => variant.swaps.map((swap) => swap.lineId))).not.toContain("milk");
  });

  test("what names a line or step that is not there changes nothing", () => {
    const edits = [
      { kind: "set-ingredient", lineId: "ghost", ingredientId: "egg" },
      { kind: "draw", stepId: "ghost", lineId: "milk", share: one },
      { kind: "put-back-caution", stepId: "ghost", hazard: "steam" },
      { kind: "unmention", stepId: "ghost", ingredientId: "egg" },
    ] as const;
    expect(plain(applyEdits(pancakes, edits))).toBe(plain(pancakes));
  });

  test("a template brings the caution its heat needs and an id of its own", () => {
    const cook = stepTemplate("cook", pancakes);
    expect(cook.hazards).toContain("hot-surface");
    expect(pancakes.steps.map((step) => step.id)).not.toContain(cook.id);
    expect(freshStepId(pancakes, "heat")).toBe("heat-2");
    expect(stepTemplate("cook", { steps: [], heat: familyHeat("oven-puffed") })).toMatchObject({
      who: "adult",
      hazards: ["oven-dish"],
    });
  });
});

test("a changed family takes its heat along where that was the old one's usual, and leaves what the author has set", () => {
  for (const from of families)
    for (const to of families) {
      const draft = emptyDraft(from);
      expect({ ...draft, ...withFamily(draft, to) }).toMatchObject({ family: to, ...usualCooking(to) });
      const own = { ...draft, surfaceFrom: "161", surfaceTo: "163" };
      expect(withFamily(own, to)).toEqual({ family: to });
    }
});

test("a step that becomes a rest or is served carries no burns, and what the author warned of stays", () => {
  const heat = familyHeat("pancake");
  const { recipe } = { recipe: draftOf({ ...pancakes, steps: [stepTemplate("cook", pancakes)] }) };
  const [cook] = recipe.steps;
  if (!cook) throw new Error("the step is gone");
  for (const kind of ["rest", "serve"] as const) {
    const changed = { ...cook, ...withStepKind(cook, kind, heat) };
    expect([changed.hazards, changed.tools]).toEqual([[], stepTemplate(kind, pancakes).tools]);
    expect(changed.minutes.likely).toBe(String(stepTemplate(kind, pancakes).minutes.likely));
    const warned = { ...cook, hazards: [...cook.hazards, "blades" as const] };
    expect(withStepKind(warned, kind, heat).hazards).toEqual(["blades"]);
    // And back: at the heat it is hot again.
    expect(withStepKind({ ...cook, ...changed }, "cook", heat).hazards).toEqual(cook.hazards);
  }
});

test("an open amount becomes one as soon as a figure with its unit is typed, and not before", () => {
  const open = { kind: "unknown" as const };
  expect(["2 tsp", "a couple tsp", "2", "some", "125 g"].map((text) => kindOfTyped(open, text, "us"))).toEqual([
    "exact",
    "unknown",
    "unknown",
    "unknown",
    "exact",
  ]);
  expect(kindOfTyped({ kind: "range" }, "2 tsp", "us")).toBe("range");
});

describe("two revisions compared", () => {
  test("a recipe differs from itself in nothing", () => {
    fc.assert(fc.property(recipes, (recipe) => expect(compareRecipes(recipe, recipe)).toEqual([])));
  });

  test("every kind of change is found where it is, and only there", () => {
    const after = applyEdits(pancakes, [
      { kind: "set-amount", lineId: "sugar", amount: { kind: "exact", amount: { value: ratio(2n), unit: "tbsp" } } },
      { kind: "remove-line", lineId: "syrup" },
      { kind: "adult-only", stepId: "cook" },
      { kind: "claim-pieces", pieces: inPieces(9) },
    ]);
    const found = compareRecipes(pancakes, after).map(({ where, id, field }) => `${where} ${id} ${field}`.trim());
    expect(found).toEqual(["recipe  claimed", "line sugar amount", "line syrup", "step cook who", "step serve draws"]);
  });

  test("amounts are written so that they can be told apart", () => {
    const texts = pancakes.lines.map((line) => amountText(line.amount));
    expect(texts).toContain("1 cup, up to 1 1/8 cups");
    expect(
      amountText({ kind: "packs", packs: ratio(3n, 2n), each: { value: ratio(25n), unit: "g" }, packName: "sachet" }),
    ).toBe(`${writeRatio(ratio(3n, 2n))} sachet of 25 g`);
  });
});
