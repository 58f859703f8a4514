import { Fieldset, chakra } from "@chakra-ui/react";
import { reach } from "~/ui/theme/recipes/reach";

/** One person of an intake form. */
export const PersonFieldset = chakra(
  Fieldset.Root,
  { base: { "& [data-part=check]": { display: "flex" } } },
  { defaultProps: { "data-part": "person-block" } },
);

/** A short list within a row. */
export const SmallSelect = chakra("select", {
  base: {
    minHeight: "44px",
    border: "1px solid {colors.border.muted}",
    background: "bg",
    padding: "2px 8px",
    fontSize: "15px",
    maxWidth: "100%",
  },
});

/** A link that was just made, with its code. */
export const MadeLink = chakra("section", {
  base: {
    display: "flex",
    flexWrap: "wrap",
    gap: "20px",
    alignItems: "center",
    border: "2px solid {colors.fg}",
    padding: "14px",
    margin: "10px 0 18px",
  },
});

/** The link itself, broken anywhere. */
export const LinkText = chakra(
  "p",
  { base: { overflowWrap: "anywhere", fontWeight: 600, margin: "6px 0" } },
  { defaultProps: { "data-part": "link-text" } },
);

/** Sentences that give reasons. */
export const ReasonList = chakra("ul", {
  base: { paddingLeft: "20px", margin: "4px 0 12px", "& li": { marginBottom: "5px", maxWidth: "78ch" } },
});

/** A letter, opened to be read. */
export const LetterFold = chakra("details", {
  base: {
    borderBottom: "1px solid {colors.border.muted}",
    padding: "8px 0",
    "& summary": { ...reach, cursor: "pointer", minHeight: "32px" },
    "& pre": { whiteSpace: "pre-wrap", font: "inherit", padding: "10px 0 10px 18px", overflowWrap: "anywhere" },
  },
});

/** Tables with their people, side by side. */
export const TableGrid = chakra("div", {
  base: {
    display: "grid",
    gridTemplateColumns: "repeat(auto-fill, minmax(250px, 1fr))",
    gap: "14px",
    alignItems: "start",
  },
});

/** One table; apart by a double rule, marked while somebody is dragged over it. */
export const SeatTable = chakra(
  "section",
  {
    base: {
      border: "1px solid {colors.fg}",
      padding: "10px 12px 14px",
      minHeight: "120px",
      background: "bg.panel",
      "&[data-apart]": { border: "3px double {colors.fg}" },
    },
    variants: { isOver: { true: { outline: "3px solid {colors.accent.solid}", outlineOffset: "2px" } } },
  },
  { defaultProps: { "data-part": "seat-table" } },
);

/** Tables for the wall, read from afar. */
export const WallTables = chakra("div", {
  base: {
    display: "grid",
    gridTemplateColumns: "repeat(auto-fill, minmax(190px, 1fr))",
    gap: "18px",
    margin: "14px 0 20px",
    "& section": { borderTop: "2px solid {colors.fg}", paddingTop: "4px", fontSize: "19px" },
  },
});

/** A person at a table, marked where something is wrong. */
export const SeatItem = chakra(
  "li",
  {
    base: {
      display: "grid",
      gridTemplateColumns: "1fr 92px",
      gap: "8px",
      alignItems: "start",
      borderTop: "1px solid {colors.border.muted}",
      padding: "6px 4px",
      background: "bg.panel",
      position: "relative",
      "&[data-needs]": { borderLeft: "4px solid {colors.accent.solid}", paddingLeft: "8px" },
    },
    variants: { isDragged: { true: { zIndex: 5, outline: "2px solid {colors.fg}" } } },
  },
  { defaultProps: { "data-part": "seat" } },
);

/** The name, by which a person is dragged. */
export const SeatName = chakra(
  "span",
  { base: { cursor: "grab", touchAction: "none" } },
  { defaultProps: { "data-part": "seat-name" } },
);

/** Whose turn it is, table by table. */
export const TurnGrid = chakra("div", {
  base: {
    display: "grid",
    gridTemplateColumns: "repeat(auto-fill, minmax(380px, 1fr))",
    gap: "18px",
    alignItems: "start",
    "@media (max-width: 480px)": { gridTemplateColumns: "1fr" },
  },
});

/** Who of which age may do what. */
export const HouseTable = chakra("table", {
  base: {
    width: "100%",
    marginBottom: "14px",
    borderCollapse: "collapse",
    "& th": {
      textAlign: "left",
      verticalAlign: "top",
      padding: "8px 14px 8px 0",
      borderTop: "1px solid {colors.border.muted}",
    },
    "& td": {
      textAlign: "left",
      verticalAlign: "top",
      padding: "8px 14px 8px 0",
      borderTop: "1px solid {colors.border.muted}",
    },
    "& thead th": { verticalAlign: "bottom", borderTop: "none", fontWeight: 600 },
    "& th[scope=row]": { fontWeight: 600, width: "28%" },
    "& th[scope=row] span": { display: "block", fontWeight: 400 },
    "& td span": { display: "block" },
    "& select": {
      minHeight: "44px",
      width: "100%",
      maxWidth: "190px",
      padding: "0 2px 0 6px",
      background: "transparent",
      border: "1px solid {colors.border}",
    },
    "& td[data-may=no] select": { borderLeft: "5px solid {colors.accent.solid}" },
    "& td[data-may=beside] select": { borderLeft: "5px double {colors.fg}" },
    "& [data-part=only-print]": { display: "none" },
    _print: {
      "& [data-part=only-print]": { display: "block", fontWeight: 600 },
      fontSize: "12pt",
      marginBottom: "6px",
      "& th, & td": { padding: "4px 12px 4px 0" },
      "& th[scope=col] span": { display: "none" },
    },
    "@media (max-width: 640px)": {
      "& thead": { display: "none" },
      "& tr": { display: "grid", gridTemplateColumns: "1fr 1fr" },
      "& th[scope=row]": { gridColumn: "1 / -1", width: "auto" },
      "& td::before": { content: "attr(data-band)", display: "block", fontSize: "13px", color: "{colors.fg.muted}" },
    },
  },
});

/** The turns of one table. */
export const TurnCard = chakra("section", {
  base: {
    borderTop: "2px solid {colors.fg}",
    paddingTop: "6px",
    "& ol": { paddingLeft: "20px" },
    "& li": { marginBottom: "8px" },
  },
});

/** What to do first in an emergency. */
export const EmergencyNote = chakra("p", {
  base: { border: "2px solid {colors.accent.solid}", padding: "8px 14px", margin: "10px 0", fontSize: "19px" },
});

/** Which column of a list is which. */
export const ColumnChoice = chakra("div", {
  base: {
    display: "grid",
    gridTemplateColumns: "repeat(auto-fill, minmax(180px, 1fr))",
    gap: "8px 16px",
    "& label": { display: "grid", gap: "2px" },
  },
});

/** The photo of a packet. */
export const LabelPhoto = chakra("img", {
  base: {
    maxWidth: "320px",
    maxHeight: "320px",
    display: "block",
    marginTop: "8px",
    border: "1px solid {colors.border.muted}",
  },
});
