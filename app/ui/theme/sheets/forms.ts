import type { Styles } from "./styles";

/** Forms */
export const forms: Styles = [
  {
    ".form": {
      display: "grid",
      gap: "14px 20px",
      gridTemplateColumns: "repeat(12, minmax(0, 1fr))",
      alignItems: "start",
      alignContent: "start",
    },
    ".form > *, .form > .bare > *": { gridColumn: "span 12" },
    "@media (min-width: 560px)": {
      ".form > .c2, .form > .bare > .c2": { gridColumn: "span 2" },
      ".form > .c3, .form > .bare > .c3": { gridColumn: "span 3" },
      ".form > .c4, .form > .bare > .c4": { gridColumn: "span 4" },
      ".form > .c6, .form > .bare > .c6": { gridColumn: "span 6" },
      ".form > .c8, .form > .bare > .c8": { gridColumn: "span 8" },
    },
    ".form fieldset": { border: "0", padding: "0", margin: "0" },
    ".form legend": { fontFamily: "heading", fontWeight: 600, fontSize: "18px", padding: "8px 0 2px" },
    ".field-error": { color: "accent.solid", fontWeight: 600, fontSize: "15px" },
    ".form-error": { borderLeft: "4px solid {colors.accent.solid}", background: "accent.subtle", padding: "10px 14px" },
    ".form-error ul": { paddingLeft: "18px", margin: "4px 0 0" },
    ".saved": { borderLeft: "4px solid {colors.fg}", padding: "6px 14px" },
    ".checks": { display: "flex", flexWrap: "wrap", gap: "4px 22px" },
    ".checks label, .check": { display: "inline-flex", gap: "8px", alignItems: "center", minHeight: "44px" },
    ".checks input, .check input": { width: "20px", height: "20px", flexShrink: 0, accentColor: "fg" },
    ".actions": { display: "flex", gap: "12px", flexWrap: "wrap", alignItems: "center" },
  },
];
