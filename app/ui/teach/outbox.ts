import { type DBSchema, type IDBPDatabase, openDB } from "idb";
import type { LiveEvent } from "~/core/teach";

/**
 * Events wait here until the server says it has them: through a reload, a lost network, a killed server. Where the browser keeps
 * no database (some private windows), they wait in memory, and the screen says so.
 */
interface Schema extends DBSchema {
  waiting: { key: string; value: { classId: string; event: LiveEvent }; indexes: { classId: string } };
}

let opened: Promise<IDBPDatabase<Schema> | undefined> | undefined;
const memory = new Map<string, { classId: string; event: LiveEvent }>();

const store = () =>
  (opened ??= openDB<Schema>("apron-bell-outbox", 1, {
    upgrade: (db) => void db.createObjectStore("waiting", { keyPath: "event.id" }).createIndex("classId", "classId"),
  }).catch(() => undefined));

export async function keep(classId: string, event: LiveEvent): Promise<void> {
  const db = await store();
  if (db) await db.put("waiting", { classId, event });
  else memory.set(event.id, { classId, event });
}

export async function waiting(classId: string): Promise<LiveEvent[]> {
  const db = await store();
  const rows = db
    ? await db.getAllFromIndex("waiting", "classId", classId)
    : [...memory.values()].filter((row) => row.classId === classId);
  return rows.map((row) => row.event);
}

async function forget(ids: readonly string[]): Promise<void> {
  const db = await store();
  for (const id of ids) {
    memory.delete(id);
    await db?.delete("waiting", id);
  }
}

export type Sent = "sent" | "offline" | "signed-out" | "refused";

/** Sends what waits for a class; what the server has is forgotten here. One sender at a time, even over several tabs. */
export async function flush(classId: string): Promise<Sent> {
  const send = async (): Promise<Sent> => {
    const events = await waiting(classId);
    if (events.length === 0) return "sent";
    try {
      const response = await fetch(`/classes/${classId}/events`, {
        method: "POST",
        headers: { "Content-Type": "application/json" },
        body: JSON.stringify({ events }),
      });
      if (response.redirected || response.status === 401) return "signed-out";
      if (response.status >= 500) return "offline";
      if (!response.ok) return "refused";
      const { kept } = (await response.json()) as { kept: string[] };
      await forget(kept);
      return "sent";
    } catch {
      return "offline";
    }
  };
  // Without secure transport there are no locks; a doubled send is harmless, as the server takes each id once.
  return navigator.locks ? navigator.locks.request(`outbox ${classId}`, send) : send();
}

/** Every event the server has of a class; `undefined` when it cannot be asked now. */
export async function readEvents(classId: string): Promise<LiveEvent[] | undefined> {
  try {
    const response = await fetch(`/classes/${classId}/events`);
    if (!response.ok || response.redirected) return undefined;
    return ((await response.json()) as { events: LiveEvent[] }).events;
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
