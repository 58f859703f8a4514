import type { Kysely } from "kysely";
import { sql } from "kysely";
import PgBoss from "pg-boss";
import type { DB } from "~/db/schema";
import { programDatabase } from "../../test/database";
import { atWork, jobsTrouble, stopJobs, takeOver, workOff } from "./jobs.server";

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

test("a queue that is away as a job ends is told when it is back, once; meanwhile readiness says so", async () => {
  const told: string[] = [];
  const said: (string | undefined)[] = [];
  let fetched = 0;
  let isBack = () => {};
  const heard = new Promise<void>((resolve) => (isBack = resolve));
  const away = () => Promise.reject(new Error("the database is away"));
  const working = workOff(
    {
      // Nobody is there at first, then one job, then nothing more.
      fetch: () => {
        fetched += 1;
        if (fetched === 1) return away();
        // Of a job only what is read of it.
        return Promise.resolve(fetched === 2 ? [{ id: crypto.randomUUID(), name: "sweep", data: {} }] : []) as never;
      },
      complete: (name) => {
        said.push(jobsTrouble());
        if (said.length < 3) return away();
        told.push(String(name));
        isBack();
        return Promise.resolve();
      },
      fail: away,
    },
    "sweep",
    { work: () => Promise.resolve(), atStart: false, secondsToEnd: 60 },
    5,
  );
  await heard;
  while (fetched < 3) await new Promise((resolve) => setTimeout(resolve, 5));
  expect(told).toEqual(["sweep"]);
  // Of the first telling nothing was wrong yet.
  expect(said.map((one) => one?.includes("the database is away"))).toEqual([undefined, true, true]);
  expect(jobsTrouble()).toBeUndefined();
  stopJobs();
  await working;
});
