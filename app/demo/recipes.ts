import { z } from "zod";
import { recipeSchema } from "~/formats/class-file";
import type { Recipe } from "~/core/recipe";

/** Three recipes of our own, formulated from the ratios of their families; one each for a griddle, a pan and an iron. */
type Written = z.input<typeof recipeSchema>;

const slipwayPancakes: Written = {
  id: "slipway-pancakes", revision: 1, title: "Slipway pancakes", standing: "taught", family: "pancake", system: "us", fill: "spooned",
  intro: "Small, thick pancakes for the big griddle. Lumps in the batter are right: stir until the flour is wet, then stop.",
  lines: [
    { id: "flour", ingredientId: "plain-flour", amount: { kind: "exact", amount: "1 1/4 cup" }, bowl: "dry" },
    { id: "powder", ingredientId: "baking-powder", amount: { kind: "exact", amount: "2 tsp" }, bowl: "dry" },
    { id: "sugar", ingredientId: "sugar", amount: { kind: "exact", amount: "1 tbsp" }, bowl: "dry" },
    { id: "salt", ingredientId: "fine-salt", amount: { kind: "exact", amount: "1/4 tsp" }, bowl: "dry" },
    { id: "egg", ingredientId: "egg", amount: { kind: "exact", amount: "1 piece" }, bowl: "wet", note: "into its own cup first" },
    { id: "milk", ingredientId: "whole-milk", amount: { kind: "top-up", start: "1 cup", most: "1 1/8 cup" }, bowl: "wet", note: "the rest only if the spoon stands up" },
    { id: "butter", ingredientId: "butter", amount: { kind: "exact", amount: "2 tbsp" }, bowl: "wet", note: "melted, cooled" },
    { id: "grease", ingredientId: "sunflower-oil", amount: { kind: "per-load", amount: "1 tsp" }, bowl: "pan" },
    { id: "berries", ingredientId: "blueberries", amount: { kind: "per-piece", amount: "8 g" }, bowl: "topping", isOptional: true, note: "on the poured side" },
    { id: "syrup", ingredientId: "syrup", amount: { kind: "per-piece", amount: "2 tsp" }, bowl: "topping", isOptional: true },
  ],
  steps: [
    { id: "whisk-dry", kind: "mix", text: "Whisk flour, baking powder, sugar and salt in the big bowl with a dry whisk.", draws: [{ lineId: "flour" }, { lineId: "powder" }, { lineId: "sugar" }, { lineId: "salt" }], minutes: { low: 1, likely: 1.5, high: 3 }, tools: ["mixing-bowl", "whisk", "measuring-set"] },
    { id: "beat-wet", kind: "mix", text: "Crack the egg into its own cup. Beat it with the milk and the cooled butter in the small bowl.", draws: [{ lineId: "egg" }, { lineId: "milk" }, { lineId: "butter" }], minutes: { low: 1, likely: 2, high: 4 }, tools: ["small-bowl", "egg-cup", "fork", "jug"], hazards: ["raw-batter"] },
    { id: "join", kind: "mix", text: "Pour the wet bowl into the dry one. Twelve strokes with the spatula, lumps and all.", draws: [], minutes: { low: 0.5, likely: 1, high: 2 }, tools: ["spatula"] },
    { id: "heat", kind: "preheat", text: "Heat the griddle. A drop of water must dance before anyone pours.", draws: [], minutes: { low: 8, likely: 10, high: 15 }, hazards: ["hot-surface", "cords"], who: "adult" },
    { id: "cook", kind: "cook", text: "Grease thinly. Pour one ladle a piece, a hand's breadth apart. Drop berries on now. Turn once, when the bubbles stay open and the rim is dull.", draws: [{ lineId: "grease" }, { lineId: "berries" }], minutes: { low: 3, likely: 4, high: 6.5 }, tools: ["ladle", "turner", "tray", "brush"], hazards: ["hot-surface", "small-pieces"] },
    { id: "serve", kind: "serve", text: "Plate up, syrup at the table.", draws: [{ lineId: "syrup" }], minutes: { low: 1, likely: 2, high: 4 }, tools: ["plate"] },
  ],
  rest: { min: 5, max: 30, reason: "double-acting" },
  heat: { surfaceKinds: ["electric-griddle", "hob-pan", "cast-iron-pan"], surfaceC: { from: 175, to: 190 }, test: "water-beads", side1: { low: 2, likely: 2.5, high: 4 }, side2: { low: 1, likely: 1.5, high: 2.5 }, turnaround: 0.5, pourPerPiece: 0.1, recover: 0, cues: ["bubbles-stay-open", "dull-rim"] },
  portion: { kind: "ml", ml: 50 }, pieceDiameterCm: 10,
  variants: [
    { id: "no-milk", name: "Without milk", standing: "rehearsed", swaps: [{ lineId: "milk", ingredientId: "oat-drink" }, { lineId: "butter", ingredientId: "sunflower-oil", amount: { kind: "exact", amount: "1 3/4 tbsp" } }] },
  ],
};

const towpathCrepes: Written = {
  id: "towpath-crepes", revision: 1, title: "Towpath crepes", standing: "taught", family: "crepe", system: "metric", fill: "spooned",
  intro: "A thin batter that wants half an hour of peace, then a hot pan and a quick wrist.",
  lines: [
    { id: "flour", ingredientId: "plain-flour", amount: { kind: "exact", amount: "125 g" }, bowl: "dry" },
    { id: "salt", ingredientId: "fine-salt", amount: { kind: "exact", amount: "2 pinch" }, bowl: "dry" },
    { id: "eggs", ingredientId: "egg", amount: { kind: "exact", amount: "2 piece" }, bowl: "wet" },
    { id: "milk", ingredientId: "semi-skimmed-milk", amount: { kind: "top-up", start: "250 ml", most: "300 ml" }, bowl: "wet", note: "until it runs like cream" },
    { id: "butter", ingredientId: "butter", amount: { kind: "exact", amount: "20 g" }, bowl: "wet", note: "melted, cooled" },
    { id: "grease", ingredientId: "butter", amount: { kind: "per-load", amount: "3 g" }, bowl: "pan" },
    { id: "lemon", ingredientId: "lemon", amount: { kind: "per-piece", amount: "1/8 piece" }, bowl: "topping", isOptional: true },
    { id: "sugar", ingredientId: "sugar", amount: { kind: "to-taste" }, bowl: "topping", isOptional: true },
    { id: "spread", ingredientId: "chocolate-spread", amount: { kind: "per-piece", amount: "15 g" }, bowl: "topping", isOptional: true, note: "own spoon, stays at its own end of the table" },
  ],
  steps: [
    { id: "well", kind: "mix", text: "Flour and salt in the bowl, a well in the middle, eggs into the well.", draws: [{ lineId: "flour" }, { lineId: "salt" }, { lineId: "eggs" }], minutes: { low: 1, likely: 2, high: 4 }, tools: ["mixing-bowl", "whisk", "egg-cup", "measuring-set"], hazards: ["raw-batter"] },
    { id: "thin", kind: "mix", text: "Whisk from the middle, milk in a thin stream, then the butter. Smooth, no lumps.", draws: [{ lineId: "milk" }, { lineId: "butter" }], minutes: { low: 2, likely: 3, high: 6 }, tools: ["jug", "sieve"] },
    { id: "heat", kind: "preheat", text: "Heat the pan until butter foams and goes quiet.", draws: [], minutes: { low: 4, likely: 5, high: 8 }, hazards: ["hot-surface"], who: "adult" },
    { id: "cook", kind: "cook", text: "Wipe with butter. Ladle in, tilt and swirl at once. Turn when the edge browns and the crepe slides.", draws: [{ lineId: "grease" }], minutes: { low: 1, likely: 1.5, high: 2.5 }, tools: ["ladle", "turner", "brush", "towel"], hazards: ["hot-surface", "hot-fat"] },
    { id: "serve", kind: "serve", text: "Lemon and sugar, or the chocolate spread at its own end.", draws: [{ lineId: "lemon" }, { lineId: "sugar" }, { lineId: "spread" }], minutes: { low: 1, likely: 3, high: 6 }, tools: ["plate", "fork", "knife", "board"], hazards: ["blades"] },
  ],
  rest: { min: 30, max: 120, reason: "relax-gluten" },
  heat: { surfaceKinds: ["crepe-pan", "hob-pan"], surfaceC: { from: 180, to: 210 }, test: "butter-foams", side1: { low: 0.7, likely: 1, high: 1.5 }, side2: { low: 0.3, likely: 0.5, high: 0.8 }, turnaround: 0.5, pourPerPiece: 0.1, recover: 0, cues: ["brown-edge", "slides"] },
  portion: { kind: "ml", ml: 45 }, pieceDiameterCm: 22,
  variants: [],
};

const oarlockWaffles: Written = {
  id: "oarlock-waffles", revision: 1, title: "Oarlock waffles", standing: "rehearsed", family: "waffle", system: "metric", fill: "spooned",
  intro: "Crisp outside because of the oil, light because nobody stirs it twice.",
  lines: [
    { id: "flour", ingredientId: "plain-flour", amount: { kind: "exact", amount: "1 1/2 cup" }, bowl: "dry" },
    { id: "powder", ingredientId: "baking-powder", amount: { kind: "exact", amount: "2 1/2 tsp" }, bowl: "dry" },
    { id: "sugar", ingredientId: "sugar", amount: { kind: "exact", amount: "2 tbsp" }, bowl: "dry" },
    { id: "salt", ingredientId: "fine-salt", amount: { kind: "exact", amount: "1/2 tsp" }, bowl: "dry" },
    { id: "eggs", ingredientId: "egg", amount: { kind: "exact", amount: "2 piece" }, bowl: "wet" },
    { id: "milk", ingredientId: "semi-skimmed-milk", amount: { kind: "exact", amount: "1 1/3 cup" }, bowl: "wet" },
    { id: "oil", ingredientId: "sunflower-oil", amount: { kind: "exact", amount: "1/3 cup" }, bowl: "wet" },
    { id: "vanilla", ingredientId: "vanilla", amount: { kind: "exact", amount: "1 tsp" }, bowl: "wet", isOptional: true },
    { id: "spray", ingredientId: "pan-spray", amount: { kind: "per-load", amount: "2 spray" }, bowl: "pan" },
    { id: "jam", ingredientId: "jam", amount: { kind: "per-piece", amount: "15 g" }, bowl: "topping", isOptional: true },
  ],
  steps: [
    { id: "whisk-dry", kind: "mix", text: "Whisk flour, baking powder, sugar and salt.", draws: [{ lineId: "flour" }, { lineId: "powder" }, { lineId: "sugar" }, { lineId: "salt" }], minutes: { low: 1, likely: 1.5, high: 3 }, tools: ["mixing-bowl", "whisk", "measuring-set"] },
    { id: "beat-wet", kind: "mix", text: "Beat eggs, milk, oil and vanilla, then stir into the dry bowl until just wet.", draws: [{ lineId: "eggs" }, { lineId: "milk" }, { lineId: "oil" }, { lineId: "vanilla" }], minutes: { low: 1.5, likely: 3, high: 5 }, tools: ["small-bowl", "jug", "egg-cup", "fork"], hazards: ["raw-batter"] },
    { id: "heat", kind: "preheat", text: "Close the iron and heat it until its lamp says so.", draws: [], minutes: { low: 5, likely: 6, high: 9 }, hazards: ["hot-surface", "cords"], who: "adult" },
    { id: "cook", kind: "cook", text: "Spray away from flame, pour, close. Do not open while steam comes out.", draws: [{ lineId: "spray" }], minutes: { low: 3, likely: 4.5, high: 7 }, tools: ["ladle", "turner", "tray"], hazards: ["hot-surface", "steam", "spray-flame"] },
    { id: "serve", kind: "serve", text: "Jam at the table.", draws: [{ lineId: "jam" }], minutes: { low: 1, likely: 2, high: 4 }, tools: ["plate", "fork"] },
  ],
  rest: { min: 0, max: 30, reason: "double-acting" },
  heat: { surfaceKinds: ["waffle-iron"], surfaceC: { from: 190, to: 210 }, test: "lamp", side1: { low: 3, likely: 4.5, high: 7 }, side2: null, turnaround: 0.5, pourPerPiece: 0.25, recover: 1, cues: ["steam-stops"] },
  portion: { kind: "ml", ml: 105 }, pieceDiameterCm: 18,
  variants: [],
};

export const starterRecipes: readonly Recipe[] = [slipwayPancakes, towpathCrepes, oarlockWaffles].map((written) => recipeSchema.parse(written));
