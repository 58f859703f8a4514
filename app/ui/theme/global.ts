import type { SystemConfig } from "@chakra-ui/react";

/** Styles by selector; an at-rule holds them again, which Chakra takes and its type does not say. */
type GlobalStyles = Readonly<Record<string, object>>;

const [white, black, faint, rule] = ["{colors.white}", "{colors.black}", "{colors.faint}", "{colors.rule}"];

/** Roles of colour as they are wherever they are asked for, whatever room or shade the screen has. */
const roles = (values: Readonly<Record<string, string>>) =>
  Object.fromEntries(Object.entries(values).map(([role, value]) => [`--chakra-colors-${role}`, `${value} !important`]));

const styles: GlobalStyles = {
  html: {
    scrollPaddingBottom: "76px",
    colorPalette: "ink",
    background: "bg",
    color: "fg",
    "--gutter": "clamp(16px, 3vw, 40px)",
    "&[data-shade=dark]": { colorScheme: "dark" },
  },
  body: {
    fontFamily: "body",
    fontSize: "17px",
    lineHeight: 1.45,
    background: "bg",
    color: "fg",
    fontVariantNumeric: "tabular-nums",
  },
  "*::selection": { background: "marked" },
  // Runs of text within cells and items, which are too many to be an element of Chakra's each.
  "[data-quiet]": { color: "fg.muted" },
  "[data-small]": { fontSize: "sm" },
  "[data-alert]": { color: "accent.solid", fontWeight: "600" },
  ":focus-visible": { outline: "3px solid {colors.accent.solid}", outlineOffset: "2px" },
  // The heading that a page begins with is no control: it is only where reading goes on.
  ':is(h1, h2)[tabindex="-1"]:focus': { outline: "none" },
  "main select, main input:not([type='checkbox'], [type='radio'], [type='range'], [type='hidden'])": {
    minHeight: "44px",
  },
  // On the narrowest phones a table is pushed sideways by itself; the page never is.
  "@media screen and (max-width: 359px)": {
    "main table:not([data-part=scroll] table)": { display: "block", overflowX: "auto" },
    "main svg": { maxWidth: "100%" },
  },
  "@media (prefers-reduced-motion: reduce)": {
    "*": { animation: "none !important", transition: "none !important" },
  },
  // A reader who has chosen their own few colours gets them: what is drawn or filled asks for roles, which become theirs here.
  "@media (forced-colors: active)": {
    ":root, :root [data-room]": roles({
      bg: "Canvas",
      "bg-panel": "Canvas",
      "bg-muted": "Canvas",
      "bg-subtle": "Canvas",
      fg: "CanvasText",
      "fg-emphasized": "CanvasText",
      "fg-muted": "CanvasText",
      "fg-subtle": "CanvasText",
      "fg-error": "CanvasText",
      border: "CanvasText",
      "border-muted": "GrayText",
      "border-emphasized": "CanvasText",
      "ink-solid": "ButtonFace",
      "ink-contrast": "ButtonText",
      "accent-solid": "Highlight",
      "accent-contrast": "HighlightText",
      "accent-fg": "Highlight",
      "accent-subtle": "Canvas",
    }),
    svg: { forcedColorAdjust: "none" },
  },
  // Printed, paper is white and ink black, whatever room or shade the screen had; what breaks and where is `print.css`.
  "@media print": {
    html: { colorScheme: "light" },
    ":root, :root [data-room]": roles({
      bg: white,
      "bg-panel": white,
      "bg-muted": faint,
      "bg-subtle": faint,
      fg: black,
      "fg-emphasized": "{colors.inkSoft}",
      "fg-muted": "{colors.inkFaded}",
      "fg-subtle": "{colors.quiet}",
      "fg-error": black,
      "border-muted": rule,
      "border-error": black,
      "border-emphasized": "{colors.quiet}",
      "border-inverted": "{colors.inkDark}",
      "ink-solid": "{colors.inkDark}",
      "ink-contrast": white,
      "accent-solid": black,
      "accent-fg": black,
      "accent-contrast": white,
      "accent-muted": faint,
      "accent-subtle": white,
      "accent-border": black,
    }),
    "html, body": { background: "white !important", color: "black !important", fontSize: "11pt" },
    a: { textDecoration: "none", color: "black" },
  },
};

/** What holds for the whole page: paper and ink, the two letters, focus, and the change of surface to paper or a reader's own colours. */
export const globalCss = styles as NonNullable<SystemConfig["globalCss"]>;
