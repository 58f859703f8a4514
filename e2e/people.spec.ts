import { bringIn, expect, test, settleAllergies } from "./fixtures";

/** Makes the link of a class and gives its address. */
async function classLink(page: import("@playwright/test").Page, base: string): Promise<string> {
  await page.goto(`${base}/people/intake`);
  await page.getByRole("button", { name: "Make the link" }).click();
  await expect(page.getByRole("img", { name: "The link as a code for phone cameras" })).toBeVisible();
  return (await page.locator("[data-part=link-text]").innerText()).trim();
}

test("a guardian answers for two children on a phone without script; the register knows, and nobody else's answer shows", async ({
  page,
  browser,
}) => {
  const base = await bringIn(page, "Junior squad breakfast", "Asked by link");
  const link = await classLink(page, base);
  const phone = await browser.newContext({
    viewport: { width: 390, height: 844 },
    javaScriptEnabled: false,
    storageState: { cookies: [], origins: [] },
  });
  const there = await phone.newPage();
  await there.goto(link);
  await expect(there.getByRole("heading", { name: "Asked by link" })).toBeVisible();
  for (const name of ["Ottoline Brask", "Nell Harrowgate", "hives"]) await expect(there.getByText(name)).toHaveCount(0);
  await there.getByLabel("Your name").fill("Ives Juster");
  await there.getByLabel("First and last name").fill("clem juster");
  await there.getByRole("button", { name: "Another child" }).click();
  await expect(there.getByLabel("First and last name")).toHaveCount(2);
  await expect(there.getByLabel("First and last name").first()).toHaveValue("clem juster");
  await there.getByRole("button", { name: "Send" }).click();
  await expect(there.getByText("Say whether there is anything to avoid.").first()).toBeVisible();
  await expect(there.getByLabel("Your name")).toHaveValue("Ives Juster");

  const [first, second] = [
    there.locator("[data-part=person-block]").nth(0),
    there.locator("[data-part=person-block]").nth(1),
  ];
  await first.getByLabel("Age").selectOption("6-11");
  await first.getByLabel("Yes, there is something").check();
  await first.getByLabel("Must avoid", { exact: true }).selectOption("sesame");
  await first.getByLabel("Severity").first().selectOption("rescue-medicine");
  await first.getByLabel("Where the rescue medicine").fill("in his coat");
  await second.getByLabel("First and last name").fill("Perry Juster");
  await second.getByLabel("Age").selectOption("under-6");
  await second.getByLabel("Yes, there is something").check();
  await second.getByLabel("Anything else, in your own words").fill("a bit off with strawberries");
  await there.getByRole("button", { name: "Send" }).click();
  await expect(there.getByRole("heading", { name: "Thank you. It is written down." })).toBeVisible();
  await expect(there.getByText("clem juster")).toHaveCount(0);

  await page.goto(`${base}/people`);
  const clem = page.getByRole("row", { name: /Clem Juster/ });
  await expect(clem).toContainText("sesame (carries rescue medicine)");
  await expect(clem).toContainText("in his coat");
  await expect(page.getByRole("row", { name: /Perry Juster/ })).toContainText("(not read yet)");

  // Answered again by somebody else: the first stands, and nothing is known until the two were compared.
  await there.goto(link);
  await there.getByLabel("Your name").fill("Somebody Else");
  await there.getByLabel("First and last name").fill("Clem Juster");
  await there.getByLabel("Age").selectOption("6-11");
  await there.getByLabel("No, nothing").check();
  await there.getByRole("button", { name: "Send" }).click();
  await expect(there.getByRole("alert")).toContainText("Somebody has answered for Clem Juster already");
  await there.getByRole("button", { name: "Send another answer" }).click();
  await expect(there.getByRole("heading", { name: "Thank you. It is written down." })).toBeVisible();
  await page.goto(`${base}/allergies`);
  await expect(page.getByRole("row", { name: /Clem Juster/ })).toContainText("A second answer came in");
  await page.goto(`${base}/people/intake`);
  await page
    .getByRole("row", { name: /Clem Juster/ })
    .getByRole("button", { name: "The first" })
    .click();
  await expect(page.getByText("Compared and settled.")).toBeVisible();

  // Taken back, the link opens nothing, and says so after a while.
  await page.getByRole("button", { name: "take back" }).first().click();
  await expect(page.getByText("The link opens nothing any more.")).toBeVisible();
  const before = Date.now();
  const gone = await there.goto(link);
  expect(gone?.status()).toBe(404);
  expect(Date.now() - before).toBeGreaterThan(500);
  await expect(there.getByText("This link opens nothing.")).toBeVisible();
  await phone.close();
});

test("a reminder lies in the outbox with a link of one's own, which shows one's own answer only and replaces it", async ({
  page,
  browser,
}) => {
  const base = await bringIn(page, "Junior squad breakfast", "Reminded by letter");
  await page.goto(`${base}/people`);
  await page.getByRole("link", { name: "Fay Mosswell" }).click();
  await page.getByLabel("E-mail for reminders").fill("Mosswell@House.example");
  await page.getByRole("button", { name: "Save" }).click();
  await page.waitForURL(/\/people$/);
  await page.goto(`${base}/people/intake`);
  await page.getByRole("button", { name: "Write to the one with an address" }).click();
  await expect(page.getByText("1 letter is in the outbox.")).toBeVisible();
  await page.goto("/outbox");
  const letter = page.locator("details", { hasText: "Reminded by letter: what must Fay Mosswell avoid?" });
  await letter.locator("summary").click();
  const link = /http\S+\/intake\/\S+/.exec(await letter.locator("pre").innerText())?.[0] ?? "";
  const home = await browser.newContext({ storageState: { cookies: [], origins: [] } });
  const there = await home.newPage();
  await there.goto(link);
  await expect(there.getByText("Fay Mosswell")).toBeVisible();
  await expect(there.getByRole("button", { name: "Another child" })).toHaveCount(0);
  await there.getByLabel("Your name").fill("Fay’s mother");
  await there.getByLabel("Age").selectOption("6-11");
  await there.getByLabel("Yes, there is something").check();
  await there.getByLabel("Diet").selectOption("vegan");
  await there.getByRole("button", { name: "Send" }).click();
  await expect(there.getByRole("heading", { name: "Thank you. It is written down." })).toBeVisible();
  await page.goto(`${base}/people`);
  await expect(page.getByRole("row", { name: /Fay Mosswell/ })).toContainText("vegan");
  await there.goto(link);
  await expect(there.getByLabel("Diet")).toHaveValue("vegan");
  await home.close();
});

test("seats: dragged, moved by hand with what that breaks, arranged by the program, saved, and taken back", async ({
  page,
}) => {
  const base = await bringIn(page, "Grown-ups and juniors: waffles", "Seats for families");
  await page.goto(`${base}/people/seats`);
  await expect(page.getByRole("button", { name: "Arrange for me" })).toBeEnabled();
  const tables = page.locator("[data-part=seat-table]");
  const name = tables.nth(0).locator("[data-part=seat-name]").first();
  const who = await name.locator("b").innerText();
  const [from, to] = [await name.boundingBox(), await tables.nth(1).boundingBox()];
  if (!from || !to) throw new Error("nothing to drag");
  await page.mouse.move(from.x + 20, from.y + 10);
  await page.mouse.down();
  await page.mouse.move(from.x + 40, from.y + 20, { steps: 4 });
  await page.mouse.move(to.x + to.width / 2, to.y + 30, { steps: 8 });
  await page.mouse.up();
  await expect(tables.nth(1).getByText(who)).toBeVisible();
  await page.getByRole("button", { name: "Back", exact: true }).click();
  await expect(tables.nth(0).getByText(who)).toBeVisible();

  const sits = page.getByLabel("Pip Cobble sits at");
  const table = await sits.locator("option:checked").innerText();
  const other = (await sits.locator("option").allInnerTexts()).find((name) => name !== table) ?? "";
  await sits.selectOption({ label: other });
  await expect(page.getByText(/Pip Cobble and Noor Cobble belong together, and sit at/).first()).toBeVisible();
  await page.getByRole("button", { name: "Save these seats" }).click();
  await expect(page.getByText("Saved.")).toBeVisible();
  await expect(page.getByLabel("Pip Cobble sits at").locator("option:checked")).toHaveText(other);
  await page.getByRole("button", { name: "Arrange for me" }).click();
  await expect(page.getByText("Mends:")).toBeVisible();
  await page.getByRole("button", { name: "Save these seats" }).click();
  await expect(page.getByText("Saved.")).toBeVisible();
  const pip = await page.getByLabel("Pip Cobble sits at").locator("option:checked").innerText();
  expect(await page.getByLabel("Noor Cobble sits at").locator("option:checked").innerText()).toBe(pip);
  await page.getByRole("button", { name: /^Take back/ }).click();
  await expect(page.getByLabel("Pip Cobble sits at").locator("option:checked")).toHaveText(other);
});

test("one verdict explained, a remedy applied, seen everywhere, and taken back", async ({ page }) => {
  const base = await bringIn(page, "Junior squad breakfast", "A way out for one");
  await page.goto(`${base}/allergies`);
  await page.getByRole("link", { name: "Ottoline Brask" }).click();
  await expect(page.getByRole("heading", { name: /Ottoline Brask: . contains/ })).toBeVisible();
  await expect(page.getByText(/milk reaches the plate\. .* at .* on .* → Anchor at/)).toBeVisible();
  const own = page.getByRole("row", { name: /A station of their own/ });
  await expect(own).toContainText("set apart: Ottoline Brask");
  await own.getByRole("button", { name: "Do this" }).click();
  await page.waitForURL(/\/people\/seats$/);
  await expect(page.locator("[data-part=seat-table][data-apart]")).toContainText("Ottoline Brask");
  await page.goto(`${base}/timeline`);
  await expect(page.getByText("5 stations").or(page.getByText("Heron")).first()).toBeVisible();
  await page.goto(`${base}/allergies`);
  await expect(page.getByRole("row", { name: /Ottoline Brask/ })).not.toContainText("reaches the plate");
  await page.goto(`${base}/people/seats`);
  await page.getByRole("button", { name: /^Take back: A station of their own/ }).click();
  await expect(page.locator("[data-part=seat-table][data-apart]")).toHaveCount(0);
});

test("signed by the lead with name and time; another product, food brought along and other seats make it stale", async ({
  page,
}) => {
  const base = await bringIn(page, "Masters' crepe morning", "Signed and stale");
  const settle = async () => {
    await settleAllergies(page, base);
    await expect(page.getByText(/Signed off by Marit Quill, /)).toBeVisible();
  };
  await settle();
  await page.goto(`${base}/labels/butter`);
  await page.getByLabel("Product", { exact: true }).fill("another butter");
  await page.getByRole("button", { name: "Save what is bought" }).click();
  await expect(page.getByText(/Bought: “another butter”\./)).toBeVisible();
  await page.goto(`${base}/allergies`);
  await expect(page.getByText(/Changed since sign-off by Marit Quill/)).toBeVisible();
  await expect(page.getByText(/another product is bought than the one whose label was read/)).toBeVisible();
  await settle();
  await page.goto(`${base}/allergies/brought/new`);
  await page.getByLabel("What it is").fill("walnut loaf");
  await page.getByLabel("Brought by").fill("Honor Vale");
  await page.getByRole("button", { name: "Add it" }).click();
  await expect(page.getByText(/Changed since sign-off by Marit Quill/)).toBeVisible();
  await expect(page.getByText("no packet read: unknown")).toBeVisible();
  await expect(page.getByRole("row", { name: /Delphine Rusk/ })).toContainText("unknown");
  await settle();
  await page.goto(`${base}/people/seats`);
  await page.locator("select[aria-label$='sits at']").first().selectOption({ index: 2 });
  await page.getByRole("button", { name: "Save these seats" }).click();
  await expect(page.getByText("Saved.")).toBeVisible();
  await page.goto(`${base}/day-sheet/folder`);
  await expect(page.getByText(/Signed by Marit Quill, and changed since/)).toBeVisible();
});

test("the wall sheet has nobody's health, the folder sheet has all of it, and nothing is ever called safe", async ({
  page,
}) => {
  const base = await bringIn(page, "Junior squad breakfast", "Two sheets");
  await page.goto(`${base}/day-sheet/wall`);
  const wall = (await page.locator("article").innerText()).toLowerCase();
  expect(wall).toContain("nell harrowgate");
  for (const word of [
    "hazelnut",
    "allergy",
    "pen",
    "vegetarian",
    "without milk",
    "intolerance",
    "milk (",
    "not answered",
    "unknown",
  ])
    expect(wall, word).not.toContain(word);
  await page.goto(`${base}/day-sheet/folder`);
  const folder = page.locator("article");
  await expect(folder).toContainText("Emergency: 999 or 112");
  await expect(folder).toContainText("pen and plan in the red bag on the hook by the galley door");
  await expect(folder).toContainText("said by Orla Harrowgate, her mother");
  await expect(folder).toContainText("“goes easy on things with bits in”");
  await expect(folder).toContainText("licensed practice come first");
  for (const place of [
    "day-sheet/wall",
    "day-sheet/folder",
    "allergies",
    "allergies/matrix",
    "people/seats",
    "people/turns",
  ]) {
    await page.goto(`${base}/${place}`);
    expect((await page.locator("main").innerText()).toLowerCase(), place).not.toMatch(/\bsafe\b/);
  }
});

test("kept so long and no longer: the day is named, the trail tells who opened what, one person is handed over and removed", async ({
  page,
}) => {
  const base = await bringIn(page, "Junior squad breakfast", "What is kept");
  await page.goto(`${base}/people`);
  await page.goto(`${base}/people/privacy`);
  await page.getByLabel("Days kept after the class").fill("0");
  await page.getByRole("button", { name: "Keep for so long" }).click();
  await expect(page.getByText(/whole number from 1 to 3650/)).toBeVisible();
  await page.getByLabel("Days kept after the class").fill("5");
  await page.getByRole("button", { name: "Keep for so long" }).click();
  await expect(page.getByRole("row", { name: /keeps health data for 5 days/ })).toBeVisible();
  await expect(page.getByRole("row", { name: /Marit Quill opened the register/ }).first()).toBeVisible();
  const href = await page
    .getByRole("row", { name: /^Nell Harrowgate/ })
    .getByRole("link", { name: "what is held" })
    .getAttribute("href");
  const record = await page.request.get(href ?? "");
  expect(record.headers()["content-disposition"]).toContain("nell-harrowgate.person.json");
  const held = await record.text();
  expect(held).toContain("red bag");
  expect(held).not.toContain("Ottoline");
  await page.getByText("Remove it now").click();
  await page.getByRole("button", { name: "Remove the health data of this class for good" }).click();
  await expect(page.getByText(/^Removed .* Names, ages and seats are still here\./)).toBeVisible();
  await page.goto(`${base}/people`);
  await expect(page.getByText("hives within minutes")).toHaveCount(0);
  await expect(page.getByRole("row", { name: /Nell Harrowgate/ })).toContainText("not answered");
});

test.describe("every address by who asks", () => {
  const openToAll = [
    "people",
    "people/seats",
    "people/turns",
    "house",
    "techniques",
    "allergies",
    "allergies/matrix",
    "allergies/brought/new",
    "labels/butter",
    "day-sheet/wall",
    "brief",
    "teach",
    "log",
    "gear",
    "amounts",
    "timeline",
    "kits",
    "shopping",
    "shopping.csv",
    "prep",
    "pack",
    "ticks",
    "kit-labels",
    "take-home",
    "toppings",
    "shapes",
    "helpers",
    "kit-labels.pdf",
    "containers/s1/dry/flour",
    "sheets",
    "load",
    "call",
  ];
  const leadOnly = [
    "people/new",
    "people/import",
    "people/intake",
    "people/privacy",
    "day-sheet/folder",
    "people.csv",
    "class-file.json",
  ];

  test("nobody, an intake link, an assistant and the lead each see what is theirs and no more", async ({
    page,
    browser,
    assistantState,
    baseURL,
  }) => {
    const base = await bringIn(page, "Junior squad breakfast", "By role");
    const link = await classLink(page, base);
    await page.goto(`${base}/people`);
    const personal = (await page.getByRole("link", { name: "Nell Harrowgate" }).getAttribute("href")) ?? "";
    const personId = personal.split("/").at(-1) ?? "";
    const leadsOwn = [...leadOnly, `people/${personId}`, `people/${personId}/record.json`];
    const everyones = [...openToAll, `allergies/${personId}`];
    const at = baseURL ? { baseURL } : {};
    const origin = { origin: baseURL ?? "" };
    const [nobody, assistant] = await Promise.all([
      browser.newContext({ ...at, storageState: { cookies: [], origins: [] } }),
      browser.newContext({ ...at, storageState: assistantState }),
    ]);
    // Whoever came by an intake link has no more than whoever came by none.
    const guest = await browser.newContext({ ...at, storageState: { cookies: [], origins: [] } });
    expect((await guest.request.get(link)).status()).toBe(200);

    for (const path of leadsOwn)
      expect((await page.request.get(`${base}/${path}`)).status(), `lead, ${path}`).toBe(200);
    for (const path of [...everyones, ...leadsOwn]) {
      for (const [who, context] of [
        ["nobody", nobody],
        ["guest", guest],
      ] as const) {
        const answer = await context.request.get(`${base}/${path}`, { maxRedirects: 0 });
        expect(answer.status(), `${who}, ${path}`).toBe(302);
        const post = await context.request.post(`${base}/${path}`, {
          form: { intent: "x" },
          headers: origin,
          maxRedirects: 0,
        });
        expect([302, 405], `${who} posts, ${path}`).toContain(post.status());
      }
    }
    for (const path of everyones)
      expect((await assistant.request.get(`${base}/${path}`)).status(), `assistant, ${path}`).toBe(200);
    for (const path of leadsOwn) {
      expect((await assistant.request.get(`${base}/${path}`)).status(), `assistant, ${path}`).toBe(403);
      const post = await assistant.request.post(`${base}/${path}`, {
        form: { intent: "link", days: "7" },
        headers: origin,
        maxRedirects: 0,
      });
      expect([403, 405], `assistant posts, ${path}`).toContain(post.status());
    }
    for (const path of ["people", "allergies", "people/seats", `allergies/${personId}`, "teach"]) {
      const text = await (await assistant.request.get(`${base}/${path}`)).text();
      for (const hidden of ["hives within minutes", "goes easy on things", "left-handed", "Orla Harrowgate"])
        expect(text, `assistant, ${path}, ${hidden}`).not.toContain(hidden);
    }
    expect((await assistant.request.get("/outbox")).status()).toBe(403);
    expect((await nobody.request.get("/outbox", { maxRedirects: 0 })).status()).toBe(302);
    await Promise.all([nobody.close(), assistant.close(), guest.close()]);
  });

  test("malformed answers and lists over the wire: never a 500, and no row comes in by half", async ({
    page,
    browser,
    baseURL,
  }) => {
    const base = await bringIn(page, "Junior squad breakfast", "Malformed");
    const link = await classLink(page, base);
    const headers = { origin: baseURL ?? "" };
    const home = await browser.newContext({ storageState: { cookies: [], origins: [] } });
    // The same sequence every time, so that a failure can be run again.
    let state = 20261125;
    const next = (below: number) => (state = (state * 1103515245 + 12345) % 2147483648) % below;
    const junk = [
      "",
      "nothing",
      "something",
      "egg",
      "allergy",
      "\u0000",
      "x".repeat(2500),
      "6-11",
      "[]",
      "💧",
      "-1",
      "<b>",
      "'; --",
    ];
    const fields = [
      "by",
      "people[0].name",
      "people[0].answer",
      "people[0].ageBand",
      "people[0].needs[0].substance",
      "people[7].name",
      "people",
      "intent",
      "people[0].words",
      "__proto__.x",
    ];
    for (let n = 0; n < 25; n += 1) {
      const form: Record<string, string> = {};
      for (let field = next(6); field >= 0; field -= 1)
        form[fields[next(fields.length)] ?? "by"] = junk[next(junk.length)] ?? "";
      // An answer that is whole would rightly come in: these lack at least a name to answer under.
      delete form.by;
      const answer = await home.request.post(link, { form, headers, maxRedirects: 0 });
      expect(answer.status(), JSON.stringify(form).slice(0, 200)).toBeLessThan(500);
    }
    const cells = ["Ada", "", "ancient", "milk", "milk: allergy", '"', ";;;", "yes", "\t", "=1+1", "x".repeat(200)];
    for (let n = 0; n < 25; n += 1) {
      const rows = Array.from({ length: 1 + next(4) }, () =>
        Array.from({ length: 1 + next(6) }, () => cells[next(cells.length)]).join(","),
      ).join("\n");
      const form = { intent: "add", text: `name,age,avoids,answered\n${rows}\n,old,moonlight,maybe` };
      const answer = await page.request.post(`${base}/people/import`, { form, headers, maxRedirects: 0 });
      // Good rows come in, the row that is none never does.
      expect([302, 400], rows.slice(0, 200)).toContain(answer.status());
    }
    await page.goto(`${base}/people`);
    await expect(page.getByText("moonlight")).toHaveCount(0);
    await home.close();
  });
});
