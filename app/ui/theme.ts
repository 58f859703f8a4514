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

/**
 * A slim Chakra system: only the recipes in use, our own colours and letters. Paper, ink, and one accent kept for what is now or
 * needs somebody; everything else is said by words, weight and rules.
 */
const paper = "#f6f2ea";
const ink = "#1c2526";

/** How whatever is filled in looks, whether it is a line, an area or a list. */
const filled = ".chakra-input, .chakra-textarea, .chakra-native-select__field";
const wrong = ":is([data-invalid], [aria-invalid=true])";

/**
 * Fields, styled once for the whole sheet rather than for each element as it is drawn: a form of thirty fields is half of what its
 * page costs otherwise. What is operated is Chakra's, without styles of its own (`unstyled`), found by the
 * names it gives its parts.
 */
const fields = {
  "[data-scope=field][data-part=root]": {
    display: "flex",
    flexDirection: "column",
    alignItems: "flex-start",
    gap: "1",
    width: "full",
    position: "relative",
  },
  "[data-scope=field][data-part=label]": { fontWeight: "600", fontSize: "15px", textAlign: "start" },
  "[data-scope=field][data-part=helper-text]": { fontSize: "14px", color: "fg.muted" },
  "[data-scope=field][data-part=error-text]": { fontSize: "15px", fontWeight: "500", color: "fg.error" },
  [filled]: {
    width: "full",
    minWidth: "0",
    minHeight: "44px",
    paddingInline: "3",
    fontSize: "17px",
    textAlign: "start",
    appearance: "none",
    background: "bg.panel",
    borderWidth: "1px",
    borderColor: "border",
    borderRadius: "l2",
    outline: "0",
  },
  ".chakra-textarea": { paddingBlock: "2" },
  ".chakra-native-select__root": { display: "flex", width: "full", position: "relative" },
  ".chakra-native-select__field": { paddingInlineEnd: "8" },
  // The arrow of a list, turned from the corner of a square.
  ".chakra-native-select__root::after": {
    content: '""',
    position: "absolute",
    insetInlineEnd: "14px",
    top: "calc(50% - 6px)",
    width: "8px",
    height: "8px",
    borderInlineEnd: "2px solid",
    borderBlockEnd: "2px solid",
    borderColor: "fg.muted",
    transform: "rotate(45deg)",
    pointerEvents: "none",
  },
  [`:is(${filled}):is(:disabled, [data-disabled])`]: { opacity: 0.5, cursor: "not-allowed" },
  [`:is(${filled})${wrong}`]: { borderColor: "border.error" },
  [`:is(${filled}):focus-visible`]: {
    outline: "1px solid",
    outlineColor: "ink.focusRing",
    borderColor: "ink.focusRing",
  },
} as const;

export const system = createSystem({
  ...defaultBaseConfig,
  preflight: true,
  cssVarsPrefix: "chakra",
  cssVarsRoot: ":where(html, :host)",
  globalCss: {
    html: { colorPalette: "ink", background: "paper", color: "ink.solid" },
    body: { fontFamily: "body", fontSize: "17px", lineHeight: 1.45, background: "paper", color: "ink.solid" },
    "*::selection": { background: "#e9d9b8" },
    ...fields,
  },
  theme: {
    breakpoints,
    tokens: {
      ...baseTokens,
      colors: {
        white: { value: "#ffffff" },
        black: { value: "#000000" },
        transparent: { value: "transparent" },
        current: { value: "currentcolor" },
        paper: { value: paper },
        raised: { value: "#fffdf8" },
        rule: { value: "#cbc2b0" },
        faint: { value: "#e9e2d4" },
        inkDark: { value: ink },
        quiet: { value: "#55605f" },
        accentDark: { value: "#a92a0a" },
        accentDeep: { value: "#8a2006" },
      },
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
      colors: {
        bg: { value: "{colors.paper}" },
        "bg.panel": { value: "{colors.raised}" },
        "bg.muted": { value: "{colors.faint}" },
        "bg.subtle": { value: "{colors.faint}" },
        fg: { value: "{colors.inkDark}" },
        "fg.muted": { value: "{colors.quiet}" },
        "fg.subtle": { value: "{colors.quiet}" },
        "fg.error": { value: "{colors.accentDark}" },
        border: { value: "#8a8577" },
        "border.error": { value: "{colors.accentDark}" },
        "border.emphasized": { value: "{colors.quiet}" },
        ink: {
          solid: { value: "{colors.inkDark}" },
          contrast: { value: "{colors.raised}" },
          fg: { value: "{colors.inkDark}" },
          muted: { value: "{colors.faint}" },
          subtle: { value: "{colors.faint}" },
          emphasized: { value: "{colors.rule}" },
          focusRing: { value: "{colors.accentDark}" },
          border: { value: "#8a8577" },
        },
        accent: {
          solid: { value: "{colors.accentDark}" },
          contrast: { value: "#ffffff" },
          fg: { value: "{colors.accentDark}" },
          muted: { value: "#f2d9cf" },
          subtle: { value: "#f7e6df" },
          emphasized: { value: "#e9bfb0" },
          focusRing: { value: "{colors.accentDark}" },
          border: { value: "{colors.accentDark}" },
        },
        "border.inverted": { value: "{colors.inkDark}" },
      },
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
