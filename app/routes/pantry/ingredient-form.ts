import { inGrams } from "~/core/quantity";
import { z } from "zod";
import { type Ingredient, mixedDensity, labelKinds, roles, storages, substances } from "~/core/pantry";
import { choice, optionalWords, words } from "../form";

/** An optional figure as a form has it: empty means not known. */
const figure = (most: number, what: string) => {
  const error = `Give ${what} as a number above 0 and up to ${most}, or leave it empty.`;
  return z.number({ error }).gt(0, { error }).max(most, { error }).optional();
};
const percentage = z
  .number({ error: "Give a number from 0 to 100." })
  .min(0, { error: "Give a number from 0 to 100." })
  .max(100, { error: "Give a number from 0 to 100." })
  .default(0);

/** Said of a density that nobody typed: it follows from water, fat and the rest. */
const reckoned = "density reckoned from what is in it";

export const ingredientFormSchema = z
  .object({
    version: z.int().default(0),
    name: words(120, "a name as people say it, such as fine cornmeal"),
    role: choice(roles, "what it does"),
    label: choice(labelKinds, "whether it carries a label"),
    storage: choice(storages, "how it is stored"),
    gramsPerCup: figure(2000, "the weight of a US cup"),
    gramsSifted: figure(2000, "the weight of a sifted cup"),
    gramsSpooned: figure(2000, "the weight of a spooned cup"),
    gramsDipped: figure(2000, "the weight of a dipped cup"),
    gramsPerTsp: figure(50, "the weight of a teaspoon"),
    tspLow: figure(50, "the lightest teaspoon"),
    tspHigh: figure(50, "the heaviest teaspoon"),
    pieceGrams: figure(5000, "the weight of a piece"),
    rawName: optionalWords(120),
    rawKeeps: figure(100, "the percent that is left"),
    rawPieceGrams: figure(20_000, "the weight of one as bought"),
    waterPercent: percentage,
    fatPercent: percentage,
    sugarPercent: percentage,
    trueDensity: z
      .number({ error: "Give grams per millilitre from 0.05 to 5, such as 1.45 for flour." })
      .min(0.05, { error: "Give grams per millilitre from 0.05 to 5, such as 1.45 for flour." })
      .max(5, { error: "Give grams per millilitre from 0.05 to 5, such as 1.45 for flour." })
      .optional(),
    neutralisesTsp: z
      .number({ error: "Give teaspoons of soda from 0 to 50." })
      .min(0, { error: "Give teaspoons of soda from 0 to 50." })
      .max(50, { error: "Give teaspoons of soda from 0 to 50." })
      .default(0),
    darkens: z.boolean().default(false),
    contains: z.array(z.enum(substances)).max(substances.length).default([]),
    source: optionalWords(300),
  })
  .superRefine((form, context) => {
    const fills = [form.gramsSifted, form.gramsSpooned, form.gramsDipped].filter((one) => one !== undefined).length;
    if (fills > 0 && fills < 3)
      context.addIssue({
        code: "custom",
        path: ["gramsSpooned"],
        message: "Give all three ways of filling a cup, or none.",
      });
    if (fills > 0 && form.gramsPerCup !== undefined)
      context.addIssue({
        code: "custom",
        path: ["gramsPerCup"],
        message: "Either one weight of a cup, or one for each way of filling.",
      });
    if (
      (form.rawName === "") !== (form.rawKeeps === undefined) ||
      (form.rawName === "" && form.rawPieceGrams !== undefined)
    )
      context.addIssue({
        code: "custom",
        path: [form.rawName === "" ? "rawName" : "rawKeeps"],
        message: "Say both what is bought and how much of it is left, or neither.",
      });
    if ((form.tspLow === undefined) !== (form.tspHigh === undefined))
      context.addIssue({
        code: "custom",
        path: ["tspHigh"],
        message: "Give both the lightest and the heaviest spoon, or neither.",
      });
  });

/** The ingredient a form describes. */
export function ingredientOfForm(id: string, form: z.output<typeof ingredientFormSchema>): Ingredient {
  const { gramsSifted: sifted, gramsSpooned: spooned, gramsDipped: dipped } = form;
  const cup =
    sifted !== undefined && spooned !== undefined && dipped !== undefined
      ? { sifted, spooned, dipped }
      : form.gramsPerCup;
  return {
    id,
    name: form.name,
    role: form.role,
    label: form.label,
    storage: form.storage,
    ...(cup === undefined ? {} : { gramsPerCup: cup }),
    ...(form.gramsPerTsp === undefined ? {} : { gramsPerTsp: form.gramsPerTsp }),
    ...(form.tspLow !== undefined && form.tspHigh !== undefined
      ? { tspSpread: { low: form.tspLow, high: form.tspHigh } }
      : {}),
    ...(form.pieceGrams === undefined ? {} : { pieceGrams: inGrams(form.pieceGrams) }),
    ...(form.rawName !== "" && form.rawKeeps !== undefined
      ? {
          raw: {
            name: form.rawName,
            keeps: form.rawKeeps / 100,
            ...(form.rawPieceGrams === undefined ? {} : { pieceGrams: inGrams(form.rawPieceGrams) }),
          },
        }
      : {}),
    waterPercent: form.waterPercent,
    fatPercent: form.fatPercent,
    sugarPercent: form.sugarPercent,
    trueDensity: form.trueDensity ?? Math.round(mixedDensity(form) * 100) / 100,
    neutralisesTsp: form.neutralisesTsp,
    darkens: form.darkens,
    contains: [...form.contains].sort(),
    source: [
      form.source || "entered here",
      ...(form.trueDensity === undefined && !form.source.includes(reckoned) ? [reckoned] : []),
    ].join("; "),
  };
}

/** An ingredient as a form's first values. */
export function formOfIngredient(one: Ingredient | undefined, version: number) {
  const cup = one?.gramsPerCup;
  const fills = typeof cup === "object" ? cup : undefined;
  return {
    version,
    name: one?.name ?? "",
    role: one?.role ?? "other",
    label: one?.label ?? "packaged",
    storage: one?.storage ?? "dry",
    gramsPerCup: typeof cup === "number" ? cup : "",
    gramsSifted: fills?.sifted ?? "",
    gramsSpooned: fills?.spooned ?? "",
    gramsDipped: fills?.dipped ?? "",
    gramsPerTsp: one?.gramsPerTsp ?? "",
    tspLow: one?.tspSpread?.low ?? "",
    tspHigh: one?.tspSpread?.high ?? "",
    pieceGrams: one?.pieceGrams ?? "",
    rawName: one?.raw?.name ?? "",
    rawKeeps: one?.raw ? Math.round(one.raw.keeps * 1000) / 10 : "",
    rawPieceGrams: one?.raw?.pieceGrams ?? "",
    waterPercent: one?.waterPercent ?? 0,
    fatPercent: one?.fatPercent ?? 0,
    sugarPercent: one?.sugarPercent ?? 0,
    trueDensity: one?.trueDensity ?? "",
    neutralisesTsp: one?.neutralisesTsp ?? 0,
    darkens: one?.darkens ? "on" : "",
    contains: [...(one?.contains ?? [])] as string[],
    source: one?.source ?? "",
  };
}
