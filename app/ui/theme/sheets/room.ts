import type { Styles } from "./styles";

/** The room from above. */
export const room: Styles = [
  {
    ".floor": {
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
    ".floor-mark": {
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
    },
    ".floor-mark.station": { borderRadius: "3px", background: "bg.panel", fontWeight: 600 },
    ".floor-mark.heat": { background: "fg", color: "bg.panel" },
    ".floor-mark.exit": { borderStyle: "dashed" },
    ".floor-mark.water": { borderStyle: "double", borderWidth: "4px" },
    ".floor-mark.allergy-table": { borderColor: "accent.solid", color: "accent.solid", fontWeight: 600 },
    ".all-sheets .tools, .all-sheets .row-button, .all-sheets .settle": { display: "none" },
    ".all-sheets > section": { borderTop: "3px double {colors.fg}", paddingTop: "12px", marginTop: "32px" },
  },
];
