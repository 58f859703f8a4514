import type { RecipeSelection, SlotRecipeDefinition } from "@chakra-ui/react";
// The type alone: the styles themselves never travel to a page.
import type { recipes } from "./recipes";

type Recipes = typeof recipes;
type Slot<R> = R extends SlotRecipeDefinition<infer S, infer _> ? S : never;
type Chosen<R> = R extends SlotRecipeDefinition<infer _, infer V> ? RecipeSelection<V> : never;
declare const ofTheme: unique symbol;
/** Branded class names: only the theme makes them. */
export type Styled = string & { readonly [ofTheme]: true };
type Names<R> = Readonly<Record<Slot<R>, Styled>>;

/** The class names of a part's slots; `of` chooses among its variants. */
export type Part<R> = Names<R> & { readonly of: (chosen: Chosen<R>) => Names<R> };

/** What a slot, or a slot of a chosen variant, is called in the static sheet: Chakra's own way of naming slots. */
export const slotName = (part: string, slot: string): string => `${part}__${slot}`;
export const chosenName = (part: string, slot: string, variant: string, value: string): string =>
  `${slotName(part, slot)}--${variant}_${value}`;

/** Names put together once for each slot that is asked for. */
const namesBy = (nameOf: (slot: string) => string): Record<string, unknown> =>
  new Proxy<Record<string, unknown>>(
    {},
    { get: (known, slot) => (typeof slot === "string" ? (known[slot] ??= nameOf(slot)) : undefined) },
  );

function partOf<R>(part: string): Part<R> {
  const chosenSets = new Map<string, Record<string, unknown>>();
  const of = (chosen: Readonly<Record<string, unknown>>) => {
    const picked = Object.entries(chosen).filter(([, value]) => value !== undefined && value !== false);
    const key = picked.map(([variant, value]) => `${variant}_${String(value)}`).join(" ");
    let names = chosenSets.get(key);
    if (!names) {
      names = namesBy((slot) =>
        [
          slotName(part, slot),
          ...picked.map(([variant, value]) => chosenName(part, slot, variant, String(value))),
        ].join(" "),
      );
      chosenSets.set(key, names);
    }
    return names;
  };
  const names = namesBy((slot) => slotName(part, slot));
  names.of = of;
  return names as Part<R>;
}

/** Our own parts: `parts.lanes.task`, `parts.lanes.of({ isChain: true }).task`. */
export const parts = {
  sheet: partOf<Recipes["sheet"]>("sheet"),
  classHead: partOf<Recipes["classHead"]>("class-head"),
  bellLine: partOf<Recipes["bellLine"]>("bell-line"),
  finding: partOf<Recipes["finding"]>("finding"),
  figure: partOf<Recipes["figure"]>("figure"),
  verdict: partOf<Recipes["verdict"]>("verdict"),
  card: partOf<Recipes["card"]>("card"),
  container: partOf<Recipes["container"]>("container"),
  toast: partOf<Recipes["toast"]>("toast"),
  lanes: partOf<Recipes["lanes"]>("lanes"),
  aims: partOf<Recipes["aims"]>("aims"),
} as const;
