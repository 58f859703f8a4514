import { bringIn, expect, openClass, test } from "./fixtures";

test("the live screen on a tablet: legible across the room, keys for floury hands", async ({ page }) => {
  const base = await bringIn(page, "Masters' crepe morning", "Tablet on a jar");
  await page.goto(`${base}/teach`);
  await page.getByRole("button", { name: "Start the class" }).tap();
  await expect(page.getByText("Now: Doors")).toBeVisible();
  const sizeOf = (selector: string) =>
    page
      .locator(selector)
      .first()
      .evaluate((node) => parseFloat(getComputedStyle(node).fontSize));
  expect(await sizeOf("[data-part=time]")).toBeGreaterThanOrEqual(96);
  expect(await sizeOf("[data-part=instruction]")).toBeGreaterThanOrEqual(40);
  for (const button of await page.locator("[data-room] [data-part=big], [data-room] [data-part=station] button").all())
    expect((await button.boundingBox())?.height ?? 0).toBeGreaterThanOrEqual(64);
  expect(
    await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth),
  ).toBeLessThanOrEqual(0);
});

test("what is used standing up fits across a screen that is touched", async ({ page }) => {
  const base = await openClass(page, "Junior squad breakfast");
  for (const stage of ["pack", "shopping", "teach", "load"]) {
    await page.goto(`${base}/${stage}`);
    for (const [width, height] of [
      [1024, 768],
      [390, 844],
    ] as const) {
      await page.setViewportSize({ width, height });
      await expect
        .poll(
          () => page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth),
          `${stage} ${width}`,
        )
        .toBeLessThanOrEqual(0);
    }
  }
});
