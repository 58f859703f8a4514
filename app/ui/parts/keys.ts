import { chakra } from "@chakra-ui/react";

const base = {
  display: "inline-flex",
  alignItems: "center",
  gap: "6px",
  minHeight: "44px",
  cursor: "pointer",
} as const;

/** The key of a menu. */
export const MenuKey = chakra("button", {
  base: {
    ...base,
    padding: "0 14px",
    border: "1px solid {colors.fg}",
    borderRadius: "l2",
    fontWeight: "600",
    background: "transparent",
    _hover: { background: "bg.muted" },
    _print: { display: "none" },
  },
});

/** The same as a word in a line. */
export const WordKey = chakra("button", {
  base: { ...base, color: "fg.muted", _hover: { color: "fg" }, _print: { display: "none" } },
});

/** A key beside what it changes, in a row or a table; it sends its form only where it says so. Nothing of it is on paper. */
export const RowButton = chakra(
  "button",
  {
    base: {
      minHeight: "44px",
      padding: "2px 9px",
      border: "1px solid {colors.border}",
      borderRadius: "l1",
      background: "bg.panel",
      fontSize: "sm",
      cursor: "pointer",
      _hover: { background: "bg.muted" },
      _print: { display: "none !important" },
    },
  },
  { defaultProps: { type: "button", "data-part": "row-button" } },
);
