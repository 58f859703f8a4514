import { bringIn, expect, openClass, test, violationsOf } from "./fixtures";

test("a better order is looked for, compared, taken, taken back; the sheet says how good it is and what holds it up", async ({
  page,
}) => {
  const base = await bringIn(page, "Junior squad breakfast", "Ordered loads");
  await page.goto(`${base}/timeline`);
  await expect(page.getByText(/is out last: \d+ loads one after the other/)).toBeVisible();
  await expect(page.getByText(/at most .* later than any order could have it/)).toBeVisible();
  // Looked at for a moment, the class is ordered in the background; what is found is offered.
  const found = page.getByText(/^One was found: ready at|^None was found/);
  await expect(found).toBeVisible({ timeout: 60_000 });
  const use = page.getByRole("button", { name: "Use this order" });
  if (await use.isVisible()) {
    await use.click();
    await expect(page.getByText("Loads in the order that was found.")).toBeVisible();
    await page.reload();
    await expect(page.getByText("The loads follow an order that was searched for.")).toBeVisible();
    await page.getByRole("button", { name: /^Take back: Loads in the order/ }).click();
    await expect(page.getByText("Taken back.")).toBeVisible();
    await expect(page.getByText("The loads follow an order that was searched for.")).toBeHidden();
  }
});

test("a bell is pinned to a time and rings then, is told where it cannot, and a block that is pressed is read out", async ({
  page,
}) => {
  const base = await bringIn(page, "Junior squad breakfast", "Eaten at eleven");
  await page.goto(`${base}/timeline`);
  await page.getByText("Pin a bell").click();
  await page.getByLabel("Rings at").fill("11:10");
  await page.getByRole("button", { name: "Pin it" }).click();
  await expect(page.getByText("“Eat” is pinned.")).toBeVisible();
  await expect(page.getByText("the meal waits for its pinned bell", { exact: false })).toBeVisible();
  await expect(page.getByRole("img", { name: /Bell line: .*Eat 11:10/ })).toBeVisible();
  // A pour that cannot be: the doors have only just opened.
  await page.getByLabel("Bell to pin").selectOption("pour");
  await page.getByLabel("Rings at").fill("09:31");
  await page.getByRole("button", { name: "Pin it" }).click();
  await expect(page.getByText(/“Pour” is pinned to .* after the doors and rings .* later/)).toBeVisible();
  await page.getByRole("button", { name: "Let “Pour” go" }).click();
  await expect(page.getByText("“Pour” is not pinned any more.")).toBeVisible();
  const block = page.locator("[data-part=task][title^='Everyone: ']").first();
  await block.click();
  await expect(page.getByRole("status").filter({ hasText: /^Everyone: / })).toBeVisible();
});

test("where a class does not fit, the ways out are worked out, and one press applies one", async ({ page }) => {
  const base = await bringIn(page, "Junior squad breakfast", "Too long a class", (file) => {
    file.class.brief.minutes = 60;
  });
  await page.goto(`${base}/timeline`);
  await expect(page.getByText(/^Runs .* over\.$/)).toBeVisible();
  const ways = page.getByRole("table", { name: "Ways out" });
  await expect(ways.getByRole("row").nth(3)).toBeVisible();
  // By the usual rules each gains so much at the least; searched, so much.
  await expect(ways.getByText(/^at least .* sooner; /).first()).toBeVisible();
  await page.getByRole("button", { name: "Search the best order for each" }).click();
  await expect(page.getByText("Each with the best order of the loads that was found.")).toBeVisible({
    timeout: 90_000,
  });
  await expect(ways.getByText(/^at least/)).toHaveCount(0);
  await expect(ways.getByText(/^[\d ½¼¾]+ min sooner; /).first()).toBeVisible();
  await ways.getByRole("button", { name: /^Do this: A class of \d+ minutes$/ }).click();
  await expect(page.getByText(/^A class of \d+ minutes\.$/)).toBeVisible();
  await expect(page.getByText(/^Fits: /)).toBeVisible();
  await page.getByRole("button", { name: /^Take back: A class of/ }).click();
  await expect(page.getByText(/^Runs .* over\.$/)).toBeVisible();
});

test("the lanes can be drawn wider, show who is at the heat, mark what holds the class up, and print on one wide page", async ({
  page,
}) => {
  const base = await openClass(page, "Junior squad breakfast");
  await page.goto(`${base}/timeline`);
  const lanes = page.getByRole("group", { name: "Lanes of stations and surfaces" });
  await expect(lanes.getByText("Helper 1", { exact: true })).toBeVisible();
  await expect(
    lanes.locator('[title*="which waited for the surface"][title$="it holds the class up"]').first(),
  ).toBeVisible();
  const wide = () => lanes.evaluate((element) => element.scrollWidth / element.clientWidth);
  expect(await wide()).toBeLessThan(1.1);
  await page.getByRole("button", { name: "4 × as wide" }).click();
  expect(await wide()).toBeGreaterThan(3.5);
  await expect(page.getByRole("button", { name: "4 × as wide" })).toHaveAttribute("aria-pressed", "true");

  const paper = (await page.pdf({ preferCSSPageSize: true })).toString("latin1");
  const boxes = [...paper.matchAll(/\/MediaBox \[0 0 ([\d.]+) ([\d.]+)\]/g)].map((found) => [
    Number(found[1]),
    Number(found[2]),
  ]);
  // The lanes lie on the long side of one page; what is read follows upright.
  expect(boxes.map(([across = 0, down = 0]) => across > down)).toEqual([true, ...boxes.slice(1).map(() => false)]);
  expect(boxes.length).toBeGreaterThan(1);
});

test("a reader's own few colours: what is drawn takes them, and says what it said", async ({ page }) => {
  const base = await openClass(page, "Junior squad breakfast");
  await page.emulateMedia({ forcedColors: "active" });
  await page.goto(`${base}/timeline`);
  /** The colour of a system word, as this browser has it. */
  const system = (word: string) =>
    page.evaluate((name) => {
      const probe = document.body.appendChild(document.createElement("i"));
      probe.style.cssText = `forced-color-adjust: none; color: ${name}`;
      const { color } = getComputedStyle(probe);
      probe.remove();
      return color;
    }, word);
  const of = (selector: string, what: "fill" | "stroke" | "backgroundColor" | "borderTopColor") =>
    page
      .locator(selector)
      .first()
      .evaluate((one, name) => getComputedStyle(one)[name], what);
  const [ink, paper, marked] = [await system("CanvasText"), await system("Canvas"), await system("Highlight")];
  expect(new Set([ink, paper, marked]).size).toBe(3);
  expect(await of("body", "backgroundColor")).toBe(paper);
  expect(await of("[data-part=task]", "borderTopColor")).toBe(ink);
  const main = page.getByRole("link", { name: "Teach this class" });
  const [text, ground] = await main.evaluate((one) => [
    getComputedStyle(one).color,
    getComputedStyle(one).backgroundColor,
  ]);
  expect(text).not.toBe(ground);
  expect(text).not.toBe(paper);
  expect(await of("[data-stands=asks] circle", "fill")).toBe(marked);
  expect(await of("[data-part=clapper]", "borderTopColor")).toBe(ink);
  expect(await violationsOf(page)).toEqual([]);
});

test("a class that was saved is put into a better order by the server, beside other work", async ({ page }) => {
  const base = await bringIn(page, "Junior squad breakfast", "Ordered when saved");
  await page.goto(`${base}/brief`);
  for (const [label, value] of [
    ["People", "13"],
    ["Pieces each", "2"],
    ["Station size", "2"],
    ["Hot places per adult", "0"],
  ] as const)
    await page.getByLabel(label, { exact: true }).fill(value);
  await page.getByRole("button", { name: "Save the brief" }).click();
  await expect(page.getByText("Saved.", { exact: true })).toBeVisible();
  await expect(async () => {
    await page.goto(`${base}/timeline`);
    await expect(page.getByText("The loads follow an order that was searched for.")).toBeVisible({ timeout: 1000 });
  }).toPass({ timeout: 90_000 });
  await page.getByRole("button", { name: "usual order" }).click();
  await expect(page.getByText("The loads follow an order that was searched for.")).toHaveCount(0);
});
