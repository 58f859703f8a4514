import { defineSlotRecipe } from "@chakra-ui/react";

/** Findings: the margin notes of the sheet. */
export const finding = defineSlotRecipe({
  className: "finding",
  slots: ["root", "item", "level"],
  base: {
    root: {
      display: "grid",
      gap: "0",
      margin: "0 0 20px",
      padding: "0",
      borderTop: "1px solid {colors.border.muted}",
      contain: "layout style",
    },
    item: {
      listStyle: "none",
      display: "grid",
      gridTemplateColumns: "92px minmax(0, 1fr)",
      gap: "12px",
      padding: "8px 0",
      borderBottom: "1px solid {colors.border.muted}",
      "@media (max-width: 560px)": { gridTemplateColumns: "1fr", gap: "0" },
      _print: { breakInside: "avoid" },
    },
    level: { fontWeight: 600, fontSize: "15px" },
  },
  variants: {
    grade: {
      blocks: { level: { color: "accent.solid" } },
      warns: { level: { color: "accent.solid" } },
      notes: { item: { color: "fg.muted" } },
    },
  },
});
