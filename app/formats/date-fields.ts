import { z } from "zod";
import { type DayRead, readDay, readTime, years } from "./dates";

/** Days and times in forms. Apart from what reads and writes them, as a page that shows a day needs no schemas. */
const short = (value: string) => `“${value.trim().slice(0, 30)}”`;
const daySentences: Readonly<Record<Exclude<DayRead, { ok: true }>["why"], (got: string) => string>> = {
  "not-a-day": (got) => `Give a day, such as 28 Nov 2026; got ${short(got)}.`,
  "no-year": (got) => `Give the year, too, with four digits: ${short(got)} could be of any.`,
  "which-is-the-month": (got) =>
    `Write the month as a word, such as 28 Nov 2026: in ${short(got)} either number can be the month.`,
  "no-such-day": (got) => `There is no such day from ${years.first} to ${years.last}: ${short(got)}.`,
};

/** A day in a form: as people write it in, ISO out. */
export const dayField = (missing: string) =>
  z
    .string({ error: missing })
    .max(60, { error: missing })
    .transform((text, context) => {
      if (text.trim() === "") {
        context.addIssue({ code: "custom", message: missing });
        return z.NEVER;
      }
      const read = readDay(text);
      if (read.ok) return read.iso;
      context.addIssue({ code: "custom", message: daySentences[read.why](text) });
      return z.NEVER;
    });

/** A time of day in a form: as people write it in, "HH:MM" out. */
export const timeField = (wanted: string) =>
  z
    .string({ error: wanted })
    .max(30, { error: wanted })
    .transform((text, context) => {
      const read = readTime(text);
      if (read !== undefined) return read;
      context.addIssue({ code: "custom", message: text.trim() === "" ? wanted : `${wanted} Got ${short(text)}.` });
      return z.NEVER;
    });
