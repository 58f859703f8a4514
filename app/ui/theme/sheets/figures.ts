import type { Styles } from "./styles";

/** Figures with their reason one step away. */
export const figures: Styles = [
  {
    ".figures": { margin: "0", display: "grid" },
    ".figures .row": {
      display: "grid",
      gridTemplateColumns: "minmax(0, 1fr) auto",
      gap: "2px 12px",
      padding: "6px 0",
      borderBottom: "1px solid {colors.border.muted}",
      alignItems: "baseline",
    },
    ".figures dt": { display: "flex", gap: "10px", alignItems: "baseline", flexWrap: "wrap" },
    ".figures dd": { margin: "0", textAlign: "right", fontWeight: 600 },
    ".figures .changed dd": { color: "accent.solid" },
    ".figures .was": { fontWeight: 400, color: "fg.muted", textDecoration: "line-through", marginRight: "8px" },
    ".figures details[open]": { flexBasis: "100%" },
    ".figures details summary": { display: "inline-block" },
    ".figures summary, .verdict summary": {
      cursor: "pointer",
      color: "fg.muted",
      fontSize: "14px",
      width: "fit-content",
      minHeight: "24px",
    },
    ".figures .why": { fontSize: "15px", color: "fg.muted", padding: "2px 0 6px", maxWidth: "60ch" },
  },
];
