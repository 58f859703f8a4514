import { z } from "zod";
import { fillMethods } from "~/core/pantry";
import { measuringSystems } from "~/core/quantity";
import { parseJson } from "~/formats/text";
import {
  type RecipeDraft,
  amountKinds,
  bowls,
  cues,
  families,
  gateKinds,
  guesses,
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

/** The door for a recipe being written. Shapes and lengths only: what the texts say is read by the core. */
const id = z.string().regex(/^[A-Za-z0-9][A-Za-z0-9._-]{0,63}$/);
const noId = z.union([id, z.literal("")]);
const short = z.string().max(300);
const span = z.object({ low: short, likely: short, high: short });
const guessed = z.array(z.enum(guesses)).max(8);

const line = z.object({
  id,
  partId: noId,
  ingredientId: noId,
  said: z.string().max(500),
  kind: z.enum(amountKinds),
  amount: short,
  second: short,
  packName: short,
  bowl: z.enum(bowls),
  keepsPercent: short,
  isOptional: z.boolean(),
  note: z.string().max(2000),
  roundId: noId.optional(),
  alternatives: z
    .array(z.object({ ingredientId: noId, amount: short, isAdvised: z.boolean(), reason: short }))
    .max(8)
    .optional(),
  choices: z.array(id).max(60),
  guesses: guessed,
});

export const draftSchema = z.object({
  title: z.string().max(300),
  intro: z.string().max(4000),
  family: z.enum(families),
  system: z.union([z.enum(measuringSystems), z.literal("")]),
  fill: z.enum(fillMethods),
  standing: z.enum(standings),
  lines: z.array(line).max(60),
  steps: z
    .array(
      z.object({
        id,
        partId: noId,
        kind: z.enum(stepKinds),
        text: z.string().max(4000),
        draws: z.array(z.object({ lineId: id, share: short })).max(60),
        mentions: z.array(id).max(60),
        minutes: span,
        tools: z.array(z.enum(tools)).max(40),
        hazards: z.array(z.enum(hazards)).max(hazards.length),
        waived: z
          .array(z.object({ hazard: z.enum(hazards), reason: z.string().max(200) }))
          .max(hazards.length)
          .optional(),
        who: z.enum(["anyone", "adult"]),
        stop: z.enum(mixingStops).optional(),
        point: short.optional(),
        question: short.optional(),
        avoid: short.optional(),
        gateKind: z.union([z.enum(gateKinds), z.literal("")]).optional(),
        gateValue: short.optional(),
        techniques: z.array(z.enum(techniques)).max(techniques.length).optional(),
        warmPlace: z.union([z.enum(warmPlaces), z.literal("")]).optional(),
        warmC: short.optional(),
        warmMost: short.optional(),
        guesses: guessed,
      }),
    )
    .max(60),
  restMin: short,
  restMax: short,
  restReason: z.enum(windowReasons),
  surfaceKinds: z.array(z.enum(surfaceKinds)).max(12),
  surfaceFrom: short,
  surfaceTo: short,
  test: z.enum(readinessTests),
  side1: span,
  hasSide2: z.boolean(),
  side2: span,
  turnaround: short,
  pourPerPiece: short,
  recover: short,
  halves: span.optional(),
  cues: z.array(z.enum(cues)).max(cues.length),
  heatOn: z
    .array(
      z.object({
        surfaceKind: z.enum(surfaceKinds),
        from: short,
        to: short,
        dial: short,
        test: z.enum(["", ...readinessTests]).default(""),
        side1: span,
        side2: span,
      }),
    )
    .max(surfaceKinds.length)
    .optional(),
  blindNote: short,
  portionKind: z.enum(["ml", "grams", "batch"]),
  portion: short,
  pieceDiameterCm: short,
  aimedLooseness: short.default(""),
  claimedPieces: short,
  shapes: z.array(z.enum(shapeIds)).max(shapeIds.length).optional(),
  servingPieces: short,
  servingAs: z.enum(servingKinds),
  rounds: z
    .array(z.object({ id, name: short, parts: short }))
    .max(roundLimits.rounds)
    .optional(),
  isRoundsOpen: z.boolean().optional(),
  parts: z
    .array(
      z.object({ id, name: short, kind: z.enum(partKinds), heat: z.enum(partHeats), minutes: span, makesGrams: short }),
    )
    .max(12),
  variants: z
    .array(
      z.object({
        id,
        name: short,
        standing: z.enum(standings),
        decidedAt: noId,
        omit: z.array(id).max(60),
        swaps: z.array(z.object({ lineId: id, ingredientId: noId, amount: short })).max(60),
        add: z.array(line).max(30),
        steps: z
          .array(z.object({ stepId: id, text: z.string().max(2000) }))
          .max(60)
          .default([]),
      }),
    )
    .max(20),
}) satisfies z.ZodType<RecipeDraft>;

/** A draft posted as JSON text; `undefined` for anything that is none. */
export function readDraftField(value: FormDataEntryValue | null): RecipeDraft | undefined {
  if (typeof value !== "string" || value.length > 400_000) return undefined;
  try {
    return draftSchema.safeParse(parseJson(value)).data;
  } catch {
    return undefined;
  }
}
