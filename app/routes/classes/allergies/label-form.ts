import { z } from "zod";
import { optionalWords } from "../../form";
import type { Regime } from "~/core/allergen";
import { type LabelReading, markets, substances } from "~/core/pantry";

/** Words with commas between them, each once. */
const listed = optionalWords(400).transform((text) =>
  [
    ...new Set(
      text
        .split(/[,;\n]/)
        .map((one) => one.trim().slice(0, 60))
        .filter((one) => one !== ""),
    ),
  ].slice(0, 40),
);

/** What a label says, whatever it is the label of: a product that is bought or food that is brought along. */
export const saidOnLabel = {
  contains: z.array(z.enum(substances)).default([]),
  mayContain: z.array(z.enum(substances)).default([]),
  market: z.enum(markets, { error: "Choose from the list." }).optional(),
  isGlutenFree: z.boolean().default(false),
  lookedFor: listed,
  foods: listed,
};

/** The first values of those fields. */
export const saidValues = (label: Partial<LabelReading> | null | undefined, regime: Regime) => ({
  market: label?.market ?? regime,
  isGlutenFree: label?.isGlutenFree ? "on" : "",
  lookedFor: (label?.lookedFor ?? []).join(", "),
  foods: (label?.foods ?? []).join(", "),
});
