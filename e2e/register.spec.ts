import { bringIn, expect, test, settleAllergies } from "./fixtures";

test.describe("the register", () => {
  test("a person is changed, and taken off", async ({ page }) => {
    const base = await bringIn(page, "Junior squad breakfast", "Register, one by one");
    await page.goto(`${base}/people`);
    await page.getByRole("link", { name: "Juniper Dray" }).click();
    await expect(page.getByLabel("Allergies and diet")).toHaveValue("no");
    await page.getByLabel("Allergies and diet").selectOption("yes");
    await page.getByLabel("Diet", { exact: true }).selectOption("vegan");
    await page.getByRole("button", { name: "Save" }).click();
    await expect(page.getByRole("row", { name: /Juniper Dray/ })).toContainText("vegan");
    await page.getByRole("link", { name: "Pim Castellan" }).click();
    await page.getByText("Take Pim Castellan off the register").click();
    await page.getByRole("button", { name: "Take Pim Castellan off" }).click();
    await expect(page.getByRole("link", { name: "Juniper Dray" })).toBeVisible();
    await expect(page.getByRole("link", { name: "Pim Castellan" })).toHaveCount(0);
    await page.getByText("Taken off the register (1)").click();
    await page.getByRole("button", { name: "Put Pim Castellan back" }).click();
    await expect(page.getByRole("link", { name: "Pim Castellan" })).toBeVisible();
    await expect(page.getByText("Taken off the register (1)")).toHaveCount(0);
  });

  test("of two people changing one person the second is told, keeps their words, and may then save", async ({
    page,
    context,
  }) => {
    const base = await bringIn(page, "Junior squad breakfast", "Register, two at once");
    const other = await context.newPage();
    for (const each of [page, other]) {
      await each.goto(`${base}/people`);
      await each.getByRole("link", { name: "Silas Ember" }).click();
      await expect(each.getByRole("heading", { name: "Silas Ember" })).toBeVisible();
    }
    await other.getByLabel("Age", { exact: true }).selectOption("adult");
    await other.getByRole("button", { name: "Save" }).click();
    await other.waitForURL(/\/people$/);
    await page.getByLabel("Name").fill("Silas Ember-Coal");
    await page.getByRole("button", { name: "Save" }).click();
    await expect(page.getByRole("alert")).toContainText("Somebody changed Silas Ember while you were typing");
    await expect(page.getByLabel("Name")).toHaveValue("Silas Ember-Coal");
    await page.getByRole("button", { name: "Save" }).click();
    await page.waitForURL(/\/people$/);
    await expect(page.getByRole("link", { name: "Silas Ember-Coal" })).toBeVisible();
  });

  test("of a list the good rows are taken, the others named, and the text is kept", async ({ page }) => {
    const base = await bringIn(page, "Junior squad breakfast", "Register, by list");
    await page.goto(`${base}/people/import`);
    const rows = "name,age,avoids\nAda,6-11,\nBo,ancient,moonlight";
    await page.getByLabel("Or paste the rows here").fill(rows);
    await page.getByRole("button", { name: "Show me how you read it" }).click();
    const told = page.getByRole("alert");
    await expect(told).toContainText("Row 3, age: “ancient” is not one of");
    await expect(page.getByLabel("Or paste the rows here")).toHaveValue(rows);
    await page.goto(`${base}/people`);
    await expect(page.getByRole("link", { name: "Ada", exact: true })).toHaveCount(0);
    await page.goto(`${base}/people/import`);
    await page.getByLabel("Or paste the rows here").fill(rows.replace("ancient", "8"));
    await page.getByRole("button", { name: "Show me how you read it" }).click();
    // What nobody can read is kept as words, and somebody has to read them.
    await expect(page.getByText("“moonlight” (to be read)")).toBeVisible();
    await page.getByRole("button", { name: /^Add these 2 people/ }).click();
    await page.waitForURL(/\/people$/);
    await expect(page.getByRole("link", { name: "Bo", exact: true })).toBeVisible();
  });

  test("the register saved as CSV and brought in elsewhere is the same register", async ({ page }) => {
    const base = await bringIn(page, "Junior squad breakfast", "Register, out and in");
    const saved = await page.request.get(`${base}/people.csv`);
    expect(saved.headers()["content-disposition"]).toContain("register-out-and-in-people.csv");
    const csv = await saved.text();
    await page.goto(`${base}/people/import`);
    await page
      .getByLabel("File")
      .setInputFiles({ name: "people.csv", mimeType: "text/csv", buffer: Buffer.from(csv, "utf8") });
    await page.getByRole("button", { name: "Show me how you read it" }).click();
    await expect(page.getByText("14 people, as understood")).toBeVisible();
    await expect(page.getByText(/On the list already, or twice: Wren Adeyo/)).toBeVisible();
    await page.getByRole("button", { name: "Add only those who are not on the list" }).click();
    await page.waitForURL(/\/people$/);
    await expect(page.getByRole("link", { name: "Ottoline Brask" })).toHaveCount(1);
    await page.goto(`${base}/people/import`);
    await page
      .getByLabel("File")
      .setInputFiles({ name: "people.csv", mimeType: "text/csv", buffer: Buffer.from(csv, "utf8") });
    await page.getByRole("button", { name: "Show me how you read it" }).click();
    await page.getByRole("button", { name: "Add these 14 people" }).click();
    await page.waitForURL(/\/people$/);
    await expect(page.getByRole("link", { name: "Ottoline Brask" })).toHaveCount(2);
    await expect(page.getByText("milk (allergy): hives within minutes")).toHaveCount(2);
  });
});

test.describe("settled, and stale", () => {
  test("two more people make what depends on them stale, and the page says what changed", async ({ page }) => {
    const base = await bringIn(page, "Masters' crepe morning", "Two more at the door");
    await page.goto(`${base}/amounts`);
    await page.getByRole("button", { name: "Sign off amounts" }).click();
    await expect(page.getByText(/Signed off by Marit Quill/)).toBeVisible();
    await page.goto(`${base}/brief`);
    await page.getByLabel("People").fill("14");
    await page.getByRole("button", { name: "Save the brief" }).click();
    await expect(page.getByText("Saved.")).toBeVisible();
    await expect(page.getByRole("link", { name: /Amounts changed since sign-off/ })).toBeVisible();
    await page.goto(`${base}/amounts`);
    await expect(page.getByText("people: 12 → 14.")).toBeVisible();
    await page.getByRole("button", { name: "Sign off amounts" }).click();
    await expect(page.getByRole("link", { name: /Amounts signed off/ })).toBeVisible();
    await page.getByRole("button", { name: "Open again" }).click();
    await expect(page.getByText("Not signed off yet.")).toBeVisible();
  });

  test("another packet re-opens the allergy table; until it is read, its plate is unknown", async ({ page }) => {
    const base = await bringIn(page, "Masters' crepe morning", "Another butter");
    await settleAllergies(page, base);
    const sesame = page.getByRole("row", { name: /Leopold Arbour/ });
    await expect(sesame).toContainText("none declared");
    await page.goto(`${base}/labels/butter`);
    await page.getByRole("button", { name: "Another packet came: not read yet" }).click();
    await expect(page.getByText("Changed since sign-off by Marit Quill")).toBeVisible();
    await expect(page.getByText("the label of butter: gone.")).toBeVisible();
    await expect(sesame).toContainText("unknown");
    await page
      .getByRole("row", { name: /^butter/ })
      .getByRole("link", { name: "Read the label" })
      .click();
    await page.getByLabel("What the packet is called").fill("whipped butter");
    await page.getByRole("group", { name: "It says it may contain" }).getByLabel("sesame").check();
    await page.getByRole("button", { name: "Save what the label says" }).click();
    await expect(sesame).toContainText("contains");
    await expect(sesame).toContainText("may contain sesame");
  });

  test("amounts are not settled while the recipe has something in the way", async ({ page, baseURL }) => {
    const base = await bringIn(page, "Masters' crepe morning", "Nothing to pack");
    const file = JSON.parse(await (await page.request.get(`${base}/class-file.json`)).text()) as {
      class: { title: string; dishes: { recipe: { id: string; lines: { amount: unknown }[] } }[] };
    };
    const [line] = file.class.dishes[0]?.recipe.lines ?? [];
    if (!line) throw new Error("the class has a recipe");
    line.amount = { kind: "unknown", said: "a good heap" };
    await page.goto("/classes/import");
    await page.getByLabel("Or paste its text here").fill(JSON.stringify(file));
    await page.getByRole("button", { name: "Import it" }).click();
    await page.waitForURL(/\/brief$/);
    const broken = new URL(page.url()).pathname.replace(/\/brief$/, "");
    await page.goto(`${broken}/amounts`);
    await expect(page.getByText("The recipe says “a good heap”.")).toBeVisible();
    await expect(page.getByRole("button", { name: "Sign off amounts" })).toBeDisabled();
    const forced = await page.request.post(broken, {
      form: { intent: "settle", stage: "amounts" },
      headers: { origin: baseURL ?? "" },
      maxRedirects: 0,
    });
    expect(forced.status()).toBe(409);
  });
});
