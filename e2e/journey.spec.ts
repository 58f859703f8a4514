import { readFile } from "node:fs/promises";
import { bringIn, expect, openClass, settleAllergies, test } from "./fixtures";

test("a class made from nothing: planned, packed, taught and logged", async ({ page }) => {
  await page.goto("/");
  await page.getByRole("link", { name: "New class" }).click();
  await page.getByLabel("Class", { exact: true }).fill("Regatta breakfast");
  await page.getByLabel("People").fill("9");
  await page.getByLabel("Recipe", { exact: true }).selectOption({ label: "Slipway pancakes" });
  await page.getByLabel("Kitchen").selectOption({ label: "Boathouse galley" });
  // A British browser is offered metric cups; this kitchen has American ones.
  await expect(page.getByLabel("Measuring set at the stations")).toHaveValue("metric-usual");
  await page.getByLabel("Measuring set at the stations").selectOption("us-usual");
  const follows = page.getByRole("region", { name: "What follows" });
  await expect(follows.getByText("Pieces made")).toBeVisible();
  await page.getByRole("button", { name: "Make the class" }).click();
  await page.waitForURL(/\/brief$/);
  const base = new URL(page.url()).pathname.replace(/\/brief$/, "");

  // Cause beside consequence: another number, and what changes is marked before anything is saved.
  const stations = follows.locator("dl > div", { hasText: /^Stations/ });
  await expect(stations.locator("dd")).toHaveText("3");
  await page.getByLabel("People").fill("14");
  await expect(stations).toHaveAttribute("data-changed", "");
  await expect(stations.locator("dd")).toContainText("5");
  await expect(follows.getByText("not saved yet")).toBeVisible();
  await stations.getByText("why 5?").click();
  await expect(stations.getByText("14 people at up to 3 to a station.")).toBeVisible();
  await page.reload();
  await expect(stations.locator("dd")).toHaveText("3");
  await page.getByLabel("People").fill("12");
  await page.getByRole("button", { name: "Save the brief" }).click();
  await expect(page.getByText("Saved.")).toBeVisible();
  await expect(stations.locator("dd")).toHaveText("4");

  // People: one by hand, the rest from a list.
  await page.goto(`${base}/people`);
  await page.getByRole("link", { name: "Add a person" }).click();
  await page.getByLabel("Name").fill("Ansel Brook");
  await page.getByLabel("Allergies and diet").selectOption("yes");
  await page.getByLabel("What", { exact: true }).selectOption("milk");
  await page.getByRole("button", { name: "Add to the register" }).click();
  await expect(page.getByText("Give the severity")).toBeVisible();
  await expect(page.getByLabel("Name")).toHaveValue("Ansel Brook");
  await page.getByLabel("Severity").first().selectOption("allergy");
  await page.getByRole("button", { name: "Add to the register" }).click();
  await expect(page.getByRole("cell", { name: "milk (allergy)" })).toBeVisible();
  await page.locator("[data-part=sheet-head]").getByRole("button", { name: "More" }).click();
  await page.getByRole("menuitem", { name: "Import a list" }).click();
  await page
    .getByLabel("Or paste the rows here")
    .fill("name,age,answered,avoids\nBea Cove,6-11,yes,\nCal Dune,6-11,no,\nDot Elm,12-17,yes,sesame: allergy");
  await page.getByRole("button", { name: "Show me how you read it" }).click();
  await expect(page.getByText("3 people, as understood")).toBeVisible();
  await page.getByRole("button", { name: "Add these 3 people" }).click();
  await expect(page.getByRole("link", { name: "Dot Elm" })).toBeVisible();

  // Allergies: milk is in it whatever is read; sesame is unknown until every label was.
  await page.goto(`${base}/allergies`);
  const rowOf = (name: string) => page.getByRole("row", { name });
  await expect(rowOf("Ansel Brook")).toContainText("contains");
  await expect(rowOf("Dot Elm")).toContainText("unknown");
  await expect(rowOf("Cal Dune")).toContainText("Has not answered yet");
  for (let left = 20; left > 0 && (await page.getByRole("link", { name: "Read the label" }).count()) > 0; left -= 1) {
    await page.getByRole("link", { name: "Read the label" }).first().click();
    await page.getByLabel("What the packet is called").fill("house brand");
    await page.getByRole("button", { name: "Save what the label says" }).click();
    await page.waitForURL(/\/allergies$/);
  }
  await expect(rowOf("Dot Elm")).toContainText("none declared");
  await settleAllergies(page, new URL(page.url()).pathname.replace(/\/allergies.*$/, ""));
  await expect(page.getByText(/Signed off by Marit Quill/)).toBeVisible();

  // Amounts, kits and gear.
  await page.goto(`${base}/amounts`);
  const card = page.getByRole("region", { name: "Station Heron" });
  await expect(card.getByRole("row", { name: /baking powder/ })).toContainText("1 tbsp");
  await expect(card.getByRole("row", { name: /whole milk/ })).toContainText("apart, if needed");
  await page.goto(`${base}/kits`);
  await expect(page.getByText(/\d+ containers, 0 packed/)).toBeVisible();
  await page.getByRole("button", { name: "Sign off shopping and kits" }).click();
  await expect(page.getByRole("link", { name: "Shopping and kits signed off" })).toBeVisible();
  await page.goto(`${base}/gear`);
  await expect(page.getByRole("row", { name: /^whisk/ })).toContainText("5");

  // Timeline, then the room.
  await page.goto(`${base}/timeline`);
  await expect(page.getByText(/to spare|over\./).first()).toBeVisible();
  const calendar = page.waitForEvent("download");
  await page.getByRole("button", { name: "Export" }).click();
  await page.getByRole("menuitem", { name: "For a calendar" }).click();
  expect(await readFile(await (await calendar).path(), "utf8")).toContain("SUMMARY:Regatta breakfast");
  await page.getByRole("link", { name: "Teach this class" }).click();
  await page.getByRole("button", { name: "Start the class" }).click();
  await page.getByRole("button", { name: "Ring: Gather: mixing" }).click();
  await expect(page.getByText("Spoons down. Come and watch the bowl.")).toBeVisible();
  await page.getByRole("region", { name: "Heron" }).getByRole("button", { name: "Stuck" }).click();
  await page.getByRole("region", { name: "Otter" }).getByRole("button", { name: "Otter: one more piece" }).click();
  await page.getByLabel("Note for the log").fill("plug behind the piano is dead");
  await page.getByRole("button", { name: "Note", exact: true }).click();
  await expect(page.getByText("all saved")).toBeVisible();
  await page.reload();
  await expect(page.getByText("Now: Gather: mixing")).toBeVisible();
  await expect(page.getByRole("region", { name: "Heron" })).toContainText("stuck");
  await expect(page.getByRole("region", { name: "Otter" })).toContainText("1 of");
  while (await page.getByRole("button", { name: /^Ring:/ }).isVisible())
    await page.getByRole("button", { name: /^Ring:/ }).click();
  await page.getByRole("button", { name: "End the class" }).click();
  await expect(page.getByText("all saved")).toBeVisible();
  await page.getByRole("link", { name: "Open the log" }).click();

  // The log: actual beside planned, kept, and out as a file.
  await expect(page.getByRole("row", { name: /^Mix/ })).not.toContainText("–");
  await expect(page.getByText("plug behind the piano is dead")).toBeVisible();
  await page.getByLabel("Pieces made").fill("31");
  await page.getByLabel("What to do differently").fill("Bring a second cord.");
  await page.getByRole("button", { name: "Save the log" }).click();
  await expect(page.getByText("Kept.", { exact: true })).toBeVisible();
  await expect(page.getByRole("link", { name: "Teach signed off" })).toBeVisible();
  await expect(page.getByRole("link", { name: "Log signed off" })).toBeVisible();
  const csv = page.waitForEvent("download");
  await page.getByRole("link", { name: "CSV" }).click();
  const saved = await csv;
  expect(saved.suggestedFilename()).toBe("regatta-breakfast-log.csv");
  expect(await readFile(await saved.path(), "utf8")).toMatch(/pieces made,,,,31,,Bring a second cord\./);
  await page.goto("/?find=Regatta");
  await expect(page.getByRole("row", { name: /Regatta breakfast/ })).toContainText("logged");
});

test("a kitchen is added, changed, and found by the brief", async ({ page }) => {
  await page.goto("/kitchens");
  await page.getByRole("link", { name: "Add a kitchen" }).click();
  await page.getByLabel("Name", { exact: true }).fill("Garden with a hob");
  await page.getByLabel("Surface 1").fill("Camping hob");
  await page.getByLabel("Kind").first().selectOption("hob-pan");
  await page.getByRole("button", { name: "Save the kitchen" }).click();
  await expect(page.getByText("Say how many pieces cook on it at once.")).toBeVisible();
  await page.getByLabel("Pieces a load").first().fill("3");
  await page.getByLabel("How many").first().fill("2");
  await page.getByLabel("whisk").fill("5");
  await page.getByRole("button", { name: "Save the kitchen" }).click();
  await expect(page.getByRole("row", { name: /Garden with a hob/ })).toContainText("2 × Camping hob");
  await page.getByRole("link", { name: "Garden with a hob" }).click();
  await expect(page.getByLabel("whisk")).toHaveValue("5");
  await page.getByLabel("Sinks").fill("0");
  await page.getByRole("button", { name: "Save the kitchen" }).click();
  await expect(page.getByRole("row", { name: /Garden with a hob/ })).toBeVisible();
  await page.goto("/classes/new");
  await page.getByLabel("Recipe", { exact: true }).selectOption({ label: "Oarlock waffles" });
  await page.getByLabel("Kitchen").selectOption({ label: "Garden with a hob" });
  await expect(page.getByText("Oarlock waffles wants waffle iron; this kitchen has none.")).toBeVisible();
});

test("the keys at the desk: a sheet of them, stages by number, nothing while typing", async ({ page }) => {
  await page.goto("/?find=Masters");
  await page.getByRole("link", { name: "Masters' crepe morning" }).click();
  await page.waitForURL(/\/brief$/);
  await page.getByLabel("Class", { exact: true }).pressSequentially("5?");
  await expect(page).toHaveURL(/\/brief$/);
  await page.getByRole("heading", { name: "Brief" }).click();
  await page.keyboard.press("?");
  await expect(page.getByRole("dialog", { name: "Help and keys" })).toBeVisible();
  await page.keyboard.press("Escape");
  await page.keyboard.press("6");
  await page.getByRole("button", { name: "Leave without saving" }).click();
  await expect(page).toHaveURL(/\/gear$/);
  await expect(page.getByRole("heading", { name: "Gear", exact: true })).toBeVisible();
  await expect(page.getByRole("dialog")).toHaveCount(0);
  await page.keyboard.press("9");
  await expect(page).toHaveURL(/\/log$/);
});

test("what was typed and not saved is not left behind unasked; the focus goes with the page", async ({ page }) => {
  await page.goto("/?find=Masters");
  await page.getByRole("link", { name: "Masters' crepe morning" }).click();
  await page.waitForURL(/\/brief$/);
  await page.getByLabel("Helpers").fill("3");
  await page.getByRole("link", { name: /^Gear/ }).click();
  await expect(page.getByRole("dialog", { name: "Leave what you typed?" })).toBeVisible();
  await page.getByRole("button", { name: "Stay here" }).click();
  await expect(page.getByLabel("Helpers")).toHaveValue("3");
  await page.getByRole("link", { name: /^Gear/ }).click();
  await page.getByRole("button", { name: "Leave without saving" }).click();
  await expect(page).toHaveURL(/\/gear$/);
  await expect(page.getByRole("heading", { name: "Gear", exact: true })).toBeFocused();
  await expect(page).toHaveTitle(/^Gear · Masters' crepe morning/);
});

test("the head of a class leaves the page to the work; its bell line opens on press", async ({ page }) => {
  const base = await openClass(page, "Junior squad breakfast");
  for (const stage of ["recipe", "brief", "allergies", "amounts", "kits", "gear"]) {
    await page.goto(`${base}/${stage}`);
    const head = await page.getByRole("navigation", { name: "Stages of the class" }).boundingBox();
    const title = await page.getByRole("heading", { level: 1 }).boundingBox();
    const bottom = (head?.y ?? 0) + (head?.height ?? 0);
    expect([stage, bottom < 200, bottom - (title?.y ?? 0) <= 150]).toEqual([stage, true, true]);
  }
  // In a hand likewise, and nothing of it lies below a line that stands whole.
  await page.setViewportSize({ width: 390, height: 844 });
  for (const stage of ["brief", "kits", "timeline"]) {
    await page.goto(`${base}/${stage}`);
    const head = await page.getByRole("navigation", { name: "Stages of the class" }).boundingBox();
    const title = await page.getByRole("heading", { level: 1 }).boundingBox();
    const bottom = (head?.y ?? 0) + (head?.height ?? 0);
    expect([stage, bottom < 190, bottom - (title?.y ?? 0) <= 120]).toEqual([stage, true, true]);
  }
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto(`${base}/kits`);
  const fold = page.getByRole("button", { name: "Open the bell line" });
  const before = (await fold.boundingBox())?.height ?? 0;
  await fold.click();
  const open = page.getByRole("button", { name: "Fold the bell line" });
  await expect(open).toContainText("Gather: mixing");
  expect((await open.boundingBox())?.height ?? 0).toBeGreaterThan(before + 20);
  await page.goto(`${base}/timeline`);
  await expect(page.getByRole("img", { name: /^Bell line: Doors/ })).toContainText("Gather: mixing");
});

test("a day is typed as people write it, or pressed in a calendar; what can be read two ways is asked", async ({
  page,
}) => {
  const base = await bringIn(page, "Junior squad breakfast", "Days and times");
  await page.goto(`${base}/brief`);
  const date = page.getByLabel("Date", { exact: true });
  const doors = page.getByLabel("Doors open");
  const save = page.getByRole("button", { name: "Save the brief" });
  await expect(date).toHaveValue(/^\d{1,2} \w{3,4} \d{4}$/);
  await date.fill("3/4/2027");
  await save.click();
  await expect(page.getByText("Write the month as a word, such as 28 Nov 2026", { exact: false })).toBeVisible();
  await expect(date).toHaveValue("3/4/2027");
  await date.fill("April 3rd, 2027");
  await doors.fill("9.45 am");
  await doors.blur();
  await expect(date).toHaveValue("3 Apr 2027");
  await expect(doors).toHaveValue("09:45");

  const opener = page.getByRole("button", { name: "Choose a day from a calendar" });
  await opener.click();
  const calendar = page.getByRole("group", { name: "Calendar" });
  await expect(calendar.getByText("April 2027").first()).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(calendar).toHaveCount(0);
  await expect(opener).toBeFocused();
  await opener.click();
  await calendar.getByRole("button", { name: /17 April 2027/ }).click();
  await expect(calendar).toHaveCount(0);
  await expect(date).toHaveValue("17 Apr 2027");
  await save.click();
  await expect(page.getByText("Saved.", { exact: true })).toBeVisible();
  await expect(page.getByText("Sat 17 Apr, 09:45", { exact: false }).first()).toBeVisible();
});

test("a long list is found in by typing, by hand or keyboard, and the choice is the form's", async ({ page }) => {
  await page.goto("/classes/new");
  const recipe = page.getByLabel("Recipe", { exact: true });
  const opener = page.getByRole("button", { name: "Recipe: find by typing" }).first();
  await opener.click();
  const typed = page.getByRole("combobox", { name: "Recipe: a part of the name" });
  await expect(typed).toBeFocused();
  await typed.fill("LOCK waff");
  // The options of the selects around it are options, too.
  const found = page.getByRole("listbox").getByRole("option");
  await expect(found).toHaveText(["Oarlock waffles"]);
  await page.keyboard.press("Enter");
  await expect(typed).toHaveCount(0);
  await expect(opener).toBeFocused();
  await expect(recipe.locator("option:checked")).toHaveText("Oarlock waffles");
  await opener.click();
  await typed.fill("no such thing");
  await expect(page.getByText("Nothing has “no such thing” in its name.")).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(typed).toHaveCount(0);
  await expect(recipe.locator("option:checked")).toHaveText("Oarlock waffles");
});
