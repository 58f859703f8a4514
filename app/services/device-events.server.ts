import { sql } from "kysely";
import { z } from "zod";

/** Events at most that a device sends at once; more come in the next slice. */
export const mostAtOnce = 200;
/** A device's clock may be off by so much without a word, in milliseconds: the way here takes that long on a bad day. */
const usualOff = 60_000;
/** Nothing is believed to have happened longer ago than this, in milliseconds: no class is taught for more than a year. */
const longestAgo = 400 * 86_400_000;

const envelope = z.object({
  /** What the device's clock says as it sends, in milliseconds since 1970. */
  now: z.number().min(0).max(8.64e15).optional(),
  events: z.array(z.unknown()).min(1).max(mostAtOnce),
});
const named = z.looseObject({ id: z.string().max(100) });

/** A rejected event and the reason; it need not be sent again. */
export interface Refused {
  readonly id: string;
  readonly problem: string;
}
export type Believed<E> = E & { readonly off: number };

/**
 * What a device sent, each event by itself: those that are understood, with moments the server can believe, and those that are not. A
 * device whose clock runs ahead would otherwise have the last word for as long as it is ahead.
 * @returns undefined where the whole is nothing of the kind.
 */
export function readDeviceEvents<E extends { readonly id: string; readonly at: number }>(
  body: unknown,
  schema: z.ZodType<E>,
  now: number,
): { readonly events: readonly Believed<E>[]; readonly refused: readonly Refused[] } | undefined {
  const read = envelope.safeParse(body);
  if (!read.success) return undefined;
  const events: E[] = [];
  const refused: Refused[] = [];
  read.data.events.forEach((one, index) => {
    const parsed = schema.safeParse(one);
    if (parsed.success) return void events.push(parsed.data);
    const [issue] = parsed.error.issues;
    refused.push({
      id: named.safeParse(one).data?.id ?? `the ${index + 1}th`,
      problem: `${issue?.path.join(".") ?? ""} ${issue?.message ?? "not understood"}`.trim().slice(0, 200),
    });
  });
  const said = read.data.now;
  const latest = Math.max(now, ...events.map((event) => event.at));
  // A clock that says what it shows is set right by that; of one that does not, the latest event is taken to be now.
  const off = said === undefined ? latest - now : Math.abs(said - now) > usualOff ? said - now : 0;
  return {
    refused,
    events: events.map((event) => {
      const at = Math.min(now, Math.max(now - longestAgo, event.at - off));
      return { ...event, at, off: event.at - at };
    }),
  };
}

/**
 * The answer to a batch: what of it is kept now, and what is not taken with its reason, an id that belongs to something else among
 * them. Where nothing at all was taken the request itself was nothing, and says so by its status.
 */
export function answerFor(
  asked: readonly { readonly id: string }[],
  kept: readonly string[],
  before: readonly Refused[],
): Response {
  const refused = [
    ...before,
    ...asked
      .filter((event) => !kept.includes(event.id))
      .map((event) => ({ id: event.id, problem: "its id belongs to something else already" })),
  ];
  const [first] = refused;
  return kept.length === 0 && first
    ? Response.json({ problem: `Not understood: ${first.problem}.`, kept, refused }, { status: 400 })
    : Response.json({ kept, refused });
}

/** Filter for rows received in the last `seconds`; no filter if absent. */
export const receivedWithin = (table: "live_event" | "tick_event", seconds: number | undefined) =>
  seconds === undefined
    ? sql<boolean>`true`
    : sql<boolean>`${sql.ref(`${table}.received_at`)} > now() - make_interval(secs => ${seconds})`;
