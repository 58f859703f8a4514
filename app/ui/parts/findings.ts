import { chakra } from "@chakra-ui/react";
import { whySummary } from "~/ui/theme/recipes/reach";

/** Findings, the margin notes of a sheet. Its items are plain: `data-grade` and two spans, how grave it is and the sentence. */
export const FindingList = chakra(
  "ul",
  {
    base: {
      display: "grid",
      gap: "0",
      margin: "0 0 20px",
      padding: "0",
      borderTop: "1px solid {colors.border.muted}",
      contain: "layout style",
      "& > li[data-grade]": {
        listStyle: "none",
        display: "grid",
        gridTemplateColumns: "92px minmax(0, 1fr)",
        gap: "12px",
        padding: "8px 0",
        borderBottom: "1px solid {colors.border.muted}",
        "@media (max-width: 560px)": { gridTemplateColumns: "1fr", gap: "0" },
        _print: { breakInside: "avoid" },
      },
      "& > li > span:first-of-type": { fontWeight: "600", fontSize: "sm" },
      "& > li:is([data-grade=blocks], [data-grade=warns]) > span:first-of-type": { color: "accent.solid" },
      "& > li[data-grade=notes]": { color: "fg.muted" },
    },
  },
  { defaultProps: { "data-part": "findings" } },
);

/** Figures with their reason one step away. Its rows are plain: a `div` with what it is and the figure, `data-changed` while typing. */
export const FigureList = chakra("dl", {
  base: {
    margin: "0",
    display: "grid",
    contain: "layout style",
    "& > div": {
      display: "grid",
      gridTemplateColumns: "minmax(0, 1fr) auto",
      gap: "2px 12px",
      padding: "6px 0",
      borderBottom: "1px solid {colors.border.muted}",
      alignItems: "baseline",
    },
    "& dt": { display: "flex", gap: "10px", alignItems: "baseline", flexWrap: "wrap" },
    "& dd": { margin: "0", textAlign: "right", fontWeight: "600" },
    "& > div[data-changed] dd": { color: "accent.solid" },
    "& details[open]": { flexBasis: "100%" },
    "& summary": { ...whySummary, display: "inline-block" },
    "& [data-part=was]": {
      fontWeight: "400",
      color: "fg.muted",
      textDecoration: "line-through",
      marginRight: "8px",
    },
    "& [data-part=why]": { fontSize: "sm", color: "fg.muted", padding: "2px 0 6px", maxWidth: "60ch" },
  },
});

/** A verdict in a word, with a sign before what somebody has to look at. */
export const Verdict = chakra("span", {
  base: { fontWeight: "600", whiteSpace: "nowrap" },
  variants: {
    is: {
      clear: {},
      contains: { color: "accent.solid", _before: { content: '"✕ "' } },
      "may-contain": { color: "accent.solid", _before: { content: '"≈ "' } },
      unknown: { color: "accent.solid", _before: { content: '"? "' } },
    },
  },
});

/** The reasons of a verdict, one step away. */
export const VerdictReasons = chakra("details", { base: { "& summary": whySummary } });
