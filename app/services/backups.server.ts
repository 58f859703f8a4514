import { execFile } from "node:child_process";
import fs from "node:fs/promises";
import path from "node:path";
import { promisify } from "node:util";
import { type Kysely, sql } from "kysely";
import { databaseUrl } from "~/db/client.server";
import type { DB } from "~/db/schema";
import { log } from "~/watch/log.server";
import { metrics } from "~/watch/metrics.server";

/** How many nightly backups are kept. What was removed for privacy is gone from all of them after as many days. */
export const keptBackups = 14;
/** The last good backup may be this many days old before leads are told. */
export const daysBeforeWarning = 3;

const run = promisify(execFile);
const nameOf = (at: Date) => `apron-bell-${at.toISOString().slice(0, 19).replace(/[:T]/g, "-")}.dump`;
const isOurs = (name: string) => /^apron-bell-\d{4}(?:-\d\d){5}\.dump$/.test(name);

/** Where nightly backups go: BACKUP_DIR, which the start command sets to a folder of its data; `undefined` for nowhere. */
export const backupPlace = (): string | undefined => process.env.BACKUP_DIR || undefined;

/**
 * One backup, checked by restoring it beside, with the oldest ones removed. What came of it is written down either way.
 * @throws what went wrong, so that the queue tries again.
 */
export async function backUp(db: Kysely<DB>): Promise<void> {
  const place = backupPlace();
  if (place === undefined) return;
  const file = path.join(place, nameOf(new Date()));
  try {
    await run(process.execPath, ["scripts/backup.mjs", "backup", file], {
      env: { ...process.env, DATABASE_URL: databaseUrl() },
      timeout: 3_600_000,
    });
    const { size } = await fs.stat(file);
    await db
      .insertInto("backup_run")
      .values({ is_good: true, file: path.basename(file), bytes: size })
      .execute();
    log.info({ bytes: size }, "backup kept");
  } catch (error) {
    const said =
      error instanceof Error && "stderr" in error ? String(error.stderr).trim().split("\n").at(-1) : undefined;
    const problem = (said || (error instanceof Error ? error.message : "it ended badly")).slice(0, 300);
    await db
      .insertInto("backup_run")
      .values({ is_good: false, file: path.basename(file), bytes: 0, problem })
      .execute();
    throw error;
  }
  await rotate(place);
  await noteBackupAge(db);
}

/** Removes what is older than the newest {@link keptBackups}, of files named as ours only. */
async function rotate(place: string): Promise<void> {
  const names = (await fs.readdir(place)).filter(isOurs).sort();
  for (const name of names.slice(0, Math.max(0, names.length - keptBackups))) await fs.rm(path.join(place, name));
}

export interface BackupStanding {
  readonly lastGood: Date | null;
  /** The latest that failed after it. */
  readonly failed: { readonly at: Date; readonly problem: string } | null;
  /** Leads are told: none was good for some days, and the program has been here that long. */
  readonly isLate: boolean;
}

export async function backupStanding(db: Kysely<DB>): Promise<BackupStanding> {
  const [good, latest, since] = await Promise.all([
    db
      .selectFrom("backup_run")
      .select("ended_at")
      .where("is_good", "=", true)
      .orderBy("id", "desc")
      .limit(1)
      .executeTakeFirst(),
    db.selectFrom("backup_run").selectAll().orderBy("id", "desc").limit(1).executeTakeFirst(),
    db
      .selectFrom("account")
      .select((eb) => eb.fn.min("created_at").as("first"))
      .executeTakeFirst(),
  ]);
  const lastGood = good?.ended_at ?? null;
  const from = lastGood ?? since?.first ?? new Date();
  return {
    lastGood,
    failed: latest && !latest.is_good ? { at: latest.ended_at, problem: latest.problem ?? "" } : null,
    isLate: Date.now() - new Date(from).getTime() > daysBeforeWarning * 86_400_000,
  };
}

/** Keeps the figure for monitoring, and says so when it is late. */
export async function noteBackupAge(db: Kysely<DB>): Promise<void> {
  const { lastGood, isLate } = await backupStanding(db);
  metrics.lastBackup.set(lastGood ? Math.round(lastGood.getTime() / 1000) : 0);
  if (isLate) log.warn({ lastGood }, "no good backup for days");
}

let known: { readonly at: number; readonly isLate: boolean } | undefined;
const lookEvery = 300_000;

/** Whether leads are to be told, asked of the database now and then only. */
export async function isBackupLate(db: Kysely<DB>): Promise<boolean> {
  if (known === undefined || Date.now() - known.at > lookEvery)
    known = { at: Date.now(), isLate: (await backupStanding(db)).isLate };
  return known.isLate;
}

/** The latest backups that were tried, newest first. */
export const backupRuns = (db: Kysely<DB>, most = 20) =>
  db.selectFrom("backup_run").selectAll().orderBy("id", "desc").limit(most).execute();

/** Forgets what became of backups that are long gone. */
export const sweepRuns = async (db: Kysely<DB>): Promise<void> =>
  void (await db
    .deleteFrom("backup_run")
    .where("ended_at", "<", sql<Date>`now() - interval '90 days'`)
    .execute());
