// What the start command asks of the database, built with the server so that it needs no TypeScript runner.
import { connect } from "~/db/client.server";
import { migrateToLatest } from "~/db/migrations";
import { accountByEmail, countAccounts, offerSetupCode } from "~/services/accounts.server";
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

/** Migrates, and loads the demonstration where it is wanted and the database is empty, or where it is to be reset. */
export async function prepare(url: string, wish: { demo: boolean; reset: boolean }): Promise<Prepared> {
  const db = connect(url);
  try {
    const migrations = await migrateToLatest(db);
    const isEmpty = (await countAccounts(db)) === 0;
    const load = wish.reset || (wish.demo && isEmpty);
    if (load) await loadDemo(db);
    const setupCode = !load && isEmpty ? await offerSetupCode(db) : undefined;
    return { migrations, hasDemo: (await accountByEmail(db, demoAccounts[0].email)) !== undefined, setupCode };
  } finally {
    await db.destroy();
  }
}
