// A throwaway program for browser tests and measurements: its own database, the demonstration, the built server. Removes all of
// it on SIGTERM.
import { spawn } from "node:child_process";
import fs from "node:fs";
import os from "node:os";
import path from "node:path";
import { throwawayCluster } from "./lib/postgres.mjs";

const cluster = await throwawayCluster("e2e");
const backups = fs.mkdtempSync(path.join(os.tmpdir(), "apron-bell-backups-"));
const urlFile = process.env.E2E_DATABASE_FILE;
if (urlFile) fs.writeFileSync(urlFile, JSON.stringify({ url: cluster.url, backups }), { mode: 0o600 });
const stop = () => {
  server?.kill("SIGTERM");
  const remove = () => {
    cluster.remove();
    fs.rmSync(backups, { recursive: true, force: true });
    if (urlFile) fs.rmSync(urlFile, { force: true });
    process.exit(0);
  };
  if (!server || server.exitCode !== null) remove();
  else server.once("exit", remove);
};
let server;
process.on("SIGTERM", stop);
process.on("SIGINT", stop);

const { prepare } = await import(new URL("../build/server/admin.js", import.meta.url).href);
try {
  await prepare(cluster.url, { demo: true, reset: false });
} catch (error) {
  // A demonstration that does not load must not leave its database running.
  cluster.remove();
  throw error;
}
const serve = () => {
  server = spawn(process.execPath, ["scripts/serve.mjs"], {
    stdio: ["ignore", "inherit", "inherit", "ipc"],
    env: {
      LOG_LEVEL: "warn",
      ...process.env,
      DATABASE_URL: cluster.url,
      BACKUP_DIR: backups,
      HOST: "127.0.0.1",
      PORT: process.env.E2E_PORT,
    },
  });
};
serve();

// Killed without warning and started again after a pause: what a power cut does to the program, but not to the database.
const pauseMs = 3000;
process.on("SIGUSR2", () => {
  server.kill("SIGKILL");
  setTimeout(serve, pauseMs);
});
