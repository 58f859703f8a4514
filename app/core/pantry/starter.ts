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
  sugar?: number;
  spread?: Ingredient["tspSpread"];
  darkens?: boolean;
  density?: number;
  neutralises?: number;
  storage?: Storage;
  label?: Ingredient["label"];
  contains?: readonly Substance[];
  raw?: Ingredient["raw"];
}

/** What is bought for it, the share that is left of it, and what one weighs (general kitchen yields, rounded; starting values). */
const from = (name: string, keeps: number, pieceGrams?: number): Ingredient["raw"] => ({
  name,
  keeps,
  ...(pieceGrams === undefined ? {} : { pieceGrams }),
});

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
  ...(f.spread !== undefined ? { tspSpread: f.spread } : {}),
  ...(f.piece !== undefined ? { pieceGrams: f.piece } : {}),
  waterPercent: f.water ?? 0,
  fatPercent: f.fat ?? 0,
  sugarPercent: f.sugar ?? 0,
  // A liquid displaces the volume it was measured by, so its true density is the weight of its cup.
  trueDensity: f.density ?? densityByRole[role] ?? (typeof f.cup === "number" ? f.cup / usCupMl : 1),
  neutralisesTsp: f.neutralises ?? 0,
  darkens: f.darkens ?? false,
  storage: f.storage ?? "dry",
  ...(f.raw === undefined ? {} : { raw: f.raw }),
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
  ingredient("buckwheat-flour", "buckwheat flour", "flour", { darkens: true, cup: 122 }),
  ingredient("fine-cornmeal", "fine cornmeal", "flour", { cup: 150 }),
  ingredient("rice-flour", "rice flour", "flour", { cup: 158 }),
  ingredient("ground-almonds", "ground almonds", "other", { cup: 96, fat: 50, contains: ["almond"], density: 1.1 }),
  ingredient("oats", "rolled oats", "starch", { cup: 90, contains: ["oats"] }),
  ingredient("sugar", "granulated sugar", "sugar", { sugar: 100, cup: 200 }),
  ingredient("brown-sugar", "brown sugar, packed", "sugar", { sugar: 97, cup: 213 }),
  ingredient("icing-sugar", "icing sugar", "sugar", { sugar: 99, cup: 115 }),
  ingredient("cocoa-mix", "cocoa pancake mix", "flour", { darkens: true, sugar: 30, contains: ["wheat", "milk"] }),
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
    sugar: 4.7,
    cup: 244,
    water: 88,
    fat: 3.5,
    contains: ["milk"],
    storage: "chilled",
  }),
  ingredient("semi-skimmed-milk", "semi-skimmed milk", "liquid", {
    sugar: 4.8,
    cup: 244,
    water: 89.5,
    fat: 1.5,
    contains: ["milk"],
    storage: "chilled",
  }),
  ingredient("buttermilk", "cultured buttermilk", "liquid", {
    sugar: 4.8,
    cup: 245,
    water: 90,
    fat: 1,
    neutralises: 0.5,
    contains: ["milk"],
    storage: "chilled",
  }),
  ingredient("plain-yogurt", "plain yogurt", "liquid", {
    sugar: 4.5,
    cup: 245,
    water: 87,
    fat: 3.5,
    neutralises: 0.5,
    contains: ["milk"],
    storage: "chilled",
  }),
  ingredient("soured-cream", "soured cream", "liquid", {
    sugar: 3.4,
    cup: 242,
    water: 72,
    fat: 20,
    neutralises: 0.5,
    contains: ["milk"],
    storage: "chilled",
  }),
  ingredient("cream", "whipping cream", "liquid", {
    sugar: 3,
    cup: 238,
    water: 58,
    fat: 36,
    contains: ["milk"],
    storage: "chilled",
  }),
  ingredient("oat-drink", "oat drink", "liquid", { sugar: 4, cup: 244, water: 90, fat: 1.5, contains: ["oats"] }),
  ingredient("soy-drink", "soy drink", "liquid", { sugar: 1, cup: 244, water: 90, fat: 1.8, contains: ["soy"] }),
  ingredient("coconut-drink", "coconut drink", "liquid", {
    sugar: 2.5,
    cup: 244,
    water: 90,
    fat: 2,
    contains: ["coconut"],
  }),
  ingredient("water", "water", "liquid", { cup: 237, water: 100, label: "whole" }),
  ingredient("butter", "butter", "fat", { cup: 227, water: 16, fat: 81, contains: ["milk"], storage: "chilled" }),
  ingredient("sunflower-oil", "sunflower oil", "fat", { cup: 216, fat: 100 }),
  ingredient("pan-spray", "pan spray", "spray", { fat: 100 }),
  ingredient("lemon-juice", "lemon juice", "acid", {
    raw: from("lemons", 0.38, 120),
    sugar: 2.5,
    cup: 244,
    water: 92,
    neutralises: 8,
  }),
  ingredient("lemon", "lemon", "fruit", { piece: 100, water: 89, label: "whole", density: 1, storage: "chilled" }),
  ingredient("banana", "banana, peeled", "fruit", {
    raw: from("bananas in their skin", 0.65, 180),
    sugar: 17,
    piece: 118,
    water: 75,
    label: "whole",
    density: 1.05,
  }),
  ingredient("blueberries", "blueberries", "fruit", {
    sugar: 10,
    cup: 145,
    water: 84,
    label: "whole",
    density: 1.03,
    storage: "chilled",
  }),
  ingredient("courgette", "grated courgette", "vegetable", {
    raw: from("courgettes", 0.95, 250),
    cup: 125,
    water: 95,
    label: "whole",
    density: 1,
    storage: "chilled",
  }),
  ingredient("spring-onion", "spring onion", "vegetable", {
    raw: from("spring onions", 0.85, 15),
    cup: 100,
    water: 90,
    label: "whole",
    density: 1,
    storage: "chilled",
  }),
  ingredient("garlic", "garlic", "vegetable", {
    raw: from("garlic cloves", 0.9, 5),
    piece: 4,
    water: 59,
    label: "whole",
    density: 1.05,
  }),
  ingredient("sweetcorn", "sweetcorn kernels, drained", "vegetable", {
    raw: from("tinned sweetcorn, with its water", 0.6),
    cup: 154,
    water: 76,
    density: 1.08,
  }),
  ingredient("hard-cheese", "hard cheese, grated", "other", {
    raw: from("hard cheese in the piece", 0.97),
    cup: 90,
    water: 36,
    fat: 33,
    contains: ["milk"],
    density: 1.1,
    storage: "chilled",
  }),
  ingredient("chia", "chia seed", "other", { tsp: 3.3, fat: 31, density: 1.2 }),
  ingredient("syrup", "breakfast syrup", "topping", { sugar: 66, cup: 315, water: 33 }),
  ingredient("jam", "strawberry jam", "topping", { sugar: 60, cup: 320, water: 35 }),
  ingredient("chocolate-spread", "chocolate spread", "topping", {
    sugar: 55,
    cup: 300,
    fat: 31,
    contains: ["milk", "hazelnut"],
  }),
  ingredient("honey", "honey", "topping", { sugar: 82, cup: 340, water: 17, contains: ["honey"] }),
  ingredient("marshmallow-topping", "marshmallow topping", "topping", { sugar: 65, contains: ["gelatine"] }),
  ingredient("chocolate-pieces", "dark chocolate pieces", "topping", { sugar: 45, cup: 170, fat: 35, density: 1.25 }),
  ingredient("coarse-salt", "coarse salt", "salt", { tsp: 4, spread: { low: 3, high: 5 } }),
  ingredient("skimmed-milk", "skimmed milk", "liquid", {
    cup: 245,
    water: 91,
    fat: 0.1,
    sugar: 5,
    contains: ["milk"],
    storage: "chilled",
  }),
  ingredient("soured-milk", "milk soured with acid", "liquid", {
    cup: 244,
    water: 88,
    fat: 3.5,
    sugar: 4.7,
    neutralises: 0.5,
    contains: ["milk"],
    storage: "chilled",
  }),
  ingredient("almond-drink", "almond drink", "liquid", {
    cup: 244,
    water: 96,
    fat: 1.1,
    sugar: 2,
    contains: ["almond"],
  }),
  ingredient("canned-coconut-milk", "canned coconut milk", "liquid", {
    cup: 235,
    water: 70,
    fat: 20,
    sugar: 3,
    contains: ["coconut"],
  }),
  ingredient("sparkling-water", "sparkling water", "liquid", { cup: 237, water: 100, label: "whole" }),
  ingredient("large-egg", "large hen's egg (EU L)", "egg", {
    piece: 60,
    water: 76,
    fat: 10,
    label: "whole",
    contains: ["egg"],
    storage: "chilled",
  }),
  ingredient("egg-white", "egg white", "egg", {
    piece: 33,
    water: 88,
    density: 1.035,
    label: "whole",
    contains: ["egg"],
    storage: "chilled",
  }),
  ingredient("rye-flour", "rye flour", "flour", { cup: 106, contains: ["rye"] }),
  ingredient("spelt-flour", "spelt flour", "flour", {
    cup: { sifted: 110, spooned: 118, dipped: 136 },
    contains: ["wheat"],
  }),
  ingredient("strong-flour", "strong white bread flour", "flour", {
    cup: { sifted: 117, spooned: 124, dipped: 145 },
    contains: ["wheat"],
  }),
  ingredient("oat-flour", "oat flour", "flour", { cup: 92, contains: ["oats"] }),
  ingredient("cornflour", "cornflour (starch)", "starch", { cup: 120 }),
  ingredient("potato-starch", "potato starch", "starch", { cup: 160 }),
  ingredient("cocoa", "cocoa powder", "other", { cup: 85, fat: 21, density: 1.45, darkens: true }),
  ingredient("milk-powder", "milk powder", "other", {
    cup: 120,
    fat: 26,
    sugar: 38,
    density: 1.35,
    contains: ["milk"],
  }),
  ingredient("linseed", "ground linseed", "other", { tsp: 2.3, fat: 42, density: 1.15 }),
  ingredient("xanthan", "xanthan gum", "other", { tsp: 3, density: 1.5 }),
  ingredient("dried-yeast", "fast-action dried yeast", "other", { tsp: 3.1, density: 1.3 }),
  ingredient("caster-sugar", "caster sugar", "sugar", { cup: 200, sugar: 100 }),
  ingredient("vanilla-sugar", "vanilla sugar", "sugar", { cup: 200, sugar: 99 }),
  ingredient("golden-syrup", "golden syrup", "sugar", { cup: 340, water: 18, sugar: 80, density: 1.43 }),
  ingredient("plant-spread", "plant spread", "fat", { cup: 227, water: 38, fat: 60, storage: "chilled" }),
  ingredient("olive-oil", "olive oil", "fat", { cup: 216, fat: 100 }),
  ingredient("coconut-oil", "coconut oil", "fat", { cup: 216, fat: 100, contains: ["coconut"] }),
  ingredient("vinegar", "vinegar", "acid", { cup: 239, water: 94, neutralises: 8 }),
  ingredient("cream-of-tartar", "cream of tartar", "acid", { tsp: 3.4, density: 1.9, neutralises: 24 }),
  ingredient("nutmeg", "ground nutmeg", "spice", { tsp: 2.2 }),
  ingredient("ginger", "ground ginger", "spice", { tsp: 1.8 }),
  ingredient("mixed-spice", "mixed spice", "spice", { tsp: 2.3 }),
  ingredient("cardamom", "ground cardamom", "spice", { tsp: 2 }),
  ingredient("black-pepper", "ground black pepper", "spice", { tsp: 2.3 }),
  ingredient("paprika", "paprika", "spice", { tsp: 2.3 }),
  ingredient("lemon-zest", "lemon zest", "fruit", {
    raw: from("unwaxed lemons", 0.03, 120),
    tsp: 2,
    water: 80,
    label: "whole",
    density: 1,
  }),
  ingredient("orange", "orange", "fruit", { piece: 150, water: 87, sugar: 9, label: "whole", density: 1 }),
  ingredient("apple", "apple, grated", "fruit", {
    raw: from("apples", 0.78, 170),
    piece: 150,
    cup: 125,
    water: 86,
    sugar: 10,
    label: "whole",
    density: 1,
  }),
  ingredient("pear", "pear", "fruit", {
    raw: from("pears", 0.78, 180),
    piece: 160,
    cup: 160,
    water: 84,
    sugar: 10,
    label: "whole",
    density: 1,
  }),
  ingredient("raspberries", "raspberries", "fruit", {
    cup: 123,
    water: 86,
    sugar: 5,
    label: "whole",
    density: 1.03,
    storage: "chilled",
  }),
  ingredient("strawberries", "strawberries", "fruit", {
    raw: from("strawberries with their stalks", 0.93),
    cup: 150,
    water: 91,
    sugar: 5,
    label: "whole",
    density: 1.03,
    storage: "chilled",
  }),
  ingredient("raisins", "raisins", "fruit", { cup: 150, water: 15, sugar: 65, density: 1.35 }),
  ingredient("pumpkin", "pumpkin purée", "vegetable", { cup: 240, water: 91, density: 1.02 }),
  ingredient("carrot", "grated carrot", "vegetable", {
    raw: from("carrots", 0.85, 110),
    cup: 110,
    piece: 60,
    water: 88,
    label: "whole",
    density: 1.03,
  }),
  ingredient("potato", "grated potato", "vegetable", {
    raw: from("potatoes", 0.85, 180),
    cup: 150,
    piece: 170,
    water: 79,
    label: "whole",
    density: 1.08,
  }),
  ingredient("onion", "onion", "vegetable", {
    raw: from("onions", 0.9, 150),
    piece: 110,
    cup: 150,
    water: 89,
    label: "whole",
    density: 1,
  }),
  ingredient("spinach", "spinach", "vegetable", { cup: 30, water: 91, label: "whole", density: 1, storage: "chilled" }),
  ingredient("herbs", "chopped soft herbs", "vegetable", {
    raw: from("bunches of soft herbs", 0.7, 30),
    cup: 40,
    tsp: 0.9,
    water: 86,
    label: "whole",
    density: 1,
    storage: "chilled",
  }),
  ingredient("soft-cheese", "soft white cheese", "other", {
    cup: 225,
    water: 75,
    fat: 8,
    sugar: 3,
    density: 1.04,
    contains: ["milk"],
    storage: "chilled",
  }),
  ingredient("ham", "cooked ham", "other", {
    cup: 135,
    water: 73,
    fat: 5,
    density: 1.05,
    contains: ["meat"],
    storage: "chilled",
  }),
  ingredient("bacon", "bacon", "other", {
    piece: 28,
    water: 50,
    fat: 35,
    density: 1,
    contains: ["meat"],
    storage: "chilled",
  }),
  ingredient("walnuts", "chopped walnuts", "other", { cup: 115, fat: 65, density: 1, contains: ["walnut"] }),
  ingredient("pecans", "chopped pecans", "other", { cup: 110, fat: 72, density: 1, contains: ["pecan"] }),
  ingredient("desiccated-coconut", "desiccated coconut", "other", {
    cup: 85,
    fat: 62,
    density: 1.1,
    contains: ["coconut"],
  }),
  ingredient("peanut-butter", "peanut butter", "topping", { cup: 258, fat: 50, sugar: 8, contains: ["peanut"] }),
  ingredient("sprinkles", "coloured sprinkles", "topping", { tsp: 4, sugar: 85 }),
];

/** Pairs that are taken for one another when a method is written down; a finding names the one that was probably meant. */
export const twins: readonly (readonly [string, string])[] = [
  ["baking-powder", "baking-soda"],
  ["plain-flour", "self-raising-flour"],
  ["fine-salt", "coarse-salt"],
];

export const twinsOf = (ingredientId: string): string[] =>
  twins.flatMap(([a, b]) => (a === ingredientId ? [b] : b === ingredientId ? [a] : []));
