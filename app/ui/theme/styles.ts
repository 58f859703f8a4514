import { defineTextStyles } from "@chakra-ui/react";

/** How a run of text is set. */
export const textStyles = defineTextStyles({
  /** The name a person is found by in a list. */
  leadName: { value: { fontFamily: "heading", fontWeight: "600", fontSize: "xl" } },
});

/** How something stands out, or does not. */
export const layerStyles = {
  /** Somebody has to look at it: the one accent, and weight, as colour says nothing alone. */
  needsYou: { value: { color: "accent.solid", fontWeight: "600" } },
  /** What only paper carries, such as class and date. */
  onPaper: { value: { display: "none", _print: { display: "block" } } },
};
