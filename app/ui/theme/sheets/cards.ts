import type { Styles } from "./styles";

/** Station cards */
export const cards: Styles = [
  {
    ".cards": { display: "grid", gap: "36px" },
    "@media (min-width: 1080px)": {
      ".cards": { gridTemplateColumns: "repeat(2, minmax(0, 1fr))" },
    },
    ".card-head": {
      display: "flex",
      gap: "16px",
      alignItems: "baseline",
      borderBottom: "3px double {colors.fg}",
      paddingBottom: "4px",
    },
    ".card-head h3": { fontSize: "26px" },
    ".card-head .n": { marginLeft: "auto" },
  },
];
