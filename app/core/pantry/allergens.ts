/**
 * One tree of what people must or want to avoid. Regulations see it through views (see `allergen/regimes.ts`); the program
 * reasons on the tree only. Wheat is under gluten but is not the same: a wheat allergy says nothing of barley.
 */
export const substances = [
  "milk",
  "egg",
  "fish",
  "crustacean",
  "mollusc",
  "peanut",
  "soy",
  "sesame",
  "celery",
  "mustard",
  "lupin",
  "sulphite",
  "coconut",
  "gluten",
  "wheat",
  "rye",
  "barley",
  "oats",
  "tree-nut",
  "almond",
  "hazelnut",
  "walnut",
  "cashew",
  "pecan",
  "brazil-nut",
  "pistachio",
  "macadamia",
  "pine-nut",
  "meat",
  "pork",
  "beef",
  "lard",
  "gelatine",
  "rennet",
  "carmine",
  "shellac",
  "beeswax",
  "honey",
  "alcohol",
] as const;
export type Substance = (typeof substances)[number];

const parents: Partial<Record<Substance, Substance>> = {
  wheat: "gluten",
  rye: "gluten",
  barley: "gluten",
  oats: "gluten",
  almond: "tree-nut",
  hazelnut: "tree-nut",
  walnut: "tree-nut",
  cashew: "tree-nut",
  pecan: "tree-nut",
  "brazil-nut": "tree-nut",
  pistachio: "tree-nut",
  macadamia: "tree-nut",
  "pine-nut": "tree-nut",
  pork: "meat",
  beef: "meat",
  lard: "meat",
};

/** The group a substance belongs to: gluten for wheat, tree-nut for almond; none for the rest. */
export const groupOf = (substance: Substance): Substance | undefined => parents[substance];

/**
 * Does a food that declares `declared` bear on someone who avoids `avoided`? True for the same word, for a member of the avoided
 * group, and for a declared group that may hide the avoided member: "contains gluten" bears on a wheat allergy.
 */
export const bearsOn = (declared: Substance, avoided: Substance): boolean =>
  declared === avoided || parents[declared] === avoided || parents[avoided] === declared;

/** Products of an unspecified animal. Lard implies pork, and a pack need not say so. */
const unnamedAnimals: Partial<Readonly<Record<Substance, readonly Substance[]>>> = {
  gelatine: ["meat", "pork", "beef", "fish"],
  rennet: ["meat", "pork", "beef"],
  lard: ["pork", "beef"],
};
const animals: readonly Substance[] = ["pork", "beef", "fish"];

/**
 * Of what is declared, the part that may come of an animal somebody avoids and does not say of which; undefined where the animal is
 * named beside it ("gelatine, beef") or where it makes no difference.
 */
export const unnamedAnimalIn = (declared: readonly Substance[], avoided: Substance): Substance | undefined =>
  declared.some((one) => animals.includes(one))
    ? undefined
    : declared.find((one) => unnamedAnimals[one]?.includes(avoided));

/** What each way of eating leaves out. */
export const diets = {
  vegetarian: ["fish", "crustacean", "mollusc", "meat", "gelatine", "rennet", "carmine"],
  vegan: [
    "milk",
    "egg",
    "fish",
    "crustacean",
    "mollusc",
    "meat",
    "gelatine",
    "rennet",
    "carmine",
    "shellac",
    "beeswax",
    "honey",
  ],
  "no-alcohol": ["alcohol"],
  faith: ["meat", "gelatine", "rennet", "crustacean", "mollusc", "alcohol", "carmine", "shellac"],
} as const satisfies Record<string, readonly Substance[]>;
export type Diet = keyof typeof diets;

/**
 * Diets whose rules reach further than a list: for a faith, what is left out depends on how the meat was slaughtered or where the
 * gelatine comes from. What such a diet names is asked about, never decided here.
 */
export const isAskedAbout = (diet: Diet): boolean => diet === "faith";
