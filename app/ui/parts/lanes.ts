import { chakra } from "@chakra-ui/react";

/** How wide the lanes are drawn. */
export const LanesZoom = chakra("div", {
  base: {
    display: "flex",
    justifyContent: "flex-end",
    gap: "4px 14px",
    "& button": { minHeight: "44px", color: "fg.muted", cursor: "pointer" },
    "& button[aria-pressed=true]": { color: "fg", fontWeight: 600, textDecoration: "underline" },
    _print: { display: "none" },
  },
});

/** Lanes wider than the sheet are pushed sideways. */
export const LanesScroll = chakra(
  "div",
  { base: { overflowX: "auto", _print: { overflow: "visible", breakAfter: "page" } } },
  { defaultProps: { "data-part": "lanes" } },
);

/**
 * Lanes: stations and surfaces on the class's time, on paper all of them on one page. It is a drawing of hundreds of blocks: they are plain,
 * named by `data-part`; a block says by `data-look`, `data-below` and `data-chain` what it is, a row by `data-first`.
 */
export const LanesGrid = chakra("div", {
  base: {
    display: "grid",
    gridTemplateColumns: "fit-content(190px) minmax(0, 1fr)",
    rowGap: "3px",
    alignItems: "center",
    minWidth: "760px",
    _print: { rowGap: "1px", minWidth: "0 !important" },
    "& [data-part=axis]": {
      position: "relative",
      height: "22px",
      fontSize: "13px",
      color: "fg.muted",
      "& span": { position: "absolute", borderLeft: "1px solid {colors.border.muted}", paddingLeft: "4px" },
    },
    "& [data-part=name]": {
      fontWeight: 600,
      paddingRight: "12px",
      overflow: "hidden",
      textOverflow: "ellipsis",
      whiteSpace: "nowrap",
      _print: { fontSize: "min(11pt, 72mm / var(--rows))", lineHeight: 1 },
    },
    "& [data-part=lane]": {
      position: "relative",
      height: "30px",
      background:
        "linear-gradient({colors.border.muted}, {colors.border.muted}) 0 100% / 100% 1px no-repeat, repeating-linear-gradient(90deg, {colors.border.muted} 0 1px, transparent 1px var(--tick))",
      _print: { height: "min(30px, 100mm / var(--rows))" },
    },
    "& [data-part=task]": {
      forcedColorAdjust: "none",
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
      _print: {
        fontSize: "min(14px, 56mm / var(--rows))",
        lineHeight: "min(21px, 64mm / var(--rows))",
        top: "1px",
        bottom: "1px",
      },
    },
    "& [data-look=heat]": {
      background: "repeating-linear-gradient(90deg, {colors.fg} 0 5px, {colors.fg.emphasized} 5px 7px)",
      color: "bg.panel",
      fontWeight: "600",
      printColorAdjust: "exact",
      forcedColorAdjust: "none",
    },
    "& [data-look=wait]": { borderStyle: "dotted", background: "bg", color: "fg.muted" },
    "& [data-look=heating]": { borderStyle: "dashed", background: "bg" },
    // Done by some of a table while the others cook: it stands below what they do.
    "& [data-below]": {
      top: "50%",
      height: "50%",
      zIndex: 1,
      background: "bg.panel",
      fontSize: "11px",
      lineHeight: 1,
    },
    // On the chain that holds the class up: a double line below, readable without colour.
    "& [data-chain]": {
      bottom: "-1px",
      borderBottom: "6px double {colors.accent.solid}",
      backgroundClip: "padding-box",
    },
    // The first of its kind stands a little apart.
    "& [data-first]": { marginTop: "10px", _print: { marginTop: "4px" } },
    "& [data-part=said]": {
      position: "absolute",
      width: "1px",
      height: "1px",
      overflow: "hidden",
      clipPath: "inset(50%)",
      whiteSpace: "nowrap",
    },
  },
});
