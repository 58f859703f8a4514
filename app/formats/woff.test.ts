import { readFileSync } from "node:fs";
import { createRequire } from "node:module";
import { unpackedFont } from "./woff.server";

const file = createRequire(import.meta.url).resolve("@fontsource/zilla-slab/files/zilla-slab-latin-400-normal.woff");

/** The sum of a table's words, as its font says it. */
function checksumOf(table: Buffer): number {
  const whole = Buffer.concat([table, Buffer.alloc((4 - (table.length % 4)) % 4)]);
  let sum = 0;
  for (let at = 0; at < whole.length; at += 4) sum = (sum + whole.readUInt32BE(at)) >>> 0;
  return sum;
}

test("an unpacked font has every table whole, by the font's own sums", () => {
  const font = unpackedFont(readFileSync(file));
  const tables = font.readUInt16BE(4);
  expect(tables).toBeGreaterThan(8);
  const tags = Array.from({ length: tables }, (_, n) => {
    const at = 12 + n * 16;
    const tag = font.toString("latin1", at, at + 4);
    const [checksum, offset, length] = [
      font.readUInt32BE(at + 4),
      font.readUInt32BE(at + 8),
      font.readUInt32BE(at + 12),
    ];
    expect(offset % 4).toBe(0);
    expect(offset + length).toBeLessThanOrEqual(font.length);
    const table = Buffer.from(font.subarray(offset, offset + length));
    // The head's sum is taken without the word that makes the whole font's come out right.
    if (tag === "head") table.writeUInt32BE(0, 8);
    expect(checksumOf(table)).toBe(checksum);
    return tag;
  });
  expect(tags).toEqual(expect.arrayContaining(["cmap", "glyf", "head", "hmtx", "loca"]));
});

test("what is no packed font is refused in words", () => {
  expect(() => unpackedFont(Buffer.from("%PDF-1.7 and so on"))).toThrow("Expected a font packed as WOFF 1.");
});
