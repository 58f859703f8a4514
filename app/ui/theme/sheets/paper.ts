import type { Styles } from "./styles";

const [white, black, faint, rule] = ["{colors.white}", "{colors.black}", "{colors.faint}", "{colors.rule}"];

/** Printed, paper is white and ink black, whatever room or shade the screen had; what breaks and where is `print.css`. */
export const paper: Styles = [
  {
    "@media print": {
      "html, html[data-shade]": {
        colorScheme: "light",
        "--chakra-colors-bg": white,
        "--chakra-colors-bg-panel": white,
        "--chakra-colors-bg-muted": faint,
        "--chakra-colors-bg-subtle": faint,
        "--chakra-colors-fg": black,
        "--chakra-colors-fg-emphasized": "{colors.inkSoft}",
        "--chakra-colors-fg-muted": "{colors.inkFaded}",
        "--chakra-colors-fg-subtle": "{colors.quiet}",
        "--chakra-colors-fg-error": black,
        "--chakra-colors-border-muted": rule,
        "--chakra-colors-border-error": black,
        "--chakra-colors-border-emphasized": "{colors.quiet}",
        "--chakra-colors-border-inverted": "{colors.inkDark}",
        "--chakra-colors-ink-solid": "{colors.inkDark}",
        "--chakra-colors-ink-contrast": white,
        "--chakra-colors-accent-solid": black,
        "--chakra-colors-accent-fg": black,
        "--chakra-colors-accent-contrast": white,
        "--chakra-colors-accent-muted": faint,
        "--chakra-colors-accent-subtle": white,
        "--chakra-colors-accent-border": black,
      },
      "html, body": { background: "white !important", color: "black !important", fontSize: "11pt" },
      a: { textDecoration: "none", color: "black" },
    },
  },
];
