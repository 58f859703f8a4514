import { chakra } from "@chakra-ui/react";
import { cautionStyles } from "./recipe";

/** Station cards, one below the other; on paper each fills its page. */
export const CardList = chakra(
  "div",
  {
    base: {
      display: "grid",
      gap: "44px",
      _print: {
        gridTemplateColumns: "1fr",
        gap: "0",
        "& > section": { breakInside: "avoid", breakAfter: "page" },
        "& > section:last-child": { breakAfter: "auto" },
      },
    },
  },
  { defaultProps: { "data-part": "card-all" } },
);

/** The name of a card, what is made and how much. */
export const CardHead = chakra(
  "div",
  {
    base: {
      display: "flex",
      flexWrap: "wrap",
      gap: "2px 16px",
      alignItems: "baseline",
      borderBottom: "3px double {colors.fg}",
      paddingBottom: "4px",
      "& h3": { fontSize: "28px" },
      "& [data-part=made]": { marginLeft: "auto", color: "fg.muted" },
      "& [data-part=made] b": { color: "fg", fontWeight: 600 },
    },
    variants: {
      /** A kit that is packed before all others. */
      isApart: { true: { borderBottomColor: "accent.solid", "& span": { color: "accent.solid", fontWeight: "600" } } },
    },
  },
  { defaultProps: { "data-part": "card-head" } },
);

/** What to take on the left, who, what and where on the right. */
export const CardBody = chakra(
  "div",
  {
    base: {
      display: "grid",
      gap: "20px 44px",
      "@media (min-width: 900px)": { gridTemplateColumns: "minmax(0, 1.55fr) minmax(0, 1fr)" },
      _print: { gridTemplateColumns: "minmax(0, 1.85fr) minmax(0, 1fr)", gap: "5mm" },
    },
  },
  { defaultProps: { "data-part": "card-body" } },
);

/** The right side of a card. */
export const CardSide = chakra(
  "div",
  {
    base: {
      "& h4": {
        fontFamily: "heading",
        fontWeight: 600,
        fontSize: "18px",
        borderBottom: "1px solid {colors.fg}",
        padding: "12px 0 3px",
        marginBottom: "8px",
      },
      _print: { fontSize: "9.5pt", "& h4": { paddingTop: "2mm", marginBottom: "1.5mm" } },
    },
  },
  { defaultProps: { "data-part": "card-side" } },
);

/** A surface from above beside its words. */
export const CardSurfaceBox = chakra(
  "div",
  {
    base: {
      display: "grid",
      gridTemplateColumns: "minmax(0, 1fr) minmax(0, 1.1fr)",
      gap: "16px",
      alignItems: "center",
      _print: { gridTemplateColumns: "24mm minmax(0, 1fr)", gap: "3mm" },
    },
  },
  { defaultProps: { "data-part": "card-surface" } },
);

/** What is done, in order. */
export const CardSteps = chakra(
  "ol",
  {
    base: {
      paddingLeft: "24px",
      listStyle: "decimal",
      "& li": { paddingBottom: "6px" },
      "& [data-part=caution]": { ...cautionStyles, display: "block", fontSize: "0.9em", color: "fg.muted" },
      _print: {
        "& li": { paddingBottom: "1mm" },
        "& [data-part=caution]": { fontSize: "8.5pt", padding: "1px 6px", margin: "1px 0" },
      },
    },
  },
  { defaultProps: { "data-part": "card-steps" } },
);

/** Who is at a table. */
export const CardNames = chakra(
  "ul",
  {
    base: {
      display: "flex",
      flexWrap: "wrap",
      gap: "4px 8px",
      listStyle: "none",
      padding: "0",
      "& li": {
        border: "1px solid {colors.border.muted}",
        borderRadius: "full",
        background: "bg.panel",
        padding: "1px 13px",
      },
    },
  },
  { defaultProps: { "data-part": "card-names" } },
);

/** A card on a station's table, read by four across it. */
export const CardRoot = chakra(
  "section",
  {
    base: {
      _print: {
        fontSize: "11pt",
        breakInside: "avoid",
        "& h3": { fontSize: "30pt !important" },
        "& [data-part=surface-drawing]": { maxHeight: "20mm" },
        "& [data-part=tare]": { display: "none" },
        "& [data-part=looks]": {
          flexWrap: "nowrap",
          gap: "5mm",
          margin: "2mm 0 0",
          fontSize: "9pt",
          breakInside: "avoid",
        },
        "& [data-part=looks-column] ul": { flexWrap: "nowrap", gap: "3mm", margin: "1mm 0 0" },
        "& [data-part=looks-column] li": { width: "19mm", fontSize: "8.5pt" },
        "& [data-part=cue]": { width: "14mm" },
      },
    },
  },
  { defaultProps: { "data-part": "card-root" } },
);

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
