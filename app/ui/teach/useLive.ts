import { useCallback, useMemo } from "react";
import { type LiveEvent, fold } from "~/core/teach";
import { newId } from "~/ui/outbox/outbox";
import { useEvents } from "~/ui/outbox/useEvents";

type WithoutIds<E> = E extends LiveEvent ? Omit<E, "id" | "at"> : never;
export type Happening = WithoutIds<LiveEvent>;

/**
 * The live state of a class from the server's events and those still waiting here; and the one way to add to them.
 * @param me the account that is signed in: a note waits for whoever wrote it.
 */
export function useLive(classId: string, me: string, events: readonly LiveEvent[]) {
  const channel = useMemo(
    () => ({ key: classId, address: `/classes/${classId}/events`, news: "events" as const, me }),
    [classId, me],
  );
  const {
    all,
    add: put,
    waiting,
    sent,
    refused,
    seen,
  } = useEvents<LiveEvent>(channel, `/classes/${classId}/changes`, events);
  const add = useCallback(
    (happening: Happening) => put([{ ...happening, id: newId(), at: Date.now() } as LiveEvent]),
    [put],
  );
  const state = useMemo(() => fold(all), [all]);
  return { state, add, waiting, sent, refused, seen };
}
