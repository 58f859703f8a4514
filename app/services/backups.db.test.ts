import fs from "node:fs";
import os from "node:os";
import path from "node:path";
import type { Kysely } from "kysely";
import type { DB } from "~/db/schema";
import { anAccount, programDatabase } from "../../test/database";
import { backUp, backupRuns, backupStanding, keptBackups } from "./backups.server";

let db: Kysely<DB>;
const place = fs.mkdtempSync(path.join(os.tmpdir(), "apron-bell-backup-test-"));

beforeAll(async () => {
  db = await programDatabase();
  await anAccount(db);
  process.env.BACKUP_DIR = place;
});
afterAll(async () => {
  delete process.env.BACKUP_DIR;
  fs.rmSync(place, { recursive: true, force: true });
  await db.destroy();
});

test("a backup is checked, written down, and the oldest of ours go; what is not ours stays", async () => {
  const old = Array.from(
    { length: keptBackups + 3 },
    (_, day) => `apron-bell-2020-01-${String(day + 10)}-03-15-00.dump`,
  );
  for (const name of [...old, "apron-bell.dump", "notes.txt"]) fs.writeFileSync(path.join(place, name), "x");
  await backUp(db);
  const [run] = await backupRuns(db);
  expect(run).toMatchObject({ is_good: true, problem: null });
  const left = fs.readdirSync(place);
  expect(left).toEqual(expect.arrayContaining(["apron-bell.dump", "notes.txt", run?.file]));
  expect(left.filter((name) => /^apron-bell-\d/.test(name))).toHaveLength(keptBackups);
  expect(left).not.toContain(old[0]);
  expect(left).toContain(old.at(-1));
  expect(fs.statSync(path.join(place, run?.file ?? "")).mode & 0o077).toBe(0);
  expect((await backupStanding(db)).isLate).toBe(false);
});

test("while it is made nobody else can read it, and the list of processes has no password", async () => {
  const password = new URL(process.env.DATABASE_URL ?? "").password;
  expect(password.length).toBeGreaterThan(10);
  const said: string[] = [];
  const modes: number[] = [];
  const watching = setInterval(() => {
    for (const name of fs.readdirSync(place).filter((one) => one.endsWith(".new")))
      modes.push(fs.statSync(path.join(place, name), { throwIfNoEntry: false })?.mode ?? 0);
    for (const pid of fs.readdirSync("/proc").filter((one) => /^\d+$/.test(one)))
      try {
        said.push(fs.readFileSync(`/proc/${pid}/cmdline`, "utf8"));
      } catch {
        // Ended meanwhile.
      }
  }, 5);
  await backUp(db);
  clearInterval(watching);
  expect(said.some((line) => line.includes("pg_dump"))).toBe(true);
  expect(said.filter((line) => line.includes(password))).toEqual([]);
  expect(modes.length).toBeGreaterThan(0);
  expect(modes.filter((mode) => (mode & 0o077) !== 0)).toEqual([]);
});

test("one that fails is written down with what was said, leaves nothing half, and counts for nothing", async () => {
  const before = await backupStanding(db);
  const file = path.join(place, "in-the-way");
  fs.writeFileSync(file, "");
  process.env.BACKUP_DIR = path.join(file, "below");
  await expect(backUp(db)).rejects.toThrow();
  process.env.BACKUP_DIR = place;
  const after = await backupStanding(db);
  expect(after.lastGood).toEqual(before.lastGood);
  expect(after.failed?.problem).not.toBe("");
  expect(fs.readdirSync(place).filter((name) => name.endsWith(".new"))).toEqual([]);
});

test("leads are told when the last good one is some days old, or when there never was one", async () => {
  await db
    .updateTable("backup_run")
    .set({ ended_at: new Date(Date.now() - 4 * 86_400_000) } as never)
    .execute();
  expect((await backupStanding(db)).isLate).toBe(true);
  await db.deleteFrom("backup_run").execute();
  expect((await backupStanding(db)).isLate).toBe(false);
  await db
    .updateTable("account")
    .set({ created_at: new Date(Date.now() - 4 * 86_400_000) } as never)
    .execute();
  expect((await backupStanding(db)).isLate).toBe(true);
});
