import { familyOfText, readRecipeText } from "./recipe-text";
import { starterPantry } from "~/core/pantry";
import { celsiusIn, cuesIn, sidesIn, stepsOfRow, toolsOfStep } from "./recipe-method";

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

describe("a cooking paragraph is read into what it goes through", () => {
  const kinds = (row: string) => stepsOfRow(row).map(({ kind }) => kind);
  test.each([
    [
      "Heat a griddle over medium heat. Pour 1/4 cup of batter for each pancake. Cook two minutes, flip, and cook one minute more.",
      ["preheat", "cook"],
    ],
    [
      "Heat a lightly oiled frying pan over medium-high heat. Pour or scoop the batter onto the pan, about 60 ml for each. Brown on both sides and serve hot.",
      ["preheat", "cook", "serve"],
    ],
    [
      "Set a non-stick pan over a medium heat and brush with a little oil. Ladle in some batter, tilting the pan. Cook for 1 minute until the edges lift, then flip and cook the other side for 30 seconds.",
      ["preheat", "cook"],
    ],
    [
      "Preheat the waffle iron. Spoon batter into the iron, close the lid and bake 4-5 minutes until the steam stops. Keep warm on a rack.",
      ["preheat", "cook", "hold"],
    ],
    [
      "Put a large skillet on the hob. When it is hot, add a knob of butter. Drop tablespoons of batter into the pan. When bubbles form, turn them over and fry for another minute.",
      ["preheat", "cook"],
    ],
    [
      "Mix everything. Let the batter rest for 20 minutes. Heat the pan, pour in a ladleful, and turn when the top is dull. Repeat with the rest of the batter.",
      ["mix", "rest", "preheat", "cook"],
    ],
    [
      "Heat oil in a deep frying pan. Fry spoonfuls of the mixture for 3 minutes a side until golden.",
      ["preheat", "cook"],
    ],
    [
      "Warm your crepe pan, wipe it with butter, pour in a little batter and swirl. Flip after a minute.",
      ["preheat", "cook"],
    ],
  ])("%s", (row, expected) => {
    expect(kinds(row)).toEqual(expected);
  });

  test("with its two sides and what is looked for", () => {
    expect(sidesIn("Cook 2 minutes, flip, and cook 1 minute more.")).toEqual({
      side1: { low: 2, high: 2 },
      side2: { low: 1, high: 1 },
    });
    expect(sidesIn("Fry for two to three minutes on each side.")).toEqual({
      side1: { low: 2, high: 3 },
      side2: { low: 2, high: 3 },
    });
    expect(sidesIn("Bake until puffed.")).toBeUndefined();
    expect(cuesIn("Cook until bubbles pop and stay open and the edges look dry, then flip until golden.")).toEqual([
      "bubbles-stay-open",
      "dry-sides",
      "golden-below",
    ]);
  });

  test("a whole text has its cooking step, its sides and its looks", () => {
    const text = `Pontoon cakes
200 g plain flour
2 tsp baking powder
300 ml whole milk
2 eggs
Method
Whisk the dry things, add the wet and stir until just combined.
Heat a griddle. Pour 60 ml of batter for each, cook two minutes until bubbles stay open, flip, and cook one minute more.`;
    const { draft } = readRecipeText(text, { pantry: starterPantry, system: "metric" });
    expect(draft.steps.map((step) => step.kind)).toEqual(["mix", "preheat", "cook"]);
    expect([draft.side1.likely, draft.side2.likely]).toEqual(["2", "1"]);
    expect(draft.cues).toContain("bubbles-stay-open");
  });
});
