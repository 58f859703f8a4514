import { type ChildProcess, spawn, spawnSync } from "node:child_process";
import fs from "node:fs";
import net from "node:net";
import os from "node:os";
import path from "node:path";
import { type Page, expect, test } from "@playwright/test";

test.describe.configure({ mode: "serial" });
test.setTimeout(120_000);

const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const probe = net.createServer().listen(0, "127.0.0.1", () => {
      const address = probe.address();
      probe.close(() => resolve(address && typeof address === "object" ? address.port : 0));
    });
  });

interface Started {
  readonly process: ChildProcess;
  readonly said: () => string;
  readonly base: string;
}

const folder = fs.mkdtempSync(path.join(os.tmpdir(), "apron-bell-start-"));
test.afterAll(() => fs.rmSync(folder, { recursive: true, force: true }));

const start = (...options: string[]): Promise<Started> => startIn(folder, ...options);

async function startIn(place: string, ...options: string[]): Promise<Started> {
  const port = await freePort();
  const { DATABASE_URL: _url, ...env } = process.env;
  const child = spawn(process.execPath, ["scripts/start.mjs", ...options], {
    env: { ...env, PORT: String(port), APRON_DATA_DIR: place },
    stdio: ["ignore", "pipe", "pipe"],
  });
  let text = "";
  child.stdout.on("data", (chunk: Buffer) => void (text += chunk));
  child.stderr.on("data", (chunk: Buffer) => void (text += chunk));
  const started = { process: child, said: () => text, base: `http://127.0.0.1:${port}` };
  await expect.poll(() => text, { timeout: 90_000 }).toContain("Apron Bell is ready");
  return started;
}

const isUp = (base: string) =>
  fetch(`${base}/healthz`).then(
    (answer) => answer.ok,
    () => false,
  );
const ended = (child: ChildProcess) =>
  new Promise<number | null>((resolve) =>
    child.exitCode !== null ? resolve(child.exitCode) : child.once("exit", resolve),
  );
const databasePid = () => path.join(folder, "pg", "data", "postmaster.pid");

const codeSaid = /make the first one with this code, good once: (\S{12})/;

/** From an empty program to kits on paper for a list of people with their needs, by what a person presses and fills. */
async function printedFromNothing(page: Page, base: string, code: string): Promise<number> {
  let actions = 0;
  const act = async (what: Promise<unknown>) => {
    actions += 1;
    await what;
  };
  await page.goto(base);
  await act(page.getByLabel("Code from the terminal").fill(code));
  await act(page.getByLabel("Your name").fill("Marit Quill"));
  await act(page.getByLabel("E-mail address").fill("first@boathouse.example"));
  await act(page.getByLabel("Password").fill("three-bells-and-flour"));
  await act(page.getByRole("button", { name: "Make the account" }).click());
  await expect(page.getByRole("heading", { name: "Three steps to your first class" })).toBeVisible();
  await act(page.getByRole("link", { name: "Start with a kitchen and recipes" }).click());
  await act(page.getByRole("button", { name: "Start with these" }).click());
  await act(page.getByLabel("Class", { exact: true }).fill("First of all"));
  await act(page.getByLabel("People").fill("3"));
  await act(page.getByLabel("Recipe", { exact: true }).selectOption({ index: 1 }));
  await act(page.getByRole("button", { name: "Make the class" }).click());
  await page.waitForURL(/\/brief$/);
  await act(page.getByRole("link", { name: "Import a list" }).click());
  await act(
    page
      .getByLabel("Or paste the rows here")
      .fill("name,age,answered,avoids\nBea Cove,6-11,yes,\nCal Dune,6-11,no,\nDot Elm,12-17,yes,sesame: allergy"),
  );
  await act(page.getByRole("button", { name: "Show me how you read it" }).click());
  await act(page.getByRole("button", { name: "Add these 3 people" }).click());
  await expect(page.getByRole("link", { name: "Dot Elm" })).toBeVisible();
  await act(page.getByRole("link", { name: /^Shopping and kits/ }).click());
  await expect(page.getByText(/^\d+ containers, 0 packed/)).toBeVisible();
  await page.evaluate(() => Object.assign(window, { print: () => Object.assign(window, { hasPrinted: true }) }));
  await act(page.getByRole("button", { name: "Print the kits" }).click());
  await expect.poll(() => page.evaluate(() => "hasPrinted" in window)).toBe(true);
  return actions;
}

test("starts empty with a one-time code, stops both server and database on Ctrl-C, and starts again on what is there", async () => {
  const first = await start("--no-demo");
  expect(first.said()).toMatch(codeSaid);
  expect(first.said()).not.toContain("Demo sign-in");
  expect((await fetch(`${first.base}/`, { redirect: "manual" })).headers.get("location")).toBe("/first-account");
  expect(fs.existsSync(databasePid())).toBe(true);
  first.process.kill("SIGINT");
  expect(await ended(first.process)).toBe(0);
  expect(await isUp(first.base)).toBe(false);
  expect(fs.existsSync(databasePid())).toBe(false);

  const second = await start();
  expect(second.said()).toContain("Demo sign-in: lead@boathouse.example");
  second.process.kill("SIGTERM");
  expect(await ended(second.process)).toBe(0);
});

test("killed without warning, the server goes with it and the next start recovers", async () => {
  const first = await start();
  first.process.kill("SIGKILL");
  await ended(first.process);
  await expect.poll(() => isUp(first.base), { timeout: 30_000 }).toBe(false);
  expect(fs.existsSync(databasePid())).toBe(true);
  const second = await start();
  expect((await fetch(`${second.base}/sign-in`)).status).toBe(200);
  const pid = Number(fs.readFileSync(databasePid(), "utf8").split("\n")[0]);
  second.process.kill("SIGKILL");
  await ended(second.process);
  // The database dies hard as well; what is left behind is a file that names a process which is no more.
  process.kill(pid, "SIGKILL");
  const third = await start();
  expect((await fetch(`${third.base}/sign-in`)).status).toBe(200);
  third.process.kill("SIGINT");
  expect(await ended(third.process)).toBe(0);
});

test("a second start on the same data says where the first answers and leaves it alone; server and database killed come back by themselves", async () => {
  const first = await start();
  const { DATABASE_URL: _url, ...env } = process.env;
  const second = spawnSync(process.execPath, ["scripts/start.mjs"], {
    env: { ...env, PORT: String(await freePort()), APRON_DATA_DIR: folder },
    encoding: "utf8",
  });
  expect(second.status).toBe(1);
  expect(second.stderr).toContain(`answers at ${first.base}`);
  expect((await fetch(`${first.base}/sign-in`)).status).toBe(200);

  // A way in for whoever is locked out, beside the running program and without mail.
  const letIn = (email: string) =>
    spawnSync(process.execPath, ["scripts/start.mjs", `--let-in=${email}`], {
      env: { ...env, APRON_DATA_DIR: folder },
      encoding: "utf8",
    });
  const link = /Open (http:\S+) within two hours/.exec(letIn("lead@boathouse.example").stdout)?.[1] ?? "";
  expect(link.startsWith(first.base)).toBe(true);
  expect(await (await fetch(link)).text()).toContain("Choose a new password");
  const nobody = letIn("nobody@boathouse.example");
  expect([nobody.status, nobody.stderr.trim()]).toEqual([
    1,
    "Nobody signs in as “nobody@boathouse.example”, or the account is closed. Nothing was changed.",
  ]);
  expect((await fetch(`${first.base}/sign-in`)).status).toBe(200);

  const pid = Number(fs.readFileSync(databasePid(), "utf8").split("\n")[0]);
  process.kill(pid, "SIGKILL");
  // Asked while it is away: an answer in a sentence or a wait, never a dead server.
  expect([200, 503]).toContain((await fetch(`${first.base}/sign-in`)).status);
  await expect.poll(async () => (await fetch(`${first.base}/readyz`)).status, { timeout: 30_000 }).toBe(200);

  const serving = spawnSync("pgrep", ["-P", String(first.process.pid), "-f", "serve.mjs"], { encoding: "utf8" });
  process.kill(Number(serving.stdout.trim().split("\n")[0]), "SIGKILL");
  await expect.poll(() => isUp(first.base), { timeout: 30_000 }).toBe(true);
  expect((await fetch(`${first.base}/sign-in`)).status).toBe(200);
  first.process.kill("SIGINT");
  expect(await ended(first.process)).toBe(0);
});

test("a backup made while it runs is put back when it is stopped, and what is no backup changes nothing", async () => {
  const { DATABASE_URL: _url, ...env } = process.env;
  const run = (...args: string[]) =>
    spawnSync(process.execPath, ["scripts/backup.mjs", ...args], {
      env: { ...env, APRON_DATA_DIR: folder },
      encoding: "utf8",
    });
  const file = path.join(folder, "kept.dump");
  const first = await start();
  const kept = run("backup", file);
  expect(kept.stderr).toBe("");
  expect(kept.stdout).toContain("restored beside");
  const refused = run("restore", file);
  expect([refused.status, refused.stderr]).toEqual([1, expect.stringContaining(`answers at ${first.base}`)]);
  first.process.kill("SIGINT");
  expect(await ended(first.process)).toBe(0);

  const cut = path.join(folder, "cut.dump");
  fs.writeFileSync(cut, fs.readFileSync(file).subarray(0, 20_000));
  expect(run("restore", cut).stderr).toContain("Nothing was changed");
  const restored = run("restore", file);
  expect([restored.stderr, restored.status]).toEqual(["", 0]);
  const again = await start();
  expect(again.said()).toContain("Demo sign-in");
  again.process.kill("SIGINT");
  expect(await ended(again.process)).toBe(0);
});

test.describe("says in a sentence what it cannot do", () => {
  for (const [name, env, options, sentence] of [
    ["a port in words", { PORT: "galley" }, [], /PORT is “galley”\. Give a number from 1 to 65535/],
    ["an option nobody knows", {}, ["--demo"], /Unknown option “--demo”/],
    [
      "a database that is not there",
      { DATABASE_URL: "postgres://nobody@127.0.0.1:1/none" },
      [],
      /The database could not be prepared/,
    ],
  ] as const) {
    test(name, () => {
      const { status, stderr } = spawnSync(process.execPath, ["scripts/start.mjs", ...options], {
        encoding: "utf8",
        env: { ...process.env, APRON_DATA_DIR: folder, ...env },
      });
      expect(status).toBe(1);
      expect(stderr).toMatch(sentence);
      expect(stderr).not.toMatch(/^\s+at /m);
    });
  }
});

test("from nothing, by its first account, a kitchen and recipes in place and a list of people, to printed kits in at most twenty actions", async ({
  page,
}) => {
  const empty = fs.mkdtempSync(path.join(os.tmpdir(), "apron-bell-nothing-"));
  const first = await startIn(empty, "--no-demo");
  try {
    const code = codeSaid.exec(first.said())?.[1] ?? "";
    expect(code).not.toBe("");
    expect(await printedFromNothing(page, first.base, code)).toBeLessThanOrEqual(20);
  } finally {
    first.process.kill("SIGINT");
    await ended(first.process);
    fs.rmSync(empty, { recursive: true, force: true });
  }
});
