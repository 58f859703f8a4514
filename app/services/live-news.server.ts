import type { Kysely } from "kysely";
import type { DB } from "~/db/schema";
import type { Account } from "./accounts.server";
import { eventsOf } from "./live.server";
import { ticksOf } from "./ticks.server";

/**
 * What is new in a class, for the screens that listen to it: read once when the class is told to have changed, and made once for each
 * role, however many screens there are.
 */

type Role = Account["role"];

/** A stream message per role of its reader. */
export type News = Readonly<Record<Role, string>>;

/** Whoever comes to a stream, or misses something, reads everything anew. */
export const readAgain = "event: changed\ndata: {}\n\n";

/** Seconds in which an event may become visible after it was received, as its transaction ends later than it began. */
const visibleWithin = 30;
/** What was sent is remembered for twice as long, in ms, so that nothing is sent twice. */
const rememberedMs = 2 * visibleWithin * 1000;

/** What was sent of a class already, by id, with the moment. */
export type Told = Map<string, number>;

/** Events and ticks of a class that were not told yet; undefined where there are none. */
export async function newsOf(db: Kysely<DB>, classId: string, told: Told): Promise<News | undefined> {
  const [forLead, forAssistant, ticks] = await Promise.all([
    eventsOf(db, classId, { role: "lead" }, visibleWithin),
    eventsOf(db, classId, { role: "assistant" }, visibleWithin),
    ticksOf(db, classId, visibleWithin),
  ]);
  const isNew = ({ id }: { readonly id: string }) => !told.has(id);
  const textOf = (events: typeof forLead) => {
    const data = { events: events.filter(isNew), ticks: ticks.filter(isNew) };
    return data.events.length + data.ticks.length === 0 ? "" : `event: news\ndata: ${JSON.stringify(data)}\n\n`;
  };
  const news = { lead: textOf(forLead), assistant: textOf(forAssistant) };
  const now = Date.now();
  for (const { id } of [...forLead, ...ticks]) if (!told.has(id)) told.set(id, now);
  for (const [id, at] of told) if (now - at > rememberedMs) told.delete(id);
  return news.lead === "" && news.assistant === "" ? undefined : news;
}
