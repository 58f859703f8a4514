/**
 * A picture without what its camera wrote beside it: place, time, make, a smaller picture of the same. Only what is needed to show it
 * is copied; which way up it stands is kept.
 */

/** Pixels that a picture of a label has at most: more is no label, and would fill the memory of whoever looks at it. */
export const mostPixels = 40_000_000;

const u16 = (bytes: Uint8Array, at: number): number => ((bytes[at] ?? 0) << 8) | (bytes[at + 1] ?? 0);
const u32 = (bytes: Uint8Array, at: number): number => u16(bytes, at) * 65_536 + u16(bytes, at + 2);
const textAt = (bytes: Uint8Array, at: number, length: number): string =>
  String.fromCharCode(...bytes.subarray(at, at + length));

function joined(parts: readonly Uint8Array[]): Uint8Array {
  const whole = new Uint8Array(parts.reduce((sum, part) => sum + part.length, 0));
  let at = 0;
  for (const part of parts) {
    whole.set(part, at);
    at += part.length;
  }
  return whole;
}

/** Which way up (1 to 8) an EXIF block says a picture stands; 1 where it says nothing. */
function orientationOf(exif: Uint8Array): number {
  const isLittle = textAt(exif, 0, 2) === "II";
  const two = (at: number) => (isLittle ? (exif[at] ?? 0) | ((exif[at + 1] ?? 0) << 8) : u16(exif, at));
  const four = (at: number) => (isLittle ? two(at) + two(at + 2) * 65_536 : u32(exif, at));
  const directory = four(4);
  const entries = Math.min(two(directory), 200);
  for (let n = 0; n < entries; n += 1) {
    const at = directory + 2 + n * 12;
    if (at + 12 > exif.length) break;
    if (two(at) === 0x0112) return Math.min(8, Math.max(1, two(at + 8)));
  }
  return 1;
}

/** An EXIF block that says which way up, and nothing else. */
const onlyOrientation = (orientation: number): Uint8Array =>
  Uint8Array.from([
    ...[0xff, 0xe1, 0x00, 0x22, ...[..."Exif"].map((letter) => letter.charCodeAt(0)), 0, 0],
    ...[0x4d, 0x4d, 0x00, 0x2a, 0, 0, 0, 8, 0, 1, 0x01, 0x12, 0, 3, 0, 0, 0, 1, 0, orientation, 0, 0, 0, 0, 0, 0],
  ]);

/** Segments that hold the picture itself: frames, tables, restart intervals, and the colours Adobe's marker tells. */
const isShown = (marker: number): boolean =>
  (marker >= 0xc0 && marker <= 0xcf) || (marker >= 0xdb && marker <= 0xdf) || marker === 0xe0 || marker === 0xee;
const isFrame = (marker: number): boolean =>
  marker >= 0xc0 && marker <= 0xcf && marker !== 0xc4 && marker !== 0xc8 && marker !== 0xcc;

/** @returns undefined for what is no JPEG to its scan, or has too many pixels. */
export function bareJpeg(bytes: Uint8Array): Uint8Array | undefined {
  if (u16(bytes, 0) !== 0xffd8) return undefined;
  const kept: Uint8Array[] = [];
  let orientation = 1;
  let pixels = 0;
  let at = 2;
  while (at + 4 <= bytes.length) {
    if (bytes[at] !== 0xff) return undefined;
    const marker = bytes[at + 1] ?? 0;
    if (marker === 0xff) {
      at += 1;
      continue;
    }
    const end = at + 2 + u16(bytes, at + 2);
    if (end > bytes.length || end < at + 4) return undefined;
    if (isFrame(marker)) pixels = u16(bytes, at + 5) * u16(bytes, at + 7);
    if (marker === 0xe1 && textAt(bytes, at + 4, 4) === "Exif")
      orientation = orientationOf(bytes.subarray(at + 10, end));
    if (isShown(marker)) kept.push(bytes.subarray(at, end));
    if (marker === 0xda) {
      if (pixels < 1 || pixels > mostPixels) return undefined;
      // What follows the picture's end (a second picture, a film) is not it.
      const last = lastEnd(bytes, end);
      return joined([
        bytes.subarray(0, 2),
        ...(orientation === 1 ? [] : [onlyOrientation(orientation)]),
        ...kept,
        bytes.subarray(at, last),
      ]);
    }
    at = end;
  }
  return undefined;
}

/** Behind the end-of-image marker that the scans run into; a progressive picture has tables and scans in between. */
function lastEnd(bytes: Uint8Array, from: number): number {
  for (let at = from; at + 1 < bytes.length; at += 1) if (bytes[at] === 0xff && bytes[at + 1] === 0xd9) return at + 2;
  return bytes.length;
}

/** Chunks that show the picture: size, colours, transparency, data. */
const shownChunks: readonly string[] = ["IHDR", "PLTE", "tRNS", "gAMA", "sRGB", "IDAT", "IEND"];

/** @returns undefined for what is no PNG to its end, or has too many pixels. */
export function barePng(bytes: Uint8Array): Uint8Array | undefined {
  if (u32(bytes, 0) !== 0x89504e47) return undefined;
  const kept = [bytes.subarray(0, 8)];
  for (let at = 8; at + 12 <= bytes.length;) {
    const end = at + 12 + u32(bytes, at);
    const kind = textAt(bytes, at + 4, 4);
    if (end > bytes.length) return undefined;
    if (kind === "IHDR" && u32(bytes, at + 8) * u32(bytes, at + 12) > mostPixels) return undefined;
    if (shownChunks.includes(kind)) kept.push(bytes.subarray(at, end));
    if (kind === "IEND") return joined(kept);
    at = end;
  }
  return undefined;
}
