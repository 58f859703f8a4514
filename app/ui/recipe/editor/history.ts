import { useCallback, useReducer } from "react";

/** Undo for any immutable value. Changes to one field in a row are one step: nobody wants to undo letter by letter. */
interface History<T> {
  readonly past: readonly T[];
  readonly now: T;
  readonly future: readonly T[];
  /** The field of the last change; the next change to it joins the step. */
  readonly field: string;
}
type Move<T> =
  | { readonly kind: "change"; readonly make: (now: T) => T; readonly field: string }
  | { readonly kind: "undo" }
  | { readonly kind: "redo" }
  | { readonly kind: "start-again"; readonly with: T };

/** Steps that can be taken back. */
const deepest = 200;

export function step<T>(history: History<T>, move: Move<T>): History<T> {
  switch (move.kind) {
    case "change": {
      const next = move.make(history.now);
      if (next === history.now) return history;
      const joins = move.field !== "" && move.field === history.field;
      const past = joins ? history.past : [...history.past, history.now].slice(-deepest);
      return { past, now: next, future: [], field: move.field };
    }
    case "undo": {
      const before = history.past.at(-1);
      return before === undefined
        ? history
        : { past: history.past.slice(0, -1), now: before, future: [history.now, ...history.future], field: "" };
    }
    case "redo": {
      const [after, ...rest] = history.future;
      return after === undefined
        ? history
        : { past: [...history.past, history.now], now: after, future: rest, field: "" };
    }
    case "start-again":
      return { past: [], now: move.with, future: [], field: "" };
    default:
      return move satisfies never;
  }
}

export const startHistory = <T>(now: T): History<T> => ({ past: [], now, future: [], field: "" });

export function useHistory<T>(initial: T) {
  const [history, dispatch] = useReducer(step<T>, initial, startHistory);
  const change = useCallback((make: (now: T) => T, field = "") => dispatch({ kind: "change", make, field }), []);
  return {
    now: history.now,
    canUndo: history.past.length > 0,
    canRedo: history.future.length > 0,
    change,
    undo: useCallback(() => dispatch({ kind: "undo" }), []),
    redo: useCallback(() => dispatch({ kind: "redo" }), []),
    startAgain: useCallback((value: T) => dispatch({ kind: "start-again", with: value }), []),
  };
}
