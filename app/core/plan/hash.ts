// The one door for a hash in the core: a pure implementation, the same in browser, worker and server.
import { sha256 } from "@noble/hashes/sha2.js";
import { bytesToHex, utf8ToBytes } from "@noble/hashes/utils.js";

/** JSON with sorted keys and fractions as text, so that equal values always read the same. */
export function canonical(value: unknown): string {
  if (typeof value === "bigint") return `"${value}n"`;
  if (Array.isArray(value)) return `[${value.map(canonical).join(",")}]`;
  if (value !== null && typeof value === "object") {
    const fields = value as Readonly<Record<string, unknown>>;
    let text = "";
    for (const key of Object.keys(fields).sort())
      if (fields[key] !== undefined)
        text += `${text === "" ? "" : ","}${JSON.stringify(key)}:${canonical(fields[key])}`;
    return `{${text}}`;
  }
  return JSON.stringify(value) ?? "null";
}

/** While a brief is typed most stages depend on the same text as at the key before. */
const hashes = new Map<string, string>();
const mostHashes = 500;

/** First 80 bits of SHA-256 in hex: short enough to print on a sheet, long enough never to meet by accident. */
export const fingerprintOf = (value: unknown): string => fingerprintOfText(canonical(value));

/** The same of a text that is canonical already. */
export function fingerprintOfText(text: string): string {
  const known = hashes.get(text);
  if (known) return known;
  const hash = bytesToHex(sha256(utf8ToBytes(text))).slice(0, 20);
  if (hashes.size >= mostHashes) hashes.clear();
  hashes.set(text, hash);
  return hash;
}
