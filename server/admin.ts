// What the start command asks of the database, built with the server so that it needs no TypeScript runner.
import { sql } from "kysely";
import { connect } from "~/db/client.server";
import { migrateToLatest } from "~/db/migrations";
import { accountByEmail, countAccounts, offerNewPassword, offerSetupCode } from "~/services/accounts.server";
import { loadDemo } from "~/services/demo.server";

import { demoAccounts } from "~/demo/boathouse";

export { demoAccounts };

export interface Prepared {
  readonly migrations: readonly string[];
  /** The demonstration's accounts are there to sign in with. */
  readonly hasDemo: boolean;
  /** The one-time code for the first account; given only while there is none. */
  readonly setupCode: string | undefined;
}

/** Does the work with a database that is closed afterwards. */
async function connected<T>(url: string, work: (db: ReturnType<typeof connect>) => Promise<T>): Promise<T> {
  const db = connect(url);
  try {
    return await work(db);
  } finally {
    await db.destroy();
  }
}

/**
 * Migrates, and loads the demonstration where it is wanted and the database is empty, or where it is to be reset. Of two that start at once
 * on one database, one waits for the other and finds it prepared.
 */
export const prepare = (url: string, wish: { demo: boolean; reset: boolean }): Promise<Prepared> =>
  connected(url, (db) =>
    db.connection().execute(async (own) => {
      await sql`select pg_advisory_lock(hashtext('prepare'))`.execute(own);
      try {
        const migrations = await migrateToLatest(db);
        const isEmpty = (await countAccounts(db)) === 0;
        const load = wish.reset || (wish.demo && isEmpty);
        if (load) await loadDemo(db);
        const setupCode = !load && isEmpty ? await offerSetupCode(db) : undefined;
        return { migrations, hasDemo: (await accountByEmail(db, demoAccounts[0].email)) !== undefined, setupCode };
      } finally {
        await sql`select pg_advisory_unlock(hashtext('prepare'))`.execute(own);
      }
    }),
  );

/** The path at which the account of this address chooses a new password, good once; `undefined` when nobody has it. Needs no mail. */
export const letIn = (url: string, email: string): Promise<string | undefined> =>
  connected(url, async (db) => {
    const offered = await offerNewPassword(db, email);
    return offered && `/new-password/${offered.token}`;
  });
