/** Common sizes of label sheets, in millimetres, named by what they measure. */
export interface LabelSheet {
  readonly id: string;
  readonly name: string;
  readonly page: "A4" | "Letter";
  readonly columns: number;
  readonly rows: number;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly leftMm: number;
  readonly topMm: number;
  readonly gapXMm: number;
  readonly gapYMm: number;
}
const sheet = (
  page: LabelSheet["page"],
  columns: number,
  rows: number,
  widthMm: number,
  heightMm: number,
  gapXMm: number,
): LabelSheet => {
  const [pageWidth, pageHeight] = page === "A4" ? [210, 297] : [215.9, 279.4];
  const round = (value: number) => Math.round(value * 100) / 100;
  return {
    id: `${page.toLowerCase()}-${columns}x${rows}`,
    name: `${page}, ${columns} × ${rows} of ${widthMm} × ${heightMm} mm`,
    page,
    columns,
    rows,
    widthMm,
    heightMm,
    gapXMm,
    gapYMm: 0,
    leftMm: round((pageWidth - columns * widthMm - (columns - 1) * gapXMm) / 2),
    topMm: round((pageHeight - rows * heightMm) / 2),
  };
};
export const labelSheets: readonly LabelSheet[] = [
  sheet("A4", 2, 7, 99.1, 38.1, 2.5),
  sheet("A4", 2, 4, 99.1, 67.7, 2.5),
  sheet("A4", 3, 8, 70, 37, 0),
  sheet("Letter", 2, 5, 101.6, 50.8, 4.8),
];
/** Labels already taken off the first sheet, from an address; nonsense is none. */
export const usedUpOf = (sheet: LabelSheet, text: string | null): number =>
  Math.min(Math.max(0, Math.floor(Number(text) || 0)), sheet.columns * sheet.rows - 1);
export const labelSheetOf = (id: string | null): LabelSheet =>
  labelSheets.find((one) => one.id === id) ?? (labelSheets[0] as LabelSheet);

/** Labels that are laid out at once, on a page or in a file: more keep a processor for seconds (measured: 5 ms a label). */
export const mostLabels = 60;
