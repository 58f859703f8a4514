import { chakra } from "@chakra-ui/react";

/** The head of every page: one line, and a rule like the rim of an enamel plate. */
export const TopBar = chakra("header", {
  base: {
    display: "flex",
    alignItems: "center",
    gap: "8px 28px",
    flexWrap: "wrap",
    padding: "3px var(--gutter) 2px",
    borderBottom: "3px double {colors.fg}",
    "& [data-part=mark]": {
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
    "& [data-part=mark] svg": { width: "22px", height: "22px" },
    "& nav": { display: "flex", gap: "4px 20px", flexWrap: "wrap" },
    "& nav a, & [data-part=who] :is(button, a)": {
      minHeight: "44px",
      display: "inline-flex",
      alignItems: "center",
      color: "fg",
      textDecoration: "none",
      borderBottom: "2px solid transparent",
      background: "none",
      padding: "0",
    },
    "& nav a:hover, & [data-part=who] :is(button, a):hover": { borderBottomColor: "border.muted" },
    '& nav a[aria-current="page"]': { borderBottomColor: "fg", fontWeight: 600 },
    "& [data-part=who]": { marginLeft: "auto", display: "flex", gap: "18px", alignItems: "center", color: "fg.muted" },
    "@media (max-width: 560px)": {
      gap: "0 14px",
      flexWrap: "nowrap",
      paddingBottom: "0",
      "& [data-part=mark]": { flex: "none", minWidth: "32px" },
      "& [data-part=mark] span": {
        position: "absolute",
        width: "1px",
        height: "1px",
        overflow: "hidden",
        clipPath: "inset(50%)",
      },
      "& [data-part=who]": { flex: "none" },
      "& [data-part=who] button": {
        maxWidth: "110px",
        overflow: "hidden",
        textOverflow: "ellipsis",
        whiteSpace: "nowrap",
      },
      "& nav": {
        flex: "1 1 0",
        minWidth: "0",
        flexWrap: "nowrap",
        overflowX: "auto",
        scrollbarWidth: "none",
        maskImage: "linear-gradient(90deg, black calc(100% - 28px), transparent)",
        paddingRight: "28px",
      },
      "& nav a": { whiteSpace: "nowrap" },
    },
    _print: { display: "none" },
  },
  variants: { isPlain: { true: { border: "0", padding: "0" } } },
});

/** The page below the head; narrow for a form on a phone. */
export const Page = chakra("main", {
  base: {
    padding: "12px var(--gutter) 64px",
    maxWidth: "1360px",
    margin: "0 auto",
    "@media (max-width: 560px)": { paddingTop: "6px" },
    _print: { padding: "0", maxWidth: "none" },
  },
  variants: { isNarrow: { true: { maxWidth: "720px", margin: "0 auto", padding: "20px 16px 60px" } } },
});

/** A page of its own, such as signing in. */
export const LonePage = chakra("main", {
  base: {
    maxWidth: "560px",
    margin: "9vh auto",
    padding: "0 var(--gutter)",
    display: "grid",
    gap: "14px",
    "& [data-part=mark]": {
      fontFamily: "heading",
      fontWeight: 700,
      fontSize: "22px",
      display: "inline-flex",
      alignItems: "center",
      gap: "10px",
      justifySelf: "start",
    },
    "& [data-part=mark] svg": { width: "34px", height: "34px", flex: "none" },
    "@media (max-height: 700px)": { margin: "3vh auto" },
  },
});

/** A step of an empty home; the one that comes next stands out. */
export const FirstStep = chakra("li", {
  base: {
    display: "grid",
    gridTemplateColumns: "24px minmax(0, 1fr)",
    gap: "10px",
    alignItems: "center",
    minHeight: "44px",
    borderBottom: "1px solid {colors.border.muted}",
    "& svg": { width: "22px", height: "22px" },
    "&[data-next] b": { color: "accent.solid" },
  },
});
