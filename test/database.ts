import { type Kysely, sql } from "kysely";
import { connect } from "~/db/client.server";
import { migrateToLatest } from "~/db/migrations";
import type { DB } from "~/db/schema";

/** A migrated database of this worker's own, empty but for the starter pantry. */
export async function testDatabase(): Promise<{ db: Kysely<DB>; url: string }> {
  const server = process.env.TEST_PG;
  if (!server) throw new Error("expected TEST_PG from the global set-up; run these tests through Jest's db project.");
  const name = `w${process.env.JEST_WORKER_ID ?? "0"}`;
  const admin = connect(server);
  await sql`drop database if exists ${sql.id(name)} with (force)`.execute(admin);
  await sql`create database ${sql.id(name)}`.execute(admin);
  await admin.destroy();
  const url = server.replace(/\/[^/]*$/, `/${name}`);
  const db = connect(url);
  await migrateToLatest(db);
  return { db, url };
}
