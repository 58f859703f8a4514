import { defineSlotRecipe } from "@chakra-ui/react";

/** A kit's containers in the order they go into the box, each in its true relative size and filled to its true height. */
export const container = defineSlotRecipe({
  className: "container",
  slots: ["row", "drawing", "body", "filling"],
  base: {
    row: {
      display: "flex",
      flexWrap: "wrap",
      alignItems: "flex-end",
      gap: "6px 14px",
      padding: "10px 0 6px",
      "& li": { display: "grid", justifyItems: "center", gap: "4px", maxWidth: "110px", listStyle: "none" },
      "& span": { display: "flex", alignItems: "flex-end", gap: "3px" },
      "& small": { fontSize: "13px", lineHeight: 1.15, textAlign: "center", minHeight: "2.3em" },
    },
    drawing: { overflow: "visible" },
    body: { fill: "none", stroke: "fg", strokeWidth: "1.5px" },
    filling: { fill: "fg.subtle", opacity: 0.55, stroke: "none" },
  },
});
