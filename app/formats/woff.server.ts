import { inflateSync } from "node:zlib";

const woffHeader = 44;
const woffEntry = 20;
const fontHeader = 12;
const fontEntry = 16;

/**
 * A font as its tables lie in it unpacked, from the packed form that browsers take (WOFF 1, as the consortium of the web describes it).
 * Whoever draws with the packed form unpacks its outlines at every document, in script: half of what a sheet of labels costs.
 * @throws RangeError for anything else than WOFF 1.
 */
export function unpackedFont(woff: Buffer): Buffer {
  if (woff.toString("latin1", 0, 4) !== "wOFF") throw new RangeError("Expected a font packed as WOFF 1.");
  const tables = woff.readUInt16BE(12);
  const entries = Array.from({ length: tables }, (_, n) => {
    const at = woffHeader + n * woffEntry;
    const [offset, packed, size] = [woff.readUInt32BE(at + 4), woff.readUInt32BE(at + 8), woff.readUInt32BE(at + 12)];
    const bytes = woff.subarray(offset, offset + packed);
    return {
      tag: woff.subarray(at, at + 4),
      checksum: woff.readUInt32BE(at + 16),
      data: packed < size ? inflateSync(bytes) : bytes,
    };
  });
  const head = Buffer.alloc(fontHeader + tables * fontEntry);
  const power = Math.floor(Math.log2(Math.max(1, tables)));
  head.writeUInt32BE(woff.readUInt32BE(4), 0);
  head.writeUInt16BE(tables, 4);
  head.writeUInt16BE(2 ** power * 16, 6);
  head.writeUInt16BE(power, 8);
  head.writeUInt16BE(tables * 16 - 2 ** power * 16, 10);
  const parts: Buffer[] = [head];
  let offset = head.length;
  entries.forEach(({ tag, checksum, data }, n) => {
    const at = fontHeader + n * fontEntry;
    tag.copy(head, at);
    head.writeUInt32BE(checksum, at + 4);
    head.writeUInt32BE(offset, at + 8);
    head.writeUInt32BE(data.length, at + 12);
    // Tables begin at whole words.
    const padding = (4 - (data.length % 4)) % 4;
    parts.push(data, Buffer.alloc(padding));
    offset += data.length + padding;
  });
  return Buffer.concat(parts);
}
