import fs from "node:fs";
import AxeBuilder from "@axe-core/playwright";
import { type Browser, type BrowserContext, type Page, test as base, expect } from "@playwright/test";
import { demoAccounts } from "~/demo/boathouse";

type State = Awaited<ReturnType<BrowserContext["storageState"]>>;

async function signedIn(browser: Browser, baseURL: string, who: 0 | 1): Promise<State> {
  const context = await browser.newContext({ baseURL });
  const page = await context.newPage();
  const { email, password } = demoAccounts[who];
  await page.goto("/sign-in");
  await page.getByLabel("E-mail address").fill(email);
  await page.getByLabel("Password").fill(password);
  await page.getByRole("button", { name: "Sign in" }).click();
  await expect(page.getByRole("heading", { name: "Classes" })).toBeVisible();
  const state = await context.storageState();
  await context.close();
  return state;
}

/** What a browser may say without anything being wrong: an answer of 4xx that a test asked for. */
const expected =
  /Failed to load resource: the server responded with a status of 4\d\d|net::ERR_INTERNET_DISCONNECTED|net::ERR_FAILED|net::ERR_CONNECTION|ERR_INCOMPLETE_CHUNKED_ENCODING|ERR_NETWORK_IO_SUSPENDED/;

/** Signed in as the lead; any error in the console or on the page fails the test. */
export const test = base.extend<{ page: Page; watched: void }, { leadState: State; assistantState: State }>({
  leadState: [
    async ({ browser }, use) => use(await signedIn(browser, `http://127.0.0.1:${process.env.E2E_PORT}`, 0)),
    { scope: "worker" },
  ],
  assistantState: [
    async ({ browser }, use) => use(await signedIn(browser, `http://127.0.0.1:${process.env.E2E_PORT}`, 1)),
    { scope: "worker" },
  ],
  storageState: async ({ leadState }, use) => use(leadState),
  watched: [
    async ({ page }, use) => {
      const said: string[] = [];
      page.on("console", (message) => {
        if (message.type() === "error" && !expected.test(message.text())) said.push(message.text());
      });
      page.on("pageerror", (error) => {
        // A test that goes on to another address while a page is still loading breaks that load off; the router says so.
        if (!error.message.includes("signal is aborted without reason")) said.push(error.message);
      });
      await use();
      expect(said).toEqual([]);
    },
    { auto: true },
  ],
});
export { expect };

/** Opens one of the demonstration's classes and gives its address. */
export async function openClass(page: Page, title: string): Promise<string> {
  await page.goto(`/?find=${encodeURIComponent(title)}`);
  await page.getByRole("link", { name: title }).click();
  await page.waitForURL(/\/brief$/);
  return new URL(page.url()).pathname.replace(/\/brief$/, "");
}

const files = new Map<string, string>();

/** The file of one of the demonstration's classes, asked for once by each worker. */
async function fileOf(page: Page, title: string): Promise<string> {
  const known = files.get(title);
  if (known) return known;
  const address = await openClass(page, title);
  const file = await (await page.request.get(`${address}/class-file.json`)).text();
  files.set(title, file);
  return file;
}

/** Brings a class file in by the request that the form sends; gives the class's address. */
async function importText(page: Page, text: string): Promise<string> {
  const answer = await page.request.post("/classes/import", {
    form: { text },
    headers: { origin: `http://127.0.0.1:${process.env.E2E_PORT}` },
    maxRedirects: 0,
  });
  expect(answer.status()).toBe(302);
  return new URL(answer.headers().location ?? "", "http://x").pathname.replace(/\/brief$/, "");
}

/** One of the worked cases, by the name of its file. */
export const importClass = (page: Page, name: string): Promise<string> =>
  importText(page, fs.readFileSync(`test/cases/${name}.json`, "utf8"));

/**
 * A class of a test's own, brought in from the demonstration's file under another title, by the request that the form sends:
 * bringing in by hand has tests of its own. Gives its address; no page is opened.
 */
export async function bringIn(
  page: Page,
  from: string,
  title: string,
  change: (file: { class: { title: string; brief: Record<string, unknown> } }) => void = () => undefined,
): Promise<string> {
  const file = JSON.parse(await fileOf(page, from)) as Parameters<typeof change>[0];
  file.class.title = title;
  change(file);
  return importText(page, JSON.stringify(file));
}

/** The same, with the page at its brief. */
export async function ownClass(page: Page, from: string, title: string): Promise<string> {
  const base = await bringIn(page, from, title);
  await page.goto(`${base}/brief`);
  await expect(page.getByRole("heading", { name: title })).toBeVisible();
  return base;
}

/**
 * What axe finds on the page, a line each. Only violations are worked out, and without the blank page that joins frames: we
 * have none, and both cost two thirds of the time.
 */
export async function violationsOf(page: Page): Promise<string[]> {
  const axe = new AxeBuilder({ page }).options({ resultTypes: ["violations"] }).setLegacyMode(true);
  const { violations } = await axe.analyze();
  return violations.map((one) => {
    const places = one.nodes.slice(0, 3).map((node) => node.target.join(" "));
    return `${one.id} (${one.impact}): ${places.join("; ")}`;
  });
}

/** Signs the allergy table of a class with a decision for everything that stands open on it. */
export async function settleAllergies(page: Page, base: string): Promise<void> {
  await page.goto(`${base}/allergies`);
  const open = page.locator("form").filter({ hasText: "Sign off this table" }).getByRole("combobox");
  for (let n = 0; n < (await open.count()); n += 1) await open.nth(n).selectOption({ index: 1 });
  await page.getByRole("button", { name: "Sign off allergies" }).click();
  await page
    .getByText(/Signed off by /)
    .first()
    .waitFor();
}
