import fc from "fast-check";
import { afterStanding, likenessOf, likenesses } from "./likeness";
import { familyFacts, takesUpMinutes } from "~/core/recipe";
import { starterRecipes } from "~/demo/recipes";

const [recipe] = starterRecipes;

test("the looser a batter, the thinner it falls; each likeness is reached", () => {
  const seen = new Set<string>();
  fc.assert(
    fc.property(
      fc.double({ min: 0.5, max: 5, noNaN: true }),
      fc.double({ min: 0, max: 2, noNaN: true }),
      (loose, more) => {
        const [thick, thin] = [likenessOf(loose), likenessOf(loose + more)];
        seen.add(thick);
        expect(likenesses.indexOf(thin)).toBeGreaterThanOrEqual(likenesses.indexOf(thick));
      },
    ),
    { numRuns: 400 },
  );
  expect([...seen].sort()).toEqual([...likenesses].sort());
});

test("in the middle of their bands a pancake's batter ribbons, a crepe's runs like cream, a drop pancake's falls in clots", () => {
  const middle = (family: keyof typeof familyFacts) =>
    likenessOf((familyFacts[family].looseness.from + familyFacts[family].looseness.to) / 2);
  expect([middle("pancake"), middle("crepe"), middle("drop"), middle("oven-puffed")]).toEqual([
    "ribbons",
    "cream",
    "clots",
    "milk",
  ]);
});

test("standing thickens, by what the flour takes up and no more", () => {
  if (!recipe) throw new Error("no recipe");
  expect(afterStanding(2, 0, recipe)).toBe(2);
  // Wheat: 3 to 6 in a hundred, the middle of which is 4.5.
  expect(afterStanding(2, takesUpMinutes, recipe)).toBeCloseTo(1.91, 6);
  expect(afterStanding(2, 600, recipe)).toBe(afterStanding(2, takesUpMinutes, recipe));
  const wholemeal = {
    parts: recipe.parts,
    lines: recipe.lines.map((line) => ({ ...line, ingredientId: "wholemeal-flour" })),
  };
  expect(afterStanding(2, 30, wholemeal)).toBeCloseTo(1.85, 6);
});

test("half the time takes up half of it", () => {
  if (!recipe) throw new Error("no recipe");
  const whole = 2 - afterStanding(2, takesUpMinutes, recipe);
  expect(2 - afterStanding(2, takesUpMinutes / 2, recipe)).toBeCloseTo(whole / 2, 6);
  expect(2 - afterStanding(2, takesUpMinutes / 5, recipe)).toBeCloseTo(whole / 5, 6);
});
