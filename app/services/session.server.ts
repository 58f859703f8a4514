import {
  type MiddlewareFunction,
  type RouterContextProvider,
  createContext,
  createCookie,
  data,
  redirect,
} from "react-router";
import crypto from "node:crypto";
import Bowser from "bowser";
import { database } from "~/db/client.server";
import { rememberOrigin } from "./origins.server";
import { tastesCookie } from "./request.server";
import {
  type Account,
  accountOfSession,
  closeSession,
  countAccounts,
  openSession,
  tastesOfAccount,
} from "./accounts.server";

// With TLS or on this machine the cookie is bound to the host and never sent in the clear. A tablet that reaches the program by
// plain HTTP on a local network would drop such a cookie, so there it goes without; the README says to put TLS in front.
const bound = createCookie("__Host-apron", { httpOnly: true, sameSite: "lax", path: "/", secure: true });
const plain = createCookie("apron", { httpOnly: true, sameSite: "lax", path: "/" });

/** By it a browser that was signed in here is known again, for a year, when it signs in anew. It opens nothing by itself. */
const device = { httpOnly: true, sameSite: "lax", path: "/", maxAge: 31_536_000 } as const;
const boundDevice = createCookie("__Host-apron-device", { ...device, secure: true });
const plainDevice = createCookie("apron-device", device);

function isPrivate(request: Request): boolean {
  const { protocol, hostname } = new URL(request.url);
  return protocol === "https:" || hostname === "localhost" || hostname === "127.0.0.1" || hostname === "[::1]";
}
const cookieFor = (request: Request) => (isPrivate(request) ? bound : plain);
const deviceCookieFor = (request: Request) => (isPrivate(request) ? boundDevice : plainDevice);

async function secretOf(request: Request): Promise<string | undefined> {
  const value: unknown = await cookieFor(request).parse(request.headers.get("cookie"));
  return typeof value === "string" ? value : undefined;
}

/** Is the session of a request still open? For what outlives the request's first look. */
export async function isSignedIn(request: Request): Promise<boolean> {
  const secret = await secretOf(request);
  return secret !== undefined && (await accountOfSession(database(), secret)) !== undefined;
}

const accountContext = createContext<Account & { readonly sessionId: string }>();

/** Who is signed in; for loaders and actions behind {@link requireAccount}. */
export const accountOf = (context: Readonly<RouterContextProvider>): Account => context.get(accountContext);

/** The sign-in that a request came with, by its id. */
export const sessionOf = (context: Readonly<RouterContextProvider>): string => context.get(accountContext).sessionId;

/** Only those signed in pass; others go to the sign-in page and come back after. */
export const requireAccount: MiddlewareFunction<Response> = async ({ request, context }, next) => {
  const secret = await secretOf(request);
  const account = secret ? await accountOfSession(database(), secret) : undefined;
  if (!account) {
    if ((await countAccounts(database())) === 0) throw redirect("/first-account");
    const { pathname, search } = new URL(request.url);
    const back = `${pathname.replace(/\.data$/, "")}${search.replace(/[?&]_routes=[^&]*/, "")}`;
    throw redirect(back === "/" || back === "/_root" ? "/sign-in" : `/sign-in?back=${encodeURIComponent(back)}`);
  }
  context.set(accountContext, account);
  return next();
};

/** @throws a 403 page for assistants. */
export function requireLead(context: Readonly<RouterContextProvider>): Account {
  const account = accountOf(context);
  if (account.role !== "lead")
    throw data("This is for the lead instructor. Ask them to do it, or to make you a lead under Accounts.", {
      status: 403,
    });
  return account;
}

/** Stands for this program wherever it is: an address is of ours when it is still there after it was read against it. */
const here = "http://here.invalid";

/** A path of this program to go back to; anything else, such as another site, is the front page. Parsed as a browser would. */
export function pathBack(back: string | null): string {
  if (!back?.startsWith("/")) return "/";
  try {
    const { origin, pathname, search } = new URL(back, here);
    return origin === here && !pathname.startsWith("//") ? `${pathname}${search}` : "/";
  } catch {
    return "/";
  }
}

/** What a request was sent from, in a few words: "Chrome on Android". Empty when it does not say. */
function deviceOf(request: Request): string {
  const said = request.headers.get("user-agent") ?? "";
  if (said === "") return "";
  const { browser, os } = Bowser.parse(said);
  return [browser.name, os.name].filter(Boolean).join(" on ");
}

/** The secret by which a browser is known again when it signs in; `undefined` for one that never did. */
export async function deviceSecretOf(request: Request): Promise<string | undefined> {
  const value: unknown = await deviceCookieFor(request).parse(request.headers.get("cookie"));
  return typeof value === "string" && /^[\w-]{32}$/.test(value) ? value : undefined;
}

/** @param address where the request comes from: it is known to the account from now on, and so is the device. */
export async function signInAndGo(request: Request, accountId: string, to: string, address: string): Promise<Response> {
  const { secret, expires } = await openSession(database(), accountId, deviceOf(request));
  const device = (await deviceSecretOf(request)) ?? crypto.randomBytes(24).toString("base64url");
  await rememberOrigin(database(), accountId, { address, device });
  const headers = new Headers({ "Set-Cookie": await cookieFor(request).serialize(secret, { expires }) });
  headers.append("Set-Cookie", await deviceCookieFor(request).serialize(device));
  // What the account chose goes with it to every device.
  headers.append("Set-Cookie", tastesCookie(await tastesOfAccount(database(), accountId)));
  return redirect(to, { headers });
}

export async function signOutAndGo(request: Request, to: string): Promise<Response> {
  const secret = await secretOf(request);
  if (secret) await closeSession(database(), secret);
  return redirect(to, { headers: { "Set-Cookie": await cookieFor(request).serialize("", { maxAge: 0 }) } });
}
