import { defineRecipe } from "@chakra-ui/react";
import { reach } from "./reach";

/** Headings stand in the letter with character. The size follows the place in the page, not the level alone. */
export const heading = defineRecipe({
  className: "chakra-heading",
  base: { fontFamily: "heading", fontWeight: "600", lineHeight: 1.15, textWrap: "balance" },
  variants: {
    size: {
      md: { fontFamily: "inherit", fontWeight: "inherit", lineHeight: "inherit", textWrap: "inherit" },
      lg: { fontSize: "18px" },
      xl: { fontSize: "22px" },
      "2xl": { fontSize: "30px", "@media (max-width: 560px)": { fontSize: "26px" } },
    },
  },
  defaultVariants: { size: "xl" },
});

/** Links in running text. */
export const link = defineRecipe({
  className: "chakra-link",
  base: { color: "inherit" },
  variants: {
    variant: {
      text: {
        textDecoration: "underline",
        textDecorationThickness: "1px",
        textUnderlineOffset: "3px",
        _hover: { color: "accent.solid" },
        ...reach,
      },
      plain: {},
    },
  },
  defaultVariants: { variant: "text" },
});

/** The first thing a keyboard reaches: on to the page itself. */
export const skipLink = defineRecipe({
  className: "chakra-skip-nav",
  base: {
    position: "absolute",
    left: "-999px",
    _focus: { left: "8px", top: "8px", background: "fg", color: "bg.panel", padding: "10px 14px", zIndex: 20 },
    _print: { display: "none" },
  },
});

/** How whatever is filled in looks, whether it is a line, an area or a list. */
export const filled = {
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
  _disabled: { opacity: 0.5, cursor: "not-allowed" },
  "&:is([data-invalid], [aria-invalid=true])": { borderColor: "border.error" },
  _focusVisible: { outline: "1px solid", outlineColor: "ink.focusRing", borderColor: "ink.focusRing" },
} as const;

export const input = defineRecipe({ className: "chakra-input", base: filled });
export const textarea = defineRecipe({ className: "chakra-textarea", base: { ...filled, paddingBlock: "2" } });
