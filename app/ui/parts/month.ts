import { chakra } from "@chakra-ui/react";

/** A month on the wall; on a phone its days stand below each other, free ones left out. */
export const MonthTable = chakra("table", {
  base: {
    width: "full",
    tableLayout: "fixed",
    borderCollapse: "collapse",
    "& th": { textAlign: "start", fontSize: "14px", color: "fg.muted", padding: "4px 8px" },
    "& td": { border: "1px solid {colors.border.muted}", height: "104px", verticalAlign: "top", padding: "4px 8px" },
    "& td[data-outside]": { color: "fg.muted", background: "bg.muted" },
    "& td[aria-current=date]": { boxShadow: "inset 0 3px 0 {colors.fg}" },
    "& td[aria-current=date] [data-part=month-day]": { fontWeight: 700 },
    "& [data-part=month-day]": { fontVariantNumeric: "tabular-nums", fontSize: "15px" },
    "& a": {
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
    "& a:hover": { textDecoration: "underline" },
    "& a span": { display: "block", fontSize: "14px" },
    "@media screen and (max-width: 700px)": {
      display: "block",
      "& tbody": { display: "block" },
      "& tr": { display: "block" },
      "& td": {
        display: "block",
        height: "auto",
        border: "none",
        borderTop: "1px solid {colors.border.muted}",
        padding: "8px 0",
      },
      "& thead": { display: "none" },
      "& td[data-empty]": { display: "none" },
    },
  },
});
