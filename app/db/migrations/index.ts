import { type Kysely, type MigrationProvider, type MigrationResultSet, Migrator, sql } from "kysely";
import type { DB } from "../schema";
import * as first from "./0001-first";
import * as batterBook from "./0002-batter-book";
import * as people from "./0003-people";
import * as kits from "./0004-kits";
import * as scoops from "./0005-scoops";
import * as openNeeds from "./0006-open-needs";
import * as putBackAndCurrency from "./0007-put-back-and-currency";
import * as believedMoments from "./0008-believed-moments";
import * as keyedStampsAndAccounts from "./0009-keyed-stamps-and-accounts";
import * as altitude from "./0010-altitude";
import * as bin from "./0011-bin";
import * as order from "./0012-order";
import * as flamesAndTools from "./0013-flames-and-tools";
import * as houseRules from "./0014-house-rules";
import * as accountRegion from "./0015-account-region";
import * as bowlsAndAlternatives from "./0016-bowls-and-alternatives";
import * as rounds from "./0017-rounds";
import * as missing from "./0018-missing";
import * as accountTastes from "./0019-account-tastes";
import * as putAside from "./0020-put-aside";
import * as putAsideMore from "./0021-put-aside-more";
import * as mixing from "./0022-mixing";
import * as goesRound from "./0023-goes-round";
import * as pinnedBells from "./0024-pinned-bells";
import * as ownProducts from "./0025-own-products";
import * as aims from "./0026-aims";
import * as placesForThings from "./0027-places-for-things";
import * as pens from "./0028-pens";
import * as agesAndTools from "./0029-ages-and-tools";
import * as decidedRounds from "./0030-decided-rounds";
import * as wordsAndSeats from "./0031-words-and-seats";
import * as knownOrigins from "./0032-known-origins";
import { addIngredients } from "../queries/pantry.server";
import { starterPantry } from "~/core/pantry";

/** All migrations by name; static, so that they run the same from the server, a script and a test. */
const provider: MigrationProvider = {
  getMigrations: async () => ({
    "0001-first": first,
    "0002-batter-book": batterBook,
    "0003-people": people,
    "0004-kits": kits,
    "0005-scoops": scoops,
    "0006-open-needs": openNeeds,
    "0007-put-back-and-currency": putBackAndCurrency,
    "0008-believed-moments": believedMoments,
    "0009-keyed-stamps-and-accounts": keyedStampsAndAccounts,
    "0010-altitude": altitude,
    "0011-bin": bin,
    "0012-order": order,
    "0013-flames-and-tools": flamesAndTools,
    "0014-house-rules": houseRules,
    "0015-account-region": accountRegion,
    "0016-bowls-and-alternatives": bowlsAndAlternatives,
    "0017-rounds": rounds,
    "0018-missing": missing,
    "0019-account-tastes": accountTastes,
    "0020-put-aside": putAside,
    "0021-put-aside-more": putAsideMore,
    "0022-mixing": mixing,
    "0023-goes-round": goesRound,
    "0024-pinned-bells": pinnedBells,
    "0025-own-products": ownProducts,
    "0026-aims": aims,
    "0027-places-for-things": placesForThings,
    "0028-pens": pens,
    "0029-ages-and-tools": agesAndTools,
    "0030-decided-rounds": decidedRounds,
    "0031-words-and-seats": wordsAndSeats,
    "0032-known-origins": knownOrigins,
  }),
};

function settle({ error, results }: MigrationResultSet): string[] {
  if (error) throw error;
  return (results ?? []).map(
    (result) => `${result.direction === "Up" ? "applied" : "took back"} ${result.migrationName}`,
  );
}

/** Brings the schema up to date; several processes may do so at once. Returns a line per migration applied. */
export async function migrateToLatest(db: Kysely<DB>): Promise<string[]> {
  const said = settle(await new Migrator({ db, provider }).migrateToLatest());
  await addStarterPantry(db);
  return said;
}

/** The starter pantry as it is today: what is not there yet comes in; what is there, and may have been changed, stays. */
async function addStarterPantry(db: Kysely<DB>): Promise<void> {
  await db.transaction().execute(async (trx) => {
    // Several servers may start at once: one of them fills the pantry, the others find it filled.
    await sql`select pg_advisory_xact_lock(hashtext('starter pantry'))`.execute(trx);
    const there = new Set((await trx.selectFrom("ingredient").select("id").execute()).map((row) => row.id));
    await addIngredients(
      trx,
      starterPantry.filter((one) => !there.has(one.id)),
    );
  });
}

/** Takes back the newest migration. */
export const migrateDown = async (db: Kysely<DB>): Promise<string[]> =>
  settle(await new Migrator({ db, provider }).migrateDown());
