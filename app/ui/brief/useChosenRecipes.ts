import { useRef } from "react";
import type { Recipe } from "~/core/recipe";
import { type Packed, unpack } from "~/formats/packed";

/** Which revision of which recipe. */
export interface Named {
  readonly id: string;
  readonly revision: number;
}

/**
 * The recipes a brief plans with: those of the class are here, another is fetched when it is chosen. What comes in is told through
 * `onCome`; one that does not come is asked for again at the next key.
 */
export function useChosenRecipes(own: readonly Recipe[], onCome: () => void) {
  const come = useRef(new Map<string, Recipe>());
  const asked = useRef(new Set<string>());
  /** The recipes, if all are here; otherwise they are asked for. */
  return (wanted: readonly Named[]): readonly Recipe[] | undefined => {
    const found = wanted.map(({ id, revision }) => {
      const key = `${id}/revisions/${revision}`;
      const here = own.find((one) => one.id === id && one.revision === revision) ?? come.current.get(key);
      if (!here && !asked.current.has(key)) {
        asked.current.add(key);
        void fetch(`/recipes/${encodeURIComponent(id)}/revisions/${revision}/whole`)
          .then(async (answer) => {
            if (!answer.ok) return;
            come.current.set(key, unpack((await answer.text()) as Packed<Recipe>));
            onCome();
          })
          // Without a network what is typed is kept, and planned when it is saved.
          .catch(() => undefined)
          .finally(() => asked.current.delete(key));
      }
      return here;
    });
    const all = found.filter((one) => one !== undefined);
    return all.length === found.length ? all : undefined;
  };
}
