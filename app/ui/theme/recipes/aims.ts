import { defineSlotRecipe } from "@chakra-ui/react";

/** What people should be able to do afterwards: a word over a short list, as quiet as a note. */
export const aims = defineSlotRecipe({
  className: "aims",
  slots: ["root", "title", "list"],
  base: {
    root: { marginBlock: "8px", fontWeight: 400 },
    title: { color: "fg.muted", fontSize: "15px" },
    list: { listStyle: "disc", paddingInlineStart: "1.1em", "& li": { padding: "1px 0" } },
  },
  // Read across a room.
  variants: { isLarge: { true: { root: { fontSize: "22px", marginBlock: "14px" }, title: { fontSize: "20px" } } } },
});
