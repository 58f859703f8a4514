import { surfaceIdOf } from "~/core/ids";
import { type CalendarDateTime, today, toCalendarDateTime, Time } from "@internationalized/date";
import type { Kitchen } from "~/core/gear";
import type { LabelReading, Substance } from "~/core/pantry";
import type { AgeBand, Need, Participant, Severity } from "~/core/people";
import type { Brief, ClassInput, Dish } from "~/core/plan";
import { ratio, inMinutes, inGrams } from "~/core/quantity";
import type { Recipe, Tool } from "~/core/recipe";
import { starterPantry } from "~/core/pantry";
import { starterRecipes } from "./recipes";

/**
 * The demonstration: the galley of an invented rowing club's boathouse, where breakfast workshops are given to juniors, their
 * grown-ups and masters crews. Every name is made up.
 */
export const demoTimeZone = "Europe/London";
export const demoAccounts = [
  { email: "lead@boathouse.example", name: "Marit Quill", role: "lead", password: "three-bells-and-flour" },
  { email: "assistant@boathouse.example", name: "Tobin Reed", role: "assistant", password: "two-spoons-and-salt" },
] as const;

const recipe = (id: string): Recipe => {
  const found = starterRecipes.find((one) => one.id === id);
  if (!found) throw new Error(`the demonstration names a recipe that is not there: ${id}`);
  return found;
};

const gear = (owned: Partial<Record<Tool, number>>): Kitchen["gear"] =>
  Object.entries(owned).map(([tool, count]) => ({ tool: tool as Tool, owned: count }));

export const demoKitchens: readonly Kitchen[] = [
  {
    id: "galley",
    name: "Boathouse galley",
    sinks: 2,
    surfaces: [
      {
        id: surfaceIdOf("griddle"),
        name: "Long griddle",
        kind: "electric-griddle",
        places: 6,
        count: 2,
        at: "shared",
        preheatMinutes: null,
        watts: 1400,
        size: { kind: "rect", widthCm: 70, depthCm: 35 },
        coating: "non-stick",
      },
      {
        id: surfaceIdOf("crepe-pan"),
        name: "Crepe pan",
        kind: "crepe-pan",
        places: 1,
        count: 4,
        at: "shared",
        preheatMinutes: null,
        watts: 0,
      },
      {
        id: surfaceIdOf("iron"),
        name: "Waffle iron",
        kind: "waffle-iron",
        places: 2,
        count: 3,
        at: "shared",
        preheatMinutes: inMinutes(7),
        watts: 1000,
        lamp: "ready",
      },
    ],
    circuits: [
      { id: "island", name: "Island, both sides", volts: 230, amps: 20, sockets: 4, plugAmps: 13 },
      { id: "window", name: "Under the window", volts: 230, amps: 16, sockets: 2, plugAmps: 13 },
    ],
    floor: {
      widthM: 8,
      depthM: 6,
      marks: [
        { kind: "heat", label: "griddles", x: 4, y: 1 },
        { kind: "water", label: "two sinks", x: 7, y: 1 },
        { kind: "station", label: "Stroke", x: 2, y: 3.25 },
        { kind: "station", label: "Bow", x: 4, y: 3.25 },
        { kind: "station", label: "Rudder", x: 6, y: 3.25 },
        { kind: "allergy-table", label: "", x: 1, y: 5.25 },
        { kind: "cold", label: "fridge", x: 0.75, y: 1 },
        { kind: "exit", label: "to the slipway", x: 7.25, y: 5.5 },
        { kind: "extinguisher", label: "", x: 5.5, y: 0.5 },
        { kind: "topping-bar", label: "", x: 4.25, y: 5.25 },
      ],
    },
    gear: gear({
      "mixing-bowl": 8,
      "small-bowl": 8,
      whisk: 8,
      spatula: 8,
      ladle: 6,
      turner: 6,
      "measuring-set": 6,
      scale: 1,
      jug: 6,
      "egg-cup": 14,
      brush: 6,
      tray: 6,
      towel: 16,
      plate: 30,
      fork: 30,
      knife: 6,
      board: 6,
      sieve: 4,
    }),
  },
  {
    id: "hall",
    name: "Long hall, folding tables",
    sinks: 1,
    surfaces: [
      {
        id: surfaceIdOf("griddle"),
        name: "Carried griddle",
        kind: "electric-griddle",
        places: 4,
        count: 2,
        at: "shared",
        preheatMinutes: inMinutes(12),
        watts: 1400,
        size: { kind: "rect", widthCm: 50, depthCm: 26 },
        coating: "non-stick",
        hasHotHandle: true,
      },
      {
        id: surfaceIdOf("hob"),
        name: "Camping pan",
        kind: "hob-pan",
        places: 3,
        count: 1,
        at: "shared",
        preheatMinutes: null,
        watts: 0,
        size: { kind: "round", diameterCm: 28 },
        coating: "seasoned",
        hasHotHandle: true,
      },
    ],
    circuits: [
      { id: "stage", name: "Wall by the stage", volts: 230, amps: 10, sockets: 2, plugAmps: 13 },
      { id: "hatch", name: "Beside the hatch", volts: 230, amps: 10, sockets: 1, plugAmps: 13 },
    ],
    floor: {
      widthM: 10,
      depthM: 6,
      marks: [
        { kind: "heat", label: "griddles", x: 3.5, y: 0.75 },
        { kind: "heat", label: "camping pan", x: 6.5, y: 0.75 },
        { kind: "water", label: "sink", x: 9.25, y: 0.75 },
        { kind: "station", label: "Stroke", x: 1.75, y: 3 },
        { kind: "station", label: "Bow", x: 4, y: 3 },
        { kind: "station", label: "Rudder", x: 6.25, y: 3 },
        { kind: "station", label: "Anchor", x: 8.5, y: 3 },
        { kind: "cold", label: "cool boxes", x: 0.9, y: 0.75 },
        { kind: "exit", label: "to the stage", x: 1.25, y: 5.5 },
        { kind: "extinguisher", label: "", x: 5, y: 5.5 },
      ],
    },
    gear: gear({
      "mixing-bowl": 6,
      "small-bowl": 6,
      whisk: 4,
      spatula: 6,
      ladle: 4,
      turner: 4,
      "measuring-set": 4,
      scale: 1,
      jug: 4,
      "egg-cup": 10,
      tray: 3,
      plate: 24,
      fork: 24,
    }),
  },
];

const brief = (more: Partial<Brief>): Brief => ({
  strictTolerancePercent: 2,
  usualTolerancePercent: 5,
  easesSpice: false,
  people: 12,
  tasters: 0,
  audience: "adults",
  minutes: inMinutes(120),
  piecesEach: ratio(3n),
  stationSize: 3,
  helpers: 1,
  kitMode: "pre-measured",
  demo: "mix-and-load",
  testersPerSurface: 1,
  batchRule: "half",
  eggRule: "by-weight",
  containerPer: "line",
  measuringSetId: "us-usual",
  missingScoops: [],
  regime: "eu",
  hotPlacesPerAdult: 2,
  doorsMinutes: inMinutes(10),
  eatMinutes: inMinutes(15),
  cleanMinutes: inMinutes(10),
  hasDemoBatch: true,
  hasSpareKit: false,
  isRemote: false,
  stationNames: [],
  ...more,
});

const avoids = (substance: Substance, severity: Severity, note = "", touchOrAir = false): Need => ({
  kind: "substance",
  substance,
  severity,
  touchOrAir,
  note,
  ...(note === "" ? {} : { noteReadBy: "Marit Quill" }),
});
const person = (
  id: string,
  name: string,
  ageBand: AgeBand,
  needs: readonly Need[] | "silent" = [],
  role: Participant["role"] = "cook",
): Participant =>
  needs === "silent"
    ? { id, name, role, ageBand, hasAnswered: false, needs: [] }
    : { id, name, role, ageBand, hasAnswered: true, needs };

const lookedFor: readonly Substance[] = [
  "meat",
  "gelatine",
  "rennet",
  "carmine",
  "shellac",
  "beeswax",
  "honey",
  "alcohol",
  "coconut",
];
const label = (
  ingredientId: string,
  product: string,
  readOn: string,
  contains: readonly Substance[] = [],
  mayContain: readonly Substance[] = [],
): LabelReading => ({
  ingredientId,
  product,
  contains,
  mayContain,
  // No law makes a label name these; somebody looked through the whole list for those who leave them out.
  lookedFor: lookedFor.filter((one) => !contains.includes(one) && !mayContain.includes(one)),
  readBy: "Marit Quill",
  readOn,
});

const dish = (id: string, made: Recipe, variantId: string | null = null, stations: number | null = null): Dish => ({
  id,
  recipe: made,
  variantId,
  stations,
});

const juniors: readonly Participant[] = [
  person("j01", "Wren Adeyo", "6-11"),
  person("j03", "Pim Castellan", "6-11"),
  person("j04", "Juniper Dray", "6-11", "silent"),
  person("j05", "Silas Ember", "12-17"),
  person("j06", "Mabel Fenwright", "6-11", [{ kind: "diet", diet: "vegetarian", note: "" }]),
  person("j07", "Idris Galloway-Finch", "12-17"),
  {
    ...person("j08", "Nell Harrowgate", "6-11", [avoids("hazelnut", "rescue-medicine", "pen in the red bag", true)]),
    emergency: "pen and plan in the red bag on the hook by the galley door",
    answered: { by: "Orla Harrowgate, her mother", on: "2026-11-18" },
  },
  { ...person("j09", "Bo Iversand", "6-11"), words: { text: "goes easy on things with bits in", readBy: null } },
  person("j10", "Clem Juster", "6-11", "silent"),
  { ...person("j11", "Dorrit Kestle", "12-17"), note: "left-handed, turns from the other side" },
  person("j12", "Ezra Larkspur", "6-11", [avoids("egg", "intolerance", "baked egg is fine, says his father")]),
  person("j02", "Ottoline Brask", "6-11", [avoids("milk", "allergy", "hives within minutes")]),
  person("j13", "Fay Mosswell", "6-11", "silent"),
  person("helper", "Hedda Norling", "adult", [], "helper"),
];
const masters: readonly Participant[] = [
  person("m01", "Aldous Oxbow", "adult"),
  person(
    "m02",
    "Birgit Pell",
    "adult",
    [avoids("gluten", "coeliac", "brings her own plate and will not cook today")],
    "taster",
  ),
  person("m03", "Cosmo Quaile", "adult"),
  person("m04", "Delphine Rusk", "adult", [avoids("tree-nut", "allergy")]),
  person("m05", "Emrys Sallow", "adult"),
  person("m06", "Freya Tarn", "adult", [avoids("milk", "intolerance")]),
  person("m07", "Gideon Umber", "adult"),
  person("m08", "Honor Vale", "adult"),
  person("m09", "Ivo Wick", "adult", [{ kind: "diet", diet: "vegetarian", note: "" }]),
  person("m10", "Jessamy Yarrow", "adult"),
  person("m11", "Kit Zeller", "adult"),
  person("m12", "Leopold Arbour", "adult", [avoids("sesame", "allergy")]),
  person("m13", "Maud Birchall", "adult"),
];
const families: readonly Participant[] = [
  person("f01", "Noor Cobble", "adult", [], "grown-up"),
  { ...person("f02", "Pip Cobble", "under-6"), grownUpId: "f01" },
  person("f03", "Quentin Dell", "adult", [], "grown-up"),
  { ...person("f04", "Rosa Dell", "6-11", [avoids("peanut", "allergy")]), grownUpId: "f03" },
  person("f05", "Stellan Eyot", "adult", [], "grown-up"),
  { ...person("f06", "Tansy Eyot", "6-11"), grownUpId: "f05" },
  person("f07", "Una Ford", "adult", [], "grown-up"),
  { ...person("f08", "Vesper Ford", "6-11", [avoids("soy", "intolerance")]), grownUpId: "f07" },
];

const labelsOf = (readOn: string, ids: readonly string[]): LabelReading[] => {
  const known: Record<string, LabelReading> = Object.fromEntries(
    [
      label("plain-flour", "plain flour, 1.5 kg bag", readOn, ["wheat"]),
      label("baking-powder", "baking powder, tin", readOn),
      label("sugar", "granulated sugar", readOn),
      label("fine-salt", "table salt", readOn),
      label("whole-milk", "whole milk, 2 l", readOn, ["milk"]),
      label("semi-skimmed-milk", "semi-skimmed milk, 2 l", readOn, ["milk"]),
      label("butter", "unsalted butter", readOn, ["milk"]),
      label("sunflower-oil", "sunflower oil", readOn),
      label("chocolate-spread", "chocolate spread, jar", readOn, ["milk", "hazelnut", "soy"], ["almond"]),
      label("syrup", "breakfast syrup", readOn),
      label("pan-spray", "pan spray", readOn, ["soy"]),
      label("jam", "strawberry jam", readOn),
      label("vanilla", "vanilla extract", readOn, ["alcohol"]),
      label("oat-drink", "oat drink", readOn, ["oats"], ["wheat"]),
    ].map((one) => [one.ingredientId, one]),
  );
  return ids.flatMap((id) => known[id] ?? []);
};

const iso = (when: CalendarDateTime): string => when.toString().slice(0, 16);

/** What the demonstration holds, for a given day: one class next Saturday, one today, one taught last month. */
export function demoClasses(day = today(demoTimeZone)): { next: ClassInput; current: ClassInput; taught: ClassInput } {
  const [galley, hall] = demoKitchens;
  if (!galley || !hall) throw new Error("the demonstration has two kitchens");
  const saturday = 6;
  const weekday = day.toDate(demoTimeZone).getUTCDay();
  // From Saturday on it is the following week's: a class that is still to be planned lies ahead.
  const ahead = (saturday - weekday + 7) % 7 || 7;
  const at = (date: typeof day, hour: number, minute = 0) => iso(toCalendarDateTime(date, new Time(hour, minute)));
  const common = {
    timeZone: demoTimeZone,
    currency: "EUR",
    pantry: starterPantry,
    packs: [
      {
        ingredientId: "butter",
        unitGrams: inGrams(250),
        unitsPerPack: 1,
        unitName: "block",
        price: 215,
        sizes: [{ unitGrams: inGrams(500), unitsPerPack: 1, price: 399 }],
      },
      { ingredientId: "egg", unitGrams: inGrams(50), unitsPerPack: 6, unitName: "egg", price: 190 },
      {
        ingredientId: "plain-flour",
        unitGrams: inGrams(1500),
        unitsPerPack: 1,
        unitName: "bag",
        price: 95,
        sizes: [{ unitGrams: inGrams(500), unitsPerPack: 1, price: 60 }],
      },
      { ingredientId: "sugar", unitGrams: inGrams(1000), unitsPerPack: 1, unitName: "bag", price: 120 },
      { ingredientId: "fine-salt", unitGrams: inGrams(750), unitsPerPack: 1, unitName: "tub", price: 70 },
      {
        ingredientId: "whole-milk",
        unitGrams: inGrams(2060),
        unitsPerPack: 1,
        unitName: "bottle",
        price: 165,
        sizes: [{ unitGrams: inGrams(1030), unitsPerPack: 1, price: 110 }],
      },
      {
        ingredientId: "semi-skimmed-milk",
        unitGrams: inGrams(2060),
        unitsPerPack: 1,
        unitName: "bottle",
        price: 160,
        sizes: [{ unitGrams: inGrams(1030), unitsPerPack: 1, price: 105 }],
      },
      { ingredientId: "blueberries", unitGrams: inGrams(150), unitsPerPack: 1, unitName: "punnet", price: 180 },
      { ingredientId: "lemon-juice", unitGrams: inGrams(120), unitsPerPack: 4, unitName: "lemon", price: 130 },
      { ingredientId: "jam", unitGrams: inGrams(340), unitsPerPack: 1, unitName: "jar", price: 145 },
      { ingredientId: "syrup", unitGrams: inGrams(450), unitsPerPack: 1, unitName: "bottle", price: 260 },
      { ingredientId: "chocolate-spread", unitGrams: inGrams(400), unitsPerPack: 1, unitName: "jar", price: 290 },
      { ingredientId: "vanilla", unitGrams: inGrams(38), unitsPerPack: 1, unitName: "bottle", price: 210 },
      { ingredientId: "pan-spray", unitGrams: inGrams(200), unitsPerPack: 1, unitName: "can", price: 230 },
      { ingredientId: "oat-drink", unitGrams: inGrams(1030), unitsPerPack: 1, unitName: "carton", price: 180 },
      { ingredientId: "sunflower-oil", unitGrams: inGrams(920), unitsPerPack: 1, unitName: "bottle", price: 220 },
      { ingredientId: "baking-powder", unitGrams: inGrams(170), unitsPerPack: 1, unitName: "tin", price: 140 },
    ],
  };
  const [pancakes, crepes, waffles] = [recipe("slipway-pancakes"), recipe("towpath-crepes"), recipe("oarlock-waffles")];
  const lastMonth = day.subtract({ days: 31 });
  return {
    next: {
      ...common,
      id: "demo-next",
      title: "Junior squad breakfast",
      startsAt: at(day.add({ days: ahead }), 9, 30),
      kitchen: hall,
      people: juniors,
      brief: brief({
        people: 14,
        audience: "school-age",
        minutes: inMinutes(90),
        stationSize: 4,
        piecesEach: ratio(3n),
        kitMode: "pre-measured",
        hotPlacesPerAdult: 2,
        helpers: 1,
        stationNames: ["Stroke", "Bow", "Rudder", "Anchor"],
        aims: ["Level a spoon with the back of a knife", "Tell when a pancake wants turning", "Say what makes it rise"],
      }),
      dishes: [dish("plain", pancakes), dish("no-milk", pancakes, "no-milk", 1)],
      labels: labelsOf(iso(toCalendarDateTime(day.subtract({ days: 2 }))).slice(0, 10), [
        "plain-flour",
        "sugar",
        "fine-salt",
        "whole-milk",
        "butter",
      ]),
      shared: [{ id: "curd", name: "damson curd", broughtBy: "Hedda Norling", label: null }],
    },
    current: {
      ...common,
      id: "demo-today",
      title: "Masters' crepe morning",
      startsAt: at(day, 10),
      kitchen: galley,
      people: masters,
      brief: brief({
        people: 12,
        audience: "adults",
        minutes: inMinutes(150),
        stationSize: 3,
        piecesEach: ratio(3n),
        kitMode: "station-measures",
        measuringSetId: "metric-usual",
        stationNames: ["Heron", "Otter", "Willow", "Kingfisher"],
      }),
      dishes: [dish("crepes", crepes)],
      labels: labelsOf(iso(toCalendarDateTime(day.subtract({ days: 1 }))).slice(0, 10), [
        "plain-flour",
        "fine-salt",
        "semi-skimmed-milk",
        "butter",
        "sugar",
        "chocolate-spread",
      ]),
    },
    taught: {
      ...common,
      id: "demo-taught",
      title: "Grown-ups and juniors: waffles",
      startsAt: at(lastMonth, 9),
      kitchen: galley,
      people: families,
      brief: brief({
        people: 8,
        audience: "mixed",
        minutes: inMinutes(100),
        stationSize: 2,
        piecesEach: ratio(3n, 2n),
        kitMode: "dry-mix",
        demo: "mix-and-load",
        measuringSetId: "metric-usual",
        hasDemoBatch: true,
      }),
      dishes: [dish("waffles", waffles)],
      labels: labelsOf(iso(toCalendarDateTime(lastMonth.subtract({ days: 1 }))).slice(0, 10), [
        "plain-flour",
        "baking-powder",
        "sugar",
        "fine-salt",
        "semi-skimmed-milk",
        "sunflower-oil",
        "vanilla",
        "pan-spray",
        "jam",
      ]),
    },
  };
}

/** How the taught class really went: minutes each bell was late, by kind; what the log shows beside the plan. */
export const demoDrift: Readonly<Record<string, number>> = {
  doors: 0,
  "gather-mix": 2,
  mix: 3,
  rest: 4,
  "gather-load": 5,
  pour: 6.5,
  swap: 9,
  eat: 11,
  clean: 10,
  close: 12,
};

/** Where reminders of the class that is still to be planned go. */
export const demoAddresses: Readonly<Record<string, string>> = {
  "Juniper Dray": "dray@house.example",
  "Fay Mosswell": "mosswell@house.example",
};
