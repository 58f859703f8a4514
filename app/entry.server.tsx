import { Transform } from "node:stream";
import createCache, { type EmotionCache } from "@emotion/cache";
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

const endOfHead = Buffer.from("</head>");
/** What comes later than the page begins with one of these. */
const startOfLater = Buffer.from("<div hidden id=");

/** The styles of what has been drawn stand in the head, and before what comes later: never between a list and its items. */
function withStyles(piece: Buffer, stylesSoFar: () => string): Buffer {
  const at = piece.indexOf(endOfHead);
  if (at >= 0) return Buffer.concat([piece.subarray(0, at), Buffer.from(stylesSoFar()), piece.subarray(at)]);
  const isLater = piece.subarray(0, startOfLater.length).equals(startOfLater);
  return isLater ? Buffer.concat([Buffer.from(stylesSoFar()), piece]) : piece;
}

/** What of the styles of a page has not been handed on, as elements that the browser's own cache takes over. */
function stylesOf(cache: EmotionCache, nonce: string): () => string {
  const handedOn = new Set<string>();
  const element = (names: string, rules: string) =>
    `<style data-emotion="${names}"${nonce === "" ? "" : ` nonce="${nonce}"`}>${rules}</style>`;
  return () => {
    const fresh = Object.entries(cache.inserted).filter(
      (one): one is [string, string] => typeof one[1] === "string" && !handedOn.has(one[0]),
    );
    for (const [name] of fresh) handedOn.add(name);
    const isOfOne = ([name]: [string, string]) => cache.registered[`${cache.key}-${name}`] !== undefined;
    const own = fresh.filter(isOfOne);
    return [
      ...fresh.filter((one) => !isOfOne(one)).map(([name, rules]) => element(`${cache.key}-global ${name}`, rules)),
      ...(own.length === 0
        ? []
        : [element([cache.key, ...own.map(([name]) => name)].join(" "), own.map(([, rules]) => rules).join(""))]),
    ].join("");
  };
}

/**
 * React hands a page on in pieces of two kilobytes, each of which is passed through five streams and packed by itself. Gathered here
 * while it is drawing; what has gathered goes as soon as it pauses, so that nobody waits.
 */
function gathered(stylesSoFar: () => string, onWhole: ((page: string) => void) | undefined): Transform {
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
    transform(given: Buffer, _encoding, done) {
      if (size === 0) setImmediate(handOn);
      const piece = withStyles(given, stylesSoFar);
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
  // Styles are kept beside what is drawn, not put before each element.
  cache.compat = true;
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
          const body = gathered(
            stylesOf(cache, nonce),
            isKept ? (page) => isWell && keepDrawn(key, page, nonce) : undefined,
          );
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
