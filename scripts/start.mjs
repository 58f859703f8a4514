// npm start: from a fresh clone to a running program. Options: --dev, --no-demo, --reset-demo; --let-in=E-MAIL prints a link and ends.
import { spawn } from "node:child_process";
import path from "node:path";
import process from "node:process";
import { buildIfNewer } from "./lib/build.mjs";
import { installIfNewer } from "./lib/packages.mjs";
import { holderOf, leaveFolder, takeFolder } from "./lib/lock.mjs";
import { Sentence, startCluster } from "./lib/postgres.mjs";

const known = ["--dev", "--no-demo", "--reset-demo"];
const given = process.argv.slice(2);
const letInFor = given.find((option) => option.startsWith("--let-in="))?.slice("--let-in=".length);
const options = given.filter((option) => !option.startsWith("--let-in="));
const isDev = options.includes("--dev");
const root = path.resolve(import.meta.dirname, "..");
process.chdir(root);
const dataDir = path.resolve(process.env.APRON_DATA_DIR ?? ".data");
const host = process.env.HOST ?? "127.0.0.1";
const port = process.env.PORT ?? "3000";
const secondsToStop = 8;

/** How often the private database is looked at, in milliseconds. */
const watchEvery = 1000;
const address = `http://${host.includes(":") ? `[${host}]` : host}:${port}`;

let cluster;
let server;
let watching;
let isOurs = false;
let isStopping = false;

function stopDatabase() {
  clearInterval(watching);
  if (isOurs) leaveFolder(dataDir);
  if (cluster && !cluster.stop())
    console.error("The database did not stop by itself; the next start will use it again.");
}

function stop(code) {
  if (isStopping) return;
  isStopping = true;
  if (!server || server.exitCode !== null || server.signalCode !== null) {
    stopDatabase();
    process.exit(code);
  }
  const last = setTimeout(() => server.kill("SIGKILL"), secondsToStop * 1000);
  server.once("exit", () => {
    clearTimeout(last);
    stopDatabase();
    process.exit(code);
  });
  server.kill("SIGTERM");
}
// First of all, so that Ctrl-C in the middle of the first start leaves nothing behind.
for (const signal of ["SIGINT", "SIGTERM", "SIGHUP"]) process.on(signal, () => stop(0));

/** A way in for somebody whose password is lost or whose attempts are used up, beside a running program or not. Needs no mail. */
async function letIn(email) {
  const running = holderOf(dataDir);
  const own = process.env.DATABASE_URL ? undefined : await startCluster(dataDir);
  const { letIn: ask, prepare } = await import(new URL("../build/server/admin.js", import.meta.url).href);
  const url = process.env.DATABASE_URL ?? own.url;
  try {
    if (!running && own) await prepare(url, { demo: false, reset: false });
    const path = await ask(url, email);
    if (!path) throw new Sentence(`Nobody signs in as “${email}”, or the account is closed. Nothing was changed.`);
    console.log(
      `Open ${running?.address ?? address}${path} within two hours and choose a new password. It is good once.`,
    );
  } finally {
    if (own && !running) own.stop();
  }
}

async function main() {
  const unknown = options.find((option) => !known.includes(option));
  if (unknown)
    throw new Sentence(
      `Unknown option “${unknown}”. There are ${known.join(", ")} and --let-in=E-MAIL, after two dashes: npm start -- --no-demo`,
    );
  if (!/^\d+$/.test(port) || Number(port) < 1 || Number(port) > 65535)
    throw new Sentence(`PORT is “${port}”. Give a number from 1 to 65535: PORT=3000 npm start`);
  const [major, minor] = process.versions.node.split(".").map(Number);
  if (major < 20 || (major === 20 && minor < 19))
    throw new Sentence(`This is Node.js ${process.versions.node}; 20.19 or newer is needed.`);
  if (!installIfNewer()) throw new Sentence("The packages could not be installed. What npm said stands above.");
  // The build also holds what prepares the database, so development builds once too.
  if (!buildIfNewer()) throw new Sentence("The program could not be built. What went wrong stands above.");

  if (letInFor !== undefined) return letIn(letInFor);
  if (!process.env.DATABASE_URL) {
    const other = takeFolder(dataDir, address);
    if (other)
      throw new Sentence(
        `Apron Bell is running on ${dataDir} already (process ${other.pid}) and answers at ${other.address}. Use that one, stop it first, or give this one a folder of its own: APRON_DATA_DIR=other npm start`,
      );
    isOurs = true;
    cluster = await startCluster(dataDir);
    watching = setInterval(() => {
      if (isStopping || cluster.isRunning()) return;
      console.error("The database has ended by itself and is started again.");
      if (!cluster.restart()) console.error("It did not start; it is tried again in a second.");
    }, watchEvery);
  }
  if (isStopping) return;
  const url = process.env.DATABASE_URL ?? cluster.url;
  const { prepare, demoAccounts } = await import(new URL("../build/server/admin.js", import.meta.url).href);
  const prepared = await prepare(url, {
    demo: !options.includes("--no-demo"),
    reset: options.includes("--reset-demo"),
  }).catch((error) => {
    const newer = /previously executed migration (\S+) is missing/.exec(error.message);
    throw new Sentence(
      newer
        ? `The database was made by a newer version of the program (it has ${newer[1]}, which this one does not know). Start that version, or restore a backup from before it.`
        : `The database could not be prepared: ${error.message}`,
    );
  });
  if (isStopping) return;

  serve(url, prepared, demoAccounts);
}

/** A server that has answered and then dies is started again, each time a little later; one that cannot start ends the command. */
const longestPause = 5000;
let pause = 0;

function serve(url, prepared, demoAccounts) {
  let wasReady = false;
  // Detached, so that Ctrl-C reaches this process only, which then stops both in the right order.
  server = spawn(process.execPath, ["scripts/serve.mjs", ...(isDev ? ["--dev"] : [])], {
    detached: true,
    stdio: ["ignore", "inherit", "inherit", "ipc"],
    env: {
      // Somebody who looks at the terminal is told what goes wrong; a service that collects lines gets every request.
      ...(process.stdout.isTTY ? { LOG_LEVEL: "warn" } : {}),
      ...(process.env.DATABASE_URL ? {} : { BACKUP_DIR: path.join(dataDir, "backups") }),
      ...process.env,
      DATABASE_URL: url,
      HOST: host,
      PORT: port,
    },
  });
  server.on("exit", (code) => {
    if (isStopping) return;
    if (wasReady || pause > 0) {
      console.error(`The server has ended (${code ?? "killed"}) and is started again.`);
      setTimeout(() => isStopping || serve(url, undefined, demoAccounts), pause);
      pause = Math.min(longestPause, pause * 2 + 100);
      return;
    }
    isStopping = true;
    stopDatabase();
    process.exit(code ?? 1);
  });
  server.on("message", () => {
    wasReady = true;
    setTimeout(() => (pause = 0), longestPause * 2).unref();
    if (!prepared) return;
    console.log(`\nApron Bell is ready: ${address}\n`);
    if (prepared.setupCode)
      console.log(
        `No account yet. Open the address and make the first one with this code, good once: ${prepared.setupCode}\n`,
      );
    else if (prepared.hasDemo)
      console.log(
        `Demo sign-in: ${demoAccounts.map((one) => `${one.email}  ${one.password}  (${one.role})`).join("\n              ")}\n`,
      );
    console.log("Ctrl-C stops the program and its database.");
  });
}

main().catch((error) => {
  console.error(error instanceof Sentence ? error.message : error);
  stop(1);
});
