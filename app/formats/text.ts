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

/** Rows of a list that a form has at most; a form of ours has none longer, and a list of a thousand million holes stops the server. */
const mostRows = 1000;
const mostFields = 6000;
const isName = (name: string): boolean =>
  name.length <= 120 && [...name.matchAll(/\[(\d*)\]/g)].every(([, row]) => Number(row) < mostRows);

/** A form whose every text keeps the rule; fields that no form of ours has are left out, files are passed on. */
export function cleanForm(form: FormData): FormData {
  const clean = new FormData();
  let fields = 0;
  for (const [name, value] of form.entries()) {
    fields += 1;
    if (!isName(name) || fields > mostFields) continue;
    clean.append(cleanText(name), typeof value === "string" ? cleanText(value) : value);
  }
  return clean;
}

/** Lists and objects within one another at most: no file or form of ours has more than a dozen. */
const deepest = 60;

/** Does a JSON text nest deeper than anything of ours? Read once from its beginning to its end. */
export function isTooDeep(json: string): boolean {
  let depth = 0;
  let isText = false;
  for (let at = 0; at < json.length; at += 1) {
    const sign = json[at];
    if (isText) {
      if (sign === "\\") at += 1;
      else if (sign === '"') isText = false;
    } else if (sign === '"') isText = true;
    else if (sign === "[" || sign === "{") {
      depth += 1;
      if (depth > deepest) return true;
    } else if (sign === "]" || sign === "}") depth -= 1;
  }
  return false;
}

/** What a JSON text says. @throws a SyntaxError for what is none, or nests deeper than anything of ours. */
export function parseJson(json: string): unknown {
  const text = json.replace(/^\uFEFF/, "");
  if (isTooDeep(text)) throw new SyntaxError(`This is nested more than ${deepest} deep.`);
  return JSON.parse(text) as unknown;
}

/** The same for a value that came as JSON. */
export function cleanJson(value: unknown): unknown {
  if (typeof value === "string") return cleanText(value);
  if (Array.isArray(value)) return value.map(cleanJson);
  if (value === null || typeof value !== "object") return value;
  return Object.fromEntries(Object.entries(value).map(([key, field]) => [cleanText(key), cleanJson(field)]));
}
