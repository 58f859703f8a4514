import type { Styles } from "./styles";

/** The class's own head: title, bell line, the nine stages. */
export const classHead: Styles = [
  {
    ".class-head": {
      display: "grid",
      gridTemplateColumns: "minmax(220px, max-content) minmax(0, 1fr) auto",
      gap: "0 28px",
      alignItems: "center",
    },
    ".class-title h1": { fontSize: "25px" },
    ".class-head .when": { color: "fg.muted", fontSize: "15px" },
    ".class-head .tools": { gridColumn: "3", gridRow: "1" },
    // Opened, the line takes the whole width below.
    ".class-line:has(> .bell-fold[aria-expanded=true])": { gridColumn: "1 / -1", gridRow: "2" },
    ".stages": {
      display: "flex",
      justifyContent: "space-between",
      gap: "0 8px",
      borderTop: "1px solid {colors.fg}",
      borderBottom: "1px solid {colors.border.muted}",
      margin: "6px 0 12px",
    },
    ".stages a": {
      // What is only for ears stays in its step, or it would stick out of the strip.
      position: "relative",
      display: "grid",
      gridTemplateColumns: "auto auto",
      gap: "0 7px",
      alignContent: "center",
      padding: "2px 0 4px",
      minHeight: "46px",
      color: "fg",
      textDecoration: "none",
      borderTop: "4px solid transparent",
      marginTop: "-1px",
    },
    ".stages li": { listStyle: "none" },
    ".stages a:hover": { background: "bg.muted" },
    '.stages a[aria-current="page"]': { borderTopColor: "fg" },
    '.stages a[aria-current="page"] .name': { fontWeight: 700 },
    ".stages .shape": { width: "20px", height: "20px", gridRow: "1 / 3", alignSelf: "center", overflow: "visible" },
    ".stages .shape circle": { fill: "none", stroke: "fg", strokeWidth: 1.6 },
    ".stages .shape.settled circle": { fill: "fg" },
    ".stages .shape path": { fill: "none", stroke: "bg", strokeWidth: 2 },
    ".stages .shape.stale circle": { stroke: "accent.solid", strokeDasharray: "3.2 2.3", strokeWidth: 2 },
    ".stages .shape.asks circle": { fill: "accent.solid", stroke: "none" },
    ".stages .shape text": { fill: "accent.contrast", fontSize: "13px", fontWeight: 700 },
    ".stages .name": { fontWeight: 500, fontSize: "16px", lineHeight: 1.2 },
    ".stages .state": { gridColumn: "2", fontSize: "13px", lineHeight: 1.2, color: "fg.muted" },
    ".stages .state.stale, .stages .state.asks": { color: "accent.solid", fontWeight: 600 },
  },
];
