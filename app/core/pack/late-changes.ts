import type { ClassContainer, Place } from "./containers";
import { type ContentChange, type Tick, contentsOf, stateOf } from "./ticks";

/** A container that was packed for the class as it was, and is not right for the class as it becomes. */
export interface LateChange {
  readonly key: string;
  /** Whose kit it is in, and what is in it as it was packed. */
  readonly place: Place;
  readonly dishTitle: string;
  readonly ingredientIds: readonly string[];
  /** What goes in and what comes out; all of it where no such container is wanted any more. */
  readonly changes: readonly ContentChange[];
  /** True where all of it comes out: nobody wants this container any more. */
  readonly isUnwanted: boolean;
}

/**
 * What a change asks of kits that are packed already, container by container: only of those that were right before it.
 * @param ticks of the packing list, by the containers' keys.
 */
export function lateChanges(
  ticks: ReadonlyMap<string, Tick>,
  before: readonly ClassContainer[],
  after: readonly ClassContainer[],
): LateChange[] {
  const wanted = new Map(after.map((one) => [one.key, one]));
  return before.flatMap((container): LateChange[] => {
    const tick = ticks.get(container.key);
    if (!tick || stateOf(contentsOf(container), tick).kind !== "packed") return [];
    const now = wanted.get(container.key);
    const state = stateOf(now ? contentsOf(now) : [], tick);
    return state.kind === "reopened"
      ? [
          {
            key: container.key,
            place: container.place,
            dishTitle: container.dishTitle,
            ingredientIds: [...new Set(container.contents.map((one) => one.ingredientId))],
            changes: state.changes,
            isUnwanted: now === undefined,
          },
        ]
      : [];
  });
}
