import { type Kysely, sql } from "kysely";
import PgBoss from "pg-boss";
import { database, databaseUrl } from "~/db/client.server";
import type { DB } from "~/db/schema";
import { sweepLetters } from "./accounts.server";
import { backUp, backupPlace, noteBackupAge, sweepRuns } from "./backups.server";
import { sweepAttempts } from "./limits.server";
import { log } from "~/watch/log.server";
import { metrics } from "~/watch/metrics.server";
import { searchOrder } from "./order-search.server";
import { removeExpired } from "./privacy.server";
import { holdQueue, queue } from "./queue.server";

/**
 * Work beside the requests, in a queue in the database: of several processes on one database each job is done by one of them, and
 * what was broken off is done again.
 */

/** Health data goes on its day, whether or not anybody opens the program on it. */
async function sweep(): Promise<void> {
  await sweepAttempts();
  await sweepLetters(database());
  await sweepRuns(database());
  const removed = await removeExpired(database());
  if (removed > 0) log.info({ classes: removed }, "health data removed");
  await noteBackupAge(database());
}

interface Job {
  /** When it is done by itself; absent for what is only asked for. */
  readonly cron?: string;
  readonly work: (asked: Asked) => Promise<unknown>;
  /** Also when a process starts, unless it was done a moment ago. */
  readonly atStart: boolean;
  readonly secondsToEnd: number;
}

/** What a job was asked to be done with. */
interface Asked {
  readonly classId?: string;
}

const jobs: Readonly<Record<string, Job>> = {
  sweep: { cron: "7 * * * *", work: sweep, atStart: true, secondsToEnd: 600 },
  backup: {
    cron: process.env.BACKUP_CRON ?? "15 3 * * *",
    work: () => backUp(database()),
    atStart: false,
    secondsToEnd: 3600,
  },
  order: {
    work: async ({ classId }) => (classId === undefined ? undefined : searchOrder(database(), classId)),
    atStart: false,
    secondsToEnd: 120,
  },
};

/** Number of the lock that says a job is being worked on; the database lets it go with the connection of whoever died. */
const lockOf = (jobId: string) => sql`hashtextextended(${jobId}, 0)`;

/** Does a job's work while its lock says so to the other processes. */
export const atWork = <T>(db: Kysely<DB>, jobId: string, work: () => Promise<T>): Promise<T> =>
  db.connection().execute(async (own) => {
    await sql`select pg_advisory_lock(${lockOf(jobId)})`.execute(own);
    try {
      return await work();
    } finally {
      await sql`select pg_advisory_unlock(${lockOf(jobId)})`.execute(own);
    }
  });

/** Between fetching a job and locking it, in seconds: a job is not looked at before. */
const beforeTakingOver = 30;

/**
 * Gives back to the queue what a process began that is not there any more, instead of waiting for the job's hour to run out.
 * @returns how many were given back
 */
export async function takeOver(db: Kysely<DB>, boss: PgBoss, names = Object.keys(jobs)): Promise<number> {
  const { rows } = await sql<{ id: string; name: string }>`
    select id, name from pgboss.job
    where state = 'active' and name = any(${names}) and started_on < now() - make_interval(secs => ${beforeTakingOver})
      and pg_try_advisory_xact_lock(hashtextextended(id::text, 0))`.execute(db);
  for (const { id, name } of rows) await boss.fail(name, id, { problem: "its process ended" });
  return rows.length;
}

/** How often a queue is looked into, in seconds: none of its jobs is waited for by anybody. */
const lookEvery = 5;
const tryAgainAfter = 10_000;
const takeOverEvery = 60_000;

let isStopping = false;

async function open(): Promise<void> {
  const boss = new PgBoss({ connectionString: databaseUrl(), max: 2, application_name: "apron-bell jobs" });
  boss.on("error", (error) => log.warn({ err: error }, "the queue of jobs"));
  await boss.start();
  holdQueue(boss);
  for (const [name, job] of Object.entries(jobs)) {
    if (name === "backup" && backupPlace() === undefined) continue;
    await boss.createQueue(name);
    if (job.cron !== undefined)
      await boss.schedule(name, job.cron, undefined, { tz: Intl.DateTimeFormat().resolvedOptions().timeZone });
    await boss.work<Asked>(name, { pollingIntervalSeconds: lookEvery }, async ([taken]) => {
      try {
        await (taken ? atWork(database(), taken.id, () => job.work(taken.data)) : job.work({}));
        metrics.jobs.inc({ job: name, outcome: "good" });
      } catch (error) {
        metrics.jobs.inc({ job: name, outcome: "failed" });
        log.error({ err: error, job: name }, "a job failed");
        throw error;
      }
    });
    if (job.atStart)
      await boss.send(name, {}, { singletonKey: name, singletonSeconds: 60, expireInSeconds: job.secondsToEnd });
  }
  setInterval(() => {
    void takeOver(database(), boss).then(
      (count) => count > 0 && log.warn({ jobs: count }, "jobs of a process that ended are done again"),
      (error: unknown) => log.warn({ err: error }, "the queue of jobs"),
    );
  }, takeOverEvery).unref();
}

/** Opens the queue; a database that is away is tried again until it is there. */
export function startJobs(): void {
  if (queue()) return;
  const tryOpen = () =>
    void open().catch((error: unknown) => {
      log.warn({ err: error }, "the queue of jobs did not open; it is tried again");
      if (!isStopping) setTimeout(tryOpen, tryAgainAfter).unref();
    });
  tryOpen();
}

/** Has a backup made as soon as a process has time. */
export const askForBackup = async (): Promise<boolean> =>
  backupPlace() !== undefined &&
  typeof (await queue()?.send("backup", {}, { singletonKey: "asked", singletonSeconds: 60 })) === "string";

export function stopJobs(): void {
  isStopping = true;
  void queue()
    ?.stop({ graceful: false, wait: false })
    .catch(() => undefined);
}
