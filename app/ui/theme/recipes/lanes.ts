import { defineSlotRecipe } from "@chakra-ui/react";

/** Lanes: stations and surfaces on the class's time. On paper all of them share one page. */
export const lanes = defineSlotRecipe({
  className: "lanes",
  slots: ["zoom", "scroll", "root", "axis", "name", "lane", "task"],
  base: {
    zoom: {
      display: "flex",
      justifyContent: "flex-end",
      gap: "4px 14px",
      "& button": { minHeight: "44px", color: "fg.muted", cursor: "pointer" },
      "& button[aria-pressed=true]": { color: "fg", fontWeight: 600, textDecoration: "underline" },
    },
    scroll: { overflowX: "auto", _print: { overflow: "visible", breakAfter: "page" } },
    root: {
      display: "grid",
      gridTemplateColumns: "fit-content(190px) minmax(0, 1fr)",
      rowGap: "3px",
      alignItems: "center",
      minWidth: "760px",
      _print: { rowGap: "1px", minWidth: "0 !important" },
    },
    axis: {
      position: "relative",
      height: "22px",
      fontSize: "13px",
      color: "fg.muted",
      "& span": { position: "absolute", borderLeft: "1px solid {colors.border.muted}", paddingLeft: "4px" },
    },
    name: {
      fontWeight: 600,
      paddingRight: "12px",
      overflow: "hidden",
      textOverflow: "ellipsis",
      whiteSpace: "nowrap",
      _print: { fontSize: "min(11pt, 72mm / var(--rows))", lineHeight: 1 },
    },
    lane: {
      position: "relative",
      height: "30px",
      background:
        "linear-gradient({colors.border.muted}, {colors.border.muted}) 0 100% / 100% 1px no-repeat, repeating-linear-gradient(90deg, {colors.border.muted} 0 1px, transparent 1px var(--tick))",
      _print: { height: "min(30px, 100mm / var(--rows))" },
    },
    task: {
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
  },
  variants: {
    look: {
      heat: {
        task: {
          background: "repeating-linear-gradient(90deg, {colors.fg} 0 5px, {colors.fg.emphasized} 5px 7px)",
          color: "bg.panel",
          fontWeight: 600,
          printColorAdjust: "exact",
        },
      },
      wait: { task: { borderStyle: "dotted", background: "bg", color: "fg.muted" } },
      heating: { task: { borderStyle: "dashed", background: "bg" } },
    },
    /** Done by some of a table while the others cook: it stands below what they do. */
    isBelow: {
      true: {
        task: { top: "50%", height: "50%", zIndex: 1, background: "bg.panel", fontSize: "11px", lineHeight: 1 },
      },
    },
    /** On the chain that holds the class up: a double line below, readable without colour. */
    isChain: {
      true: {
        task: { bottom: "-1px", borderBottom: "6px double {colors.accent.solid}", backgroundClip: "padding-box" },
      },
    },
    /** The first of its kind stands a little apart. */
    isFirst: {
      true: {
        name: { marginTop: "10px", _print: { marginTop: "4px" } },
        lane: { marginTop: "10px", _print: { marginTop: "4px" } },
      },
    },
  },
});
