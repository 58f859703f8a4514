import { defineSlotRecipe } from "@chakra-ui/react";
import {
  alertAnatomy,
  comboboxAnatomy,
  datePickerAnatomy,
  dialogAnatomy,
  fieldAnatomy,
  fieldsetAnatomy,
  listAnatomy,
  menuAnatomy,
  nativeSelectAnatomy,
  toastAnatomy,
} from "@chakra-ui/react/anatomy";
import { filled } from "./single";

/** Something said beside what it is about: held by a rule at its side, never a coloured box alone. */
export const alert = defineSlotRecipe({
  className: "chakra-alert",
  slots: alertAnatomy.keys(),
  base: { root: { display: "block" } },
  variants: {
    status: {
      /** Done, or how it stands. */
      info: { root: { borderLeft: "4px solid {colors.fg}", padding: "6px 14px" } },
      /** Not done, and why. */
      error: {
        root: {
          borderLeft: "4px solid {colors.accent.solid}",
          background: "accent.subtle",
          padding: "10px 14px",
          "& ul": { paddingLeft: "18px", margin: "4px 0 0" },
        },
      },
    },
  },
  defaultVariants: { status: "info" },
});

/** A label above, what is wrong below, beside the field it is about. */
export const field = defineSlotRecipe({
  className: "chakra-field",
  slots: fieldAnatomy.keys(),
  base: {
    root: {
      display: "flex",
      flexDirection: "column",
      alignItems: "flex-start",
      gap: "1",
      width: "full",
      position: "relative",
    },
    label: { fontWeight: "600", fontSize: "sm", textAlign: "start" },
    helperText: { fontSize: "xs", color: "fg.muted" },
    errorText: { fontSize: "sm", fontWeight: "600", color: "fg.error" },
  },
});

/** Fields that belong together, under one name. */
export const fieldset = defineSlotRecipe({
  className: "chakra-fieldset",
  slots: fieldsetAnatomy.keys(),
  base: {
    root: { minWidth: "0" },
  },
});

/** Lists without marks, as most rows here are drawn by a rule or a shape. */
export const list = defineSlotRecipe({ className: "chakra-list", slots: listAnatomy.keys(), base: {} });

/** A list to choose one from; its arrow is turned from the corner of a square. */
export const nativeSelect = defineSlotRecipe({
  className: "chakra-native-select",
  slots: nativeSelectAnatomy.keys(),
  base: {
    root: {
      display: "flex",
      width: "full",
      position: "relative",
      _after: {
        content: '""',
        position: "absolute",
        insetInlineEnd: "14px",
        top: "calc(50% - 6px)",
        width: "8px",
        height: "8px",
        borderInlineEnd: "2px solid",
        borderBlockEnd: "2px solid",
        borderColor: "fg.muted",
        transform: "rotate(45deg)",
        pointerEvents: "none",
      },
    },
    field: { ...filled, paddingInlineEnd: "8" },
  },
});

/** A menu is paper above paper, held by a line. */
export const menu = defineSlotRecipe({
  className: "chakra-menu",
  slots: menuAnatomy.keys(),
  base: {
    content: {
      minWidth: "220px",
      padding: "6px 0",
      background: "bg.panel",
      border: "1.5px solid {colors.fg}",
      zIndex: 30,
      outline: "none",
    },
    item: {
      display: "flex",
      alignItems: "center",
      minHeight: "44px",
      padding: "4px 16px",
      color: "fg",
      textDecoration: "none",
      cursor: "pointer",
      _highlighted: { background: "bg.muted" },
    },
    separator: { borderTop: "1px solid {colors.border.muted}", margin: "6px 0" },
  },
});

/** Something asked above the page. */
export const dialog = defineSlotRecipe({
  className: "chakra-dialog",
  slots: dialogAnatomy.keys(),
  base: {
    backdrop: { position: "fixed", inset: "0", background: "fg", opacity: 0.35, zIndex: 40 },
    positioner: {
      position: "fixed",
      inset: "0",
      zIndex: 41,
      display: "flex",
      justifyContent: "center",
      alignItems: "flex-start",
      padding: "9vh 16px 16px",
      overflow: "auto",
    },
    content: {
      width: "min(560px, 100%)",
      background: "bg",
      border: "2px solid {colors.fg}",
      padding: "18px 22px 22px",
      display: "grid",
      gap: "12px",
      outline: "none",
    },
  },
});

/** What was just done, with the way back: a slip of paper at the foot of the screen. */
export const toast = defineSlotRecipe({
  className: "chakra-toast",
  slots: toastAnatomy.keys(),
  base: {
    root: {
      display: "flex",
      flexWrap: "wrap",
      alignItems: "center",
      gap: "8px 16px",
      width: "min(460px, calc(100vw - 32px))",
      padding: "12px 12px 12px 18px",
      background: "bg.panel",
      color: "fg",
      border: "2px solid {colors.fg}",
      zIndex: 60,
      _print: { display: "none" },
    },
    title: { flex: "1 1 180px" },
    closeTrigger: {
      width: "44px",
      height: "44px",
      display: "grid",
      placeItems: "center",
      cursor: "pointer",
      "& svg": { width: "18px", height: "18px" },
      _hover: { background: "bg.muted" },
    },
  },
});

/** A word typed, and what of a list fits it. */
export const combobox = defineSlotRecipe({
  className: "chakra-combobox",
  slots: comboboxAnatomy.keys(),
  base: {
    input: {
      width: "full",
      minHeight: "44px",
      padding: "0 12px",
      background: "bg",
      border: "1px solid {colors.border}",
      borderRadius: "l2",
      _placeholder: { color: "fg.muted" },
    },
    content: { maxHeight: "264px", overflowY: "auto", marginTop: "6px" },
    item: {
      display: "flex",
      alignItems: "center",
      minHeight: "44px",
      padding: "2px 8px",
      cursor: "pointer",
      _highlighted: { background: "bg.muted" },
    },
    empty: { padding: "8px", color: "fg.muted" },
  },
});

/** A month to press a day in. */
export const datePicker = defineSlotRecipe({
  className: "chakra-date-picker",
  slots: datePickerAnatomy.keys(),
  base: {
    viewControl: {
      display: "flex",
      justifyContent: "space-between",
      alignItems: "center",
      "& button": {
        minWidth: "44px",
        minHeight: "44px",
        display: "grid",
        placeItems: "center",
        fontWeight: "600",
        cursor: "pointer",
      },
      "& svg": { width: "18px", height: "18px" },
    },
    table: { width: "full", borderCollapse: "collapse" },
    tableHeader: { fontSize: "xs", fontWeight: "600", color: "fg.muted" },
    tableCell: { textAlign: "center" },
    tableCellTrigger: {
      display: "grid",
      placeItems: "center",
      width: "full",
      minHeight: "44px",
      cursor: "pointer",
      fontVariantNumeric: "tabular-nums",
      "&[data-outside-range]": { color: "fg.muted" },
      "&[data-today]": { textDecoration: "underline", fontWeight: "700" },
      _hover: { background: "bg.muted" },
      "&[data-selected]": { background: "fg", color: "bg.panel" },
    },
  },
});
