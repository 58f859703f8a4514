// The one door for a hash in the core: a pure implementation, the same in browser, worker and server.
import { sha256 } from "@noble/hashes/sha2.js";
import { bytesToHex, utf8ToBytes } from "@noble/hashes/utils.js";

/** JSON with sorted keys and fractions as text, so that equal values always read the same. */
export function canonical(value: unknown): string {
  if (typeof value === "bigint") return `"${value}n"`;
  if (Array.isArray(value)) return `[${value.map(canonical).join(",")}]`;
  if (value !== null && typeof value === "object") {
    const entries = Object.entries(value)
      .filter(([, field]) => field !== undefined)
      .sort(([a], [b]) => (a < b ? -1 : 1));
    return `{${entries.map(([key, field]) => `${JSON.stringify(key)}:${canonical(field)}`).join(",")}}`;
  }
  return JSON.stringify(value) ?? "null";
}

/** First 80 bits of SHA-256 in hex: short enough to print on a sheet, long enough never to meet by accident. */
export const fingerprintOf = (value: unknown): string => bytesToHex(sha256(utf8ToBytes(canonical(value)))).slice(0, 20);
