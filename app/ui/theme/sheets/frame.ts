import type { Styles } from "./styles";

/** Top of every page: one line, and a rule like the rim of an enamel plate. */
export const frame: Styles = [
  {
    ".top": {
      display: "flex",
      alignItems: "center",
      gap: "8px 28px",
      flexWrap: "wrap",
      padding: "3px var(--gutter) 2px",
      borderBottom: "3px double {colors.fg}",
    },
    ".top .mark": {
      fontFamily: "heading",
      fontWeight: 700,
      fontSize: "21px",
      letterSpacing: "0.01em",
      display: "inline-flex",
      alignItems: "center",
      gap: "8px",
      textDecoration: "none",
      color: "fg",
      minHeight: "44px",
    },
    ".top .mark svg": { width: "22px", height: "22px" },
    ".top nav": { display: "flex", gap: "4px 20px", flexWrap: "wrap" },
    ".top nav a, .top .who button, .top .who a": {
      minHeight: "44px",
      display: "inline-flex",
      alignItems: "center",
      color: "fg",
      textDecoration: "none",
      borderBottom: "2px solid transparent",
      background: "none",
      padding: "0",
    },
    ".top nav a:hover, .top .who button:hover, .top .who a:hover": { borderBottomColor: "border.muted" },
    '.top nav a[aria-current="page"]': { borderBottomColor: "fg", fontWeight: 600 },
    ".top .who": { marginLeft: "auto", display: "flex", gap: "18px", alignItems: "center", color: "fg.muted" },
    ".page": { padding: "12px var(--gutter) 64px", maxWidth: "1360px", margin: "0 auto" },
    "@media (max-width: 560px)": {
      ".page": { paddingTop: "6px" },
      // In a hand the sheet itself comes first: what leads elsewhere goes by in one strip above it.
      ".top": { gap: "0 14px", flexWrap: "nowrap", paddingBottom: "0" },
      // The bell is the way home; its name is there for ears.
      ".top .mark": { flex: "none", minWidth: "32px" },
      ".top .mark span": {
        position: "absolute",
        width: "1px",
        height: "1px",
        overflow: "hidden",
        clipPath: "inset(50%)",
      },
      ".top .who": { flex: "none" },
      ".top .who button": { maxWidth: "110px", overflow: "hidden", textOverflow: "ellipsis", whiteSpace: "nowrap" },
      ".top nav": {
        flex: "1 1 0",
        minWidth: "0",
        flexWrap: "nowrap",
        overflowX: "auto",
        scrollbarWidth: "none",
        // What goes on beyond the edge fades out towards it.
        maskImage: "linear-gradient(90deg, black calc(100% - 28px), transparent)",
        paddingRight: "28px",
      },
      ".top nav a": { whiteSpace: "nowrap" },
    },
    ".lone": { maxWidth: "560px", margin: "9vh auto", padding: "0 var(--gutter)", display: "grid", gap: "14px" },
    ".lone .mark": {
      fontFamily: "heading",
      fontWeight: 700,
      fontSize: "22px",
      display: "inline-flex",
      alignItems: "center",
      gap: "10px",
      justifySelf: "start",
    },
    // A drawing without a size of its own would fill the sheet.
    ".lone .mark svg": { width: "34px", height: "34px", flex: "none" },
    "@media (max-height: 700px)": { ".lone": { margin: "3vh auto" } },
  },
];
