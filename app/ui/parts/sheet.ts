import { chakra } from "@chakra-ui/react";

const onDesk = "@media (min-width: 900px)";

/** The head of a sheet: its title, a sentence, and what can be done with it. */
export const SheetHead = chakra(
  "div",
  {
    base: {
      display: "flex",
      gap: "8px 24px",
      alignItems: "baseline",
      flexWrap: "wrap",
      marginBottom: "12px",
    },
  },
  { defaultProps: { "data-part": "sheet-head" } },
);

/** What can be done with a sheet, at the end of its head. */
export const SheetTools = chakra(
  "div",
  {
    base: {
      marginLeft: "auto",
      display: "flex",
      gap: "12px",
      alignItems: "center",
      flexWrap: "wrap",
      _print: { display: "none" },
    },
  },
  { defaultProps: { "data-part": "sheet-tools" } },
);

/** The columns of a sheet, below one another where there is no room. */
export const Columns = chakra("div", {
  base: { display: "grid", alignItems: "start", gap: "32px 48px", gridTemplateColumns: "minmax(0, 1fr)" },
  variants: {
    split: {
      even: { [onDesk]: { gridTemplateColumns: "minmax(0, 1fr) minmax(0, 1fr)" } },
      "wide-narrow": {
        [onDesk]: { gridTemplateColumns: "minmax(0, 1.7fr) minmax(0, 1fr)" },
      },
    },
  },
});
