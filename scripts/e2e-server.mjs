// A throwaway program for browser tests and measurements: its own database, the demonstration, the built server. Removes all of
// it on SIGTERM.
import { spawn } from "node:child_process";
import { throwawayCluster } from "./lib/postgres.mjs";

const cluster = await throwawayCluster("e2e");
const stop = () => {
  server?.kill("SIGTERM");
  const remove = () => {
    cluster.remove();
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
    env: { ...process.env, DATABASE_URL: cluster.url, HOST: "127.0.0.1", PORT: process.env.E2E_PORT },
  });
};
serve();

// Killed without warning and started again after a pause: what a power cut does to the program, but not to the database.
const pauseMs = 3000;
process.on("SIGUSR2", () => {
  server.kill("SIGKILL");
  setTimeout(serve, pauseMs);
});
