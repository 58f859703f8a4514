// The one door to the chart library: only what the bench's line chart needs is registered.
import { Chart, Filler, LineController, LineElement, LinearScale, PointElement } from "chart.js";
import type { LiquidPoint } from "~/core/batter";

Chart.register(LineController, LineElement, LinearScale, PointElement, Filler);

interface LiquidChartInput {
  readonly points: readonly LiquidPoint[];
  /** Millilitres of the liquid in the recipe now. */
  readonly total: number;
  readonly band: { readonly from: number; readonly to: number };
  readonly words: { readonly liquid: string; readonly looseness: string; readonly pieces: string };
  readonly number: (value: number) => string;
  readonly colours: { readonly ink: string; readonly quiet: string; readonly accent: string; readonly room: string };
}

/** Draws looseness over the millilitres of the main liquid. */
export function drawLiquid(
  canvas: HTMLCanvasElement,
  { points, total, band, words, number, colours }: LiquidChartInput,
) {
  const at = (point: LiquidPoint) => total + point.addedMl;
  const [first, last] = [points[0], points.at(-1)];
  const edge = (value: number) => (first && last ? [at(first), at(last)].map((x) => ({ x, y: value })) : []);
  const now = points.reduce(
    (nearest, one) => (Math.abs(one.addedMl) < Math.abs(nearest.addedMl) ? one : nearest),
    points[0] ?? { addedMl: 0, looseness: 0, pieces: 0 },
  );
  const hasBand = Number.isFinite(band.to);
  const font = { family: "'Source Sans 3 Variable', sans-serif", size: 13 };
  return new Chart(canvas, {
    type: "line",
    data: {
      datasets: [
        ...(hasBand
          ? [
              // Of a higher order: drawn before the lines, behind them.
              {
                data: edge(band.to),
                order: 1,
                borderWidth: 0,
                pointRadius: 0,
                fill: "+1",
                backgroundColor: colours.room,
              },
              { data: edge(band.from), order: 1, borderWidth: 0, pointRadius: 0 },
            ]
          : []),
        {
          data: points.map((point) => ({ x: at(point), y: point.looseness })),
          borderColor: colours.ink,
          borderWidth: 2,
          pointRadius: 0,
        },
        {
          data: points.map((point) => ({ x: at(point), y: point.pieces })),
          borderColor: colours.quiet,
          borderWidth: 1.5,
          borderDash: [5, 4],
          pointRadius: 0,
          yAxisID: "pieces",
        },
        {
          data: [{ x: total, y: now.looseness }],
          borderColor: colours.accent,
          backgroundColor: colours.accent,
          pointRadius: 5,
          showLine: false,
        },
      ],
    },
    options: {
      animation: false,
      responsive: true,
      maintainAspectRatio: false,
      events: [],
      scales: {
        x: {
          type: "linear",
          min: first && at(first),
          max: last && at(last),
          title: { display: true, text: words.liquid, font, color: colours.quiet },
          ticks: { font, color: colours.ink, maxTicksLimit: 7, callback: (value) => number(Math.round(Number(value))) },
          grid: { color: colours.room },
        },
        y: {
          title: { display: true, text: words.looseness, font, color: colours.quiet },
          ticks: { font, color: colours.ink, callback: (value) => number(Number(value)) },
          grid: { color: colours.room },
        },
        pieces: {
          position: "right",
          title: { display: true, text: words.pieces, font, color: colours.quiet },
          ticks: { font, color: colours.quiet, maxTicksLimit: 5 },
          grid: { display: false },
        },
      },
    },
  });
}
