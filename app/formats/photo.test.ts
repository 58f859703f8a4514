import { bareJpeg, barePng, mostPixels } from "./photo";

const bytes = (...parts: (number[] | string)[]) =>
  Uint8Array.from(
    parts.flatMap((part) => (typeof part === "string" ? [...part].map((one) => one.charCodeAt(0)) : part)),
  );
const segment = (marker: number, ...parts: (number[] | string)[]) => {
  const body = bytes(...parts);
  const length = body.length + 2;
  return [0xff, marker, length >> 8, length & 255, ...body];
};
/** A little-endian EXIF block with an orientation and a camera's name. */
const exif = (orientation: number) =>
  segment(
    0xe1,
    "Exif",
    [0, 0],
    "II",
    [0x2a, 0, 8, 0, 0, 0, 2, 0],
    [0x0f, 1, 2, 0, 4, 0, 0, 0],
    "CAM",
    [0],
    [0x12, 1, 3, 0, 1, 0, 0, 0, orientation, 0, 0, 0],
    [0, 0, 0, 0],
  );
const frame = (height: number, width: number) =>
  segment(0xc0, [8, height >> 8, height & 255, width >> 8, width & 255, 1, 1, 0x11, 0]);
const scan = [...segment(0xda, [1, 1, 0, 0, 63, 0]), 1, 2, 0xff, 0, 3, 0xff, 0xd9];
const jpeg = (...segments: number[][]) => bytes([0xff, 0xd8], ...segments);
const asText = (found: Uint8Array | undefined) => String.fromCharCode(...(found ?? []));

test("a JPEG loses what its camera wrote, keeps the picture and which way up it stands", () => {
  const table = segment(0xdb, [0, ...Array.from({ length: 64 }, () => 1)]);
  const bare = bareJpeg(
    jpeg(
      exif(6),
      segment(0xfe, "taken at 12 Mill Lane"),
      table,
      frame(100, 200),
      scan,
      [..."a film"].map((one) => one.charCodeAt(0)),
    ),
  );
  expect(asText(bare)).not.toMatch(/CAM|Mill Lane|a film/);
  expect(asText(bare)).toContain(asText(Uint8Array.from(table)));
  expect([...(bare ?? [])].slice(-scan.length)).toEqual(scan);
  // Read again it stands the same way up, and nothing more is taken off.
  expect(bareJpeg(bare ?? new Uint8Array())).toEqual(bare);
  expect(asText(bare)).toContain("Exif");
  expect(asText(bareJpeg(jpeg(exif(1), frame(10, 10), scan)))).not.toContain("Exif");
});

test("a PNG loses its texts and times and keeps what shows it", () => {
  const chunk = (kind: string, ...parts: (number[] | string)[]) => {
    const body = bytes(...parts);
    return [...bytes([0, 0, body.length >> 8, body.length & 255], kind), ...body, 1, 2, 3, 4];
  };
  const size = (width: number, height: number) =>
    [width, height].flatMap((one) => [(one >> 24) & 255, (one >> 16) & 255, (one >> 8) & 255, one & 255]);
  const png = (width: number, height: number) =>
    bytes(
      [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a],
      chunk("IHDR", size(width, height), [8, 2, 0, 0, 0]),
      chunk("tEXt", "Author: somebody"),
      chunk("eXIf", "GPS"),
      chunk("IDAT", "data"),
      chunk("IEND"),
    );
  const bare = barePng(png(20, 30));
  expect(asText(bare)).toMatch(/IHDR.*IDAT.*IEND/s);
  expect(asText(bare)).not.toMatch(/somebody|GPS/);
  expect(barePng(bare ?? new Uint8Array())).toEqual(bare);
  expect(barePng(png(mostPixels, 2))).toBeUndefined();
});

test("what breaks off or is too large is no picture", () => {
  const whole = jpeg(exif(3), frame(100, 200), scan);
  for (const cut of [0, 2, 3, 10, 40]) expect(bareJpeg(whole.subarray(0, cut))).toBeUndefined();
  expect(bareJpeg(jpeg(frame(60_000, 60_000), scan))).toBeUndefined();
  expect(bareJpeg(jpeg(scan))).toBeUndefined();
  expect(barePng(bytes("no picture at all"))).toBeUndefined();
});
