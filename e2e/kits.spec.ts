import type { Page } from "@playwright/test";
import { bringIn, expect, test } from "./fixtures";

const origin = { origin: `http://127.0.0.1:${process.env.E2E_PORT}` };
const round = (page: Page, name: string) =>
  page.getByRole("navigation", { name: "Rounds" }).getByRole("button", { name });
const pour = async (page: Page, ...grams: number[]) => {
  for (const each of grams)
    await page.getByRole("button", { name: `${each > 0 ? `pour ${each}` : `take ${-each}`} g`, exact: true }).click();
};
const packed = (page: Page, count: number) =>
  expect(page.getByText(new RegExp(`^${count} of \\d+ packed$`))).toBeVisible();

test("packing with the scale: it says what to put in, moves on by itself, and can be taken back", async ({ page }) => {
  const base = await bringIn(page, "Junior squad breakfast", "Packed by weight");
  await page.goto(`${base}/pack`);
  await packed(page, 0);
  await page.getByText("Practice scale: no real one is connected").click();
  await expect(page.getByText("Put in 305 g.")).toBeVisible();
  await pour(page, 200, 50, 50, 50);
  await expect(page.getByText("Take out 45 g.")).toBeVisible();
  await pour(page, -10, -10, -10, -10);
  await expect(page.getByRole("button", { name: /Bow.*open/ })).toHaveAttribute("aria-current", "true");
  await packed(page, 1);
  await expect(page.getByRole("button", { name: /Stroke.*Marit Quill/ })).toBeVisible();
  await page.getByRole("button", { name: "Take back the last" }).click();
  await packed(page, 0);
  await expect(page.getByRole("button", { name: /Stroke.*open/ })).toHaveAttribute("aria-current", "true");
});

test("a scale that is unplugged, slow or too full is said, and packing goes on by hand", async ({ page }) => {
  const base = await bringIn(page, "Junior squad breakfast", "Packed with a bad scale");
  await page.goto(`${base}/pack`);
  await page.getByText("Practice scale: no real one is connected").click();
  await page.getByLabel("unplugged").check();
  await expect(page.getByText("The scale cannot be heard. Use another and press Packed, or the spoons.")).toBeVisible();
  await page.getByRole("button", { name: "Packed", exact: true }).click();
  await packed(page, 1);
  await page.getByLabel("unplugged").uncheck();
  // Heard again, it shows a number; only then does the page stand still.
  await expect(page.getByText(/^Put in \d+ g\.$/)).toBeVisible();
  await page.getByLabel("settles slowly").check();
  // What the next station wants, to the ten grams that the practice scale adds at once.
  const wanted = Number(/Put in (\d+)/.exec((await page.getByText(/^Put in \d+ g\.$/).textContent()) ?? "")?.[1]);
  const tens = Math.round(wanted / 10);
  await pour(
    page,
    ...Array.from({ length: Math.floor(tens / 20) }, () => 200),
    ...Array.from({ length: tens % 20 }, () => 10),
  );
  await expect(page.getByText("That is it, wait for it to settle.")).toBeVisible();
  await packed(page, 2);
  await page.getByLabel("settles slowly").uncheck();
  await pour(page, ...Array.from({ length: 26 }, () => 200));
  await expect(page.getByText("More than the scale can carry. Take it off.")).toBeVisible();
  await page.getByRole("button", { name: "lift off" }).click();
  await page.getByRole("button", { name: "Tare" }).click();
  await page.getByLabel("wanders").check();
  // Nobody touches it, and the number moves.
  await expect(page.locator("[data-part=pack-scale]")).toHaveText(/^[1-9]\d* g$/, { timeout: 30_000 });
});

test("two people pack on two tablets and see each other's ticks; without a network nothing is lost", async ({
  page,
  browser,
  baseURL,
  assistantState,
}) => {
  const base = await bringIn(page, "Junior squad breakfast", "Packed by two");
  const other = await browser.newContext({ ...(baseURL ? { baseURL } : {}), storageState: assistantState });
  const second = await other.newPage();
  await second.goto(`${base}/pack`);
  await page.goto(`${base}/pack`);
  await page.getByRole("button", { name: "Packed", exact: true }).click();
  await packed(second, 1);
  await expect(second.getByRole("button", { name: /Stroke.*Marit Quill/ })).toBeVisible();

  await other.setOffline(true);
  await round(second, "hen's egg").click();
  await second.getByRole("button", { name: "Packed", exact: true }).click();
  await second.getByRole("button", { name: "Packed", exact: true }).click();
  await expect(second.getByText("2 ticks wait here, no connection")).toBeVisible();
  await packed(second, 3);
  await page.getByRole("button", { name: "Packed", exact: true }).click();
  await packed(page, 2);
  await other.setOffline(false);
  await expect(second.getByText("all saved")).toBeVisible({ timeout: 30_000 });
  await packed(page, 4);
  await packed(second, 4);
  await second.reload();
  await packed(second, 4);
  await round(page, "hen's egg").click();
  await expect(page.getByRole("button", { name: /Stroke.*Tobin Reed/ })).toBeVisible();
  await other.close();
});

test("a change of the plan opens what it touches, and says by how much", async ({ page }) => {
  const base = await bringIn(page, "Junior squad breakfast", "Changed after packing");
  await page.goto(`${base}/pack`);
  await page.getByRole("button", { name: "by station" }).click();
  for (let n = 1; n <= 3; n += 1) {
    await page.getByRole("button", { name: "Packed", exact: true }).click();
    await packed(page, n);
  }
  await page.goto(`${base}/brief`);
  await page.getByLabel("Pieces each").fill("5");
  await page.getByRole("button", { name: "Save the brief" }).click();
  await expect(page.getByText("Saved.")).toBeVisible();
  await page.goto(`${base}/kits`);
  await expect(page.getByText(/containers, \d+ packed, \d+ changed since/)).toBeVisible();
  await expect(page.getByText(/^put in \d+ g more plain wheat flour$/).first()).toBeVisible();
  await page.goto(`${base}/pack`);
  await page.getByRole("button", { name: "by station" }).click();
  await round(page, "Stroke").click();
  await expect(page.getByText(/and the plan has changed since: put in \d+ g more plain wheat flour/)).toBeVisible();
  await page.getByRole("button", { name: "Put right" }).click();
  await expect(page.getByText("all saved")).toBeVisible();
  await page.goto(`${base}/containers/s1/dry/flour`);
  await expect(page.getByText("Packed, and as the plan wants it.")).toBeVisible();
  await expect(page.getByRole("listitem").filter({ hasText: "packed by Marit Quill" })).toHaveCount(2);
});

test("shopping: ticked with a thumb, less what is on hand, for two classes on one trip", async ({ page }) => {
  const base = await bringIn(page, "Junior squad breakfast", "Shopped for");
  const second = await bringIn(page, "Masters' crepe morning", "Shopped for along");
  await page.goto(`${base}/shopping`);
  const flour = page.getByRole("listitem").filter({ hasText: "plain wheat flour" });
  await expect(flour).toContainText("1 × 1,500 g bag");
  await expect(page.getByText("0 of 11 in the basket")).toBeVisible();
  await page.getByLabel("hen's egg is in the basket").check();
  await expect(page.getByText("1 of 11 in the basket")).toBeVisible();
  await page.getByLabel("Grams of plain wheat flour on hand").fill("900");
  await page.getByRole("button", { name: "Save what is on hand of plain wheat flour" }).click();
  await expect(flour).toContainText("1 × 500 g bag");
  await page.getByLabel("Grams of butter on hand").fill("some");
  await page.getByRole("button", { name: "Save what is on hand of butter" }).click();
  await expect(page.getByText("Give what is on hand as a number, such as 500; 0 when there is none.")).toBeVisible();

  await page.getByLabel("What", { exact: true }).fill("baking paper");
  await page.getByLabel("How many").fill("two");
  await page.getByLabel("Price of one").fill("1.50");
  await page.getByRole("button", { name: "Put on the list" }).click();
  await expect(page.getByText(/Give a whole number from 1 to 10000/)).toBeVisible();
  await expect(page.getByLabel("What", { exact: true })).toHaveValue("baking paper");
  await page.getByLabel("How many").fill("2");
  await page.getByRole("button", { name: "Put on the list" }).click();
  await expect(page.getByText("1 of 12 in the basket")).toBeVisible();

  const along = page.getByRole("listitem").filter({ hasText: "Shopped for along" });
  await along.getByRole("button", { name: "buy for it too" }).click();
  await expect(page.getByText("One trip for", { exact: false })).toBeVisible();
  await expect(page.getByRole("listitem").filter({ hasText: "semi-skimmed milk" })).toBeVisible();
  await page.goto(`${second}/shopping`);
  await expect(page.getByText("one cupboard, one list", { exact: false })).toBeVisible();
  const csv = await (await page.request.get(`${base}/shopping.csv`)).text();
  expect(csv.split("\r\n")[0]).toBe(
    "section,what,needed g,needed pieces,on hand g,buy g,buy pieces,packs,left over,price",
  );
  expect(csv).toContain("baking paper");
});

test("labels: a roll that runs out, a jam, one printed again; and the same on paper", async ({ page }) => {
  const base = await bringIn(page, "Junior squad breakfast", "Labelled");
  await page.goto(`${base}/kit-labels`);
  // A full roll looks the same before and after "New roll": what is waited for is the answer, not the sentence.
  const press = async (name: string) => {
    const answered = page.waitForResponse((response) => response.request().method() === "POST");
    await page.getByRole("button", { name }).click();
    await answered;
  };
  await press("New roll");
  await expect(page.getByText("24 labels on the roll", { exact: false })).toBeVisible();
  await press("Print what is missing");
  await expect(page.getByText("24 printed. The roll is empty.", { exact: false })).toBeVisible();
  await press("New roll");
  await expect(page.getByText("24 labels on the roll", { exact: false })).toBeVisible();
  await press("Jam it");
  await expect(page.getByText("jammed, 24 labels", { exact: false })).toBeVisible();
  await press("Print what is missing");
  await expect(page.getByText("0 printed. The printer is jammed.", { exact: false })).toBeVisible();
  await press("Clear the jam");
  await expect(page.getByRole("button", { name: "Jam it" })).toBeVisible();
  await page.getByRole("button", { name: "Print again: Stroke, plain wheat flour" }).click();
  await expect(page.getByText("1 printed.")).toBeVisible();

  const pdf = await page.request.get(`${base}/kit-labels.pdf?sheet=letter-2x5&skip=3`);
  expect(pdf.headers()["content-type"]).toBe("application/pdf");
  const body = await pdf.body();
  expect(body.subarray(0, 5).toString()).toBe("%PDF-");
  // 55 labels, three places used up, ten to a page.
  expect(body.toString("latin1").match(/\/Type\s*\/Page[^s]/g)).toHaveLength(6);
  await page.goto(`${base}/kit-labels?sheet=a4-2x4`);
  // The labels come first, and each gets its code.
  await expect(page.locator("[data-part=kit-label] [data-part=code] svg")).toHaveCount(55);
  await expect(page.getByRole("link", { name: /Sheet to print/ })).toHaveAttribute("href", /sheet=a4-2x4&skip=0/);
});

test("ways of putting kits together stand side by side; taking one changes the plan", async ({ page }) => {
  const base = await bringIn(page, "Junior squad breakfast", "Another way");
  await page.goto(`${base}/kits`);
  const modes = page.getByRole("table").filter({ hasText: "How kits come" });
  await expect(modes.getByRole("row", { name: /everything pre-measured/ })).toContainText("current");
  await modes
    .getByRole("row", { name: /dry mix ready/ })
    .getByRole("button", { name: "use this" })
    .click();
  await expect(modes.getByRole("row", { name: /dry mix ready/ })).toContainText("current");
  await page.goto(`${base}/prep`);
  await expect(page.getByText(/Mix .* of dry mix for Slipway pancakes/).first()).toBeVisible();
  await page
    .getByLabel(/^Who does it: Mix/)
    .first()
    .fill("Tobin");
  await page
    .getByRole("row", { name: /Mix .* dry mix for Slipway pancakes \(/ })
    .getByRole("button", { name: "keep" })
    .click();
  await expect(page.getByLabel(/^Who does it: Mix/).first()).toHaveValue("Tobin");
  await page.goto(`${base}/kits`);
  const eggs = page.getByRole("table").filter({ hasText: "Half an egg" });
  await eggs
    .getByRole("row", { name: /round up to whole eggs/ })
    .getByRole("button", { name: "use this" })
    .click();
  await expect(eggs.getByRole("row", { name: /round up to whole eggs/ })).toContainText("current");
});

test("a kitchen with too weak circuits says what cannot be plugged in; a measured pan says how many fit", async ({
  page,
}) => {
  await page.goto("/kitchens/new");
  await page.getByLabel("Name", { exact: true }).fill("Rowing shed");
  await page.getByLabel("Surface 1").fill("Griddle");
  await page.getByLabel("Kind").first().selectOption("electric-griddle");
  await page.getByLabel("Pieces a load").first().fill("8");
  await page.getByLabel("How many").first().fill("2");
  await page.getByLabel("Watts each").first().fill("1400");
  await page.getByLabel("Shape").first().selectOption("rect");
  await page.getByLabel("Across, cm").first().fill("35");
  await page.getByLabel("Circuit 1").fill("The only wall");
  await page.getByLabel("Volts").first().fill("120");
  await page.getByLabel("Breaker, A").first().fill("15");
  await page.getByRole("button", { name: "Save the kitchen" }).click();
  await expect(page.getByText("Measure how deep it is, or choose round.")).toBeVisible();
  await expect(page.getByText("Give how many sockets it has.")).toBeVisible();
  await page.getByLabel("Deep, cm").first().fill("24");
  await page.getByLabel("Sockets").first().fill("3");
  await page.getByRole("button", { name: "Save the kitchen" }).click();
  await expect(page.getByRole("row", { name: /Rowing shed/ })).toBeVisible();

  const base = await bringIn(page, "Junior squad breakfast", "In the shed");
  await page.goto(`${base}/brief`);
  await page.getByLabel("Kitchen").selectOption({ label: "Rowing shed" });
  await page.getByRole("button", { name: "Save the brief" }).click();
  await expect(page.getByText("Saved.")).toBeVisible();
  await page.goto(`${base}/gear`);
  await expect(
    page.getByText("Griddle 2 would have no socket that may run for hours.", { exact: false }),
  ).toBeVisible();
  await expect(page.getByText("1,400 of 1,440 W")).toBeVisible();
  await expect(page.getByText("by size, at most 8")).toBeVisible();
});

test("the sketch of a room: things are put in, moved by the keyboard, named, and kept", async ({ page }) => {
  await page.goto("/kitchens");
  await page.getByRole("link", { name: "Long hall, folding tables" }).click();
  await page.getByRole("link", { name: "Sketch of the room" }).click();
  await page.getByRole("button", { name: "+ table set apart" }).click();
  const mark = page.getByRole("group", { name: "Sketch of the room" }).getByRole("button", { name: "table set apart" });
  await mark.focus();
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("ArrowRight");
  await expect(page.getByText("5.5 m from the left, 3 m from the top")).toBeVisible();
  // What was drawn and not kept is not left behind unasked.
  await page.getByRole("link", { name: "The kitchen" }).click();
  await page.getByRole("dialog", { name: "Leave what you typed?" }).getByRole("button", { name: "Stay here" }).click();
  await page.getByLabel("Name of the table set apart").fill("By the window");
  await page.getByRole("button", { name: "Save the sketch" }).click();
  await page.waitForURL(/kept/);
  await page.getByRole("link", { name: "The kitchen" }).click();
  await page.getByRole("link", { name: "Sketch of the room" }).click();
  await expect(page.getByRole("button", { name: "By the window" })).toBeVisible();
  await expect(page.getByText("5.5 m from the left, 3 m from the top")).toBeVisible();
});

test("from a planned class to every sheet on paper in three clicks; blades are counted back", async ({ page }) => {
  const base = await bringIn(page, "Masters' crepe morning", "All on paper");
  await page.goto(`${base}/brief`);
  await page.getByRole("link", { name: /Shopping and kits/ }).click();
  await page.locator("[data-part=sheet-head]").getByRole("button", { name: "More" }).click();
  await page.getByRole("menuitem", { name: "All sheets" }).click();
  await expect(page.getByRole("button", { name: "Print all sheets" })).toBeVisible();
  for (const heading of ["Shopping", "Station cards", "Kits", "Gear", "Load list", "Run sheet"])
    await expect(page.getByRole("heading", { name: heading, level: 2, exact: true })).toBeVisible();
  // Far down the page: it comes alive when somebody comes there.
  const taken = page.waitForResponse(
    (answer) => answer.request().method() === "POST" && answer.url().endsWith("/ticks"),
  );
  await page.getByLabel("crate 2 is in the car").check();
  expect((await taken).ok()).toBe(true);
  const paper = await page.pdf({ preferCSSPageSize: true, printBackground: true });
  expect((paper.toString("latin1").match(/\/Type\s*\/Page[^s]/g) ?? []).length).toBeGreaterThanOrEqual(6);

  await page.goto(`${base}/load`);
  await page.getByLabel("crate 1 is in the car").check();
  await expect(page.getByText("all saved")).toBeVisible();
  await page.reload();
  await expect(page.getByLabel("crate 1 is in the car")).toBeChecked();
  await expect(page.getByLabel("crate 2 is in the car")).toBeChecked();
});

test("what is no tick is refused with a sentence, and nothing is kept", async ({ page }) => {
  const base = await bringIn(page, "Junior squad breakfast", "Refused ticks");
  const post = (data: unknown) => page.request.post(`${base}/ticks`, { data: data as object, headers: origin });
  const tick = { id: crypto.randomUUID(), at: 1, list: "packing", key: "s1/dry/flour", isOn: true };
  for (const events of [
    [],
    [{ ...tick, list: "wishes" }],
    [{ ...tick, id: "1" }],
    [{ ...tick, key: "" }],
    [{ ...tick, more: 1 }],
  ]) {
    const answer = await post({ events });
    expect(answer.status()).toBe(400);
    expect(((await answer.json()) as { problem: string }).problem).toContain("Not understood");
  }
  expect((await post({ events: [tick, tick] })).status()).toBe(200);
  expect((await post({ events: [tick] })).status()).toBe(200);
  const kept = (await (await page.request.get(`${base}/ticks`)).json()) as { events: unknown[] };
  expect(kept.events).toHaveLength(1);
});
