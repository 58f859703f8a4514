import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { useRevalidator } from "react-router";
import { type LiveEvent, fold } from "~/core/teach";
import { type Sent, flush, keep, newId, waiting } from "./outbox";

type WithoutIds<E> = E extends LiveEvent ? Omit<E, "id" | "at"> : never;
export type Happening = WithoutIds<LiveEvent>;

const secondsBetweenTries = 5;

/** The live state of a class from the server's events and those still waiting here; and the one way to add to them. */
export function useLive(classId: string, events: readonly LiveEvent[]) {
  const [local, setLocal] = useState<readonly LiveEvent[]>([]);
  const [sent, setSent] = useState<Sent>("sent");
  const revalidator = useRevalidator();
  const revalidate = useRef(revalidator.revalidate);
  revalidate.current = revalidator.revalidate;

  const send = useCallback(async () => {
    const outcome = await flush(classId);
    setSent(outcome);
    if (outcome === "sent") await revalidate.current();
    // Only what still waits must be added to what the server says; what it took, it says itself.
    setLocal(await waiting(classId));
  }, [classId]);

  useEffect(() => {
    void waiting(classId).then((found) => {
      setLocal(found);
      if (found.length > 0) void send();
    });
    const again = setInterval(() => void waiting(classId).then((found) => (found.length > 0 ? send() : undefined)), secondsBetweenTries * 1000);
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
      source.addEventListener("changed", () => void revalidate.current());
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
  }, [classId]);

  const add = useCallback((happening: Happening) => {
    const event = { ...happening, id: newId(), at: Date.now() } as LiveEvent;
    setLocal((so) => [...so, event]);
    void keep(classId, event).then(send);
  }, [classId, send]);

  const state = useMemo(() => fold([...events, ...local]), [events, local]);
  const known = useMemo(() => new Set(events.map((event) => event.id)), [events]);
  return { state, add, waiting: local.filter((event) => !known.has(event.id)).length, sent };
}
