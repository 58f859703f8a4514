import { leaveningOf } from "./leavening";
import { starterPantry } from "~/core/pantry";
import { type Amount, ratio, inPieces, inMillilitres, inMinutes } from "~/core/quantity";
import { type Line, type Recipe, type Step, applyEdits, checkRecipe, familyFacts } from "~/core/recipe";
import { starterRecipes } from "~/demo/recipes";
import fc from "fast-check";
import { recipes } from "../../../test/recipes";
import { type Pantry, batterOf, yieldOf } from "./batter";
import { checkBatter } from "./checks";
import { usualWindow } from "./checks/window";
import { remediesFor } from "./remedies";
import type { AnyRecipeFinding } from "./types";

const pantry: Pantry = new Map(starterPantry.map((one) => [one.id, one]));
const [pancakes, crepes] = starterRecipes;
if (!pancakes || !crepes) throw new Error("the starter recipes are gone");

const exact = (num: bigint, unit: Amount["unit"], den = 1n) => ({
  kind: "exact" as const,
  amount: { value: ratio(num, den), unit },
});
const withLine = (recipe: Recipe, id: string, change: Partial<Line>): Recipe => ({
  ...recipe,
  lines: recipe.lines.map((line) => (line.id === id ? { ...line, ...change } : line)),
});
const without = (recipe: Recipe, ...ids: string[]): Recipe =>
  applyEdits(
    recipe,
    ids.map((lineId) => ({ kind: "remove-line", lineId })),
  );
const withStep = (recipe: Recipe, id: string, change: Partial<Step>): Recipe => ({
  ...recipe,
  steps: recipe.steps.map((step) => (step.id === id ? { ...step, ...change } : step)),
});
const findingsOf = (recipe: Recipe): AnyRecipeFinding[] => [...checkRecipe(recipe), ...checkBatter(recipe, pantry)];
const find = (recipe: Recipe, code: AnyRecipeFinding["code"]) =>
  findingsOf(recipe).find((finding) => finding.code === code);
const extra = (id: string, ingredientId: string, amount: Line["amount"]): Line => ({
  id,
  partId: null,
  ingredientId,
  amount,
  bowl: "dry",
  keeps: 1,
  isOptional: false,
  note: "",
});
const sauce = {
  id: "sauce",
  name: "Berry sauce",
  kind: "sauce",
  heat: "hob",
  minutes: { low: 3, likely: 5, high: 8 },
  makesGrams: null,
} as const;

/** For each check a recipe that it is about; for those with a way out, that taking it settles the finding. */
const wrong: readonly (readonly [AnyRecipeFinding["code"], Recipe])[] = [
  ["amount-unknown", withLine(pancakes, "sugar", { amount: { kind: "unknown", said: "some" } })],
  ["used-not-listed", withStep(pancakes, "join", { mentions: ["garlic"] })],
  [
    "wrong-twin",
    withStep(
      withStep(pancakes, "whisk-dry", {
        draws: [
          { lineId: "flour", share: ratio(1n) },
          { lineId: "sugar", share: ratio(1n) },
          { lineId: "salt", share: ratio(1n) },
        ],
      }),
      "join",
      { mentions: ["baking-soda"] },
    ),
  ],
  ["listed-not-used", withStep(pancakes, "serve", { draws: [] })],
  [
    "draws-unknown-line",
    withStep(pancakes, "serve", {
      draws: [
        { lineId: "syrup", share: ratio(1n) },
        { lineId: "ghost", share: ratio(1n) },
      ],
    }),
  ],
  ["shares-do-not-add-up", withStep(pancakes, "join", { draws: [{ lineId: "salt", share: ratio(1n, 2n) }] })],
  [
    "no-cook-step",
    {
      ...pancakes,
      steps: pancakes.steps.filter((step) => step.kind !== "cook"),
      lines: pancakes.lines.filter((line) => line.id !== "grease" && line.id !== "berries"),
    },
  ],
  ["caution-left-out", withStep(pancakes, "cook", { waived: [{ hazard: "bare-fingers", reason: "shown on video" }] })],
  ["adult-not-named", withStep(pancakes, "cook", { hazards: ["boiling-sauce"], who: "anyone" })],
  [
    "pack-size-missing",
    withLine(pancakes, "sugar", {
      amount: { kind: "packs", packs: ratio(1n), each: { value: ratio(1n), unit: "piece" }, packName: "sachet" },
    }),
  ],
  ["part-empty", { ...pancakes, parts: [sauce] }],
  [
    "part-without-step",
    {
      ...pancakes,
      parts: [sauce],
      lines: pancakes.lines.map((line) => (line.id === "syrup" ? { ...line, partId: "sauce" } : line)),
    },
  ],
  [
    "variant-without-line",
    {
      ...pancakes,
      variants: [{ id: "v", name: "Odd", standing: "draft", decidedAt: null, omit: ["ghost"], swaps: [], add: [] }],
    },
  ],
  ["units-mixed", withLine(pancakes, "flour", { amount: exact(150n, "g") })],
  [
    "soda-left-over",
    withLine(withLine(pancakes, "powder", { ingredientId: "baking-soda", amount: exact(1n, "tsp") }), "milk", {
      ingredientId: "buttermilk",
      amount: exact(1n, "cup"),
    }),
  ],
  ["soda-without-acid", withLine(pancakes, "powder", { ingredientId: "baking-soda", amount: exact(1n, "tsp", 2n) })],
  [
    "acid-without-soda",
    withLine(without(pancakes, "powder"), "milk", { ingredientId: "buttermilk", amount: exact(1n, "cup") }),
  ],
  ["powder-outside-band", withLine(pancakes, "powder", { amount: exact(5n, "tsp") })],
  ["leavener-missing", without(pancakes, "powder")],
  ["looseness-outside-band", withLine(pancakes, "milk", { amount: exact(3n, "cup") })],
  ["looseness-off-aim", { ...withLine(pancakes, "milk", { amount: exact(1n, "cup") }), aimedLooseness: 1.2 }],
  ["aim-outside-band", { ...pancakes, aimedLooseness: 3 }],
  ["density-unknown", withLine(pancakes, "butter", { amount: exact(2n, "piece") })],
  ["ceiling-passed", withLine(pancakes, "salt", { amount: exact(1n, "tbsp", 2n) })],
  ["yield-off", { ...pancakes, claimedPieces: inPieces(20) }],
  ["film-outside-band", { ...crepes, portion: { kind: "ml", ml: inMillilitres(20) }, claimedPieces: null }],
  ["window-missing", { ...pancakes, rest: { min: inMinutes(5), max: null, reason: "double-acting" } }],
  [
    "cue-not-visible",
    {
      ...withLine(pancakes, "sugar", { ingredientId: "cocoa" }),
      heat: { ...pancakes.heat, cues: ["brown-edge", "slides"] },
    },
  ],
  ["salt-depends-on-brand", withLine(pancakes, "salt", { ingredientId: "coarse-salt" })],
  ["main-amount-open", withLine(pancakes, "flour", { amount: { kind: "unknown", said: "some" } })],
  [
    "pan-fat-not-said",
    { ...without(pancakes, "grease"), steps: pancakes.steps.map((step) => ({ ...step, text: "Do it." })) },
  ],
  ["thirsty-flour", withLine(pancakes, "flour", { ingredientId: "wholemeal-flour", amount: exact(150n, "g") })],
  [
    "variant-without-flour",
    {
      ...pancakes,
      variants: [{ id: "v", name: "Nothing", standing: "draft", decidedAt: null, omit: ["flour"], swaps: [], add: [] }],
    },
  ],
  ["heat-of-another-family", { ...pancakes, family: "waffle" }],
  ["test-not-for-heat", { ...pancakes, heat: { ...pancakes.heat, test: "butter-foams" } }],
];

test("the starter recipes have nothing to say against them", () => {
  for (const recipe of starterRecipes) expect(findingsOf(recipe)).toEqual([]);
});

test.each(wrong)("%s is found, and each way out that is offered settles it", (code, recipe) => {
  const finding = find(recipe, code);
  expect(finding?.code).toBe(code);
  if (!finding) return;
  for (const remedy of remediesFor(finding, recipe, pantry)) {
    const mended = applyEdits(recipe, remedy.edits);
    const still = findingsOf(mended).filter(
      (one) => one.code === code && JSON.stringify(one, text) === JSON.stringify(finding, text),
    );
    expect([remedy.code, still]).toEqual([remedy.code, []]);
  }
});
const text = (_key: string, value: unknown) => (typeof value === "bigint" ? String(value) : value);

test("most findings can be mended by the program, the rest are questions only the author can answer", () => {
  const open = wrong.filter(([code, recipe]) => {
    const finding = find(recipe, code);
    return finding && remediesFor(finding, recipe, pantry).length === 0;
  });
  expect(open.map(([code]) => code).sort()).toEqual([
    "aim-outside-band",
    "amount-unknown",
    "density-unknown",
    "main-amount-open",
    "pack-size-missing",
    "salt-depends-on-brand",
    "thirsty-flour",
    "units-mixed",
    "variant-without-flour",
  ]);
});

test("half a cup of salt is refused, a spoon too many is warned of, the usual is neither", () => {
  const level = (amount: Line["amount"]) => find(withLine(pancakes, "salt", { amount }), "ceiling-passed")?.level;
  expect([level(exact(1n, "cup", 2n)), level(exact(3n, "tsp", 2n)), level(exact(1n, "tsp", 4n))]).toEqual([
    "blocks",
    "warns",
    undefined,
  ]);
});

test("crepes and oven-puffed pancakes need no leavener; yeast and a bought mix bring their own", () => {
  expect(find(crepes, "leavener-missing")).toBeUndefined();
  const raised = {
    ...without(pancakes, "powder"),
    lines: [...without(pancakes, "powder").lines, extra("yeast", "dried-yeast", exact(1n, "tsp"))],
  };
  expect(find(raised, "leavener-missing")).toBeUndefined();
  expect(usualWindow(raised, pantry).min).toBeGreaterThan(30);
  expect(
    find(withLine(without(pancakes, "powder"), "flour", { ingredientId: "self-raising-flour" }), "leavener-missing"),
  ).toBeUndefined();
});

test("the window follows the leavener: soda the shortest, powder longer, nothing at all a rest", () => {
  expect(usualWindow(pancakes, pantry)).toMatchObject({ max: 30, reason: "double-acting" });
  expect(usualWindow(withLine(pancakes, "powder", { ingredientId: "baking-soda" }), pantry)).toMatchObject({
    max: 15,
    reason: "soda-and-acid",
  });
  expect(usualWindow(without(pancakes, "powder"), pantry)).toMatchObject({ min: inMinutes(30), max: null });
});

test("no recipe of any shape makes the checks or their remedies throw", () => {
  fc.assert(
    fc.property(recipes, (recipe) => {
      for (const finding of findingsOf(recipe))
        for (const remedy of remediesFor(finding, recipe, pantry))
          expect(applyEdits(recipe, remedy.edits).id).toBe(recipe.id);
    }),
    { numRuns: 300 },
  );
});

test("soda without acid offers soured milk, with as much soda as its acid takes", () => {
  const flat = withLine(pancakes, "powder", { ingredientId: "baking-soda", amount: exact(1n, "tsp", 2n) });
  const finding = find(flat, "soda-without-acid");
  const remedy = finding && remediesFor(finding, flat, pantry).find((one) => one.code === "sour-the-milk");
  const mended = applyEdits(flat, remedy?.edits ?? []);
  expect(mended.lines.find((line) => line.id === "milk")?.ingredientId).toBe("soured-milk");
  expect(findingsOf(mended).filter((one) => one.code.startsWith("soda"))).toEqual([]);
});

test("a batch without a known main amount makes what the recipe claims, not what is left of it", () => {
  const open = {
    ...withLine(pancakes, "flour", { amount: { kind: "unknown", said: "some" } as const }),
    claimedPieces: inPieces(12),
  };
  expect(yieldOf(open, batterOf(open, pantry), 2)).toEqual({ pieces: inPieces(24), from: { kind: "claim" } });
  // A pinch that nobody knows changes nothing about how much batter there is.
  const pinch = withLine(pancakes, "salt", { amount: { kind: "unknown", said: "some" } });
  expect(yieldOf(pinch, batterOf(pinch, pantry)).from.kind).toBe("ml");
});

test("a batter that is not as loose as its author aims at is brought there by its liquid, as near as it can be measured", () => {
  const { from, to } = familyFacts[pancakes.family].looseness;
  for (const aimedLooseness of [from, (from + to) / 2, to]) {
    const aimed = { ...withLine(pancakes, "milk", { amount: exact(1n, "cup") }), aimedLooseness };
    const finding = find(aimed, "looseness-off-aim");
    const [remedy] = finding ? remediesFor(finding, aimed, pantry) : [];
    const mended = applyEdits(aimed, remedy?.edits ?? []);
    expect(Math.abs((batterOf(mended, pantry).looseness ?? 0) - aimedLooseness)).toBeLessThanOrEqual(
      aimedLooseness * 0.1,
    );
    expect(find(mended, "looseness-off-aim")).toBeUndefined();
  }
});

test("a pour that does not cover its piece is told how thick it lies, within the band it is not", () => {
  fc.assert(
    fc.property(fc.integer({ min: 5, max: 300 }), fc.integer({ min: 5, max: 40 }), (ml, cm) => {
      const recipe: Recipe = {
        ...crepes,
        portion: { kind: "ml", ml: inMillilitres(ml) },
        pieceDiameterCm: cm,
        claimedPieces: null,
      };
      const finding = find(recipe, "film-outside-band");
      const millimetres = (ml * 1000) / (Math.PI * (cm * 5) ** 2);
      const isInside = millimetres >= 1.2 * 0.6 && millimetres <= 1.2 * 1.7;
      expect(finding === undefined).toBe(isInside);
      if (finding?.code === "film-outside-band") expect(finding.millimetres).toBeCloseTo(millimetres, 6);
    }),
  );
  // A waffle is as thick as its iron.
  expect(
    find({ ...crepes, family: "waffle", portion: { kind: "ml", ml: inMillilitres(5) } }, "film-outside-band"),
  ).toBeUndefined();
});

test("what is only a little sour is nobody's acid: brown sugar beside soda is none, buttermilk is", () => {
  const acidOf = (ingredientId: string) => {
    const [liquid] = pancakes.lines.filter((line) => pantry.get(line.ingredientId)?.role === "liquid");
    if (!liquid) throw new Error("a liquid");
    const lines = pancakes.lines.map((line) => (line === liquid ? { ...line, ingredientId } : line));
    return leaveningOf({ ...pancakes, lines }, pantry).acid?.ingredientId;
  };
  expect([acidOf("brown-sugar"), acidOf("honey"), acidOf("buttermilk"), acidOf("soured-cream")]).toEqual([
    undefined,
    undefined,
    "buttermilk",
    "soured-cream",
  ]);
});
