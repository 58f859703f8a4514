import { z } from "zod";
import { type Diet, diets, substances } from "~/core/pantry";
import { type Need, severities } from "~/core/people";

const dietNames = Object.keys(diets) as [Diet, ...Diet[]];

/** A diet on a form; absent when none is given. */
export const dietField = z.enum(dietNames, { error: "Choose a diet from the list." }).optional();

/** One row of what somebody must avoid, as staff and guardians fill it in alike; empty rows are left out. */
export const needRow = z.object({
  substance: z.enum(substances, { error: "Choose from the list." }).optional(),
  severity: z.enum(severities, { error: "Choose how bad it is." }).optional(),
  touchOrAir: z.boolean().default(false),
});
type Row = z.output<typeof needRow> & { readonly note?: string };

/** What is wrong with the rows, each sentence with the row and the field it belongs beside. */
export function checkNeedRows(
  rows: readonly Row[],
  say: (row: number, field: "substance" | "severity", sentence: string) => void,
): void {
  rows.forEach((need, index) => {
    if (need.substance && !need.severity)
      say(index, "severity", "Say how bad it is; it decides whether “may contain” counts.");
    if (!need.substance && (need.severity || need.touchOrAir || need.note))
      say(index, "substance", "Say what they avoid, or empty this row.");
    if (need.substance && rows.findIndex((one) => one.substance === need.substance) !== index)
      say(index, "substance", "This stands twice. Keep the graver one.");
  });
}

/** The needs that rows and a diet come to. */
export const needsOf = (rows: readonly Row[], diet: Diet | undefined): Need[] => [
  ...rows.flatMap(({ substance, severity, touchOrAir, note }): Need[] =>
    substance && severity ? [{ kind: "substance", substance, severity, touchOrAir, note: note ?? "" }] : [],
  ),
  ...(diet ? [{ kind: "diet" as const, diet, note: "" }] : []),
];
