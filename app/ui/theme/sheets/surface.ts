import { reach } from "../recipes/reach";
import type { Styles } from "./styles";

/** The surface: paper, ink, rules. Screens are sheets; the same marks are printed. */
export const surface: Styles = [
  {
    ":root": { "--gutter": "clamp(16px, 3vw, 40px)" },
    body: { fontVariantNumeric: "tabular-nums" },
    "h1, h2, h3": { fontFamily: "heading", fontWeight: 600, lineHeight: 1.15, textWrap: "balance" },
    h1: { fontSize: "30px" },
    h2: { fontSize: "22px" },
    h3: { fontSize: "18px" },
    ":focus-visible": { outline: "3px solid {colors.accent.solid}", outlineOffset: "2px" },
    // The heading that a page begins with is no control: it is only where reading goes on.
    ':is(h1, h2)[tabindex="-1"]:focus': { outline: "none" },
    "a.text": {
      color: "inherit",
      textDecoration: "underline",
      textDecorationThickness: "1px",
      textUnderlineOffset: "3px",
    },
    "a.text:hover": { color: "accent.solid" },
    "a.text, .line-more summary, .letter summary": reach,
    "summary.quiet": { minHeight: "44px", alignContent: "center", cursor: "pointer" },
    "main select, main input:not([type='checkbox'], [type='radio'], [type='range'], [type='hidden']), .row-button": {
      minHeight: "44px",
    },
    // On the narrowest phones a table is pushed sideways by itself; the page never is.
    "@media screen and (max-width: 359px)": {
      "main table:not(.scroll-x table)": { display: "block", overflowX: "auto" },
      "main svg": { maxWidth: "100%" },
    },
    ".quiet": { color: "fg.muted" },
    ".small": { fontSize: "15px" },
    ".needs-you": { color: "accent.solid", fontWeight: 600 },
    ".vh": {
      position: "absolute",
      width: "1px",
      height: "1px",
      overflow: "hidden",
      clipPath: "inset(50%)",
      whiteSpace: "nowrap",
    },
    ".skip": { position: "absolute", left: "-999px" },
    ".skip:focus": { left: "8px", top: "8px", background: "fg", color: "bg.panel", padding: "10px 14px", zIndex: 20 },
  },
];
