import { useSyncExternalStore } from "react";
import type { ClassInput, ClassPlan } from "~/core/plan";

/** What is being typed, with what follows from it. */
export interface Draft {
  readonly input: ClassInput;
  readonly plan: ClassPlan;
}

/**
 * Holds the class as it is typed, outside of React's tree: a key in the brief changes what follows from it and nothing else, so that
 * the forty fields of the form are not drawn again at every letter.
 */
export interface DraftStore {
  readonly get: () => Draft | undefined;
  readonly set: (draft: Draft | undefined) => void;
  readonly subscribe: (listener: () => void) => () => void;
}

export function createDraftStore(): DraftStore {
  let now: Draft | undefined;
  const listeners = new Set<() => void>();
  return {
    get: () => now,
    set(draft) {
      now = draft;
      for (const tell of listeners) tell();
    },
    subscribe(listener) {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
  };
}

const nothingYet = () => undefined;
export const useDraft = (store: DraftStore): Draft | undefined =>
  useSyncExternalStore(store.subscribe, store.get, nothingYet);
