import type { Styles } from "./styles";

/** Lanes: stations and surfaces on the class's time. */
export const lanes: Styles = [
  {
    ".by-the-minute .bell-row td": { fontWeight: 600, background: "bg.muted" },
    ".by-the-minute td:first-of-type": { textAlign: "left", whiteSpace: "nowrap" },
    ".lanes": {
      display: "grid",
      gridTemplateColumns: "fit-content(190px) minmax(0, 1fr)",
      rowGap: "3px",
      alignItems: "center",
    },
    ".lanes .lane-name": {
      fontWeight: 600,
      paddingRight: "12px",
      overflow: "hidden",
      textOverflow: "ellipsis",
      whiteSpace: "nowrap",
    },
    ".lanes .lane": {
      position: "relative",
      height: "30px",
      background:
        "linear-gradient({colors.border.muted}, {colors.border.muted}) 0 100% / 100% 1px no-repeat, repeating-linear-gradient(90deg, {colors.border.muted} 0 1px, transparent 1px var(--tick))",
    },
    ".lanes .first": { marginTop: "10px" },
    ".lanes .task": {
      position: "absolute",
      top: "3px",
      bottom: "4px",
      border: "1px solid {colors.fg}",
      background: "bg.panel",
      fontSize: "14px",
      lineHeight: "21px",
      padding: "0 4px",
      overflow: "hidden",
      whiteSpace: "nowrap",
      textAlign: "center",
    },
    ".lanes .task.heat": {
      background: "repeating-linear-gradient(90deg, {colors.fg} 0 5px, {colors.fg.emphasized} 5px 7px)",
      color: "bg.panel",
      fontWeight: 600,
    },
    ".lanes .task.wait": { borderStyle: "dotted", background: "bg", color: "fg.muted" },
    ".lanes .task.heating": { borderStyle: "dashed", background: "bg" },
    // On the chain that holds the class up: a double line below, readable without colour.
    ".lanes .task.below": {
      top: "50%",
      height: "50%",
      zIndex: 1,
      background: "bg.panel",
      fontSize: "11px",
      lineHeight: 1,
    },
    ".lanes .task.chain": {
      bottom: "-1px",
      borderBottom: "6px double {colors.accent.solid}",
      backgroundClip: "padding-box",
    },
    ".lanes-zoom": { display: "flex", justifyContent: "flex-end", gap: "4px 14px" },
    ".lanes-zoom button": { minHeight: "44px", color: "fg.muted", cursor: "pointer" },
    ".lanes-zoom button[aria-pressed=true]": { color: "fg", fontWeight: 600, textDecoration: "underline" },
    ".lanes .axis": { position: "relative", height: "22px", fontSize: "13px", color: "fg.muted" },
    ".lanes .axis span": { position: "absolute", borderLeft: "1px solid {colors.border.muted}", paddingLeft: "4px" },
    "@media print": {
      ".lanes": { rowGap: "1px" },
      ".lanes .first": { marginTop: "4px" },
      ".lanes .lane": { height: "min(30px, 100mm / var(--rows))" },
      ".lanes .lane-name": { fontSize: "min(11pt, 72mm / var(--rows))", lineHeight: 1 },
      ".lanes .task": {
        fontSize: "min(14px, 56mm / var(--rows))",
        lineHeight: "min(21px, 64mm / var(--rows))",
        top: "1px",
        bottom: "1px",
      },
    },
    ".lanes-scroll": { overflowX: "auto" },
    ".lanes-scroll > .lanes": { minWidth: "760px" },
    ".verdict-word": { fontWeight: 600, whiteSpace: "nowrap" },
    ".verdict-word.contains, .verdict-word.unknown, .verdict-word.may-contain": { color: "accent.solid" },
    ".verdict-word.contains::before": { content: '"✕ "' },
    ".verdict-word.may-contain::before": { content: '"≈ "' },
    ".verdict-word.unknown::before": { content: '"? "' },
    ".print-only": { display: "none" },
    "@media (max-width: 1100px)": {
      ".stages": { overflowX: "auto", scrollbarWidth: "none", gap: "0 20px" },
      ".stages a": { whiteSpace: "nowrap" },
    },
    "@media (max-width: 560px)": {
      // In a hand the sheet itself comes first: what leads elsewhere goes by in two strips above it.
      ".top": { gap: "0 12px", paddingBottom: "0" },
      ".top .who span": { display: "none" },
      ".top nav": { order: 1, flex: "1 0 100%", minWidth: "0" },
      ".top nav, .stages": { display: "flex", flexWrap: "nowrap", overflowX: "auto", scrollbarWidth: "none" },
      ".top nav a": { whiteSpace: "nowrap" },
      ".stages li": { flex: "0 0 auto" },
      ".bell-line.folded .on-wide": { display: "none" },
      ".class-head": { gridTemplateColumns: "minmax(0, 1fr) auto" },
      ".class-title h1": { fontSize: "22px" },
      ".class-head .when": { display: "block", whiteSpace: "nowrap", overflow: "hidden", textOverflow: "ellipsis" },
      ".class-head .tools": { gridColumn: "2" },
      ".class-line": { gridColumn: "1 / -1", gridRow: "2" },
      ".stages a": { minHeight: "44px" },
      // The shape says it; the word is there for ears.
      ".stages .state": {
        position: "absolute",
        width: "1px",
        height: "1px",
        overflow: "hidden",
        clipPath: "inset(50%)",
      },
      ".bell-line .bell .label b": { display: "none" },
      ".bell-line .bell.gather-mix .label, .bell-line .bell.rest .label, .bell-line .bell.swap .label, .bell-line .bell.gather-load .label, .bell-line .bell.clean .label":
        { display: "none" },
      ".findings li": { gridTemplateColumns: "1fr", gap: "0" },
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
