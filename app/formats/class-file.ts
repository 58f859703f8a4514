import { z } from "zod";
import { regimes } from "~/core/allergen";
import { diets, markets, starterPantry, substances } from "~/core/pantry";
import { doings, mays } from "~/core/turns";
import { coatings, flames, floorKinds, lampMeanings, sharedThings } from "~/core/gear";
import { ageBands, audiences, participantRoles, severities, usualHotPlaces, mostPeople } from "~/core/people";
import { type ClassInput, canonical, longestAim, mealModes, mixings, mostAims, mostBulk } from "~/core/plan";
import {
  type Amount,
  type Ratio,
  hasScoopsLeft,
  measuringSetOf,
  measuringSets,
  scoopNames,
  writeRatio,
  type Minutes,
  type Grams,
  type Pieces,
  inMinutes,
} from "~/core/quantity";
import { ingredientsNamedIn, roundLimits, surfaceKinds, tools } from "~/core/recipe";
import { batchRules, eggRules } from "~/core/scale";
import { demoModes, kitModes, latestPin, pinnableBells } from "~/core/schedule";

import { fraction, id, isUnique, name, starterById, text, keysOf, measured, surfaceId } from "./schema-parts";
import { completeIngredient, ingredientSchema, recipeSchema } from "./recipe-schema";
import { parseJson } from "./text";

/**
 * The class file: a whole ClassInput as JSON, for keeping, sending, and planning without a database. Amounts are text
 * ("1 1/4 cup"), fractions are text ("3/4"), dates are ISO. What is left out takes the default that the schema states.
 */
export const classFileFormat = "apron-bell-class";
export const classFileVersion = 1;

export const needSchema = z.discriminatedUnion("kind", [
  z.strictObject({
    kind: z.literal("substance"),
    substance: z.enum(substances),
    severity: z.enum(severities),
    touchOrAir: z.boolean().default(false),
    note: text,
    noteReadBy: name.nullable().optional(),
  }),
  z.strictObject({
    kind: z.literal("food"),
    food: z.string().trim().min(1, "expected a food").max(60, "expected at most 60 characters"),
    covers: z
      .strictObject({ words: z.array(z.string().trim().min(1).max(60)).max(20), by: name })
      .optional()
      .describe(
        "what somebody said the word covers, in foods and substances by name; no words: only what goes by this very name; left out, the word is taken by itself, and one nobody understands is unknown over everything",
      ),
    severity: z.enum(severities),
    touchOrAir: z.boolean().default(false),
    note: text,
    noteReadBy: name.nullable().optional(),
  }),
  z.strictObject({
    kind: z.literal("diet"),
    diet: z.enum(keysOf(diets)),
    note: text,
    noteReadBy: name.nullable().optional(),
  }),
]);

export const personSchema = z.strictObject({
  id,
  name,
  role: z.enum(participantRoles).default("cook"),
  ageBand: z.enum(ageBands),
  hasAnswered: z.boolean(),
  needs: z.array(needSchema).max(40).default([]),
  grownUpId: id.optional(),
  note: z.string().trim().min(1).max(500).optional(),
  words: z
    .strictObject({
      text: z.string().trim().min(1).max(2000),
      readBy: name.nullable().default(null),
      isNothing: z.boolean().optional(),
    })
    .optional(),
  emergency: z.string().trim().min(1).max(500).optional(),
  isContested: z.boolean().optional(),
  answered: z.strictObject({ by: name, on: z.iso.date() }).optional(),
});

export const briefSchema = z
  .strictObject({
    people: z.int().min(0).max(mostPeople),
    tasters: z.int().min(0).max(mostPeople).default(0).describe("people who eat and do not cook"),
    audience: z.enum(audiences),
    minutes: measured<Minutes>(z.int().min(15).max(600)),
    piecesEach: fraction.refine((value) => value.num > 0n, "expected more than 0 pieces each"),
    stationSize: z.int().min(1).max(40),
    helpers: z.int().min(0).max(60),
    kitMode: z.enum(kitModes),
    demo: z.enum(demoModes),
    testersPerSurface: z.int().min(0).max(2).default(0),
    batchRule: z.enum(batchRules).default("half"),
    eggRule: z.enum(eggRules).default("by-weight"),
    containerPer: z.enum(["line", "bowl"]).default("line"),
    measuringSetId: z.enum(measuringSets.map((set) => set.id)),
    missingScoops: z.array(z.enum(scoopNames)).max(scoopNames.length).default([]),
    strictTolerancePercent: z.number().min(0.5).max(20).default(2),
    usualTolerancePercent: z.number().min(0.5).max(20).default(5),
    easesSpice: z.boolean().default(false),
    regime: z.enum(keysOf(regimes)),
    /** Left out: the usual rule for the audience. 0: no rule. */
    hotPlacesPerAdult: z.int().min(0).max(20).optional(),
    doorsMinutes: measured<Minutes>(z.int().min(0).max(120)).default(inMinutes(10)),
    eatMinutes: measured<Minutes>(z.int().min(0).max(180)).default(inMinutes(15)),
    cleanMinutes: measured<Minutes>(z.int().min(0).max(120)).default(inMinutes(10)),
    mealMode: z
      .enum(mealModes)
      .optional()
      .describe("all eat together once the last piece is out, or each piece as it comes; left out, together"),
    hasDemoBatch: z.boolean().default(false),
    hasSpareKit: z.boolean().default(false),
    isRemote: z.boolean().default(false),
    stationNames: z.array(z.string().trim().min(1).max(30)).max(200).default([]),
    aims: z
      .array(z.string().trim().min(1).max(longestAim))
      .max(mostAims)
      .refine((aims) => new Set(aims).size === aims.length, "expected every aim once")
      .optional(),
  })
  .transform(({ aims, ...brief }) => ({
    ...brief,
    ...(aims && aims.length > 0 ? { aims } : {}),
    hotPlacesPerAdult: brief.hotPlacesPerAdult ?? usualHotPlaces[brief.audience],
  }))
  .refine((brief) => hasScoopsLeft(measuringSetOf(brief.measuringSetId), brief.missingScoops), {
    path: ["missingScoops"],
    error: "expected at least one scoop of the measuring set to be left",
  });

export const surfaceSchema = z.strictObject({
  id: surfaceId,
  name,
  kind: z.enum(surfaceKinds),
  places: z.int().min(1).max(60),
  count: z.int().min(0).max(60),
  at: z.enum(["shared", "station"]),
  preheatMinutes: measured<Minutes>(z.number().min(0).max(120)).nullable().default(null),
  watts: z.int().min(0).max(20000).default(0),
  size: z
    .discriminatedUnion("kind", [
      z.strictObject({ kind: z.literal("round"), diameterCm: z.number().gt(0).max(200) }),
      z.strictObject({
        kind: z.literal("rect"),
        widthCm: z.number().gt(0).max(300),
        depthCm: z.number().gt(0).max(300),
      }),
    ])
    .optional(),
  coating: z.enum(coatings).optional(),
  hasHotHandle: z.boolean().optional(),
  lamp: z.enum(lampMeanings).optional(),
  flame: z.enum(flames).optional(),
});
const circuit = z.strictObject({
  id,
  name,
  volts: z.int().min(100).max(400),
  amps: z.number().gt(0).max(125),
  sockets: z.int().min(0).max(40),
  plugAmps: z.number().gt(0).max(63).nullable().default(null),
});
const metres = z.number().min(0).max(100);
const floor = z.strictObject({
  widthM: z.number().min(1).max(100),
  depthM: z.number().min(1).max(100),
  marks: z
    .array(
      z.strictObject({ kind: z.enum(floorKinds), label: z.string().trim().max(40).default(""), x: metres, y: metres }),
    )
    .max(120)
    .default([]),
});
const kitchen = z.strictObject({
  id,
  name,
  sinks: z.int().min(0).max(40),
  surfaces: z.array(surfaceSchema).max(60).refine(isUnique("id"), "expected every surface's id once"),
  gear: z
    .array(z.strictObject({ tool: z.enum(tools), owned: z.int().min(0).max(1000) }))
    .max(60)
    .default([])
    .refine(isUnique("tool"), "expected every tool once"),
  goesRound: z
    .array(z.strictObject({ thing: z.enum(sharedThings), count: z.int().min(1).max(40) }))
    .max(sharedThings.length)
    .refine(isUnique("thing"), "expected every thing once")
    .optional()
    .describe("what goes round the tables, and how many of it; what is left out each table has for itself"),
  circuits: z.array(circuit).max(40).refine(isUnique("id"), "expected every circuit's id once").optional(),
  floor: floor.optional(),
  /** Metres above the sea; left out where nobody said. */
  altitudeM: z.int().min(0).max(5000).optional(),
});
const isoDate = z.iso.date();
const labelReading = z.strictObject({
  ingredientId: id,
  product: name,
  contains: z.array(z.enum(substances)).default([]),
  mayContain: z.array(z.enum(substances)).default([]),
  /** The market the product was made for; left out: that of the class's list. */
  market: z.enum(markets).optional(),
  /** Substances and foods nobody is obliged to declare that were looked for and not found. */
  lookedFor: z.array(z.string().trim().min(1).max(60)).max(40).optional(),
  foods: z.array(z.string().trim().min(1).max(60)).max(40).optional(),
  isGlutenFree: z.boolean().optional(),
  readBy: name,
  readOn: isoDate,
});
const packSize = z.strictObject({
  ingredientId: id,
  unitGrams: measured<Grams>(z.number().gt(0)),
  unitsPerPack: z.int().min(1),
  unitName: name,
  product: name.optional(),
  price: z.int().min(0).max(100_000_000).optional(),
  sizes: z
    .array(
      z.strictObject({
        unitGrams: measured<Grams>(z.number().gt(0)),
        unitsPerPack: z.int().min(1),
        price: z.int().min(0).max(100_000_000).optional(),
      }),
    )
    .max(5)
    .optional(),
});
const sharedFood = z.strictObject({
  id,
  name,
  broughtBy: name,
  label: labelReading.omit({ ingredientId: true }).nullable().default(null),
  instead: z
    .strictObject({
      station: z
        .int()
        .min(0)
        .max(mostPeople - 1),
      ingredientId: id,
    })
    .optional()
    .describe(
      "what it stands for at one household of a remote class, by station from 0; left out, it is for everybody",
    ),
});
export const pinsSchema = z
  .array(z.strictObject({ bell: z.enum(pinnableBells), at: measured<Minutes>(z.int().min(0).max(latestPin)) }))
  .max(pinnableBells.length)
  .refine((pins) => new Set(pins.map((pin) => pin.bell)).size === pins.length, "expected every bell once");

const arrangement = z.strictObject({
  seats: z.array(z.array(id).max(40)).max(mostPeople).nullable(),
  isFromRegister: z
    .boolean()
    .optional()
    .describe("the seats were written down as the register dealt them; left out, a hand arranged them"),
  apart: z
    .array(
      z
        .int()
        .min(0)
        .max(mostPeople - 1),
    )
    .max(mostPeople)
    .default([]),
  washesBetween: z.boolean().optional(),
  sets: z
    .array(
      z.strictObject({
        station: z
          .int()
          .min(0)
          .max(mostPeople - 1),
        measuringSetId: z.enum(measuringSets.map((set) => set.id)),
      }),
    )
    .max(mostPeople)
    .refine(isUnique("station"), "expected every station once")
    .optional()
    .describe("stations, counted from 0, that measure with a set of their own: a household with its own cups"),
});

const stationRef = z
  .string()
  .regex(/^s([1-9]\d?|[1-3]\d\d|400)$/, "A station is s1 to s400.")
  .describe("s1 is the first station");

/** The loads in the order that a search found. What it says of surfaces or stations that are not there is passed over. */
export const orderSchema = z.strictObject({
  loads: z
    .array(
      z.strictObject({
        surfaceId,
        number: z.int().min(1).max(60).describe("which of it: the second of three griddles"),
        parts: z
          .array(z.strictObject({ stationId: stationRef, pieces: measured<Pieces>(z.int().min(0).max(mostPeople)) }))
          .min(1)
          .max(60),
      }),
    )
    .max(4000),
  demoAt: z.strictObject({ surfaceId, number: z.int().min(1).max(60), stationId: stationRef.optional() }).nullable(),
  showsFirst: z.boolean(),
  isWished: z.boolean().optional().describe("a hand wished it: it holds although a rule would do better"),
});

export const houseSchema = z
  .array(z.strictObject({ doing: z.enum(doings), band: z.enum(ageBands), may: z.enum(mays) }))
  .max(doings.length * ageBands.length)
  .refine(
    (rules) => new Set(rules.map((rule) => `${rule.doing} ${rule.band}`)).size === rules.length,
    "expected one rule for each thing and age",
  )
  .describe("who of which age may do what, where it differs from the usual");

export const timeZoneSchema = z
  .string()
  .max(60)
  .refine((zone) => {
    try {
      return Boolean(new Intl.DateTimeFormat("en", { timeZone: zone }));
    } catch {
      return false;
    }
  }, 'expected a time zone such as "Europe/London"');

/** What prices are in: an ISO 4217 code. */
export const currencySchema = z
  .string()
  .regex(/^[A-Z]{3}$/, "expected a currency as three capital letters, such as EUR, GBP or USD");

export const classFileSchema = z.strictObject({
  $schema: z.string().max(300).optional(),
  format: z.literal(classFileFormat),
  version: z.literal(classFileVersion),
  class: z.strictObject({
    id,
    title: name,
    startsAt: z.iso.datetime({ local: true, precision: -1 }),
    timeZone: timeZoneSchema,
    currency: currencySchema.optional(),
    brief: briefSchema,
    people: z
      .array(personSchema)
      .max(mostPeople)
      .default([])
      .refine(isUnique("id"), "expected every person's id once")
      .refine(
        (all) =>
          all.every(
            (one) => one.grownUpId === undefined || all.some((other) => other.id === one.grownUpId && other !== one),
          ),
        "expected every grown-up that is named to be another person of the file",
      ),
    dishes: z
      .array(
        z.strictObject({
          id,
          recipe: recipeSchema,
          variantId: id.nullable().default(null),
          stations: z.int().min(0).max(mostPeople).nullable().default(null),
          bowl: fraction
            .refine(
              (value) => value.num > 0n && value.num <= 8n * value.den,
              "expected a bowl above 0 and at most 8 batches",
            )
            .optional()
            .describe("batches every station makes whatever is wanted; left out, as many as are wanted"),
          cooks: z.literal("wanted").optional().describe("only what is wanted is cooked; left out, all that is made"),
          mixing: z
            .enum(mixings)
            .optional()
            .describe(
              "its stations mix in two halves, the second while the first is cooked; or it is made before the doors and comes cold; left out, they mix at once",
            ),
          takes: z
            .array(z.strictObject({ lineId: id, ingredientId: id }))
            .max(60)
            .refine(isUnique("lineId"), "expected every line once")
            .optional()
            .describe("alternatives of the recipe that this class takes"),
          rounds: z
            .array(z.strictObject({ roundId: id, parts: z.int().min(0).max(roundLimits.parts) }))
            .max(roundLimits.rounds)
            .refine(isUnique("roundId"), "expected every round once")
            .optional()
            .describe("how many parts of each round this class makes; left out, as the recipe says"),
          bulk: z
            .int()
            .min(1)
            .max(mostBulk)
            .optional()
            .describe("batches of its dry mix that are made, one bag each; left out, as many as are used"),
        }),
      )
      .max(20)
      .refine(isUnique("id"), "expected every dish's id once")
      .superRefine((all, context) => {
        for (const [at, { recipe, takes = [] }] of all.entries())
          for (const { lineId, ingredientId } of takes) {
            const line = recipe.lines.find((one) => one.id === lineId);
            if (!line?.alternatives?.some((one) => one.ingredientId === ingredientId))
              context.addIssue({
                code: "custom",
                path: [at, "takes"],
                message: `expected an alternative that the recipe names for “${lineId}”${
                  line
                    ? ` (${(line.alternatives ?? []).map((one) => one.ingredientId).join(", ") || "it names none"})`
                    : ", which is no line of it"
                }, got “${ingredientId}”`,
              });
          }
        for (const [at, { recipe, rounds = [] }] of all.entries())
          if (rounds.length > 0) {
            const own = recipe.rounds ?? [];
            const strange = rounds.find((one) => !own.some((round) => round.id === one.roundId));
            const parts = own.map((round) => rounds.find((one) => one.roundId === round.id)?.parts ?? round.parts);
            if (strange)
              context.addIssue({
                code: "custom",
                path: [at, "rounds"],
                message: `expected a round of the recipe (${own.map((round) => round.id).join(", ") || "it has none"}), got “${strange.roundId}”`,
              });
            else if (parts.every((part) => part === 0))
              context.addIssue({
                code: "custom",
                path: [at, "rounds"],
                message: "expected at least one round above 0, got 0 for all",
              });
          }
        for (const [at, { recipe }] of all.entries()) {
          const other = all
            .slice(0, at)
            .find((one) => one.recipe.id === recipe.id && one.recipe.revision === recipe.revision);
          if (other && canonical(other.recipe) !== canonical(recipe))
            context.addIssue({
              code: "custom",
              path: [at, "recipe", "id"],
              message: `two different recipes both call themselves “${recipe.id}”, revision ${recipe.revision}; give one of them another id or revision`,
            });
        }
      }),
    kitchen,
    /** Ingredients beside the starter pantry; one with the same id takes its place. */
    pantry: z
      .array(ingredientSchema)
      .max(mostPeople)
      .default([])
      .refine(isUnique("id"), "expected every ingredient's id once")
      .superRefine((all, context) => {
        for (const [at, one] of all.entries()) {
          const known = starterById.get(one.id);
          if (known && known.role !== one.role)
            context.addIssue({
              code: "custom",
              path: [at, "id"],
              message: `“${one.id}” is ${known.name} (${known.role}) here and cannot become ${one.name} (${one.role}); give yours an id of its own`,
            });
        }
      }),
    labels: z
      .array(labelReading)
      .max(mostPeople)
      .default([])
      .refine(isUnique("ingredientId"), "expected one label per ingredient"),
    packs: z
      .array(packSize)
      .max(mostPeople)
      .default([])
      .refine(
        isUnique("ingredientId"),
        "expected one product per ingredient: give its other sizes under “sizes”, or another ingredient an id of its own",
      ),
    arrangement: arrangement.optional(),
    pins: pinsSchema
      .optional()
      .describe("bells that ring at a moment somebody gave, in minutes since the doors, or as soon after as can be"),
    order: orderSchema.optional(),
    house: houseSchema.optional(),
    shared: z
      .array(sharedFood)
      .max(60)
      .refine(isUnique("id"), "expected every food's id once")
      .refine((all) => {
        const own = all.flatMap(({ instead }) => (instead ? [`${instead.station} ${instead.ingredientId}`] : []));
        return new Set(own).size === own.length;
      }, "expected one product of its own for an ingredient at a station")
      .optional(),
  }),
});

/** What is wrong with a file, as sentences: where, what came, what is wanted. */
export type ClassFileRead =
  { readonly ok: true; readonly input: ClassInput } | { readonly ok: false; readonly problems: readonly string[] };

const mostProblems = 12;

/** Reads a class file from its text. Never throws: what is wrong comes back as sentences. */
export function readClassFile(json: string): ClassFileRead {
  let value: unknown;
  try {
    value = parseJson(json);
  } catch {
    return {
      ok: false,
      problems: [
        "This is not JSON. A class file is what the program exports under “Class file”; choose that file unchanged.",
      ],
    };
  }
  const parsed = classFileSchema.safeParse(value);
  if (!parsed.success) {
    const problems = parsed.error.issues.map(
      (issue) => `${issue.path.length > 0 ? issue.path.join(" › ") : "The file"}: ${issue.message}.`,
    );
    return {
      ok: false,
      problems:
        problems.length > mostProblems
          ? [...problems.slice(0, mostProblems), `… and ${problems.length - mostProblems} more.`]
          : problems,
    };
  }
  const { pantry: written, ...rest } = parsed.data.class;
  const own = written.map(completeIngredient);
  const replaced = new Set(own.map((one) => one.id));
  const pantry = [...starterPantry.filter((one) => !replaced.has(one.id)), ...own];
  return { ok: true, input: { ...rest, pantry } };
}

const isRatio = (value: object): value is Ratio => "num" in value && "den" in value && typeof value.num === "bigint";
const isAmount = (value: object): value is Amount =>
  "value" in value && "unit" in value && typeof value.value === "object";

/** Core values as plain JSON values: fractions and amounts as text, `undefined` left out, Infinity as null. */
export function toPlain(value: unknown): unknown {
  if (typeof value === "bigint") return String(value);
  if (typeof value === "number") return Number.isFinite(value) ? value : null;
  if (Array.isArray(value)) return value.map(toPlain);
  if (value === null || typeof value !== "object") return value;
  if (isRatio(value)) return writeRatio(value);
  if (isAmount(value)) return `${writeRatio(value.value)} ${value.unit}`;
  // By hand, as a plan has tens of thousands of fields and lists of pairs for each are most of what writing it takes.
  const plain = Object.create(null) as Record<string, unknown>;
  for (const key of Object.keys(value)) {
    const field = (value as Record<string, unknown>)[key];
    if (field !== undefined) plain[key] = toPlain(field);
  }
  return plain;
}

/** Writes a class as a class file: only the ingredients its recipes name, everything else whole. */
export function writeClassFile(input: ClassInput): string {
  const used = new Set([
    ...input.dishes.flatMap((dish) => ingredientsNamedIn(dish.recipe)),
    ...(input.shared ?? []).flatMap(({ instead }) => instead?.ingredientId ?? []),
  ]);
  const {
    id: classId,
    title,
    startsAt,
    timeZone,
    currency,
    brief,
    people,
    dishes,
    kitchen: room,
    labels,
    packs,
  } = input;
  const { arrangement: seated, pins, order, house, shared } = input;
  const file = {
    format: classFileFormat,
    version: classFileVersion,
    class: {
      id: classId,
      title,
      startsAt,
      timeZone,
      currency,
      brief,
      people,
      dishes: dishes.map(({ newestRevision: _newest, takes, rounds, ...rest }) => {
        const asked = rounds?.filter((one) => rest.recipe.rounds?.some((round) => round.id === one.roundId));
        const dish = asked && asked.length > 0 ? { ...rest, rounds: asked } : rest;
        // What another revision named may be gone from this one.
        const named = takes?.filter((take) =>
          dish.recipe.lines.some(
            (line) =>
              line.id === take.lineId && line.alternatives?.some((one) => one.ingredientId === take.ingredientId),
          ),
        );
        return named && named.length > 0 ? { ...dish, takes: named } : dish;
      }),
      kitchen: room,
      pantry: input.pantry.filter((one) => used.has(one.id)),
      labels,
      packs,
      arrangement: seated,
      pins,
      order,
      house,
      shared,
    },
  };
  return `${JSON.stringify(toPlain(file), null, 2)}\n`;
}
