import { useCallback, useEffect, useMemo, useState } from "react";
import { type LiveEvent, fold } from "~/core/teach";
import { type Sent, flush, keep, newId, readEvents, waiting } from "./outbox";

type WithoutIds<E> = E extends LiveEvent ? Omit<E, "id" | "at"> : never;
export type Happening = WithoutIds<LiveEvent>;

const secondsBetweenTries = 5;

/** The live state of a class from the server's events and those still waiting here; and the one way to add to them. */
export function useLive(classId: string, events: readonly LiveEvent[]) {
  const [local, setLocal] = useState<readonly LiveEvent[]>([]);
  const [sent, setSent] = useState<Sent>("sent");
  const [server, setServer] = useState(events);

  // Read by hand and not through the router: a page that cannot be reached must leave this screen as it stands.
  const refresh = useCallback(async () => {
    const read = await readEvents(classId);
    if (read) setServer(read);
  }, [classId]);

  const send = useCallback(async () => {
    const outcome = await flush(classId);
    setSent(outcome);
    if (outcome === "sent") await refresh();
    // Only what still waits must be added to what the server says; what it took, it says itself.
    setLocal(await waiting(classId));
  }, [classId, refresh]);

  useEffect(() => {
    void waiting(classId).then((found) => {
      setLocal(found);
      if (found.length > 0) void send();
    });
    const again = setInterval(
      () => void waiting(classId).then((found) => (found.length > 0 ? send() : undefined)),
      secondsBetweenTries * 1000,
    );
    const now = () => void send();
    addEventListener("online", now);
    return () => {
      clearInterval(again);
      removeEventListener("online", now);
    };
  }, [classId, send]);

  // Browsers allow six connections to a host: a hidden tab gives its own back.
  useEffect(() => {
    let source: EventSource | undefined;
    let retry: ReturnType<typeof setTimeout> | undefined;
    const open = () => {
      if (source || document.hidden) return;
      source = new EventSource(`/classes/${classId}/changes`);
      source.addEventListener("changed", () => void refresh());
      source.addEventListener("error", () => {
        if (source?.readyState !== EventSource.CLOSED) return;
        close();
        retry = setTimeout(open, 2000);
      });
    };
    const close = () => {
      clearTimeout(retry);
      source?.close();
      source = undefined;
    };
    const follow = () => (document.hidden ? close() : open());
    open();
    document.addEventListener("visibilitychange", follow);
    return () => {
      document.removeEventListener("visibilitychange", follow);
      close();
    };
  }, [classId, refresh]);

  const add = useCallback(
    (happening: Happening) => {
      const event = { ...happening, id: newId(), at: Date.now() } as LiveEvent;
      setLocal((so) => [...so, event]);
      void keep(classId, event).then(send);
    },
    [classId, send],
  );

  const state = useMemo(() => fold([...server, ...local]), [server, local]);
  const known = useMemo(() => new Set(server.map((event) => event.id)), [server]);
  return { state, add, waiting: local.filter((event) => !known.has(event.id)).length, sent };
}
