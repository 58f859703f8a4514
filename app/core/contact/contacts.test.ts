import fc from "fast-check";
import { judgeItem } from "~/core/allergen";
import { type Ingredient, type LabelReading, type Substance, foodAt, knownFood, starterPantry } from "~/core/pantry";
import { type Participant, stationIndex } from "~/core/people";
import type { ClassInput, ClassPlan } from "~/core/plan";
import { plan } from "~/core/plan";
import { starterRecipes } from "~/demo/recipes";
import { classes, labels as someLabels, need } from "../../../test/generators";
import { type Trace, newTraces, tracesOf } from "./contacts";

const gluten = ["wheat", "rye", "barley", "oats"];
const nuts = ["almond", "hazelnut", "walnut", "cashew", "pecan", "brazil-nut", "pistachio", "macadamia", "pine-nut"];
const meats = ["pork", "beef", "lard"];
const animals = ["fish", "crustacean", "mollusc", "meat", "gelatine", "rennet", "carmine"];
const leavesOut: Record<string, string[]> = {
  vegetarian: animals,
  vegan: ["milk", "egg", ...animals, "shellac", "beeswax", "honey"],
  "no-alcohol": ["alcohol"],
  faith: ["meat", "gelatine", "rennet", "crustacean", "mollusc", "alcohol", "carmine", "shellac"],
};
/** Of which animals something may be that does not say of which; nothing where an animal stands beside it. */
const mayBeOf: Record<string, string[]> = {
  gelatine: ["meat", "pork", "beef", "fish"],
  rennet: ["meat", "pork", "beef"],
  lard: ["pork", "beef"],
};
const mayBe = (all: readonly string[], avoided: string): boolean =>
  !all.some((one) => ["pork", "beef", "fish"].includes(one)) && all.some((one) => mayBeOf[one]?.includes(avoided));

/** Traces as words, so that two plans of the same class can be held against each other. */
const written = (trace: Trace | undefined): string => {
  if (!trace) return "";
  if (trace.certainty === "food") return ["food", trace.ingredientId, trace.names.name].join(" ");
  if (trace.certainty === "silent")
    return ["silent", trace.ingredientId, trace.market, trace.seenFrom, trace.isGlutenFree, ...trace.lookedFor].join(
      " ",
    );
  return [trace.certainty, "substance" in trace ? trace.substance : trace.ingredientId].join(" ");
};
const tracesWritten = (
  ids: readonly string[],
  known: Pick<ReturnType<typeof knownFood>, "pantry" | "labels">,
  asks = { foods: true, silence: true },
): string[] => {
  const traces = newTraces();
  return [...tracesOf(ids, known.pantry, known.labels, traces, asks)].map((name) => written(traces.traceOf(name)));
};
/** What each law makes a label name, written out from the lists; groups with their members. */
const mustName: Record<string, string[]> = {
  us: ["milk", "egg", "fish", "crustacean", "tree-nut", ...nuts, "peanut", "wheat", "soy", "sesame"],
  eu: [
    ...["gluten", ...gluten, "crustacean", "egg", "fish", "peanut", "soy", "milk", "tree-nut"],
    ...nuts.filter((nut) => nut !== "pine-nut"),
    ...["celery", "mustard", "sesame", "sulphite", "lupin", "mollusc"],
  ],
  anz: [
    ...["milk", "egg", "fish", "crustacean", "mollusc", "peanut", "soy", "sesame", "gluten", ...gluten],
    ...["lupin", "sulphite", "tree-nut", ...nuts],
  ],
};
/** Which ingredients are a food, by hand. */
const isIt: Record<string, string[]> = {
  corn: ["fine-cornmeal", "cornflour", "sweetcorn"],
  Banana: ["banana"],
  cinnamon: ["cinnamon", "mixed-spice"],
  strawberries: ["strawberries", "jam"],
};
const groups = [
  ["gluten", gluten],
  ["tree-nut", nuts],
  ["meat", meats],
] as const;
const touches = (declared: string, avoided: string): boolean =>
  declared === avoided ||
  groups.some(
    ([group, members]) =>
      (avoided === group && members.includes(declared)) || (declared === group && members.includes(avoided)),
  );
const rank = ["clear", "may-contain", "unknown", "contains"];
const worse = (a: string, b: string) => (rank.indexOf(a) >= rank.indexOf(b) ? a : b);

interface Wish {
  readonly avoided: string;
  readonly isFood: boolean;
  readonly isStrict: boolean;
  readonly isAsked: boolean;
  readonly isAir: boolean;
  readonly isCoeliac: boolean;
}
const plain = { isFood: false, isAsked: false, isAir: false, isCoeliac: false };
/** What a person leaves out, from the rules as they are told, with nothing shared with the code under test. */
const wishes = (person: Participant): Wish[] => [
  ...person.needs.flatMap((want): Wish[] => {
    if (want.kind === "diet")
      return (leavesOut[want.diet] ?? []).map((avoided) => ({
        ...plain,
        avoided,
        isStrict: false,
        isAsked: want.diet === "faith",
      }));
    const isStrict = ["rescue-medicine", "allergy", "coeliac"].includes(want.severity);
    const common = { ...plain, isStrict, isAir: want.touchOrAir };
    if (want.kind === "food") return [{ ...common, avoided: want.food, isFood: true }];
    const isCoeliac = want.severity === "coeliac" && ["gluten", ...gluten].includes(want.substance);
    return [{ ...common, avoided: isCoeliac ? "gluten" : want.substance, isCoeliac }];
  }),
  ...(person.ageBand === "under-1" ? [{ ...plain, avoided: "honey", isStrict: true }] : []),
];

function ofItem(wish: Wish, one: Ingredient | undefined, label: LabelReading | undefined): string {
  if (!one) return "unknown";
  const isPacked = one.label === "packaged";
  if (wish.isFood) {
    if (isIt[wish.avoided]?.includes(one.id) || (label?.foods ?? []).includes(wish.avoided)) return "contains";
    return !isPacked || label?.lookedFor?.includes(wish.avoided) ? "clear" : "unknown";
  }
  const says = (list: readonly string[] | undefined) =>
    list?.some((declared) => touches(declared, wish.avoided)) ?? false;
  const declared = [...one.contains, ...(label?.contains ?? [])].filter((each) => touches(each, "gluten"));
  if (wish.isCoeliac && label?.isGlutenFree && !says(label.mayContain)) {
    if (declared.length === 0) return "clear";
    if (declared.every((each) => each === "oats") && label.market !== "anz") return "unknown";
    const isWheat = declared.every((each) => ["oats", "wheat", "gluten"].includes(each));
    if (isWheat && !says(one.contains) && !declared.every((each) => each === "oats")) return "unknown";
  }
  const market = label?.market ?? "eu";
  // Pine nuts are tree nuts where the class goes by another list than the label's.
  const isElsewhere = wish.avoided === "tree-nut" && market === "eu" && (label?.seenFrom ?? "eu") !== "eu";
  const isHeard =
    (mustName[market]?.includes(wish.avoided) && !isElsewhere) || label?.lookedFor?.includes(wish.avoided);
  let word = !isPacked || (label && isHeard) ? "clear" : "unknown";
  const all: string[] = [...one.contains, ...(label?.contains ?? []), ...(label?.mayContain ?? [])];
  if (mayBe(all, wish.avoided)) word = "unknown";
  if (wish.avoided === "peanut" && wish.isStrict && all.includes("lupin")) word = "unknown";
  if (all.includes("coconut") && (wish.avoided === "tree-nut" || nuts.includes(wish.avoided))) word = "unknown";
  if (says(label?.mayContain)) word = wish.isStrict ? "contains" : "may-contain";
  if (says(one.contains) || says(label?.contains)) word = "contains";
  return wish.isAsked && (word === "contains" || word === "may-contain") ? "unknown" : word;
}

const isOpen = (person: Participant) =>
  !person.hasAnswered ||
  person.isContested === true ||
  person.needs.some((one) => one.note !== "" && !one.noteReadBy) ||
  (person.words !== undefined &&
    (person.words.readBy === null || (person.needs.length === 0 && !person.words.isNothing)));

const pantry = new Map(starterPantry.map((one) => [one.id, one]));

test("over 25,000 random classes, and many more in the long look: no false clear, and no alarm that the rules do not raise", () => {
  const who = fc.record({
    hasAnswered: fc.boolean(),
    needs: fc.array(need, { maxLength: 3 }),
    ageBand: fc.constantFrom("under-1" as const, "6-11" as const, "adult" as const),
    words: fc.constantFrom(
      undefined,
      { text: "no bits", readBy: null },
      { text: "no bits", readBy: "Lead" },
      { text: "no bits", readBy: "Lead", isNothing: true },
    ),
    isContested: fc.constantFrom(undefined, undefined, true as const),
  });
  let plates = 0;
  const wrong: string[] = [];
  fc.assert(
    fc.property(
      fc.array(who, { minLength: 2, maxLength: 2 }),
      someLabels,
      fc.constantFrom(...starterRecipes),
      (people, read, recipe) => {
        const labels = new Map(read.map((one) => [one.ingredientId, one]));
        const ids = [...new Set(recipe.lines.map((line) => line.ingredientId))];
        for (const some of people) {
          const person: Participant = { ...some, id: "p", name: "P", role: "cook" };
          plates += 1;
          for (const id of ids) {
            const said = judgeItem(person, id, pantry.get(id), labels.get(id)).verdict;
            const expected = isOpen(person)
              ? "unknown"
              : wishes(person)
                  .map((wish) => ofItem(wish, pantry.get(id), labels.get(id)))
                  .reduce(worse, "clear");
            if (said !== expected) wrong.push(`${id}: ${said}, expected ${expected}`);
          }
        }
      },
    ),
    { numRuns: 25_000 },
  );
  expect(wrong.slice(0, 3)).toEqual([]);
  expect(plates).toBeGreaterThanOrEqual(50_000);
});

/** What a whole class leaves where, minute by minute of the timeline, told again from the rules. */
function reachedBySimulation(input: ClassInput, made: ClassPlan): Map<string, Set<string>> {
  const dishOf = new Map(made.dishes.map((dish) => [dish.id, dish.recipe]));
  const { pantry, labels } = knownFood(input);
  const traces = (ids: string[]) => tracesWritten(ids, { pantry, labels });
  // What a table has of its own product is on its plates; in one room it touches what the table touches.
  const at = (id: string) => (input.brief.isRemote ? knownFood(input) : foodAt(knownFood(input), stationIndex(id)));
  const recipeAt = (stationId: string) => dishOf.get(made.stations.find((one) => one.id === stationId)?.dishId ?? "");
  const has = new Map<string, Set<string>>();
  const put = (name: string): Set<string> => {
    const known = has.get(name) ?? new Set<string>();
    has.set(name, known);
    return known;
  };
  for (const station of made.stations)
    for (const trace of tracesWritten(
      recipeAt(station.id)?.lines.map((line) => line.ingredientId) ?? [],
      at(station.id),
    ))
      put(station.id).add(trace);
  const shown = made.dishes.find((dish) => dish.stations > 0)?.recipe;
  const demo =
    made.timeline.tasks.some((task) => task.kind === "demo-load") || input.brief.hasDemoBatch ? shown : undefined;
  if (demo) for (const trace of traces(demo.lines.map((line) => line.ingredientId))) put("demo").add(trace);
  const own = new Map([...has].map(([name, all]) => [name, new Set(all)]));
  const of = (bowl: string, stationId: string) => {
    const recipe = stationId === "demo" ? demo : recipeAt(stationId);
    return [...new Set(recipe?.lines.filter((line) => line.bowl === bowl).map((line) => line.ingredientId) ?? [])];
  };
  const isApart = (id: string) => made.stations.find((one) => one.id === id)?.isApart === true;

  const dusty = (stationId: string) =>
    [
      ...new Set((stationId === "demo" ? demo : recipeAt(stationId))?.lines.map((line) => line.ingredientId) ?? []),
    ].filter((id) => {
      const one = pantry.get(id);
      const isWetOrFat = ["fat", "spray", "liquid", "acid", "vanilla", "egg"].includes(one?.role ?? "");
      return one?.storage === "dry" && one.waterPercent < 30 && !isWetOrFat;
    });

  // The packing table comes first: those kept apart, then each kit's dry things after those of the kits before it.
  if (input.brief.kitMode !== "station-measures") {
    const table = new Set<string>();
    const order = [...made.stations.filter((one) => one.isApart), ...made.stations.filter((one) => !one.isApart)].map(
      (one) => one.id,
    );
    for (const id of input.brief.hasDemoBatch && demo ? [...order, "demo"] : order) {
      const dry = traces(dusty(id));
      for (const trace of table) put(id).add(trace);
      for (const trace of dry) table.add(trace);
    }
  }
  const short = new Set<string>(
    made.gear.filter((line) => line.short > 0 && line.perStation > 0).map((line) => line.tool),
  );
  const atHeat = ["ladle", "turner", "brush", "oven-gloves", "spatula"];
  const room = input.brief.isRemote ? [] : made.timeline.tasks;
  const pairs = room.flatMap((task): { who: string; what: string; from: number; to: number }[] => {
    const both = (who: string, what: string) => ({ who, what, from: task.start, to: task.end });
    const who = task.kind === "demo-load" ? "demo" : (task.stationId ?? "");
    const isHeat = ["load", "tester", "demo-load"].includes(task.kind);
    const isHand = ["mix", "prepare"].includes(task.kind);
    const tools = (who === "demo" ? [] : (recipeAt(who)?.steps.flatMap((step) => step.tools) ?? [])).filter(
      (tool) => short.has(tool) && atHeat.includes(tool) === isHeat,
    );
    if (task.kind === "eat")
      return made.stations
        .filter((one) => !one.isApart)
        .flatMap((one) => of("topping", one.id).map((id) => both(one.id, `topping ${id}`)));
    if (!isHeat && !isHand) return [];
    return [
      ...(isHeat && task.surfaceId ? [both(who, `unit ${task.surfaceId}`)] : []),
      ...(isApart(who)
        ? []
        : [
            ...(isHeat && task.surfaceId
              ? of("pan", who)
                  .filter((id) => pantry.get(id)?.role !== "spray")
                  .map((id) => both(who, `fat ${id}`))
              : []),
            ...(isHand && input.brief.kitMode === "station-measures"
              ? dusty(who).map((id) => both(who, `tub ${id}`))
              : []),
            ...tools.map((tool) => both(who, `tool ${tool}`)),
          ]),
    ];
  });
  const moments = [
    ...new Set([
      ...pairs.map((one) => one.from),
      ...made.timeline.tasks.filter((task) => task.kind === "wash").map((task) => task.end),
    ]),
  ].sort((a, b) => a - b);
  for (const now of moments) {
    for (const task of made.timeline.tasks)
      if (task.kind === "wash" && task.end === now && task.surfaceId) put(`unit ${task.surfaceId}`).clear();
    const open = pairs.filter((one) => one.from <= now && now < one.to);
    for (let moved = true; moved;) {
      moved = false;
      for (const { who, what } of open)
        for (const [from, to] of [
          [who, what],
          [what, who],
        ] as const)
          for (const trace of put(from))
            if (!put(to).has(trace)) {
              put(to).add(trace);
              moved = true;
            }
    }
  }
  return new Map(
    made.stations.map((station) => [
      station.id,
      new Set([...put(station.id)].filter((trace) => !own.get(station.id)?.has(trace))),
    ]),
  );
}

test("over whole random classes, apart or not, what reaches each plate is what the simulation of the room says", () => {
  let exposed = 0;
  fc.assert(
    fc.property(classes, fc.uniqueArray(fc.nat(5), { maxLength: 2 }), fc.boolean(), (random, apart, washesBetween) => {
      const input: ClassInput = { ...random, arrangement: { seats: null, apart, washesBetween } };
      const made = plan(input);
      const reached = reachedBySimulation(input, made);
      const known = knownFood(input);
      for (const plate of made.plates) {
        const person = input.people.find((one) => one.id === plate.participantId);
        const station = made.stations.find((one) => one.people.includes(plate.participantId));
        if (!person || !station || isOpen(person)) {
          expect(plate.exposures).toEqual([]);
          continue;
        }
        const air = made.stations.filter((one) => one !== station);
        let expected = "clear";
        for (const wish of wishes(person)) {
          const near = [...(reached.get(station.id) ?? [])];
          const around =
            wish.isAir && !input.brief.isRemote
              ? [
                  ...air.map((one) => ({
                    dishId: one.dishId as string | undefined,
                    food: foodAt(known, stationIndex(one.id)),
                  })),
                  ...(made.timeline.tasks.some((task) => task.kind === "demo-load") || input.brief.hasDemoBatch
                    ? [{ dishId: made.dishes.find((dish) => dish.stations > 0)?.id, food: known }]
                    : []),
                ].flatMap(({ dishId, food }) => [
                  ...tracesWritten(
                    made.dishes.find((dish) => dish.id === dishId)?.recipe.lines.map((line) => line.ingredientId) ?? [],
                    food,
                  ),
                ])
              : [];
          for (const trace of [...near, ...around]) {
            const [certainty = "", what = "", market = "", seenFrom = "", isGlutenFree = "", ...lookedFor] =
              trace.split(" ");
            const isNut = wish.avoided === "tree-nut" || nuts.includes(wish.avoided);
            if (certainty === "unread") expected = worse(expected, "unknown");
            else if (certainty === "food") {
              const isNamed = known.pantry.has(what) && isIt[wish.avoided]?.includes(what);
              if (wish.isFood && isNamed) expected = worse(expected, wish.isStrict ? "contains" : "may-contain");
            } else if (certainty === "silent") {
              const isElsewhere = wish.avoided === "tree-nut" && market === "eu" && seenFrom !== "eu";
              const isHeard =
                (mustName[market]?.includes(wish.avoided) && !isElsewhere) || lookedFor.includes(wish.avoided);
              if (!isHeard && !(wish.isCoeliac && isGlutenFree === "true")) expected = worse(expected, "unknown");
            } else if (wish.isFood) continue;
            else if (touches(what, wish.avoided))
              expected = worse(expected, wish.isAsked ? "unknown" : wish.isStrict ? "contains" : "may-contain");
            else if (mayBe([what], wish.avoided)) expected = worse(expected, "unknown");
            else if (what === "lupin" && wish.avoided === "peanut" && wish.isStrict)
              expected = worse(expected, "unknown");
            else if (what === "coconut" && isNut) expected = worse(expected, "unknown");
          }
        }
        if (expected !== "clear") exposed += 1;
        const said = plate.exposures.map((one) => one.verdict as string).reduce(worse, "clear");
        expect(said).toBe(expected);
        const items = plate.items.map((item) => item.verdict as string).reduce(worse, "clear");
        expect(plate.verdict).toBe(worse(items, said));
      }
    }),
    { numRuns: 220 },
  );
  expect(exposed).toBeGreaterThan(50);
});

test("households apart share nothing but the table at which their kits are packed", () => {
  let exposed = 0;
  fc.assert(
    fc.property(classes, (random) => {
      const input: ClassInput = {
        ...random,
        brief: { ...random.brief, isRemote: true, kitMode: "station-measures" },
      };
      for (const plate of plan(input).plates) expect(plate.exposures).toEqual([]);
      exposed += plan({ ...input, brief: { ...input.brief, isRemote: false } }).plates.filter(
        (plate) => plate.exposures.length > 0,
      ).length;
    }),
    { numRuns: 40 },
  );
  expect(exposed).toBeGreaterThan(0);
});

test("unread labels of others are a question, and a spray can carries nothing back", () => {
  expect(tracesWritten(["egg", "baking-powder"], { pantry, labels: new Map() }).sort()).toEqual([
    "contains egg",
    "food baking-powder baking powder",
    "food egg hen's egg",
    "unread baking-powder",
  ]);
  const read: LabelReading = {
    ingredientId: "jam",
    product: "jam",
    contains: [],
    mayContain: ["hazelnut" satisfies Substance],
    readBy: "T",
    readOn: "2026-11-20",
  };
  const asks = { foods: false, silence: false };
  expect(tracesWritten(["jam"], { pantry, labels: new Map([["jam", read]]) }, asks)).toEqual(["may-contain hazelnut"]);
});
