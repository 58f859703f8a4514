import type { Styles } from "./styles";

/** Labels as they lie on their sheet. */
export const labels: Styles = [
  {
    ".label-page": {
      display: "grid",
      background: "white",
      color: "black",
      border: "1px solid {colors.border.muted}",
      marginBottom: "24px",
      boxSizing: "border-box",
      overflow: "auto",
      maxWidth: "100%",
    },
    ".take-home-labels": { display: "grid", gridTemplateColumns: "repeat(auto-fill, minmax(300px, 1fr))", gap: "14px" },
    ".helper-card": { marginTop: "22px", breakAfter: "page" },
    ".helper-card:last-of-type": { breakAfter: "auto" },
    ".tray-labels": { marginTop: "26px", breakBefore: "page" },
    ".tray-labels h3": { marginBottom: "8px" },
    ".take-home": { border: "1px solid {colors.fg}", padding: "10px 14px", fontSize: "15px", breakInside: "avoid" },
    ".take-home h3": { fontSize: "20px", marginBottom: "4px" },
    ".take-home h3 span": { fontWeight: 400 },
    ".take-home p": { margin: "0 0 4px", lineHeight: 1.35 },
    "@media print": {
      ".take-home-labels": { gridTemplateColumns: "1fr 1fr", gap: "5mm" },
      ".take-home": { fontSize: "9.5pt" },
      ".helper-card": { fontSize: "10pt" },
      ".helper-card .caution": { fontSize: "9pt", margin: "1mm 0" },
      ".helper-card td": { paddingBlock: "1mm" },
    },
    ".kit-label": {
      overflow: "hidden",
      padding: "2.2mm",
      boxSizing: "border-box",
      fontSize: "8.5pt",
      lineHeight: 1.18,
      outline: "1px dashed {colors.border.muted}",
      outlineOffset: "-1px",
      position: "relative",
    },
    ".kit-label b": { display: "block", fontSize: "11pt" },
    ".kit-label strong": { display: "block", fontSize: "10pt", fontWeight: 600 },
    ".kit-label span": { display: "block" },
    ".kit-label .code": { float: "right", width: "15mm", height: "15mm", margin: "0 0 1mm 2mm" },
    ".kit-label .code svg": { width: "100%", height: "100%" },
    ".kit-label form": { position: "absolute", right: "2mm", bottom: "1mm" },
    ".kit-label form .row-button": {
      position: "relative",
      minHeight: "26px",
      fontSize: "13px",
      background: "white",
    },
    // The label is the size it is on paper: the button on it is small, and is pressed around it, too.
    ".kit-label form .row-button::after": {
      content: '""',
      position: "absolute",
      insetBlock: "-10px",
      insetInline: "-8px",
    },
  },
];
