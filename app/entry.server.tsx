import { Transform } from "node:stream";
import createCache from "@emotion/cache";
import { CacheProvider } from "@emotion/react";
import { createReadableStreamFromReadable } from "@react-router/node";
import { isbot } from "isbot";
import { renderToPipeableStream } from "react-dom/server";
import {
  type EntryContext,
  type HandleErrorFunction,
  type RouterContextProvider,
  ServerRouter,
  isRouteErrorResponse,
} from "react-router";
import { log } from "~/watch/log.server";
import { drawnBefore, isAskedAgain, keepDrawn, keyOfPage } from "~/services/drawn-pages.server";
import { nonceContext } from "~/services/request.server";
import { NonceProvider } from "~/ui/sheet/nonce";

const millisecondsToRender = 10_000;

/**
 * React hands a page on in pieces of two kilobytes, each of which is passed through five streams and packed by itself. Gathered here
 * while it is drawing; what has gathered goes as soon as it pauses, so that nobody waits.
 */
function gathered(onWhole: ((page: string) => void) | undefined): Transform {
  const most = 65_536;
  const whole: Buffer[] = [];
  let [pieces, size]: [Buffer[], number] = [[], 0];
  const handOn = () => {
    if (size > 0) {
      const piece = Buffer.concat(pieces, size);
      if (onWhole) whole.push(piece);
      stream.push(piece);
    }
    [pieces, size] = [[], 0];
  };
  const stream = new Transform({
    transform(piece: Buffer, _encoding, done) {
      if (size === 0) setImmediate(handOn);
      pieces.push(piece);
      size += piece.length;
      if (size >= most) handOn();
      done();
    },
    flush(done) {
      handOn();
      onWhole?.(Buffer.concat(whole).toString());
      done();
    },
  });
  return stream;
}

/** What a page is drawn from, as a key; undefined for one that answers a form, failed, or is of development. */
function keyOf(request: Request, status: number, entry: EntryContext, nonce: string): string | undefined {
  const { actionData, errors, loaderData } = entry.staticHandlerContext;
  if (request.method !== "GET" || status !== 200 || nonce === "" || actionData || errors) return undefined;
  return keyOfPage(request.url, loaderData);
}

export default function handleRequest(
  request: Request,
  status: number,
  headers: Headers,
  entry: EntryContext,
  context: Readonly<RouterContextProvider>,
): Promise<Response> {
  const nonce = context.get(nonceContext);
  headers.set("Content-Type", "text/html; charset=utf-8");
  headers.set("Cache-Control", "no-store");
  const key = keyOf(request, status, entry, nonce);
  const before = key === undefined ? undefined : drawnBefore(key, nonce);
  if (before !== undefined) return Promise.resolve(new Response(new Uint8Array(before), { headers, status }));
  const isKept = key !== undefined && isAskedAgain(key);
  let isWell = true;
  const cache = createCache({ key: "css", nonce });
  return new Promise((resolve, reject) => {
    // Someone without script waits for the whole page; a browser may have the shell at once.
    const ready = isbot(request.headers.get("user-agent")) ? "onAllReady" : "onShellReady";
    const { pipe, abort } = renderToPipeableStream(
      <CacheProvider value={cache}>
        <NonceProvider value={nonce}>
          <ServerRouter context={entry} url={request.url} nonce={nonce} />
        </NonceProvider>
      </CacheProvider>,
      {
        nonce,
        [ready]() {
          const body = gathered(isKept ? (page) => isWell && keepDrawn(key, page, nonce) : undefined);
          resolve(new Response(createReadableStreamFromReadable(body), { headers, status }));
          pipe(body);
          // A page that is drawn needs no clock any more, which would hold all of it for as long as it runs.
          body.once("close", () => clearTimeout(clock));
        },
        onShellError: (error) => {
          clearTimeout(clock);
          reject(error instanceof Error ? error : new Error(String(error)));
        },
        onError: (error) => {
          isWell = false;
          log.error({ err: error }, "a page was not drawn");
        },
      },
    );
    const clock = setTimeout(abort, millisecondsToRender).unref();
  });
}

/** What is a visitor's mistake (an address that is none, a refused form) is answered, not logged. */
export const handleError: HandleErrorFunction = (error, { request }) => {
  if (request.signal.aborted || isRouteErrorResponse(error)) return;
  log.error({ err: error }, "a request failed");
};
