import { z } from "zod";
import { type Diet, diets, substances } from "~/core/pantry";
import { type Need, severities } from "~/core/people";
import { optionalWords } from "./form";

const dietNames = Object.keys(diets) as [Diet, ...Diet[]];

/** A diet on a form; absent when none is given. */
export const dietField = z.enum(dietNames, { error: "Choose a diet from the list." }).optional();

/** One row of what somebody must avoid, as staff and guardians fill it in alike; empty rows are left out. */
export const needRow = z.object({
  substance: z.enum(substances, { error: "Choose from the list." }).optional(),
  /** Any other food, by its name. */
  food: optionalWords(60),
  severity: z.enum(severities, { error: "Choose how bad it is." }).optional(),
  touchOrAir: z.boolean().default(false),
});
type Row = z.output<typeof needRow> & { readonly note?: string };

/** What is wrong with the rows, each sentence with the row and the field it belongs beside. */
export function checkNeedRows(
  rows: readonly Row[],
  say: (row: number, field: "substance" | "severity" | "food", sentence: string) => void,
): void {
  rows.forEach((need, index) => {
    if ((need.substance || need.food) && !need.severity)
      say(index, "severity", "Say how bad it is; it decides whether “may contain” counts.");
    if (need.substance && need.food)
      say(
        index,
        "food",
        "One thing to a row: choose from the list, or name the food, and use the next row for the other.",
      );
    if (!need.substance && !need.food && (need.severity || need.touchOrAir || need.note))
      say(index, "substance", "Say what they avoid, or empty this row.");
    if (need.substance && rows.findIndex((one) => one.substance === need.substance) !== index)
      say(index, "substance", "This stands twice. Keep the graver one.");
  });
}

/** The needs that rows and a diet come to. @param noteReadBy who has read the notes; left out, they are still to be read. */
export const needsOf = (rows: readonly Row[], diet: Diet | undefined, noteReadBy?: string): Need[] => [
  ...rows.flatMap(({ substance, food, severity, touchOrAir, note }): Need[] => {
    if (!severity) return [];
    const read = note && noteReadBy ? { noteReadBy } : {};
    const common = { severity, touchOrAir, note: note ?? "", ...read };
    if (substance) return [{ kind: "substance", substance, ...common }];
    return food ? [{ kind: "food", food, ...common }] : [];
  }),
  ...(diet ? [{ kind: "diet" as const, diet, note: "" }] : []),
];

/** A need as the two fields of its row. */
export const substanceOf = (need: Need | undefined) => (need?.kind === "substance" ? need.substance : "");
export const foodOf = (need: Need | undefined): string => (need?.kind === "food" ? need.food : "");
