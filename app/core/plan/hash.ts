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

/** Memoised by object identity (inputs are immutable): while a brief is typed, most hashed objects stay the same. */
const hashes = new WeakMap<object, string>();

/** First 80 bits of SHA-256 in hex: short enough to print on a sheet, long enough never to meet by accident. */
export function fingerprintOf(value: unknown): string {
  if (typeof value !== "object" || value === null) return fingerprintOfText(canonical(value));
  const known = hashes.get(value);
  if (known) return known;
  const hash = fingerprintOfText(canonical(value));
  hashes.set(value, hash);
  return hash;
}

/** The same of a text that is canonical already. */
export const fingerprintOfText = (text: string): string => bytesToHex(sha256(utf8ToBytes(text))).slice(0, 20);
