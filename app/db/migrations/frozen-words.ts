/**
 * The words that the first five migrations put into their checks, as they were when those migrations were last changed. Frozen: a later
 * word is let in by a later migration, never here.
 */
export const fillMethods = ["sifted", "spooned", "dipped"];
export const roles = [
  "flour",
  "starch",
  "sugar",
  "powder",
  "soda",
  "salt",
  "spice",
  "vanilla",
  "fat",
  "egg",
  "liquid",
  "acid",
  "fruit",
  "vegetable",
  "topping",
  "spray",
  "other",
];
export const storages = ["dry", "chilled", "frozen"];
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
  "meat",
  "gelatine",
  "honey",
  "alcohol",
];
export const ageBands = ["under-1", "under-6", "6-11", "12-17", "adult"];
export const audiences = ["small-children", "school-age", "teens", "adults", "mixed"];
export const participantRoles = ["cook", "grown-up", "taster", "helper"];
export const severities = ["rescue-medicine", "allergy", "coeliac", "intolerance", "choice"];
export const stages = ["recipe", "brief", "allergies", "amounts", "kits", "gear", "timeline", "teach", "log"];
export const families = ["drawn", "drop", "pancake", "crepe", "waffle", "ridged-waffle", "fritter", "oven-puffed"];
export const standings = ["draft", "rehearsed", "taught"];
export const surfaceKinds = [
  "electric-griddle",
  "hob-pan",
  "cast-iron-pan",
  "crepe-pan",
  "waffle-iron",
  "ridged-pan",
  "oven",
];
export const tools = [
  "mixing-bowl",
  "small-bowl",
  "whisk",
  "spatula",
  "ladle",
  "turner",
  "measuring-set",
  "scale",
  "jug",
  "grater",
  "knife",
  "board",
  "egg-cup",
  "brush",
  "tray",
  "oven-dish",
  "oven-gloves",
  "towel",
  "plate",
  "fork",
  "sieve",
  "stick",
  "baking-paper",
];
export const demoModes = ["mix-and-load", "mix", "along"];
export const kitModes = ["pre-measured", "station-measures", "dry-mix"];
export const liveEventKinds = [
  "class-started",
  "bell-rung",
  "bell-taken-back",
  "delay-added",
  "station-set",
  "pieces-counted",
  "note-added",
  "class-ended",
  "class-reopened",
];
export const scoopNames = [
  "1 cup",
  "3/4 cup",
  "2/3 cup",
  "1/2 cup",
  "1/3 cup",
  "1/4 cup",
  "1 tbsp",
  "1 tsp",
  "1/2 tsp",
  "1/4 tsp",
  "1/8 cup",
  "1/2 tbsp",
  "1/8 tsp",
];
export const diets = ["vegetarian", "vegan", "no-alcohol", "faith"];
export const regimes = ["us", "eu", "anz"];
export const batchRules = ["whole", "half", "quarter", "exact"];
export const eggRules = ["by-weight", "uneven", "round-up"];
export const coatings = ["bare", "seasoned", "non-stick"];
export const floorKinds = ["station", "heat", "water", "exit", "extinguisher", "allergy-table", "cold"];
export const lampMeanings = ["heating", "ready"];
export const tickLists = ["packing", "shopping", "prep", "load", "return"];
