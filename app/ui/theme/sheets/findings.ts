import type { Styles } from "./styles";

/** Findings: the margin notes of the sheet. */
export const findings: Styles = [
  {
    ".findings": {
      display: "grid",
      gap: "0",
      margin: "0 0 20px",
      padding: "0",
      borderTop: "1px solid {colors.border.muted}",
    },
    ".findings li": {
      listStyle: "none",
      display: "grid",
      gridTemplateColumns: "92px minmax(0, 1fr)",
      gap: "12px",
      padding: "8px 0",
      borderBottom: "1px solid {colors.border.muted}",
    },
    ".findings .level": { fontWeight: 600, fontSize: "15px" },
    ".findings .blocks .level, .findings .warns .level": { color: "accent.solid" },
    ".findings .notes": { color: "fg.muted" },
  },
];
