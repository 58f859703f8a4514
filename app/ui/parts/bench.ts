import { chakra } from "@chakra-ui/react";

/** The amounts on the bench. */
export const BenchLines = chakra("ul", {
  base: {
    "& li": { display: "grid", gridTemplateColumns: "130px minmax(0, 1fr)", gap: "8px", padding: "3px 0" },
  },
});

/** What more people ask for, in a row. */
export const GainLines = chakra("ul", {
  base: { display: "flex", flexWrap: "wrap", gap: "2px 26px" },
});

/** One ingredient in place of another. */
export const SwapRow = chakra("div", {
  base: {
    display: "grid",
    gridTemplateColumns: "180px 110px minmax(0, 260px) auto",
    gap: "8px",
    alignItems: "center",
    padding: "3px 0",
    "@media (max-width: 700px)": { gridTemplateColumns: "1fr" },
  },
});

/** What is changed beside what follows. */
export const BenchColumns = chakra("div", {
  base: {
    display: "grid",
    gap: "24px 48px",
    gridTemplateColumns: "minmax(0, 1fr)",
    alignItems: "start",
    marginBottom: "20px",
    "@media (min-width: 900px)": { gridTemplateColumns: "minmax(0, 0.85fr) minmax(0, 1fr)" },
    "& h3": { margin: "14px 0 4px" },
  },
});

/** A band of usual values with the value in it. */
export const BandBox = chakra("span", {
  base: {
    position: "relative",
    display: "inline-block",
    width: "240px",
    height: "26px",
    borderBottom: "1px solid {colors.fg.muted}",
  },
});

/** The usual part of the band. */
export const BandRoom = chakra("span", {
  base: { position: "absolute", bottom: "0", height: "6px", background: "border.muted" },
});

/** Where the value stands. */
export const BandAt = chakra("span", {
  base: { position: "absolute", bottom: "-3px", width: "3px", height: "12px", background: "fg", marginLeft: "-1px" },
});

/** The same in words. */
export const BandWords = chakra("span", {
  base: { position: "absolute", left: "0", top: "-2px", fontSize: "13px", color: "fg.muted", whiteSpace: "nowrap" },
});

/** The answer of a calculator. */
export const Answer = chakra(
  "p",
  { base: { fontSize: "19px", fontWeight: 600, padding: "4px 0" } },
  { defaultProps: { "data-part": "answer" } },
);

/** What a swap changes, as names and values. */
export const EffectList = chakra("dl", {
  base: {
    display: "grid",
    gridTemplateColumns: "96px minmax(0, 1fr)",
    margin: "8px 0",
    "& dt": { fontWeight: 600, padding: "4px 0", borderBottom: "1px solid {colors.border.muted}" },
    "& dd": { margin: "0", padding: "4px 0", borderBottom: "1px solid {colors.border.muted}" },
  },
});

/** A chart with its caption. */
export const ChartFigure = chakra("figure", { base: { margin: "12px 0 0" } });

/** Calculators side by side. */
export const SumGrid = chakra("div", {
  base: { display: "grid", gap: "18px 36px", gridTemplateColumns: "repeat(auto-fill, minmax(300px, 1fr))" },
});

/** One calculator. */
export const SumCard = chakra("section", {
  base: { borderTop: "1px solid {colors.fg}", paddingTop: "8px", "& [data-part=answer]": { fontSize: "17px" } },
});

/** What a different number of people would change. */
export const GainNote = chakra("div", {
  base: {
    borderTop: "1px solid {colors.border.muted}",
    padding: "8px 0",
    "& h3": { fontSize: "19px" },
    "& h3 span": { fontFamily: "body", fontWeight: 400 },
  },
});
