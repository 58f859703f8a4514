import { chakra } from "@chakra-ui/react";

/** On a phone there is room for the times of the bells that matter most. */
const onPhone = "@media (max-width: 560px)";

/**
 * The bell line: true to time. How much happens is how heavy the line is. It is a drawing: its parts are plain, named by `data-part`; a
 * bell says by `data-rung`, `data-next`, `data-flipped` and `data-wide` how it stands.
 */
export const BellLineBox = chakra("div", {
  base: {
    // What follows changes at every key: its drawing stays its own affair.
    position: "relative",
    height: "92px",
    margin: "8px 6px 4px",
    contain: "layout style",
    "[data-room] &": { margin: "14px calc(var(--gutter) + 6px) 0" },
    "& [data-part=rail]": {
      position: "absolute",
      left: "0",
      right: "0",
      top: "44px",
      height: "0",
      borderTop: "1px solid {colors.fg}",
    },
    "& [data-part=span]": {
      position: "absolute",
      top: "44px",
      transform: "translateY(-50%)",
      height: "4px",
      background: "fg",
      printColorAdjust: "exact",
    },
    "& [data-part=over]": {
      position: "absolute",
      top: "30px",
      height: "28px",
      borderLeft: "2px dashed {colors.accent.solid}",
    },
    "& [data-part=bell]": {
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
    "& [data-part=clapper]": {
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
    "& [data-part=label]": {
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
    "& [data-part=now]": {
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
    "& [data-part=actual-rail]": {
      position: "absolute",
      left: "0",
      right: "0",
      top: "112px",
      borderTop: "1px dashed {colors.fg.muted}",
    },
    "& [data-part=actual]": {
      position: "absolute",
      top: "106px",
      width: "12px",
      height: "12px",
      marginLeft: "-6px",
      borderRadius: "50%",
      background: "fg",
    },
    "& [data-part=links]": {
      position: "absolute",
      left: "0",
      top: "44px",
      width: "100%",
      height: "68px",
      overflow: "visible",
      "& line": { stroke: "fg.muted", strokeWidth: "1", vectorEffect: "non-scaling-stroke" },
    },
    "& [data-part=row-name]": { position: "absolute", left: "0", top: "122px", fontSize: "13px", color: "fg.muted" },
    // Filled shapes that say something: a reader's own colours would take their fill, and with it what they say.
    "& [data-part=span], & [data-part=clapper]": { forcedColorAdjust: "none" },
    // Attended heat weighs most, waiting least.
    "& [data-weight=hands]": { height: "6px" },
    "& [data-weight=heat]": {
      height: "14px",
      background: "repeating-linear-gradient(90deg, {colors.fg} 0 5px, {colors.fg.emphasized} 5px 7px)",
      "[data-room] &": { background: "fg" },
    },
    "& [data-weight=wait]": {
      height: "6px",
      background: "repeating-linear-gradient(90deg, {colors.fg} 0 2px, {colors.bg} 2px 6px)",
    },
    "& [data-weight=little]": { height: "6px", background: "bg", border: "1px solid {colors.fg}" },
    "& [data-rung] [data-part=clapper]": { background: "fg" },
    "& [data-next] [data-part=clapper]": { background: "accent.solid", borderColor: "accent.solid" },
    // At the end of the line a label stands before its bell.
    "& [data-flipped] [data-part=label]": { left: "auto", right: "4px", textAlign: "right" },
    // A label that only a desk has room for.
    [onPhone]: { "& [data-wide] [data-part=label]": { display: "none" } },
  },
  variants: {
    /** What happened stands below what was planned. */
    isTold: { true: { height: "150px" } },
    /** A thin strip. */
    isFolded: {
      true: {
        height: "36px",
        margin: "4px 6px 2px",
        "& [data-part=rail], & [data-part=span]": { top: "8px" },
        "& [data-part=over]": { top: "0", height: "16px" },
        "& [data-part=bell]": { _before: { display: "none" } },
        "& [data-part=clapper]": { top: "3px" },
        "& [data-part=label]": {
          top: "17px",
          left: "-5px",
          background: "none",
          color: "fg.muted",
          fontVariantNumeric: "tabular-nums",
          "[data-room] &": { fontSize: "17px" },
        },
        "& [data-part=now]": { "[data-room] &": { top: "-4px", height: "26px", _after: { display: "none" } } },
        "& [data-flipped] [data-part=label]": { left: "auto", right: "-5px" },
        [onPhone]: { height: "28px", margin: "0 6px", "& [data-part=label]": { top: "15px" } },
        // In the head of a sheet there is no room for its times; the run sheet has them.
        _print: { "& [data-part=label]": { display: "none" } },
      },
    },
  },
});

/** The folded line as a key: it opens the whole one. */
export const BellLineFold = chakra("button", {
  base: {
    display: "block",
    width: "full",
    padding: "0",
    textAlign: "left",
    cursor: "pointer",
    minHeight: "44px",
    _hover: { background: "bg.muted" },
  },
});
