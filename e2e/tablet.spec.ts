import { expect, openClass, ownClass, test } from "./fixtures";

test("the live screen on a tablet: legible across the room, keys for floury hands", async ({ page }) => {
  const base = await ownClass(page, "Masters' crepe morning", "Tablet on a jar");
  await page.goto(`${base}/teach`);
  await page.getByRole("button", { name: "Start the class" }).tap();
  await expect(page.getByText("Now: Doors")).toBeVisible();
  const sizeOf = (selector: string) =>
    page
      .locator(selector)
      .first()
      .evaluate((node) => parseFloat(getComputedStyle(node).fontSize));
  expect(await sizeOf(".time")).toBeGreaterThanOrEqual(96);
  expect(await sizeOf(".instruction")).toBeGreaterThanOrEqual(40);
  for (const button of await page.locator(".live .big, .live .station button").all())
    expect((await button.boundingBox())?.height ?? 0).toBeGreaterThanOrEqual(64);
  expect(
    await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth),
  ).toBeLessThanOrEqual(0);
});

for (const [name, width, height] of [
  ["tablet", 1024, 768],
  ["phone", 390, 844],
] as const) {
  test(`on a ${name} every stage fits across`, async ({ page }) => {
    await page.setViewportSize({ width, height });
    const base = await openClass(page, "Junior squad breakfast");
    for (const stage of [
      "recipe",
      "brief",
      "people",
      "people/seats",
      "people/turns",
      "people/intake",
      "people/privacy",
      "allergies",
      "allergies/matrix",
      "labels/butter",
      "day-sheet/folder",
      "amounts",
      "kits",
      "shopping",
      "prep",
      "kit-labels",
      "pack",
      "gear",
      "load",
      "timeline",
      "log",
      "teach",
    ]) {
      await page.goto(`${base}/${stage}`);
      await expect(page.locator("main")).toBeVisible();
      expect(
        await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth),
        stage,
      ).toBeLessThanOrEqual(0);
    }
  });
}
