import type { Kysely } from "kysely";
import { sql } from "kysely";
import PgBoss from "pg-boss";
import type { DB } from "~/db/schema";
import { programDatabase } from "../../test/database";
import { atWork, takeOver } from "./jobs.server";

let db: Kysely<DB>;
let boss: PgBoss;

beforeAll(async () => {
  db = await programDatabase();
  boss = new PgBoss({ connectionString: process.env.DATABASE_URL ?? "", max: 2, supervise: false, schedule: false });
  await boss.start();
  await boss.createQueue("backup");
});
afterAll(async () => {
  await boss.stop({ graceful: false, wait: true });
  await db.destroy();
});

const begun = async () => {
  await boss.send("backup", {}, { expireInSeconds: 3600, retryLimit: 2 });
  const [job] = await boss.fetch("backup");
  if (!job) throw new Error("nothing in the queue");
  return job.id;
};
const stateOf = async (id: string) => (await boss.getJobById("backup", id))?.state;
const longAgo = (id: string) =>
  sql`update pgboss.job set started_on = now() - interval '2 minutes' where id = ${id}`.execute(db);

test("a job whose process ended is done again; one that is being worked on, and one just taken, is left alone", async () => {
  const [dead, alive, fresh] = [await begun(), await begun(), await begun()];
  await longAgo(dead);
  await longAgo(alive);
  let finish = () => {};
  const working = new Promise<void>((resolve) => (finish = resolve));
  let isLocked = () => {};
  const locked = new Promise<void>((resolve) => (isLocked = resolve));
  const work = atWork(db, alive, () => {
    isLocked();
    return working;
  });
  await locked;
  expect(await takeOver(db, boss)).toBe(1);
  expect(await Promise.all([dead, alive, fresh].map(stateOf))).toEqual(["retry", "active", "active"]);
  finish();
  await work;
  // The lock went with the work; what is still called active then was left by whoever held it.
  expect(await takeOver(db, boss)).toBe(1);
  expect(await stateOf(alive)).toBe("retry");
});
