import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import {
  type Channel,
  type Sent,
  type Waiting,
  dropRefused,
  flush,
  keep,
  readEvents,
  refusedOf,
  waiting,
} from "./outbox";

const secondsBetweenTries = 5;

/**
 * The events of a channel: those of the server and those still waiting here, and the one way to add to them.
 * @param channel the same object as long as it is the same channel.
 * @param changes address of the stream that tells when the server has more.
 */
export function useEvents<E extends Waiting>(channel: Channel, changes: string, events: readonly E[]) {
  const [local, setLocal] = useState<readonly E[]>([]);
  const [sent, setSent] = useState<Sent>("sent");
  const [server, setServer] = useState(events);
  const [refused, setRefused] = useState<readonly { readonly id: string; readonly problem: string }[]>([]);

  // Read by hand and not through the router: a page that cannot be reached must leave this screen as it stands.
  const refresh = useCallback(async () => {
    const read = await readEvents<E>(channel);
    if (read) setServer(read);
  }, [channel]);

  // What was added a moment ago and is not in the browser's database yet: it must not vanish while something else is sent.
  const beingKept = useRef(new Set<string>());
  const take = useCallback((found: readonly E[]) => {
    // As it stood when the database was read: by the time this is drawn it may be in there, and in neither of the two lists.
    const held = new Set(beingKept.current);
    setLocal((so) => [...found, ...so.filter((one) => held.has(one.id) && !found.some((each) => each.id === one.id))]);
  }, []);

  const send = useCallback(async () => {
    const mine = await waiting<E>(channel);
    const outcome = await flush(channel);
    setSent(outcome);
    const refusals = await refusedOf(channel);
    setRefused(refusals);
    if (outcome === "sent") {
      // The server has them, even if it cannot be asked for its own list right now.
      const taken = mine.filter((one) => !refusals.some((each) => each.id === one.id));
      setServer((so) => [...so, ...taken.filter((one) => !so.some((each) => each.id === one.id))]);
      await refresh();
    }
    take(await waiting<E>(channel));
  }, [channel, refresh, take]);

  useEffect(() => {
    void refusedOf(channel).then(setRefused);
    void waiting<E>(channel).then((found) => {
      take(found);
      if (found.length > 0) void send();
    });
    const again = setInterval(
      () => void waiting<E>(channel).then((found) => (found.length > 0 ? send() : undefined)),
      secondsBetweenTries * 1000,
    );
    const now = () => void send();
    addEventListener("online", now);
    return () => {
      clearInterval(again);
      removeEventListener("online", now);
    };
  }, [channel, send, take]);

  // Browsers allow six connections to a host: a hidden tab gives its own back.
  useEffect(() => {
    let source: EventSource | undefined;
    let retry: ReturnType<typeof setTimeout> | undefined;
    const open = () => {
      if (source || document.hidden) return;
      source = new EventSource(changes);
      source.addEventListener("changed", () => void refresh());
      // What is new comes with the message, made once for every screen; what this one has already is passed over.
      source.addEventListener("news", ({ data }: MessageEvent<string>) => {
        const added = (JSON.parse(data) as Readonly<Record<Channel["news"], readonly E[]>>)[channel.news];
        setServer((so) => {
          const known = new Set(so.map((one) => one.id));
          return added.some((one) => !known.has(one.id)) ? [...so, ...added.filter((one) => !known.has(one.id))] : so;
        });
      });
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
  }, [changes, channel, refresh]);

  const add = useCallback(
    (added: readonly E[]) => {
      for (const { id } of added) beingKept.current.add(id);
      setLocal((so) => [...so, ...added]);
      void Promise.all(added.map((event) => keep(channel, event))).then(() => {
        for (const { id } of added) beingKept.current.delete(id);
        return send();
      });
    },
    [channel, send],
  );

  const all = useMemo(() => [...server, ...local], [server, local]);
  const known = useMemo(() => new Set(server.map((event) => event.id)), [server]);
  const seen = useCallback(() => {
    setRefused([]);
    void dropRefused(channel);
  }, [channel]);
  return { all, add, refused, seen, waiting: local.filter((event) => !known.has(event.id)).length, sent };
}
