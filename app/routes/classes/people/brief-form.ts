import { measured } from "~/formats/schema-parts";
import { z } from "zod";
import { dayField, timeField } from "~/formats/date-fields";
import { regimes } from "~/core/allergen";
import { audiences, mostPeople } from "~/core/people";
import { type Brief, type ClassInput, longestAim, mealModes, mostAims, settledOf } from "~/core/plan";
import { hasScoopsLeft, measuringSets, scoopNames, writeRatio, type Minutes, inMinutes } from "~/core/quantity";
import type { Kitchen } from "~/core/gear";
import type { Recipe } from "~/core/recipe";
import { batchRules, eggRules } from "~/core/scale";
import { demoModes, kitModes } from "~/core/schedule";
import { timeZoneSchema } from "~/formats/class-file";
import { choice, fractionField, whole, words } from "../../form";

/** A dish as one choice in a list: recipe, revision and variant. */
export const dishKey = (recipe: Pick<Recipe, "id" | "revision">, variantId: string | null): string =>
  `${recipe.id}@${recipe.revision}/${variantId ?? ""}`;

function readDishKey(key: string): { recipeId: string; revision: number; variantId: string | null } | undefined {
  const read = /^([^@/]{1,64})@(\d{1,6})\/([^/]{0,64})$/.exec(key);
  return read?.[1] ? { recipeId: read[1], revision: Number(read[2]), variantId: read[3] || null } : undefined;
}

/** Dishes a brief can hold at once. */
export const dishRows = 4;

const stationNames = z
  .string()
  .max(2000, { error: "At most 2000 letters." })
  .default("")
  .transform((text, context) => {
    const names = text
      .split(",")
      .map((name) => name.trim())
      .filter((name) => name !== "");
    const long = names.find((name) => name.length > 30);
    const twice = names.find((name, index) => names.indexOf(name) !== index);
    if (long)
      context.addIssue({
        code: "custom",
        message: `“${long.slice(0, 30)}…” is too long to shout. At most 30 letters a name, with commas between.`,
      });
    if (twice)
      context.addIssue({ code: "custom", message: `“${twice}” stands twice. Give every station its own name.` });
    return names;
  });

const aims = z
  .string()
  .max(4000, { error: "At most 4000 letters." })
  .default("")
  .transform((text, context) => {
    const lines = [
      ...new Set(
        text
          .split("\n")
          .map((line) => line.trim())
          .filter((line) => line !== ""),
      ),
    ];
    const long = lines.find((line) => line.length > longestAim);
    if (long)
      context.addIssue({
        code: "custom",
        message: `“${long.slice(0, 30)}…” has ${long.length} letters. At most ${longestAim} an aim, each on a line of its own.`,
      });
    if (lines.length > mostAims)
      context.addIssue({
        code: "custom",
        message: `${lines.length} aims are more than a class can follow. At most ${mostAims}, a line each.`,
      });
    return lines.length > 0 ? lines : undefined;
  });

const percentField = z
  .number({ error: "Give a number of percent from 0.5 to 20." })
  .min(0.5, { error: "Give a number of percent from 0.5 to 20: closer than that no spoon measures." })
  .max(20, { error: "Give a number of percent from 0.5 to 20." });

/** A currency as people write it; its code, or nothing where the field is left empty. */
const currencyField = z
  .string()
  .trim()
  .toUpperCase()
  .max(12, { error: "Give a currency as three letters, such as EUR, or leave it empty." })
  .optional()
  .refine((code) => code === undefined || code === "" || Intl.supportedValuesOf("currency").includes(code), {
    error: (issue) =>
      `Give a currency as its three letters, such as EUR, GBP or USD, or leave it empty; got “${String(issue.input).slice(0, 12)}”.`,
  })
  .transform((code) => (code ? code : undefined));

export const briefFormSchema = z
  .object({
    version: z.int().optional(),
    title: words(120, "a title, such as Junior breakfast"),
    date: dayField("Give a date."),
    time: timeField("Give the time the doors open, such as 09:30."),
    timeZone: timeZoneSchema,
    currency: currencyField,
    kitchenId: z.uuid({ error: "Choose a kitchen. If there is none yet, add one under Kitchens." }),
    people: whole(0, mostPeople),
    tasters: whole(0, mostPeople).default(0),
    audience: choice(audiences, "the ages"),
    minutes: measured<Minutes>(whole(15, 600)),
    piecesEach: fractionField(40),
    stationSize: whole(1, 40),
    helpers: whole(0, 60),
    hotPlacesPerAdult: whole(0, 20),
    kitMode: choice(kitModes, "how kits come"),
    demo: choice(demoModes, "a demonstration"),
    testersPerSurface: whole(0, 2),
    batchRule: choice(batchRules, "a rule"),
    eggRule: choice(eggRules, "what is done about half an egg").default("by-weight"),
    containerPer: choice(["line", "bowl"], "how things are put into containers").default("line"),
    measuringSetId: z
      .string({ error: "Choose a measuring set." })
      .refine((id) => measuringSets.some((set) => set.id === id), { error: "Choose a measuring set from the list." }),
    missingScoops: z
      .array(z.enum(scoopNames, { error: "Choose what is missing from the list." }))
      .max(scoopNames.length)
      .default([]),
    strictTolerancePercent: percentField,
    usualTolerancePercent: percentField,
    easesSpice: z.boolean().default(false),
    regime: z.enum(Object.keys(regimes) as [keyof typeof regimes], { error: "Choose a list." }),
    doorsMinutes: measured<Minutes>(whole(0, 120)),
    eatMinutes: measured<Minutes>(whole(0, 180)),
    cleanMinutes: measured<Minutes>(whole(0, 120)),
    mealMode: z.enum(mealModes, { error: "Choose how they eat." }).default("together"),
    hasDemoBatch: z.boolean().default(false),
    hasSpareKit: z.boolean().default(false),
    isRemote: z.boolean().default(false),
    stationNames,
    aims,
    dishes: z
      .array(
        z.object({
          what: z
            .string()
            .optional()
            .refine((key) => key === undefined || readDishKey(key) !== undefined, {
              error: "Choose a recipe from the list.",
            }),
          stations: whole(0, mostPeople).optional(),
        }),
      )
      .max(dishRows)
      .default([]),
  })
  .superRefine((form, context) => {
    const set = measuringSets.find((one) => one.id === form.measuringSetId);
    if (set && !hasScoopsLeft(set, form.missingScoops))
      context.addIssue({
        code: "custom",
        path: ["missingScoops"],
        message: "Nothing would be left to measure with. Untick what is there, or choose another set.",
      });
  });
export type BriefForm = z.output<typeof briefFormSchema>;

/** A form's values as the core and the database know them. */
export function factsOf(form: BriefForm) {
  const { version: _version, title, date, time, timeZone, currency, kitchenId, dishes, ...brief } = form;
  return {
    title,
    startsAt: `${date}T${time}`,
    timeZone,
    currency,
    kitchenId,
    // Together is what is meant where nobody said.
    brief: { ...brief, mealMode: brief.mealMode === "together" ? undefined : brief.mealMode } satisfies Brief,
    dishes: dishes.flatMap((row) => {
      const dish = row.what === undefined ? undefined : readDishKey(row.what);
      return dish ? [{ ...dish, stations: row.stations ?? null }] : [];
    }),
  };
}

/** A class as a form's first values. */
export function formValuesOf(input: ClassInput, version: number | undefined) {
  const { brief } = input;
  return {
    ...brief,
    version,
    title: input.title,
    date: input.startsAt.slice(0, 10),
    time: input.startsAt.slice(11, 16),
    timeZone: input.timeZone,
    currency: input.currency ?? "",
    kitchenId: input.kitchen.id,
    mealMode: brief.mealMode ?? "together",
    piecesEach: writeRatio(brief.piecesEach),
    missingScoops: [...brief.missingScoops],
    hasDemoBatch: brief.hasDemoBatch ? "on" : "",
    hasSpareKit: brief.hasSpareKit ? "on" : "",
    isRemote: brief.isRemote ? "on" : "",
    easesSpice: brief.easesSpice ? "on" : "",
    stationNames: brief.stationNames.join(", "),
    aims: (brief.aims ?? []).join("\n"),
    dishes: Array.from({ length: dishRows }, (_, index) => {
      const dish = input.dishes[index];
      return dish
        ? { what: dishKey(dish.recipe, dish.variantId), stations: dish.stations ?? "" }
        : { what: "", stations: "" };
    }),
  };
}

/** Which recipes a form names. */
export const dishesIn = (form: BriefForm) =>
  factsOf(form).dishes.map(({ recipeId, revision }) => ({ id: recipeId, revision }));

/** The class that a form describes, for planning before anything is saved; `undefined` while a kitchen or recipe is not chosen. */
export function inputOf(
  form: BriefForm,
  base: Pick<ClassInput, "id" | "people" | "dishes" | "labels" | "packs" | "pantry">,
  kitchens: readonly Kitchen[],
  recipes: readonly Recipe[],
): ClassInput | undefined {
  const { dishes, kitchenId, ...facts } = factsOf(form);
  const room = kitchens.find((one) => one.id === kitchenId);
  if (!room) return undefined;
  // Only what the core knows of a kitchen: a version beside it would look like a change.
  const kitchen: Kitchen = {
    id: room.id,
    name: room.name,
    sinks: room.sinks,
    surfaces: room.surfaces,
    gear: room.gear,
    ...(room.altitudeM === undefined ? {} : { altitudeM: room.altitudeM }),
    ...(room.circuits ? { circuits: room.circuits } : {}),
    ...(room.floor ? { floor: room.floor } : {}),
  };
  return {
    ...base,
    ...facts,
    kitchen,
    dishes: dishes.flatMap((dish, index) => {
      const recipe = recipes.find((one) => one.id === dish.recipeId && one.revision === dish.revision);
      return recipe
        ? [
            {
              id: base.dishes[index]?.id ?? `dish-${index}`,
              recipe,
              variantId: dish.variantId,
              stations: dish.stations,
              ...settledOf(base.dishes[index], dish.recipeId),
            },
          ]
        : [];
    }),
  };
}

/** Where two briefs differ, as rows of what is saved now and what was typed. */
export function differences(now: ClassInput, typed: BriefForm): { field: string; saved: string; typed: string }[] {
  const saved = formValuesOf(now, undefined);
  const mine = {
    ...typed,
    currency: typed.currency ?? "",
    piecesEach: writeRatio(typed.piecesEach),
    stationNames: typed.stationNames.join(", "),
    aims: (typed.aims ?? []).join("\n"),
    hasDemoBatch: typed.hasDemoBatch ? "on" : "",
    hasSpareKit: typed.hasSpareKit ? "on" : "",
    isRemote: typed.isRemote ? "on" : "",
    easesSpice: typed.easesSpice ? "on" : "",
  };
  const keys = Object.keys(saved).filter((key) => key !== "version" && key !== "dishes") as (keyof typeof saved &
    keyof typeof mine)[];
  const rows = keys
    .filter((key) => String(saved[key]) !== String(mine[key]))
    .map((key) => ({ field: key, saved: String(saved[key]), typed: String(mine[key]) }));
  const dishesAs = (dishes: readonly { what?: string | undefined; stations?: number | string | null | undefined }[]) =>
    dishes
      .filter((dish) => dish.what)
      .map(
        (dish) =>
          `${dish.what} × ${dish.stations === "" || dish.stations === undefined || dish.stations === null ? "the rest" : dish.stations}`,
      )
      .join(", ");
  return dishesAs(saved.dishes) === dishesAs(typed.dishes)
    ? rows
    : [...rows, { field: "dishes", saved: dishesAs(saved.dishes), typed: dishesAs(typed.dishes) }];
}

/** What a new class starts from; the usual Saturday morning. */
export const usualBrief = {
  people: 12,
  tasters: 0,
  audience: "school-age",
  minutes: inMinutes(90),
  piecesEach: "3",
  stationSize: 3,
  helpers: 1,
  hotPlacesPerAdult: 2,
  kitMode: "pre-measured",
  demo: "mix-and-load",
  testersPerSurface: 0,
  batchRule: "half",
  eggRule: "by-weight",
  containerPer: "line",
  measuringSetId: "us-usual",
  strictTolerancePercent: 2,
  usualTolerancePercent: 5,
  easesSpice: "",
  regime: "eu",
  doorsMinutes: inMinutes(10),
  eatMinutes: inMinutes(15),
  cleanMinutes: inMinutes(10),
  mealMode: "together",
  hasDemoBatch: "on",
  hasSpareKit: "",
  isRemote: "",
  stationNames: "",
  aims: "",
} as const;
