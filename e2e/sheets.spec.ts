import { type Page } from "@playwright/test";
import { bringIn, expect, openClass, test, violationsOf } from "./fixtures";

const sizes = [
  ["desk", 1280, 800],
  ["tablet", 1024, 768],
  ["phone", 390, 844],
  ["narrow phone", 320, 640],
] as const;

/**
 * What is pressed and is less than 44 px high, by its words. What reaches beyond its text counts with its reach; what a label holds
 * counts with the label; a link in the middle of a sentence is as high as its line.
 */
const tooSmall = (page: Page) =>
  page.evaluate(() => {
    const pressed =
      "main a[href], main button, main input:not([type=hidden]), main select, main textarea, main summary";
    return [...document.querySelectorAll<HTMLElement>(pressed)].flatMap((one) => {
      const target = one.matches("input[type=checkbox], input[type=radio]") ? (one.closest("label") ?? one) : one;
      const box = target.getBoundingClientRect();
      const isHidden = box.width < 3 || box.height < 3 || getComputedStyle(one).visibility === "hidden";
      const reach = getComputedStyle(one, "::after");
      const height = reach.position === "absolute" ? Math.max(box.height, parseFloat(reach.height) || 0) : box.height;
      const isInSentence = one.matches("p a, li a, figcaption a");
      return isHidden || isInSentence || height >= 43.5 ? [] : [`${one.textContent.trim().slice(0, 30)} ${height} px`];
    });
  });

/** Class names on the page that are not the design system's. */
const ownClassesOf = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const all = [...document.body.querySelectorAll("[class]")].flatMap((one) => [...one.classList]);
    return [...new Set(all.filter((name) => !/^(css|chakra)-/.test(name)))];
  });

/**
 * Nothing in its way for anyone, nothing cut off or to be scrolled sideways on any screen, and nothing called safe. Every other page is
 * opened on the narrowest screen and widened, so that both ways are walked.
 * With `isAtOnce`, what a page is for stands on its first screen at a desk and on a phone.
 */
async function lookOver(page: Page, addresses: readonly string[], { isAtOnce = false } = {}): Promise<void> {
  let pressed = 0;
  for (const [at, address] of addresses.entries()) {
    await test.step(address, async () => {
      const inOrder = at % 2 === 0 ? sizes : [...sizes].reverse();
      const [, width, height] = inOrder[0] ?? sizes[0];
      await page.setViewportSize({ width, height });
      await page.goto(address);
      await expect(page.locator("main")).toBeVisible();
      await expect(page.locator("[inert]")).toHaveCount(0);
      expect.soft(await violationsOf(page), address).toEqual([]);
      expect.soft(await ownClassesOf(page), `${address}: class names that the design system did not give`).toEqual([]);
      await expect.soft(page.locator("body"), address).not.toContainText(/\bsafe(ly)?\b/i);
      for (const [name, width, height] of inOrder) {
        await page.setViewportSize({ width, height });
        const beyond = () =>
          page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
        await expect.soft.poll(beyond, `${address} on a ${name}`).toBeLessThanOrEqual(0);
        if (isAtOnce && (name === "desk" || name === "phone")) {
          await page.evaluate(() => scrollTo(0, 0));
          const main = page.locator("[data-primary]").filter({ visible: true }).first();
          if ((await main.count()) > 0) {
            pressed += 1;
            await expect.soft(main, `${address} on a ${name}: what it is for`).toBeInViewport({ ratio: 1 });
          }
        }
        if (width === 320) expect.soft(await tooSmall(page), `${address}: pressed with a finger`).toEqual([]);
      }
    });
  }
  if (isAtOnce) expect(pressed, "pages with one thing to press first").toBeGreaterThan(addresses.length);
}

for (const [name, stages] of [
  [
    "people and their plates",
    [
      "people",
      "people/import",
      "people/seats",
      "people/turns",
      "people/intake",
      "people/privacy",
      "allergies",
      "allergies/matrix",
      "allergies/brought/new",
      "labels/butter",
      "day-sheet/folder",
      "day-sheet/wall",
      "house",
      "techniques",
    ],
  ],
  [
    "amounts, kits and gear",
    [
      "amounts",
      "scaling",
      "kits",
      "shopping",
      "prep",
      "kit-labels",
      "take-home",
      "toppings",
      "shapes",
      "helpers",
      "containers/s1/dry/flour",
      "pack",
      "gear",
      "load",
    ],
  ],
  ["the class from its recipe to its log", ["recipe", "brief", "timeline", "call", "teach", "log"]],
] as const)
  test(`every page of ${name}: for everyone, on every screen`, async ({ page }) => {
    const base = await bringIn(page, "Junior squad breakfast", `Looked over: ${name}`);
    await lookOver(
      page,
      stages.map((stage) => `${base}/${stage}`),
    );
  });

test("every page beside the classes: for everyone, on every screen, and what it is for on its first", ({ page }) =>
  lookOver(
    page,
    [
      "/",
      "/classes/new",
      "/classes/import",
      "/recipes",
      "/recipes/slipway-pancakes",
      "/recipes/slipway-pancakes/edit",
      "/recipes/slipway-pancakes/handout",
      "/recipes/bring-in",
      "/bench?recipe=slipway-pancakes",
      "/pantry",
      "/pantry/plain-flour",
      "/kitchens",
      "/month",
      "/kitchens/new",
      "/accounts",
      "/account",
      "/upkeep",
      "/outbox",
      "/removed",
      "/recipes/new",
    ],
    { isAtOnce: true },
  ));

test("every sheet prints: on paper the furniture goes and nothing is cut off at the side", async ({ page }) => {
  const base = await openClass(page, "Masters' crepe morning");
  const pagesOf = (pdf: Buffer) => pdf.toString("latin1").match(/\/Type\s*\/Page\b/g)?.length ?? 0;
  for (const [stage, least, most] of [
    ["recipe", 1, 3],
    ["people", 1, 2],
    ["allergies", 1, 4],
    ["amounts", 6, 6],
    ["kits", 3, 6],
    ["shopping", 1, 3],
    ["gear", 1, 3],
    // The lanes by themselves on the long side, then what is read.
    ["timeline", 2, 4],
    ["log", 1, 2],
  ] as const) {
    await page.goto(`${base}/${stage}`);
    await page.evaluate(() => document.fonts.ready);
    const pdf = await page.pdf({ preferCSSPageSize: true, printBackground: true });
    expect(pagesOf(pdf), stage).toBeGreaterThanOrEqual(least);
    expect(pagesOf(pdf), stage).toBeLessThanOrEqual(most);
    await page.emulateMedia({ media: "print" });
    await expect(page.getByRole("navigation", { name: "Main" })).toBeHidden();
    // A card and a kit fill their page; class and date stand in the margin of each.
    if (stage !== "amounts" && stage !== "kits")
      await expect(page.getByRole("heading", { name: "Masters' crepe morning" })).toBeVisible();
    // An A4 page less its margins is about 688 px wide.
    await page.setViewportSize({ width: 688, height: 980 });
    expect(await page.evaluate(() => document.documentElement.scrollWidth), stage).toBeLessThanOrEqual(690);
    await page.setViewportSize({ width: 1280, height: 800 });
    await page.emulateMedia({ media: null });
  }
});
