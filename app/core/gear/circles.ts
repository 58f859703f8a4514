/**
 * How many round pieces cook on a surface at once. The answer is always a layout that was worked out and looked over, circle by
 * circle, so it is never more than really fit; it may be one fewer than the best that is known.
 */
export type SurfaceSize =
  | { readonly kind: "round"; readonly diameterCm: number }
  | { readonly kind: "rect"; readonly widthCm: number; readonly depthCm: number };

/** The middle of a piece, in cm from the middle of the surface. */
export interface Centre {
  readonly x: number;
  readonly y: number;
}

/** Room to leave around a piece, in cm: pieces too close join up (starting value). */
export const pieceGapCm = 1;
/** More than this nobody turns in time; a surface that would hold more counts as this many (starting value). */
export const mostPieces = 60;

const epsilon = 1e-9;
/** Beyond this many pieces a lattice is as good as anything else. */
const mostShaken = 31;

/** Half the width in which middles may lie: the surface less the piece's own radius. */
const reach = (size: SurfaceSize, radius: number): { x: number; y: number } =>
  size.kind === "round"
    ? { x: size.diameterCm / 2 - radius, y: size.diameterCm / 2 - radius }
    : { x: size.widthCm / 2 - radius, y: size.depthCm / 2 - radius };

const isInside = (size: SurfaceSize, radius: number, { x, y }: Centre): boolean => {
  const within = reach(size, radius);
  return size.kind === "round"
    ? Math.hypot(x, y) <= within.x + epsilon
    : Math.abs(x) <= within.x + epsilon && Math.abs(y) <= within.y + epsilon;
};

/** True when every circle lies on the surface and none touches another by more than rounding. */
export function isLayout(size: SurfaceSize, diameter: number, centres: readonly Centre[]): boolean {
  const least = diameter - epsilon;
  return centres.every(
    (one, index) =>
      isInside(size, diameter / 2, one) &&
      centres.slice(index + 1).every((other) => Math.hypot(one.x - other.x, one.y - other.y) >= least),
  );
}

const evenly = (from: number, to: number, count: number): number[] =>
  count === 1 ? [(from + to) / 2] : Array.from({ length: count }, (_, i) => from + ((to - from) * i) / (count - 1));

/** Rows of a rectangle, straight or staggered, as far apart as the depth allows. */
function inRows(width: number, depth: number, diameter: number): Centre[][] {
  if (width < diameter - epsilon || depth < diameter - epsilon) return [];
  const [w, d] = [Math.max(0, width - diameter), Math.max(0, depth - diameter)];
  const layouts: Centre[][] = [];
  const straight = Math.floor(w / diameter + epsilon) + 1;
  const rows = Math.floor(d / diameter + epsilon) + 1;
  layouts.push(evenly(-d / 2, d / 2, rows).flatMap((y) => evenly(-w / 2, w / 2, straight).map((x) => ({ x, y }))));
  // Staggered: with `long` in every other row, the rows between stand half a step over; the step follows from the row distance.
  for (let count = 2; count <= mostPieces; count += 1) {
    const between = d / (count - 1);
    if (between >= diameter) continue;
    const step = Math.max(diameter, 2 * Math.sqrt(Math.max(0, diameter * diameter - between * between)));
    if (between < diameter * 0.4) break;
    const long = Math.floor(w / step + epsilon) + 1;
    const span = (long - 1) * step;
    const isEqual = span + step / 2 <= w + epsilon;
    const from = isEqual ? -w / 2 : -span / 2;
    layouts.push(
      evenly(-d / 2, d / 2, count).flatMap((y, row) =>
        Array.from({ length: row % 2 === 0 || isEqual ? long : long - 1 }, (_, i) => ({
          x: from + i * step + (row % 2 === 0 ? 0 : step / 2),
          y,
        })),
      ),
    );
  }
  return layouts;
}

/** Rings from the rim inwards, and what then fits into the middle by the same rule. */
function inRings(radius: number, r: number): Centre[] {
  const out = radius - r;
  if (out < -epsilon) return [];
  if (out < r - epsilon) return [{ x: 0, y: 0 }];
  const count = Math.floor(Math.PI / Math.asin(Math.min(1, r / out)) + epsilon);
  const ring = Array.from({ length: count }, (_, i) => ({
    x: out * Math.cos((2 * Math.PI * i) / count),
    y: out * Math.sin((2 * Math.PI * i) / count),
  }));
  return [...ring, ...inRings(radius - 2 * r, r)];
}

/** A honeycomb laid over the pan from many starting points; the best of them. */
function inHoneycomb(size: SurfaceSize, diameter: number): Centre[] {
  const height = (diameter * Math.sqrt(3)) / 2;
  const { x: w, y: d } = reach(size, diameter / 2);
  const [columns, rows] = [Math.ceil(w / diameter) + 1, Math.ceil(d / height) + 1];
  let best: Centre[] = [];
  const starts = 12;
  for (let a = 0; a < starts; a += 1)
    for (let b = 0; b < starts; b += 1) {
      const found: Centre[] = [];
      for (let row = -rows; row <= rows; row += 1)
        for (let column = -columns - 1; column <= columns; column += 1) {
          const shift = Math.abs(row % 2) === 1 ? diameter / 2 : 0;
          const centre = {
            x: column * diameter + shift + (a * diameter) / starts,
            y: row * height + (b * height) / starts,
          };
          if (isInside(size, diameter / 2, centre)) found.push(centre);
        }
      if (found.length > best.length) best = found;
    }
  return best;
}

/** The same numbers every time: a layout must not change from one look to the next. */
function steady(seed: number): () => number {
  let state = seed >>> 0 || 1;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 4294967296;
  };
}

const rounds = 400;
const shakes = 28;
/** Share of the rounds during which the circles grow to their size, and what they start with: small ones sort themselves out. */
const growing = 0.4;
const startsWith = 0.75;
/** A start that still overlaps by this share of a diameter some rounds after growing is stuck: on to the next. */
const stuck = { after: 40, share: 0.03 };

/** Pushes `count` circles apart from thrown positions while they grow, until none overlaps; `undefined` when that does not come about. */
function shaken(size: SurfaceSize, diameter: number, count: number, from: readonly Centre[]): Centre[] | undefined {
  // A hair larger while pushing, so that what is left of the overlaps does not matter at the real diameter.
  const full = diameter * (1 + 1e-4);
  const { x: w, y: d } = reach(size, full / 2);
  if (w < 0 || d < 0) return undefined;
  const [xs, ys] = [new Float64Array(count), new Float64Array(count)];
  for (let shake = 0; shake < shakes; shake += 1) {
    const next = steady(count * 7919 + shake * 104729 + 17);
    // Every other start is the layout before, loosened, with the new circle thrown in.
    const before = shake % 2 === 0 ? [] : from;
    for (let i = 0; i < count; i += 1) {
      const old = before[i];
      xs[i] = old ? old.x + (next() - 0.5) * diameter * 0.4 : (next() * 2 - 1) * w;
      ys[i] = old ? old.y + (next() - 0.5) * diameter * 0.4 : (next() * 2 - 1) * d;
    }
    for (let round = 0; round < rounds; round += 1) {
      const wide = full * Math.min(1, startsWith + ((1 - startsWith) * round) / (growing * rounds));
      const square = wide * wide;
      let worst = 0;
      for (let i = 0; i < count; i += 1) {
        let [x, y] = [xs[i] as number, ys[i] as number];
        for (let j = i + 1; j < count; j += 1) {
          const dx = (xs[j] as number) - x;
          const dy = (ys[j] as number) - y;
          const apart2 = dx * dx + dy * dy;
          if (apart2 >= square) continue;
          const apart = Math.sqrt(apart2);
          const over = wide - apart;
          if (over > worst) worst = over;
          const share = apart > epsilon ? over / apart / 2 : 0.5;
          const [mx, my] = apart > epsilon ? [dx * share, dy * share] : [wide * 0.01, 0];
          x -= mx;
          y -= my;
          xs[j] = (xs[j] as number) + mx;
          ys[j] = (ys[j] as number) + my;
        }
        if (size.kind === "round") {
          const far = Math.sqrt(x * x + y * y);
          if (far > w) [x, y] = [(x * w) / far, (y * w) / far];
        } else [x, y] = [Math.min(w, Math.max(-w, x)), Math.min(d, Math.max(-d, y))];
        xs[i] = x;
        ys[i] = y;
      }
      if (wide === full && worst < (full - diameter) * 0.9) break;
      if (round > growing * rounds + stuck.after && worst > stuck.share * diameter) break;
    }
    const centres = Array.from(xs, (x, i) => ({ x, y: ys[i] as number }));
    if (isLayout(size, diameter, centres)) return centres;
  }
  return undefined;
}

const area = (size: SurfaceSize): number =>
  size.kind === "round" ? (Math.PI * size.diameterCm ** 2) / 4 : size.widthCm * size.depthCm;

/** No arrangement of equal circles covers more of a plane than a honeycomb does. */
const densest = Math.PI / Math.sqrt(12);

/**
 * A layout of as many circles as were found to fit, at most `most`.
 * @param diameterCm of the piece with the room around it; more than 0.
 * @throws {RangeError} when that is not so.
 */
export function layoutOf(size: SurfaceSize, diameterCm: number, most: number = mostPieces): readonly Centre[] {
  if (!(diameterCm > 0)) throw new RangeError(`expected a piece wider than 0 cm, got ${diameterCm}.`);
  // A griddle is laid out with its long side along, and turned after, so that turning it changes nothing.
  if (size.kind === "rect" && size.depthCm > size.widthCm)
    return layoutOf({ kind: "rect", widthCm: size.depthCm, depthCm: size.widthCm }, diameterCm, most).map(
      ({ x, y }) => ({ x: y, y: x }),
    );
  const r = diameterCm / 2;
  const candidates =
    size.kind === "round"
      ? [inRings(size.diameterCm / 2, r), inHoneycomb(size, diameterCm)]
      : [
          ...inRows(size.widthCm, size.depthCm, diameterCm),
          ...inRows(size.depthCm, size.widthCm, diameterCm).map((layout) => layout.map(({ x, y }) => ({ x: y, y: x }))),
        ];
  let best = candidates
    .filter((layout) => isLayout(size, diameterCm, layout))
    .reduce<readonly Centre[]>((so, layout) => (layout.length > so.length ? layout : so), []);
  const byArea = area(size) / ((Math.PI * diameterCm ** 2) / 4);
  while (best.length > 0 && best.length < Math.min(most, mostShaken) && best.length + 1 <= byArea * densest + 1) {
    const more = shaken(size, diameterCm, best.length + 1, best);
    if (!more) break;
    best = more;
  }
  return best.slice(0, most);
}

/** Layouts by surface, as neither changes while a brief is typed and a timeline asks at every load. */
const known = new WeakMap<SurfaceSize, Map<string, readonly Centre[]>>();

/** A surface as middles of pieces see it: the gap is kept between pieces, not to the rim, so the rim stands back by half of it. */
export const withRim = (size: SurfaceSize): SurfaceSize =>
  size.kind === "round"
    ? { kind: "round", diameterCm: size.diameterCm + pieceGapCm }
    : { kind: "rect", widthCm: size.widthCm + pieceGapCm, depthCm: size.depthCm + pieceGapCm };

/**
 * Where pieces of a diameter lie on a surface with {@link pieceGapCm} between them, at most `most`, in cm from its middle. A piece as
 * wide as its pan fits; none when not even one does.
 */
export function piecesLaidOut(
  size: SurfaceSize,
  pieceDiameterCm: number,
  most: number = mostPieces,
): readonly Centre[] {
  const layouts = known.get(size) ?? new Map<string, readonly Centre[]>();
  known.set(size, layouts);
  const key = `${pieceDiameterCm} ${most}`;
  const layout = layouts.get(key) ?? layoutOf(withRim(size), pieceDiameterCm + pieceGapCm, most);
  layouts.set(key, layout);
  return layout;
}

/** Rows of so many pieces over a whole rectangle; the last row may be shorter and stands in the middle. */
function grids({ widthCm, depthCm }: Extract<SurfaceSize, { kind: "rect" }>, count: number): Centre[][] {
  return Array.from({ length: count }, (_, index) => {
    const columns = Math.ceil(count / (index + 1));
    const rows = Math.ceil(count / columns);
    return Array.from({ length: count }, (_piece, at) => {
      const row = Math.floor(at / columns);
      const inRow = Math.min(columns, count - row * columns);
      return { x: (((at % columns) + 0.5) / inRow - 0.5) * widthCm, y: ((row + 0.5) / rows - 0.5) * depthCm };
    });
  });
}

/** How near the two nearest pieces of a layout are, in cm between their middles. */
const nearest = (centres: readonly Centre[]): number =>
  centres.reduce(
    (least, one, index) =>
      centres.slice(index + 1).reduce((so, other) => Math.min(so, Math.hypot(one.x - other.x, one.y - other.y)), least),
    Infinity,
  );

/**
 * Where so few pieces lie that there is room to spare: apart from each other, over the whole surface, as a cook would lay them. As
 * {@link piecesLaidOut} where they fit no other way.
 */
export function piecesSpread(
  size: SurfaceSize,
  pieceDiameterCm: number,
  count: number,
  most: number = mostPieces,
): readonly Centre[] {
  const packed = piecesLaidOut(size, pieceDiameterCm, most).slice(0, count);
  const wanted = packed.length;
  if (wanted === 0) return packed;
  const wide = withRim(size);
  const apart = pieceDiameterCm + pieceGapCm;
  const ring = (): Centre[] => {
    // Half-way between middle and rim, so that nothing hangs over and the middle is not empty for nothing.
    const far =
      wanted === 1
        ? 0
        : Math.max(apart / 2 / Math.sin(Math.PI / wanted), (pieceDiameterCm + reach(wide, apart / 2).x) / 2);
    return Array.from({ length: wanted }, (_, index) => ({
      x: far * Math.sin((2 * Math.PI * index) / wanted),
      y: -far * Math.cos((2 * Math.PI * index) / wanted),
    }));
  };
  const tried = wide.kind === "round" ? [ring()] : grids(wide, wanted);
  return tried
    .filter((layout) => isLayout(wide, apart, layout))
    .reduce<readonly Centre[]>((so, layout) => (so === packed || nearest(layout) > nearest(so) ? layout : so), packed);
}

/** How many pieces of a diameter fit on a surface, at most `most`. */
export const piecesOn = (size: SurfaceSize, pieceDiameterCm: number, most: number = mostPieces): number =>
  piecesLaidOut(size, pieceDiameterCm, most).length;
