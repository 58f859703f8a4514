// A process of its own that decodes one picture and writes it anew: what it showed, upright, at most `edge` pixels long, and nothing
// that its camera wrote beside it. The picture comes in on standard input and leaves on standard output; a process, as its memory can be
// limited. Plain JavaScript, so that the built server, the sources and the tests start the same file.
import { buffer } from "node:stream/consumers";
import jpeg from "jpeg-js";
import { PNG } from "pngjs";

/** @typedef {{ width: number, height: number, data: Uint8Array }} Pixels RGBA, row by row */

/** Averages of `by` times `by` pixels. @param {Pixels} from @param {number} by @returns {Pixels} */
function shrunk({ width, height, data }, by) {
  const [w, h] = [Math.max(1, Math.floor(width / by)), Math.max(1, Math.floor(height / by))];
  const small = new Uint8Array(w * h * 4);
  const [across, down] = [Math.min(by, width), Math.min(by, height)];
  for (let y = 0; y < h; y += 1)
    for (let x = 0; x < w; x += 1)
      for (let channel = 0; channel < 4; channel += 1) {
        let sum = 0;
        for (let dy = 0; dy < down; dy += 1)
          for (let dx = 0; dx < across; dx += 1) sum += data[((y * by + dy) * width + x * by + dx) * 4 + channel];
        small[(y * w + x) * 4 + channel] = sum / (across * down);
      }
  return { width: w, height: h, data: small };
}

/** Turned and mirrored as EXIF's orientation says (1 to 8), so that nothing needs to say it. @param {Pixels} from @param {number} orientation */
function upright({ width, height, data }, orientation) {
  if (orientation === 1) return { width, height, data };
  const isTurned = orientation > 4;
  const [w, h] = isTurned ? [height, width] : [width, height];
  const turned = new Uint8Array(data.length);
  for (let y = 0; y < h; y += 1)
    for (let x = 0; x < w; x += 1) {
      const [u, v] = isTurned ? [y, x] : [x, y];
      const fromX = [2, 3, 7, 8].includes(orientation) ? width - 1 - u : u;
      const fromY = [3, 4, 6, 7].includes(orientation) ? height - 1 - v : v;
      const at = (fromY * width + fromX) * 4;
      turned.set(data.subarray(at, at + 4), (y * w + x) * 4);
    }
  return { width: w, height: h, data: turned };
}

const { kind, orientation, edge, mostMegapixels } = JSON.parse(process.argv[2]);
const bytes = await buffer(process.stdin);
const decoded =
  kind === "image/png"
    ? PNG.sync.read(bytes)
    : jpeg.decode(bytes, { useTArray: true, maxResolutionInMP: mostMegapixels, maxMemoryUsageInMB: 512 });
const by = Math.ceil(Math.max(decoded.width, decoded.height) / edge);
const picture = upright(by > 1 ? shrunk(decoded, by) : decoded, orientation);
const written =
  kind === "image/png"
    ? PNG.sync.write(
        Object.assign(new PNG({ width: picture.width, height: picture.height }), { data: Buffer.from(picture.data) }),
      )
    : jpeg.encode(picture, 82).data;
process.stdout.write(written);
