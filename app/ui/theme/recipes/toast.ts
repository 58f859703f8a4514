import { defineSlotRecipe } from "@chakra-ui/react";

/** What was just done, with the way back: a slip of paper at the foot of the screen. */
export const toast = defineSlotRecipe({
  className: "toast",
  slots: ["root", "close"],
  base: {
    root: {
      display: "flex",
      flexWrap: "wrap",
      alignItems: "center",
      gap: "8px 16px",
      width: "min(460px, calc(100vw - 32px))",
      padding: "12px 12px 12px 18px",
      background: "bg.panel",
      color: "fg",
      border: "2px solid {colors.fg}",
      zIndex: 60,
      _print: { display: "none" },
      "& [data-part=title]": { flex: "1 1 180px" },
    },
    close: {
      width: "44px",
      height: "44px",
      display: "grid",
      placeItems: "center",
      cursor: "pointer",
      "& svg": { width: "18px", height: "18px" },
      _hover: { background: "bg.muted" },
    },
  },
});
