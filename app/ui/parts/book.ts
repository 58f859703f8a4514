import { Fieldset, chakra } from "@chakra-ui/react";
import { reach } from "~/ui/theme/recipes/reach";

/** A step in the editor; something dragged over it marks it. */
export const StepItem = chakra(
  "li",
  {
    base: {
      "& textarea": {
        background: "bg.panel",
        borderBottom: "1px solid {colors.border}",
        borderRadius: "0",
        padding: "7px 6px",
        minHeight: "44px",
        fontSize: "17px",
        width: "100%",
        color: "fg",
        border: "1px solid {colors.border.muted}",
        lineHeight: 1.4,
        resize: "vertical",
      },
      "& textarea:focus-visible": { outline: "2px solid {colors.accent.solid}", outlineOffset: "1px" },
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
  base: {
    background: "bg.panel",
    border: "0",
    borderBottom: "1px solid {colors.border}",
    borderRadius: "0",
    color: "fg",
    width: "auto !important",
    minHeight: "44px !important",
    padding: "2px 4px !important",
    fontSize: "15px !important",
  },
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

/** The ingredients of a recipe in the editor. */
export const LineList = chakra("ul", { base: { listStyle: "none", margin: "0", padding: "0" } });

/** The steps of a recipe in the editor. */
export const StepList = chakra("ol", { base: { listStyle: "none", margin: "0", padding: "0" } });

/** Notes, each with how grave it is in `data-grade`. */
export const NoteList = chakra(
  "ul",
  {
    base: {
      listStyle: "none",
      margin: "0",
      padding: "0",
      "& li": { padding: "8px 0", borderBottom: "1px solid {colors.border.muted}", fontSize: "16px" },
      "& li[data-grade=blocks]": { borderLeft: "4px solid {colors.accent.solid}", paddingLeft: "10px" },
      "& li[data-grade=warns]": { borderLeft: "4px solid {colors.fg}", paddingLeft: "10px" },
      "& li[data-grade=notes]": { color: "fg.muted" },
      "& [data-part=row-buttons]": { display: "flex", paddingTop: "5px" },
    },
  },
  { defaultProps: { "data-part": "notes" } },
);

/** The amounts on the bench. */
export const BenchLines = chakra("ul", {
  base: {
    listStyle: "none",
    margin: "0",
    padding: "0",
    "& li": { display: "grid", gridTemplateColumns: "130px minmax(0, 1fr)", gap: "8px", padding: "3px 0" },
  },
});

/** What more people ask for, in a row. */
export const GainLines = chakra("ul", {
  base: { listStyle: "none", margin: "0", padding: "0", display: "flex", flexWrap: "wrap", gap: "2px 26px" },
});

/** The ingredients on a handout: what on the left, how much on the right. */
export const HandoutList = chakra("ul", {
  base: {
    listStyle: "none",
    margin: "0",
    padding: "0",
    "& li": {
      display: "flex",
      justifyContent: "space-between",
      gap: "14px",
      padding: "4px 0",
      borderBottom: "1px solid {colors.border.muted}",
    },
    "& b": { textAlign: "right", fontWeight: 600 },
    "& b span": { whiteSpace: "nowrap" },
  },
});

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

/** One ingredient in place of another. */
export const SwapRow = chakra("div", {
  base: {
    display: "grid",
    gridTemplateColumns: "180px 110px minmax(0, 260px) auto",
    gap: "8px",
    alignItems: "center",
    padding: "3px 0",
    "@media (max-width: 700px)": { gridTemplateColumns: "1fr" },
  },
});

/** What is changed beside what follows. */
export const BenchColumns = chakra("div", {
  base: {
    display: "grid",
    gap: "24px 48px",
    gridTemplateColumns: "minmax(0, 1fr)",
    alignItems: "start",
    marginBottom: "20px",
    "@media (min-width: 900px)": { gridTemplateColumns: "minmax(0, 0.85fr) minmax(0, 1fr)" },
    "& h3": { margin: "14px 0 4px" },
  },
});

/** A band of usual values with the value in it. */
export const BandBox = chakra("span", {
  base: {
    position: "relative",
    display: "inline-block",
    width: "240px",
    height: "26px",
    borderBottom: "1px solid {colors.fg.muted}",
  },
});

/** The usual part of the band. */
export const BandRoom = chakra("span", {
  base: { position: "absolute", bottom: "0", height: "6px", background: "border.muted" },
});

/** Where the value stands. */
export const BandAt = chakra("span", {
  base: { position: "absolute", bottom: "-3px", width: "3px", height: "12px", background: "fg", marginLeft: "-1px" },
});

/** The same in words. */
export const BandWords = chakra("span", {
  base: { position: "absolute", left: "0", top: "-2px", fontSize: "13px", color: "fg.muted", whiteSpace: "nowrap" },
});

/** The answer of a calculator. */
export const Answer = chakra(
  "p",
  { base: { fontSize: "19px", fontWeight: 600, padding: "4px 0" } },
  { defaultProps: { "data-part": "answer" } },
);

/** What a swap changes, as names and values. */
export const EffectList = chakra("dl", {
  base: {
    display: "grid",
    gridTemplateColumns: "96px minmax(0, 1fr)",
    margin: "8px 0",
    "& dt": { fontWeight: 600, padding: "4px 0", borderBottom: "1px solid {colors.border.muted}" },
    "& dd": { margin: "0", padding: "4px 0", borderBottom: "1px solid {colors.border.muted}" },
  },
});

/** A chart with its caption. */
export const ChartFigure = chakra("figure", { base: { margin: "12px 0 0" } });

/** Calculators side by side. */
export const SumGrid = chakra("div", {
  base: { display: "grid", gap: "18px 36px", gridTemplateColumns: "repeat(auto-fill, minmax(300px, 1fr))" },
});

/** One calculator. */
export const SumCard = chakra("section", {
  base: { borderTop: "1px solid {colors.fg}", paddingTop: "8px", "& [data-part=answer]": { fontSize: "17px" } },
});

/** What a different number of people would change. */
export const GainNote = chakra("div", {
  base: {
    borderTop: "1px solid {colors.border.muted}",
    padding: "8px 0",
    "& h3": { fontSize: "19px" },
    "& h3 span": { fontFamily: "body", fontWeight: 400 },
  },
});

/** A recipe to take home. */
export const HandoutSheet = chakra("article", {
  base: {
    maxWidth: "900px",
    "& ol[data-part=method]": { counterReset: "step", margin: "8px 0 0", padding: "0" },
    "& ol[data-part=method] > li": {
      listStyle: "none",
      counterIncrement: "step",
      position: "relative",
      padding: "0 0 10px 40px",
    },
    "& ol[data-part=method] > li::before": {
      content: "counter(step)",
      position: "absolute",
      left: "0",
      top: "-3px",
      width: "28px",
      textAlign: "right",
      fontFamily: "heading",
      fontSize: "24px",
      fontWeight: 600,
    },
  },
});

/** Its first sentence. */
export const HandoutIntro = chakra("p", { base: { fontSize: "19px", padding: "8px 0", maxWidth: "62ch" } });

/** Its list and method, numbered. */
export const HandoutBody = chakra("div", {
  base: {
    display: "grid",
    gap: "20px 40px",
    "@media (min-width: 760px)": { gridTemplateColumns: "minmax(0, 0.9fr) minmax(0, 1fr)" },
  },
});

/** Its cautions, in two columns of small print. */
export const HandoutCautions = chakra("section", {
  base: {
    borderTop: "1px solid {colors.fg}",
    marginTop: "12px",
    paddingTop: "6px",
    columns: "2",
    columnGap: "36px",
    "& [data-part=caution]": { breakInside: "avoid" },
    "@media (max-width: 700px)": { columns: "1" },
    _print: { columns: "2", columnGap: "24px", "& [data-part=caution]": { fontSize: "8.5pt", marginTop: "3px" } },
  },
});

/** Readings for weighing into one bowl, opened when they are wanted. */
export const TareFold = chakra(
  "details",
  {
    base: {
      "& summary": { cursor: "pointer", minHeight: "44px", display: "flex", alignItems: "center", color: "fg.muted" },
    },
  },
  { defaultProps: { "data-part": "tare" } },
);
