import { type CalendarDateTime, today, toCalendarDateTime, Time } from "@internationalized/date";
import type { Kitchen } from "~/core/gear";
import type { LabelReading, Substance } from "~/core/pantry";
import type { AgeBand, Need, Participant, Severity } from "~/core/people";
import type { Brief, ClassInput, Dish } from "~/core/plan";
import { ratio } from "~/core/quantity";
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
        id: "griddle",
        name: "Long griddle",
        kind: "electric-griddle",
        places: 6,
        count: 2,
        at: "shared",
        preheatMinutes: null,
        watts: 1400,
      },
      {
        id: "crepe-pan",
        name: "Crepe pan",
        kind: "crepe-pan",
        places: 1,
        count: 4,
        at: "shared",
        preheatMinutes: null,
        watts: 0,
      },
      {
        id: "iron",
        name: "Waffle iron",
        kind: "waffle-iron",
        places: 2,
        count: 3,
        at: "shared",
        preheatMinutes: 7,
        watts: 1000,
      },
    ],
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
        id: "griddle",
        name: "Carried griddle",
        kind: "electric-griddle",
        places: 4,
        count: 2,
        at: "shared",
        preheatMinutes: 12,
        watts: 1400,
      },
      {
        id: "hob",
        name: "Camping pan",
        kind: "hob-pan",
        places: 3,
        count: 1,
        at: "shared",
        preheatMinutes: null,
        watts: 0,
      },
    ],
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
  people: 12,
  audience: "adults",
  minutes: 120,
  piecesEach: ratio(3n),
  stationSize: 3,
  helpers: 1,
  kitMode: "pre-measured",
  demo: "mix-and-load",
  testersPerSurface: 1,
  batchRule: "half",
  measuringSetId: "us-usual",
  regime: "eu",
  hotPlacesPerAdult: 2,
  doorsMinutes: 10,
  eatMinutes: 15,
  cleanMinutes: 10,
  hasDemoBatch: true,
  hasSpareKit: false,
  stationNames: [],
  ...more,
});

const avoids = (substance: Substance, severity: Severity, note = "", touchOrAir = false): Need => ({
  kind: "substance",
  substance,
  severity,
  touchOrAir,
  note,
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

const label = (
  ingredientId: string,
  product: string,
  readOn: string,
  contains: readonly Substance[] = [],
  mayContain: readonly Substance[] = [],
): LabelReading => ({ ingredientId, product, contains, mayContain, readBy: "Marit Quill", readOn });

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
  person("j08", "Nell Harrowgate", "6-11", [avoids("hazelnut", "rescue-medicine", "pen in the red bag", true)]),
  person("j09", "Bo Iversand", "6-11"),
  person("j10", "Clem Juster", "6-11", "silent"),
  person("j11", "Dorrit Kestle", "12-17"),
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
  person("f02", "Pip Cobble", "under-6"),
  person("f03", "Quentin Dell", "adult", [], "grown-up"),
  person("f04", "Rosa Dell", "6-11", [avoids("peanut", "allergy")]),
  person("f05", "Stellan Eyot", "adult", [], "grown-up"),
  person("f06", "Tansy Eyot", "6-11"),
  person("f07", "Una Ford", "adult", [], "grown-up"),
  person("f08", "Vesper Ford", "6-11", [avoids("soy", "intolerance")]),
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
    pantry: starterPantry,
    packs: [
      { ingredientId: "butter", unitGrams: 250, unitsPerPack: 1, unitName: "block" },
      { ingredientId: "egg", unitGrams: 50, unitsPerPack: 6, unitName: "egg" },
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
        minutes: 90,
        stationSize: 4,
        piecesEach: ratio(3n),
        kitMode: "pre-measured",
        hotPlacesPerAdult: 2,
        helpers: 1,
        stationNames: ["Stroke", "Bow", "Rudder", "Anchor"],
      }),
      dishes: [dish("plain", pancakes), dish("no-milk", pancakes, "no-milk", 1)],
      labels: labelsOf(iso(toCalendarDateTime(day.subtract({ days: 2 }))).slice(0, 10), [
        "plain-flour",
        "sugar",
        "fine-salt",
        "whole-milk",
        "butter",
      ]),
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
        minutes: 150,
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
        minutes: 100,
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
