import { defineSlotRecipe } from "@chakra-ui/react";
import { whySummary } from "./reach";

/** Figures with their reason one step away. */
export const figure = defineSlotRecipe({
  className: "figure",
  slots: ["root", "row", "was", "why"],
  base: {
    root: {
      margin: "0",
      display: "grid",
      contain: "layout style",
      "& dt": { display: "flex", gap: "10px", alignItems: "baseline", flexWrap: "wrap" },
      "& dd": { margin: "0", textAlign: "right", fontWeight: 600 },
      "& details[open]": { flexBasis: "100%" },
      "& summary": { ...whySummary, display: "inline-block" },
    },
    row: {
      display: "grid",
      gridTemplateColumns: "minmax(0, 1fr) auto",
      gap: "2px 12px",
      padding: "6px 0",
      borderBottom: "1px solid {colors.border.muted}",
      alignItems: "baseline",
    },
    was: { fontWeight: 400, color: "fg.muted", textDecoration: "line-through", marginRight: "8px" },
    why: { fontSize: "15px", color: "fg.muted", padding: "2px 0 6px", maxWidth: "60ch" },
  },
  variants: { isChanged: { true: { row: { "& dd": { color: "accent.solid" } } } } },
});
