import { chakra } from "@chakra-ui/react";
import { Form } from "react-router";

/** A figure written on a line. */
const figureOnLine = {
  minHeight: "44px",
  border: "0",
  borderBottom: "1px solid {colors.fg}",
  background: "transparent",
  padding: "2px 4px",
  font: "inherit",
  fontVariantNumeric: "tabular-nums",
} as const;

/** Things one below the other, ruled. */
export const PlainList = chakra("ul", {
  base: {
    "& > li": { padding: "5px 0", borderBottom: "1px solid {colors.border.muted}" },
    "& > li:last-child": { borderBottom: "0" },
  },
});

/** How far the shopping is, and what it costs. */
export const ShopStanding = chakra("p", {
  base: {
    display: "flex",
    flexWrap: "wrap",
    gap: "4px 24px",
    alignItems: "baseline",
    padding: "8px 0",
    borderTop: "1px solid {colors.fg}",
    borderBottom: "1px solid {colors.fg}",
    marginBottom: "6px",
    _print: { "& [role=status]": { display: "none" } },
  },
});

/** The sum, at the end of it. */
export const ShopMoney = chakra("span", {
  base: { marginLeft: "auto", "@media (max-width: 560px)": { marginLeft: "0" } },
});

/** A section of the shop. */
export const ShopSection = chakra("section", {
  base: {
    "& h3": { fontSize: "19px", margin: "16px 0 0" },
    _print: { breakInside: "avoid", "& h3": { marginTop: "8px", breakAfter: "avoid" } },
  },
});

/** A list for a thumb: tick, what, how much, price, on hand. Its parts are named by `data-part`. */
export const ShopList = chakra("ul", {
  base: {
    "& li": {
      display: "grid",
      gridTemplateColumns: "48px minmax(0, 1.4fr) minmax(0, 1fr) 70px 215px",
      gap: "0 14px",
      alignItems: "center",
      borderBottom: "1px solid {colors.border.muted}",
      minHeight: "52px",
    },
    "& li[data-part=got] :is([data-part=shop-what], [data-part=shop-take])": {
      color: "fg.muted",
      textDecoration: "line-through",
      textDecorationThickness: "1px",
    },
    "& [data-part=shop-what], & [data-part=shop-take]": { display: "flex", flexDirection: "column", padding: "5px 0" },
    "& [data-part=shop-price]": { textAlign: "right", fontVariantNumeric: "tabular-nums" },
    "& [data-part=shop-stock]": { display: "flex", gap: "6px", alignItems: "center", justifyContent: "flex-end" },
    "& [data-part=shop-stock] label": {
      display: "inline-flex",
      whiteSpace: "nowrap",
      gap: "6px",
      alignItems: "center",
    },
    "& [data-part=shop-stock] input": { ...figureOnLine, width: "66px" },
    "@media (max-width: 860px)": {
      "& li": { gridTemplateColumns: "48px minmax(0, 1fr) auto" },
      "& [data-part=shop-take]": { textAlign: "right" },
      "& [data-part=shop-price]": { display: "none" },
      "& [data-part=shop-stock]": { gridColumn: "2 / -1", justifyContent: "flex-start", paddingBottom: "6px" },
    },
    "@media (max-width: 560px)": { "& [data-part=shop-stock]": { display: "none" } },
    _print: {
      "& li": {
        gridTemplateColumns: "36px minmax(0, 1.5fr) minmax(0, 1fr) 60px",
        minHeight: "0",
        breakInside: "avoid",
      },
      "& [data-part=shop-what], & [data-part=shop-take]": { padding: "1px 0" },
    },
  },
});

/** Who does a task before the class. */
export const PrepWhoForm = chakra(Form, {
  base: {
    '& input[name="owner"]': { ...figureOnLine, width: "120px" },
    display: "flex",
    gap: "6px",
    alignItems: "center",
  },
});

/** How many blades came back. */
export const CountBackInput = chakra("input", { base: { ...figureOnLine, width: "66px" } });

/** The kit of one table; one that is apart has pages of its own. */
export const KitSheetSection = chakra(
  "section",
  {
    base: {
      marginBottom: "30px",
      "& table": { tableLayout: "fixed" },
      "& th:nth-child(1)": { width: "19%" },
      "& th:nth-child(2)": { width: "33%" },
      "& th:nth-child(3)": { width: "10%" },
      "& th:nth-child(5)": { width: "14%" },
      _print: { breakInside: "avoid" },
      "&[data-apart]": { _print: { breakBefore: "page", breakAfter: "page" } },
    },
  },
  { defaultProps: { "data-part": "kit-sheet" } },
);
