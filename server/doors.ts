import type { Request, RequestHandler, Response } from "express";

/** What every request passes before a page sees it: an address and a host that can be read, and a body of a size that is meant. */

const plain = (response: Response, status: number, sentence: string) =>
  void response.status(status).type("text/plain").send(sentence);

/** A name or number with a port: what a Host header may be. */
const hostName = /^(?:[A-Za-z0-9](?:[A-Za-z0-9.-]{0,252})|\[[0-9A-Fa-f:.]{2,45}\])(?::\d{1,5})?$/;

function isReadable(address: string): boolean {
  try {
    return !/[\u0000-\u001f\u007f]/.test(decodeURIComponent(address)) && decodeURIComponent(address).isWellFormed();
  } catch {
    return false;
  }
}

/** The longest address of ours is a sign-in that remembers where one wanted to go. */
const mostLetters = 2000;

/** What pages and files of this program are asked with. */
const methods: readonly string[] = ["GET", "HEAD", "POST", "PUT", "PATCH", "DELETE"];

/** Is what a proxy says of the first hop a name, or a protocol, that an address can be made of? One that says nothing is. */
function isForwardedWell({ headers }: Request): boolean {
  const first = (name: string) => headers[name]?.toString().split(",")[0]?.trim();
  const [host, protocol] = [first("x-forwarded-host"), first("x-forwarded-proto")];
  return (
    (host === undefined || (hostName.test(host) && URL.canParse(`http://${host}`))) &&
    (protocol === undefined || protocol === "http" || protocol === "https")
  );
}

export const readableAddress: RequestHandler = (request, response, next) => {
  if (!methods.includes(request.method)) {
    response.set("Allow", methods.join(", "));
    return plain(response, 405, `${request.method} is nothing this program answers to. Open the page with a browser.`);
  }
  const host = request.headers.host ?? "";
  if (!hostName.test(host) || !URL.canParse(`http://${host}`) || !isForwardedWell(request))
    return plain(
      response,
      400,
      "The name of this server in the request cannot be read. Check the address, or the proxy in front.",
    );
  if (request.url.length > mostLetters)
    return plain(response, 414, "This address is longer than any of this program. Open the page from its list.");
  if (!isReadable(request.url))
    return plain(response, 400, "This address cannot be read. Open the page from its list instead.");
  next();
};

/** Bytes a body may have, by what the address takes; a route that is not named takes a form. */
const bodies: readonly (readonly [path: RegExp, most: number, what: string])[] = [
  [/^\/classes\/import(?:\.data)?$/, 2_000_000, "a class file"],
  [/^\/recipes\/bring-in(?:\.data)?$/, 400_000, "a recipe"],
  [/^\/classes\/[^/]+\/people\/import(?:\.data)?$/, 600_000, "a list of people"],
  [/^\/classes\/[^/]+\/labels\/[^/]+(?:\.data)?$/, 1_700_000, "a picture of a label"],
  [/^\/classes\/[^/]+\/(?:events|ticks)$/, 400_000, "what a device sends at once"],
  [/^\/recipes\//, 600_000, "a recipe"],
  [/^\/kitchens\//, 400_000, "a kitchen"],
];
const mostForm = 200_000;
/** Whoever is still sending hears the answer before the connection ends, in milliseconds. */
const lingers = 5000;

const unsafe = new Set(["POST", "PUT", "PATCH", "DELETE"]);

/**
 * Counts a body as it comes in, whatever its header says of it: past the most that its address takes, nothing more is read and the
 * connection ends.
 */
export const countedBody: RequestHandler = (request, response, next) => {
  if (!unsafe.has(request.method)) return next();
  const [, most, what] = bodies.find(([path]) => path.test(request.path)) ?? [undefined, mostForm, "a form"];
  let counted = 0;
  let isOver = false;
  const tooLarge = () => {
    isOver = true;
    if (response.headersSent) return;
    response.set("Connection", "close");
    // Ended at once, what the sender has still under way would wipe the answer out before it is read: for a moment it is read and dropped.
    const { socket } = request;
    socket.destroySoon = () => {
      socket.end();
      setTimeout(() => socket.destroy(), lingers).unref();
    };
    request.resume();
    plain(
      response,
      413,
      `What was sent is larger than ${most / 1000} kB, the most for ${what}. Check what was chosen, and send less at once.`,
    );
  };
  const push = request.push.bind(request) as Request["push"];
  request.push = (chunk: unknown, encoding?: BufferEncoding) => {
    // Dropped, and more is asked for; its end is the sender's to say.
    if (isOver) return chunk === null ? push(null) : true;
    counted += chunk === null || chunk === undefined ? 0 : (chunk as Buffer).length;
    if (counted <= most) return push(chunk, encoding);
    tooLarge();
    return true;
  };
  // Answered before all of it was read: who reads it holds it back, and the next request would wait behind it on the same connection.
  response.on("finish", () => {
    if (request.complete) return;
    isOver = true;
    request.removeAllListeners("data");
    request.resume();
    setTimeout(() => request.complete || request.destroy(), lingers).unref();
  });
  if (Number(request.headers["content-length"] ?? 0) > most) return tooLarge();
  next();
};
