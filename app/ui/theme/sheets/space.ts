import type { SystemStyleObject } from "@chakra-ui/react";
import type { Styles } from "./styles";

const asked: Readonly<Record<string, SystemStyleObject>> = {
  ".above-xs": { marginTop: "2" },
  ".above-s": { marginTop: "3.5" },
  ".above-m": { marginTop: "4.5" },
  ".above-l": { marginTop: "6" },
  ".above-xl": { marginTop: "8" },
  ".below-xs": { marginBottom: "1.5" },
  ".below-s": { marginBottom: "3.5" },
  ".below-m": { marginBottom: "4.5" },
  ".below-l": { marginBottom: "6" },
  ".below-xl": { marginBottom: "9" },
  ".gap-left": { marginLeft: "3" },
  ".gap-right": { marginRight: "3" },
  ".filled-above": { paddingTop: "2" },
  ".filled-below": { paddingBottom: "2" },
  ".filled-l": { padding: "14px 0 28px" },
  ".ruled-off": { borderTop: "1px solid {colors.fg}", paddingTop: "3" },
  ".ruled-off-soft": { borderTop: "1px solid {colors.border.muted}", paddingTop: "2.5" },
  ".measure": { maxWidth: "60ch" },
  ".column-slim": { maxWidth: "420px" },
  ".column-narrow": { maxWidth: "620px" },
  ".column": { maxWidth: "860px" },
  ".column-wide": { maxWidth: "980px" },
  ".box-s": { width: "70px" },
  ".box-m": { width: "190px" },
  ".box-l": { width: "240px" },
  ".box-most": { maxWidth: "320px" },
  ".name-column": { minWidth: "130px" },
  ".c12": { gridColumn: "span 12" },
  ".tall": { minHeight: "44px" },
  ".pressed": { cursor: "pointer" },
  ".centred": { display: "inline-flex", alignItems: "center" },
  ".in-line": { display: "inline" },
  ".in-row": { display: "flex", gap: "16px", alignItems: "center" },
  ".one-line": { whiteSpace: "nowrap" },
  ".to-right": { textAlign: "right" },
  ".underlined": { textDecoration: "underline" },
  ".strong": { fontWeight: 600 },
  ".intro": { fontSize: "19px" },
  ".lead-name": { fontFamily: "heading", fontWeight: 600, fontSize: "22px" },
  ".title-m": { fontSize: "30px" },
  ".title-l": { fontSize: "40px" },
  ".chart-box": { position: "relative", height: "230px" },
  ".counter": { display: "flex", gap: "8px", flex: "1 1 200px" },
  ".counter-box": {
    minHeight: "64px",
    flex: 1,
    minWidth: "0",
    background: "bg.panel",
    border: "1px solid {colors.fg.muted}",
    padding: "0 14px",
    fontSize: "19px",
  },
};

/**
 * Room between things and around them, in the theme's steps; widths that what is read and typed keeps to. What one place asks for holds
 * against what is so everywhere: the names are said three times over.
 */
export const space: Styles = [
  Object.fromEntries(Object.entries(asked).map(([name, style]) => [`${name}${name}${name}`, style])),
];
