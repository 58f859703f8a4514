import { RouterContextProvider } from "react-router";
import { addressContext, nonceContext } from "~/services/request.server";
import { requireAccount, signInAndGo } from "~/services/session.server";

/** What a route module offers to whoever asks; the router's generated types are too exact for a table of routes. */
export interface Door {
  readonly loader?: (args: never) => unknown;
  readonly action?: (args: never) => unknown;
}

export interface Answer {
  readonly status: number;
  /** What the page gets, or the body of a response: JSON as a value, anything else as text. */
  readonly body: unknown;
  readonly location: string | null;
}

const origin = "http://127.0.0.1";

/** The cookie of a fresh session. */
export async function cookieOf(accountId: string): Promise<string> {
  const answer = await signInAndGo(new Request(origin), accountId, "/", "127.0.0.1");
  return (answer.headers.get("set-cookie") ?? "").split(";")[0] ?? "";
}

async function answerOf(made: unknown): Promise<Answer> {
  if (made instanceof Response) {
    const text = await made.text();
    const isJson = made.headers.get("content-type")?.includes("json");
    return {
      status: made.status,
      body: isJson ? (JSON.parse(text) as unknown) : text,
      location: made.headers.get("location"),
    };
  }
  // What `data()` of the router gives: a value with the answer's head.
  if (typeof made === "object" && made !== null && "data" in made && "init" in made) {
    const { data, init } = made as { data: unknown; init: ResponseInit | null };
    return { status: init?.status ?? 200, body: data, location: null };
  }
  return { status: 200, body: made, location: null };
}

export interface Asked {
  readonly params?: Record<string, string>;
  readonly form?: Record<string, string | Blob> | [string, string][] | FormData;
  readonly json?: unknown;
  /** Sent as it is, as if it were a form. */
  readonly raw?: string;
  readonly path?: string;
  readonly headers?: Record<string, string>;
}

function requestOf(asked: Asked, cookie: string): Request {
  const headers: Record<string, string> = { cookie, ...asked.headers };
  const url = `${origin}${asked.path ?? "/"}`;
  if (asked.raw !== undefined)
    return new Request(url, {
      method: "POST",
      body: asked.raw,
      headers: { ...headers, "content-type": "application/x-www-form-urlencoded" },
    });
  if (asked.json !== undefined)
    return new Request(url, {
      method: "POST",
      body: typeof asked.json === "string" ? asked.json : JSON.stringify(asked.json),
      headers: { ...headers, "content-type": "application/json" },
    });
  if (!asked.form) return new Request(url, { headers });
  if (asked.form instanceof FormData) return new Request(url, { method: "POST", body: asked.form, headers });
  const rows = Array.isArray(asked.form) ? asked.form : Object.entries(asked.form);
  if (rows.every((row): row is [string, string] => typeof row[1] === "string"))
    return new Request(url, { method: "POST", body: new URLSearchParams(rows), headers });
  const body = new FormData();
  for (const [name, value] of rows) body.append(name, value);
  return new Request(url, { method: "POST", body, headers });
}

function argsOf(request: Request, params: Record<string, string> | undefined) {
  const context = new RouterContextProvider();
  context.set(nonceContext, "");
  context.set(addressContext, "192.0.2.1");
  return { request, params: params ?? {}, context, url: new URL(request.url), pattern: "" };
}
type Args = ReturnType<typeof argsOf>;

const handled = (door: Door, args: Args): unknown => {
  const handler = args.request.method === "POST" ? door.action : door.loader;
  if (!handler) throw new Error(`expected the route to answer ${args.request.method}`);
  // A route takes arguments of its own type; see `Door`.
  return handler(args as never);
};

/** What is thrown as an answer comes back as one; anything else thrown stays thrown, as it would be a 500. */
async function answered(make: () => Promise<unknown>): Promise<Answer> {
  try {
    return await answerOf(await make());
  } catch (thrown) {
    const isAnswer = thrown instanceof Response || (typeof thrown === "object" && thrown !== null && "init" in thrown);
    if (!isAnswer) throw thrown;
    return answerOf(thrown);
  }
}

/** Asks a route that stands before the sign-in: its action when something is posted, its loader otherwise. */
export const askOpenly = (door: Door, asked: Asked = {}): Promise<Answer> =>
  answered(async () => handled(door, argsOf(requestOf(asked, ""), asked.params)));

/** Asks a route as the program would, behind the check of who is signed in. */
export const ask = (door: Door, cookie: string, asked: Asked = {}): Promise<Answer> =>
  answered(async () => {
    const args = argsOf(requestOf(asked, cookie), asked.params);
    let made: unknown;
    // What a middleware is given beside these is the router's own and not looked at here.
    await requireAccount(args as unknown as Parameters<typeof requireAccount>[0], async () => {
      made = await handled(door, args);
      return new Response();
    });
    return made;
  });
