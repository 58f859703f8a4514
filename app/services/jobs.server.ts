import { setTimeout as wait } from "node:timers/promises";
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
import { sweepOrigins } from "./origins.server";
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
  await sweepOrigins(database());
  await sweepRuns(database());
  const removed = await removeExpired(database());
  if (removed > 0) log.info({ classes: removed }, "health data removed");
  await noteBackupAge(database());
}

export interface Job {
  /** Cron schedule; undefined for jobs that run on demand only. */
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

/** Advisory lock that marks a job as running; the database releases it with the worker’s connection. */
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

/** What the queue last failed with, and since when, by queue; empty while all is well. */
const troubles = new Map<string, { readonly since: Date; readonly problem: string }>();

/** What is wrong with the jobs, for readiness: pages are served all the same. `undefined` while nothing is. */
export function jobsTrouble(): string | undefined {
  const [first] = [...troubles].sort(([, a], [, b]) => a.since.getTime() - b.since.getTime());
  return first && `jobs “${first[0]}” stand still since ${first[1].since.toISOString()}: ${first[1].problem}`;
}

/** Runs one job and returns the report to the queue, which is retried until it is accepted. */
async function worked(boss: Queue, name: string, job: Job, taken: { readonly id: string; readonly data: Asked }) {
  try {
    await atWork(database(), taken.id, () => job.work(taken.data));
    metrics.jobs.inc({ job: name, outcome: "good" });
    return () => boss.complete(name, taken.id);
  } catch (error) {
    metrics.jobs.inc({ job: name, outcome: "failed" });
    log.error({ err: error, job: name }, "a job failed");
    const problem = error instanceof Error ? error.message : "it failed";
    return () => boss.fail(name, taken.id, { problem });
  }
}

/** What of the queue is needed to work it off. */
export type Queue = Pick<PgBoss, "fetch" | "complete" | "fail">;

/**
 * Works a queue off, one job after the other, for as long as the process lives. The package's own worker tells the queue of a job's end
 * without waiting for it: where the database is away at that moment, the whole process ends by it.
 * @param pause milliseconds between two looks, and before what failed is tried again.
 */
export async function workOff(boss: Queue, name: string, job: Job, pause = lookEvery * 1000): Promise<void> {
  let tell: (() => Promise<unknown>) | undefined;
  while (!isStopping) {
    try {
      await tell?.();
      tell = undefined;
      const [taken] = await boss.fetch<Asked>(name);
      troubles.delete(name);
      if (taken) {
        tell = await worked(boss, name, job, taken);
        continue;
      }
    } catch (error) {
      const problem = error instanceof Error ? error.message : String(error);
      if (!troubles.has(name)) log.warn({ err: error, job: name }, "the queue of jobs does not answer");
      troubles.set(name, { since: troubles.get(name)?.since ?? new Date(), problem });
    }
    await wait(pause, undefined, { ref: false });
  }
}

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
    void workOff(boss, name, job);
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
