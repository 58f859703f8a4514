import { chakra } from "@chakra-ui/react";

/** A list with a key to find in it by typing. */
export const FindableBox = chakra("div", {
  base: {
    display: "flex",
    width: "full",
    position: "relative",
    gap: "4px",
    alignItems: "stretch",
    "& > :first-child": { flex: 1, minWidth: 0 },
    "& > button": {
      width: "44px",
      minHeight: "44px",
      flex: "none",
      display: "grid",
      placeItems: "center",
      cursor: "pointer",
    },
  },
});

/** What was found, below it. */
export const FoundPanel = chakra("div", {
  base: {
    position: "absolute",
    top: "100%",
    insetInline: 0,
    zIndex: 50,
    padding: "8px",
    background: "bg.panel",
    border: "1.5px solid {colors.fg}",
    "& input": {
      width: "full",
      minHeight: "44px",
      padding: "0 12px",
      background: "bg",
      border: "1px solid {colors.border}",
      borderRadius: "l2",
    },
    "& input::placeholder": { color: "fg.muted" },
    "& [data-part=content]": { maxHeight: "264px", overflowY: "auto", marginTop: "6px" },
    "& [data-part=item]": {
      display: "flex",
      alignItems: "center",
      minHeight: "44px",
      padding: "2px 8px",
      cursor: "pointer",
    },
    "& [data-part=item][data-highlighted]": { background: "bg.muted" },
    "& [data-part=empty]": { padding: "8px", color: "fg.muted" },
  },
});

/** A day with the key of its calendar. */
export const DayInputBox = chakra("span", {
  base: {
    display: "flex",
    width: "full",
    position: "relative",
    "& input": { paddingInlineEnd: "48px" },
    "& > button": {
      position: "absolute",
      insetInlineEnd: 0,
      insetBlock: 0,
      width: "44px",
      display: "grid",
      placeItems: "center",
      cursor: "pointer",
    },
  },
});

/** The calendar below it. */
export const CalendarPanel = chakra("div", {
  base: {
    padding: "8px",
    background: "bg.panel",
    border: "1.5px solid {colors.fg}",
    position: "absolute",
    top: "100%",
    insetInlineStart: 0,
    zIndex: 50,
    width: "min(340px, 90vw)",
    "& svg": { width: "18px", height: "18px" },
    "& table": { width: "full", borderCollapse: "collapse" },
    "& th": { fontSize: "14px", fontWeight: 600, color: "fg.muted" },
    "& [data-part=view-control]": { display: "flex", justifyContent: "space-between", alignItems: "center" },
    "& [data-part=view-control] button": {
      minWidth: "44px",
      minHeight: "44px",
      display: "grid",
      placeItems: "center",
      fontWeight: 600,
      cursor: "pointer",
    },
    "& [data-part=table-cell]": { textAlign: "center" },
    "& [data-part=table-cell-trigger]": {
      display: "grid",
      placeItems: "center",
      width: "full",
      minHeight: "44px",
      cursor: "pointer",
      fontVariantNumeric: "tabular-nums",
    },
    "& [data-part=table-cell-trigger][data-outside-range]": { color: "fg.muted" },
    "& [data-part=table-cell-trigger][data-today]": { textDecoration: "underline", fontWeight: 700 },
    "& [data-part=table-cell-trigger]:hover": { background: "bg.muted" },
    "& [data-part=table-cell-trigger][data-selected]": { background: "fg", color: "bg.panel" },
  },
});
