import type { Grams, Millilitres, Minutes } from "~/core/quantity";
import type { Substance } from "~/core/pantry";
import type { Line, Recipe, RecipeEdit } from "~/core/recipe";
import type { Pantry } from "../batter";

export const swapIds = ["milk", "sour", "egg", "flour", "raising", "fat"] as const;
export type SwapId = (typeof swapIds)[number];

/** What else is to be known about a swap before it is accepted. */
export type SwapNote =
  | { readonly code: "fat-made-up"; readonly ingredientId: string; readonly grams: Grams }
  | { readonly code: "fat-not-made-up"; readonly grams: Grams }
  | { readonly code: "acid-on-top"; readonly ml: Millilitres }
  | { readonly code: "acid-made-up"; readonly ml: Millilitres; readonly milkMl: Millilitres }
  | { readonly code: "no-lift" }
  | { readonly code: "binder"; readonly grams: Grams }
  | { readonly code: "thickens-on-standing" }
  | { readonly code: "gel-for-many" }
  | { readonly code: "more-liquid"; readonly share: number }
  | { readonly code: "powder-added"; readonly tsp: number; readonly rule: "uk" | "us" | "au" }
  | { readonly code: "powder-reduced"; readonly tsp: number };

/** One possible swap as the edits it consists of. */
export interface SwapOffer {
  readonly swap: SwapId;
  readonly lineId: string;
  readonly fromIngredientId: string;
  readonly toIngredientId: string;
  /** Tells two offers of the same ingredients apart. */
  readonly way: string;
  readonly edits: readonly RecipeEdit[];
  /** Minutes somebody has to wait for it: gel to swell, milk to sour, a blend to drink. */
  readonly waitMinutes: Minutes;
  readonly notes: readonly SwapNote[];
  /** Why it cannot be done here; such an offer has no edits. */
  readonly refused: "no-lift-for-oven" | undefined;
}

/** A kind of swap: what it offers for one line of a recipe. */
export type FindSwaps = (recipe: Recipe, line: Line, pantry: Pantry) => readonly SwapOffer[];

/** What a swap changes, before it is accepted: allergens, looseness, fat, time, pieces. */
export interface SwapEffects {
  readonly recipe: Recipe;
  readonly introduced: readonly Substance[];
  readonly removed: readonly Substance[];
  /** What the ingredient that went had, and another line still has; with those lines' ingredients. */
  readonly residual: readonly { readonly substance: Substance; readonly ingredientIds: readonly string[] }[];
  /** New products whose labels nobody has read by this swap alone. */
  readonly labelsToRead: readonly string[];
  readonly looseness: { readonly before: number | undefined; readonly after: number | undefined };
  readonly fatGrams: { readonly before: number; readonly after: number };
  readonly millilitres: { readonly before: number; readonly after: number };
  readonly pieces: { readonly before: number; readonly after: number };
  readonly waitMinutes: Minutes;
}
