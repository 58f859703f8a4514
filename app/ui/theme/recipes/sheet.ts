import { defineSlotRecipe } from "@chakra-ui/react";

const onDesk = "@media (min-width: 900px)";

/** A sheet: its head with what can be done, and its columns. */
export const sheet = defineSlotRecipe({
  className: "sheet",
  slots: ["head", "tools", "columns"],
  base: {
    head: { display: "flex", gap: "8px 24px", alignItems: "baseline", flexWrap: "wrap", marginBottom: "12px" },
    tools: {
      marginLeft: "auto",
      display: "flex",
      gap: "12px",
      alignItems: "center",
      flexWrap: "wrap",
      _print: { display: "none" },
    },
    columns: { display: "grid", alignItems: "start", gap: "32px 48px", gridTemplateColumns: "minmax(0, 1fr)" },
  },
  variants: {
    split: {
      even: { columns: { [onDesk]: { gridTemplateColumns: "minmax(0, 1fr) minmax(0, 1fr)" } } },
      "wide-narrow": { columns: { [onDesk]: { gridTemplateColumns: "minmax(0, 1.7fr) minmax(0, 1fr)" } } },
    },
  },
});
