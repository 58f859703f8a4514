import { chakra, defineRecipe } from "@chakra-ui/react";
import { Form } from "react-router";

const formGrid = defineRecipe({
  base: {
    display: "grid",
    gap: "14px 20px",
    gridTemplateColumns: "repeat(12, minmax(0, 1fr))",
    alignItems: "start",
    alignContent: "start",
    "& > *, & > fieldset > *": { gridColumn: "span 12" },
    "& legend": { fontFamily: "heading", fontWeight: "600", fontSize: "18px", padding: "8px 0 2px" },
    "& [data-part=person-block]": { marginTop: "10px" },
    "& [data-part=person-block] > legend": { width: "100%", borderTop: "2px solid {colors.fg}", paddingTop: "8px" },
  },
});

/** Twelve columns of fields; each says how many of them it takes, all of them on a phone. */
export const FormGrid = chakra("div", formGrid);
/** The same as a form of the router's. */
export const GridForm = chakra(Form, formGrid);

/** A form of the router's, to be placed by its own props. */
export const StyledForm = chakra(Form);

/** A form that is one row of keys. */
export const ActionForm = chakra(Form, {
  base: { display: "flex", gap: "12px", flexWrap: "wrap", alignItems: "center" },
});

/** Boxes to tick, in a row. */
export const TickRow = chakra("div", {
  base: {
    display: "flex",
    flexWrap: "wrap",
    gap: "4px 22px",
    "& label": { display: "inline-flex", gap: "8px", alignItems: "center", minHeight: "44px" },
    "& input": { width: "20px", height: "20px", flexShrink: 0, accentColor: "fg" },
  },
});

/** A box to tick with its words. */
export const TickLabel = chakra(
  "label",
  {
    base: {
      display: "inline-flex",
      gap: "8px",
      alignItems: "center",
      minHeight: "44px",
      "& input": { width: "20px", height: "20px", flexShrink: 0, accentColor: "fg" },
    },
  },
  { defaultProps: { "data-part": "check" } },
);

/** The place of a field in a form's twelve columns; on a phone it takes the whole width. */
export const colSpan = (columns: number) => ({ base: "span 12", sm: `span ${columns}` });

/** A wide table is pushed sideways in its own box; positioned, so that what is only for ears does not stick out of it. */
export const ScrollArea = chakra(
  "div",
  {
    base: { overflowX: "auto", position: "relative", _print: { overflow: "visible" } },
  },
  { defaultProps: { "data-part": "scroll" } },
);

/** Cells are lines to write on, not boxes. */
export const lineToWriteOn = {
  background: "bg.panel",
  border: "0",
  borderBottom: "1px solid {colors.border}",
  borderRadius: "0",
  padding: "7px 6px",
  minHeight: "44px",
  fontSize: "17px",
  width: "100%",
  color: "fg",
} as const;
/** An area to write in, of the same kind. */
export const areaToWriteIn = {
  ...lineToWriteOn,
  border: "1px solid {colors.border.muted}",
  borderBottom: "1px solid {colors.border.muted}",
  lineHeight: 1.4,
  resize: "vertical",
  "&:focus-visible": { outline: "2px solid {colors.accent.solid}", outlineOffset: "1px" },
} as const;

const inlineFields = defineRecipe({
  base: { display: "flex", flexWrap: "wrap", gap: "10px 18px", alignItems: "flex-end", marginBottom: "16px" },
  variants: {
    isTight: {
      true: {
        marginBottom: "10px",
        gap: "8px 14px",
        "& [data-part=cell]:not([data-span=whole])": { width: "auto", maxWidth: "240px" },
        "& [data-part=cell-box] input": { width: "92px" },
        "& > [data-part=cell] > input": { width: "190px" },
      },
    },
  },
});

/** Fields in a row, as in the margin of a book. */
export const InlineFields = chakra("div", inlineFields);
/** The same as a form of the router's. */
export const InlineFieldsForm = chakra(Form, inlineFields);

const inlineField = defineRecipe({
  base: {
    display: "inline-flex",
    flexDirection: "column",
    gap: "1px",
    minWidth: "0",
    '& :where(input:not([type="file"]), select)': lineToWriteOn,
    "& textarea": areaToWriteIn,
    "& :is(input, select):focus-visible": { outline: "2px solid {colors.accent.solid}", outlineOffset: "1px" },
    '& input[aria-invalid="true"]': { borderBottom: "2px solid {colors.accent.solid}" },
  },
  variants: {
    span: {
      wide: { flex: "1 1 260px" },
      whole: { flex: "1 1 100%", width: "100%" },
      tiny: { width: "62px" },
      share: { width: "58px", "& [data-part=cell-box], & input": { width: "46px" } },
      amount: { width: "132px" },
      bowl: { width: "124px" },
    },
  },
});

/** One of them: a label over a line. */
export const InlineField = chakra("label", inlineField, { defaultProps: { "data-part": "cell" } });

/** The small name above a line. */
export const InlineLabel = chakra("span", { base: { fontSize: "14px", fontWeight: 600, color: "fg.muted" } });

/** A line with its unit. */
export const InlineBox = chakra(
  "span",
  { base: { display: "inline-flex", alignItems: "baseline", gap: "5px" } },
  { defaultProps: { "data-part": "cell-box" } },
);

/** A label that holds name and line, where what is wrong stands below both. */
export const InlineFieldLabel = chakra(
  "label",
  { base: { display: "flex", flexDirection: "column", gap: "1px" } },
  { defaultProps: { "data-part": "cell-of" } },
);

const rowButtons = defineRecipe({
  base: {
    display: "inline-flex",
    flexWrap: "wrap",
    gap: "6px",
    alignItems: "center",
    "& select": { ...lineToWriteOn, width: "auto", fontSize: "15px", padding: "3px 6px" },
  },
});

/** Keys beside one another, with what is chosen between them. */
export const RowButtons = chakra("div", rowButtons, { defaultProps: { "data-part": "row-buttons" } });
/** The same as a form of the router's. */
export const RowButtonsForm = chakra(Form, rowButtons);

/** A box to tick with a thumb. */
export const ThumbTick = chakra("label", {
  base: {
    display: "inline-flex",
    alignItems: "center",
    justifyContent: "center",
    width: "44px",
    height: "44px",
    "& input": { width: "26px", height: "26px", accentColor: "fg" },
    _print: { width: "26px", height: "26px", "& input": { width: "16px", height: "16px" } },
  },
});

/** One need among several, as a form within the form. */
export const NeedRow = chakra(FormGrid, {
  base: { borderLeft: "2px solid {colors.border.muted}", paddingLeft: "12px" },
});
