import { plugIn, appliancesOf, usedUpOf } from "~/core/gear";
import { packingOfClass } from "~/core/pack";
import { knownFood } from "~/core/pantry";
import {
  type ClassInput,
  type ClassPlan,
  type Stage,
  canonical,
  fingerprintOfText,
  heatsOf,
  stages,
} from "~/core/plan";
import { prepTasks } from "~/core/prep";
import { type PersonKeys, noKeys } from "./stages";

/**
 * What the sheets of a stage show, as data: the stage's stamp is taken from this and from nothing else, so that it changes exactly
 * when a sheet does. Rows whose names the database gives anew whenever they are written stand by their place.
 */
type Content = (input: ClassInput, made: ClassPlan) => unknown;

const findingsOf = (made: ClassPlan, stage: Stage) => made.findings.filter((finding) => finding.stage === stage);

const headOf = ({ title, startsAt, timeZone, kitchen }: ClassInput) => ({
  title,
  startsAt,
  timeZone,
  kitchen: kitchen.name,
});

const dishesOf = (made: ClassPlan) =>
  made.dishes.map(({ id: dishId, recipe, variantName, partsAt, stations, batchYield }) => ({
    dishId,
    recipe,
    variantName,
    ...(partsAt === undefined ? {} : { partsAt }),
    stations,
    batchYield,
  }));

const amounts: Content = (input, made) => ({
  head: headOf(input),
  dishes: dishesOf(made),
  stations: made.stations.map(
    ({
      id,
      name,
      size,
      dishId,
      scale,
      eaters,
      cooked,
      loads,
      testers,
      rounds,
      ownSet,
      kit,
      halves,
      ahead,
      isApart,
    }) => ({
      id,
      name,
      size,
      dishId,
      scale,
      eaters,
      cooked,
      loads,
      testers,
      ...(rounds ? { rounds } : {}),
      ...(ownSet === undefined ? {} : { ownSet }),
      kit,
      ...(halves ? { halves } : {}),
      ...(ahead ? { ahead } : {}),
      isApart,
    }),
  ),
  extras: made.extras,
  totals: made.totals,
  names: namesIn(input, made),
  findings: findingsOf(made, "amounts"),
});

/** The pantry's figures of some ingredients, whatever the order in which the pantry lists them. */
const figuresOf = (input: ClassInput, isUsed: (id: string) => boolean) =>
  input.pantry.filter((one) => isUsed(one.id)).sort((a, b) => (a.id < b.id ? -1 : 1));

/** Names of measured ingredients, as sheets print them. */
const namesIn = (input: ClassInput, made: ClassPlan) => {
  const used = new Set(made.dishes.flatMap((dish) => dish.recipe.lines.map((line) => line.ingredientId)));
  return figuresOf(input, (id) => used.has(id)).map(({ id, name, role }) => ({ id, name, role }));
};

const kits: Content = (input, made) => {
  const { pantry } = knownFood(input);
  const usedUp = usedUpOf(made.gear);
  return {
    amounts: new Again("amounts"),
    ...(usedUp.length > 0 ? { usedUp } : {}),
    packing: packingOfClass(input, made),
    prep: prepTasks(input, made, pantry),
    kitMode: input.brief.kitMode,
    findings: findingsOf(made, "kits"),
    storage: figuresOf(input, (id) => made.totals.some((total) => total.ingredientId === id)),
    packs: input.packs.filter((pack) => made.totals.some((total) => total.ingredientId === pack.ingredientId)),
  };
};

const gear: Content = (input, made) => {
  const { units } = made.timeline;
  const used = new Set(units.map((unit) => unit.surfaceId));
  const appliances = appliancesOf(input.kitchen, units);
  return {
    head: headOf(input),
    gear: made.gear,
    units: units.map(({ id: _id, ...unit }) => unit),
    surfaces: input.kitchen.surfaces
      .filter((one) => used.has(one.id))
      .map(({ id: surfaceId, ...surface }) => ({ surfaceId, ...surface })),
    circuits: input.kitchen.circuits?.map(({ id: circuitId, ...circuit }) => ({ circuitId, ...circuit })),
    plugged: input.kitchen.circuits && plugIn(appliances, input.kitchen.circuits),
    stations: made.stations.map(({ id, name, dishId }) => ({ id, name, dishId })),
    findings: findingsOf(made, "gear"),
  };
};

/** What each unit is set to, in their order. */
const heatsIn = (input: ClassInput, made: ClassPlan) => {
  const heats = heatsOf(input, made);
  return made.timeline.units.map((unit) => heats.get(unit.id) ?? null);
};

const timeline: Content = (input, made) => ({
  head: headOf(input),
  heats: heatsIn(input, made),
  minutes: input.brief.minutes,
  ...(input.brief.aims ? { aims: input.brief.aims } : {}),
  stations: made.stations.map(({ id, name, size, people }) => ({ id, name, size, people })),
  dishes: made.dishes.map(({ id: dishId, recipe, variantName }) => ({
    dishId,
    title: recipe.title,
    steps: recipe.steps,
    variantName,
  })),
  timeline: { ...made.timeline, units: made.timeline.units.map(({ id: _id, ...unit }) => unit) },
  findings: findingsOf(made, "timeline"),
});

const allergies: Content = (input, made) => {
  const named = new Set(made.plates.flatMap((plate) => plate.items.map((item) => item.ingredientId)));
  return {
    head: headOf(input),
    regime: input.brief.regime,
    people: input.people,
    stations: made.stations.map(({ id, name, people, dishId, isApart }) => ({ id, name, people, dishId, isApart })),
    dishes: made.dishes.map(({ id: dishId, recipe, variantName }) => ({
      dishId,
      title: recipe.title,
      lines: recipe.lines,
      variantName,
    })),
    plates: made.plates,
    food: figuresOf(input, (id) => named.has(id)),
    labels: input.labels.filter((label) => named.has(label.ingredientId)),
    products: input.packs.flatMap((pack) =>
      pack.product && named.has(pack.ingredientId) ? [[pack.ingredientId, pack.product]] : [],
    ),
    shared: (input.shared ?? []).map(({ id: _id, ...food }) => food),
    findings: findingsOf(made, "allergies"),
  };
};

const contents: Readonly<Record<Stage, Content>> = {
  recipe: (input, made) => ({
    dishes: dishesOf(made).map(({ stations: _stations, ...dish }) => dish),
    names: namesIn(input, made),
    findings: findingsOf(made, "recipe"),
  }),
  brief: (input, made) => ({
    head: headOf(input),
    brief: input.brief,
    dishes: made.dishes.map(({ id: dishId, recipe, variantName, stations }) => ({
      dishId,
      title: recipe.title,
      revision: recipe.revision,
      variantName,
      stations,
    })),
    people: input.people.map(({ id, name, role, ageBand }) => ({ id, name, role, ageBand })),
    figures: made.figures,
    findings: findingsOf(made, "brief"),
  }),
  allergies,
  amounts,
  kits,
  gear,
  timeline,
  teach: (input) => ({
    house: input.house,
    allergies: new Again("allergies"),
    amounts: new Again("amounts"),
    timeline: new Again("timeline"),
  }),
  log: () => new Again("timeline"),
};

/** Ids that the database regenerates, mapped to the position of the thing they identify. */
function placesOf(input: ClassInput): Map<string, string> {
  const places = new Map<string, string>();
  input.dishes.forEach((dish, at) => places.set(dish.id, `dish ${at + 1}`));
  input.kitchen.surfaces.forEach((surface, at) => places.set(surface.id, `surface ${at + 1}`));
  (input.kitchen.circuits ?? []).forEach((circuit, at) => places.set(circuit.id, `circuit ${at + 1}`));
  (input.shared ?? []).forEach((food, at) => {
    places.set(food.id, `brought ${at + 1}`);
    places.set(`shared-${food.id}`, `brought ${at + 1}`);
  });
  return places;
}

/** Fields that hold an id which the database may make anew. */
const idFields: ReadonlySet<string> = new Set([
  "dishId",
  "surfaceId",
  "circuitId",
  "applianceId",
  "ingredientId",
  "ingredientIds",
  "of",
  "thing",
  "left",
  "uncleared",
]);

/** Figures closer than this are one figure: the order of a sum shows in its last digits, and in nothing that is printed. */
const finest = 1e6;

/** What another stage shows, shown here again: its text is written out once. */
class Again {
  constructor(readonly stage: Stage) {}
}

/** Lazily built texts of the stages of one class. */
class Texts {
  private readonly places: ReadonlyMap<string, string>;
  private readonly known = new Map<Stage, string>();

  constructor(
    private readonly input: ClassInput,
    private readonly made: ClassPlan,
  ) {
    const places = placesOf(input);
    for (const unit of made.timeline.units) {
      const place = `${places.get(unit.surfaceId) ?? ""} ${unit.stationId ?? ""} ${unit.number}`;
      places.set(unit.id, place).set(`unit:${unit.id}`, place);
    }
    this.places = places;
  }

  of(stage: Stage): string {
    const known = this.known.get(stage);
    if (known !== undefined) return known;
    const content = contents[stage](this.input, this.made);
    const text = content instanceof Again ? this.of(content.stage) : this.write(content, false);
    this.known.set(stage, text);
    return text;
  }

  /** Canonical text, with the ids of such fields by the place of what they name; every other text as it is. */
  private write(value: unknown, isId: boolean): string {
    if (typeof value === "string") return JSON.stringify(isId ? (this.places.get(value) ?? value) : value);
    if (typeof value === "number")
      return Number.isFinite(value) ? String(Math.round(value * finest) / finest + 0) : "null";
    if (value === null || typeof value !== "object") return canonical(value);
    if (Array.isArray(value)) return `[${value.map((one) => this.write(one, isId)).join(",")}]`;
    if (value instanceof Again) return this.of(value.stage);
    const fields = value as Readonly<Record<string, unknown>>;
    let text = "";
    for (const key of Object.keys(fields).sort())
      if (fields[key] !== undefined)
        text += `${text === "" ? "" : ","}${JSON.stringify(key)}:${this.write(fields[key], idFields.has(key))}`;
    return `{${text}}`;
  }
}

/** What a stage's sheets show as text, with nothing in it that changes when a row is only written anew. */
export const textOf = (stage: Stage, input: ClassInput, made: ClassPlan): string => new Texts(input, made).of(stage);

/** The stages whose sheets show people: their stamps are keyed by the secrets of those people. */
const withPeople: ReadonlySet<Stage> = new Set(["brief", "allergies", "teach"]);

/** The stamp of every stage: equal exactly while its sheets are. Worked out when it is asked for, once each. */
export function sealsOf(
  input: ClassInput,
  made: ClassPlan,
  keys: PersonKeys = noKeys,
): Readonly<Record<Stage, string>> {
  const secrets = input.people.flatMap((person) => keys.get(person.id) || []);
  const texts = new Texts(input, made);
  const known = new Map<Stage, string>();
  const seals = {} as Record<Stage, string>;
  for (const stage of stages)
    Object.defineProperty(seals, stage, {
      enumerable: true,
      get: () => {
        const before = known.get(stage);
        if (before !== undefined) return before;
        const text = texts.of(stage);
        const seal = fingerprintOfText(
          secrets.length > 0 && withPeople.has(stage) ? `[${text},${canonical(secrets)}]` : text,
        );
        known.set(stage, seal);
        return seal;
      },
    });
  return seals;
}
