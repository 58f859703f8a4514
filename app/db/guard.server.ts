import type { PostgresPool, PostgresPoolClient } from "kysely";
import type pg from "pg";
import { log } from "~/watch/log.server";

/**
 * The pool of the running program: a database that restarts is waited for, and what it cannot do is an answer in a sentence rather
 * than an error nobody has words for. Tools and tests connect without it and see the database's own errors.
 */

/** How long a request waits for a database that is starting again, and how often it looks, in milliseconds. */
const patience = { whole: 8000, step: 200 } as const;

const lostCodes = ["ECONNREFUSED", "ECONNRESET", "EPIPE", "ETIMEDOUT", "ENOTFOUND", "EHOSTUNREACH"];
const codeOf = (error: unknown): string =>
  error instanceof Error && "code" in error && typeof error.code === "string" ? error.code : "";

/** Is it the connection that failed, and not what was asked? Class 08 and 57P are the server's own words for it. */
export function isLost(error: unknown): boolean {
  const code = codeOf(error);
  return (
    lostCodes.includes(code) ||
    /^(?:08|57P0|53)/.test(code) ||
    (error instanceof Error &&
      /Connection terminated|connection timeout|timeout exceeded when trying to connect|not queryable|ended the connection/i.test(
        error.message,
      ))
  );
}

/** What the database refuses, as an answer: who asked too late, what was removed meanwhile, what no column holds. */
const refusals: readonly (readonly [codes: RegExp, status: number, sentence: string])[] = [
  [
    /^(?:23505|40001|40P01|55P03)$/,
    409,
    "Somebody saved the same thing at the same moment. Nothing of yours was changed: load the page again and look at what is there now.",
  ],
  [/^23503$/, 409, "Something this names was removed meanwhile. Load the page again and choose anew."],
  [
    /^(?:22|23514|23502)/,
    400,
    "Something in what was sent cannot be kept: a number too large, or signs that are no text. Go back, look at the fields and send it again.",
  ],
];

/** The sentence when the database is away. The page with it comes back by itself. */
export const awaySentence =
  "The database is not answering. What was saved before is kept; what you sent just now was not saved. This page tries again by itself.";

/** An error that the router answers with, as it does with what its own `data()` throws; its message stays the database's. */
class Refusal extends Error {
  readonly type = "DataWithResponseInit";
  constructor(
    cause: unknown,
    readonly data: string,
    readonly init: ResponseInit,
  ) {
    super(cause instanceof Error ? cause.message : String(cause), { cause });
  }
}

/** An error of the driver as the answer a visitor gets; anything else as it is. */
export function answerOf(error: unknown): unknown {
  if (isLost(error)) {
    log.error({ err: error }, "database away");
    return new Refusal(error, awaySentence, { status: 503, headers: { "Retry-After": "3" } });
  }
  const code = codeOf(error);
  const found = /^[0-9A-Z]{5}$/.test(code) ? refusals.find(([codes]) => codes.test(code)) : undefined;
  if (!found) return error;
  log.warn({ err: error }, "database refused");
  return new Refusal(error, found[2], { status: found[1] });
}

async function patiently<T>(ask: () => Promise<T>): Promise<T> {
  const until = Date.now() + patience.whole;
  for (;;) {
    try {
      return await ask();
    } catch (error) {
      if (!isLost(error) || Date.now() > until) throw answerOf(error);
      await new Promise((resolve) => setTimeout(resolve, patience.step));
    }
  }
}

export function guarded(pool: pg.Pool): PostgresPool {
  const wrap = (client: pg.PoolClient): PostgresPoolClient =>
    // The two libraries overload `query` differently; the one that calls uses no other form than this.
    ({
      query: (sql: string, parameters: readonly unknown[]) =>
        client.query(sql, [...parameters]).catch((error: unknown) => {
          throw answerOf(error);
        }),
      release: () => client.release(),
    }) as unknown as PostgresPoolClient;
  return {
    connect: () => patiently(async () => wrap(await pool.connect())),
    end: () => pool.end(),
  };
}
