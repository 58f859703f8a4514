import { readFile } from "node:fs/promises";
import type { Page } from "@playwright/test";
import { bringIn, expect, ownClass, test } from "./fixtures";

const pasted = (title: string) => `${title}
Makes 9
Ingredients
1 cup flour
2 tsp baking powder
1 tbsp sugar
8 oz milk
1 egg
butter for the pan
Method
1. Whisk flour, baking soda and sugar.
2. Beat in the egg and the milk.
3. Cook on a hot griddle until bubbles stay open, 2-3 minutes.`;

/** Pastes a recipe and stops at the page where it is looked through. */
async function paste(page: Page, text: string, system?: string): Promise<void> {
  await page.goto("/recipes/bring-in");
  await page.getByLabel("The recipe").fill(text);
  if (system) await page.getByLabel("Its cups and spoons are").selectOption(system);
  await page.getByRole("button", { name: "Show me how you read it" }).click();
  await expect(page.getByRole("heading", { name: "Look it through" })).toBeVisible();
}

test("a pasted recipe: what is open is asked, what is wrong is mended, and it is kept, changed, compared and restored", async ({
  page,
}) => {
  await paste(page, pasted("Jetty pancakes"));
  const notes = page.getByRole("complementary", { name: "To look at" });
  const lines = page.getByRole("region", { name: "List" }).getByRole("listitem");
  await expect(lines).toHaveCount(6);

  // Whose cups, which flour, which ounce: asked, and nothing is kept until they are answered.
  await page.getByRole("button", { name: "Save the recipe" }).click();
  await expect(page.getByText("Not saved yet")).toBeVisible();
  await page.getByLabel("Measured in").selectOption("us");
  await lines.first().getByRole("button", { name: "plain wheat flour", exact: true }).click();
  await expect(lines.first().getByLabel("Ingredient")).toHaveValue("plain wheat flour");
  await expect(lines.nth(3)).toContainText("by weight or fluid?");
  await lines.nth(3).getByLabel("Amount", { exact: true }).fill("8 US fl oz");
  await expect(lines.nth(3)).not.toContainText("by weight or fluid?");

  // The method says soda, the list has powder: the finding offers both ways out, and undo takes either back.
  await expect(notes).toContainText("The method says baking soda");
  await notes.getByRole("button", { name: "Use what is listed in this step" }).click();
  await expect(notes).not.toContainText("The method says baking soda");
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(notes).toContainText("The method says baking soda");
  await page.getByRole("button", { name: "Redo" }).click();
  await expect(notes).not.toContainText("The method says baking soda");
  await page.keyboard.press("Control+z");
  await page.keyboard.press("Control+Shift+z");
  await expect(notes).not.toContainText("The method says baking soda");

  await page.getByRole("button", { name: "Save the recipe" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Jetty pancakes" })).toBeVisible();
  await expect(page.getByText("How much butter?")).toBeVisible();

  // Said to be rehearsed, by whom and with what seen.
  await page.getByLabel("Revision 1 was").selectOption("rehearsed");
  await page.getByPlaceholder("what you saw").fill("spread well");
  await page.getByRole("button", { name: "Mark it" }).click();
  await expect(page.getByText(/rehearsed: Marit Quill.*“spread well”/)).toBeVisible();

  // A second revision, a draft again; the two side by side; the first back as the third.
  await page.getByRole("link", { name: "Edit" }).click();
  await page
    .getByRole("region", { name: "List" })
    .getByRole("listitem")
    .nth(2)
    .getByLabel("Amount", { exact: true })
    .fill("2 tbsp");
  await page.getByLabel("Add a line as you would say it").fill("1/4 tsp fine salt");
  await page.getByRole("button", { name: "Add", exact: true }).click();
  await expect(page.getByText("fine table salt is listed but no step uses it", { exact: false })).toBeVisible();
  await page.getByRole("button", { name: "Use it in the first mixing step" }).click();
  await page.getByRole("button", { name: "Save as revision 2" }).click();
  await expect(page.getByText(/draft, revision 2/)).toBeVisible();
  await page.getByRole("link", { name: "Compare with 2" }).click();
  await expect(page.getByRole("row", { name: /granulated sugar.*amount/ })).toContainText("1 tbsp");
  await expect(page.getByRole("row", { name: /granulated sugar.*amount/ })).toContainText("2 tbsp");
  await page.getByRole("link", { name: "Back to the recipe" }).click();
  await page.getByRole("button", { name: "Make it the newest again" }).click();
  await expect(page.getByText(/revision 3$/)).toBeVisible();
});

test("two who write at once: the second is told, and keeps a revision of their own", async ({
  page,
  browser,
  baseURL,
  assistantState,
}) => {
  await paste(
    page,
    pasted("Regatta rounds").replace("1 cup flour", "1 cup plain flour").replace("8 oz milk", "1 cup milk"),
    "us",
  );
  await page.getByRole("button", { name: "Save the recipe" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Regatta rounds" })).toBeVisible();
  const address = new URL(page.url()).pathname;
  const other = await browser.newContext({ ...(baseURL ? { baseURL } : {}), storageState: assistantState });
  const second = await other.newPage();
  await second.goto(`${address}/edit`);
  await page.goto(`${address}/edit`);
  await page.getByLabel("Recipe", { exact: true }).fill("Regatta rounds, thinner");
  await page.getByRole("button", { name: "Save as revision 2" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Regatta rounds, thinner" })).toBeVisible();
  await second.getByLabel("Recipe", { exact: true }).fill("Regatta rounds, thicker");
  await second.getByRole("button", { name: "Save as revision 2" }).click();
  await expect(second.getByText("Somebody saved revision 2 while you were writing.")).toBeVisible();
  await expect(second.getByLabel("Recipe", { exact: true })).toHaveValue("Regatta rounds, thicker");
  await second.getByRole("button", { name: "Save as revision 3" }).click();
  await expect(second.getByRole("heading", { level: 1, name: "Regatta rounds, thicker" })).toBeVisible();
  await other.close();
});

test("what was typed and not kept waits in the browser and is offered again", async ({ page }) => {
  await page.goto("/recipes/towpath-crepes/edit");
  await page.getByLabel("What to know first").fill("Half a thought");
  await page.reload();
  await expect(page.getByText("What you typed here last was not saved.")).toBeVisible();
  await page.getByRole("button", { name: "Go on with it" }).click();
  await expect(page.getByLabel("What to know first")).toHaveValue("Half a thought");
});

test("a line is dragged onto a step, and dropped there by the keyboard's menu too", async ({ page }) => {
  await page.goto("/recipes/new");
  await page.getByLabel("Measured in").selectOption("metric");
  for (const line of ["200 g plain flour", "2 eggs"]) {
    await page.getByLabel("Add a line as you would say it").fill(line);
    await page.getByRole("button", { name: "Add", exact: true }).click();
  }
  await page.getByRole("button", { name: "Add a step" }).click();
  const step = page.getByRole("listitem", { name: "Step 1" });
  const grip = page.getByRole("button", { name: "Move plain wheat flour, or drop it on a step" });
  const [from, to] = [await grip.boundingBox(), await step.boundingBox()];
  if (!from || !to) throw new Error("the line or the step is not on the page");
  await page.mouse.move(from.x + 8, from.y + 12);
  await page.mouse.down();
  await page.mouse.move(from.x + 40, from.y + 30, { steps: 4 });
  await page.mouse.move(to.x + 120, to.y + 60, { steps: 8 });
  await page.mouse.up();
  await expect(step.getByLabel("Share of plain wheat flour")).toHaveValue("1");
  await step.getByLabel("Step 1 uses").selectOption({ label: "hen's egg" });
  await expect(step.getByLabel("Share of hen's egg")).toHaveValue("1");
});

test("recipes go out and come in: own file, schema.org, the source of a page; what is none says so", async ({
  page,
}) => {
  await page.goto("/recipes/slipway-pancakes");
  const own = page.waitForEvent("download");
  await page.getByRole("button", { name: "Export" }).click();
  await page.getByRole("menuitem", { name: "Recipe file" }).click();
  const file = await readFile(await (await own).path(), "utf8");
  expect(JSON.parse(file)).toMatchObject({ format: "apron-bell-recipe", version: 1 });
  const linked = page.waitForEvent("download");
  await page.getByRole("button", { name: "Export" }).click();
  await page.getByRole("menuitem", { name: "schema.org" }).click();
  const jsonld = await readFile(await (await linked).path(), "utf8");
  expect(JSON.parse(jsonld)).toMatchObject({ "@type": "Recipe", name: "Slipway pancakes" });

  const bring = async (text: string) => {
    await page.goto("/recipes/bring-in");
    await page.getByLabel("The recipe").fill(text);
    await page.getByRole("button", { name: "Show me how you read it" }).click();
  };
  // The same recipe again is the same recipe.
  await bring(file);
  await page.waitForURL(/\/recipes\/slipway-pancakes$/);
  await bring(file.replace('"title": "Slipway pancakes"', '"title": "Slipway pancakes, second hand"'));
  await expect(page.getByRole("heading", { level: 1, name: "Slipway pancakes, second hand" })).toBeVisible();
  await bring(
    `<html><head><script type="application/ld+json">{broken</script><script type="application/ld+json">${jsonld}</script></head></html>`,
  );
  await expect(page.getByRole("heading", { name: "Look it through" })).toBeVisible();
  await expect(page.getByRole("region", { name: "List" }).getByRole("listitem")).toHaveCount(10);
  for (const [text, sentence] of [
    ["", "Nothing came."],
    ['{"a": 1}', "there is no recipe in it"],
    ["<html><body>hello</body></html>", "it carries no recipe data"],
    ["Just a title\nand a thought.", "No ingredient was found"],
    [file.replace('"family": "pancake"', '"family": "doughnut"'), "family"],
  ] as const) {
    await bring(text);
    await expect(page.getByRole("alert")).toContainText(sentence);
    if (text) await expect(page.getByLabel("The recipe")).not.toHaveValue("");
  }
});

test("the bench: one amount moves everything, a swap shows what it brings and leaves, and the outcome goes to the editor", async ({
  page,
}) => {
  await page.goto("/bench?recipe=slipway-pancakes");
  const makes = page.getByRole("region", { name: "What it makes" });
  const looseness = makes.locator("dl > div", { hasText: "Water to flour" });
  await expect(looseness.locator("dd")).toHaveText("1.69");
  await page
    .getByRole("region", { name: "In the bowl" })
    .getByRole("listitem")
    .filter({ has: page.locator('input[value="whole milk"]') })
    .getByLabel("Amount")
    .fill("1 1/2 cups");
  await expect(looseness).toHaveAttribute("data-changed", "");
  await expect(looseness.locator("dd")).toContainText("2.39");
  await expect(makes).toContainText("runnier than the family");
  await page.getByRole("button", { name: "As written" }).click();
  await expect(looseness.locator("dd")).toHaveText("1.69");

  const bowl = page.getByRole("region", { name: "Correct a bowl" });
  await expect(bowl.getByRole("status")).toContainText(/Stir in \d+/);
  await bowl.getByLabel("It is").selectOption("too-thin");
  await expect(bowl.getByRole("status")).toContainText("Sift in");
  await bowl.getByLabel("Still in it").fill("often");
  await expect(bowl.getByRole("status")).toContainText("a share from 0 to 100");

  const swaps = page.getByRole("region", { name: "Swaps" });
  await swaps.getByLabel("Try").selectOption({ label: "Another milk: soy drink for whole milk" });
  await expect(swaps).toContainText("Brings insoy");
  await expect(swaps).toContainText("milk, from butter");
  await expect(swaps).toContainText("to be read: soy drink");
  await swaps.getByRole("button", { name: "Put it on the bench" }).click();
  await page.getByRole("button", { name: "Take it to the editor" }).click();
  await page.waitForURL(/\/edit$/);
  await page.getByRole("button", { name: "Go on with it" }).click();
  await expect(page.locator('input[value="soy drink"]')).toBeVisible();
});

test("an ingredient is added, refused while it contradicts itself, changed by one of two, and taken out", async ({
  page,
  browser,
  baseURL,
  assistantState,
}) => {
  await page.goto("/pantry");
  await page.getByRole("link", { name: "Add an ingredient" }).click();
  await page.getByLabel("Name").fill("boathouse malt");
  await page.getByLabel("Water, %").fill("60");
  await page.getByLabel("Sugar, %").fill("70");
  await page.getByLabel("True density, g/ml").fill("1.3");
  await page.getByRole("button", { name: "Save the ingredient" }).click();
  await expect(page.getByRole("alert")).toContainText("Water, fat and sugar come to 130 %");
  await expect(page.getByLabel("Name")).toHaveValue("boathouse malt");
  await page.getByLabel("Water, %").fill("25");
  await page.getByLabel("barley").check();
  await page.getByRole("button", { name: "Save the ingredient" }).click();
  await page.waitForURL(/\/pantry$/);
  await page.getByLabel("Find").fill("malt");
  await expect(page.getByRole("row", { name: /boathouse malt/ })).toContainText("barley");
  await page.getByRole("link", { name: "boathouse malt" }).click();
  await expect(page.locator("[data-part=notes]")).toContainText("Neither cup, spoon nor piece weight");
  const other = await browser.newContext({ ...(baseURL ? { baseURL } : {}), storageState: assistantState });
  const second = await other.newPage();
  await second.goto(page.url());
  await page.getByLabel("Teaspoon, g").fill("7");
  await page.getByRole("button", { name: "Save the ingredient" }).click();
  await page.waitForURL(/\/pantry$/);
  await second.getByLabel("Teaspoon, g").fill("a lot");
  await second.getByRole("button", { name: "Save the ingredient" }).click();
  await expect(second.getByText("Give the weight of a teaspoon as a number above 0")).toBeVisible();
  await second.getByLabel("Teaspoon, g").fill("8");
  await second.getByRole("button", { name: "Save the ingredient" }).click();
  await expect(second.getByRole("alert")).toContainText("changed this ingredient while you were typing");
  await second.getByRole("button", { name: "Save the ingredient" }).click();
  await second.waitForURL(/\/pantry$/);
  await other.close();
  await page.getByLabel("Find").fill("malt");
  await page.getByRole("link", { name: "boathouse malt" }).click();
  await page.waitForURL(/\/pantry\/[^/?]+$/);
  const ingredient = page.url();
  await page.getByRole("button", { name: "Archive" }).click();
  await page.waitForURL(/\/pantry\?aside=/);
  await page.getByLabel("Find").fill("malt");
  await expect(page.getByRole("row", { name: /boathouse malt/ })).toHaveCount(0);
  // The way back goes along to whatever page follows.
  const slip = page.getByRole("status").filter({ hasText: "“boathouse malt” is archived." });
  await expect(slip).toBeVisible();
  await page.getByRole("link", { name: "Kitchens" }).click();
  await slip.getByRole("button", { name: "Take it back" }).click();
  await page.waitForURL(/\/pantry$/);
  await expect(slip).toHaveCount(0);
  await page.getByLabel("Find").fill("malt");
  await expect(page.getByRole("row", { name: /boathouse malt/ })).toHaveCount(1);
  // Taken back on the page while what draws the slip is still on its way: it has nothing left to offer when it arrives.
  await page.goto(ingredient);
  let arrive: () => void = () => undefined;
  const onItsWay = new Promise<void>((resolve) => (arrive = resolve));
  await page.route(/Toasts-/, async (route) => {
    await onItsWay;
    await route.continue();
  });
  await page.getByRole("button", { name: "Archive" }).click();
  await slip.getByRole("button", { name: "Take it back" }).click();
  await page.waitForURL(/\/pantry$/);
  arrive();
  await expect(page.getByRole("row", { name: /boathouse malt/ })).toHaveCount(1);
  await page.waitForLoadState("networkidle");
  await expect(slip).toHaveCount(0);
});

test("ways to scale side by side, taken over; more at the door says what each station gains", async ({ page }) => {
  const base = await bringIn(page, "Junior squad breakfast", "Scaled breakfast");
  await page.goto(`${base}/scaling`);
  const first = page.getByRole("region").or(page.locator("section")).filter({ hasText: "4 people at Stroke" }).last();
  await expect(first.getByRole("row", { name: /× the recipe/ })).toContainText("1 3⁄4");
  await page.getByLabel("How many more come").selectOption("4");
  await expect(page.getByRole("region", { name: "At the door" })).toContainText("4 stations become 5");
  await expect(page.getByRole("region", { name: "At the door" })).toContainText("new station");
  await page.getByRole("button", { name: "Whole batches" }).click();
  await expect(page.getByRole("button", { name: "Whole batches" })).toBeDisabled();
  await page.goto(`${base}/amounts`);
  await expect(page.getByRole("region", { name: "Station Stroke" })).toContainText("2 × the recipe");
  await page.getByRole("region", { name: "Station Stroke" }).getByText("Weigh it in one bowl").click();
  await expect(page.getByRole("region", { name: "Station Stroke" }).getByText("Left running")).toBeVisible();
  await page.goto(`${base}/scaling`);
  await page.getByRole("button", { name: "Plan for 16" }).click();
  await expect(page.getByText("16 people", { exact: false }).first()).toBeVisible();
});

test("the handout: home size in the reader's cups, on one printed page", async ({ page }) => {
  await page.goto("/recipes/slipway-pancakes/handout");
  await page.getByLabel("The reader has").selectOption({ label: "Australian cups and 20 ml tablespoon" });
  await page.getByLabel("Pieces").fill("6");
  await page.getByRole("button", { name: "Show" }).click();
  await expect(page.getByText(/Australian cups and 20 ml tablespoon, levelled/)).toBeVisible();
  await expect(page.getByText("Local food, fire and electrical codes", { exact: false })).toBeVisible();
  const pdf = await page.pdf({ preferCSSPageSize: true, printBackground: true });
  expect(pdf.toString("latin1").match(/\/Type\s*\/Page[^s]/g)).toHaveLength(1);
});

test("a class is told of a newer revision and keeps its own until somebody chooses", async ({ page }) => {
  await paste(
    page,
    pasted("Mooring cakes")
      .replace("1 cup flour", "1 cup plain flour")
      .replace("8 oz milk", "1 cup milk")
      .replace("baking soda", "baking powder"),
    "us",
  );
  await page.getByRole("button", { name: "Save the recipe" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Mooring cakes" })).toBeVisible();
  const recipe = new URL(page.url()).pathname;
  const base = await ownClass(page, "Masters' crepe morning", "Told of it");
  await page.getByLabel("Recipe", { exact: true }).first().selectOption({ label: "Mooring cakes" });
  await page.getByRole("button", { name: "Save the brief" }).click();
  await expect(page.getByText("Saved.")).toBeVisible();
  await page.goto(`${recipe}/edit`);
  await page.getByLabel("What to know first").fill("Now with a word before it.");
  await page.getByRole("button", { name: "Save as revision 2" }).click();
  await expect(page.getByText(/draft, revision 2$/)).toBeVisible();
  await page.goto(`${base}/recipe`);
  await expect(page.getByText("There is a newer revision of “Mooring cakes”: 2.")).toBeVisible();
});
