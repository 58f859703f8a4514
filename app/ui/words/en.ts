import type { Region, cups, scales, shades } from "~/formats/regions";
import type { Reason, VerdictWord } from "~/core/allergen";
import type { Substance } from "~/core/pantry";
import type { Diet, Market } from "~/core/pantry";
import type { AgeBand, Audience, ParticipantRole, RoomKind, Severity } from "~/core/people";
import type { Brief, KeyFigure, MealMode, Mixing, Stage } from "~/core/plan";
import type { ClassState } from "~/core/log";
import type { SharedThing } from "~/core/gear";
import type { StageState } from "~/core/sheet";
import type {
  Bowl,
  Cue,
  Family,
  Hazard,
  ReadinessTest,
  Standing,
  SurfaceKind,
  Tool,
  WindowReason,
} from "~/core/recipe";
import type { BatchRule, EggRule } from "~/core/scale";
import type { BellKind, CriticalPart, DemoMode, KitMode, TaskKind } from "~/core/schedule";
import type { StationState } from "~/core/teach";
import { inRegion } from "./regional";

/** Every word the interface shows for a word of the core. A missing one does not compile. */
type Words<K extends string> = Readonly<Record<K, string>>;

export const stageWords: Words<Stage> = {
  recipe: "Recipe",
  brief: "Brief and people",
  allergies: "Allergies",
  amounts: "Amounts",
  kits: "Shopping and kits",
  gear: "Gear",
  timeline: "Timeline",
  teach: "Teach",
  log: "Log",
};
/** Pages of a class that are no stage, by the beginning of their address. */
const pageWords: readonly (readonly [page: string, title: string])[] = [
  ["people/import", "Import a list"],
  ["people/intake", "Ask for answers"],
  ["people/privacy", "What is kept"],
  ["people/seats", "Seats"],
  ["people/turns", "Turns"],
  ["people/", "One person"],
  ["people", "Register"],
  ["allergies/matrix", "Every person, every item"],
  ["allergies/brought", "Food brought along"],
  ["allergies/", "One verdict"],
  ["day-sheet/folder", "Folder sheet"],
  ["day-sheet", "Wall sheet"],
  ["labels", "Label"],
  ["scaling", "Ways to scale"],
  ["shopping", "Shopping"],
  ["prep", "Prep"],
  ["kit-labels", "Labels"],
  ["take-home", "Labels to take home"],
  ["toppings", "Topping bar"],
  ["shapes", "Shapes"],
  ["helpers", "Cards for helpers"],
  ["containers", "Container"],
  ["sheets", "All sheets"],
  ["load", "Load list"],
  ["call", "Call the list"],
  ["house", "House rules"],
  ["techniques", "How it is done"],
];

/** What a page of a class is called in the browser's own lists. @param page its address within the class. */
export const pageTitle = (page: string): string =>
  stageWords[page as Stage] ?? pageWords.find(([begins]) => page.startsWith(begins))?.[1] ?? "Class";

export const classStateWords: Words<ClassState> = {
  waiting: "answers are missing",
  "open-log": "taught, log open",
  logged: "logged",
  aside: "archived",
};

/** How a batter is mixed where it is not mixed at once. */
export const mixingWords: Words<Mixing> = {
  halves: "in two halves, the second while the first is cooked",
  ahead: "not at all: it is made before the doors",
};

/** What may go round the tables. */
export const sharedThingWords: Words<SharedThing> = {
  scale: "scale",
  sieve: "sieve",
  grater: "grater",
  zester: "zester",
  mixer: "hand mixer",
  microwave: "microwave",
  hob: "hob beside the pans",
  ladle: "ladle",
  pen: "batter pen",
};

export const stageStateWords: Words<StageState> = {
  settled: "signed off",
  open: "not checked",
  stale: "changed since sign-off",
};

export const familyWords: Words<Family> = {
  drawn: "drawn shapes",
  drop: "drop pancake",
  pancake: "griddle pancake",
  crepe: "thin crepe",
  waffle: "iron waffle",
  "ridged-waffle": "ridged-pan waffle",
  fritter: "fritter",
  "oven-puffed": "oven-puffed",
};
export const standingWords: Words<Standing> = { draft: "draft", rehearsed: "rehearsed", taught: "taught" };
export const bowlWords: Words<Bowl> = {
  dry: "Dry bowl",
  wet: "Wet bowl",
  bowl: "One bowl",
  pan: "For the pan",
  topping: "Toppings",
};
export const surfaceWords: Words<SurfaceKind> = {
  "electric-griddle": "electric griddle",
  "hob-pan": "pan on a hob",
  "cast-iron-pan": "cast-iron pan",
  "crepe-pan": "crepe pan",
  "waffle-iron": "waffle iron",
  "ridged-pan": "ridged pan",
  oven: "oven",
};
export const toolWords: Words<Tool> = {
  "mixing-bowl": "mixing bowl",
  "small-bowl": "small bowl",
  whisk: "whisk",
  spatula: "spatula",
  ladle: "ladle",
  turner: "turner",
  "measuring-set": "cups and spoons",
  scale: "kitchen scale",
  jug: "jug",
  grater: "grater",
  knife: "knife",
  board: "board",
  "egg-cup": "cup for one egg",
  brush: "pan brush",
  tray: "tray for cooked pieces",
  "oven-dish": "oven dish",
  "oven-gloves": "oven gloves",
  towel: "towel",
  plate: "plate",
  fork: "fork",
  sieve: "sieve",
  stick: "stick to eat from",
  mixer: "hand mixer",
  zester: "zester",
  leveller: "straight edge to level with",
  thermometer: "surface thermometer",
  "kitchen-paper": "roll of kitchen paper",
  pen: "batter pen",
  "table-knife": "table knife",
  peeler: "peeler",
  rack: "cooling rack",
  saucepan: "saucepan",
  microwave: "microwave",
  gloves: "pair of thin gloves",
  "baking-paper": "sheet of baking paper",
};

export const cueWords: Words<Cue> = {
  "first-bubbles": "the first bubbles",
  "whole-top": "bubbles over the whole top",
  "dry-sides": "the sides are dry",
  "golden-below": "golden below",
  "set-in-middle": "set in the middle: it springs back",
  "bubbles-stay-open": "bubbles that stay open",
  "dull-rim": "a dull, dry rim",
  "brown-edge": "a brown edge",
  slides: "it slides when the pan is shaken",
  "steam-stops": "the steam stops",
  lamp: "the lamp",
  "puffed-and-brown": "puffed and brown all round",
  "minutes-only": "the minutes: colour says nothing here",
};
export const testWords: Words<ReadinessTest> = {
  "water-beads": "a drop of water beads and dances",
  "butter-foams": "butter foams and goes quiet",
  "drop-steams": "a drop of water steams away at once and does not dance",
  "drop-sizzles": "a drop of batter sizzles at once",
  lamp: "the iron's lamp says so",
  infrared: "the surface thermometer says so",
  "oven-thermometer": "the oven thermometer says so",
};
export const windowReasonWords: Words<WindowReason> = {
  "relax-gluten": "flour drinks and relaxes",
  "cook-at-once": "nothing to wait for",
  "single-acting": "single-acting powder starts when wet",
  "double-acting": "double-acting powder fades",
  "soda-and-acid": "soda and acid fade fast",
  "gel-swells": "the seed gel has to swell",
  author: "the author says so",
};

/** Cautions, shown at the step they belong to: what may happen, to whom, what to do. */
export const hazardWords: Words<Hazard> = {
  "hot-surface": "Burns: handles turned in, one adult at each hot place, hands and sleeves away from the rim.",
  steam: "Steam burns: lift the lid away from you and stand back.",
  "oven-dish": "The dish is as hot as the oven: dry gloves, clear floor, an adult carries it.",
  "hot-fat": "Hot fat spits: lay the piece in away from you, keep water off.",
  "spray-flame": "Spray burns: only on a cold surface or well away from flame.",
  "raw-batter": "Raw egg and raw flour are not for tasting, nor is what sticks to the whisk.",
  blades: "Blades: counted out and back, fingers curled, one person at a board.",
  "boiling-sauce": "Boiling sugar and sauce stick and burn: an adult stirs and pours.",
  "small-pieces":
    "Small round pieces can choke small children: halve or quarter them, sit to eat; no whole nuts under five.",
  cords: "Cords behind the table, dry hands at the plug, never past four fifths of what the circuit carries.",
  spitting: "Butter spits when it comes hot from the microwave: cover it, let it stand, stir before it is carried.",
  "iron-hinge": "Iron: hold it by its handles only, fingers off the hinge; lid and plate are equally hot.",
  "oiling-hot-pan": "Oil a hot pan with a brush, or with folded paper held in tongs, never with a bare hand.",
  "oil-fire": "Oil that burns: heat off, lid on, never water, never carry it.",
  "butter-smokes":
    "Butter browns and smokes on a surface this hot: little of it, just before the pour, air moving, alarm in mind.",
  "oil-smokes":
    "This oil smokes on a surface this hot: another oil or less heat, air moving, alarm in mind; never leave it.",
  "bare-fingers": "Look under a piece with the turner: fingers never lift an edge.",
  sticks: "Sticks and picks: sit down to eat, take the stick out first; none for under-sixes.",
  mixer: "Mixer: hair tied, sleeves up, fingers and cord away; unplugged before a beater is touched.",
  "hands-again": "Wash hands again after egg or raw meat, and after nose, phone or book.",
  "batter-clock":
    "Batter with raw egg or milk has one clock: resting, waiting and cooking together at most two hours at room temperature, less in heat.",
  "gas-air":
    "Gas: a window open and an alarm for carbon monoxide; camping stoves outdoors only, no pan over the cartridge.",
};
export const closingCaution =
  "Local food, fire and electrical codes and licensed practice come first. The participant and their clinician know best what they can eat.";

export const audienceWords: Words<Audience> = {
  "small-children": "small children with grown-ups",
  "school-age": "school-age children",
  teens: "teens",
  adults: "adults",
  mixed: "families, mixed ages",
};
export const regionWords: Words<Region> = {
  "en-GB": "Britain",
  "en-IE": "Ireland",
  "en-US": "the United States",
  "en-CA": "Canada",
  "en-AU": "Australia",
  "en-NZ": "New Zealand",
  "en-ZA": "South Africa",
};
export const scaleWords: Words<(typeof scales)[number]> = { celsius: "°C only", fahrenheit: "°F only" };
export const cupsWords: Words<(typeof cups)[number]> = {
  "us-usual": "US cups",
  "metric-usual": "metric cups",
  "au-usual": "Australian cups, 20 ml tablespoon",
};
export const shadeWords: Words<(typeof shades)[number]> = { dark: "dark" };
export const roleWords: Words<ParticipantRole> = {
  cook: "cooks",
  "grown-up": "grown-up with a child",
  taster: "tastes only",
  helper: "helps",
};
export const ageWords: Words<AgeBand> = {
  "under-1": "under 1",
  "under-6": "under 6",
  "6-8": "6–8",
  "9-11": "9–11",
  "6-11": "6–11",
  "12-17": "12–17",
  adult: "adult",
};
export const severityWords: Words<Severity> = {
  "rescue-medicine": "carries rescue medicine",
  allergy: "allergy",
  coeliac: "coeliac",
  intolerance: "intolerance",
  choice: "choice or faith",
};
export const dietWords: Words<Diet> = {
  vegetarian: "vegetarian",
  vegan: "vegan",
  "no-alcohol": "no alcohol",
  faith: "rules of a faith: ask about meat, gelatine, alcohol",
};
export const substanceWords: Words<Substance> = {
  milk: "milk",
  egg: "egg",
  fish: "fish",
  crustacean: "crustacean shellfish",
  mollusc: "molluscs",
  peanut: "peanut",
  soy: "soy",
  sesame: "sesame",
  celery: "celery",
  mustard: "mustard",
  lupin: "lupin",
  sulphite: "sulphites",
  coconut: "coconut",
  gluten: "gluten",
  wheat: "wheat",
  rye: "rye",
  barley: "barley",
  oats: "oats",
  "tree-nut": "tree nuts",
  almond: "almond",
  hazelnut: "hazelnut",
  walnut: "walnut",
  cashew: "cashew",
  pecan: "pecan",
  "brazil-nut": "Brazil nut",
  pistachio: "pistachio",
  macadamia: "macadamia",
  "pine-nut": "pine nut",
  meat: "meat",
  pork: "pork",
  beef: "beef",
  lard: "lard",
  gelatine: "gelatine",
  rennet: "rennet",
  carmine: "carmine",
  shellac: "shellac",
  beeswax: "beeswax",
  honey: "honey",
  alcohol: "alcohol",
};
export const marketWords: Words<Market> = {
  us: "the nine of the United States",
  eu: "the fourteen of the EU and the UK",
  anz: "the list of Australia and New Zealand",
};
export const verdictTitle: Words<VerdictWord> = {
  contains: "contains",
  "may-contain": "may contain",
  unknown: "unknown",
  clear: "none declared",
};

export const kitModeWords: Words<KitMode> = {
  "pre-measured": "everything pre-measured",
  "station-measures": "stations measure",
  "dry-mix": "dry mix ready",
};
export const demoWords: Words<DemoMode> = {
  "mix-and-load": "mixing and one load shown first",
  mix: "mixing shown first",
  along: "everyone steps along",
};
export const eggRuleWords: Words<EggRule> = {
  "by-weight": "half an egg is weighed, beaten",
  uneven: "whole eggs, uneven stations",
  "round-up": "round up to whole eggs",
};
export const containerPerWords: Words<Brief["containerPer"]> = {
  line: "a container for each line",
  bowl: "one for all a bowl takes at once",
};
export const mealModeWords: Words<MealMode> = {
  together: "all together, once the last piece is out",
  "as-it-comes": "as it comes, table by table",
};
export const batchRuleWords: Words<BatchRule> = {
  whole: "whole batches",
  half: "half batches allowed",
  quarter: "quarter batches allowed",
  exact: "just enough",
};

export const bellWords: Words<BellKind> = {
  doors: "Doors",
  "gather-mix": "Gather: mixing",
  mix: "Mix",
  rest: "Rest",
  "gather-load": "Gather: first load",
  pour: "Pour",
  swap: "Swap turns",
  eat: "Eat",
  clean: "Clean down",
  close: "Close",
};
/** What the room does at a bell; read out as it stands. At tables, in households apart, and where the instructor cooks alone. */
export const bellInstruction: Readonly<Record<RoomKind, Words<BellKind>>> = {
  tables: {
    doors: "Coats off, sleeves up, hair tied. Wash hands.",
    "gather-mix": "Spoons down. Come and watch the bowl.",
    mix: "Back to your stations. Unpack, call the list, say what is missing. Then mix.",
    rest: "Batter rests. Clear down, set the table.",
    "gather-load": "Come and watch one load, from pour to plate.",
    pour: "Test the heat. First pour.",
    swap: "Swap turns. Someone new at the heat.",
    eat: "Off with the heat. Sit down and eat.",
    clean: "Clean down. Count blades back.",
    close: "Thank you. Take home what is yours.",
  },
  homes: {
    doors: "Sleeves up, hair tied. Wash hands at your own sink. Turn the camera to your table.",
    "gather-mix": "Spoons down. Watch the bowl on the screen.",
    mix: "Unpack your kit, show the camera what is missing. Then mix.",
    rest: "Batter rests. Clear down, set your table.",
    "gather-load": "Watch one load on the screen, from pour to plate.",
    pour: "Test the heat of your own pan, an adult beside it. First pour.",
    swap: "Swap turns at home, an adult beside the heat.",
    eat: "Off with the heat. Show your plates, sit down and eat.",
    clean: "Clean down. Count blades back.",
    close: "Thank you. Good-bye.",
  },
  shown: {
    doors: "Coats off. Sit where you can see.",
    "gather-mix": "Watch the bowl.",
    mix: "The batter is mixed: say what goes in, and what to look for.",
    rest: "Batter rests. Time for questions.",
    "gather-load": "Watch one load, from pour to plate.",
    pour: "The heat is tested. First pour.",
    swap: "Half-way: say what has changed in the pan.",
    eat: "Off with the heat. Taste.",
    clean: "Clean down. Count blades back.",
    close: "Thank you. Good-bye.",
  },
};
export const taskWords: Words<TaskKind> = {
  arrive: "Arrive, wash hands",
  "demo-mix": "Mixing shown",
  prepare: "Prepare",
  mix: "Mix",
  wait: "Wait",
  rest: "Batter rests",
  part: "Sauce, filling",
  after: "After cooking",
  preheat: "Preheat",
  "demo-load": "One load shown",
  wash: "Wash the surface",
  tester: "Tester",
  load: "Load",
  eat: "Eat",
  clean: "Clean down",
};
/** The same for a block of a lane, where room is short. */
export const laneWords: Words<TaskKind> = {
  arrive: "arrive",
  "demo-mix": "watch",
  prepare: "prepare",
  mix: "mix",
  wait: "wait",
  rest: "rest",
  part: "sauce",
  after: "after",
  preheat: "heating",
  "demo-load": "one load",
  wash: "wash",
  tester: "tester",
  load: "load",
  eat: "eat",
  clean: "clean",
};
export const criticalWords: Words<CriticalPart["kind"]> = {
  ...taskWords,
  queue: "Waiting for a surface",
  load: "At the heat",
};
export const stationStateWords: Words<StationState> = {
  waiting: "waiting",
  heating: "heating",
  ready: "ready",
  poured: "poured",
  turned: "turned",
  done: "done",
  stuck: "stuck",
};

export const figureWords: Words<KeyFigure["code"]> = {
  stations: "Stations",
  "pieces-per-batch": "Pieces from a batch",
  batches: "Batches at stations",
  "pieces-made": "Pieces made",
  over: "Left over",
  loads: "Loads",
  minutes: "Doors to close",
  slack: "Minutes to spare",
  total: "To buy",
};

const read = (reason: { product: string; readBy: string; readOn: string }) =>
  `the label of “${reason.product}”, read by ${reason.readBy} on ${reason.readOn}`;
const under = (substance: Substance, declared: Substance) =>
  substance === declared
    ? substanceWords[declared]
    : `${substanceWords[declared]}, which bears on ${substanceWords[substance]}`;

/** One reason of a verdict as a clause about an ingredient. */
export const reasonWords: {
  readonly [W in Reason["why"]]: (reason: Extract<Reason, { why: W }>, ingredient: string, locale: string) => string;
} = {
  "not-answered": () => "has not answered yet, and no answer is not “none”",
  "words-not-read": () => "what they wrote in their own words has not been turned into needs by anyone yet",
  "second-answer": () => "a second answer came in that nobody has compared with the first",
  "no-needs": () => "answered: nothing to avoid",
  "by-nature": (reason) => `it has ${under(reason.substance, reason.declared)} by nature`,
  "label-contains": (reason) => `${read(reason)}, says it contains ${under(reason.substance, reason.declared)}`,
  "label-may-contain": (reason) => `${read(reason)}, says it may contain ${under(reason.substance, reason.declared)}`,
  "label-unread": (reason, ingredient) =>
    `nobody has read the label of the ${ingredient} for ${substanceWords[reason.substance]}`,
  "ask-about-coconut": (reason, ingredient) =>
    `${ingredient} has coconut: ask whether their ${substanceWords[reason.substance]} advice includes it`,
  "ask-about-faith": (reason, ingredient) =>
    `${ingredient} has or may have ${substanceWords[reason.substance]}: ask what their rules say of it`,
  "none-declared": (reason) => `no ${substanceWords[reason.substance]} declared on ${read(reason)}`,
  "silence-says-nothing": (reason) =>
    `the label of “${reason.product}” need not name ${substanceWords[reason.substance]} (${marketWords[reason.market]}), so its silence says nothing until somebody looks through the whole list`,
  "looked-for": (reason) =>
    `${reason.readBy} looked for ${substanceWords[reason.what as Substance] ?? reason.what} on the whole label of “${reason.product}” and found none, ${reason.readOn}`,
  "is-food": (reason, ingredient) => `${ingredient} is ${reason.food} or made of it`,
  "label-names-food": (reason) => `the label of “${reason.product}” names ${reason.food}`,
  "food-not-looked-for": (reason, ingredient) =>
    `nobody has looked through the label of the ${ingredient} for ${reason.food}`,
  "not-this-food": (reason, ingredient) => `${ingredient} is a whole food and not ${reason.food}`,
  "gluten-free-claim": (reason) =>
    `“${reason.product}” claims to be gluten-free (${reason.market === "anz" ? "none detectable" : "at most 20 ppm"}), read by ${reason.readBy}, ${reason.readOn}`,
  "ask-about-oats": (_reason, _ingredient, locale) =>
    `oats labelled gluten-free: for ${inRegion("coeliac", locale)} disease only where that was agreed with the clinician; ask`,
  "ask-about-wheat-starch": (reason, _ingredient, locale) =>
    `“${reason.product}” claims to be gluten-free and has gluten-free wheat starch or the like: it may suit ${inRegion("coeliac", locale)} disease; ask`,
  "may-be-food": (reason, ingredient) =>
    `${ingredient} may be ${reason.food} or have some in it: look, or ask who bought it`,
  "word-not-understood": (reason) =>
    `“${reason.food}” is no word this program knows: until somebody says which foods it covers, nothing is known`,
  "word-misspelt": (reason) =>
    `“${reason.food}” may be a slip for “${reason.nearest}”: until somebody says which foods it covers, nothing is known`,
  "animal-not-named": (reason, ingredient) =>
    `${ingredient} has ${substanceWords[reason.declared].toLowerCase()} and nobody says of which animal: ask the maker whether it is from ${substanceWords[reason.substance].toLowerCase()}`,
  "ask-about-lupin": (reason, ingredient) =>
    `${ingredient} has lupin, a relative of peanut that some people with ${substanceWords[reason.substance].toLowerCase()} allergy react to: ask them or their clinician`,
  "whole-food": (reason, ingredient) => `${ingredient} is a whole food without ${substanceWords[reason.substance]}`,
  "not-in-pantry": (_reason, ingredient) => `${ingredient} is not in the pantry, so nothing is known of it`,
};

/** The words of one reason. */
export const sayReason = (reason: Reason, ingredient: string, locale: string): string =>
  (reasonWords[reason.why] as (reason: Reason, ingredient: string, locale: string) => string)(
    reason,
    ingredient,
    locale,
  );
