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
  inkFaded: { value: "#333333" },
  quiet: { value: "#55605f" },
  accentDark: { value: "#a92a0a" },
  accentWash: { value: "#f7e6df" },
  marked: { value: "#e9d9b8" },
} as const;

/** A role's colour on paper or a bright desk, in the dark (a room, or a desk whose owner likes it so), across a bright room. */
const role = (base: string, dark: string, bright = base) => ({
  value: { base, _dark: dark, _brightRoom: bright },
});

/** The accent where it is read on dark ground. */
const ember = "#ff9a6b";

/** What a colour is for. */
export const roles = {
  bg: {
    DEFAULT: role("{colors.paper}", "#101616", "{colors.raised}"),
    panel: role("{colors.raised}", "#1b2424", "{colors.white}"),
    muted: role("{colors.faint}", "#2a3534"),
    subtle: role("{colors.faint}", "#2a3534"),
  },
  fg: {
    DEFAULT: role("{colors.inkDark}", "{colors.paper}", "#14191a"),
    emphasized: role("{colors.inkSoft}", "{colors.rule}"),
    muted: role("{colors.quiet}", "#b9c1bf", "#4a5352"),
    subtle: role("{colors.quiet}", "#b9c1bf"),
    error: role("{colors.accentDark}", ember),
  },
  border: {
    DEFAULT: role("{colors.edge}", "{colors.edge}"),
    muted: role("{colors.rule}", "#46504f", "#b9b09e"),
    error: role("{colors.accentDark}", ember),
    emphasized: role("{colors.quiet}", "#b9c1bf"),
    inverted: role("{colors.inkDark}", "{colors.paper}"),
  },
  ink: {
    solid: role("{colors.inkDark}", "{colors.paper}"),
    contrast: role("{colors.raised}", "#101616"),
    fg: role("{colors.inkDark}", "{colors.paper}"),
    muted: role("{colors.faint}", "#2a3534"),
    subtle: role("{colors.faint}", "#2a3534"),
    emphasized: role("{colors.rule}", "#46504f"),
    focusRing: role("{colors.accentDark}", ember),
    border: role("{colors.edge}", "{colors.edge}"),
  },
  accent: {
    solid: role("{colors.accentDark}", ember),
    contrast: role("{colors.white}", "#101616"),
    fg: role("{colors.accentDark}", ember),
    muted: role("#f2d9cf", "#5a2f20"),
    subtle: role("{colors.accentWash}", "#3a221a"),
    emphasized: role("#e9bfb0", "#7a3d28"),
    focusRing: role("{colors.accentDark}", ember),
    border: role("{colors.accentDark}", ember),
  },
} as const;

/** Where a role changes its colour: by the room a screen stands in, or by what the reader chose for their account. */
export const rooms = {
  dark: "[data-room=dark] &, [data-shade=dark] &",
  brightRoom: "[data-room=bright] &",
} as const;
