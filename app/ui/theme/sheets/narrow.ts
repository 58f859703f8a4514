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
      // What can be read on the row's own page too.
      "table.ruled .on-wide": { display: "none" },
    },
    "@media (prefers-reduced-motion: reduce)": {
      "*": { animation: "none !important", transition: "none !important" },
    },
  },
];
