import { defineSlotRecipe } from "@chakra-ui/react";

/** Station cards: what to take on the left, who, what and where on the right. On paper each fills its page. */
export const card = defineSlotRecipe({
  className: "card",
  slots: ["all", "root", "head", "body", "side", "surface", "steps", "names", "box", "kit"],
  base: {
    all: {
      display: "grid",
      gap: "44px",
      _print: {
        gridTemplateColumns: "1fr",
        gap: "0",
        "& > section": { breakInside: "avoid", breakAfter: "page" },
        "& > section:last-child": { breakAfter: "auto" },
      },
    },
    // Read by four across a table.
    root: { _print: { fontSize: "11pt", breakInside: "avoid", "& h3": { fontSize: "30pt !important" } } },
    head: {
      display: "flex",
      flexWrap: "wrap",
      gap: "2px 16px",
      alignItems: "baseline",
      borderBottom: "3px double {colors.fg}",
      paddingBottom: "4px",
      "& h3": { fontSize: "28px" },
      "& .n": { marginLeft: "auto", color: "fg.muted" },
      "& .n b": { color: "fg", fontWeight: 600 },
    },
    body: {
      display: "grid",
      gap: "20px 44px",
      "@media (min-width: 900px)": { gridTemplateColumns: "minmax(0, 1.55fr) minmax(0, 1fr)" },
      _print: { gridTemplateColumns: "minmax(0, 1.85fr) minmax(0, 1fr)", gap: "5mm" },
    },
    side: {
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
    surface: {
      display: "grid",
      gridTemplateColumns: "minmax(0, 1fr) minmax(0, 1.1fr)",
      gap: "16px",
      alignItems: "center",
      _print: { gridTemplateColumns: "24mm minmax(0, 1fr)", gap: "3mm" },
    },
    steps: {
      paddingLeft: "24px",
      listStyle: "decimal",
      "& li": { paddingBottom: "6px" },
      "& .caution": { display: "block", fontSize: "0.9em", color: "fg.muted" },
      _print: {
        "& li": { paddingBottom: "1mm" },
        "& .caution": { fontSize: "8.5pt", padding: "1px 6px", margin: "1px 0" },
      },
    },
    names: {
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
    box: { display: "inline-block", width: "24px", height: "24px", border: "1.5px solid {colors.fg}" },
    kit: {
      "& td": { verticalAlign: "middle !important", padding: "6px 12px 6px 0 !important" },
      "& td:first-of-type": { width: "17em" },
      "& td:last-of-type": { width: "28px", paddingRight: "0 !important" },
      "& tr.is-group th": { fontSize: "18px", paddingTop: "12px" },
      "& tr.is-group .drawn": { verticalAlign: "middle", marginRight: "0.5em" },
      "& .in-words": { fontSize: "0.92em", color: "fg.muted" },
      "& .n": { fontSize: "1.08em", fontWeight: 600 },
      "@media (max-width: 560px)": { "& td:first-of-type": { width: "9em" } },
      _print: { "& td": { padding: "3px 8px 3px 0 !important" }, "& td:first-of-type": { width: "10em" } },
    },
  },
  variants: {
    /** A kit that is packed before all others. */
    isApart: {
      true: {
        head: { borderBottomColor: "accent.solid", "& span": { color: "accent.solid", fontWeight: 600 } },
      },
    },
  },
});
