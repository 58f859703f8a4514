import type { Ingredient, Role, Storage } from "./types";
import type { Substance } from "./allergens";

/**
 * The starter pantry: typical figures to begin with, each open to correction from the logbook.
 * Source of all: general baking tables of cup weights and food composition, rounded; true densities by kind (flour 1.45 g/ml,
 * sugar 1.59, fat 0.91, egg 1.03, watery liquids what a cup of them weighs).
 */
const source = "typical figure from general baking and food-composition tables";
const usCupMl = 236.588;

interface Figures {
  cup?: Ingredient["gramsPerCup"];
  tsp?: number;
  piece?: number;
  water?: number;
  fat?: number;
  density?: number;
  neutralises?: number;
  storage?: Storage;
  label?: Ingredient["label"];
  contains?: readonly Substance[];
}

const densityByRole: Partial<Record<Role, number>> = {
  flour: 1.45,
  starch: 1.45,
  sugar: 1.59,
  powder: 2.2,
  soda: 2.2,
  salt: 2.16,
  spice: 1.4,
  fat: 0.91,
  spray: 0.91,
  egg: 1.03,
};

const ingredient = (id: string, name: string, role: Role, f: Figures): Ingredient => ({
  id,
  name,
  role,
  label: f.label ?? "packaged",
  ...(f.cup !== undefined ? { gramsPerCup: f.cup } : {}),
  ...(f.tsp !== undefined ? { gramsPerTsp: f.tsp } : {}),
  ...(f.piece !== undefined ? { pieceGrams: f.piece } : {}),
  waterPercent: f.water ?? 0,
  fatPercent: f.fat ?? 0,
  // A liquid displaces the volume it was measured by, so its true density is the weight of its cup.
  trueDensity: f.density ?? densityByRole[role] ?? (typeof f.cup === "number" ? f.cup / usCupMl : 1),
  neutralisesTsp: f.neutralises ?? 0,
  storage: f.storage ?? "dry",
  contains: f.contains ?? [],
  source,
});

const flourCup = { sifted: 115, spooned: 122, dipped: 142 };

export const starterPantry: readonly Ingredient[] = [
  ingredient("plain-flour", "plain wheat flour", "flour", { cup: flourCup, contains: ["wheat"] }),
  ingredient("self-raising-flour", "self-raising wheat flour", "flour", { cup: flourCup, contains: ["wheat"] }),
  ingredient("wholemeal-flour", "wholemeal wheat flour", "flour", {
    cup: { sifted: 113, spooned: 120, dipped: 135 },
    contains: ["wheat"],
  }),
  ingredient("gluten-free-flour", "gluten-free plain flour blend", "flour", {
    cup: { sifted: 120, spooned: 130, dipped: 148 },
  }),
  ingredient("buckwheat-flour", "buckwheat flour", "flour", { cup: 122 }),
  ingredient("fine-cornmeal", "fine cornmeal", "flour", { cup: 150 }),
  ingredient("rice-flour", "rice flour", "flour", { cup: 158 }),
  ingredient("ground-almonds", "ground almonds", "other", { cup: 96, fat: 50, contains: ["almond"], density: 1.1 }),
  ingredient("oats", "rolled oats", "starch", { cup: 90, contains: ["oats"] }),
  ingredient("sugar", "granulated sugar", "sugar", { cup: 200 }),
  ingredient("brown-sugar", "brown sugar, packed", "sugar", { cup: 213 }),
  ingredient("icing-sugar", "icing sugar", "sugar", { cup: 115 }),
  ingredient("cocoa-mix", "cocoa pancake mix", "flour", { contains: ["wheat", "milk"] }),
  ingredient("baking-powder", "baking powder", "powder", { tsp: 4.6 }),
  ingredient("baking-soda", "baking soda", "soda", { tsp: 5 }),
  ingredient("fine-salt", "fine table salt", "salt", { tsp: 6 }),
  ingredient("cinnamon", "ground cinnamon", "spice", { tsp: 2.3 }),
  ingredient("vanilla", "vanilla extract", "vanilla", { tsp: 4.2, water: 60, contains: ["alcohol"] }),
  ingredient("egg", "hen's egg", "egg", {
    piece: 50,
    water: 76,
    fat: 10,
    label: "whole",
    contains: ["egg"],
    storage: "chilled",
  }),
  ingredient("whole-milk", "whole milk", "liquid", {
    cup: 244,
    water: 88,
    fat: 3.5,
    contains: ["milk"],
    storage: "chilled",
  }),
  ingredient("semi-skimmed-milk", "semi-skimmed milk", "liquid", {
    cup: 244,
    water: 89.5,
    fat: 1.5,
    contains: ["milk"],
    storage: "chilled",
  }),
  ingredient("buttermilk", "cultured buttermilk", "liquid", {
    cup: 245,
    water: 90,
    fat: 1,
    neutralises: 0.5,
    contains: ["milk"],
    storage: "chilled",
  }),
  ingredient("plain-yogurt", "plain yogurt", "liquid", {
    cup: 245,
    water: 87,
    fat: 3.5,
    neutralises: 0.5,
    contains: ["milk"],
    storage: "chilled",
  }),
  ingredient("soured-cream", "soured cream", "liquid", {
    cup: 242,
    water: 72,
    fat: 20,
    neutralises: 0.5,
    contains: ["milk"],
    storage: "chilled",
  }),
  ingredient("cream", "whipping cream", "liquid", {
    cup: 238,
    water: 58,
    fat: 36,
    contains: ["milk"],
    storage: "chilled",
  }),
  ingredient("oat-drink", "oat drink", "liquid", { cup: 244, water: 90, fat: 1.5, contains: ["oats"] }),
  ingredient("soy-drink", "soy drink", "liquid", { cup: 244, water: 90, fat: 1.8, contains: ["soy"] }),
  ingredient("coconut-drink", "coconut drink", "liquid", { cup: 244, water: 90, fat: 2, contains: ["coconut"] }),
  ingredient("water", "water", "liquid", { cup: 237, water: 100, label: "whole" }),
  ingredient("butter", "butter", "fat", { cup: 227, water: 16, fat: 81, contains: ["milk"], storage: "chilled" }),
  ingredient("sunflower-oil", "sunflower oil", "fat", { cup: 216, fat: 100 }),
  ingredient("pan-spray", "pan spray", "spray", { fat: 100 }),
  ingredient("lemon-juice", "lemon juice", "acid", { cup: 244, water: 92, neutralises: 8 }),
  ingredient("lemon", "lemon", "fruit", { piece: 100, water: 89, label: "whole", density: 1, storage: "chilled" }),
  ingredient("banana", "banana, peeled", "fruit", { piece: 118, water: 75, label: "whole", density: 1.05 }),
  ingredient("blueberries", "blueberries", "fruit", {
    cup: 145,
    water: 84,
    label: "whole",
    density: 1.03,
    storage: "chilled",
  }),
  ingredient("courgette", "grated courgette", "vegetable", {
    cup: 125,
    water: 95,
    label: "whole",
    density: 1,
    storage: "chilled",
  }),
  ingredient("spring-onion", "spring onion", "vegetable", {
    cup: 100,
    water: 90,
    label: "whole",
    density: 1,
    storage: "chilled",
  }),
  ingredient("garlic", "garlic", "vegetable", { piece: 4, water: 59, label: "whole", density: 1.05 }),
  ingredient("sweetcorn", "sweetcorn kernels, drained", "vegetable", { cup: 154, water: 76, density: 1.08 }),
  ingredient("hard-cheese", "hard cheese, grated", "other", {
    cup: 90,
    water: 36,
    fat: 33,
    contains: ["milk"],
    density: 1.1,
    storage: "chilled",
  }),
  ingredient("chia", "chia seed", "other", { tsp: 3.3, fat: 31, density: 1.2 }),
  ingredient("syrup", "breakfast syrup", "topping", { cup: 315, water: 33 }),
  ingredient("jam", "strawberry jam", "topping", { cup: 320, water: 35 }),
  ingredient("chocolate-spread", "chocolate spread", "topping", { cup: 300, fat: 31, contains: ["milk", "hazelnut"] }),
  ingredient("honey", "honey", "topping", { cup: 340, water: 17, contains: ["honey"] }),
  ingredient("marshmallow-topping", "marshmallow topping", "topping", { contains: ["gelatine"] }),
  ingredient("chocolate-pieces", "dark chocolate pieces", "topping", { cup: 170, fat: 35, density: 1.25 }),
];

/** Pairs that are taken for one another when a method is written down; a finding names the one that was probably meant. */
export const twins: readonly (readonly [string, string])[] = [
  ["baking-powder", "baking-soda"],
  ["plain-flour", "self-raising-flour"],
];

export const twinsOf = (ingredientId: string): string[] =>
  twins.flatMap(([a, b]) => (a === ingredientId ? [b] : b === ingredientId ? [a] : []));
