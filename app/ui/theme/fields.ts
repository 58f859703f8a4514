/** How whatever is filled in looks, whether it is a line, an area or a list. */
const filled = ".chakra-input, .chakra-textarea, .chakra-native-select__field";
const wrong = ":is([data-invalid], [aria-invalid=true])";

/**
 * Fields, styled once for the whole sheet rather than for each element as it is drawn: a form of thirty fields is half of what its
 * page costs otherwise. What is operated is Chakra's, without styles of its own (`unstyled`), found by the
 * names it gives its parts.
 */
export const fields = {
  "[data-scope=field][data-part=root]": {
    display: "flex",
    flexDirection: "column",
    alignItems: "flex-start",
    gap: "1",
    width: "full",
    position: "relative",
  },
  "[data-scope=field][data-part=label]": { fontWeight: "600", fontSize: "15px", textAlign: "start" },
  "[data-scope=field][data-part=helper-text]": { fontSize: "14px", color: "fg.muted" },
  "[data-scope=field][data-part=error-text]": { fontSize: "15px", fontWeight: "500", color: "fg.error" },
  [filled]: {
    width: "full",
    minWidth: "0",
    minHeight: "44px",
    paddingInline: "3",
    fontSize: "17px",
    textAlign: "start",
    appearance: "none",
    background: "bg.panel",
    borderWidth: "1px",
    borderColor: "border",
    borderRadius: "l2",
    outline: "0",
  },
  ".chakra-textarea": { paddingBlock: "2" },
  ".chakra-native-select__root": { display: "flex", width: "full", position: "relative" },
  ".chakra-native-select__field": { paddingInlineEnd: "8" },
  // The arrow of a list, turned from the corner of a square.
  ".chakra-native-select__root::after": {
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
  [`:is(${filled}):is(:disabled, [data-disabled])`]: { opacity: 0.5, cursor: "not-allowed" },
  [`:is(${filled})${wrong}`]: { borderColor: "border.error" },
  [`:is(${filled}):focus-visible`]: {
    outline: "1px solid",
    outlineColor: "ink.focusRing",
    borderColor: "ink.focusRing",
  },
} as const;
