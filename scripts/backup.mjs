// npm run backup -- file.dump: everything of the database in one file, checked by restoring it beside. npm run restore -- file.dump:
// puts it back, whole or not at all. On the data folder of npm start (APRON_DATA_DIR), or on DATABASE_URL.
import { spawnSync } from "node:child_process";
import crypto from "node:crypto";
import fs from "node:fs";
import path from "node:path";
import pg from "pg";
import { holderOf, leaveFolder, takeFolder } from "./lib/lock.mjs";
import { Sentence, serverBin, startCluster } from "./lib/postgres.mjs";

const root = path.resolve(import.meta.dirname, "..");
const dataDir = path.resolve(root, process.env.APRON_DATA_DIR ?? ".data");
const [what, named] = process.argv.slice(2);

// What is written is for this account alone from its first byte on.
process.umask(0o077);

/** The address without its password, which the list of processes would show, and the password for the environment. */
function apart(url) {
  const bare = new URL(url);
  const password = decodeURIComponent(bare.password);
  bare.password = "";
  return { address: bare.href, env: { ...process.env, ...(password ? { PGPASSWORD: password } : {}) } };
}
const tool = (name, url, args, input) => {
  const { address, env } = apart(url);
  const ran = spawnSync(path.join(serverBin(), name), [...args, `--dbname=${address}`], {
    encoding: "utf8",
    input,
    env,
  });
  if (ran.status !== 0)
    throw new Sentence(`${name} ended badly: ${(ran.stderr ?? "").trim().split("\n").slice(-3).join(" ")}`);
  return ran.stdout;
};
const query = async (url, text) => {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    return (await client.query(text)).rows;
  } finally {
    await client.end();
  }
};
/** How many rows each table has, as one text to compare. */
async function countsOf(url) {
  const tables = await query(url, "select tablename from pg_tables where schemaname = 'public' order by 1");
  const rows = [];
  for (const { tablename } of tables)
    rows.push(`${tablename} ${(await query(url, `select count(*)::int as n from "${tablename}"`))[0].n}`);
  return rows;
}
/** Restores a file into a database made for it, gives what is in it, and drops that again. */
async function tried(file, url) {
  const name = `tried_${crypto.randomBytes(6).toString("hex")}`;
  const scratch = new URL(url);
  scratch.pathname = `/${name}`;
  await query(url, `create database "${name}"`);
  try {
    tool("pg_restore", scratch.href, [
      "--no-owner",
      "--no-privileges",
      "--exit-on-error",
      "--single-transaction",
      file,
    ]);
    return await countsOf(scratch.href);
  } finally {
    await query(url, `drop database "${name}" with (force)`);
  }
}
// pg_restore takes a file last and the database as an option; a wrong file is said before anything is touched.
function readable(file) {
  const listed = spawnSync(path.join(serverBin(), "pg_restore"), ["--list", file], { encoding: "utf8" });
  if (listed.status !== 0)
    throw new Sentence(`“${file}” is no backup of this program, or it is broken. Nothing was changed.`);
}

async function main() {
  const url = { value: process.env.DATABASE_URL, cluster: undefined, wasRunning: true };
  if (!url.value) {
    if (!fs.existsSync(dataDir))
      throw new Sentence(`There is no data in ${dataDir}. Name its folder: APRON_DATA_DIR=other npm run ${what}`);
    url.wasRunning = holderOf(dataDir) !== undefined;
    if (what === "restore") {
      const other = takeFolder(dataDir, "a restore");
      if (other)
        throw new Sentence(
          `Apron Bell is running on ${dataDir} (it answers at ${other.address}). Stop it first, then restore.`,
        );
      url.wasRunning = false;
    }
    url.cluster = await startCluster(dataDir);
    url.value = url.cluster.url;
  }
  try {
    if (what === "backup") {
      const stamp = new Date().toISOString().slice(0, 16).replace(/[:T]/g, "-");
      const file = path.resolve(named ?? path.join(dataDir, "backups", `apron-bell-${stamp}.dump`));
      fs.mkdirSync(path.dirname(file), { recursive: true });
      const fresh = `${file}.new`;
      tool("pg_dump", url.value, ["--format=custom", "--no-owner", "--exclude-schema=pgboss", `--file=${fresh}`]);
      const rows = await tried(fresh, url.value).catch((error) => {
        fs.rmSync(fresh, { force: true });
        throw error;
      });
      fs.renameSync(fresh, file);
      console.log(`Kept in ${file}, ${rows.length} tables, and restored beside to see that it can be.`);
    } else {
      if (!named || !fs.existsSync(named))
        throw new Sentence("Expected the backup to restore: npm run restore -- my.dump");
      const file = path.resolve(named);
      readable(file);
      const wanted = await tried(file, url.value);
      // One transaction: what is there goes and the backup comes, or neither.
      const script = spawnSync(
        path.join(serverBin(), "pg_restore"),
        ["--no-owner", "--no-privileges", "--file=-", file],
        {
          encoding: "utf8",
          maxBuffer: 2 ** 30,
        },
      );
      if (script.status !== 0) throw new Sentence(`“${file}” cannot be read to its end. Nothing was changed.`);
      tool(
        "psql",
        url.value,
        ["--quiet", "--no-psqlrc", "--single-transaction", "--set=ON_ERROR_STOP=1", "--output=/dev/null", "--file=-"],
        `drop schema public cascade;\ncreate schema public;\n${script.stdout}`,
      );
      const now = await countsOf(url.value);
      if (now.join() !== wanted.join())
        throw new Sentence("What was restored is not what the backup holds. Restore another one.");
      console.log(`Restored from ${file}: ${now.length} tables, as many rows in each as the backup has.`);
    }
  } finally {
    if (url.cluster && !url.wasRunning) url.cluster.stop();
    if (what === "restore" && url.cluster) leaveFolder(dataDir);
  }
}

main().catch((error) => {
  console.error(error instanceof Sentence ? error.message : error);
  process.exit(1);
});
