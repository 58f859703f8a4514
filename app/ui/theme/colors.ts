/**
 * Every colour there is. Paper, ink, and one accent kept for what is now or needs somebody; everything else is said by words, weight
 * and rules. A room across which people read is dark or bright; paper is white and ink black. What is drawn asks for a role, never for
 * a colour.
 */
export const colors = {
  white: { value: "#ffffff" },
  black: { value: "#000000" },
  transparent: { value: "transparent" },
  current: { value: "currentcolor" },
  paper: { value: "#f6f2ea" },
  raised: { value: "#fffdf8" },
  rule: { value: "#cbc2b0" },
  faint: { value: "#e9e2d4" },
  edge: { value: "#8a8577" },
  inkDark: { value: "#1c2526" },
  inkSoft: { value: "#3d4748" },
  quiet: { value: "#55605f" },
  accentDark: { value: "#a92a0a" },
  accentWash: { value: "#f7e6df" },
  marked: { value: "#e9d9b8" },
} as const;

/** A role's colour at a desk, across a dark room, across a bright one. */
const role = (base: string, dark: string, bright: string) => ({
  value: { base, _darkRoom: dark, _brightRoom: bright },
});

/** What a colour is for. */
export const roles = {
  bg: {
    DEFAULT: role("{colors.paper}", "#101616", "{colors.raised}"),
    panel: role("{colors.raised}", "#1b2424", "{colors.white}"),
    muted: role("{colors.faint}", "#2a3534", "{colors.faint}"),
    subtle: { value: "{colors.faint}" },
  },
  fg: {
    DEFAULT: role("{colors.inkDark}", "{colors.paper}", "#14191a"),
    emphasized: role("{colors.inkSoft}", "{colors.rule}", "{colors.inkSoft}"),
    muted: role("{colors.quiet}", "#b9c1bf", "#4a5352"),
    subtle: { value: "{colors.quiet}" },
    error: { value: "{colors.accentDark}" },
  },
  border: {
    DEFAULT: { value: "{colors.edge}" },
    muted: role("{colors.rule}", "#46504f", "#b9b09e"),
    error: { value: "{colors.accentDark}" },
    emphasized: { value: "{colors.quiet}" },
    inverted: { value: "{colors.inkDark}" },
  },
  ink: {
    solid: { value: "{colors.inkDark}" },
    contrast: { value: "{colors.raised}" },
    fg: { value: "{colors.inkDark}" },
    muted: { value: "{colors.faint}" },
    subtle: { value: "{colors.faint}" },
    emphasized: { value: "{colors.rule}" },
    focusRing: { value: "{colors.accentDark}" },
    border: { value: "{colors.edge}" },
  },
  accent: {
    solid: role("{colors.accentDark}", "#ff9a6b", "{colors.accentDark}"),
    contrast: role("{colors.white}", "#101616", "{colors.white}"),
    fg: { value: "{colors.accentDark}" },
    muted: { value: "#f2d9cf" },
    subtle: { value: "{colors.accentWash}" },
    emphasized: { value: "#e9bfb0" },
    focusRing: { value: "{colors.accentDark}" },
    border: { value: "{colors.accentDark}" },
  },
} as const;

/** Where a role changes its colour: by the room a screen stands in. */
export const rooms = { darkRoom: ".live:not(.bright) &", brightRoom: ".live.bright &" } as const;
