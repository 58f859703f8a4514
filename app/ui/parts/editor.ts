import { Fieldset, chakra } from "@chakra-ui/react";
import { areaToWriteIn, lineToWriteOn } from "./forms";
import { reach } from "~/ui/theme/recipes/reach";

/** A step in the editor; something dragged over it marks it. */
export const StepItem = chakra(
  "li",
  {
    base: {
      "& textarea": areaToWriteIn,
      position: "relative",
      padding: "6px 0 10px 40px",
      borderBottom: "1px solid {colors.border.muted}",
      "& > label": { display: "block", width: "100%" },
    },
    variants: { isOver: { true: { background: "bg.muted" } } },
  },
  { defaultProps: { "data-part": "step" } },
);

/** What else a step uses, as a short list. */
export const DrawMoreSelect = chakra("select", {
  base: { ...lineToWriteOn, width: "auto", padding: "2px 4px", fontSize: "15px" },
});

/** Shortest, likely and longest beside one another. */
export const SpanFields = chakra("div", {
  base: {
    display: "inline-flex",
    gap: "6px",
    alignItems: "baseline",
    flexWrap: "wrap",
    "& [data-part=cell] input": { minHeight: "44px", padding: "4px", textAlign: "right", width: "52px" },
    "& [data-part=cell]": { width: "52px" },
  },
});

/** Several of a short list to tick, under one name. */
export const TickSet = chakra(Fieldset.Root, {
  base: {
    border: "0",
    padding: "0",
    margin: "0 0 8px",
    display: "flex",
    flexWrap: "wrap",
    gap: "2px 16px",
    "& legend": { fontSize: "14px", fontWeight: 600, color: "fg.muted", padding: "0" },
    "& label": { display: "inline-flex", gap: "6px", alignItems: "center", minHeight: "44px", fontSize: "16px" },
    "& input": { width: "18px", height: "18px", accentColor: "fg" },
  },
});

/** The bar above an editor that stays in sight. */
export const EditorBar = chakra("div", {
  base: {
    position: "sticky",
    top: "0",
    zIndex: 8,
    display: "flex",
    flexWrap: "wrap",
    gap: "8px 12px",
    alignItems: "center",
    background: "bg",
    borderBottom: "1px solid {colors.fg}",
    padding: "8px 0",
    marginBottom: "14px",
    "& [data-part=bar-end]": { marginLeft: "auto", display: "inline-flex", gap: "14px", alignItems: "center" },
  },
});

/** List, method and notes of the editor. */
export const EditorColumns = chakra("div", {
  base: {
    display: "grid",
    gap: "24px 36px",
    gridTemplateColumns: "minmax(0, 1fr)",
    marginBottom: "24px",
    "@media (min-width: 1000px)": { gridTemplateColumns: "minmax(0, 1.12fr) minmax(0, 1.15fr) minmax(0, 0.62fr)" },
  },
});

/** Notes beside the editor that stay in sight. */
export const MarginNotes = chakra("aside", {
  base: {
    "@media (min-width: 1000px)": {
      position: "sticky",
      top: "70px",
      alignSelf: "start",
      maxHeight: "calc(100vh - 90px)",
      overflowY: "auto",
    },
  },
});

/** Notes, each with how grave it is in `data-grade`. */
export const NoteList = chakra(
  "ul",
  {
    base: {
      "& li": { padding: "8px 0", borderBottom: "1px solid {colors.border.muted}", fontSize: "16px" },
      "& li[data-grade=blocks]": { borderLeft: "4px solid {colors.accent.solid}", paddingLeft: "10px" },
      "& li[data-grade=warns]": { borderLeft: "4px solid {colors.fg}", paddingLeft: "10px" },
      "& li[data-grade=notes]": { color: "fg.muted" },
      "& [data-part=row-buttons]": { display: "flex", paddingTop: "5px" },
    },
  },
  { defaultProps: { "data-part": "notes" } },
);

/** An ingredient in the editor, while it is dragged or still a guess marked so. */
export const LineItem = chakra(
  "li",
  {
    base: {
      display: "grid",
      gridTemplateColumns: "26px minmax(0, 1fr)",
      gap: "0 4px",
      padding: "6px 0",
      borderBottom: "1px solid {colors.border.muted}",
      background: "bg",
    },
    variants: {
      isDragging: { true: { position: "relative", zIndex: 5, outline: "1px solid {colors.fg}" } },
      hasGuess: { true: { boxShadow: "inset 3px 0 0 {colors.accent.solid}" } },
    },
  },
  { defaultProps: { "data-part": "line" } },
);

/** What a line is dragged by. */
export const Grip = chakra(
  "button",
  {
    base: {
      cursor: "grab",
      background: "none",
      border: "0",
      height: "44px",
      color: "fg.muted",
      touchAction: "none",
      display: "inline-flex",
      justifyContent: "center",
      alignItems: "center",
    },
  },
  { defaultProps: { "data-part": "grip" } },
);

/** Amount, ingredient and bowl of a line; what is wrong with it stands below all three. */
export const LineMain = chakra("div", {
  base: {
    display: "grid",
    gridTemplateColumns: "112px minmax(0, 1fr) 108px",
    gap: "6px",
    alignItems: "start",
    "& [data-part=cell]": { width: "auto" },
    "@media (max-width: 700px)": {
      gridTemplateColumns: "100px minmax(0, 1fr)",
      "& [data-span=bowl] [data-part=cell-of]": { gridColumn: "2" },
    },
    "& > [data-part=cell]": { display: "contents" },
    "& [data-part=picker]": { display: "contents" },
    "& [data-part=picker] > [data-part=cell]": { display: "contents" },
    "& [role=note]": { gridColumn: "1 / -1", order: 1 },
    "& [data-part=choices]": { gridColumn: "1 / -1", order: 2 },
  },
});

/** The second row of a line. */
export const LineSecond = chakra("div", {
  base: { display: "flex", flexWrap: "wrap", gap: "10px", padding: "2px 0 2px 12px" },
});

/** A line without an amount. */
export const LineTaste = chakra("span", { base: { padding: "8px 6px" } });

/** More about a line, opened when it is wanted. */
export const LineMore = chakra("details", {
  base: { "& summary": { ...reach, cursor: "pointer", fontSize: "14px", color: "fg.muted", minHeight: "24px" } },
});

/** The fields behind it. */
export const LineDetails = chakra("div", {
  base: { display: "flex", flexWrap: "wrap", gap: "8px 14px", alignItems: "flex-end", padding: "4px 0 8px" },
});

/** How a pasted line was understood, to be confirmed. */
export const Guess = chakra("p", { base: { color: "fg", padding: "2px 0" } });

/** What it may have meant, to choose from. */
export const ChoiceRow = chakra(
  "div",
  { base: { display: "flex", flexWrap: "wrap", gap: "5px", paddingTop: "4px" } },
  { defaultProps: { "data-part": "choices" } },
);

/** An ingredient found by typing. */
export const PickerBox = chakra(
  "div",
  { base: { "& [data-part=cell]": { width: "100%" } } },
  { defaultProps: { "data-part": "picker" } },
);

/** One more line, written as it is said. */
export const AddLineForm = chakra("form", {
  base: {
    display: "flex",
    gap: "10px",
    alignItems: "flex-end",
    padding: "12px 0 20px 26px",
    "& [data-part=cell]": { flex: "1" },
  },
});

/** The number of a step in the margin. */
export const StepNumber = chakra(
  "span",
  {
    base: {
      position: "absolute",
      left: "0",
      top: "2px",
      fontFamily: "heading",
      fontWeight: 600,
      fontSize: "26px",
      width: "30px",
      textAlign: "right",
    },
  },
  { defaultProps: { "data-part": "step-number" } },
);

/** The kind of a step and how long it takes. */
export const StepHead = chakra("div", {
  base: {
    display: "flex",
    flexWrap: "wrap",
    gap: "4px 14px",
    alignItems: "center",
    "& [data-part=cell] select": { minHeight: "44px", padding: "3px 6px" },
  },
});

/** What a step uses. */
export const DrawRow = chakra("div", {
  base: { display: "flex", flexWrap: "wrap", gap: "4px 8px", alignItems: "center", padding: "4px 0" },
});

/** One of them, with its share; dashed where the text only mentions it. */
export const DrawChip = chakra("span", {
  base: {
    display: "inline-flex",
    gap: "6px",
    alignItems: "center",
    borderBottom: "2px solid {colors.fg}",
    fontSize: "15px",
    "& [data-part=cell] input": { minHeight: "44px", padding: "1px 4px", fontSize: "14px" },
    "& button": {
      background: "none",
      border: "0",
      cursor: "pointer",
      minWidth: "24px",
      minHeight: "44px",
      fontSize: "18px",
      lineHeight: 1,
    },
  },
  variants: { isMention: { true: { borderBottomStyle: "dashed", borderBottomColor: "accent.solid" } } },
});

/** A variant or a part, set in from the recipe. */
export const BranchBox = chakra("div", {
  base: { borderLeft: "2px solid {colors.fg}", paddingLeft: "14px", margin: "10px 0 14px" },
});
