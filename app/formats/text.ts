/**
 * The one rule for text at every door: composed (NFC), well formed, without control signs that no keyboard makes. What a person typed
 * stays what they see; what only a program sends does not reach the database.
 */
const controls = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f\ufdd0-\ufdef\ufffe\uffff]/g;
/** Letters of one field that are read at all: as many as the largest body has bytes; the fields allow fewer and say so. */
const mostLetters = 2_000_000;

export const cleanText = (text: string): string =>
  text
    .slice(0, mostLetters)
    .toWellFormed()
    .replace(/\ufffd/g, "")
    .replace(controls, "")
    .normalize("NFC");

/** A form whose every text keeps the rule; files are passed on. */
export function cleanForm(form: FormData): FormData {
  const clean = new FormData();
  for (const [name, value] of form.entries())
    clean.append(cleanText(name), typeof value === "string" ? cleanText(value) : value);
  return clean;
}

/** The same for a value that came as JSON. */
export function cleanJson(value: unknown): unknown {
  if (typeof value === "string") return cleanText(value);
  if (Array.isArray(value)) return value.map(cleanJson);
  if (value === null || typeof value !== "object") return value;
  return Object.fromEntries(Object.entries(value).map(([key, field]) => [cleanText(key), cleanJson(field)]));
}
