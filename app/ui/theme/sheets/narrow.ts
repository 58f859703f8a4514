import type { Styles } from "./styles";

/** What changes on narrow screens, on paper and for those who ask for no motion, whatever the part. */
export const narrow: Styles = [
  {
    ".by-the-minute .bell-row td": { fontWeight: 600, background: "bg.muted" },
    ".by-the-minute td:first-of-type": { textAlign: "left", whiteSpace: "nowrap" },
    ".now-read": { fontWeight: 600 },
    ".print-only": { display: "none" },
    "@media (max-width: 560px)": {
      h1: { fontSize: "26px" },
      "table.ruled td, table.ruled th": { paddingRight: "8px" },
      // A row of few things that are each a line long: below one another instead of in columns of a word's width.
      "table.stacks, table.stacks tbody, table.stacks caption": { display: "block" },
      "table.stacks colgroup, table.stacks thead": { display: "none" },
      "table.stacks tr": {
        display: "grid",
        gridTemplateColumns: "minmax(0, 1fr) auto",
        gap: "2px 16px",
        padding: "10px 0",
        borderBottom: "1px solid {colors.border.muted}",
      },
      "table.stacks td": { display: "block", padding: "0", borderBottom: "0" },
      "table.stacks th[scope=row]": { display: "block", gridColumn: "1 / -1", padding: "0", borderBottom: "0" },
      "table.stacks th[scope=row] ~ td.n": { textAlign: "start" },
      "table.stacks td.stacks-whole": { gridColumn: "1 / -1" },
      "table.stacks td.stacks-first": { gridRow: "1" },
      "table.stacks td.stacks-first:not(.stacks-whole)": { gridColumn: "2" },
      // What can be read on the row's own page too.
      "table.ruled .on-wide": { display: "none" },
    },
    "@media (prefers-reduced-motion: reduce)": {
      "*": { animation: "none !important", transition: "none !important" },
    },
  },
];
