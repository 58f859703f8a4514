import { defineSlotRecipe } from "@chakra-ui/react";

const onPhone = "@media (max-width: 560px)";

/**
 * Ruled tables. `Table.Root native` styles the plain cells within it, which keeps a table of hundreds of cells cheap. What a cell or a row
 * is beyond that it says by one attribute: `data-numeric`, `data-quiet`, `data-small`, `data-needs`, `data-group`, `data-wide` (a column
 * that only a desk has room for), `data-screen` (not printed).
 */
export const table = defineSlotRecipe({
  className: "chakra-table",
  slots: ["root", "header", "body", "row", "columnHeader", "cell", "footer", "caption"],
  base: {
    root: {
      width: "full",
      borderCollapse: "collapse",
      "& tbody th": {
        textAlign: "left",
        fontWeight: "600",
        fontSize: "xs",
        color: "fg.muted",
        borderBottom: "1px solid {colors.fg}",
        padding: "4px 12px 4px 0",
        verticalAlign: "bottom",
        [onPhone]: { paddingRight: "8px" },
      },
      '& th[scope="row"]': {
        borderBottom: "1px solid {colors.border.muted}",
        color: "fg",
        fontSize: "inherit",
        verticalAlign: "top",
        paddingTop: "7px",
        paddingBottom: "7px",
      },
      "& th[scope=row] > div": { fontWeight: "400" },
      "& [data-numeric]": { textAlign: "right", whiteSpace: "nowrap" },
      "& [data-nowrap]": { whiteSpace: "nowrap" },
      "& tr[data-group] th": {
        borderBottom: "1px solid {colors.border.muted}",
        color: "fg",
        fontFamily: "heading",
        paddingTop: "12px",
      },
      "& tr[data-needs] td:first-of-type": {
        boxShadow: "inset 4px 0 0 {colors.accent.solid}",
        paddingLeft: "10px",
      },
      "& tr[data-bell] td": { fontWeight: "600", background: "bg.muted" },
      [onPhone]: {
        // What can be read on the row's own page too.
        "& [data-wide]": { display: "none" },
      },
      _print: {
        breakInside: "auto",
        "& [data-screen]": { display: "none !important" },
        "& thead": { display: "table-header-group" },
        "& tr": { breakInside: "avoid" },
      },
    },
    caption: { textAlign: "left", fontFamily: "heading", fontWeight: "600", fontSize: "18px", paddingBottom: "4px" },
    columnHeader: {
      textAlign: "left",
      fontWeight: "600",
      fontSize: "xs",
      color: "fg.muted",
      borderBottom: "1px solid {colors.fg}",
      padding: "4px 12px 4px 0",
      verticalAlign: "bottom",
      [onPhone]: { paddingRight: "8px" },
    },
    cell: {
      borderBottom: "1px solid {colors.border.muted}",
      padding: "7px 12px 7px 0",
      verticalAlign: "top",
      [onPhone]: { paddingRight: "8px" },
    },
  },
});
