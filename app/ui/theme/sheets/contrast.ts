import type { Styles } from "./styles";

/**
 * A reader who has chosen their own few colours gets them: what is text or a line follows by itself, what is drawn or filled asks for
 * roles, so that the roles become the reader's colours here.
 */
export const contrast: Styles = [
  {
    "@media (forced-colors: active)": {
      ":root:root, :root .live:not(#none)": {
        "--chakra-colors-bg": "Canvas",
        "--chakra-colors-bg-panel": "Canvas",
        "--chakra-colors-bg-muted": "Canvas",
        "--chakra-colors-bg-subtle": "Canvas",
        "--chakra-colors-fg": "CanvasText",
        "--chakra-colors-fg-emphasized": "CanvasText",
        "--chakra-colors-fg-muted": "CanvasText",
        "--chakra-colors-fg-subtle": "CanvasText",
        "--chakra-colors-fg-error": "CanvasText",
        "--chakra-colors-border": "CanvasText",
        "--chakra-colors-border-muted": "GrayText",
        "--chakra-colors-border-emphasized": "CanvasText",
        "--chakra-colors-ink-solid": "ButtonFace",
        "--chakra-colors-ink-contrast": "ButtonText",
        "--chakra-colors-accent-solid": "Highlight",
        "--chakra-colors-accent-contrast": "HighlightText",
        "--chakra-colors-accent-fg": "Highlight",
        "--chakra-colors-accent-subtle": "Canvas",
      },
      // A line that is only there to keep the place of the one below what is open.
      ".top nav a:not([aria-current]), .top .who button": { borderColor: "Canvas" },
      // Filled shapes that say something: their fill would go, and with it what they say.
      "svg, .bell-line__span, .bell-line__clapper, .lanes__task, .live .big.primary, .live .station.stuck": {
        forcedColorAdjust: "none",
      },
    },
  },
];
