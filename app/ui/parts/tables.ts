import { Table, chakra } from "@chakra-ui/react";

/** A ruled table whose plain cells the theme's table styles, and the kinds of it that are more than that. */
export const RuledTable = chakra(
  Table.Root,
  {
    variants: {
      isFixed: { true: { "@media (min-width: 700px)": { tableLayout: "fixed" } } },
      kind: {
        plain: {},
        stacked: {
          "@media (max-width: 560px)": {
            "&, & tbody, & caption": { display: "block" },
            "& colgroup, & thead": { display: "none" },
            "& tr": {
              display: "grid",
              gridTemplateColumns: "minmax(0, 1fr) auto",
              gap: "2px 16px",
              padding: "10px 0",
              borderBottom: "1px solid {colors.border.muted}",
            },
            "& td": { display: "block", padding: "0", borderBottom: "0" },
            "& th[scope=row]": { display: "block", gridColumn: "1 / -1", padding: "0", borderBottom: "0" },
            "& th[scope=row] ~ td[data-numeric]": { textAlign: "start" },
            "& td[data-whole]": { gridColumn: "1 / -1" },
            "& td[data-first]": { gridRow: "1" },
            "& td[data-first]:not([data-whole])": { gridColumn: "2" },
          },
        },
        minutes: { "& td:first-of-type": { textAlign: "left", whiteSpace: "nowrap" } },
        scales: {
          '& th[scope="row"]': { whiteSpace: "nowrap" },
          "& [data-chosen]": { background: "bg.muted" },
          "& td, & thead th, & tbody th": { paddingLeft: "10px" },
        },
        shelf: { "& td": { paddingTop: "5px", paddingBottom: "5px" } },
        kit: {
          "& td": { verticalAlign: "middle", padding: "6px 12px 6px 0" },
          "& td:first-of-type": { width: "17em" },
          "& td:last-of-type": { width: "28px", paddingRight: "0" },
          "& tr[data-group] th": { fontSize: "18px", paddingTop: "12px" },
          // What to take, drawn in its true size.
          "& [data-part=take]": { display: "flex", flexWrap: "wrap", alignItems: "flex-end", gap: "4px 2px" },
          "& [data-part=drawn]": {
            display: "inline-block",
            verticalAlign: "bottom",
            marginRight: "0.3em",
            flex: "none",
            stroke: "fg",
            fill: "none",
            overflow: "visible",
            printColorAdjust: "exact",
          },
          "& [data-partial]": { strokeDasharray: "3 2.5" },
          "& [data-part=drawn] text": { fill: "fg", stroke: "none", fontWeight: "700" },
          "& [data-part=times]": { marginRight: "0.3em" },
          "& [data-part=box]": {
            display: "inline-block",
            width: "24px",
            height: "24px",
            border: "1.5px solid {colors.fg}",
          },
          "& tr[data-group] [data-part=drawn]": { verticalAlign: "middle", marginRight: "0.5em" },
          "& [data-part=in-words]": { fontSize: "0.92em", color: "fg.muted" },
          "& [data-numeric]": { fontSize: "1.08em", fontWeight: "600" },
          "@media (max-width: 560px)": { "& td:first-of-type": { width: "9em" } },
          _print: { "& td": { padding: "3px 8px 3px 0" }, "& td:first-of-type": { width: "10em" } },
        },
        matrix: {
          '& th[scope="col"]': { verticalAlign: "bottom" },
          '& th[scope="col"] span': {
            writingMode: "vertical-rl",
            transform: "rotate(180deg)",
            fontWeight: "600",
            whiteSpace: "nowrap",
          },
          '& th[scope="row"]': { textAlign: "left", fontWeight: "600", whiteSpace: "nowrap" },
          "& td[data-verdict]": { textAlign: "center", fontSize: "18px", minWidth: "30px" },
          "& td[data-verdict=contains]": { background: "accent.solid", color: "bg.panel", fontWeight: "700" },
          "& td[data-verdict=unknown]": { background: "accent.subtle", fontWeight: "700" },
          "& td[data-verdict=may-contain]": { background: "accent.subtle" },
          "& td[data-elsewhere]": { opacity: 0.45 },
        },
      },
    },
  },
  { defaultProps: { native: true } },
);
