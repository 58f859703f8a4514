import { createSystem, defaultBaseConfig } from "@chakra-ui/react";
import {
  buttonRecipe,
  checkboxSlotRecipe,
  checkmarkRecipe,
  fieldSlotRecipe,
  fieldsetSlotRecipe,
  inputRecipe,
  nativeSelectSlotRecipe,
  textareaRecipe,
  tokens as baseTokens,
  breakpoints,
} from "@chakra-ui/react/theme";

import { colors, roles, rooms } from "./colors";
import { fields } from "./fields";

/** A slim Chakra system: only the recipes in use, our own colours and letters. */
export const system = createSystem({
  ...defaultBaseConfig,
  preflight: true,
  conditions: { ...defaultBaseConfig.conditions, ...rooms },
  cssVarsPrefix: "chakra",
  cssVarsRoot: ":where(html, :host)",
  globalCss: {
    html: {
      scrollPaddingBottom: "76px",
      colorPalette: "ink",
      background: "bg",
      color: "fg",
      "&[data-shade=dark]": { colorScheme: "dark" },
    },
    body: { fontFamily: "body", fontSize: "17px", lineHeight: 1.45, background: "bg", color: "fg" },
    "*::selection": { background: "marked" },
    ...fields,
  },
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
    recipes: { button: buttonRecipe, input: inputRecipe, textarea: textareaRecipe, checkmark: checkmarkRecipe },
    slotRecipes: {
      field: fieldSlotRecipe,
      fieldset: fieldsetSlotRecipe,
      nativeSelect: nativeSelectSlotRecipe,
      checkbox: checkboxSlotRecipe,
    },
  },
});

/** The same system without its global styles, which are a static sheet (`theme.css`, written before each build). */
export const pageSystem = { ...system, _global: [], layers: { ...system.layers, atRule: "" } };
