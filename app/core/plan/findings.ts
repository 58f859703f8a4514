import { type Recipe, checkRecipe, keepsCold, takeUpOf, takenUpAfter } from "~/core/recipe";
import { toNumber, inMinutes, inMillilitres, minus, times, dividedBy, inPieces, inGrams } from "~/core/quantity";
import {
  type AnyRecipeFinding,
  type Pantry,
  outOfTheCold,
  altitudeAdvice,
  checkBatter,
  leftByChildren,
  yieldOf,
} from "~/core/batter";
import { mayOf } from "~/core/turns";
import { checkGear, checkKitchen, surfacesFor } from "~/core/gear";
import {
  adultsAtHeat,
  bears,
  childrenPerAdult,
  fewestAdults,
  isAdult,
  isAtStation,
  isSmall,
  needsAdultAtHeat,
  tastersAtHome,
} from "~/core/people";
import { checkTimeline, handMinutes, type ScheduleInput, type Timeline } from "~/core/schedule";
import { type KitLine, hasFraction, isSpiceEased } from "~/core/kit";
import { allergyFindings } from "./allergy-findings";
import { canonical } from "./hash";
import { openRoundFindings } from "./open-rounds";
import { shapeFindings } from "./shapes";
import { holdFindings, warmthFindings } from "./warmth";
import type { GearLine } from "~/core/gear";
import { batchesOf, gramsAhead } from "./extras";
import type { ClassInput, Dish, DishPlan, ExtraKit, Finding, Plate, PlanFinding, Stage, StationPlan } from "./types";

/** Puts a stage and a dish to findings that do not know them. */
const at = <F extends object>(
  stage: Stage,
  dishId: string | null,
  findings: readonly F[],
): (F & { stage: Stage; dishId: string | null })[] => findings.map((finding) => ({ ...finding, stage, dishId }));

/** What is wrong with a recipe by itself: worked out once for the same recipe and pantry, as neither changes while a brief is typed. */
const known = new WeakMap<
  Recipe,
  { readonly pantry: ClassInput["pantry"]; readonly findings: readonly AnyRecipeFinding[] }
>();

function findingsOfRecipe(
  recipe: Recipe,
  ingredients: ClassInput["pantry"],
  pantry: Pantry,
): readonly AnyRecipeFinding[] {
  const before = known.get(recipe);
  if (before?.pantry === ingredients) return before.findings;
  const findings = [...checkRecipe(recipe), ...checkBatter(recipe, pantry)];
  known.set(recipe, { pantry: ingredients, findings });
  return findings;
}

const recipeFindings = (
  dish: DishPlan,
  given: Dish | undefined,
  { pantry: ingredients, brief: { audience } }: ClassInput,
  pantry: Pantry,
): Finding[] => [
  ...at(
    "recipe",
    dish.id,
    given?.newestRevision !== undefined && given.newestRevision > given.recipe.revision
      ? [
          {
            code: "newer-revision" as const,
            level: "notes" as const,
            title: given.recipe.title,
            has: given.recipe.revision,
            newest: given.newestRevision,
          },
        ]
      : [],
  ),
  // Among adults every step is an adult's already.
  ...at(
    "recipe",
    dish.id,
    findingsOfRecipe(dish.recipe, ingredients, pantry).filter(
      (finding) => finding.code !== "adult-not-named" || audience !== "adults",
    ),
  ),
  ...at(
    "recipe",
    dish.id,
    dish.recipe.lines.flatMap((line) =>
      pantry.has(line.ingredientId)
        ? []
        : [
            {
              code: "ingredient-not-in-pantry" as const,
              level: "blocks" as const,
              lineId: line.id,
              ingredientId: line.ingredientId,
            },
          ],
    ),
  ),
  ...at(
    "recipe",
    dish.id,
    (given?.takes ?? []).flatMap((take) => {
      const line = given?.recipe.lines.find((one) => one.id === take.lineId);
      const taken = line?.alternatives?.find((one) => one.ingredientId === take.ingredientId);
      const isTaken = dish.recipe.lines.some((one) => one.id === take.lineId && one.ingredientId === take.ingredientId);
      return line && taken && isTaken && !taken.isAdvised
        ? [
            {
              code: "alternative-against" as const,
              level: "warns" as const,
              ingredientId: taken.ingredientId,
              insteadOf: line.ingredientId,
              reason: taken.reason,
            },
          ]
        : [];
    }),
  ),
  ...at(
    "recipe",
    dish.id,
    dish.recipe.standing === "draft"
      ? [{ code: "recipe-is-draft" as const, level: "warns" as const, title: dish.variantName ?? dish.recipe.title }]
      : [],
  ),
];

function briefFindings(input: ClassInput, stations: number): PlanFinding[] {
  const named = input.people.filter(isAtStation).length;
  const asked = input.dishes.reduce((sum, dish) => sum + (dish.stations ?? 0), 0);
  const takesRest = input.dishes.some((dish) => dish.stations === null);
  const { brief, people } = input;
  const perAdult = childrenPerAdult[brief.audience];
  const grownUps = adultsAtHeat(brief.helpers, people);
  // The instructor is an adult in the room, though not one at the heat.
  const adults = grownUps + 1;
  const children = Math.max(0, brief.people - (grownUps - brief.helpers));
  const wanted = perAdult === undefined ? 0 : Math.max(fewestAdults, Math.ceil(children / perAdult));
  const alone = people.filter(
    (person) => isSmall(person.ageBand) && isAtStation(person) && !people.some((one) => one.id === person.grownUpId),
  );
  const shownMinutes = brief.demo === "along" ? inMinutes(0) : handMinutes.demoMix;
  return [
    ...(children > 0 && adults < wanted && !brief.isRemote
      ? [{ code: "adults-few", level: "warns", adults, wanted } as const]
      : []),
    ...(alone.length > 0
      ? [{ code: "small-alone", level: "warns", names: alone.map((person) => person.name) } as const]
      : []),
    ...(shownMinutes > bears[brief.audience].demo
      ? [{ code: "demo-long", level: "notes", minutes: shownMinutes, borne: bears[brief.audience].demo } as const]
      : []),
    ...(input.dishes.length === 0 ? [{ code: "no-dish", level: "blocks" } as const] : []),
    ...(asked > stations ? [{ code: "dishes-overbooked", level: "blocks", asked, stations } as const] : []),
    ...(asked < stations && !takesRest && input.dishes.length > 0
      ? [{ code: "dishes-underbooked", level: "blocks", asked, stations } as const]
      : []),
    ...(named < input.brief.people
      ? [{ code: "register-short", level: "notes", named, people: input.brief.people } as const]
      : []),
    ...(named > input.brief.people
      ? [{ code: "register-over", level: "warns", named, people: input.brief.people } as const]
      : []),
  ];
}

/** Findings that say the same of several stations become one that names them all. */
function together<F extends PlanFinding & { readonly stationIds: readonly string[] }>(findings: readonly F[]): F[] {
  const groups = new Map<string, F>();
  for (const finding of findings) {
    const key = canonical({ ...finding, stationIds: [] });
    const group = groups.get(key);
    groups.set(key, group ? { ...group, stationIds: [...group.stationIds, ...finding.stationIds] } : finding);
  }
  return [...groups.values()];
}

/** Salt and strong spice that could be eased in a large batch, where the brief does not do so already. */
function easable(stations: readonly StationPlan[], pantry: Pantry): PlanFinding[] {
  const easedIn = (station: StationPlan) =>
    station.kit.filter((line) =>
      isSpiceEased(pantry.get(line.ingredientId)?.role, (station.halves ?? station.scale).factor),
    );
  const large = stations.filter((station) => easedIn(station).some((line) => !line.isEased));
  return large.length === 0
    ? []
    : [
        {
          code: "spice-could-ease",
          level: "notes",
          stationIds: large.map((station) => station.id),
          ingredientIds: [...new Set(large.flatMap((station) => easedIn(station).map((line) => line.ingredientId)))],
        },
      ];
}

const nothing: StationPlan["kit"] = [];
/** What a station measures, as it measures it: its kit, or of a batter in two halves one half. What is no batter follows. */
const measured = ({ kit, halves }: StationPlan): readonly [StationPlan["kit"], StationPlan["kit"]] =>
  halves ? [halves.each, halves.rest] : [kit, nothing];
const linesOf = (station: StationPlan): readonly KitLine[] => measured(station).flat();

interface KitGroup {
  readonly station: StationPlan;
  readonly stationIds: string[];
}

/** Groups stations that share a whole kit under the first of them, so that a finding about a kit is reported once. */
function byKit(stations: readonly StationPlan[]): readonly KitGroup[] {
  const groups = new Map<StationPlan["kit"], KitGroup[]>();
  for (const station of stations) {
    const [batter, rest] = measured(station);
    const likely = groups.get(batter) ?? [];
    groups.set(batter, likely);
    // Two halves may be alike where what is made once beside them is not.
    const same = likely.find((group) => measured(group.station)[1] === rest);
    if (same) same.stationIds.push(station.id);
    else likely.push({ station, stationIds: [station.id] });
  }
  return [...groups.values()].flat();
}

function amountFindings(
  stations: readonly StationPlan[],
  dishes: readonly DishPlan[],
  pantry: Pantry,
  { easesSpice, kitMode, audience }: Pick<ClassInput["brief"], "easesSpice" | "kitMode" | "audience">,
): PlanFinding[] {
  const groups = byKit(stations);
  // Stations may share a kit and want different numbers of pieces: what is said of pieces is said of each.
  const each = stations.map((station) => ({ station, stationIds: [station.id] }));
  const isEgg = (ingredientId: string) => pantry.get(ingredientId)?.role === "egg";
  const dishOf = (station: StationPlan) => dishes.find((one) => one.id === station.dishId);
  const short = each.flatMap(({ station, stationIds }) => {
    const { over, piecesMade: made, piecesWanted: wanted } = station.scale;
    const bowl = dishOf(station)?.bowl;
    if (over >= 0) return [];
    return [
      bowl
        ? { code: "bowl-short" as const, level: "warns" as const, stationIds, batches: bowl, made, wanted }
        : { code: "pieces-short" as const, level: "warns" as const, stationIds, made, wanted },
    ];
  });
  const uncooked = each.flatMap(({ station, stationIds }) => {
    const dish = dishOf(station);
    const pieces = minus(station.scale.piecesMade, station.cooked);
    if (!dish || pieces <= 0) return [];
    const inBowl = times(dish.batter.grams, toNumber(station.scale.factor));
    const grams = dividedBy(times(inBowl, pieces), station.scale.piecesMade);
    return [{ code: "batter-left" as const, level: "notes" as const, stationIds, pieces, grams }];
  });
  const odd = each.flatMap(({ station, stationIds }) => {
    const perServing = dishOf(station)?.recipe.serving?.pieces ?? inPieces(1);
    const pieces = inPieces(Math.max(0, station.cooked - station.testers) % perServing);
    return pieces > 0 ? [{ code: "odd-pieces" as const, level: "notes" as const, stationIds, perServing, pieces }] : [];
  });
  const spareless = each.flatMap(({ station, stationIds }) =>
    station.scale.over === 0 && station.scale.piecesWanted > 0
      ? [{ code: "nothing-to-spare" as const, level: "notes" as const, stationIds }]
      : [],
  );
  const isOfChildren = audience === "small-children" || audience === "school-age";
  const left = each.flatMap(({ station, stationIds }) => {
    const dish = dishes.find((one) => one.id === station.dishId);
    const { factor, piecesWanted: wanted, over } = station.scale;
    if (!dish || !isOfChildren || over < 0 || wanted === 0) return [];
    const makes = yieldOf(dish.recipe, dish.batter, toNumber(factor), leftByChildren).pieces;
    return makes < wanted
      ? [
          {
            code: "children-leave-more" as const,
            level: "notes" as const,
            stationIds,
            left: leftByChildren,
            makes,
            wanted,
          },
        ]
      : [];
  });
  const double = each.flatMap(({ station, stationIds }) =>
    station.scale.piecesWanted > 0 && station.scale.piecesMade >= 2 * station.scale.piecesWanted
      ? [
          {
            code: "twice-as-much" as const,
            level: "warns" as const,
            stationIds,
            made: station.scale.piecesMade,
            wanted: station.scale.piecesWanted,
          },
        ]
      : [],
  );
  const fractions = groups.flatMap(({ station, stationIds }) =>
    linesOf(station).flatMap((line) =>
      isEgg(line.ingredientId) && hasFraction(line) && line.main
        ? [
            {
              code: "egg-fraction" as const,
              level: "warns" as const,
              stationIds,
              ingredientId: line.ingredientId,
              count: line.main.amount.value,
              grams: line.main.grams ?? inGrams(0),
            },
          ]
        : [],
    ),
  );
  const off = groups.flatMap(({ station, stationIds }) =>
    linesOf(station).flatMap((line) =>
      line.main?.scoops && !line.main.scoops.isWithin
        ? [
            {
              code: "scoops-off" as const,
              isWeighed: kitMode === "pre-measured",
              level: "warns" as const,
              stationIds,
              ingredientId: line.ingredientId,
              error: line.main.scoops.error,
            },
          ]
        : [],
    ),
  );
  return [
    ...(easesSpice ? [] : easable(stations, pantry)),
    ...together(short),
    ...together(uncooked),
    ...together(odd),
    ...together(spareless),
    ...together(left),
    ...together(double),
    ...together(fractions),
    ...together(off),
  ];
}

/** What the height of the kitchen asks of a class with powder or soda in it. */
function thinAir(metres: number | undefined, dishes: readonly DishPlan[], pantry: Pantry): PlanFinding[] {
  const advice = altitudeAdvice(metres);
  const isRaised = dishes.some(({ recipe }) =>
    recipe.lines.some(({ ingredientId }) => ["powder", "soda"].includes(pantry.get(ingredientId)?.role ?? "")),
  );
  if (metres === undefined || !advice || !isRaised) return [];
  const { lessPowder, moreLiquid } = advice;
  return [{ code: "altitude", level: "notes", metres, lessPowder, moreLiquid }];
}

/** Less than this no spoon corrects a bowl by, in millilitres. */
const leastSplash = 15;

/** Water a dish’s batter takes up until its last pour, if a spoon would notice: liquid to keep at hand. */
function thickening(dish: DishPlan, stations: readonly StationPlan[], timeline: Timeline): PlanFinding[] {
  const share = takeUpOf(dish.recipe);
  const worst = stations.flatMap((station) => {
    const times = timeline.batters.filter((one) => one.stationId === station.id);
    if (station.dishId !== dish.id || times.length === 0) return [];
    const minutes = Math.max(...times.map((one) => one.lastPour - one.mixedAt));
    // Water weighs as many grams as it fills millilitres; of two mixes each is half of it.
    const water = (dish.batter.waterGrams * toNumber(station.scale.factor)) / times.length;
    const most = water * takenUpAfter(minutes);
    return most * share.high < leastSplash
      ? []
      : [{ stationId: station.id, minutes, lowMl: most * share.low, highMl: most * share.high }];
  });
  const most = (of: (one: (typeof worst)[number]) => number) => Math.max(...worst.map(of));
  return worst.length === 0
    ? []
    : [
        {
          code: "batter-thickens",
          level: "notes",
          stationIds: worst.map((one) => one.stationId),
          minutes: inMinutes(most((one) => one.minutes)),
          lowMl: inMillilitres(most((one) => one.lowMl)),
          highMl: inMillilitres(most((one) => one.highMl)),
        },
      ];
}

/** Sticks at tables of those who may not eat from one. */
function sticksForSmall(
  input: ClassInput,
  dishes: readonly DishPlan[],
  stations: readonly StationPlan[],
): PlanFinding[] {
  const withSticks = new Set(
    dishes.filter((dish) => dish.recipe.steps.some((step) => step.tools.includes("stick"))).map((dish) => dish.id),
  );
  const mayNot = new Set(
    input.people
      .filter((person) => mayOf(input.house ?? [], "stick", person.ageBand) === "no")
      .map((person) => person.id),
  );
  const found = stations
    .filter((station) => withSticks.has(station.dishId))
    .flatMap(({ id, people }) => {
      const small = people.filter((one) => mayNot.has(one)).length;
      return small > 0 ? [{ id, small }] : [];
    });
  return found.length === 0
    ? []
    : [
        {
          code: "stick-for-small",
          level: "warns",
          stationIds: found.map((one) => one.id),
          people: found.reduce((sum, one) => sum + one.small, 0),
        },
      ];
}

/** Toppings that are to taste: nothing can be bought for them. */
function tasteFindings(stations: readonly StationPlan[]): PlanFinding[] {
  const ingredientIds = [
    ...new Set(
      stations.flatMap(({ kit }) =>
        kit.filter((line) => line.bowl === "topping" && line.kind === "to-taste").map((line) => line.ingredientId),
      ),
    ),
  ];
  return ingredientIds.length > 0 ? [{ code: "topping-to-taste", level: "notes", ingredientIds }] : [];
}

/** A batter that is made before the doors: how much, how cold, and whether it keeps. */
function aheadFindings(dish: DishPlan, stations: readonly StationPlan[], pantry: Pantry): PlanFinding[] {
  const own = stations.filter((station) => station.dishId === dish.id && station.ahead);
  if (own.length === 0) return [];
  const { max } = dish.recipe.rest;
  return [
    {
      code: "made-ahead",
      level: "notes",
      grams: gramsAhead(own) ?? null,
      isPerishable: outOfTheCold(dish.recipe, pantry) !== null,
    },
    ...(keepsCold(dish.recipe) || max === null
      ? []
      : [{ code: "ahead-does-not-keep" as const, level: "warns" as const, max }]),
  ];
}

/** A dry mix made in bulk: too few bags for the class, or nothing that could be in them. */
function bulkFindings(dish: DishPlan, stations: readonly StationPlan[], extras: readonly ExtraKit[]): PlanFinding[] {
  const { bulk } = dish;
  if (bulk === undefined) return [];
  const used = toNumber(batchesOf(dish.id, stations, extras));
  if (used > bulk) return [{ code: "bulk-short", level: "warns", made: bulk, used }];
  const isStored = extras.some((extra) => extra.kind === "stored" && extra.dishId === dish.id);
  return isStored || Math.floor(bulk - used) < 1 ? [] : [{ code: "bulk-nothing-dry", level: "warns", made: bulk }];
}

/** Circuits of a remote class are each household's own, and nobody wrote them down. */
const homeSockets = ({ kitchen }: ClassInput, { units }: Timeline): PlanFinding[] =>
  units.some(({ surfaceId }) => kitchen.surfaces.some((one) => one.id === surfaceId && one.watts > 0))
    ? [{ code: "home-sockets", level: "notes" }]
    : [];

/** What a household apart lacks, said of that household. */
function homeFindings({ brief, people }: ClassInput, stations: readonly StationPlan[]): PlanFinding[] {
  if (!brief.isRemote) return [];
  const byId = new Map(people.map((person) => [person.id, person]));
  const grown = (person: ClassInput["people"][number] | undefined) =>
    person !== undefined && (isAdult(person.ageBand) || byId.has(person.grownUpId ?? ""));
  const lonely = needsAdultAtHeat(brief.audience)
    ? stations.filter(({ people: own }) => own.length > 0 && !own.some((id) => grown(byId.get(id))))
    : [];
  const far = Math.max(0, brief.tasters - tastersAtHome(stations, people).size);
  return [
    ...(lonely.length > 0
      ? [{ code: "home-without-adult" as const, level: "warns" as const, stationIds: lonely.map((one) => one.id) }]
      : []),
    ...(far > 0 ? [{ code: "tasters-far" as const, level: "warns" as const, people: far }] : []),
  ];
}

/** Everything computed so far that somebody should know of, in the order of the stages. */
export function findingsOf(
  input: ClassInput,
  pantry: Pantry,
  dishes: readonly DishPlan[],
  stations: readonly StationPlan[],
  plates: readonly Plate[],
  gear: readonly GearLine[],
  timeline: Timeline,
  scheduled: ScheduleInput,
  extras: readonly ExtraKit[],
): Finding[] {
  return [
    ...dishes.flatMap((dish) =>
      recipeFindings(
        dish,
        input.dishes.find((one) => one.id === dish.id),
        input,
        pantry,
      ),
    ),
    ...at("brief", null, briefFindings(input, stations.length)),
    ...at(
      "allergies",
      null,
      allergyFindings(
        input,
        plates,
        dishes,
        timeline.tasks.some((task) => task.kind === "demo-load"),
      ),
    ),
    ...at("amounts", null, amountFindings(stations, dishes, pantry, input.brief)),
    ...at("amounts", null, tasteFindings(stations)),
    ...dishes.flatMap((dish) => at("amounts", dish.id, bulkFindings(dish, stations, extras))),
    ...at("amounts", null, thinAir(input.kitchen.altitudeM, dishes, pantry)),
    ...dishes.flatMap((dish) => at("kits", dish.id, aheadFindings(dish, stations, pantry))),
    ...at("gear", null, checkGear(gear)),
    ...at("gear", null, sticksForSmall(input, dishes, stations)),
    ...at("brief", null, homeFindings(input, stations)),
    ...(input.brief.isRemote
      ? at("gear", null, homeSockets(input, timeline))
      : at("gear", null, checkKitchen(input.kitchen, timeline.units))),
    ...dishes.flatMap((dish) =>
      at(
        "gear",
        dish.id,
        surfacesFor(dish.recipe, input.kitchen).length === 0
          ? [
              {
                code: "no-surface" as const,
                level: "blocks" as const,
                recipeTitle: dish.recipe.title,
                wanted: dish.recipe.heat.surfaceKinds,
              },
            ]
          : [],
      ),
    ),
    ...dishes.flatMap((dish) => at("recipe", dish.id, shapeFindings(dish.recipe))),
    ...dishes.flatMap((dish) => at("recipe", dish.id, warmthFindings(dish.recipe, input.brief.regime))),
    ...dishes.flatMap((dish) => at("timeline", dish.id, holdFindings(dish, stations, timeline, input.brief.mealMode))),
    ...dishes.flatMap((dish) => at("timeline", dish.id, openRoundFindings(dish, stations, timeline, input.kitchen))),
    ...dishes.flatMap((dish) => at("timeline", dish.id, thickening(dish, stations, timeline))),
    ...at("timeline", null, checkTimeline(timeline, scheduled, input.brief.minutes)),
  ];
}
