import type { Styles } from "./styles";

/** A month on the wall. On a phone its days stand below each other, those that are free left out. */
export const month: Styles = [
  {
    ".month": { width: "full", tableLayout: "fixed", borderCollapse: "collapse" },
    ".month th": { textAlign: "start", fontSize: "14px", color: "fg.muted", padding: "4px 8px" },
    ".month td": {
      border: "1px solid {colors.border.muted}",
      height: "104px",
      verticalAlign: "top",
      padding: "4px 8px",
    },
    ".month td[data-outside]": { color: "fg.muted", background: "bg.muted" },
    ".month td[aria-current=date]": { boxShadow: "inset 0 3px 0 {colors.fg}" },
    ".month td[aria-current=date] .month-day": { fontWeight: 700 },
    ".month-day": { fontVariantNumeric: "tabular-nums", fontSize: "15px" },
    ".month a": {
      display: "block",
      minHeight: "44px",
      padding: "4px 6px",
      marginTop: "4px",
      background: "bg.panel",
      borderInlineStart: "3px solid {colors.fg}",
      fontSize: "15px",
      lineHeight: 1.25,
      overflowWrap: "anywhere",
    },
    ".month a:hover": { textDecoration: "underline" },
    ".month a .quiet": { display: "block", fontSize: "14px" },
    "@media screen and (max-width: 700px)": {
      ".month, .month tbody, .month tr, .month td": { display: "block" },
      ".month thead, .month td[data-empty]": { display: "none" },
      ".month td": { height: "auto", border: "none", borderTop: "1px solid {colors.border.muted}", padding: "8px 0" },
    },
  },
];
