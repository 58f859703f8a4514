import { parseWithZod } from "@conform-to/zod/v4";
import { z } from "zod";
import { readRatio } from "~/core/quantity";
import { cleanForm, cleanJson, cleanText, parseJson } from "~/formats/text";

/** What was typed, for a sentence that says what came. Letters in a number field arrive as NaN; the field still shows them. */
const came = (input: unknown): string =>
  Number.isNaN(input)
    ? "what came is not a number"
    : typeof input === "string" && input.trim() !== ""
      ? `got “${input.slice(0, 40)}”`
      : typeof input === "number" && !Number.isNaN(input)
        ? `got ${input}`
        : "got nothing";

/** A whole number in a range; the sentence says what is wanted and what came. */
export const whole = (least: number, most: number) => {
  const error = (issue: { readonly input?: unknown }) =>
    `Give a whole number from ${least} to ${most}; ${came(issue.input)}.`;
  return z.int({ error }).min(least, { error }).max(most, { error });
};

export const words = (most: number, what: string) =>
  z
    .string({ error: `Give ${what}.` })
    .trim()
    .min(1, { error: `Give ${what}.` })
    .max(most, {
      error: (issue) =>
        `At most ${most} letters; ${typeof issue.input === "string" ? issue.input.length : 0} came. Shorten it.`,
    });

export const optionalWords = (most: number) =>
  z
    .string()
    .trim()
    .max(most, { error: `At most ${most} letters. Shorten it.` })
    .default("");

export const choice = <const V extends readonly [string, ...string[]]>(values: V, what: string) =>
  z.enum(values, { error: `Choose ${what} from the list.` });

/**
 * A price as people write it, "$3.79", "3,79 €", "EUR 4", in hundredths; nothing where the field is empty. Which currency it is the
 * class says: a sign is read over.
 */
export const priceField = (what: string) =>
  z
    .string()
    .max(30, { error: "That is too long for a price." })
    .optional()
    .transform((text, context) => {
      const bare = (text ?? "").replace(/[\p{Sc}\s]|^[A-Za-z]{2,3}(?=\s*\d)|(?<=\d\s*)[A-Za-z]{2,3}$/gu, "");
      if (bare === "") return undefined;
      const found = /^(\d{1,6})(?:[.,](\d{1,2}))?$/.exec(bare);
      if (found) return Number(found[1]) * 100 + Number((found[2] ?? "").padEnd(2, "0"));
      context.addIssue({
        code: "custom",
        message: `Give ${what}, such as 2.40, or leave it empty; got “${(text ?? "").slice(0, 30)}”.`,
      });
      return z.NEVER;
    });

/** A number above 0 as people write it: 3, 1½, 2.5. */
export const fractionField = (most: number) =>
  z
    .string({ error: `Give a number above 0, such as 3 or 1 1/2.` })
    .max(30, { error: "That is too long for a number." })
    .transform((text, context) => {
      const read = readRatio(text);
      if (read && read.num > 0n && read.num <= BigInt(most) * read.den && read.den <= 1000n) return read;
      context.addIssue({
        code: "custom",
        message: `Give a number above 0 and up to ${most}, such as 3, 1 1/2 or 2.5; got “${text.slice(0, 30)}”.`,
      });
      return z.NEVER;
    });

/** The fields of a file upload or a pasted text, whichever was given; a file wins. */
export async function textOf(form: FormData, fileField: string, textField: string): Promise<string> {
  const file = form.get(fileField);
  if (file instanceof File && file.size > 0) return cleanText(await file.text());
  const text = form.get(textField);
  return typeof text === "string" ? text : "";
}

/** Posted fields; a body that is no form is an empty one, so that each field says what it wants. */
export const formOf = (request: Request): Promise<FormData> => request.formData().then(cleanForm, () => new FormData());

/**
 * What was posted, read by a schema. The fields in which a form says that a row is to be added or taken away are the browser's to write;
 * where somebody else wrote into them they are passed over.
 */
export function submissionOf<Schema extends z.ZodType>(form: FormData, options: { readonly schema: Schema }) {
  try {
    return parseWithZod(form, options);
  } catch {
    for (const name of ["__intent__", "__state__"]) form.delete(name);
    return parseWithZod(form, options);
  }
}

/** A JSON body, its texts by the same rule; `undefined` for one that is none. */
export const jsonOf = (request: Request): Promise<unknown> =>
  request
    .text()
    .then((text) => cleanJson(parseJson(text)))
    .catch(() => undefined);
