import type { Minutes } from "~/core/quantity";
import type { Heat, Line, Recipe, Span, SurfaceKind } from "./types";

/** Minutes a load lies on the surface beside its pouring, likely: between two half pours, the first side and the second. */
export const lyingMinutes = ({ halves, side1, side2 }: Heat): Minutes =>
  (halves?.likely ?? 0) + side1.likely + (side2?.likely ?? 0);

/** What lies between the two halves of a piece: what the cook step draws of the toppings, where it is poured in two. */
export function betweenHalves({ heat, steps, lines }: Pick<Recipe, "heat" | "steps" | "lines">): Line[] {
  if (!heat.halves) return [];
  const drawn = new Set(steps.flatMap((step) => (step.kind === "cook" ? step.draws.map((draw) => draw.lineId) : [])));
  return lines.filter((line) => line.bowl === "topping" && drawn.has(line.id));
}

/** A recipe's heat as it is on one kind of surface. */
export function heatOn(heat: Heat, kind: SurfaceKind): Heat {
  const own = heat.on?.find((each) => each.surfaceKind === kind);
  if (!own) return heat;
  return {
    ...heat,
    surfaceC: own.surfaceC ?? heat.surfaceC,
    test: own.test ?? heat.test,
    side1: own.side1 ?? heat.side1,
    // Where both sides cook at once there is no second side on any surface.
    side2: heat.side2 && (own.side2 ?? heat.side2),
  };
}

const longer = (a: Span, b: Span): Span => (b.likely > a.likely ? b : a);

/**
 * The heat a class cooks by on the kinds of surface it has: their own where there is one kind; with several, the longest minutes of
 * any, as nobody knows beforehand which load lands where, and the recipe's own degrees and test.
 */
export function heatAmong(heat: Heat, kinds: readonly SurfaceKind[]): Heat {
  if (!heat.on?.some((each) => kinds.includes(each.surfaceKind))) return heat;
  const [first, ...rest] = [...new Set(kinds)].map((kind) => heatOn(heat, kind));
  if (!first) return heat;
  if (rest.length === 0) return first;
  return rest.reduce<Heat>(
    (so, each) => ({
      ...so,
      side1: longer(so.side1, each.side1),
      side2: so.side2 && each.side2 ? longer(so.side2, each.side2) : so.side2,
    }),
    { ...first, surfaceC: heat.surfaceC, test: heat.test },
  );
}
