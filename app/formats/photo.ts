/** What the first bytes of a picture say: enough to refuse what is none, or too large, before anything of it is decoded. */
export interface PhotoHead {
  readonly kind: "image/jpeg" | "image/png";
  /** Pixels, 1 and more. */
  readonly width: number;
  readonly height: number;
  /** Which way up its camera stood, as EXIF numbers it: 1 (upright) to 8. */
  readonly orientation: number;
}

/** Pixels that a picture of a label has at most: more is no label, and would fill the memory of whoever decodes it. */
export const mostPixels = 24_000_000;

const u16 = (bytes: Uint8Array, at: number): number => ((bytes[at] ?? 0) << 8) | (bytes[at + 1] ?? 0);
const u32 = (bytes: Uint8Array, at: number): number => u16(bytes, at) * 65_536 + u16(bytes, at + 2);
const textAt = (bytes: Uint8Array, at: number, length: number): string =>
  String.fromCharCode(...bytes.subarray(at, at + length));

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

const isFrame = (marker: number): boolean =>
  marker >= 0xc0 && marker <= 0xcf && marker !== 0xc4 && marker !== 0xc8 && marker !== 0xcc;

function jpegHead(bytes: Uint8Array): PhotoHead | undefined {
  let orientation = 1;
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
    if (marker === 0xe1 && textAt(bytes, at + 4, 4) === "Exif")
      orientation = orientationOf(bytes.subarray(at + 10, end));
    if (isFrame(marker))
      return { kind: "image/jpeg", height: u16(bytes, at + 5), width: u16(bytes, at + 7), orientation };
    at = end;
  }
  return undefined;
}

/**
 * A PNG by its head chunk. One that is interlaced, or has 16 bits a channel, is refused: no camera writes it, and it is decoded at many
 * times its size.
 */
function pngHead(bytes: Uint8Array): PhotoHead | undefined {
  const [bits, interlace] = [bytes[24], bytes[28]];
  return u32(bytes, 4) === 0x0d0a1a0a && textAt(bytes, 12, 4) === "IHDR" && interlace === 0 && (bits ?? 16) <= 8
    ? { kind: "image/png", width: u32(bytes, 16), height: u32(bytes, 20), orientation: 1 }
    : undefined;
}

/**
 * @returns undefined for what is neither JPEG nor PNG by its first bytes, is a PNG of a kind no camera writes, or has no pixels or more
 * than {@link mostPixels}.
 */
export function photoHead(bytes: Uint8Array): PhotoHead | undefined {
  const head = u16(bytes, 0) === 0xffd8 ? jpegHead(bytes) : u32(bytes, 0) === 0x89504e47 ? pngHead(bytes) : undefined;
  const pixels = head ? head.width * head.height : 0;
  return pixels >= 1 && pixels <= mostPixels ? head : undefined;
}
