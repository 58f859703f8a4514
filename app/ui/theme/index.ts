import { createSystem, defaultBaseConfig } from "@chakra-ui/react";
import { buttonRecipe, tokens as baseTokens } from "@chakra-ui/react/theme";

import { colors, roles, rooms } from "./colors";
import { globalCss } from "./global";
import { layerStyles, textStyles } from "./styles";
import { heading, input, link, skipLink, textarea } from "./recipes/single";
import {
  alert,
  combobox,
  datePicker,
  dialog,
  field,
  fieldset,
  list,
  menu,
  nativeSelect,
  toast,
} from "./recipes/chakra";
import { table } from "./recipes/table";

/** Widths at which a page changes: a phone ends at `sm`, a tablet upright at `md`, a desk begins at `lg`. */
const breakpoints = { sm: "560px", md: "700px", lg: "900px", xl: "1100px", "2xl": "1536px" };

/** The only design system: paper, ink and one accent, as tokens, roles and recipes of Chakra. A page takes everything from here. */
export const system = createSystem({
  ...defaultBaseConfig,
  preflight: true,
  conditions: { ...defaultBaseConfig.conditions, ...rooms },
  cssVarsPrefix: "chakra",
  cssVarsRoot: ":where(html, :host)",
  globalCss,
  theme: {
    breakpoints,
    tokens: {
      ...baseTokens,
      colors,
      fonts: {
        body: { value: "'Source Sans 3 Variable', 'Source Sans 3', sans-serif" },
        heading: { value: "'Zilla Slab', serif" },
        mono: { value: "ui-monospace, monospace" },
      },
      // As small as what stands under a drawing, as large as a title; read at arm's length.
      fontSizes: {
        "2xs": { value: "13px" },
        xs: { value: "14px" },
        sm: { value: "15px" },
        md: { value: "17px" },
        lg: { value: "19px" },
        xl: { value: "22px" },
        "2xl": { value: "26px" },
        "3xl": { value: "30px" },
        "4xl": { value: "40px" },
      },
      radii: {
        none: { value: "0" },
        l1: { value: "2px" },
        l2: { value: "3px" },
        l3: { value: "4px" },
        sm: { value: "2px" },
        md: { value: "3px" },
        full: { value: "9999px" },
      },
    },
    semanticTokens: {
      colors: roles,
      radii: { l1: { value: "2px" }, l2: { value: "3px" }, l3: { value: "4px" } },
    },
    textStyles,
    layerStyles,
    recipes: { button: buttonRecipe, heading, input, link, skipNavLink: skipLink, textarea },
    slotRecipes: { alert, combobox, datePicker, dialog, field, fieldset, list, menu, nativeSelect, table, toast },
  },
});
