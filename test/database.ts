import { type Kysely, sql } from "kysely";
import { connect, database } from "~/db/client.server";
import { migrateToLatest } from "~/db/migrations";
import type { ClassInput } from "~/core/plan";
import type { DB } from "~/db/schema";
import { addAccount } from "~/services/accounts.server";
import { importClass } from "~/services/class-import.server";

/** A migrated database of this worker's own, empty but for the starter pantry. */
export async function testDatabase(): Promise<{ db: Kysely<DB>; url: string }> {
  const server = process.env.TEST_PG;
  if (!server) throw new Error("expected TEST_PG from the global set-up; run these tests through Jest's db project.");
  const name = `w${process.env.JEST_WORKER_ID ?? "0"}`;
  const admin = connect(server);
  await sql`drop database if exists ${sql.id(name)} with (force)`.execute(admin);
  await madeTemplate(admin, server);
  await sql`create database ${sql.id(name)} template ${sql.id(template)}`.execute(admin);
  await admin.destroy();
  const url = urlOf(server, name);
  return { db: connect(url), url };
}

const template = "migrated";
const urlOf = (server: string, name: string) => server.replace(/\/[^/]*$/, `/${name}`);

/** A migrated database that the others are copied from, made by whichever worker comes first: a copy takes a tenth of the migrations. */
const madeTemplate = (admin: Kysely<DB>, server: string): Promise<void> =>
  admin.connection().execute(async (own) => {
    await sql`select pg_advisory_lock(hashtext(${template}))`.execute(own);
    try {
      const { rows } = await sql`select 1 from pg_database where datname = ${template}`.execute(own);
      if (rows.length > 0) return;
      // Renamed when it is whole, so that one that broke off is never copied.
      await sql`drop database if exists migrating`.execute(own);
      await sql`create database migrating`.execute(own);
      const db = connect(urlOf(server, "migrating"));
      await migrateToLatest(db);
      await db.destroy();
      await sql`alter database migrating rename to ${sql.id(template)}`.execute(own);
    } finally {
      await sql`select pg_advisory_unlock(hashtext(${template}))`.execute(own);
    }
  });

/** The same as the database that services, loaders and actions find by themselves. */
export async function programDatabase(): Promise<Kysely<DB>> {
  const { db, url } = await testDatabase();
  await db.destroy();
  process.env.DATABASE_URL = url;
  return database();
}

/** An account of that role, by its id. */
export const anAccount = (db: Kysely<DB>, role: "lead" | "assistant" = "lead"): Promise<string> =>
  addAccount(db, { email: `${role}@club.example`, name: role === "lead" ? "Lead" : "Assistant", role, password });
export const password = "a long enough password";

/** A class brought in as from a file, by its id. */
export async function aClass(db: Kysely<DB>, input: ClassInput, by: string): Promise<string> {
  const done = await importClass(db, input, by);
  if (!("id" in done)) throw new Error(`the class was not brought in: ${done.missing}`);
  return done.id;
}
