import { z } from "zod";
import { regimes } from "~/core/allergen";
import {
  type Ingredient,
  diets,
  fillMethods,
  markets,
  roles,
  starterPantry,
  storages,
  substances,
} from "~/core/pantry";
import { coatings, floorKinds, lampMeanings } from "~/core/gear";
import { ageBands, audiences, participantRoles, severities, usualHotPlaces } from "~/core/people";
import { type ClassInput, canonical } from "~/core/plan";
import {
  type Amount,
  type Ratio,
  isVolumeUnit,
  isMassUnit,
  hasScoopsLeft,
  measuringSetOf,
  measuringSets,
  scoopNames,
  measuringSystems,
  readRatio,
  units,
  writeRatio,
} from "~/core/quantity";
import {
  type Recipe,
  bowls,
  cues,
  families,
  hazards,
  partHeats,
  partKinds,
  readinessTests,
  standings,
  stepKinds,
  surfaceKinds,
  tools,
  windowReasons,
} from "~/core/recipe";
import { batchRules, eggRules } from "~/core/scale";
import { demoModes, kitModes } from "~/core/schedule";

/**
 * The class file: a whole ClassInput as JSON, for keeping, sending, and planning without a database. Amounts are text
 * ("1 1/4 cup"), fractions are text ("3/4"), dates are ISO. What is left out takes the default that the schema states.
 */
export const classFileFormat = "apron-bell-class";
export const classFileVersion = 1;

const keysOf = <K extends string>(record: Record<K, unknown>) => Object.keys(record) as [K, ...K[]];
const id = z
  .string()
  .regex(/^[A-Za-z0-9][A-Za-z0-9._-]{0,63}$/, "expected letters, digits, dots or dashes, at most 64");
const name = z.string().trim().min(1, "expected a name").max(120, "expected at most 120 characters");
const text = z.string().max(2000, "expected at most 2000 characters").default("");
const percent = z.number().min(0).max(100);
const minutes = z.number().min(0).max(600);

const isUnique = (field: "id" | "ingredientId" | "tool") => (items: readonly object[]) =>
  new Set(items.map((item) => Reflect.get(item, field))).size === items.length;

const starterById = new Map(starterPantry.map((one) => [one.id, one]));

const fraction = z
  .string()
  .max(40)
  .transform((value, context): Ratio => {
    const read = readRatio(value);
    if (read && read.num >= 0n) return read;
    context.addIssue({
      code: "custom",
      message: `expected a number such as "3", "3/4", "1 1/2" or "2.5", got "${value}"`,
    });
    return z.NEVER;
  });

const amount = z
  .string()
  .max(60)
  .transform((value, context): Amount => {
    const cut = value.trim().lastIndexOf(" ");
    const [number, unitName] = [value.trim().slice(0, cut), value.trim().slice(cut + 1)];
    const unit = units.find((one) => one === unitName);
    const read = cut > 0 ? readRatio(number) : undefined;
    if (unit && read && read.num > 0n && (isVolumeUnit(unit) || isMassUnit(unit) || unit === "piece"))
      return { value: read, unit };
    context.addIssue({
      code: "custom",
      message: `expected a number above 0 and a unit (${units.join(", ")}), such as "1 1/4 cup", got "${value}"`,
    });
    return z.NEVER;
  });

const lineAmount = z
  .discriminatedUnion("kind", [
    z.strictObject({ kind: z.literal("exact"), amount }),
    z.strictObject({ kind: z.literal("range"), from: amount, to: amount }),
    z.strictObject({ kind: z.literal("top-up"), start: amount, most: amount }),
    z.strictObject({ kind: z.literal("hold-back"), amount, back: amount }),
    z.strictObject({
      kind: z.literal("packs"),
      packs: fraction.refine((value) => value.num > 0n, "expected more than 0 packs"),
      each: amount,
      packName: z.string().trim().min(1).max(30),
    }),
    z.strictObject({ kind: z.literal("per-load"), amount }),
    z.strictObject({ kind: z.literal("per-piece"), amount }),
    z.strictObject({ kind: z.literal("to-taste") }),
    z.strictObject({ kind: z.literal("unknown"), said: z.string().max(200) }),
  ])
  .superRefine((value, context) => {
    const pairs =
      value.kind === "range"
        ? [value.from, value.to]
        : value.kind === "top-up"
          ? [value.start, value.most]
          : value.kind === "hold-back"
            ? [value.back, value.amount]
            : [];
    const [less, more] = pairs;
    if (!less || !more) return;
    if (less.unit !== more.unit)
      context.addIssue({ code: "custom", message: `expected the same unit twice, got ${less.unit} and ${more.unit}` });
    else if (less.value.num * more.value.den > more.value.num * less.value.den)
      context.addIssue({ code: "custom", message: "expected the smaller amount first" });
  });

const span = z
  .strictObject({ low: minutes, likely: minutes, high: minutes })
  .refine((value) => value.low <= value.likely && value.likely <= value.high, "expected low ≤ likely ≤ high");

const line = z.strictObject({
  id,
  partId: id.nullable().default(null),
  ingredientId: id,
  amount: lineAmount,
  bowl: z.enum(bowls),
  keeps: z.number().gt(0).max(1).default(1),
  isOptional: z.boolean().default(false),
  note: text,
});

const step = z.strictObject({
  id,
  partId: id.nullable().default(null),
  kind: z.enum(stepKinds),
  text: z.string().max(2000),
  draws: z
    .array(z.strictObject({ lineId: id, share: fraction.prefault("1") }))
    .max(60)
    .default([]),
  mentions: z.array(id).max(60).default([]),
  minutes: span,
  tools: z.array(z.enum(tools)).max(40).default([]),
  hazards: z.array(z.enum(hazards)).max(20).default([]),
  who: z.enum(["anyone", "adult"]).default("anyone"),
});

const standing = z.enum(standings).default("draft");

export const recipeSchema = z.strictObject({
  id,
  revision: z.int().min(1),
  title: name,
  intro: text,
  family: z.enum(families),
  system: z.enum(measuringSystems),
  fill: z.enum(fillMethods),
  standing,
  lines: z.array(line).min(1).max(60).refine(isUnique("id"), "expected every line's id once"),
  steps: z.array(step).max(60).refine(isUnique("id"), "expected every step's id once"),
  rest: z
    .strictObject({
      min: z.number().min(0).max(2880),
      max: z.number().min(0).max(2880).nullable(),
      reason: z.enum(windowReasons),
    })
    .refine((value) => value.max === null || value.min <= value.max, "expected the least rest not above the most"),
  heat: z.strictObject({
    surfaceKinds: z.array(z.enum(surfaceKinds)).min(1),
    surfaceC: z.strictObject({ from: z.number().min(50).max(350), to: z.number().min(50).max(350) }),
    test: z.enum(readinessTests),
    side1: span,
    side2: span.nullable(),
    turnaround: minutes,
    pourPerPiece: minutes,
    recover: minutes,
    cues: z.array(z.enum(cues)).max(8),
  }),
  portion: z.discriminatedUnion("kind", [
    z.strictObject({ kind: z.literal("ml"), ml: z.number().min(1).max(2000) }),
    z.strictObject({ kind: z.literal("grams"), grams: z.number().min(1).max(2000) }),
    z.strictObject({ kind: z.literal("batch"), pieces: z.int().min(1).max(200) }),
  ]),
  pieceDiameterCm: z.number().min(1).max(60),
  claimedPieces: z.int().min(1).max(400).nullable().default(null),
  blindNote: z.string().max(300).default(""),
  parts: z
    .array(
      z.strictObject({
        id,
        name,
        kind: z.enum(partKinds),
        heat: z.enum(partHeats),
        minutes: span,
        makesGrams: z.number().gt(0).max(100_000).nullable().default(null),
      }),
    )
    .max(12)
    .refine(isUnique("id"), "expected every part's id once")
    .default([]),
  variants: z
    .array(
      z.strictObject({
        id,
        name,
        standing,
        decidedAt: id.nullable().default(null),
        omit: z.array(id).default([]),
        swaps: z.array(z.strictObject({ lineId: id, ingredientId: id, amount: lineAmount.optional() })).default([]),
        add: z.array(line).default([]),
        steps: z
          .array(z.strictObject({ stepId: id, text: z.string().max(2000) }))
          .max(60)
          .optional(),
      }),
    )
    .max(20)
    .refine(isUnique("id"), "expected every variant's id once")
    .default([]),
});

export const ingredientSchema = z.strictObject({
  id,
  name,
  role: z.enum(roles),
  label: z.enum(["whole", "packaged"]),
  gramsPerCup: z
    .union([
      z.number().gt(0).max(2000),
      z.strictObject({ sifted: z.number().gt(0), spooned: z.number().gt(0), dipped: z.number().gt(0) }),
    ])
    .optional(),
  gramsPerTsp: z.number().gt(0).max(50).optional(),
  tspSpread: z.strictObject({ low: z.number().gt(0).max(50), high: z.number().gt(0).max(50) }).optional(),
  pieceGrams: z.number().gt(0).max(5000).optional(),
  waterPercent: percent,
  fatPercent: percent,
  /** Left out by files from before it was kept: then what the starter pantry says of the same ingredient. */
  sugarPercent: percent.optional(),
  trueDensity: z.number().min(0.05).max(5),
  neutralisesTsp: z.number().min(0).max(50),
  darkens: z.boolean().optional(),
  storage: z.enum(storages),
  raw: z
    .strictObject({ name, keeps: z.number().gt(0).max(1), pieceGrams: z.number().gt(0).max(20_000).optional() })
    .optional(),
  contains: z.array(z.enum(substances)),
  source: z.string().max(300),
});

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
    people: z.int().min(0).max(400),
    audience: z.enum(audiences),
    minutes: z.int().min(15).max(600),
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
    doorsMinutes: z.int().min(0).max(120).default(10),
    eatMinutes: z.int().min(0).max(180).default(15),
    cleanMinutes: z.int().min(0).max(120).default(10),
    hasDemoBatch: z.boolean().default(false),
    hasSpareKit: z.boolean().default(false),
    isRemote: z.boolean().default(false),
    stationNames: z.array(z.string().trim().min(1).max(30)).max(200).default([]),
  })
  .transform((brief) => ({
    ...brief,
    hotPlacesPerAdult: brief.hotPlacesPerAdult ?? usualHotPlaces[brief.audience],
  }))
  .refine((brief) => hasScoopsLeft(measuringSetOf(brief.measuringSetId), brief.missingScoops), {
    path: ["missingScoops"],
    error: "expected at least one scoop of the measuring set to be left",
  });

export const surfaceSchema = z.strictObject({
  id,
  name,
  kind: z.enum(surfaceKinds),
  places: z.int().min(1).max(60),
  count: z.int().min(0).max(60),
  at: z.enum(["shared", "station"]),
  preheatMinutes: z.number().min(0).max(120).nullable().default(null),
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
  unitGrams: z.number().gt(0),
  unitsPerPack: z.int().min(1),
  unitName: name,
  product: name.optional(),
  price: z.int().min(0).max(100_000_000).optional(),
  sizes: z
    .array(
      z.strictObject({
        unitGrams: z.number().gt(0),
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
});
const arrangement = z.strictObject({
  seats: z.array(z.array(id).max(40)).max(400).nullable(),
  apart: z.array(z.int().min(0).max(399)).max(400).default([]),
  washesBetween: z.boolean().optional(),
});

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
      .max(400)
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
          stations: z.int().min(0).max(400).nullable().default(null),
        }),
      )
      .max(20)
      .refine(isUnique("id"), "expected every dish's id once")
      .superRefine((all, context) => {
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
      .max(400)
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
      .max(400)
      .default([])
      .refine(isUnique("ingredientId"), "expected one label per ingredient"),
    packs: z
      .array(packSize)
      .max(400)
      .default([])
      .refine(
        isUnique("ingredientId"),
        "expected one product per ingredient: give its other sizes under “sizes”, or another ingredient an id of its own",
      ),
    arrangement: arrangement.optional(),
    shared: z.array(sharedFood).max(60).refine(isUnique("id"), "expected every food's id once").optional(),
  }),
});

/** An ingredient of a file with what older files do not say. */
export const completeIngredient = (written: z.output<typeof ingredientSchema>): Ingredient => ({
  ...written,
  sugarPercent: written.sugarPercent ?? starterById.get(written.id)?.sugarPercent ?? 0,
  darkens: written.darkens ?? starterById.get(written.id)?.darkens ?? false,
});

/** What is wrong with a file, as sentences: where, what came, what is wanted. */
export type ClassFileRead =
  { readonly ok: true; readonly input: ClassInput } | { readonly ok: false; readonly problems: readonly string[] };

const mostProblems = 12;

/** Reads a class file from its text. Never throws: what is wrong comes back as sentences. */
export function readClassFile(json: string): ClassFileRead {
  let value: unknown;
  try {
    value = JSON.parse(json.replace(/^﻿/, ""));
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
  return Object.fromEntries(
    Object.entries(value)
      .filter(([, field]) => field !== undefined)
      .map(([key, field]) => [key, toPlain(field)]),
  );
}

/** The recipe of a stored document; for data this program wrote itself. @throws {z.ZodError} when it does not fit the schema. */
export const parseRecipe = (document: unknown): Recipe => recipeSchema.parse(document);

/** Writes a class as a class file: only the ingredients its recipes name, everything else whole. */
export function writeClassFile(input: ClassInput): string {
  const used = new Set(
    input.dishes.flatMap((dish) =>
      [...dish.recipe.lines, ...dish.recipe.variants.flatMap((variant) => [...variant.add, ...variant.swaps])].map(
        (one) => one.ingredientId,
      ),
    ),
  );
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
  const { arrangement: seated, shared } = input;
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
      dishes: dishes.map(({ newestRevision: _newest, ...dish }) => dish),
      kitchen: room,
      pantry: input.pantry.filter((one) => used.has(one.id)),
      labels,
      packs,
      arrangement: seated,
      shared,
    },
  };
  return `${JSON.stringify(toPlain(file), null, 2)}\n`;
}
