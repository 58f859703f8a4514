import { chakra } from "@chakra-ui/react";

/** The ingredients on a handout: what on the left, how much on the right. */
export const HandoutList = chakra("ul", {
  base: {
    "& li": {
      display: "flex",
      justifyContent: "space-between",
      gap: "14px",
      padding: "4px 0",
      borderBottom: "1px solid {colors.border.muted}",
    },
    "& b": { textAlign: "right", fontWeight: 600 },
    "& b span": { whiteSpace: "nowrap" },
  },
});

/** A recipe to take home. */
export const HandoutSheet = chakra("article", {
  base: {
    maxWidth: "900px",
    "& ol[data-part=method]": { counterReset: "step", margin: "8px 0 0", padding: "0" },
    "& ol[data-part=method] > li": {
      listStyle: "none",
      counterIncrement: "step",
      position: "relative",
      padding: "0 0 10px 40px",
    },
    "& ol[data-part=method] > li::before": {
      content: "counter(step)",
      position: "absolute",
      left: "0",
      top: "-3px",
      width: "28px",
      textAlign: "right",
      fontFamily: "heading",
      fontSize: "24px",
      fontWeight: 600,
    },
  },
});

/** Its first sentence. */
export const HandoutIntro = chakra("p", { base: { fontSize: "19px", padding: "8px 0", maxWidth: "62ch" } });

/** Its list and method, numbered. */
export const HandoutBody = chakra("div", {
  base: {
    display: "grid",
    gap: "20px 40px",
    "@media (min-width: 760px)": { gridTemplateColumns: "minmax(0, 0.9fr) minmax(0, 1fr)" },
  },
});

/** Its cautions, in two columns of small print. */
export const HandoutCautions = chakra("section", {
  base: {
    borderTop: "1px solid {colors.fg}",
    marginTop: "12px",
    paddingTop: "6px",
    columns: "2",
    columnGap: "36px",
    "& [data-part=caution]": { breakInside: "avoid" },
    "@media (max-width: 700px)": { columns: "1" },
    _print: { columns: "2", columnGap: "24px", "& [data-part=caution]": { fontSize: "8.5pt", marginTop: "3px" } },
  },
});
