import { SurfaceSvg } from "~/ui/parts/drawings";
import { type Surface, mostPieces, piecesSpread, placesOn } from "~/core/gear";
import type { Recipe } from "~/core/recipe";

interface Props {
  readonly surface: Pick<Surface, "size" | "places" | "kind">;
  readonly recipe: Pick<Recipe, "pieceDiameterCm">;
  /** How many lie on it; as many as it holds unless fewer do. */
  readonly pieces?: number;
}

/** Where nobody measured a surface, its pieces lie in rows, and how large it is stays open. */
function unmeasured(places: number, diameter: number) {
  const columns = Math.min(places, Math.ceil(Math.sqrt(places * 1.6)));
  const rows = Math.ceil(places / columns);
  const step = diameter + 1;
  return {
    size: { kind: "rect", widthCm: columns * step + 1, depthCm: rows * step + 1 } as const,
    centres: Array.from({ length: places }, (_, index) => ({
      x: ((index % columns) - (columns - 1) / 2) * step,
      y: (Math.floor(index / columns) - (rows - 1) / 2) * step,
    })),
  };
}

/** A surface from above with the pieces on it, from the layout that says how many fit, spread out where fewer lie there: in true proportion, numbered in pouring order. */
export function SurfaceDrawing({ surface, recipe, pieces }: Props) {
  const diameter = recipe.pieceDiameterCm;
  const places = placesOn(surface, recipe);
  const { size, centres } = surface.size
    ? {
        size: surface.size,
        centres: piecesSpread(surface.size, diameter, pieces ?? places, Math.min(surface.places, mostPieces)),
      }
    : unmeasured(places, diameter);
  const [width, depth] = size.kind === "round" ? [size.diameterCm, size.diameterCm] : [size.widthCm, size.depthCm];
  const inOrder = [...centres].sort((a, b) => a.y - b.y || a.x - b.x).slice(0, pieces ?? centres.length);
  return (
    <SurfaceSvg
      isUnmeasured={!surface.size}

      viewBox={`${-width / 2 - 1} ${-depth / 2 - 1} ${width + 2} ${depth + 2}`}
      style={{ aspectRatio: `${width + 2} / ${depth + 2}` }}
      aria-hidden="true"
    >
      {size.kind === "round" ? (
        <circle data-part="plate" r={width / 2} />
      ) : (
        <rect data-part="plate" x={-width / 2} y={-depth / 2} width={width} height={depth} rx="1" />
      )}
      {inOrder.map(({ x, y }, index) => (
        <g key={`${x} ${y}`}>
          <circle data-part="piece" cx={x} cy={y} r={diameter / 2} />
          <text x={x} y={y + diameter * 0.11} textAnchor="middle" style={{ fontSize: `${diameter * 0.3}px` }}>
            {index + 1}
          </text>
        </g>
      ))}
    </SurfaceSvg>
  );
}
