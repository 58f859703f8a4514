import { familyOfText, readRecipeText } from "./recipe-text";
import { starterPantry } from "~/core/pantry";
import { celsiusIn, stepsOfRow, toolsOfStep } from "./recipe-method";

const kindsAndWaits = (row: string) => stepsOfRow(row).map(({ kind, wait }) => [kind, wait?.low, wait?.high]);

test("every wait in a row is a step of its own, and the words stay in their order", () => {
  expect(kindsAndWaits("Whisk all the ingredients, rest for 30 minutes, and cook thin.")).toEqual([
    ["mix", undefined, undefined],
    ["rest", 30, 30],
    ["cook", undefined, undefined],
  ]);
  expect(stepsOfRow("Stir in the milk. Let it stand 10 to 15 min. Heat the griddle.").map((step) => step.text)).toEqual(
    ["Stir in the milk.", "Let it stand 10 to 15 min.", "Heat the griddle."],
  );
  expect(kindsAndWaits("Whisk, then chill 1 hour and then fry.")).toEqual([
    ["mix", undefined, undefined],
    ["rest", 60, 60],
    ["cook", undefined, undefined],
  ]);
});

test("a row without a wait stays one step", () => {
  expect(stepsOfRow("Whisk the eggs and then fold in the flour.")).toHaveLength(1);
  expect(stepsOfRow("Cook 2 minutes, turn, and cook 1 minute more.")).toHaveLength(1);
});

test("a range of heat keeps both its ends, in either scale", () => {
  expect(celsiusIn("Heat the griddle to 350–375 F.")).toEqual({ from: 177, to: 191 });
  expect(celsiusIn("Heat to 350°F to 375°F.")).toEqual({ from: 177, to: 191 });
  expect(celsiusIn("Cook at 175-190 °C.")).toEqual({ from: 175, to: 190 });
  expect(celsiusIn("Bake at 220 C (428 F) for 18 minutes.")).toEqual({ from: 220, to: 220 });
  expect(celsiusIn("Set it to 375 degrees.")).toEqual({ from: 191, to: 191 });
});

test("the heat that keeps things warm is not the pan's", () => {
  expect(celsiusIn("Fry until golden. Keep warm in a 200 F oven.")).toBeUndefined();
  expect(celsiusIn("Keep warm at 95 °C. Cook the next on a griddle at 180 °C.")).toEqual({ from: 180, to: 180 });
  expect(celsiusIn("Cut into 30 pieces of 12 cm.")).toBeUndefined();
});

test("a step's tools are what it says and what its family always takes", () => {
  expect(toolsOfStep("Grate the courgettes and chop the onion.", "prepare", "fritter")).toEqual([
    "grater",
    "knife",
    "board",
  ]);
  expect(toolsOfStep("Bake for 18 minutes.", "cook", "oven-puffed")).toEqual(["oven-dish", "oven-gloves"]);
  expect(toolsOfStep("Sift the flour and fold it in.", "mix", "pancake")).toEqual([
    "mixing-bowl",
    "whisk",
    "towel",
    "sieve",
    "spatula",
  ]);
});

test("a pasted recipe brings bowl, cloth, tools at the heat and something to eat from, whatever its words", () => {
  const text =
    "Jetty waffles\n200 g plain flour\n300 ml whole milk\n2 eggs\nMethod\n1. Mix it all.\n2. Bake in the iron.";
  expect(familyOfText(text)).toBe("waffle");
  const { draft } = readRecipeText(text, { pantry: starterPantry, system: "metric" });
  expect([...new Set(draft.steps.flatMap((step) => step.tools))].sort()).toEqual(
    ["mixing-bowl", "whisk", "towel", "ladle", "fork", "plate"].sort(),
  );
});
