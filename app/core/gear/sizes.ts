import { type Millilitres, type Pieces, dividedBy, times } from "~/core/quantity";
import type { Recipe, Tool } from "~/core/recipe";

/** How large a tool has to be, and how many of that size. */
export interface GearSize {
  readonly unit: "l" | "ml" | "cm";
  readonly size: number;
  readonly count: number;
}

/** Share of a mixing bowl that batter may fill: the rest is room for a whisk and for what rises (starting value). */
export const fullestBowl = 0.4;
/** Mixing bowls as they are sold, in litres (starting values); what needs more is mixed in several of the largest. */
export const bowlLitres = [1, 1.5, 2, 3, 4, 5, 7, 10] as const;

/** The smallest bowl that holds this batter with room to whisk, or the number of largest bowls if none does. */
export function bowlFor(millilitres: Millilitres): { readonly litres: number; readonly bowls: number } {
  const wanted = millilitres / fullestBowl / 1000;
  const fits = bowlLitres.find((litres) => wanted <= litres + 1e-9);
  if (fits !== undefined) return { litres: fits, bowls: 1 };
  const largest = bowlLitres[bowlLitres.length - 1] ?? 10;
  return { litres: largest, bowls: Math.ceil(wanted / largest - 1e-9) };
}

/** A dish with what it puts into bowls. */
export interface SizedDish {
  readonly recipe: Recipe;
  /** Millilitres of batter in one batch; undefined while an amount or a density is not known. */
  readonly batterMl?: Millilitres | undefined;
  /** Batter in grams per millilitre, where it is known. */
  readonly gramsPerMl?: number | undefined;
  /** Batches per station and for the demonstration. */
  readonly batches?: readonly number[] | undefined;
  /** Pieces each station has in an oven at once at the most, each in a dish of its own; absent where nothing says when they cook. */
  readonly inOvenAtOnce?: readonly Pieces[] | undefined;
  /** 2 where stations mix each batch in two halves: the first is still in its bowl while the second is mixed. */
  readonly mixes?: 2 | undefined;
}

/** Oven dishes for what is in at once: each station's own, as nobody washes one for the next load. Undefined where nothing bakes in one. */
export const dishesIn = (inOvenAtOnce: readonly Pieces[] = []): number | undefined =>
  inOvenAtOnce.reduce((sum, pieces) => sum + pieces, 0) || undefined;

/** Added up by size, the smallest first. */
function added(sizes: readonly GearSize[]): GearSize[] {
  const sum = new Map<string, GearSize>();
  for (const one of sizes) {
    const key = `${one.unit} ${one.size}`;
    sum.set(key, { ...one, count: (sum.get(key)?.count ?? 0) + one.count });
  }
  return [...sum.values()].sort((a, b) => a.size - b.size);
}

/** The sizes of a tool that these dishes ask for; empty where its size does not matter or is not known. */
export function sizesOf(tool: Tool, dishes: readonly SizedDish[]): GearSize[] {
  const using = dishes.filter(({ recipe }) => recipe.steps.some((step) => step.tools.includes(tool)));
  return added(
    using.flatMap(({ recipe, batterMl, gramsPerMl, batches = [], mixes = 1, inOvenAtOnce }): GearSize[] => {
      if (tool === "mixing-bowl" && batterMl !== undefined && batterMl > 0)
        return batches.map((count) => {
          const { litres, bowls } = bowlFor(dividedBy(times(batterMl, count), mixes));
          return { unit: "l", size: litres, count: bowls * mixes };
        });
      if (tool === "ladle" && batches.length > 0) {
        const { portion } = recipe;
        const ml =
          portion.kind === "ml"
            ? portion.ml
            : portion.kind === "grams" && gramsPerMl !== undefined && gramsPerMl > 0
              ? Math.round(portion.grams / gramsPerMl)
              : undefined;
        return ml === undefined ? [] : [{ unit: "ml", size: ml, count: batches.length }];
      }
      if (tool === "oven-dish" && batches.length > 0)
        return [{ unit: "cm", size: recipe.pieceDiameterCm, count: dishesIn(inOvenAtOnce) ?? batches.length }];
      return [];
    }),
  );
}
