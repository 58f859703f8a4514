import Papa from "papaparse";

/**
 * A leading sign makes a spreadsheet run a cell as a formula, also after blanks, which some leave out, and in its wide form; an
 * apostrophe before it keeps it text.
 */
const asText = (value: string): string =>
  /^[\s\u00a0]*[=+\-@\uff1d\uff0b\uff0d\uff20\t\r\n]/.test(value) ? `'${value}` : value;

/** CSV text from rows, with CRLF as spreadsheets expect. */
export const writeCsv = (columns: readonly string[], rows: readonly (readonly (string | number)[])[]): string =>
  `${Papa.unparse({ fields: [...columns], data: rows.map((row) => row.map((cell) => (typeof cell === "string" ? asText(cell) : cell))) }, { newline: "\r\n" })}\r\n`;
