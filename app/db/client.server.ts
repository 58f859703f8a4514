import { Kysely, type LogEvent, PostgresDialect } from "kysely";
import pg from "pg";
import { log } from "~/watch/log.server";
import { metrics } from "~/watch/metrics.server";
import { guarded } from "./guard.server";
import type { DB } from "./schema";

// Counts and sums come as text from the driver for fear of 2^53; none of ours gets near it. Float8 and int4 are numbers already.
const bigintOid = 20;
pg.types.setTypeParser(bigintOid, Number);

function poolOf(url: string): pg.Pool {
  const pool = new pg.Pool({
    connectionString: url,
    max: 10,
    connectionTimeoutMillis: 10_000,
    application_name: "apron-bell",
  });
  // An idle connection lost with a restarted database is replaced on next use; without a listener it would end the process.
  pool.on("error", (error) => log.warn({ err: error }, "database connection lost"));
  // One that is in use when it breaks says so itself, and must be heard: without a listener that ends the process too.
  pool.on("connect", (client) => client.on("error", (error) => log.warn({ err: error }, "database connection broke")));
  return pool;
}

/** A pool of at most ten connections to `url`, which gives the database's own errors. */
export const connect = (url: string): Kysely<DB> =>
  new Kysely<DB>({ dialect: new PostgresDialect({ pool: poolOf(url) }) });

/** The work in a transaction: the one there is, or one of its own. */
export const within = <T>(db: Kysely<DB>, work: (trx: Kysely<DB>) => Promise<T>): Promise<T> =>
  db.isTransaction ? work(db) : db.transaction().execute(work);

export function databaseUrl(): string {
  const url = process.env.DATABASE_URL;
  if (!url)
    throw new Error(
      "expected DATABASE_URL to name a PostgreSQL database, got nothing. `npm start` sets it; so does a line in the environment.",
    );
  return url;
}

/** A query that takes longer than this is written down, in milliseconds. */
const slow = 250;

/** Counts queries, and says which are slow: by their text, never their values. */
function watch(event: LogEvent): void {
  metrics.queries.observe(event.queryDurationMillis / 1000);
  if (event.level === "error") metrics.failedQueries.inc();
  else if (event.queryDurationMillis > slow)
    log.warn({ ms: Math.round(event.queryDurationMillis), sql: event.query.sql.slice(0, 400) }, "slow query");
}

// On globalThis, so that a reload of this module in development does not open a second pool.
const held = globalThis as typeof globalThis & { apronBellDb?: Kysely<DB> };

function open(): Kysely<DB> {
  const pool = poolOf(databaseUrl());
  metrics.connections.reset();
  const count = () => {
    metrics.connections.set({ state: "open" }, pool.totalCount);
    metrics.connections.set({ state: "idle" }, pool.idleCount);
    metrics.connections.set({ state: "waited for" }, pool.waitingCount);
  };
  pool.on("acquire", count).on("release", count).on("remove", count);
  return new Kysely<DB>({ dialect: new PostgresDialect({ pool: guarded(pool) }), log: watch });
}

/** The program's one connection pool. */
export const database = (): Kysely<DB> => (held.apronBellDb ??= open());
