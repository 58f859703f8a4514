import { EventEmitter } from "node:events";
import pg from "pg";
import { database, databaseUrl } from "~/db/client.server";
import type { Account } from "./accounts.server";
import { type News, type Told, newsOf, readAgain } from "./live-news.server";
import { metrics } from "~/watch/metrics.server";

/**
 * One listening connection a process. What it says is only "something changed in this class": what that is, is read once for all who
 * listen here. After a gap they are told to read everything anew.
 */
class LiveHub {
  private readonly told = new EventEmitter().setMaxListeners(0);
  private client: pg.Client | undefined;
  private opening: Promise<void> | undefined;

  private open(): Promise<void> {
    return (this.opening ??= this.connect().catch((error: unknown) => {
      this.opening = undefined;
      throw error;
    }));
  }

  private async connect(): Promise<void> {
    const client = new pg.Client({ connectionString: databaseUrl() });
    const again = () => {
      if (this.client !== client) return;
      this.client = undefined;
      this.opening = undefined;
      const reopen = () =>
        void this.open().then(
          () => this.told.emit("all"),
          () => setTimeout(reopen, 500).unref(),
        );
      setTimeout(reopen, 500).unref();
    };
    client.on("error", again);
    client.on("end", again);
    client.on(
      "notification",
      ({ payload = "" }) => void (payload.startsWith("account ") ? this.told.emit(payload) : this.tell(payload)),
    );
    await client.connect();
    await client.query("listen live");
    this.client = client;
  }

  /** What was told of each class that somebody here listens to, and whether it changed again while that was read. */
  private readonly classes = new Map<string, { readonly told: Told; isReading: boolean; isChanged: boolean }>();

  /** Reads what is new in a class and tells it; what comes in meanwhile is read in the next round. */
  private async tell(classId: string): Promise<void> {
    const one = this.classes.get(classId);
    if (!one) return;
    one.isChanged = true;
    if (one.isReading) return;
    one.isReading = true;
    try {
      while (one.isChanged) {
        one.isChanged = false;
        const news = await newsOf(database(), classId, one.told);
        if (news) this.told.emit(`class ${classId}`, news);
      }
    } catch {
      this.told.emit(`class ${classId}`, { lead: readAgain, assistant: readAgain });
    } finally {
      one.isReading = false;
    }
  }

  /** Calls `heard` with what is new, or with the word to read everything anew; resolves once nothing can be missed any more. */
  async listen(classId: string, heard: (news: News) => void): Promise<() => void> {
    await this.open();
    if (!this.classes.has(classId)) this.classes.set(classId, { told: new Map(), isReading: false, isChanged: false });
    const missed = () => heard({ lead: readAgain, assistant: readAgain });
    this.told.on(`class ${classId}`, heard).on("all", missed);
    return () => {
      this.told.off(`class ${classId}`, heard).off("all", missed);
      if (this.told.listenerCount(`class ${classId}`) === 0) this.classes.delete(classId);
    };
  }

  /** Calls `heard` whenever a sign-in of an account may have ended. */
  listenToAccount(accountId: string, heard: () => void): () => void {
    this.told.on(`account ${accountId}`, heard).on("all", heard);
    return () => void this.told.off(`account ${accountId}`, heard).off("all", heard);
  }

  async close(): Promise<void> {
    const client = this.client;
    this.client = undefined;
    await client?.end().catch(() => {});
  }
}

// On globalThis, so that a reload in development does not leave listeners behind.
const held = globalThis as typeof globalThis & { apronBellHub?: LiveHub; apronBellStreams?: Set<() => void> };
export const liveHub = (): LiveHub => (held.apronBellHub ??= new LiveHub());
const streams = (held.apronBellStreams ??= new Set());

const heartbeatMs = 20_000;

export const streamHeaders = {
  "Content-Type": "text/event-stream",
  "Cache-Control": "no-cache, no-transform",
  "X-Accel-Buffering": "no",
} as const;

/** Open streams of one account, and of all: tablets and tabs have one each, and whoever opens more has forgotten some. */
const mostStreams = { account: 24, all: 1000 } as const;
const streamsOf = new Map<string, number>();
/** How often an open stream asks whether its account may still listen, in milliseconds. */
const askEvery = 15_000;

/**
 * A stream of what happens in one class, with heartbeats; ends with the request, the server, or the session.
 * @param mayListen asked now and then: a session that was ended ends its streams.
 */
export async function changesStream(
  classId: string,
  { id: accountId, role }: Pick<Account, "id" | "role">,
  mayListen: () => Promise<boolean>,
  signal: AbortSignal,
): Promise<Response> {
  const mine = streamsOf.get(accountId) ?? 0;
  if (mine >= mostStreams.account || streams.size >= mostStreams.all)
    return new Response("Too many pages of this account are open and listening. Close some of them.", {
      status: 429,
      headers: { "Retry-After": "30" },
    });
  streamsOf.set(accountId, mine + 1);
  const encoder = new TextEncoder();
  let end = () => {};
  const body = new ReadableStream<Uint8Array>({
    async start(controller) {
      let isOpen = true;
      const send = (text: string) => {
        if (isOpen && text !== "") controller.enqueue(encoder.encode(text));
      };
      const forget = await liveHub()
        .listen(classId, (news) => send(news[role]))
        .catch((error: unknown) => {
          streamsOf.set(accountId, Math.max(0, (streamsOf.get(accountId) ?? 1) - 1));
          throw error;
        });
      const ask = () =>
        void mayListen().then(
          (may) => may || end(),
          () => undefined,
        );
      const asking = setInterval(ask, askEvery);
      const unhear = liveHub().listenToAccount(accountId, ask);
      const beat = setInterval(() => send(": still here\n\n"), heartbeatMs);
      end = () => {
        if (!isOpen) return;
        isOpen = false;
        const left = (streamsOf.get(accountId) ?? 1) - 1;
        if (left > 0) streamsOf.set(accountId, left);
        else streamsOf.delete(accountId);
        clearInterval(beat);
        clearInterval(asking);
        unhear();
        forget();
        streams.delete(end);
        metrics.streams.set(streams.size);
        controller.close();
      };
      streams.add(end);
      metrics.streams.set(streams.size);
      signal.addEventListener("abort", end, { once: true });
      if (signal.aborted) end();
      else send(`retry: 1000\n${readAgain}`);
    },
    cancel: () => end(),
  });
  return new Response(body, { headers: streamHeaders });
}

/** Ends every open stream and the listening connection: an open stream would keep the server from closing. */
export function endStreams(): void {
  for (const end of [...streams]) end();
  void held.apronBellHub?.close();
}
