/** A finger needs more than a line of text: what is pressed reaches beyond it, and nothing moves for that. */
export const reach = {
  position: "relative",
  _after: { content: '""', position: "absolute", insetBlock: "-12px", insetInline: "-6px" },
} as const;

/** "Why?": the reason, one step away. */
export const whySummary = {
  ...reach,
  cursor: "pointer",
  color: "fg.muted",
  fontSize: "14px",
  width: "fit-content",
  minHeight: "24px",
} as const;
