import { defineSlotRecipe } from "@chakra-ui/react";

const onPhone = "@media (max-width: 560px)";
const onTablet = "@media (max-width: 1100px)";

/** The class's own head: title, bell line, the nine stages. */
export const classHead = defineSlotRecipe({
  className: "class-head",
  slots: ["root", "title", "when", "line", "tools", "stages", "shape", "name", "state"],
  base: {
    root: {
      display: "grid",
      gridTemplateColumns: "minmax(220px, max-content) minmax(0, 1fr) auto",
      gap: "0 28px",
      alignItems: "center",
      [onPhone]: { gridTemplateColumns: "minmax(0, 1fr) auto", gap: "0 12px", marginTop: "-4px" },
      _print: { borderBottom: "1px solid {colors.fg}", paddingBottom: "4px", marginBottom: "10px" },
    },
    title: {
      "& h1": { fontSize: "25px" },
      // One line: whoever sees only the beginning of a long title has chosen it on the page before.
      [onPhone]: {
        "& h1": {
          fontSize: "21px",
          lineHeight: "23px",
          whiteSpace: "nowrap",
          overflow: "hidden",
          textOverflow: "ellipsis",
        },
      },
    },
    when: {
      color: "fg.muted",
      fontSize: "15px",
      [onPhone]: { display: "block", whiteSpace: "nowrap", overflow: "hidden", textOverflow: "ellipsis" },
    },
    // Opened, the line takes the whole width below.
    line: {
      "&:has(> [aria-expanded=true])": { gridColumn: "1 / -1", gridRow: "2" },
      // The strip itself is thin; what answers to the thumb begins in the line above it, where there is nothing else to press.
      [onPhone]: {
        gridColumn: "1 / -1",
        gridRow: "2",
        "& > [aria-expanded=false]": { position: "relative", marginTop: "-16px", paddingTop: "14px" },
      },
    },
    tools: {
      gridColumn: "3",
      gridRow: "1",
      [onPhone]: { gridColumn: "2", position: "relative", zIndex: 1 },
      _print: { display: "none" },
    },
    stages: {
      display: "flex",
      justifyContent: "space-between",
      gap: "0 8px",
      borderTop: "1px solid {colors.fg}",
      borderBottom: "1px solid {colors.border.muted}",
      margin: "6px 0 12px",
      "& li": { listStyle: "none" },
      "& a": {
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
        // A line that is only there to keep the place of the one of the page that is open.
        "&:not([aria-current])": { "@media (forced-colors: active)": { borderColor: "Canvas" } },
      },
      "& a:hover": { background: "bg.muted" },
      '& a[aria-current="page"]': { borderTopColor: "fg" },
      [onTablet]: { overflowX: "auto", scrollbarWidth: "none", gap: "0 20px", "& a": { whiteSpace: "nowrap" } },
      [onPhone]: { margin: "0 0 8px", "& li": { flex: "0 0 auto" }, "& a": { minHeight: "44px" } },
      _print: { display: "none" },
    },
    shape: {
      width: "20px",
      height: "20px",
      gridRow: "1 / 3",
      alignSelf: "center",
      overflow: "visible",
      "& circle": { fill: "none", stroke: "fg", strokeWidth: 1.6 },
      "& path": { fill: "none", stroke: "bg", strokeWidth: 2 },
      "& text": { fill: "accent.contrast", fontSize: "13px", fontWeight: 700 },
    },
    name: {
      fontWeight: 500,
      fontSize: "16px",
      lineHeight: 1.2,
      '[aria-current="page"] > &': { fontWeight: 700 },
    },
    state: {
      gridColumn: "2",
      fontSize: "13px",
      lineHeight: 1.2,
      color: "fg.muted",
      // The shape says it; the word is there for ears.
      [onPhone]: { position: "absolute", width: "1px", height: "1px", overflow: "hidden", clipPath: "inset(50%)" },
    },
  },
  variants: {
    stands: {
      open: {},
      settled: { shape: { "& circle": { fill: "fg" } } },
      stale: {
        shape: { "& circle": { stroke: "accent.solid", strokeDasharray: "3.2 2.3", strokeWidth: 2 } },
        state: { color: "accent.solid", fontWeight: 600 },
      },
      asks: {
        shape: { "& circle": { fill: "accent.solid", stroke: "none" } },
        state: { color: "accent.solid", fontWeight: 600 },
      },
    },
  },
});
