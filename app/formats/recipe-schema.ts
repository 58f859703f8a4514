import { z } from "zod";
import { type Ingredient, fillMethods, roles, storages, substances } from "~/core/pantry";
import {
  measuringSystems,
  type Celsius,
  type Minutes,
  type Millilitres,
  type Grams,
  type Pieces,
} from "~/core/quantity";
import {
  type Recipe,
  bowls,
  cues,
  families,
  gateKinds,
  hazards,
  mixingStops,
  partHeats,
  partKinds,
  readinessTests,
  servingKinds,
  shapeIds,
  standings,
  stepKinds,
  techniques,
  warmPlaces,
  surfaceKinds,
  tools,
  windowReasons,
  roundLimits,
} from "~/core/recipe";

import {
  amount,
  fraction,
  id,
  isUnique,
  lineAmount,
  minutes,
  name,
  percent,
  span,
  starterById,
  text,
  measured,
} from "./schema-parts";

/** Recipes and ingredients as files and stored documents hold them. */
const line = z.strictObject({
  id,
  partId: id.nullable().default(null),
  ingredientId: id,
  amount: lineAmount,
  bowl: z.enum(bowls),
  keeps: z.number().gt(0).max(1).default(1),
  isOptional: z.boolean().default(false),
  note: text,
  roundId: id.optional().describe("the round it is for; left out, all pieces get of it"),
  alternatives: z
    .array(
      z.strictObject({
        ingredientId: id,
        amount: amount.optional().describe("left out, as much as of the line's own"),
        isAdvised: z.boolean().default(true),
        reason: z.string().max(200).default(""),
      }),
    )
    .max(8)
    .refine(isUnique("ingredientId"), "expected every alternative once")
    .optional()
    .describe("what may stand for it, or is advised against; a class chooses"),
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
  hazards: z.array(z.enum(hazards)).max(hazards.length).default([]),
  waived: z
    .array(z.strictObject({ hazard: z.enum(hazards), reason: z.string().trim().min(1).max(200) }))
    .max(hazards.length)
    .optional()
    .describe("cautions left out on purpose, each with the reason"),
  who: z.enum(["anyone", "adult"]).default("anyone"),
  point: z.string().trim().min(1).max(300).optional().describe("the one point the instructor makes here"),
  question: z.string().trim().min(1).max(300).optional().describe("the one question asked here"),
  avoid: z.string().trim().min(1).max(300).optional().describe("what is not shown or said here"),
  gate: z
    .strictObject({ kind: z.enum(gateKinds), value: z.number().min(1).max(20_000) })
    .optional()
    .describe("what must be reached before a station goes on: grams for one batch, or degrees Celsius"),
  techniques: z
    .array(z.enum(techniques))
    .max(techniques.length)
    .optional()
    .describe("what is shown at this step; left out, it follows from the step"),
  warmth: z
    .strictObject({
      place: z.enum(warmPlaces),
      c: measured<Celsius>(z.number().min(-25).max(250)),
      most: measured<Minutes>(z.number().gt(0).max(1440)).optional(),
    })
    .optional()
    .describe("of a step that holds or reheats: where, degrees Celsius, and the longest it is held in minutes"),
  stop: z.enum(mixingStops).optional().describe("when to stop mixing; left out, as the family usually does"),
});

const standing = z.enum(standings).default("draft");

export const recipeSchema = z
  .strictObject({
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
        min: measured<Minutes>(z.number().min(0).max(2880)),
        max: measured<Minutes>(z.number().min(0).max(2880)).nullable(),
        reason: z.enum(windowReasons),
      })
      .refine((value) => value.max === null || value.min <= value.max, "expected the least rest not above the most"),
    heat: z.strictObject({
      surfaceKinds: z.array(z.enum(surfaceKinds)).min(1),
      surfaceC: z.strictObject({
        from: measured<Celsius>(z.number().min(50).max(350)),
        to: measured<Celsius>(z.number().min(50).max(350)),
      }),
      test: z.enum(readinessTests),
      side1: span,
      side2: span.nullable(),
      turnaround: minutes,
      pourPerPiece: minutes,
      recover: minutes,
      cues: z.array(z.enum(cues)).max(cues.length),
      halves: span
        .optional()
        .describe("a piece is poured in two halves: minutes from the first to the second, with what is put in between"),
      on: z
        .array(
          z.strictObject({
            surfaceKind: z.enum(surfaceKinds),
            surfaceC: z
              .strictObject({
                from: measured<Celsius>(z.number().min(50).max(350)),
                to: measured<Celsius>(z.number().min(50).max(350)),
              })
              .optional(),
            dial: z.string().trim().min(1).max(120).optional(),
            test: z.enum(readinessTests).optional(),
            side1: span.optional(),
            side2: span.optional(),
          }),
        )
        .max(surfaceKinds.length)
        .refine(isUnique("surfaceKind"), "expected every kind of surface once")
        .optional()
        .describe("what is different on some kinds of surface: degrees, the dial in words, how it is tested, minutes"),
    }),
    portion: z.discriminatedUnion("kind", [
      z.strictObject({ kind: z.literal("ml"), ml: measured<Millilitres>(z.number().min(1).max(2000)) }),
      z.strictObject({ kind: z.literal("grams"), grams: measured<Grams>(z.number().min(1).max(2000)) }),
      z.strictObject({ kind: z.literal("batch"), pieces: measured<Pieces>(z.int().min(1).max(200)) }),
    ]),
    pieceDiameterCm: z.number().min(1).max(60),
    aimedLooseness: z
      .number()
      .min(0.1)
      .max(10)
      .optional()
      .describe("grams of water to a gram of flour that its author aims at; left out, as its lines make it"),
    rounds: z
      .array(z.strictObject({ id, name, parts: z.int().min(1).max(roundLimits.parts) }))
      .min(2)
      .max(roundLimits.rounds)
      .refine(isUnique("id"), "expected every round's id once")
      .optional()
      .describe(
        "pieces of one bowl that are finished alike and cooked by themselves, in order; left out, all are alike",
      ),
    isRoundsOpen: z
      .literal(true)
      .optional()
      .describe("each table decides while it cooks how many of each round it makes; the parts are what is likely"),
    shapes: z
      .array(z.enum(shapeIds))
      .min(1)
      .max(shapeIds.length)
      .refine((ids) => new Set(ids).size === ids.length, "expected every shape once")
      .optional()
      .describe("what is offered to be drawn, of the drawn family; left out, every shape there is"),
    serving: z
      .strictObject({ pieces: measured<Pieces>(z.int().min(2).max(20)), as: z.enum(servingKinds) })
      .optional()
      .describe("what several pieces are put together to; left out, a piece is eaten by itself"),
    claimedPieces: measured<Pieces>(z.int().min(1).max(400)).nullable().default(null),
    blindNote: z.string().max(300).default(""),
    parts: z
      .array(
        z.strictObject({
          id,
          name,
          kind: z.enum(partKinds),
          heat: z.enum(partHeats),
          minutes: span,
          makesGrams: measured<Grams>(z.number().gt(0).max(100_000)).nullable().default(null),
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
  })
  .superRefine(({ lines, variants, rounds = [] }, context) => {
    const known = new Set(rounds.map((round) => round.id));
    for (const { id: lineId, roundId } of [...lines, ...variants.flatMap((variant) => variant.add)])
      if (roundId !== undefined && !known.has(roundId))
        context.addIssue({
          code: "custom",
          path: ["rounds"],
          message: `expected a round of the recipe for “${lineId}” (${[...known].join(", ") || "it has none"}), got “${roundId}”`,
        });
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
  gramsPerTsp: measured<Grams>(z.number().gt(0).max(50)).optional(),
  tspSpread: z.strictObject({ low: z.number().gt(0).max(50), high: z.number().gt(0).max(50) }).optional(),
  pieceGrams: measured<Grams>(z.number().gt(0).max(5000)).optional(),
  waterPercent: percent,
  fatPercent: percent,
  /** Left out by files from before it was kept: then what the starter pantry says of the same ingredient. */
  sugarPercent: percent.optional(),
  trueDensity: z.number().min(0.05).max(5),
  neutralisesTsp: z.number().min(0).max(50),
  darkens: z.boolean().optional(),
  storage: z.enum(storages),
  raw: z
    .strictObject({
      name,
      keeps: z.number().gt(0).max(1),
      pieceGrams: measured<Grams>(z.number().gt(0).max(20_000)).optional(),
    })
    .optional(),
  contains: z.array(z.enum(substances)),
  source: z.string().max(300),
});

/** An ingredient of a file with what older files do not say. */
export const completeIngredient = (written: z.output<typeof ingredientSchema>): Ingredient => ({
  ...written,
  sugarPercent: written.sugarPercent ?? starterById.get(written.id)?.sugarPercent ?? 0,
  darkens: written.darkens ?? starterById.get(written.id)?.darkens ?? false,
});

/** The recipe of a stored document; for data this program wrote itself. @throws {z.ZodError} when it does not fit the schema. */
export const parseRecipe = (document: unknown): Recipe => recipeSchema.parse(document);
