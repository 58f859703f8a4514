import AxeBuilder from "@axe-core/playwright";
import { expect, openClass, test } from "./fixtures";

const stages = [
  "recipe",
  "brief",
  "people",
  "people/seats",
  "people/intake",
  "people/privacy",
  "allergies",
  "allergies/matrix",
  "day-sheet/folder",
  "amounts",
  "kits",
  "gear",
  "timeline",
  "log",
  "teach",
] as const;

test.describe("every sheet of a class", () => {
  for (const stage of stages) {
    test(`${stage}: nothing serious in its way for anyone, and no sideways scrolling`, async ({ page }) => {
      const base = await openClass(page, "Junior squad breakfast");
      await page.goto(`${base}/${stage}`);
      await expect(page.locator("main")).toBeVisible();
      const { violations } = await new AxeBuilder({ page }).analyze();
      expect(
        violations
          .filter((one) => one.impact === "serious" || one.impact === "critical")
          .map(
            (one) =>
              `${one.id}: ${one.nodes
                .map((node) => node.target.join(" "))
                .slice(0, 3)
                .join("; ")}`,
          ),
      ).toEqual([]);
      expect(
        await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth),
      ).toBeLessThanOrEqual(0);
      await expect(page.locator("body")).not.toContainText(/\bsafe(ly)?\b/i);
    });
  }
});

for (const address of [
  "/",
  "/classes/new",
  "/classes/import",
  "/recipes",
  "/recipes/towpath-crepes",
  "/kitchens",
  "/kitchens/new",
  "/accounts",
]) {
  test(`${address}: nothing serious in its way for anyone`, async ({ page }) => {
    await page.goto(address);
    await expect(page.getByRole("heading", { level: 1 })).toBeVisible();
    const { violations } = await new AxeBuilder({ page }).analyze();
    expect(
      violations
        .filter((one) => one.impact === "serious" || one.impact === "critical")
        .map(
          (one) =>
            `${one.id}: ${one.nodes
              .map((node) => node.target.join(" "))
              .slice(0, 3)
              .join("; ")}`,
        ),
    ).toEqual([]);
  });
}

test("every sheet prints: on paper the furniture goes and nothing is cut off at the side", async ({ page }) => {
  const base = await openClass(page, "Masters' crepe morning");
  const pagesOf = (pdf: Buffer) => pdf.toString("latin1").match(/\/Type\s*\/Page\b/g)?.length ?? 0;
  for (const [stage, least, most] of [
    ["recipe", 1, 3],
    ["people", 1, 2],
    ["allergies", 1, 4],
    ["amounts", 5, 8],
    ["kits", 3, 6],
    ["shopping", 1, 3],
    ["gear", 1, 3],
    ["timeline", 1, 3],
    ["log", 1, 2],
  ] as const) {
    await page.goto(`${base}/${stage}`);
    const pdf = await page.pdf({ preferCSSPageSize: true, printBackground: true });
    expect(pagesOf(pdf), stage).toBeGreaterThanOrEqual(least);
    expect(pagesOf(pdf), stage).toBeLessThanOrEqual(most);
    await page.emulateMedia({ media: "print" });
    await expect(page.getByRole("navigation", { name: "Main" })).toBeHidden();
    await expect(page.getByRole("heading", { name: "Masters' crepe morning" })).toBeVisible();
    // An A4 page less its margins is about 688 px wide.
    await page.setViewportSize({ width: 688, height: 980 });
    expect(await page.evaluate(() => document.documentElement.scrollWidth), stage).toBeLessThanOrEqual(690);
    await page.setViewportSize({ width: 1280, height: 800 });
    await page.emulateMedia({ media: "screen" });
  }
});
