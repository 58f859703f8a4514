import { EventEmitter } from "node:events";
import pg from "pg";
import { databaseUrl } from "~/db/client.server";
import { metrics } from "~/watch/metrics.server";

/**
 * One listening connection a process. What it says is only "something changed in this class"; whoever listens reads the table,
 * so that catching up after a gap and following live are the same path.
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
      ({ payload = "" }) => void this.told.emit(payload.startsWith("account ") ? payload : `class ${payload}`),
    );
    await client.connect();
    await client.query("listen live");
    this.client = client;
  }

  /** Calls `heard` whenever something may have changed; resolves once nothing can be missed any more. */
  async listen(classId: string, heard: () => void): Promise<() => void> {
    await this.open();
    this.told.on(`class ${classId}`, heard).on("all", heard);
    return () => void this.told.off(`class ${classId}`, heard).off("all", heard);
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

/** Open streams of one account, and of all: tablets and tabs have one each, and whoever opens more has forgotten some. */
const mostStreams = { account: 24, all: 1000 } as const;
const streamsOf = new Map<string, number>();
/** How often an open stream asks whether its account may still listen, in milliseconds. */
const askEvery = 15_000;

/**
 * A stream of "changed" events for one class, with heartbeats; ends with the request, the server, or the session.
 * @param mayListen asked now and then: a session that was ended ends its streams.
 */
export async function changesStream(
  classId: string,
  accountId: string,
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
        if (isOpen) controller.enqueue(encoder.encode(text));
      };
      const forget = await liveHub()
        .listen(classId, () => send("event: changed\ndata: {}\n\n"))
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
      else send("retry: 1000\nevent: changed\ndata: {}\n\n");
    },
    cancel: () => end(),
  });
  return new Response(body, {
    headers: {
      "Content-Type": "text/event-stream",
      "Cache-Control": "no-cache, no-transform",
      "X-Accel-Buffering": "no",
    },
  });
}

/** Ends every open stream and the listening connection: an open stream would keep the server from closing. */
export function endStreams(): void {
  for (const end of [...streams]) end();
  void held.apronBellHub?.close();
}
