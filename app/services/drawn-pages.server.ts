import { createHash } from "node:crypto";
import { LRUCache } from "lru-cache";

/**
 * Pages as they were drawn, kept for a moment by all that they were drawn from. Drawing a page is more than half of what it costs, and
 * a class that nobody wrote is asked for again and again: by every tablet in the room, and by whoever goes to and fro between stages.
 * Loaders run at every request all the same, so who may see what, and that they saw it, is decided and written down anew each time.
 */
interface DrawnPage {
  /** The page in UTF-8, cut where its nonce stood. */
  readonly parts: readonly Buffer[];
}

/** Pages say "in three days" and the like: none is older than this. */
const keptMs = 60_000;
/** A room of tablets on one class takes a tenth of it; beside what the program needs anyway it is little. */
const mostBytes = 8_000_000;

const pages = new LRUCache<string, DrawnPage>({
  maxSize: mostBytes,
  sizeCalculation: ({ parts }) => parts.reduce((sum, part) => sum + part.length, 1),
  ttl: keptMs,
});

/** Keys of pages that were asked for lately, whether or not they are kept. */
const asked = new LRUCache<string, true>({ max: 5_000, ttl: keptMs });

/**
 * Is a page worth keeping? One that is asked for again is; what is asked for once, such as by whoever tries every address there is,
 * costs nothing but its key.
 */
export function isAskedAgain(key: string): boolean {
  const isAgain = asked.has(key);
  asked.set(key, true);
  return isAgain;
}

/** A value that no key can be made of: something that is still coming, or that says nothing of itself when written. */
class NotKeyed extends Error {}

function asKeyed(_name: string, value: unknown): unknown {
  if (value === undefined) return "\0undefined";
  if (typeof value === "bigint") return `\0${value}`;
  if (typeof value === "function" || typeof value === "symbol") throw new NotKeyed();
  if (typeof value !== "object" || value === null || Array.isArray(value)) return value;
  const kind: unknown = Object.getPrototypeOf(value);
  if (kind !== Object.prototype && kind !== null) throw new NotKeyed();
  return value;
}

/**
 * The key of a page: its address and everything its loaders gave.
 * @returns undefined for a page that cannot be kept, as part of it is still coming.
 */
export function keyOfPage(address: string, loaderData: unknown): string | undefined {
  try {
    return createHash("sha256")
      .update(JSON.stringify([address, loaderData], asKeyed))
      .digest("base64");
  } catch (error) {
    if (error instanceof NotKeyed) return undefined;
    throw error;
  }
}

/** A page drawn before from the same, with the nonce of this answer; undefined where there is none. */
export function drawnBefore(key: string, nonce: string): Buffer | undefined {
  const page = pages.get(key);
  const between = Buffer.from(nonce);
  return page && Buffer.concat(page.parts.flatMap((part, index) => (index === 0 ? [part] : [between, part])));
}

/** Keeps a page that was drawn whole. @param nonce what is cut out of it; never empty. */
export function keepDrawn(key: string, html: string, nonce: string): void {
  if (nonce === "") throw new RangeError("A page is kept without its nonce; this one has none to cut out.");
  pages.set(key, { parts: html.split(nonce).map((part) => Buffer.from(part)) });
}
