import { z } from "zod";

const least = 12;

/** A password for a new account: long rather than odd. */
export const newPassword = z
  .string({ error: `Give a password of at least ${least} letters.` })
  .min(least, {
    error: (issue) =>
      `At least ${least} letters; ${typeof issue.input === "string" ? issue.input.length : 0} came. A few words are easiest.`,
  })
  .max(200, { error: "At most 200 letters." });
