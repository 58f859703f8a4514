import { type ChildProcess, spawn } from "node:child_process";
import fs from "node:fs";
import net from "node:net";
import { demoAccounts } from "~/demo/boathouse";
import { bringIn, expect, test } from "./fixtures";

/** A second process of the program on the database of the first. */
let second: ChildProcess;
let there = "";
let backups = "";

const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const probe = net.createServer().listen(0, "127.0.0.1", () => {
      const address = probe.address();
      probe.close(() => resolve(address && typeof address === "object" ? address.port : 0));
    });
  });

// In one worker: each would start a second process of its own, and end it while it makes the backup that the other waits for.
test.describe.configure({ mode: "serial" });

test.beforeAll(async () => {
  const told = JSON.parse(fs.readFileSync(process.env.E2E_DATABASE_FILE ?? "", "utf8")) as {
    url: string;
    backups: string;
  };
  const port = await freePort();
  there = `http://127.0.0.1:${port}`;
  backups = told.backups;
  second = spawn(process.execPath, ["scripts/serve.mjs"], {
    stdio: ["ignore", "ignore", "inherit", "ipc"],
    env: {
      ...process.env,
      LOG_LEVEL: "warn",
      DATABASE_URL: told.url,
      BACKUP_DIR: told.backups,
      HOST: "127.0.0.1",
      PORT: String(port),
    },
  });
  await new Promise((resolve) => second.once("message", resolve));
});
test.afterAll(() => void second.kill("SIGTERM"));

test("two processes are one program: a bell rung in one is heard in the other, and a sign-in ended in one is ended in both", async ({
  page,
  browser,
  baseURL,
}) => {
  const base = await bringIn(page, "Masters' crepe morning", "In two processes");
  const context = await browser.newContext({ baseURL: there, storageState: { cookies: [], origins: [] } });
  const other = await context.newPage();
  const [lead] = demoAccounts;
  await other.goto(`/sign-in?back=${encodeURIComponent(`${base}/teach`)}`);
  await other.getByLabel("E-mail address").fill(lead.email);
  await other.getByLabel("Password").fill(lead.password);
  await other.getByRole("button", { name: "Sign in" }).click();
  await expect(other.locator("[data-room]")).toBeVisible();
  await page.goto(`${base}/teach`);
  await expect(page.locator("[inert]")).toHaveCount(0);
  await page.getByRole("button", { name: "Start the class" }).click();
  await expect(other.getByText("Now: Doors")).toBeVisible();
  await expect(other.locator("[inert]")).toHaveCount(0);
  await other.getByRole("button", { name: /^Ring: Gather/ }).click();
  await expect(page.getByText("Now: Gather: mixing")).toBeVisible();

  // The list of sign-ins is the same in both; ending one here ends its stream and its pages there at once.
  const cookie = (await context.cookies()).find((one) => one.name === "__Host-apron");
  expect(cookie).toBeDefined();
  const stream = fetch(`${there}${base}/changes`, { headers: { cookie: `${cookie?.name}=${cookie?.value}` } }).then(
    async (answer) => {
      expect(answer.status).toBe(200);
      return answer.text();
    },
  );
  await page.goto("/account");
  const rows = page.getByRole("row").filter({ has: page.getByRole("button", { name: "Sign it out" }) });
  await expect(rows.first()).toBeVisible();
  const before = await rows.count();
  await rows.first().getByRole("button", { name: "Sign it out" }).click();
  await expect(page.getByText("That device is signed out.")).toBeVisible();
  await expect(rows).toHaveCount(before - 1);
  expect(await stream).toContain("event: changed");
  await other.goto(`${there}/kitchens`);
  await expect(other).toHaveURL(/\/sign-in\?back=%2Fkitchens$/);
  expect((await page.request.get(`${baseURL}/kitchens`)).status()).toBe(200);
  await context.close();
});

test("attempts are counted together, and a backup asked for in one is made once", async ({ page, baseURL }) => {
  // Writing a backup and restoring it beside waits for the disk, which others use too.
  test.setTimeout(400_000);
  const guess = (origin: string) =>
    fetch(`${origin}/sign-in`, {
      method: "POST",
      body: new URLSearchParams({ email: "shared-count@boathouse.example", password: "not the password" }),
      headers: { origin, "content-type": "application/x-www-form-urlencoded" },
      redirect: "manual",
    }).then((answer) => answer.status);
  const here = baseURL ?? "";
  expect(await Promise.all([here, there, here, there, here].map(guess))).toEqual([400, 400, 400, 400, 400]);
  expect(await guess(there)).toBe(429);
  expect(await guess(here)).toBe(429);

  const count = () => fs.readdirSync(backups).filter((name) => name.endsWith(".dump")).length;
  const had = count();
  await page.goto("/upkeep");
  await page.getByRole("button", { name: "Make a backup now" }).click();
  await expect(page.getByText("It is being made.")).toBeVisible();
  await expect.poll(count, { timeout: 120_000 }).toBe(had + 1);
  await expect
    .poll(async () => (await page.request.get("/upkeep")).text(), { timeout: 180_000 })
    .toContain("restored beside to see that it can be");
  const answer = await fetch(`${there}/metrics`);
  expect(answer.status).toBe(200);
  expect(await answer.text()).toMatch(
    /apron_http_request_seconds_count\{method="POST",route="\/sign-in",status="400"\} [1-9]/,
  );
  expect(count()).toBe(had + 1);
});
