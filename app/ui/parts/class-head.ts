import { chakra } from "@chakra-ui/react";

const onPhone = "@media (max-width: 560px)";
const onTablet = "@media (max-width: 1100px)";

/** The class's own head: title, bell line, what is needed now and then. */
export const ClassHead = chakra(
  "div",
  {
    base: {
      display: "grid",
      gridTemplateColumns: "minmax(220px, max-content) minmax(0, 1fr) auto",
      gap: "0 28px",
      alignItems: "center",
      [onPhone]: { gridTemplateColumns: "minmax(0, 1fr) auto", gap: "0 12px", marginTop: "-4px" },
      _print: { borderBottom: "1px solid {colors.fg}", paddingBottom: "4px", marginBottom: "10px" },
    },
  },
  { defaultProps: { "data-part": "class-root" } },
);

/** The title of the class and when it is. */
export const ClassTitle = chakra(
  "div",
  {
    base: {
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
  },
  { defaultProps: { "data-part": "class-title" } },
);

/** When the class is. */
export const ClassWhen = chakra(
  "span",
  {
    base: {
      color: "fg.muted",
      fontSize: "15px",
      [onPhone]: { display: "block", whiteSpace: "nowrap", overflow: "hidden", textOverflow: "ellipsis" },
    },
  },
  { defaultProps: { "data-part": "class-when" } },
);

/** The place of the bell line in the head. */
export const ClassLine = chakra(
  "div",
  {
    base: {
      "&:has(> [aria-expanded=true])": { gridColumn: "1 / -1", gridRow: "2" },
      // The strip itself is thin; what answers to the thumb begins in the line above it, where there is nothing else to press.
      [onPhone]: {
        gridColumn: "1 / -1",
        gridRow: "2",
        "& > [aria-expanded=false]": { position: "relative", marginTop: "-16px", paddingTop: "14px" },
      },
    },
  },
  { defaultProps: { "data-part": "class-line" } },
);

/** What is needed now and then. */
export const ClassTools = chakra(
  "div",
  {
    base: {
      gridColumn: "3",
      gridRow: "1",
      [onPhone]: { gridColumn: "2", position: "relative", zIndex: 1 },
      _print: { display: "none" },
    },
  },
  { defaultProps: { "data-part": "class-tools" } },
);

/**
 * The stages of a class in the order of the work. Its items are plain: a link with a shape, a name (`b`) and how it stands (`span`), which
 * `data-stands` says.
 */
export const StageList = chakra("ol", {
  base: {
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
    "& svg": {
      width: "20px",
      height: "20px",
      gridRow: "1 / 3",
      alignSelf: "center",
      overflow: "visible",
      "& circle": { fill: "none", stroke: "fg", strokeWidth: 1.6 },
      "& path": { fill: "none", stroke: "bg", strokeWidth: 2 },
      "& text": { fill: "accent.contrast", fontSize: "13px", fontWeight: 700 },
    },
    "& b": {
      fontWeight: "500",
      fontSize: "16px",
      lineHeight: 1.2,
    },
    '& [aria-current="page"] b': { fontWeight: "700" },
    "& a > span": {
      gridColumn: "2",
      fontSize: "13px",
      lineHeight: 1.2,
      color: "fg.muted",
      // The shape says it; the word is there for ears.
      [onPhone]: { position: "absolute", width: "1px", height: "1px", overflow: "hidden", clipPath: "inset(50%)" },
    },
    "& [data-stands=settled] circle": { fill: "fg" },
    "& [data-stands=stale] circle": { stroke: "accent.solid", strokeDasharray: "3.2 2.3", strokeWidth: 2 },
    "& [data-stands=asks] circle": { fill: "accent.solid", stroke: "none" },
    "& :is([data-stands=stale], [data-stands=asks]) > span": { color: "accent.solid", fontWeight: "600" },
  },
});
