import { type Kysely, type MigrationProvider, type MigrationResultSet, Migrator } from "kysely";
import type { DB } from "../schema";
import * as first from "./0001-first";
import * as batterBook from "./0002-batter-book";
import * as people from "./0003-people";
import * as kits from "./0004-kits";
import * as scoops from "./0005-scoops";

/** All migrations by name; static, so that they run the same from the server, a script and a test. */
const provider: MigrationProvider = {
  getMigrations: async () => ({
    "0001-first": first,
    "0002-batter-book": batterBook,
    "0003-people": people,
    "0004-kits": kits,
    "0005-scoops": scoops,
  }),
};

function settle({ error, results }: MigrationResultSet): string[] {
  if (error) throw error;
  return (results ?? []).map(
    (result) => `${result.direction === "Up" ? "applied" : "took back"} ${result.migrationName}`,
  );
}

/** Brings the schema up to date; several processes may do so at once. Returns a line per migration applied. */
export const migrateToLatest = async (db: Kysely<DB>): Promise<string[]> =>
  settle(await new Migrator({ db, provider }).migrateToLatest());

/** Takes back the newest migration. */
export const migrateDown = async (db: Kysely<DB>): Promise<string[]> =>
  settle(await new Migrator({ db, provider }).migrateDown());
