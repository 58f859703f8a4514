import type { Styles } from "./styles";

/** A recipe as a page in a book. */
export const recipe: Styles = [
  {
    ".recipe": { display: "grid", gap: "28px 56px" },
    "@media (min-width: 900px)": {
      ".recipe": { gridTemplateColumns: "380px minmax(0, 1fr)" },
    },
    ".recipe .list dl": { display: "grid", gridTemplateColumns: "8.5em minmax(0, 1fr)", margin: "0" },
    ".recipe .list dt": {
      textAlign: "right",
      padding: "5px 14px 5px 0",
      borderBottom: "1px solid {colors.border.muted}",
      fontWeight: 600,
    },
    ".recipe .list dd": { margin: "0", padding: "5px 0", borderBottom: "1px solid {colors.border.muted}" },
    ".small-head": { fontSize: "18px", margin: "14px 0 2px" },
    ".recipe ol.method": { counterReset: "step", margin: "0", padding: "0" },
    ".recipe ol.method > li": {
      listStyle: "none",
      counterIncrement: "step",
      position: "relative",
      padding: "0 0 16px 52px",
      maxWidth: "66ch",
    },
    ".recipe ol.method > li::before": {
      content: "counter(step)",
      position: "absolute",
      left: "0",
      top: "-4px",
      fontFamily: "heading",
      fontSize: "30px",
      fontWeight: 600,
      width: "34px",
      textAlign: "right",
    },
    ".caution-row": {
      display: "grid",
      gridTemplateColumns: "minmax(9em, 14em) 1fr",
      gap: "12px",
      alignItems: "center",
      marginBottom: "4px",
    },
    ".caution-row .is-left-out": { textDecoration: "line-through", color: "fg.muted" },
    ".caution": { borderLeft: "4px solid {colors.fg}", padding: "2px 0 2px 12px", marginTop: "6px", fontSize: "15px" },
  },
];
