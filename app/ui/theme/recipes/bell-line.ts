import { defineSlotRecipe } from "@chakra-ui/react";

/** On a phone there is room for the times of the bells that matter most. */
const onPhone = "@media (max-width: 560px)";

/** The bell line: true to time. How much happens is how heavy the line is. */
export const bellLine = defineSlotRecipe({
  className: "bell-line",
  slots: [
    "root",
    "rail",
    "span",
    "over",
    "bell",
    "clapper",
    "label",
    "now",
    "actualRail",
    "actual",
    "links",
    "rowName",
    "fold",
  ],
  base: {
    // What follows changes at every key: its drawing stays its own affair.
    root: {
      position: "relative",
      height: "92px",
      margin: "8px 6px 4px",
      contain: "layout style",
      ".live &": { margin: "14px calc(var(--gutter) + 6px) 0" },
    },
    rail: {
      position: "absolute",
      left: "0",
      right: "0",
      top: "44px",
      height: "0",
      borderTop: "1px solid {colors.fg}",
    },
    span: {
      position: "absolute",
      top: "44px",
      transform: "translateY(-50%)",
      height: "4px",
      background: "fg",
      printColorAdjust: "exact",
    },
    over: {
      position: "absolute",
      top: "30px",
      height: "28px",
      borderLeft: "2px dashed {colors.accent.solid}",
    },
    bell: {
      position: "absolute",
      width: "0",
      _before: {
        content: '""',
        position: "absolute",
        left: "-1px",
        width: "1px",
        background: "fg",
        top: "var(--stem-top)",
        height: "var(--stem)",
      },
    },
    clapper: {
      position: "absolute",
      left: "-5px",
      top: "39px",
      width: "10px",
      height: "10px",
      borderRadius: "50%",
      background: "bg",
      border: "2px solid {colors.fg}",
      printColorAdjust: "exact",
    },
    label: {
      position: "absolute",
      whiteSpace: "nowrap",
      fontSize: "13px",
      lineHeight: 1.15,
      left: "4px",
      background: "bg",
      paddingRight: "3px",
      zIndex: 1,
      "& b": { fontWeight: 600 },
      [onPhone]: { "& b": { display: "none" } },
      _print: { fontSize: "7pt" },
    },
    now: {
      position: "absolute",
      top: "2px",
      height: "68px",
      width: "3px",
      marginLeft: "-1px",
      background: "accent.solid",
      _after: {
        content: "attr(data-label)",
        position: "absolute",
        top: "-17px",
        left: "-12px",
        fontSize: "13px",
        fontWeight: 700,
        color: "accent.solid",
      },
    },
    actualRail: {
      position: "absolute",
      left: "0",
      right: "0",
      top: "112px",
      borderTop: "1px dashed {colors.fg.muted}",
    },
    actual: {
      position: "absolute",
      top: "106px",
      width: "12px",
      height: "12px",
      marginLeft: "-6px",
      borderRadius: "50%",
      background: "fg",
    },
    links: {
      position: "absolute",
      left: "0",
      top: "44px",
      width: "100%",
      height: "68px",
      overflow: "visible",
      "& line": { stroke: "fg.muted", strokeWidth: "1", vectorEffect: "non-scaling-stroke" },
    },
    rowName: { position: "absolute", left: "0", top: "122px", fontSize: "13px", color: "fg.muted" },
    fold: {
      display: "block",
      width: "100%",
      padding: "0",
      border: "0",
      background: "none",
      font: "inherit",
      color: "inherit",
      textAlign: "left",
      cursor: "pointer",
      minHeight: "44px",
      _hover: { background: "bg.muted" },
    },
  },
  variants: {
    /** Attended heat weighs most, waiting least. */
    weight: {
      hands: { span: { height: "6px" } },
      heat: {
        span: {
          height: "14px",
          background: "repeating-linear-gradient(90deg, {colors.fg} 0 5px, {colors.fg.emphasized} 5px 7px)",
          ".live &": { background: "fg" },
        },
      },
      wait: {
        span: {
          height: "6px",
          background: "repeating-linear-gradient(90deg, {colors.fg} 0 2px, {colors.bg} 2px 6px)",
        },
      },
      little: { span: { height: "6px", background: "bg", border: "1px solid {colors.fg}" } },
    },
    rung: { true: { clapper: { background: "fg" } } },
    isNext: { true: { clapper: { background: "accent.solid", borderColor: "accent.solid" } } },
    /** At the end of the line a label stands before its bell. */
    isFlipped: { true: { label: { left: "auto", right: "4px", textAlign: "right" } } },
    /** A label that only a desk has room for. */
    isOnWide: { true: { label: { [onPhone]: { display: "none" } } } },
    /** What happened stands below what was planned. */
    isTold: { true: { root: { height: "150px" } } },
    /** A thin strip. */
    isFolded: {
      true: {
        root: { height: "36px", margin: "4px 6px 2px", [onPhone]: { height: "28px", margin: "0 6px" } },
        rail: { top: "8px" },
        span: { top: "8px" },
        over: { top: "0", height: "16px" },
        bell: { _before: { display: "none" } },
        clapper: { top: "3px" },
        label: {
          top: "17px",
          [onPhone]: { top: "15px" },
          left: "-5px",
          background: "none",
          color: "fg.muted",
          fontVariantNumeric: "tabular-nums",
          ".live &": { fontSize: "17px" },
          // In the head of a sheet there is no room for its times; the run sheet has them.
          _print: { display: "none" },
        },
        now: { ".live &": { top: "-4px", height: "26px", _after: { display: "none" } } },
      },
    },
  },
  compoundVariants: [{ isFolded: true, isFlipped: true, css: { label: { left: "auto", right: "-5px" } } }],
});
