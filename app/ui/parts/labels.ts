import { chakra } from "@chakra-ui/react";

/** Labels as they lie on their sheet. */
export const LabelPage = chakra("div", {
  base: {
    display: "grid",
    background: "white",
    color: "black",
    border: "1px solid {colors.border.muted}",
    marginBottom: "24px",
    boxSizing: "border-box",
    overflow: "auto",
    maxWidth: "100%",
  },
});

/** Labels to take home, side by side. */
export const TakeHomeGrid = chakra("div", {
  base: {
    display: "grid",
    gridTemplateColumns: "repeat(auto-fill, minmax(300px, 1fr))",
    gap: "14px",
    _print: { gridTemplateColumns: "1fr 1fr", gap: "5mm" },
  },
});

/** A card for a helper, each on its page. */
export const HelperCard = chakra("section", {
  base: {
    marginTop: "22px",
    breakAfter: "page",
    "&:last-of-type": { breakAfter: "auto" },
    _print: {
      fontSize: "10pt",
      "& [data-part=caution]": { fontSize: "9pt", margin: "1mm 0" },
      "& td": { paddingBlock: "1mm" },
    },
  },
});

/** Labels of trays, on pages of their own. */
export const TrayLabels = chakra("section", {
  base: { marginTop: "26px", breakBefore: "page", "& h3": { marginBottom: "8px" } },
});

/** One label to take home. */
export const TakeHomeBox = chakra(
  "article",
  {
    base: {
      border: "1px solid {colors.fg}",
      padding: "10px 14px",
      fontSize: "15px",
      breakInside: "avoid",
      "& h3": { fontSize: "20px", marginBottom: "4px" },
      "& h3 span": { fontWeight: 400 },
      "& p": { margin: "0 0 4px", lineHeight: 1.35 },
      _print: { fontSize: "9.5pt" },
    },
  },
  { defaultProps: { "data-part": "take-home" } },
);

/** A shape to draw with batter, on a card. */
export const ShapeCard = chakra(TakeHomeBox, { base: { "& h4": { fontSize: "20px", textTransform: "capitalize" } } });

/** The shape, with the order of its lines. */
export const ShapeSvg = chakra("svg", {
  base: {
    width: "100%",
    maxWidth: "220px",
    display: "block",
    margin: "4px auto 8px",
    "& [data-part=piece]": { fill: "none", stroke: "border.muted", strokeWidth: "0.06px", strokeDasharray: "0.3 0.3" },
    "& [data-part=line]": {
      fill: "none",
      stroke: "fg",
      strokeWidth: "0.8px",
      strokeLinecap: "round",
      strokeLinejoin: "round",
    },
    "& [data-part=fill]": { fill: "border.muted", stroke: "none" },
    "& [data-part=order]": { fill: "bg", stroke: "fg", strokeWidth: "0.08px" },
    "& text": { fill: "fg", fontSize: "0.8px", fontWeight: 600 },
  },
});

/** One label of a container, in its size on paper. */
export const KitLabelBox = chakra(
  "article",
  {
    base: {
      overflow: "hidden",
      padding: "2.2mm",
      boxSizing: "border-box",
      fontSize: "8.5pt",
      lineHeight: 1.18,
      outline: "1px dashed {colors.border.muted}",
      outlineOffset: "-1px",
      position: "relative",
      "& b": { display: "block", fontSize: "11pt" },
      "& strong": { display: "block", fontSize: "10pt", fontWeight: 600 },
      "& span": { display: "block" },
      "& [data-part=code]": { float: "right", width: "15mm", height: "15mm", margin: "0 0 1mm 2mm" },
      "& [data-part=code] svg": { width: "100%", height: "100%" },
      "& form": { position: "absolute", right: "2mm", bottom: "1mm" },
      "& form button": { position: "relative", minHeight: "26px", fontSize: "13px", background: "white" },
      "& form button::after": { content: '""', position: "absolute", insetBlock: "-10px", insetInline: "-8px" },
    },
  },
  { defaultProps: { "data-part": "kit-label" } },
);
