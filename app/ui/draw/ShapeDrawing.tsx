import { ShapeSvg } from "~/ui/parts/labels";
import type { Shape, Stroke } from "~/core/look";

const pathOf = ({ points, isClosed, kind }: Stroke): string =>
  `M${points.map(([x, y]) => `${x.toFixed(2)},${y.toFixed(2)}`).join("L")}${isClosed === true || kind === "fill" ? "Z" : ""}`;

/** A shape as it lies on its piece: first the lines, which turn dark, then what is filled; each numbered where the bottle begins. */
export const ShapeDrawing = ({ shape }: { shape: Shape }) => (
  <ShapeSvg viewBox="-0.6 -0.6 11.2 11.2" aria-hidden="true">
    <circle data-part="piece" cx={5} cy={5} r={5} />
    {[...shape.strokes]
      // What is filled lies below the lines, as it does on the griddle.
      .sort((a, b) => Number(a.kind === "line") - Number(b.kind === "line"))
      .map((stroke) => (
        <path key={`${stroke.kind}${pathOf(stroke)}`} data-part={stroke.kind} d={pathOf(stroke)} />
      ))}
    {shape.strokes.map((stroke, index) => {
      const [x, y] = stroke.kind === "fill" ? middleOf(stroke) : (stroke.points[0] ?? [5, 5]);
      return (
        <g key={index}>
          <circle data-part="order" cx={x} cy={y} r={0.55} />
          <text x={x} y={y + 0.27} textAnchor="middle">
            {index + 1}
          </text>
        </g>
      );
    })}
  </ShapeSvg>
);

const middleOf = ({ points }: Stroke): readonly [number, number] => [
  points.reduce((sum, [x]) => sum + x, 0) / Math.max(1, points.length),
  points.reduce((sum, [, y]) => sum + y, 0) / Math.max(1, points.length),
];
