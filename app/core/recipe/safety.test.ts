import { starterRecipes } from "~/demo/recipes";
import { coolDown, eggDoneC, holdColdC, holdHotC, reheatC, takeUpOf, takesUp } from "./safety";

test("hot is hotter than warm, cold colder, by every market's rules, and what is reheated is hotter than what is held", () => {
  for (const hot of Object.values(holdHotC)) {
    expect(hot).toBeGreaterThan(coolDown.warm.toC);
    expect(reheatC).toBeGreaterThan(hot);
    expect(eggDoneC).toBeGreaterThan(hot);
  }
  expect(holdHotC).toEqual({ us: 57, eu: 63, anz: 60 });
  expect([coolDown.cold.toC, coolDown.warm, coolDown.cold.withinMinutes, reheatC, eggDoneC]).toEqual([
    holdColdC,
    { toC: 21, withinMinutes: 120 },
    240,
    74,
    71,
  ]);
});

test("the thirstiest thing in a batter says how much of its liquid it takes up", () => {
  const [recipe] = starterRecipes;
  if (!recipe) throw new Error("the starter recipes are gone");
  const of = (id: string) =>
    takeUpOf({
      parts: recipe.parts,
      lines: recipe.lines.map((line) => (line.id === "flour" ? { ...line, ingredientId: id } : line)),
    });
  expect([of("plain-flour"), of("wholemeal-flour"), of("gluten-free-flour")]).toEqual([
    takesUp.wheat,
    takesUp.wholegrain,
    takesUp.glutenFree,
  ]);
});
