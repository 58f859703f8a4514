import net from "node:net";
import os from "node:os";
import path from "node:path";
import { defineConfig } from "@playwright/test";
import { chromiumPath } from "./scripts/lib/chromium.mjs";

const freePort = (): Promise<number> =>
  new Promise((resolve, reject) => {
    const probe = net.createServer();
    probe.once("error", reject);
    probe.listen(0, "127.0.0.1", () => {
      const address = probe.address();
      probe.close(() =>
        address && typeof address === "object" ? resolve(address.port) : reject(new Error("no free port")),
      );
    });
  });

process.env.E2E_PORT ??= String(await freePort());
// Where the tests find the database of the program they test, to start a second process of it.
process.env.E2E_DATABASE_FILE ??= path.join(os.tmpdir(), `apron-bell-e2e-${process.env.E2E_PORT}.url`);
const baseURL = `http://127.0.0.1:${process.env.E2E_PORT}`;

export default defineConfig({
  testDir: "e2e",
  workers: 2,
  fullyParallel: true,
  // The longest journey goes through a whole class; on a busy machine of two cores it takes more than a minute.
  timeout: 150_000,
  // Against what never comes, not to measure: a busy machine may take its time.
  expect: { timeout: 20_000 },
  reporter: [["list"], ["json", { outputFile: "test-results/report.json" }]],
  use: {
    baseURL,
    viewport: { width: 1280, height: 800 },
    locale: "en-GB",
    timezoneId: "Europe/London",
    video: "off",
    // Recording every journey costs a third of its time: TRACE=1 where one wants to look into a failure.
    trace: process.env.TRACE ? "retain-on-failure" : "off",
    launchOptions: {
      executablePath: chromiumPath(),
      args: [
        "--disable-dev-shm-usage",
        "--disable-gpu",
        "--disable-background-networking",
        "--disable-component-update",
      ],
    },
  },
  projects: [
    { name: "desktop", testIgnore: /tablet/ },
    {
      name: "tablet",
      testMatch: /tablet/,
      use: { viewport: { width: 1024, height: 768 }, hasTouch: true, isMobile: true },
    },
  ],
  webServer: {
    command: "node scripts/e2e-server.mjs",
    url: `${baseURL}/healthz`,
    timeout: 90_000,
    reuseExistingServer: false,
    stdout: "ignore",
    gracefulShutdown: { signal: "SIGTERM", timeout: 15_000 },
  },
});
