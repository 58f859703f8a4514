import { chakra } from "@chakra-ui/react";
import { cueStyles } from "./drawings";

/** A recipe as a page in a book: the list on the left, the method on the right. */
export const RecipeColumns = chakra("div", {
  base: {
    display: "grid",
    gap: "28px 56px",
    "@media (min-width: 900px)": { gridTemplateColumns: "380px minmax(0, 1fr)" },
    "& [data-part=list] dl": { display: "grid", gridTemplateColumns: "8.5em minmax(0, 1fr)", margin: "0" },
    "& [data-part=list] dt": {
      textAlign: "right",
      padding: "5px 14px 5px 0",
      borderBottom: "1px solid {colors.border.muted}",
      fontWeight: 600,
    },
    "& [data-part=list] dd": { margin: "0", padding: "5px 0", borderBottom: "1px solid {colors.border.muted}" },
    "& ol[data-part=method]": { counterReset: "step", margin: "0", padding: "0" },
    "& ol[data-part=method] > li": {
      listStyle: "none",
      counterIncrement: "step",
      position: "relative",
      padding: "0 0 16px 52px",
      maxWidth: "66ch",
    },
    "& ol[data-part=method] > li::before": {
      content: "counter(step)",
      position: "absolute",
      left: "0",
      top: "-4px",
      fontFamily: "heading",
      fontSize: "30px",
      fontWeight: 600,
      width: "34px",
      textAlign: "right",
    },
    _print: { "& li": { breakInside: "avoid" } },
  },
});

/** A caution of a step beside the reason for leaving it out. */
export const CautionRow = chakra("li", {
  base: {
    display: "grid",
    gridTemplateColumns: "minmax(9em, 14em) 1fr",
    gap: "12px",
    alignItems: "center",
    marginBottom: "4px",
    "& [data-part=is-left-out]": { textDecoration: "line-through", color: "fg.muted" },
  },
});

/** When to stop mixing, below the step. */
export const StopMixingNote = chakra("em", {
  base: { display: "block", fontStyle: "normal", fontWeight: 600, fontSize: "0.92em", marginTop: "2px" },
});

/** The bowl a dish is mixed in, as a choice. */
export const DishBowlSection = chakra("section", {
  base: { marginTop: "28px", "& [data-part=cell]": { maxWidth: "100%" } },
});

/** What is said, asked and learned at a class. */
export const TaughtSection = chakra("section", {
  base: { marginTop: "18px", "& [data-part=seen-why]": { margin: "0 0 6px 34px", color: "fg.muted" } },
});

/** Notes to a step, each in one line. */
export const StepNoteList = chakra("dl", {
  base: {
    margin: "4px 0 6px",
    borderLeft: "2px solid {colors.accent.solid}",
    paddingLeft: "10px",
    "& dt": { display: "inline", margin: 0, fontWeight: 600, marginRight: "6px" },
    "& dd": { display: "inline", margin: 0 },
  },
});

/** How hands do it, drawn beside the sentence; large on the wall. */
export const TechniqueList = chakra("ul", {
  base: {
    listStyle: "none",
    padding: 0,
    margin: "6px 0",
    display: "flex",
    flexWrap: "wrap",
    gap: "8px 20px",
    "& li": {
      display: "flex",
      gap: "10px",
      alignItems: "center",
      flex: "1 1 220px",
      fontSize: "14px",
      lineHeight: 1.3,
    },
    "& [data-part=technique]": { ...cueStyles, width: "60px", flex: "0 0 60px" },
  },
  variants: {
    isLarge: {
      true: {
        display: "grid",
        gridTemplateColumns: "repeat(auto-fill, minmax(300px, 1fr))",
        gap: "28px 24px",
        "& li": { fontSize: "19px", alignItems: "flex-start", breakInside: "avoid" },
        "& [data-part=technique]": { width: "132px", flex: "0 0 132px" },
        "& b": { display: "block", fontSize: "22px" },
      },
    },
  },
});

/** What a piece looks like at its moments, side by side. */
export const LooksRow = chakra(
  "div",
  {
    base: { display: "flex", flexWrap: "wrap", gap: "6px 28px", margin: "8px 0" },
  },
  { defaultProps: { "data-part": "looks" } },
);

/** One moment with the looks that belong to it. */
export const LooksColumn = chakra(
  "div",
  {
    base: {
      "& ul": {
        display: "flex",
        flexWrap: "wrap",
        gap: "10px 16px",
        listStyle: "none",
        padding: "0",
        margin: "4px 0 0",
      },
      "& li": { width: "96px", fontSize: "14px", lineHeight: 1.25 },
      "& [data-part=cue]": cueStyles,
    },
  },
  { defaultProps: { "data-part": "looks-column" } },
);

/** What a wrong piece looks like, why, and what to do. */
export const TroublesTable = chakra(
  "table",
  {
    base: {
      borderCollapse: "collapse",
      width: "100%",
      maxWidth: "820px",
      "& th": {
        textAlign: "left",
        verticalAlign: "top",
        padding: "5px 16px 5px 0",
        borderTop: "1px solid {colors.border.muted}",
      },
      "& td": {
        textAlign: "left",
        verticalAlign: "top",
        padding: "5px 16px 5px 0",
        borderTop: "1px solid {colors.border.muted}",
      },
      "& thead th": { borderTop: "none", fontWeight: 600 },
      "& tbody th": { fontWeight: 600 },
    },
  },
  { defaultProps: { "data-part": "troubles" } },
);

/** A caution at the step it belongs to. */
export const cautionStyles = {
  borderLeft: "4px solid {colors.fg}",
  padding: "2px 0 2px 12px",
  marginTop: "6px",
  fontSize: "15px",
} as const;
/** A caution at the step it belongs to. */
export const Caution = chakra("p", { base: cautionStyles }, { defaultProps: { "data-part": "caution" } });
