import { bringIn, expect, test } from "./fixtures";

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
