import { RecipeFlowSvg } from "~/ui/parts/drawings";
import { type Line, type Recipe, bowls } from "~/core/recipe";
import { bowlWords } from "~/ui/words/en";

const rowPx = 24;
const headPx = 22;
const width = 380;
/** Where names end and where the steps stand. */
const [namesEnd, stepsAt] = [190, 350];

interface Props {
  readonly recipe: Recipe;
  readonly ingredientName: (id: string) => string;
}

/** Which line goes in at which step: names by bowl on the left, steps by number on the right, a thread for every use. */
export function RecipeFlow({ recipe, ingredientName }: Props) {
  const used = recipe.steps.flatMap((step, index) => step.draws.map((draw) => ({ ...draw, index })));
  const steps = recipe.steps.flatMap((step, index) => (step.draws.length > 0 ? [index] : []));
  if (steps.length === 0) return null;
  let y = 0;
  const rows = bowls.flatMap((bowl) => {
    const lines = recipe.lines.filter((line) => line.bowl === bowl && used.some((draw) => draw.lineId === line.id));
    if (lines.length === 0) return [];
    y += headPx;
    const head = { key: bowl, y: y - 6, line: undefined as Line | undefined };
    return [head, ...lines.map((line) => ({ key: line.id, y: (y += rowPx) - rowPx / 2, line }))];
  });
  const height = y + 6;
  const yOf = new Map(rows.flatMap((row) => (row.line ? [[row.line.id, row.y] as const] : [])));
  const stepY = (index: number) => ((steps.indexOf(index) + 0.5) * height) / steps.length;
  return (
    <RecipeFlowSvg viewBox={`0 0 ${width} ${height}`} width={`${width}px`} height={`${height}px`} aria-hidden="true">
      {rows.map(({ key, y: at, line }) =>
        line ? (
          <text data-part="name" key={key} x={namesEnd - 8} y={at + 5} textAnchor="end">
            {ingredientName(line.ingredientId)}
          </text>
        ) : (
          <text data-part="bowl" key={key} x={0} y={at}>
            {bowlWords[key as keyof typeof bowlWords]}
          </text>
        ),
      )}
      {used.map(({ lineId, index }) => {
        const from = yOf.get(lineId);
        if (from === undefined) return null;
        const to = stepY(index);
        const middle = (namesEnd + stepsAt) / 2;
        return (
          <path
            data-part="thread"
            key={`${lineId} ${index}`}

            d={`M${namesEnd},${from} C${middle},${from} ${middle},${to} ${stepsAt - 13},${to}`}
          />
        );
      })}
      {steps.map((index) => (
        <g key={index}>
          <circle data-part="step" cx={stepsAt} cy={stepY(index)} r={13} />
          <text data-part="step-number" x={stepsAt} y={stepY(index) + 5} textAnchor="middle">
            {index + 1}
          </text>
        </g>
      ))}
    </RecipeFlowSvg>
  );
}
