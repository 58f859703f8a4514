import type { Styles } from "./styles";

/** Ruled tables. */
export const tables: Styles = [
  {
    "table.ruled": { width: "100%", borderCollapse: "collapse" },
    "@media (min-width: 700px)": {
      "table.ruled.fixed": { tableLayout: "fixed" },
    },
    "table.ruled caption": {
      textAlign: "left",
      fontFamily: "heading",
      fontWeight: 600,
      fontSize: "18px",
      paddingBottom: "4px",
    },
    "table.ruled th": {
      textAlign: "left",
      fontWeight: 600,
      fontSize: "14px",
      color: "fg.muted",
      borderBottom: "1px solid {colors.fg}",
      padding: "4px 12px 4px 0",
      verticalAlign: "bottom",
    },
    'table.ruled th[scope="row"]': {
      borderBottom: "1px solid {colors.border.muted}",
      color: "fg",
      fontSize: "inherit",
      verticalAlign: "top",
      paddingTop: "7px",
      paddingBottom: "7px",
    },
    'table.ruled th[scope="row"] .small': { fontWeight: 400 },
    "table.ruled td": {
      borderBottom: "1px solid {colors.border.muted}",
      padding: "7px 12px 7px 0",
      verticalAlign: "top",
    },
    "table.ruled .n": { textAlign: "right", whiteSpace: "nowrap" },
    "table.ruled tr.is-group th": {
      borderBottom: "1px solid {colors.border.muted}",
      color: "fg",
      fontFamily: "heading",
      paddingTop: "12px",
    },
    "table.ruled tr.needs td:first-child": { boxShadow: "inset 4px 0 0 {colors.accent.solid}", paddingLeft: "10px" },
    // Positioned, so that what is only for ears does not stick out of what scrolls.
    ".scroll-x": { overflowX: "auto", position: "relative" },
    ".unit": { color: "fg.muted" },
  },
];
