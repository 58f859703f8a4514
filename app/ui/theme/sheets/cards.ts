import type { Styles } from "./styles";

/** Station cards: what to take on the left, who, what and where on the right. */
export const cards: Styles = [
  {
    ".cards": { display: "grid", gap: "44px" },
    ".card-head": {
      display: "flex",
      flexWrap: "wrap",
      gap: "2px 16px",
      alignItems: "baseline",
      borderBottom: "3px double {colors.fg}",
      paddingBottom: "4px",
    },
    ".card-head h3": { fontSize: "28px" },
    ".card-head .n": { marginLeft: "auto", color: "fg.muted" },
    ".card-head .n b": { color: "fg", fontWeight: 600 },
    ".card-body": { display: "grid", gap: "20px 44px" },
    "@media (min-width: 900px)": {
      ".card-body": { gridTemplateColumns: "minmax(0, 1.55fr) minmax(0, 1fr)" },
    },
    "table.kit-table td": { verticalAlign: "middle", padding: "6px 12px 6px 0" },
    "table.kit-table td:first-child": { width: "17em" },
    "table.kit-table td:last-child": { width: "28px", paddingRight: "0" },
    "table.kit-table tr.is-group th": { fontSize: "18px", paddingTop: "12px" },
    "table.kit-table tr.is-group .drawn": { verticalAlign: "middle", marginRight: "0.5em" },
    "table.kit-table .in-words": { fontSize: "0.92em", color: "fg.muted" },
    "table.kit-table .n": { fontSize: "1.08em", fontWeight: 600 },
    ".paper-box": { display: "inline-block", width: "24px", height: "24px", border: "1.5px solid {colors.fg}" },
    ".card-side h4": {
      fontFamily: "heading",
      fontWeight: 600,
      fontSize: "18px",
      borderBottom: "1px solid {colors.fg}",
      padding: "12px 0 3px",
      marginBottom: "8px",
    },
    ".names": { display: "flex", flexWrap: "wrap", gap: "4px 8px", listStyle: "none", padding: "0" },
    ".names li": {
      border: "1px solid {colors.border.muted}",
      borderRadius: "full",
      background: "bg.panel",
      padding: "1px 13px",
    },
    ".card-surface": {
      display: "grid",
      gridTemplateColumns: "minmax(0, 1fr) minmax(0, 1.1fr)",
      gap: "16px",
      alignItems: "center",
    },
    ".card-steps": { paddingLeft: "24px", listStyle: "decimal" },
    ".card-steps li": { paddingBottom: "6px" },
    ".card-steps .caution": { display: "block", fontSize: "0.9em", color: "fg.muted" },
    "@media (max-width: 560px)": {
      "table.kit-table td:first-child": { width: "9em" },
    },
  },
];
