import { Kysely, PostgresDialect } from "kysely";
import pg from "pg";
import type { DB } from "./schema";

// Counts and sums come as text from the driver for fear of 2^53; none of ours gets near it. Float8 and int4 are numbers already.
const bigintOid = 20;
pg.types.setTypeParser(bigintOid, Number);

/** A pool of at most ten connections to `url`. */
export function connect(url: string): Kysely<DB> {
  const pool = new pg.Pool({ connectionString: url, max: 10 });
  // An idle connection lost with a restarted database is replaced on next use; without a listener it would end the process.
  pool.on("error", (error) => console.error(`database connection lost: ${error.message}`));
  return new Kysely<DB>({ dialect: new PostgresDialect({ pool }) });
}

export function databaseUrl(): string {
  const url = process.env.DATABASE_URL;
  if (!url)
    throw new Error(
      "expected DATABASE_URL to name a PostgreSQL database, got nothing. `npm start` sets it; so does a line in the environment.",
    );
  return url;
}

// On globalThis, so that a reload of this module in development does not open a second pool.
const held = globalThis as typeof globalThis & { apronBellDb?: Kysely<DB> };

/** The program's one connection pool. */
export const database = (): Kysely<DB> => (held.apronBellDb ??= connect(databaseUrl()));
