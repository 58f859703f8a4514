import { ContainerRow } from "~/ui/parts/drawings";
import type { ContainerKind } from "~/core/kit";
import type { ClassContainer } from "~/core/pack";
import type { Names } from "~/ui/words/names";

/** Bodies as width by height of the cube that holds as much, and how far the neck or the gathered top stands above the brim. */
const shapes: Readonly<
  Record<ContainerKind, { readonly width: number; readonly height: number; readonly top: number }>
> = {
  pot: { width: 1.15, height: 0.85, top: 0.1 },
  tub: { width: 1.3, height: 0.75, top: 0.08 },
  jar: { width: 0.9, height: 1.2, top: 0.14 },
  bag: { width: 1, height: 1.05, top: 0.3 },
  bottle: { width: 0.72, height: 1.5, top: 0.42 },
  "egg-box": { width: 1.6, height: 0.55, top: 0 },
  "as-sold": { width: 0.8, height: 1, top: 0 },
};
/** The edge of a cube of one litre, as it is drawn. */
const litrePx = 46;
/** What is counted is drawn as large as what holds so much. */
const countedMl = 400;
/** The smallest pot is still something to look at. */
const leastPx = 16;
const mostDrawn = 4;

/** What stands above the brim: a lid, a neck, a gathered bag. */
function topOf(kind: ContainerKind, width: number, top: number): string {
  const neck = kind === "bottle" ? 0.3 : kind === "bag" ? 0.22 : 0.55;
  const [left, right] = [width * (0.5 - neck / 2), width * (0.5 + neck / 2)];
  return kind === "bottle" || kind === "bag"
    ? `M0,${top} C0,${top * 0.5} ${left},${top * 0.6} ${left},0 H${right} C${right},${top * 0.6} ${width},${top * 0.5} ${width},${top}`
    : `M-1,${top} V0 H${width + 1} V${top}`;
}

function ContainerDrawing({ container }: { container: ClassContainer }) {
  const { kind, sizeMl, filled } = container;
  const shape = shapes[kind];
  const edge = Math.max(leastPx, litrePx * Math.cbrt((sizeMl ?? countedMl) / 1000));
  const [width, height, top] = [edge * shape.width, edge * shape.height, edge * shape.top];
  const level = height * (1 - (filled ?? 0));
  return (
    <svg width={width + 4} height={height + top + 4} viewBox={`-2 -2 ${width + 4} ${height + top + 4}`}>
      {filled === undefined ? null : (
        <rect data-part="filling" x={0} y={top + level} width={width} height={height - level} />
      )}
      <path data-part="body" d={`M0,${top} V${top + height} H${width} V${top}`} />
      {top > 0 ? <path data-part="body" d={topOf(kind, width, top)} /> : <path data-part="body" d={`M0,0 H${width}`} />}
      {kind === "egg-box"
        ? [1, 3, 5].map((at) => (
            <circle key={at} data-part="body" cx={(width * at) / 6} cy={height * 0.5} r={width / 8} />
          ))
        : null}
    </svg>
  );
}

/** A kit in the order it goes into the box: every container in its true relative size and filled to its true height. */
export const KitDrawing = ({ containers, names }: { containers: readonly ClassContainer[]; names: Names }) => (
  <ContainerRow aria-hidden="true">
    {containers.map((each) => (
      <li key={each.key}>
        <span>
          {Array.from({ length: Math.min(mostDrawn, each.count) }, (_none, index) => (
            <ContainerDrawing key={index} container={each} />
          ))}
        </span>
        <small>
          {each.count > mostDrawn ? `${each.count} × ` : ""}
          {each.contents.length > 1
            ? `${each.contents.length} in one`
            : each.contents.map((one) => names.ingredient(one.ingredientId)).join(", ")}
        </small>
      </li>
    ))}
  </ContainerRow>
);
