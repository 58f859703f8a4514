import { type DBSchema, type IDBPDatabase, openDB } from "idb";

/** An event as devices make them: its id is its own, so that sending it twice is not two events. */
export interface Waiting {
  readonly id: string;
}

/** What events belong to and where they are sent: the bells of a class, or its ticks. */
export interface Channel {
  /** Names what waits here; the bells of a class by its id alone, as they always were. */
  readonly key: string;
  readonly address: string;
  /** Under what its events come in the stream of the class. */
  readonly news: "events" | "ticks";
  /** The account that is signed in, where some of what waits belongs to whoever wrote it. */
  readonly me?: string;
}

/**
 * Events wait here until the server says it has them: through a reload, a lost network, a killed server. Where the browser keeps
 * no database (some private windows), they wait in memory, and the screen says so.
 */
interface Kept {
  /** The channel's key. */
  readonly classId: string;
  /** Where it is sent; absent in rows from before there were several places. */
  readonly address?: string;
  readonly event: Waiting;
  /** Whose it is: of several who use a device each sends their own. Absent for what anybody may send, such as a bell that was rung. */
  readonly account?: string;
  /** Why the server does not take it; it is shown, and nothing waits for it. */
  readonly refused?: string;
}
interface Schema extends DBSchema {
  waiting: { key: string; value: Kept; indexes: { classId: string } };
}

let opened: Promise<IDBPDatabase<Schema> | undefined> | undefined;
const memory = new Map<string, Kept>();

// Where a browser keeps no database, asking for one fails at once, or later: either way events wait in memory.
const store = () =>
  (opened ??= Promise.resolve()
    .then(() =>
      openDB<Schema>("apron-bell-outbox", 1, {
        upgrade: (db) =>
          void db.createObjectStore("waiting", { keyPath: "event.id" }).createIndex("classId", "classId"),
      }),
    )
    .catch(() => undefined));

export async function keep(channel: Channel, event: Waiting): Promise<void> {
  const db = await store();
  const isNote = "kind" in event && event.kind === "note-added";
  const row: Kept = {
    classId: channel.key,
    address: channel.address,
    event,
    ...(isNote && channel.me !== undefined ? { account: channel.me } : {}),
  };
  if (db) await db.put("waiting", row);
  else memory.set(event.id, row);
}

/** What waits on a channel, of it what is anybody's and what is one's own. */
async function rowsOf({ key, me }: Pick<Channel, "key" | "me">): Promise<Kept[]> {
  const db = await store();
  const rows = db
    ? await db.getAllFromIndex("waiting", "classId", key)
    : [...memory.values()].filter((row) => row.classId === key);
  return rows.filter(({ account }) => account === undefined || account === me);
}

/** What waits to be sent. What was put in under this key is what comes out. */
export const waiting = async <E extends Waiting>(channel: Pick<Channel, "key" | "me">): Promise<E[]> =>
  (await rowsOf(channel)).flatMap((row) => (row.refused === undefined ? [row.event as E] : []));

/** What the server did not take, with its reason. */
export const refusedOf = async (channel: Channel): Promise<{ readonly id: string; readonly problem: string }[]> =>
  (await rowsOf(channel)).flatMap((row) =>
    row.refused === undefined ? [] : [{ id: row.event.id, problem: row.refused }],
  );

/** Takes what was refused off the device: somebody has seen it. */
export const dropRefused = async (channel: Channel): Promise<void> =>
  forget((await refusedOf(channel)).map((one) => one.id));

async function refuse(refused: readonly { id: string; problem: string }[]): Promise<void> {
  const db = await store();
  for (const { id, problem } of refused) {
    const row = db ? await db.get("waiting", id) : memory.get(id);
    if (!row) continue;
    const marked = { ...row, refused: problem };
    if (db) await db.put("waiting", marked);
    else memory.set(id, marked);
  }
}

async function forget(ids: readonly string[]): Promise<void> {
  const db = await store();
  for (const id of ids) {
    memory.delete(id);
    await db?.delete("waiting", id);
  }
}

export type Sent = "sent" | "offline" | "signed-out" | "refused";

/** Events in one request; more go in the next. */
const slice = 200;

/** Sends what waits on a channel, a slice at a time; what the server has is forgotten here. One sender at a time, even over several tabs. */
export async function flush(channel: Omit<Channel, "news">): Promise<Sent> {
  const send = async (): Promise<Sent> => {
    const events = (await waiting(channel)).slice(0, slice);
    if (events.length === 0) return "sent";
    try {
      const response = await fetch(channel.address, {
        method: "POST",
        headers: { "Content-Type": "application/json" },
        body: JSON.stringify({ now: Date.now(), events }),
      });
      if (response.redirected || response.status === 401) return "signed-out";
      if (response.status >= 500) return "offline";
      // Refused one by one, all of them or some; a request that is refused as a whole says nothing of each.
      const { kept, refused } = (await response.json().catch(() => ({}))) as {
        kept?: string[];
        refused?: { id: string; problem: string }[];
      };
      if (!kept || !refused) return "refused";
      await forget(kept);
      await refuse(refused);
      // Nothing moved: what is left waits for another day rather than going round for ever.
      return kept.length + refused.length === 0 ? "refused" : await send();
    } catch {
      return "offline";
    }
  };
  // Without secure transport there are no locks; a doubled send is harmless, as the server takes each id once.
  return navigator.locks ? navigator.locks.request(`outbox ${channel.key}`, send) : send();
}

/** Sends whatever waits on any channel: for pages that show none of them, so that leaving a screen early costs nothing. */
export async function flushEverywhere(me: string): Promise<void> {
  const db = await store();
  const rows = db ? await db.getAll("waiting") : [...memory.values()];
  const channels = new Map(
    rows.map((row) => [row.classId, { key: row.classId, address: row.address ?? `/classes/${row.classId}/events` }]),
  );
  for (const channel of channels.values()) await flush({ ...channel, me });
}

/** Every event the server has on a channel; `undefined` when it cannot be asked now. */
export async function readEvents<E extends Waiting>({ address }: Channel): Promise<E[] | undefined> {
  try {
    const response = await fetch(address);
    if (!response.ok || response.redirected) return undefined;
    return ((await response.json()) as { events: E[] }).events;
  } catch {
    return undefined;
  }
}

/** A random id (version 4), also where the browser offers no randomUUID for want of secure transport. */
export function newId(): string {
  if (typeof crypto.randomUUID === "function") return crypto.randomUUID();
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  bytes[6] = ((bytes[6] ?? 0) & 0x0f) | 0x40;
  bytes[8] = ((bytes[8] ?? 0) & 0x3f) | 0x80;
  const hex = [...bytes].map((byte) => byte.toString(16).padStart(2, "0")).join("");
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-${hex.slice(12, 16)}-${hex.slice(16, 20)}-${hex.slice(20)}`;
}
