import type { Styles } from "./styles";

/** Drawings, in one hand: ink line, paper fill, hatching for heat; the accent only for what needs somebody. */
export const drawings: Styles = [
  {
    ".drawn-defs": { position: "absolute", width: "0", height: "0" },
    ".drawn, .drawn-defs": { stroke: "fg", fill: "none", overflow: "visible" },
    ".drawn": { display: "inline-block", verticalAlign: "bottom", marginRight: "0.3em", flex: "none" },
    ".filled": { fill: "bg.panel", strokeWidth: "1.5px" },
    ".handle": { strokeWidth: "2.5px", strokeLinecap: "round" },
    ".grains": { stroke: "fg.subtle", strokeWidth: "1px", strokeDasharray: "1 3" },
    ".drawn.part": { strokeDasharray: "3 2.5" },
    ".drawn text": { fill: "fg", stroke: "none", fontWeight: 700 },
    ".drawn-times": { marginRight: "0.3em" },
    ".take": { display: "flex", flexWrap: "wrap", alignItems: "flex-end", gap: "4px 2px" },
    ".surface-drawing": { width: "100%", maxWidth: "230px", maxHeight: "190px", overflow: "visible" },
    "td > .surface-drawing": { width: "112px", maxHeight: "90px" },
    ".surface-drawing .plate": {
      fill: "bg.muted",
      stroke: "fg",
      strokeWidth: "2px",
      vectorEffect: "non-scaling-stroke",
    },
    ".surface-drawing.unmeasured .plate": { strokeDasharray: "5 4" },
    ".surface-drawing .piece": {
      fill: "bg.panel",
      stroke: "fg",
      strokeWidth: "1.5px",
      vectorEffect: "non-scaling-stroke",
    },
    ".surface-drawing text": { fill: "fg.muted" },
  },
];
