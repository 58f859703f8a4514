import { chakra } from "@chakra-ui/react";

/** The room to scale, on squared paper. */
export const FloorPlan = chakra("div", {
  base: {
    position: "relative",
    width: "100%",
    maxWidth: "700px",
    border: "2px solid {colors.fg}",
    backgroundColor: "bg.panel",
    backgroundImage:
      "linear-gradient({colors.border.muted} 1px, transparent 1px), linear-gradient(90deg, {colors.border.muted} 1px, transparent 1px)",
    margin: "10px 0",
    touchAction: "none",
  },
});

/** A thing in the room, dragged or moved by arrow keys; its kind stands in `data-kind`. */
export const FloorMark = chakra(
  "button",
  {
    base: {
      position: "absolute",
      minHeight: "44px",
      minWidth: "44px",
      padding: "4px 10px",
      border: "1.5px solid {colors.fg}",
      background: "bg",
      color: "fg",
      cursor: "grab",
      fontSize: "15px",
      whiteSpace: "nowrap",
      "&[data-kind=station]": { borderRadius: "3px", background: "bg.panel", fontWeight: 600 },
      "&[data-kind=heat]": { background: "fg", color: "bg.panel" },
      "&[data-kind=exit]": { borderStyle: "dashed" },
      "&[data-kind=water]": { borderStyle: "double", borderWidth: "4px" },
      "&[data-kind=allergy-table]": { borderColor: "accent.solid", color: "accent.solid", fontWeight: 600 },
    },
  },
  { defaultProps: { "data-part": "floor-mark" } },
);

/** All sheets of a class, each on pages of its own. */
export const AllSheets = chakra("div", {
  base: {
    "& [data-part=sheet-tools], & [data-part=row-button], & [data-part=sign-off]": { display: "none" },
    "& > section": { borderTop: "3px double {colors.fg}", paddingTop: "12px", marginTop: "32px" },
    _print: {
      "& > section": { breakBefore: "page", borderTop: "0", marginTop: "0" },
      "& > section:first-of-type": { breakBefore: "auto" },
      "& > section:has([data-part=kit-sheet]) [data-part=sheet-head]": { display: "none" },
    },
  },
});

/** A row of a kitchen, and what can be changed of it behind it. */
export const EditDrawer = chakra("details", {
  base: {
    borderBottom: "1px solid {colors.border.muted}",
    padding: "4px 0 8px",
    "& > summary": {
      display: "flex",
      flexWrap: "wrap",
      gap: "4px 18px",
      alignItems: "center",
      minHeight: "56px",
      cursor: "pointer",
    },
    "& > summary [data-part=surface-drawing]": { width: "76px", height: "52px" },
    "& > summary::after": { content: '"change"', marginLeft: "auto", color: "fg.muted", fontSize: "15px" },
    "&[open] > summary::after": { content: '"close"' },
  },
});

/** Words that help explains. */
export const HelpWords = chakra("dl", {
  base: {
    "& div": { display: "grid", gridTemplateColumns: "104px minmax(0, 1fr)", gap: "12px", padding: "3px 0" },
    "& dt": { fontWeight: 600 },
    "& dd": { margin: 0 },
  },
});

/** Kitchens to begin from, as links that lead there or as one choice of several. */
export const StarterList = chakra("ul", {
  base: {
    display: "grid",
    gridTemplateColumns: "repeat(auto-fill, minmax(210px, 1fr))",
    gap: "20px",
    margin: "14px 0 26px",
    "& :is(a, label)": {
      display: "grid",
      gap: "8px",
      alignContent: "start",
      minHeight: "180px",
      borderTop: "3px solid {colors.fg}",
      padding: "8px 0",
      cursor: "pointer",
    },
    "& label:not(:has(input:checked))": { borderTopColor: "border.muted" },
    "& :is(a, label):hover": { background: "bg.muted" },
    "& input": { width: "22px", height: "22px", accentColor: "fg" },
    "& b": { fontFamily: "heading", fontSize: "20px" },
    "@media (max-width: 600px)": {
      gridTemplateColumns: "1fr",
      gap: "6px",
      margin: "6px 0 12px",
      "& :is(a, label)": { minHeight: "44px", gridTemplateColumns: "1fr auto auto", gap: "4px 12px", padding: "5px 0" },
      "& label": { gridTemplateColumns: "22px 1fr auto auto" },
      "& b": { fontSize: "18px" },
    },
  },
});

/** What cooks in one, drawn. */
export const StarterSurface = chakra("span", {
  base: {
    display: "grid",
    gap: "4px",
    "& [data-part=surface-drawing]": { height: "84px", width: "auto", justifySelf: "start" },
    "@media (max-width: 600px)": {
      justifyItems: "end",
      alignContent: "start",
      fontSize: "14px",
      "& [data-part=surface-drawing]": { height: "44px", justifySelf: "end" },
    },
  },
});
