import { z } from "zod";
import { type Diet, diets, foodMeanings, isUnderstood, substances } from "~/core/pantry";
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
  severity: z.enum(severities, { error: "Choose the severity." }).optional(),
  touchOrAir: z.boolean().default(false),
});
type Row = z.output<typeof needRow> & {
  readonly note?: string;
  readonly covers?: string;
  readonly isOnlyThis?: boolean;
};

/** Staff say what a word covers that the program does not understand, or that means many foods. */
export const coversFields = { covers: optionalWords(400), isOnlyThis: z.boolean().default(false) };

const coversIn = (text: string): string[] =>
  text
    .split(/[,;\n]/)
    .map((one) => one.trim())
    .filter((one) => one !== "")
    .slice(0, 20);

/** What is wrong with the rows, each sentence with the row and the field it belongs beside. */
export function checkNeedRows(
  rows: readonly Row[],
  say: (row: number, field: "substance" | "severity" | "food" | "covers", sentence: string) => void,
): void {
  rows.forEach((need, index) => {
    if ((need.substance || need.food) && !need.severity)
      say(index, "severity", "Give the severity; it decides whether “may contain” counts.");
    if (need.substance && need.food)
      say(
        index,
        "food",
        "One thing to a row: choose from the list, or name the food, and use the next row for the other.",
      );
    const open = coversIn(need.covers ?? "").find((one) => !foodMeanings(one).every(isUnderstood) || one.length > 60);
    if (open)
      say(
        index,
        "covers",
        `“${open.slice(0, 60)}” is no food this program knows. Write others, such as lemon, orange, egg.`,
      );
    if (need.covers && !need.food)
      say(index, "covers", "This says what a food’s name covers. Name the food beside it, or empty this.");
    if (need.covers && need.isOnlyThis)
      say(index, "covers", "Either it covers these, or only what is called that. Empty one of the two.");
    if (!need.substance && !need.food && (need.severity || need.touchOrAir || need.note))
      say(index, "substance", "Say what they avoid, or empty this row.");
    if (need.substance && rows.findIndex((one) => one.substance === need.substance) !== index)
      say(index, "substance", "This stands twice. Keep the graver one.");
  });
}

/**
 * The needs that rows and a diet come to.
 * @param noteReadBy who has read the notes; left out, they are still to be read. @param coveredBy who said what words cover.
 */
export const needsOf = (
  rows: readonly Row[],
  diet: Diet | undefined,
  noteReadBy?: string,
  coveredBy?: string,
): Need[] => [
  ...rows.flatMap(({ substance, food, severity, touchOrAir, note, covers, isOnlyThis }): Need[] => {
    if (!severity) return [];
    const read = note && noteReadBy ? { noteReadBy } : {};
    const common = { severity, touchOrAir, note: note ?? "", ...read };
    if (substance) return [{ kind: "substance", substance, ...common }];
    const said = coversIn(covers ?? "");
    const isSaid = coveredBy !== undefined && (said.length > 0 || isOnlyThis === true);
    return food
      ? [{ kind: "food", food, ...(isSaid ? { covers: { words: said, by: coveredBy } } : {}), ...common }]
      : [];
  }),
  ...(diet ? [{ kind: "diet" as const, diet, note: "" }] : []),
];

/** A need as the two fields of its row. */
export const substanceOf = (need: Need | undefined) => (need?.kind === "substance" ? need.substance : "");
export const foodOf = (need: Need | undefined): string => (need?.kind === "food" ? need.food : "");
/** What was said that its word covers, as the two fields of its row. */
export const coversOf = (need: Need | undefined): string =>
  need?.kind === "food" ? (need.covers?.words.join(", ") ?? "") : "";
export const isOnlyThis = (need: Need | undefined): boolean => need?.kind === "food" && need.covers?.words.length === 0;
