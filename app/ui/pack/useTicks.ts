import { useCallback, useEffect, useMemo, useState } from "react";
import { type TickEvent, foldTicks } from "~/core/pack";
import { newId } from "~/ui/outbox/outbox";
import { useEvents } from "~/ui/outbox/useEvents";

/** What is ticked in a class, from the server's events and those still waiting here; and the one way to tick. */
export function useTicks(classId: string, events: readonly TickEvent[], me: string) {
  const channel = useMemo(
    () => ({ key: `${classId} ticks`, address: `/classes/${classId}/ticks`, news: "ticks" as const }),
    [classId],
  );
  const { all, add, waiting, sent, refused, seen } = useEvents<TickEvent>(
    channel,
    `/classes/${classId}/changes`,
    events,
  );
  const tick = useCallback(
    (one: Omit<TickEvent, "id" | "at" | "by">) => add([{ ...one, id: newId(), at: Date.now(), by: me }]),
    [add, me],
  );
  const ticks = useMemo(() => foldTicks(all), [all]);
  // A tick made before the page has come alive would be taken back by it: until then nothing can be ticked.
  const [isReady, setReady] = useState(false);
  useEffect(() => setReady(true), []);
  return { ticks, tick, waiting, sent, refused, seen, isReady };
}
