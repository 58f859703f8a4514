import type { Page } from "@playwright/test";
import { expect, test } from "./fixtures";

/** Counts what a person does: every press, every field that is filled, every choice. */
function counter() {
  let actions = 0;
  const act = async (what: Promise<unknown>) => {
    actions += 1;
    await what;
  };
  return { act, count: () => actions };
}

/** From the list of classes to the kits on paper; the printer is the browser's. */
async function printedKits(
  page: Page,
  act: (what: Promise<unknown>) => Promise<void>,
  title: string,
  kitchen?: string,
) {
  await act(page.getByRole("link", { name: "New class" }).click());
  await act(page.getByLabel("Class", { exact: true }).fill(title));
  await act(page.getByLabel("People").fill("12"));
  await act(page.getByLabel("Recipe", { exact: true }).selectOption({ label: "Slipway pancakes" }));
  if (kitchen) await act(page.getByLabel("Kitchen").selectOption({ label: kitchen }));
  await act(page.getByRole("button", { name: "Make the class" }).click());
  await page.waitForURL(/\/brief$/);
  await act(page.getByRole("link", { name: /^Shopping and kits/ }).click());
  await expect(page.getByText(/^\d+ containers, 0 packed/)).toBeVisible();
  await page.evaluate(() => Object.assign(window, { print: () => Object.assign(window, { hasPrinted: true }) }));
  await act(page.getByRole("button", { name: "Print the kits" }).click());
  await expect.poll(() => page.evaluate(() => "hasPrinted" in window)).toBe(true);
}

test("from the demonstration to printed kits for twelve in at most eight actions", async ({ page }) => {
  const { act, count } = counter();
  await page.goto("/");
  await printedKits(page, act, "Eight actions");
  expect(count()).toBeLessThanOrEqual(8);
});

test("from a kitchen nobody has drawn yet to printed kits in at most fifteen, five less than with a first account", async ({
  page,
}) => {
  const { act, count } = counter();
  await page.goto("/");
  await act(page.getByRole("link", { name: "Kitchens" }).click());
  await act(page.getByRole("link", { name: "Add a kitchen" }).click());
  await act(page.getByRole("link", { name: /two griddles/i }).click());
  await expect(page.getByLabel("Name", { exact: true })).toHaveValue("Hall with two griddles");
  await act(page.getByRole("button", { name: "Save the kitchen" }).click());
  await expect(page.getByRole("row", { name: /Hall with two griddles/ })).toBeVisible();
  await act(page.getByRole("link", { name: "Classes", exact: true }).click());
  await printedKits(page, act, "From nothing", "Hall with two griddles");
  expect(count()).toBeLessThanOrEqual(15);
});

test("help says what a page is for, in the words it uses, and a sheet that fails keeps the class around it", async ({
  page,
}) => {
  await page.goto("/?find=Masters");
  await page.getByRole("link", { name: "Masters' crepe morning" }).click();
  await page.waitForURL(/\/brief$/);
  const base = new URL(page.url()).pathname.replace(/\/brief$/, "");
  await page.goto(`${base}/timeline`);
  await page.getByRole("heading", { name: "Run sheet" }).click();
  await page.keyboard.press("?");
  const help = page.getByRole("dialog", { name: "Help and keys" });
  await expect(help).toContainText("Who does what when, whether it fits, and what holds it up.");
  await expect(help).toContainText("A first piece that proves the heat");
  const answer = await page.goto(`${base}/people/00000000-0000-4000-8000-000000000000`);
  expect(answer?.status()).toBe(404);
  await expect(page.getByRole("heading", { name: "Masters' crepe morning" })).toBeVisible();
  await expect(page.getByRole("heading", { name: "Nothing here" })).toBeVisible();
  await page.getByRole("link", { name: "To the brief of this class" }).click();
  await page.waitForURL(/\/brief$/);
});
