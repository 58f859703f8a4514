import { expect, openClass, test } from "./fixtures";

const screens = [
  { width: 1280, height: 800 },
  { width: 390, height: 844 },
] as const;

test.describe("before anybody has signed in", () => {
  test.use({ storageState: { cookies: [], origins: [] } });
  test("the form to sign in is on the first screen, and the bell beside it is small", async ({ page }) => {
    for (const screen of screens) {
      await page.setViewportSize(screen);
      await page.goto("/sign-in");
      const box = await page.getByRole("button", { name: "Sign in" }).boundingBox();
      expect((box?.y ?? 0) + (box?.height ?? Infinity)).toBeLessThanOrEqual(screen.height);
      const bell = await page.locator("svg").first().boundingBox();
      expect(bell?.height ?? Infinity).toBeLessThanOrEqual(60);
    }
  });
});

test("on a phone the key that rings the next bell is in sight in every phase of the class", async ({ page }) => {
  const base = await openClass(page, "Masters' crepe morning");
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${base}/teach`);
  const ring = page.getByRole("button", { name: /^(?:Ring|Start)/ }).first();
  let pressed = 0;
  for (let bell = 0; bell < 6; bell += 1) {
    if ((await ring.count()) === 0) break;
    await expect(ring).toBeInViewport({ ratio: 1 });
    const said = await ring.textContent();
    await ring.click();
    await expect(ring).not.toHaveText(said ?? "");
    pressed += 1;
  }
  expect(pressed).toBeGreaterThan(3);
});
