import { spawn } from "node:child_process";
import net from "node:net";
import { demoAccounts } from "~/demo/boathouse";
import { bringIn, expect, test } from "./fixtures";

test("two tablets see each other's bells and stations without asking for them", async ({
  page,
  browser,
  assistantState,
  baseURL,
}) => {
  const base = await bringIn(page, "Masters' crepe morning", "On two tablets");
  const context = await browser.newContext({ storageState: assistantState, ...(baseURL ? { baseURL } : {}) });
  const other = await context.newPage();
  await Promise.all([page.goto(`${base}/teach`), other.goto(`${base}/teach`)]);
  await expect(page.locator("[inert]")).toHaveCount(0);
  await page.getByRole("button", { name: "Start the class" }).click();
  await expect(other.getByText("Now: Doors")).toBeVisible();
  // A browser lets no bell be heard before its first touch: the screen says so until then.
  const silent = other.getByRole("button", { name: "Tap for sound" });
  await expect(silent).toBeVisible();
  await other.getByRole("region", { name: "Willow" }).getByRole("button", { name: "Heating" }).click();
  await expect(silent).toHaveCount(0);
  await expect(page.getByRole("region", { name: "Willow" }).getByText("heating", { exact: true })).toBeVisible();
  await page.getByRole("button", { name: /^Ring: Gather/ }).click();
  await expect(other.locator("[data-part=flash]")).toBeVisible();
  await context.close();
});

test("without a network events wait on the device, and arrive once each when it is back", async ({ page, context }) => {
  const base = await bringIn(page, "Masters' crepe morning", "In the cellar");
  await page.goto(`${base}/teach`);
  await page.getByRole("button", { name: "Start the class" }).click();
  await expect(page.getByText("Now: Doors")).toBeVisible();
  await expect(page.getByText("all saved")).toBeVisible();
  await context.setOffline(true);
  await page.getByRole("button", { name: /^Ring: Gather/ }).click();
  await page.getByRole("region", { name: "Heron" }).getByRole("button", { name: "Stuck" }).click();
  await expect(page.getByText(/2 waiting on this device, no connection/)).toBeVisible();
  await expect(page.getByText("Now: Gather: mixing")).toBeVisible();
  await context.setOffline(false);
  await expect(page.getByText("all saved")).toBeVisible({ timeout: 30_000 });
  await page.reload();
  await expect(page.getByText("Now: Gather: mixing")).toBeVisible();
  await expect(page.getByRole("region", { name: "Heron" })).toContainText("stuck");
});

test("keys ring, take back and add time; a note typed with spaces rings nothing", async ({ page }) => {
  const base = await bringIn(page, "Masters' crepe morning", "By keyboard");
  await page.goto(`${base}/teach`);
  // What cannot be pressed yet is inert, and keys work from the same moment on.
  await expect(page.locator("[data-room]")).toBeVisible();
  await expect(page.locator("[inert]")).toHaveCount(0);
  await page.keyboard.press("Space");
  await expect(page.getByText("Now: Doors")).toBeVisible();
  await page.keyboard.press("Space");
  await expect(page.getByText("Now: Gather: mixing")).toBeVisible();
  await page.keyboard.press("u");
  await expect(page.getByText("Now: Doors")).toBeVisible();
  await page.keyboard.press("d");
  await expect(page.getByRole("button", { name: /2 minutes more \(2 so far\)/ })).toBeVisible();
  // What was said last is taken back first: the minutes, and the bell stays rung.
  await page.keyboard.press("u");
  await expect(page.getByRole("button", { name: "2 minutes more", exact: true })).toBeVisible();
  await page.getByLabel("Note for the log").pressSequentially("two words");
  await expect(page.getByText("Now: Doors")).toBeVisible();
});

const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const probe = net.createServer().listen(0, "127.0.0.1", () => {
      const address = probe.address();
      probe.close(() => resolve(address && typeof address === "object" ? address.port : 0));
    });
  });

test("a server that is killed in the middle of a class loses nothing that was acknowledged, nor what happens meanwhile", async ({
  browser,
}) => {
  test.setTimeout(120_000);
  const port = await freePort();
  const base = `http://127.0.0.1:${port}`;
  const server = spawn(process.execPath, ["scripts/e2e-server.mjs"], {
    // Not the file that tells the other tests where their own database is.
    env: { ...process.env, E2E_PORT: String(port), E2E_DATABASE_FILE: "" },
    stdio: "ignore",
  });
  const isUp = () =>
    fetch(`${base}/healthz`).then(
      (answer) => answer.ok,
      () => false,
    );
  const context = await browser.newContext({ baseURL: base, storageState: { cookies: [], origins: [] } });
  try {
    await expect.poll(isUp, { timeout: 40_000 }).toBe(true);
    const page = await context.newPage();
    await page.goto("/sign-in");
    await page.getByLabel("E-mail address").fill(demoAccounts[0].email);
    await page.getByLabel("Password").fill(demoAccounts[0].password);
    await page.getByRole("button", { name: "Sign in" }).click();
    await page.getByRole("link", { name: "Teach" }).click();
    await page.getByRole("button", { name: "Start the class" }).click();
    await expect(page.getByText("Now: Doors")).toBeVisible();
    await expect(page.getByText("all saved")).toBeVisible();
    // The signal makes the helper kill the program with SIGKILL and start it again after a pause.
    server.kill("SIGUSR2");
    await expect.poll(isUp, { timeout: 30_000 }).toBe(false);
    await page.getByRole("button", { name: /^Ring: Gather/ }).click();
    await expect(page.getByText(/1 waiting on this device/)).toBeVisible();
    await expect.poll(isUp, { timeout: 30_000 }).toBe(true);
    await expect(page.getByText("all saved")).toBeVisible({ timeout: 30_000 });
    await page.reload();
    await expect(page.getByText("Now: Gather: mixing")).toBeVisible();
  } finally {
    await context.close();
    server.kill("SIGTERM");
    await new Promise((resolve) => server.once("exit", resolve));
  }
});

test("the list is called table by table; what is missing shows on every tablet, and is found again", async ({
  page,
  browser,
  leadState,
  baseURL,
}) => {
  const base = await bringIn(page, "Junior squad breakfast", "The list is called");
  await page.goto(`${base}/teach`);
  await page.getByRole("link", { name: "Call the list" }).click();
  await expect(page.getByText("Nothing is missing.")).toBeVisible();
  const context = await browser.newContext({ storageState: leadState, ...(baseURL ? { baseURL } : {}) });
  const other = await context.newPage();
  await other.goto(`${base}/call`);
  const flour = /plain wheat flour is missing at Stroke/;
  await page.getByRole("button", { name: flour }).click();
  await page.getByRole("button", { name: /whisk is missing at Bow/ }).click();
  await expect(page.getByText("Missing: plain wheat flour at Stroke and whisk at Bow.")).toBeVisible();
  await expect(other.getByText("Missing: plain wheat flour at Stroke and whisk at Bow.")).toBeVisible();
  await other.getByRole("button", { name: flour }).click();
  await expect(page.getByText("Missing: whisk at Bow.")).toBeVisible();
  await page.reload();
  await expect(page.getByRole("button", { name: /whisk is missing at Bow/ })).toHaveAttribute("aria-pressed", "true");
  await context.close();
});
