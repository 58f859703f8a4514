import { chakra } from "@chakra-ui/react";

/** How a thing is seen, in one hand: for a list whose items each have such a drawing. */
export const cueStyles = {
  width: "84px",
  display: "block",
  fill: "none",
  stroke: "fg",
  strokeWidth: 2.5,
  strokeLinecap: "round",
  strokeLinejoin: "round",
  "& [data-thick], & [data-part=grip]": { strokeWidth: 5 },
  "& [data-part=soft]": { stroke: "fg.muted" },
  "& [data-part=now]": { stroke: "accent.solid" },
} as const;

/** Symbols that drawings use many times on a page. */
export const DrawingDefs = chakra("svg", {
  base: {
    position: "absolute",
    width: "0",
    height: "0",
    stroke: "fg",
    fill: "none",
    overflow: "visible",
  },
});

/** Crates as they are loaded, filled to their height. */
export const CratesRow = chakra("ol", {
  base: {
    display: "flex",
    flexWrap: "wrap",
    alignItems: "flex-end",
    gap: "8px 12px",
    padding: "6px 0 12px",
    "& li": { display: "grid", justifyItems: "center", listStyle: "none" },
    "& small": { fontSize: "14px", fontWeight: 600 },
    "& [data-part=body]": { fill: "none", stroke: "fg", strokeWidth: "1.5px" },
    "& [data-part=filling]": { fill: "bg.muted", stroke: "none" },
    "& [data-part=in]": { fill: "none", stroke: "fg", strokeWidth: "4px" },
  },
});

/** How a batter falls from the spoon. */
export const PourSvg = chakra("svg", {
  base: {
    overflow: "visible",
    flex: "none",
    "& [data-part=line]": { fill: "none", stroke: "fg", strokeWidth: "2px", strokeLinecap: "round" },
    "& [data-part=batter]": { fill: "bg.muted", stroke: "fg.muted", strokeWidth: "1.5px" },
    "& [data-part=fold]": { fill: "none", stroke: "fg.muted", strokeWidth: "1.5px" },
  },
});

/** Likenesses of a batter side by side. */
export const LikenessFigure = chakra("figure", {
  base: {
    display: "flex",
    flexWrap: "wrap",
    gap: "6px 18px",
    margin: "10px 0 0",
    "& span": { display: "flex", alignItems: "center", gap: "12px" },
  },
});

/** What goes into which bowl at which step. */
export const RecipeFlowSvg = chakra("svg", {
  base: {
    maxWidth: "100%",
    height: "auto",
    margin: "18px 0 0",
    overflow: "visible",
    "& [data-part=name]": { fill: "fg", fontSize: "15px" },
    "& [data-part=bowl]": { fill: "fg.muted", fontSize: "14px", fontWeight: 600 },
    "& [data-part=thread]": { fill: "none", stroke: "border", strokeWidth: "1.5px" },
    "& [data-part=step]": { fill: "none", stroke: "fg", strokeWidth: "1.5px" },
    "& [data-part=step-number]": { fill: "fg", fontSize: "15px", fontWeight: 600 },
  },
});

/** A surface from above with its pieces; dashed where nobody measured it. */
export const SurfaceSvg = chakra(
  "svg",
  {
    base: {
      width: "100%",
      maxWidth: "230px",
      maxHeight: "190px",
      overflow: "visible",
      "& [data-part=plate]": { fill: "bg.muted", stroke: "fg", strokeWidth: "2px", vectorEffect: "non-scaling-stroke" },
      "& [data-part=piece]": {
        fill: "bg.panel",
        stroke: "fg",
        strokeWidth: "1.5px",
        vectorEffect: "non-scaling-stroke",
      },
      "& text": { fill: "fg.muted" },
      "& [data-part=plate], & [data-part=piece]": { printColorAdjust: "exact" },
      "td > &": { width: "112px", maxHeight: "90px" },
    },
    variants: { isUnmeasured: { true: { "& [data-part=plate]": { strokeDasharray: "5 4" } } } },
  },
  { defaultProps: { "data-part": "surface-drawing" } },
);

/** The room from above; dashed where it was not sketched. */
export const RoomSvg = chakra("svg", {
  base: {
    width: "100%",
    maxWidth: "760px",
    maxHeight: "560px",
    margin: "10px 0",
    overflow: "visible",
    "& [data-part=walls]": { fill: "bg.panel", stroke: "fg", strokeWidth: "4px" },
    "& text": { fill: "fg", fontSize: "25px" },
    "& [data-part=table] rect": { fill: "bg", stroke: "fg", strokeWidth: "3px" },
    "& [data-part=table] [data-part=inner]": { fill: "none", strokeWidth: "2px" },
    "& [data-part=table] text": { fontWeight: 600 },
    "& [data-part=table][data-marked] rect": { stroke: "accent.solid", strokeWidth: "5px" },
    "& [data-part=head]": { fill: "bg.muted", stroke: "fg", strokeWidth: "2px" },
    "& [data-part=mark] rect": { fill: "bg", stroke: "fg.muted", strokeWidth: "2px" },
    "& [data-part=mark] text": { fill: "fg.muted", fontSize: "21px" },
    "& [data-part=mark][data-kind=heat] rect": { fill: "fg", stroke: "fg" },
    "& [data-part=mark][data-kind=heat] text": { fill: "bg.panel" },
    "& [data-part=mark][data-kind=exit] rect": { strokeDasharray: "8 6" },
    "& [data-part=mark][data-kind=allergy-table] rect": { stroke: "accent.solid", strokeWidth: "3px" },
    "& [data-part=way] path": { fill: "none", stroke: "accent.solid", strokeWidth: "5px" },
    "& [data-part=arrow]": { fill: "accent.solid", stroke: "none" },
    "& [data-part=way] text": {
      fill: "accent.solid",
      fontWeight: 700,
      paintOrder: "stroke",
      stroke: "bg.panel",
      strokeWidth: "7px",
    },
  },
  variants: { isUnsketched: { true: { "& [data-part=walls]": { strokeDasharray: "14 10", strokeWidth: "2px" } } } },
});

/** The brief as a drawing: tables and minutes. */
export const BriefDrawingBox = chakra("div", {
  base: { padding: "8px 0 10px", borderBottom: "1px solid {colors.border.muted}" },
});

/** The tables with their people and pieces. */
export const BriefTables = chakra("div", {
  base: { display: "flex", flexWrap: "wrap", gap: "6px 14px", alignItems: "center" },
});

/** One table; apart is drawn in the accent. */
export const BriefTableSvg = chakra("svg", {
  base: {
    width: "66px",
    height: "64px",
    "& rect": { fill: "bg.panel", stroke: "fg", strokeWidth: "1.5px" },
    "& [data-part=head]": { stroke: "fg", strokeWidth: "1.5px", fill: "bg.muted" },
    "& text": { fill: "fg", fontSize: "16px", fontWeight: 600 },
    "& [data-part=pieces]": { fontWeight: 400, fill: "fg.muted" },
  },
  variants: { isApart: { true: { "& rect": { strokeWidth: "4px", stroke: "accent.solid" } } } },
});

/** The minutes used of those given. */
export const BriefMinutes = chakra("div", {
  base: {
    position: "relative",
    height: "16px",
    marginTop: "10px",
    border: "1px solid {colors.fg}",
    "& span": { position: "absolute", top: "0", bottom: "0" },
    "& [data-part=used]": {
      left: "0",
      background: "repeating-linear-gradient(90deg, {colors.fg} 0 5px, {colors.fg.emphasized} 5px 7px)",
    },
    "& [data-part=over]": { background: "accent.solid" },
    "& [data-part=given]": { borderLeft: "3px solid {colors.accent.solid}", top: "-5px", bottom: "-5px" },
  },
});

/** A kit's containers in the order they go into the box, each in its true relative size and filled to its true height. */
export const ContainerRow = chakra("ol", {
  base: {
    display: "flex",
    flexWrap: "wrap",
    alignItems: "flex-end",
    gap: "6px 14px",
    padding: "10px 0 6px",
    "& li": { display: "grid", justifyItems: "center", gap: "4px", maxWidth: "110px", listStyle: "none" },
    "& span": { display: "flex", alignItems: "flex-end", gap: "3px" },
    "& small": { fontSize: "13px", lineHeight: 1.15, textAlign: "center", minHeight: "2.3em" },
    "& svg": { overflow: "visible" },
    "& [data-part=body]": { fill: "none", stroke: "fg", strokeWidth: "1.5px" },
    "& [data-part=filling]": { fill: "fg.subtle", opacity: 0.55, stroke: "none" },
  },
});
