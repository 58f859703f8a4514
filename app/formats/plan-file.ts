import { extraKinds } from "~/core/plan";
import { z } from "zod";
import { sharedThings } from "~/core/gear";
import { type ClassInput, plan, stages } from "~/core/plan";
import { sealsOf } from "~/core/sheet";
import { taskKinds, bellKinds } from "~/core/schedule";
import { toPlain } from "./class-file";

/**
 * The plan of a class as others compute with it: what `npm run -s plan` prints. Fields are added, never renamed or given another
 * meaning. Minutes are since the doors; amounts and fractions are text as in a class file; what is not known is left out or null.
 */
export const planFileFormat = "apron-bell-plan";
export const planFileVersion = 1;

const fraction = z.string().describe("an exact number such as 3/4");
const amount = z.string().describe("an exact number and a unit such as 1 1/4 cup");
const grams = z.number().nullable().optional();

const kitLine = z.looseObject({
  lineId: z.string(),
  ingredientId: z.string(),
  bowl: z.string(),
  kind: z.string(),
  main: z.looseObject({ amount, grams }).optional(),
  apart: z.looseObject({ amount, grams }).optional(),
  most: amount.optional(),
  buyGrams: grams,
  buyPieces: z.number().optional(),
});
const task = z.looseObject({
  id: z.string(),
  kind: z.enum(taskKinds),
  stationId: z.string().nullable(),
  surfaceId: z.string().nullable(),
  stepId: z.string().nullable(),
  start: z.number(),
  end: z.number(),
  pieces: z.number(),
  loadNumber: z.number(),
  roundId: z.string().optional().describe("which round of its recipe a load is of, where there are several"),
  waitsFor: z
    .enum(sharedThings)
    .optional()
    .describe(
      "of a wait: what goes round and is with another table; of a load or tester: what it is poured with and waited for",
    ),
  waited: z.number().optional().describe("of a load or tester: minutes it waited for what it is poured with"),
  isCatchUp: z.literal(true).optional().describe("of a wait: everybody steps along, and the others are not there yet"),
  mix: z.literal(2).optional().describe("done to, or poured from, the second of two mixes"),
});

export const planFileSchema = z.looseObject({
  format: z.literal(planFileFormat),
  version: z.literal(planFileVersion),
  stations: z.array(
    z.looseObject({
      id: z.string(),
      name: z.string(),
      size: z.number(),
      people: z.array(z.string()),
      dishId: z.string(),
      isApart: z.boolean(),
      scale: z.looseObject({
        factor: fraction,
        piecesWanted: z.number(),
        piecesMade: z.number(),
        over: z.number(),
      }),
      eaters: z.number().describe("people it feeds: its own, and its share of those who only taste"),
      cooked: z.number().describe("pieces it cooks, testers with them"),
      loads: z.number(),
      testers: z.number(),
      kit: z.array(kitLine),
    }),
  ),
  dishes: z.array(
    z.looseObject({
      id: z.string(),
      recipe: z.looseObject({ id: z.string(), revision: z.number(), title: z.string() }),
      variantId: z.string().nullable(),
      variantName: z.string().nullable(),
      stations: z.number(),
    }),
  ),
  extras: z.array(
    z.looseObject({ kind: z.enum(extraKinds), dishId: z.string(), factor: fraction, kit: z.array(kitLine) }),
  ),
  demoKit: z.array(kitLine),
  spareKit: z.array(kitLine),
  totals: z.array(
    z.looseObject({
      ingredientId: z.string(),
      expectedGrams: grams,
      buyGrams: grams,
      pieces: fraction.optional(),
      expectedPieces: fraction.optional(),
      buyPieces: z.number().optional(),
      isToTaste: z.boolean(),
      raw: z.looseObject({ name: z.string(), grams: z.number(), pieces: z.number().optional() }).optional(),
      packs: z
        .looseObject({
          exactUnits: z.number(),
          units: z.number(),
          packs: z.number(),
          spareUnits: z.number(),
          unitName: z.string(),
        })
        .optional(),
    }),
  ),
  gear: z.array(z.looseObject({ tool: z.string(), needed: z.number(), short: z.number() })),
  timeline: z.looseObject({
    tasks: z.array(task),
    bells: z.array(z.looseObject({ id: z.string(), kind: z.enum(bellKinds), at: z.number() })),
    units: z.array(
      z.looseObject({
        id: z.string(),
        surfaceId: z.string(),
        name: z.string(),
        number: z.number(),
        stationId: z.string().nullable(),
      }),
    ),
    end: z.number(),
    firstPour: z.number(),
    lastLoadEnd: z.number(),
    bound: z.number().describe("minutes since the doors before which no order can have everything ready to eat"),
    isProved: z.boolean().describe("everything is ready to eat at the bound, with every window kept"),
    loads: z.number(),
    batters: z.array(
      z.looseObject({
        stationId: z.string(),
        wetAt: z.number(),
        mixedAt: z.number(),
        readyAt: z.number(),
        lastPour: z.number(),
        mix: z.literal(2).optional().describe("the second of two mixes"),
      }),
    ),
    unplaced: z.array(z.string()),
  }),
  plates: z.array(z.looseObject({ participantId: z.string(), verdict: z.string(), items: z.array(z.looseObject({})) })),
  figures: z.array(z.looseObject({ code: z.string(), of: z.string().nullable(), value: z.number().nullable() })),
  findings: z.array(
    z.looseObject({
      code: z.string(),
      level: z.enum(["blocks", "warns", "notes"]),
      stage: z.enum(stages),
      dishId: z.string().nullable(),
    }),
  ),
  isPackable: z.boolean(),
  order: z
    .looseObject({
      loads: z.array(
        z.looseObject({
          surfaceId: z.string(),
          number: z.number(),
          parts: z.array(z.looseObject({ stationId: z.string(), pieces: z.number() })),
        }),
      ),
      demoAt: z.looseObject({ surfaceId: z.string(), number: z.number(), stationId: z.string().optional() }).nullable(),
      showsFirst: z.boolean(),
    })
    .nullable()
    .describe("the order of the loads that a search found, as a class file takes it; null where the rules decide"),
  fingerprints: z.record(z.enum(stages), z.string()),
});

/** The plan of a class as plain JSON values. */
export function planFileOf(input: ClassInput): unknown {
  const made = plan(input);
  return toPlain({
    format: planFileFormat,
    version: planFileVersion,
    ...made,
    order: input.order ?? null,
    fingerprints: sealsOf(input, made),
  });
}
