import { bringIn, expect, importClass, test } from "./fixtures";

test("house rules: who of which age may do what is chosen, followed by the turns, printed, and taken back", async ({
  page,
}) => {
  const base = await bringIn(page, "Junior squad breakfast", "Ruled");
  await page.goto(`${base}/people/turns`);
  // Those who have answered are given what they may have; before, this page was not told.
  await expect(page.getByText("an adult beside").first()).toBeVisible();
  await expect(page.getByText("by the house rules")).toHaveCount(0);

  await page.getByRole("link", { name: "House rules" }).click();
  const heat = page.getByLabel("Stand at the heat and pour, 6–11");
  await expect(heat).toHaveValue("beside");
  await heat.selectOption("no");
  await page.getByRole("button", { name: "Save the rules" }).click();
  await expect(page.getByText("Saved.")).toBeVisible();
  await expect(heat).toHaveValue("no");
  await page.getByRole("link", { name: "Turns" }).click();
  await expect(page.getByText("by the house rules does not stand at the heat").first()).toBeVisible();

  await page.goto(`${base}/house`);
  await page.getByRole("button", { name: "Take back the last change" }).click();
  await expect(page.getByText("Taken back.")).toBeVisible();
  await expect(heat).toHaveValue("beside");
  await expect(page.getByRole("button", { name: "Take back the last change" })).toHaveCount(0);

  const odd = await page.request.post(`${base}/house`, {
    form: { intent: "save", version: "1", "heat 6-11": "perhaps" },
    headers: { Origin: new URL(page.url()).origin },
  });
  expect(odd.status()).toBe(400);
});

test("cautions come by themselves, are left out only with a reason, and come back; turn and done are two looks", async ({
  page,
}) => {
  await page.goto("/recipes/slipway-pancakes/edit");
  const cook = page.getByRole("listitem", { name: "Step 5" });
  await cook.getByText("cautions:", { exact: false }).click();
  await cook.getByLabel("Why “fingers at an edge” is left out").fill("tongs on every table");
  const says = page.getByLabel("To look at", { exact: true });
  await expect(says.getByText("Because: tongs on every table.", { exact: false })).toBeVisible();
  await says.getByRole("button", { name: "Show the caution again" }).click();
  await expect(says.getByText("Because: tongs on every table.", { exact: false })).toHaveCount(0);
  await expect(page.getByRole("group", { name: "Turn when" })).toBeVisible();
  await expect(page.getByRole("group", { name: "Done when" })).toBeVisible();

  await page.goto("/recipes/slipway-pancakes");
  await expect(page.getByText("fingers never lift an edge", { exact: false })).toHaveCount(1);
  await expect(page.getByText("Stop while there are still lumps", { exact: false })).toHaveCount(1);
  await expect(
    page.getByRole("row", { name: /^spreads flat batter too thin stir in \d+ g of plain wheat flour/ }),
  ).toBeVisible();
});

test("labels to take home say what is in it, until when and how it is kept; an odd number is said and one each is laid out", async ({
  page,
}) => {
  const base = await bringIn(page, "Junior squad breakfast", "Taken home");
  await page.goto(`${base}/take-home`);
  const labels = page.locator("[data-part=take-home]");
  const all = await labels.count();
  expect(all).toBeGreaterThan(1);
  await expect(labels.first()).toContainText("Ingredients: whole milk (milk), plain wheat flour (wheat)");
  await expect(labels.first()).toContainText("Label not read of");
  await expect(labels.first()).toContainText("Eat by Mon");
  await expect(labels.first()).toContainText("Local food rules come first.");
  await page.getByLabel("Labels of each dish, 1 to 60").fill("3");
  await page.getByRole("button", { name: "Lay out" }).click();
  // As written, and without milk: three of each.
  await expect(labels).toHaveCount(6);
  await page.getByLabel("Labels of each dish, 1 to 60").fill("many");
  await page.getByRole("button", { name: "Lay out" }).click();
  await expect(page.getByText("“many” is no whole number from 1 to 60", { exact: false })).toBeVisible();
  await expect(labels).toHaveCount(all);
});

test("a filling is a part of its own on card, bar and label; gear that is used up is bought; ages and tools are entered by hand", async ({
  page,
}) => {
  const base = await importClass(page, "c22-filled-pairs");
  await page.goto(`${base}/amounts`);
  const card = page.getByRole("region", { name: "Heron" });
  await expect(card.getByRole("rowheader", { name: "For the nut filling" })).toBeVisible();
  await expect(card).toContainText("Nut filling: Let it thicken over a low heat.");
  await expect(card).toContainText("Butter spits when it comes hot from the microwave");
  await expect(card).toContainText("This oil smokes on a surface this hot");
  await page.goto(`${base}/shopping`);
  const gloves = page.getByRole("listitem").filter({ hasText: "pair of thin gloves" });
  await expect(gloves).toContainText("9");
  await gloves.getByRole("checkbox").check();
  await expect(page.getByText("1 of", { exact: false }).first()).toBeVisible();
  await page.goto(`${base}/take-home`);
  await expect(page.locator("[data-part=take-home]").first()).toContainText("chopped walnuts (walnut)");
  await page.goto(`${base}/toppings`);
  await expect(page.locator("[data-part=take-home]")).toHaveCount(2);
  await expect(
    page.locator("[data-part=take-home]").filter({ has: page.getByRole("heading", { name: "Nut filling" }) }),
  ).toContainText("At each table");

  // Somebody is younger than was written down: six to eight stand at no heat.
  await page.goto(`${base}/people`);
  await page.getByRole("link", { name: "Bo Reed" }).click();
  await page.getByLabel("Age", { exact: true }).selectOption({ label: "6–8" });
  await page.getByRole("button", { name: /^Save/ }).first().click();
  await page.goto(`${base}/people/turns`);
  await expect(page.getByText("by the house rules does not stand at the heat").first()).toBeVisible();
  await page.goto(`${base}/house`);
  await expect(page.getByLabel("Turn a piece, 6–8")).toHaveValue("no");
  await expect(page.getByLabel("Turn a piece, 9–11")).toHaveValue("beside");

  await page.goto("/recipes/slipway-pancakes/edit");
  const step = page.getByRole("listitem", { name: "Step 1" });
  await step.getByText("cautions", { exact: false }).first().click();
  await step.getByRole("group", { name: "Gear" }).getByLabel("microwave").check();
  await step.getByRole("group", { name: "Gear" }).getByLabel("table knife").check();
  await expect(step.getByText("microwave", { exact: false }).first()).toBeVisible();
});
