import { chakra } from "@chakra-ui/react";

/** A key in ink on paper. */
const key = { border: "1.5px solid {colors.fg}", background: "bg.panel", color: "fg", cursor: "pointer" } as const;

/** Packing with floury hands: the list of containers beside the one that is packed now. */
export const PackLayout = chakra("div", {
  base: {
    border: "0",
    margin: "0",
    padding: "0",
    minWidth: "0",
    display: "grid",
    gridTemplateColumns: "300px minmax(0, 1fr)",
    gridTemplateRows: "auto minmax(0, 1fr)",
    minHeight: "100vh",
    "@media (max-width: 860px)": { gridTemplateColumns: "minmax(0, 1fr)", gridTemplateRows: "auto auto auto" },
  },
});

/** Its head. */
export const PackTop = chakra("header", {
  base: {
    gridColumn: "1 / -1",
    display: "flex",
    flexWrap: "wrap",
    gap: "6px 22px",
    alignItems: "center",
    padding: "8px 18px",
    borderBottom: "3px double {colors.fg}",
  },
});

/** By table or by ingredient, as two keys. */
export const PackOrder = chakra("span", {
  base: {
    marginLeft: "auto",
    display: "inline-flex",
    "& button": {
      padding: "6px 18px",
      ...key,
      fontSize: "18px",
      minHeight: "48px",
    },
    "& button + button": { borderLeft: "0" },
    '& button[aria-pressed="true"]': { background: "fg", color: "bg.panel" },
  },
});

/** The keys of what is packed now; the main one is dark. */
export const PackButtons = chakra("div", {
  base: {
    "& button": {
      minHeight: "64px",
      padding: "6px 18px",
      ...key,
      fontSize: "18px",
    },
    display: "flex",
    flexWrap: "wrap",
    gap: "12px",
    alignItems: "center",
    margin: "12px 0",
    "& button[data-part=main]": {
      background: "fg",
      color: "bg.panel",
      minWidth: "200px",
      fontSize: "22px",
      fontWeight: 600,
    },
    "& button:disabled": { color: "fg.muted", borderColor: "border.muted", cursor: "default" },
  },
});

/** Hands on the simulated scale. */
export const ScaleHands = chakra("div", {
  base: {
    "& button": {
      ...key,
      minHeight: "48px",
      fontSize: "16px",
      padding: "4px 12px",
    },
    display: "flex",
    flexWrap: "wrap",
    gap: "8px",
  },
});

/** The containers to pack, the present one marked. */
export const PackList = chakra("nav", {
  base: {
    borderRight: "1px solid {colors.border.muted}",
    overflowY: "auto",
    maxHeight: "calc(100vh - 66px)",

    "& button": {
      width: "100%",
      minHeight: "64px",
      padding: "6px 14px 6px 18px",
      display: "grid",
      gridTemplateColumns: "minmax(0, 1fr) auto",
      gap: "10px",
      alignItems: "center",
      textAlign: "left",
      border: "0",
      borderBottom: "1px solid {colors.border.muted}",
      background: "transparent",
      color: "fg",
      fontSize: "17px",
      cursor: "pointer",
    },
    '& button[aria-current="true"]': { background: "bg.panel", boxShadow: "inset 6px 0 0 {colors.fg}" },
    "@media (max-width: 860px)": { maxHeight: "30vh", borderRight: "0", borderBottom: "1px solid {colors.fg}" },
  },
});

/** What goes into the present container. */
export const PackRow = chakra("ol", {
  base: {
    display: "flex",
    flexWrap: "wrap",
    gap: "8px",
    marginTop: "14px",
    "& button": {
      minHeight: "64px",
      minWidth: "118px",
      padding: "6px 12px",
      display: "flex",
      flexDirection: "column",
      textAlign: "left",
      border: "1px solid {colors.border.muted}",
      background: "transparent",
      color: "fg",
      fontSize: "16px",
      cursor: "pointer",
    },
    '& button[aria-current="true"]': { border: "2px solid {colors.fg}", background: "bg.panel" },
    "& button[data-part=needs]": { borderColor: "accent.solid" },
  },
});

/** What is packed now, read at arm's length. */
export const PackNow = chakra("main", {
  base: {
    padding: "14px 26px 30px",
    overflowY: "auto",
    maxHeight: "calc(100vh - 66px)",
    "& h1": { fontSize: "40px", lineHeight: 1.1, margin: "4px 0" },
    "@media (max-width: 860px)": { maxHeight: "none" },
  },
});

/** Where it belongs. */
export const PackWhere = chakra("p", {
  base: { display: "flex", flexWrap: "wrap", gap: "2px 18px", fontSize: "21px" },
});

/** How much is wanted. */
export const PackTarget = chakra("p", {
  base: {
    display: "flex",
    flexWrap: "wrap",
    gap: "4px 18px",
    alignItems: "baseline",
    fontSize: "20px",
    "& b": { fontSize: "64px", lineHeight: 1, fontVariantNumeric: "tabular-nums" },
  },
});

/** What the scale says; as high with the longest sentence as with the shortest, so that nothing moves under a finger. */
export const PackReading = chakra("p", {
  base: {
    minHeight: "98px",
    display: "flex",
    flexWrap: "wrap",
    gap: "4px 26px",
    alignItems: "baseline",
    borderTop: "1px solid {colors.border.muted}",
    borderBottom: "1px solid {colors.border.muted}",
    padding: "8px 0",
    margin: "10px 0",
    "& b": { fontSize: "34px", lineHeight: 1.1 },
  },
});

/** The reading itself. */
export const PackScale = chakra(
  "span",
  {
    base: { fontSize: "64px", lineHeight: 1, fontVariantNumeric: "tabular-nums", minWidth: "4.2ch" },
  },
  { defaultProps: { "data-part": "pack-scale" } },
);

/** The list that is called table by table, with keys for what is missing. */
export const CallSheets = chakra("div", {
  base: {
    display: "grid",
    gridTemplateColumns: "repeat(auto-fill, minmax(300px, 1fr))",
    gap: "18px 32px",
    marginTop: "14px",
    "& h3": { borderBottom: "2px solid {colors.fg}", paddingBottom: "4px" },
    "& li": {
      display: "flex",
      justifyContent: "space-between",
      alignItems: "center",
      gap: "10px",
      padding: "4px 0",
      borderBottom: "1px solid {colors.border.muted}",
      listStyle: "none",
    },
    "& small": { display: "block", fontSize: "14px" },
    "& button": {
      minHeight: "64px",
      minWidth: "96px",
      border: "1px solid {colors.border}",
      borderRadius: "l2",
      background: "bg.panel",
      cursor: "pointer",
      flex: "none",
    },
    "& button[aria-pressed=true]": {
      background: "accent.solid",
      borderColor: "accent.solid",
      color: "bg.panel",
      fontWeight: 700,
    },
  },
});

/** The panel that operates the simulated scale. */
export const ScalePanelFold = chakra("details", {
  base: {
    marginTop: "20px",
    borderTop: "1px solid {colors.border.muted}",
    paddingTop: "8px",
    color: "fg.muted",
    "& summary": { minHeight: "44px", display: "flex", alignItems: "center", cursor: "pointer" },
  },
});
