import { pourThickness } from "~/core/batter";
import { type Millilitres, type Minutes, inMillilitres, inMinutes } from "~/core/quantity";
import type { Recipe, ShapeId } from "~/core/recipe";

/** A point in centimetres on a piece that is 10 cm wide, from its upper left. */
export type Point = readonly [x: number, y: number];

/** One movement of the bottle: along a line, or filling what lines enclose. */
export interface Stroke {
  readonly kind: "line" | "fill";
  readonly points: readonly Point[];
  /** A line that comes back to where it began. */
  readonly isClosed?: boolean;
}
export interface Shape {
  readonly id: ShapeId;
  /** In the order in which they are drawn: what is drawn first cooks longest and turns darkest. */
  readonly strokes: readonly Stroke[];
}

/** Points on a circle, from the top, clockwise. */
const round = (cx: number, cy: number, r: number, count = 48): Point[] =>
  Array.from({ length: count }, (_, n): Point => {
    const turn = (2 * Math.PI * n) / count;
    return [cx + r * Math.sin(turn), cy - r * Math.cos(turn)];
  });
const closed = (points: readonly Point[]): Stroke => ({ kind: "line", points, isClosed: true });
const line = (...points: Point[]): Stroke => ({ kind: "line", points });
const fill = (points: readonly Point[]): Stroke => ({ kind: "fill", points });

const hull: Point[] = [
  [0.6, 6],
  [9.4, 6],
  [7.8, 8.6],
  [2.2, 8.6],
];
const sail: Point[] = [
  [5.4, 0.8],
  [8.6, 5],
  [5.4, 5],
];
const body: Point[] = [
  [1, 5],
  [3, 2.8],
  [5.6, 2.6],
  [7.4, 5],
  [5.6, 7.4],
  [3, 7.2],
];
const tail: Point[] = [
  [7.4, 5],
  [9.4, 3],
  [9.4, 7],
];
const star = Array.from({ length: 10 }, (_, n): Point => {
  const turn = (Math.PI * n) / 5;
  const r = n % 2 === 0 ? 4.6 : 2.2;
  return [5 + r * Math.sin(turn), 5 - r * Math.cos(turn)];
});
const disc = round(5, 5, 2.6);
const blade: Point[] = [
  [3.9, 0.6],
  [6.1, 0.6],
  [5.9, 3.4],
  [4.1, 3.4],
];

/** Plain things from a boathouse, none of which belongs to anybody (our own drawings). */
export const shapes: Readonly<Record<ShapeId, Shape>> = {
  ring: { id: "ring", strokes: [closed(round(5, 5, 4))] },
  sun: {
    id: "sun",
    strokes: [
      closed(disc),
      ...[0, 1, 2, 3, 4, 5, 6, 7].map((n): Stroke => {
        const turn = (Math.PI * n) / 4;
        const [dx, dy] = [Math.sin(turn), -Math.cos(turn)];
        return line([5 + 2.6 * dx, 5 + 2.6 * dy], [5 + 4.5 * dx, 5 + 4.5 * dy]);
      }),
      fill(disc),
    ],
  },
  star: { id: "star", strokes: [closed(star), fill(star)] },
  fish: { id: "fish", strokes: [closed(body), closed(tail), fill(body), fill(tail)] },
  boat: { id: "boat", strokes: [closed(hull), line([5, 6], [5, 0.6]), closed(sail), fill(hull), fill(sail)] },
  oar: { id: "oar", strokes: [line([5, 3.4], [5, 9.4]), closed(blade), fill(blade)] },
};

/**
 * What drawing takes (starting values from teaching practice): a bottle's line on a piece 10 cm wide, how fast a hand draws and fills,
 * how long the lines lie before they are filled so that they show, and the least neck that holds when a piece is turned.
 */
export const drawing = { lineMm: 8, cmPerMinute: 60, mlPerMinute: 60, darkens: 1, leastNeckMm: 6 } as const;

const lengthOf = ({ points, isClosed = false }: Stroke): number => {
  const all = isClosed && points[0] ? [...points, points[0]] : points;
  return all.slice(1).reduce((sum, [x, y], n) => sum + Math.hypot(x - (all[n]?.[0] ?? x), y - (all[n]?.[1] ?? y)), 0);
};
const areaOf = (points: readonly Point[]): number =>
  Math.abs(
    points.reduce((sum, [x, y], n) => {
      const [nextX, nextY] = points[(n + 1) % points.length] ?? [x, y];
      return sum + x * nextY - nextX * y;
    }, 0),
  ) / 2;

export interface ShapeFigures {
  readonly shape: Shape;
  /** Millilitres it takes, and minutes from its first line to its last drop: lines, the wait until they show, filling. */
  readonly ml: Millilitres;
  readonly minutes: Minutes;
  /** The narrowest place, in millimetres, and whether it may tear when it is turned. */
  readonly neckMm: number;
  readonly isThin: boolean;
}

/**
 * What a shape takes at the size of a piece. A line lies half inside what is filled afterwards, so only the other half is added to it.
 * @param cm across, above 0.  @param thicknessMm as poured, above 0.
 */
export function shapeFigures(id: ShapeId, cm: number, thicknessMm: number): ShapeFigures {
  const shape = shapes[id];
  const scale = cm / 10;
  const widthCm = (drawing.lineMm / 10) * scale;
  const filled = shape.strokes.filter((stroke) => stroke.kind === "fill");
  const isFilled = (stroke: Stroke) => filled.some((one) => one.points === stroke.points);
  const lines = shape.strokes.filter((stroke) => stroke.kind === "line");
  const lineCm2 = lines.reduce(
    (sum, stroke) => sum + lengthOf(stroke) * scale * widthCm * (isFilled(stroke) ? 0.5 : 1),
    0,
  );
  const fillCm2 = filled.reduce((sum, stroke) => sum + areaOf(stroke.points) * scale ** 2, 0);
  const lineMinutes = lines.reduce((sum, stroke) => sum + (lengthOf(stroke) * scale) / drawing.cmPerMinute, 0);
  const fillMl = (fillCm2 * thicknessMm) / 10;
  const neckMm = drawing.lineMm * scale;
  return {
    shape,
    ml: inMillilitres(((lineCm2 + fillCm2) * thicknessMm) / 10),
    minutes: inMinutes(lineMinutes + (filled.length > 0 ? drawing.darkens + fillMl / drawing.mlPerMinute : 0)),
    neckMm,
    isThin: neckMm < drawing.leastNeckMm,
  };
}

/** The shapes a recipe offers: as its author says, else all of them where it is drawn; none for other families. */
export const shapesOf = ({ family, shapes: offered }: Pick<Recipe, "family" | "shapes">): readonly ShapeId[] =>
  family !== "drawn" ? [] : (offered ?? (Object.keys(shapes) as ShapeId[]));

/** What a recipe's shapes take at the size of its pieces, and which take more than a piece of its batter has. */
export const drawnShapes = (recipe: Recipe): readonly (ShapeFigures & { readonly isLarge: boolean })[] =>
  shapesOf(recipe).map((id) => {
    const figures = shapeFigures(id, recipe.pieceDiameterCm, pourThickness[recipe.family]);
    return { ...figures, isLarge: recipe.portion.kind === "ml" && figures.ml > recipe.portion.ml };
  });

/** How many shapes one person may ask for; the rest of their pieces is plain (teaching practice: all ask at once). */
export const requestsEach = 1;
