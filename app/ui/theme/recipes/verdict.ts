import { defineSlotRecipe } from "@chakra-ui/react";
import { whySummary } from "./reach";

/** A verdict in a word, with a sign before what somebody has to look at, and its reasons one step away. */
export const verdict = defineSlotRecipe({
  className: "verdict",
  slots: ["word", "reasons"],
  base: {
    word: { fontWeight: 600, whiteSpace: "nowrap" },
    reasons: { "& summary": whySummary },
  },
  variants: {
    is: {
      clear: {},
      contains: { word: { color: "accent.solid", _before: { content: '"✕ "' } } },
      "may-contain": { word: { color: "accent.solid", _before: { content: '"≈ "' } } },
      unknown: { word: { color: "accent.solid", _before: { content: '"? "' } } },
    },
  },
});
