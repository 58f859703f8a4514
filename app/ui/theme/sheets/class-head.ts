import type { Styles } from "./styles";

/** The class's own head: title, bell line, the eight stages. */
export const classHead: Styles = [
  {
    ".class-head": { display: "flex", gap: "4px 24px", alignItems: "baseline", flexWrap: "wrap" },
    ".class-head .when": { color: "fg.muted" },
    ".class-head .tools": { marginLeft: "auto", display: "flex", gap: "18px" },
    ".stages": {
      display: "flex",
      justifyContent: "space-between",
      gap: "0 8px",
      borderTop: "1px solid {colors.fg}",
      borderBottom: "1px solid {colors.border.muted}",
      margin: "2px 0 12px",
    },
    ".stages a": {
      padding: "3px 0 5px",
      minHeight: "46px",
      color: "fg",
      textDecoration: "none",
      borderTop: "4px solid transparent",
      marginTop: "-1px",
      display: "block",
    },
    ".stages li": { listStyle: "none" },
    ".stages a:hover": { background: "bg.muted" },
    '.stages a[aria-current="page"]': { borderTopColor: "fg" },
    ".stages .name": { display: "block", fontWeight: 600, fontSize: "15px", lineHeight: 1.25 },
    ".stages .state": { display: "block", fontSize: "13px", lineHeight: 1.25, color: "fg.muted" },
    ".stages .state.stale, .stages .state.asks": { color: "accent.solid", fontWeight: 600 },
  },
];
