import { mostPixels, photoHead } from "./photo";

const bytes = (...parts: (readonly number[] | string)[]) =>
  Uint8Array.from(
    parts.flatMap((part) => (typeof part === "string" ? [...part].map((one) => one.charCodeAt(0)) : part)),
  );
const segment = (marker: number, ...parts: (readonly number[] | string)[]) => {
  const body = bytes(...parts);
  const length = body.length + 2;
  return [0xff, marker, length >> 8, length & 255, ...body];
};
const four = (value: number) => [value >>> 24, (value >> 16) & 255, (value >> 8) & 255, value & 255];
/** An EXIF block with a camera's name and an orientation, in either order of bytes. */
const exif = (orientation: number, isLittle = true) =>
  isLittle
    ? segment(
        ...([0xe1, "Exif", [0, 0], "II", [0x2a, 0, 8, 0, 0, 0, 2, 0]] as const),
        ...([[0x0f, 1, 2, 0, 4, 0, 0, 0], "CAM", [0]] as const),
        [0x12, 1, 3, 0, 1, 0, 0, 0, orientation, 0, 0, 0, 0, 0, 0, 0],
      )
    : segment(0xe1, "Exif", [0, 0], "MM", [0, 0x2a, 0, 0, 0, 8, 0, 1, 1, 0x12, 0, 3, 0, 0, 0, 1, 0, orientation, 0, 0]);
const frame = (height: number, width: number) =>
  segment(0xc0, [8, height >> 8, height & 255, width >> 8, width & 255, 1, 1, 0x11, 0]);
const jpeg = (...segments: number[][]) => bytes([0xff, 0xd8], ...segments);
const png = (width: number, height: number, bits = 8, interlace = 0) =>
  bytes([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 0, 0, 0, 13], "IHDR", [
    ...four(width),
    ...four(height),
    ...[bits, 6, 0, 0, interlace],
  ]);

test("kind, size and which way up are read from the first bytes", () => {
  expect(photoHead(jpeg(exif(6), segment(0xfe, "a note"), frame(100, 200)))).toEqual({
    kind: "image/jpeg",
    width: 200,
    height: 100,
    orientation: 6,
  });
  expect(photoHead(jpeg(exif(8, false), frame(3, 4)))?.orientation).toBe(8);
  expect(photoHead(jpeg(exif(200), frame(3, 4)))?.orientation).toBe(8);
  expect(photoHead(jpeg(frame(3, 4)))?.orientation).toBe(1);
  expect(photoHead(png(20, 30))).toEqual({ kind: "image/png", width: 20, height: 30, orientation: 1 });
});

test("what breaks off, has no pixels or too many is no picture", () => {
  const whole = jpeg(exif(3), frame(100, 200));
  for (const cut of [0, 2, 3, 10, 40]) expect(photoHead(whole.subarray(0, cut))).toBeUndefined();
  expect(photoHead(jpeg(frame(60_000, 60_000)))).toBeUndefined();
  expect(photoHead(jpeg(frame(0, 60)))).toBeUndefined();
  expect(photoHead(png(mostPixels, 2))).toBeUndefined();
  expect(photoHead(bytes("no picture at all"))).toBeUndefined();
});

test("a PNG that is interlaced or has 16 bits a channel is refused before anything of it is decoded", () => {
  expect(photoHead(png(20, 30, 8, 1))).toBeUndefined();
  expect(photoHead(png(20, 30, 16))).toBeUndefined();
  expect(photoHead(png(20, 30).subarray(0, 26))).toBeUndefined();
});
