import type { z } from "zod";
import { type Recipe, type Variant } from "~/core/recipe";
import { draftFor } from "~/core/plan";
import { type Substance, starterPantry } from "~/core/pantry";
import type { Participant } from "~/core/people";
import { recipeSchema } from "~/formats/recipe-schema";
import { starterRecipes } from "./recipes";

/**
 * A book to begin with: one recipe for each family, formulated from the ratios of the families, and free-from variants of the three
 * commonest. All are drafts until somebody has cooked them.
 */
type Written = z.input<typeof recipeSchema>;

const half = { low: 0.5, likely: 1, high: 2 } as const;

const mooringShapes: Written = {
  id: "mooring-shapes",
  revision: 1,
  title: "Mooring-line shapes",
  standing: "draft",
  family: "drawn",
  system: "metric",
  fill: "spooned",
  intro: "A batter thick enough to hold a line. Draw with a bottle, outlines first: what lies longest is darkest.",
  lines: [
    { id: "flour", ingredientId: "plain-flour", amount: { kind: "exact", amount: "150 g" }, bowl: "bowl" },
    { id: "powder", ingredientId: "baking-powder", amount: { kind: "exact", amount: "1 tsp" }, bowl: "bowl" },
    { id: "sugar", ingredientId: "sugar", amount: { kind: "exact", amount: "1 tbsp" }, bowl: "bowl" },
    { id: "salt", ingredientId: "fine-salt", amount: { kind: "exact", amount: "1 pinch" }, bowl: "bowl" },
    { id: "egg", ingredientId: "egg", amount: { kind: "exact", amount: "1 piece" }, bowl: "bowl" },
    { id: "milk", ingredientId: "whole-milk", amount: { kind: "exact", amount: "190 ml" }, bowl: "bowl" },
    { id: "grease", ingredientId: "sunflower-oil", amount: { kind: "per-load", amount: "1/2 tsp" }, bowl: "pan" },
  ],
  steps: [
    {
      id: "whisk",
      kind: "mix",
      text: "Whisk the dry things, then beat in egg and milk until no lump is left: a lump would block the bottle.",
      draws: [
        { lineId: "flour" },
        { lineId: "powder" },
        { lineId: "sugar" },
        { lineId: "salt" },
        { lineId: "egg" },
        { lineId: "milk" },
      ],
      minutes: { low: 2, likely: 3, high: 5 },
      tools: ["mixing-bowl", "whisk", "measuring-set", "egg-cup"],
      hazards: ["raw-batter"],
    },
    {
      id: "fill",
      kind: "prepare",
      text: "Fill the drawing bottle through the jug.",
      draws: [],
      minutes: half,
      tools: ["jug"],
    },
    {
      id: "heat",
      kind: "preheat",
      text: "Heat the griddle low.",
      draws: [],
      minutes: { low: 8, likely: 10, high: 15 },
      hazards: ["hot-surface", "cords"],
      who: "adult",
    },
    {
      id: "cook",
      kind: "cook",
      text: "Grease thinly. Draw the outline, wait, fill it in, and turn once when the top is dull.",
      draws: [{ lineId: "grease" }],
      minutes: { low: 3, likely: 4, high: 6 },
      tools: ["turner", "tray", "brush"],
      hazards: ["hot-surface"],
    },
  ],
  rest: { min: 0, max: 30, reason: "double-acting" },
  heat: {
    surfaceKinds: ["electric-griddle", "hob-pan"],
    surfaceC: { from: 135, to: 150 },
    test: "drop-steams",
    side1: { low: 2, likely: 2.5, high: 4 },
    side2: { low: 1, likely: 1, high: 2 },
    turnaround: 0.5,
    pourPerPiece: 0.5,
    recover: 0,
    cues: ["dull-rim"],
  },
  portion: { kind: "ml", ml: 25 },
  pieceDiameterCm: 9,
};

const slipRailDrops: Written = {
  id: "slip-rail-drops",
  revision: 1,
  title: "Slip-rail drop scones",
  standing: "draft",
  family: "drop",
  system: "metric",
  fill: "spooned",
  intro: "Small, thick, dropped from a spoon. The batter falls slowly and keeps its shape.",
  lines: [
    { id: "flour", ingredientId: "plain-flour", amount: { kind: "exact", amount: "200 g" }, bowl: "dry" },
    { id: "powder", ingredientId: "baking-powder", amount: { kind: "exact", amount: "2 tsp" }, bowl: "dry" },
    { id: "sugar", ingredientId: "sugar", amount: { kind: "exact", amount: "25 g" }, bowl: "dry" },
    { id: "salt", ingredientId: "fine-salt", amount: { kind: "exact", amount: "1/4 tsp" }, bowl: "dry" },
    { id: "egg", ingredientId: "egg", amount: { kind: "exact", amount: "1 piece" }, bowl: "wet" },
    { id: "milk", ingredientId: "whole-milk", amount: { kind: "exact", amount: "230 ml" }, bowl: "wet" },
    { id: "grease", ingredientId: "sunflower-oil", amount: { kind: "per-load", amount: "1/2 tsp" }, bowl: "pan" },
  ],
  steps: [
    {
      id: "dry",
      kind: "mix",
      text: "Stir flour, baking powder, sugar and salt.",
      draws: [{ lineId: "flour" }, { lineId: "powder" }, { lineId: "sugar" }, { lineId: "salt" }],
      minutes: { low: 1, likely: 1.5, high: 3 },
      tools: ["mixing-bowl", "whisk", "measuring-set"],
    },
    {
      id: "wet",
      kind: "mix",
      text: "Crack the egg into its own cup and beat it with the milk.",
      draws: [{ lineId: "egg" }, { lineId: "milk" }],
      minutes: { low: 1, likely: 1.5, high: 3 },
      tools: ["small-bowl", "egg-cup", "fork"],
      hazards: ["raw-batter"],
    },
    {
      id: "join",
      kind: "mix",
      text: "Join them, just until no dry flour shows.",
      draws: [],
      minutes: half,
      tools: ["spatula"],
    },
    {
      id: "heat",
      kind: "preheat",
      text: "Heat the griddle until drops of water bead and run.",
      draws: [],
      minutes: { low: 8, likely: 10, high: 15 },
      hazards: ["hot-surface", "cords"],
      who: "adult",
    },
    {
      id: "cook",
      kind: "cook",
      text: "Grease thinly. Drop spoonfuls apart, turn once when the bubbles burst.",
      draws: [{ lineId: "grease" }],
      minutes: { low: 3, likely: 4, high: 6 },
      tools: ["turner", "tray", "brush"],
      hazards: ["hot-surface"],
    },
  ],
  rest: { min: 0, max: 30, reason: "double-acting" },
  heat: {
    surfaceKinds: ["electric-griddle", "hob-pan", "cast-iron-pan"],
    surfaceC: { from: 175, to: 190 },
    test: "water-beads",
    side1: { low: 1.5, likely: 2, high: 3 },
    side2: { low: 1, likely: 1.5, high: 2 },
    turnaround: 0.5,
    pourPerPiece: 0.1,
    recover: 0,
    cues: ["bubbles-stay-open"],
  },
  portion: { kind: "ml", ml: 30 },
  pieceDiameterCm: 7,
};

const keelWaffles: Written = {
  id: "keel-waffles",
  revision: 1,
  title: "Keel pan waffles",
  standing: "draft",
  family: "ridged-waffle",
  system: "metric",
  fill: "spooned",
  intro: "Waffles without an iron: a ridged pan gives the grid, one side at a time.",
  lines: [
    { id: "flour", ingredientId: "plain-flour", amount: { kind: "exact", amount: "200 g" }, bowl: "dry" },
    { id: "powder", ingredientId: "baking-powder", amount: { kind: "exact", amount: "2 tsp" }, bowl: "dry" },
    { id: "sugar", ingredientId: "sugar", amount: { kind: "exact", amount: "20 g" }, bowl: "dry" },
    { id: "salt", ingredientId: "fine-salt", amount: { kind: "exact", amount: "1/4 tsp" }, bowl: "dry" },
    { id: "egg", ingredientId: "egg", amount: { kind: "exact", amount: "2 piece" }, bowl: "wet" },
    { id: "milk", ingredientId: "whole-milk", amount: { kind: "exact", amount: "290 ml" }, bowl: "wet" },
    { id: "oil", ingredientId: "sunflower-oil", amount: { kind: "exact", amount: "3 tbsp" }, bowl: "wet" },
    { id: "grease", ingredientId: "sunflower-oil", amount: { kind: "per-load", amount: "1 tsp" }, bowl: "pan" },
  ],
  steps: [
    {
      id: "dry",
      kind: "mix",
      text: "Stir flour, baking powder, sugar and salt.",
      draws: [{ lineId: "flour" }, { lineId: "powder" }, { lineId: "sugar" }, { lineId: "salt" }],
      minutes: { low: 1, likely: 1.5, high: 3 },
      tools: ["mixing-bowl", "whisk", "measuring-set"],
    },
    {
      id: "wet",
      kind: "mix",
      text: "Crack the eggs into their own cups. Beat them with milk and oil.",
      draws: [{ lineId: "egg" }, { lineId: "milk" }, { lineId: "oil" }],
      minutes: { low: 1, likely: 2, high: 4 },
      tools: ["small-bowl", "egg-cup", "fork"],
      hazards: ["raw-batter"],
    },
    { id: "join", kind: "mix", text: "Join them, lumps and all.", draws: [], minutes: half, tools: ["spatula"] },
    {
      id: "heat",
      kind: "preheat",
      text: "Heat the ridged pan until a drop of water beads.",
      draws: [],
      minutes: { low: 4, likely: 5, high: 8 },
      hazards: ["hot-surface"],
      who: "adult",
    },
    {
      id: "cook",
      kind: "cook",
      text: "Grease the ridges. Pour to the rim of one portion, turn once when the edge is brown and the piece slides.",
      draws: [{ lineId: "grease" }],
      minutes: { low: 5, likely: 6.5, high: 9 },
      tools: ["ladle", "turner", "tray", "brush"],
      hazards: ["hot-surface"],
    },
  ],
  rest: { min: 5, max: 30, reason: "double-acting" },
  heat: {
    surfaceKinds: ["ridged-pan"],
    surfaceC: { from: 180, to: 200 },
    test: "water-beads",
    side1: { low: 3, likely: 3.5, high: 5 },
    side2: { low: 2, likely: 2.5, high: 4 },
    turnaround: 0.5,
    pourPerPiece: 0.2,
    recover: 0,
    cues: ["brown-edge", "slides"],
  },
  portion: { kind: "ml", ml: 90 },
  pieceDiameterCm: 16,
};

const gunwalePuff: Written = {
  id: "gunwale-puff",
  revision: 1,
  title: "Gunwale oven puff",
  standing: "draft",
  family: "oven-puffed",
  system: "metric",
  fill: "spooned",
  intro: "Egg and steam do the lifting: a hot dish, a hot oven, and nobody opens the door.",
  lines: [
    { id: "flour", ingredientId: "plain-flour", amount: { kind: "exact", amount: "100 g" }, bowl: "bowl" },
    { id: "egg", ingredientId: "egg", amount: { kind: "exact", amount: "3 piece" }, bowl: "bowl" },
    { id: "milk", ingredientId: "whole-milk", amount: { kind: "exact", amount: "200 ml" }, bowl: "bowl" },
    { id: "salt", ingredientId: "fine-salt", amount: { kind: "exact", amount: "1 pinch" }, bowl: "bowl" },
    { id: "butter", ingredientId: "butter", amount: { kind: "per-load", amount: "10 g" }, bowl: "pan" },
  ],
  steps: [
    {
      id: "beat",
      kind: "mix",
      text: "Crack the eggs into their own cups. Beat flour, eggs, milk and salt quite smooth.",
      draws: [{ lineId: "flour" }, { lineId: "egg" }, { lineId: "milk" }, { lineId: "salt" }],
      minutes: { low: 2, likely: 3, high: 5 },
      tools: ["mixing-bowl", "whisk", "jug", "egg-cup"],
      hazards: ["raw-batter"],
    },
    {
      id: "heat",
      kind: "preheat",
      text: "Heat the oven with the dish in it.",
      draws: [],
      minutes: { low: 15, likely: 20, high: 25 },
      hazards: ["oven-dish"],
      who: "adult",
    },
    {
      id: "cook",
      kind: "cook",
      text: "Butter the hot dish, pour, close at once. The door stays shut until it is high and brown.",
      draws: [{ lineId: "butter" }],
      minutes: { low: 16, likely: 20, high: 24 },
      tools: ["oven-dish", "oven-gloves"],
      hazards: ["oven-dish", "steam"],
      who: "adult",
    },
  ],
  rest: { min: 0, max: null, reason: "relax-gluten" },
  heat: {
    surfaceKinds: ["oven"],
    surfaceC: { from: 210, to: 220 },
    test: "oven-thermometer",
    side1: { low: 16, likely: 20, high: 24 },
    side2: null,
    turnaround: 1,
    pourPerPiece: 0.25,
    recover: 2,
    cues: ["brown-edge"],
  },
  portion: { kind: "ml", ml: 110 },
  pieceDiameterCm: 14,
};

const reedbedFritters: Written = {
  id: "reedbed-fritters",
  revision: 1,
  title: "Reedbed fritters",
  standing: "draft",
  family: "fritter",
  system: "metric",
  fill: "spooned",
  intro: "More vegetable than batter. The water must come out before anything goes in.",
  lines: [
    {
      id: "courgette",
      ingredientId: "courgette",
      amount: { kind: "exact", amount: "450 g" },
      bowl: "bowl",
      keeps: 0.65,
    },
    { id: "salt", ingredientId: "fine-salt", amount: { kind: "exact", amount: "3/4 tsp" }, bowl: "bowl" },
    { id: "egg", ingredientId: "egg", amount: { kind: "exact", amount: "2 piece" }, bowl: "bowl" },
    { id: "flour", ingredientId: "plain-flour", amount: { kind: "exact", amount: "90 g" }, bowl: "bowl" },
    { id: "powder", ingredientId: "baking-powder", amount: { kind: "exact", amount: "1 tsp" }, bowl: "bowl" },
    {
      id: "cheese",
      ingredientId: "hard-cheese",
      amount: { kind: "exact", amount: "40 g" },
      bowl: "bowl",
      note: "grated",
    },
    {
      id: "onion",
      ingredientId: "spring-onion",
      amount: { kind: "exact", amount: "30 g" },
      bowl: "bowl",
      note: "cut fine",
    },
    { id: "oil", ingredientId: "sunflower-oil", amount: { kind: "per-load", amount: "1 tbsp" }, bowl: "pan" },
  ],
  steps: [
    {
      id: "grate",
      kind: "prepare",
      text: "Grate the courgette, salt it, let it stand and draw.",
      draws: [{ lineId: "courgette" }, { lineId: "salt" }],
      minutes: { low: 4, likely: 6, high: 10 },
      tools: ["grater", "mixing-bowl", "board"],
      hazards: ["blades"],
    },
    {
      id: "squeeze",
      kind: "prepare",
      text: "Squeeze it in a towel until hardly a drop comes.",
      draws: [],
      minutes: { low: 1, likely: 2, high: 4 },
      tools: ["towel"],
    },
    {
      id: "mix",
      kind: "mix",
      text: "Stir in eggs, cheese and spring onion, then flour and baking powder. Cook at once.",
      draws: [{ lineId: "egg" }, { lineId: "cheese" }, { lineId: "onion" }, { lineId: "flour" }, { lineId: "powder" }],
      minutes: { low: 2, likely: 3, high: 4 },
      tools: ["spatula", "egg-cup", "knife", "measuring-set"],
      hazards: ["blades", "raw-batter"],
    },
    {
      id: "heat",
      kind: "preheat",
      text: "Heat the pan with its oil until a crumb sizzles.",
      draws: [],
      minutes: { low: 4, likely: 5, high: 8 },
      hazards: ["hot-surface", "hot-fat"],
      who: "adult",
    },
    {
      id: "cook",
      kind: "cook",
      text: "Lay spoonfuls in away from you, flatten, turn once when the edge is brown.",
      draws: [{ lineId: "oil" }],
      minutes: { low: 4, likely: 5.5, high: 8 },
      tools: ["turner", "tray"],
      hazards: ["hot-surface", "hot-fat"],
    },
  ],
  rest: { min: 0, max: 20, reason: "double-acting" },
  heat: {
    surfaceKinds: ["hob-pan", "cast-iron-pan"],
    surfaceC: { from: 175, to: 190 },
    test: "drop-sizzles",
    side1: { low: 2, likely: 3, high: 4 },
    side2: { low: 2, likely: 2.5, high: 4 },
    turnaround: 0.5,
    pourPerPiece: 0.1,
    recover: 0,
    cues: ["brown-edge", "slides"],
  },
  portion: { kind: "grams", grams: 45 },
  pieceDiameterCm: 8,
};

const pantry = new Map(starterPantry.map((one) => [one.id, one]));

/** Somebody who must not have it, for whom the program drafts what would clear the plate. */
const avoiding = (substances: readonly Substance[]): Participant => ({
  id: "nobody",
  name: "nobody",
  role: "cook",
  ageBand: "adult",
  hasAnswered: true,
  needs: substances.map((substance) => ({
    kind: "substance",
    substance,
    severity: "allergy",
    touchOrAir: false,
    note: "",
  })),
});

const freeFrom: readonly { readonly id: string; readonly name: string; readonly substances: readonly Substance[] }[] = [
  { id: "no-egg", name: "Without egg", substances: ["egg"] },
  { id: "no-milk", name: "Without milk", substances: ["milk"] },
  { id: "no-wheat", name: "Without wheat", substances: ["wheat"] },
];

/** The recipe with those free-from variants that the swaps we know come to and nobody has written yet. */
function withFreeFrom(recipe: Recipe): Recipe {
  const variants = freeFrom.flatMap(({ id, name, substances }): Variant[] => {
    if (recipe.variants.some((one) => one.id === id)) return [];
    const drafted = draftFor(recipe, avoiding(substances), pantry, new Map(), starterPantry);
    const variant = drafted?.recipe.variants.find((one) => one.id === drafted.variantId);
    return variant ? [{ ...variant, id, name }] : [];
  });
  return { ...recipe, variants: [...recipe.variants, ...variants] };
}

/** The families the demonstration has no recipe of. */
export const otherFamilies: readonly Recipe[] = [
  mooringShapes,
  slipRailDrops,
  keelWaffles,
  reedbedFritters,
  gunwalePuff,
].map((written) => recipeSchema.parse(written));

export const starterBook: readonly Recipe[] = [
  ...starterRecipes.map((recipe) => ({ ...withFreeFrom(recipe), standing: "draft" as const })),
  ...otherFamilies,
];
