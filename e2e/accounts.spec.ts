import { expect, openClass, ownClass, test, violationsOf } from "./fixtures";

test("a lead adds an assistant, who signs in, and is signed out everywhere at once", async ({
  page,
  browser,
  baseURL,
}) => {
  const email = `helper-${Date.now()}@boathouse.example`;
  await page.goto("/accounts");
  await page.getByLabel("Name").fill("Hale Dinghy");
  await page.getByLabel("E-mail address").fill(email);
  await page.getByLabel("First password").fill("short");
  await page.getByRole("button", { name: "Add the account" }).click();
  await expect(page.getByText("At least 12 letters; 5 came.")).toBeVisible();
  await expect(page.getByLabel("Name")).toHaveValue("Hale Dinghy");
  await page.getByLabel("First password").fill("oars and flour and eggs");
  await page.getByRole("button", { name: "Add the account" }).click();
  await expect(page.getByText("Hale Dinghy can sign in now.")).toBeVisible();

  const open = async () => {
    const context = await browser.newContext({
      storageState: { cookies: [], origins: [] },
      ...(baseURL ? { baseURL } : {}),
    });
    const own = await context.newPage();
    await own.goto("/kitchens");
    await own.getByLabel("E-mail address").fill(email.toUpperCase());
    await own.getByLabel("Password").fill("oars and flour and eggs");
    await own.getByRole("button", { name: "Sign in" }).click();
    await own.waitForURL(/\/kitchens$/);
    return { context, own };
  };
  const [desk, tablet] = [await open(), await open()];
  await desk.own.getByRole("button", { name: /Hale Dinghy/ }).click();
  await expect(desk.own.getByRole("menuitem", { name: "Your account, assistant" })).toBeVisible();
  await expect(desk.own.getByRole("menuitem", { name: "Accounts" })).toHaveCount(0);
  const cookie = (await desk.context.cookies()).find((one) => one.name === "__Host-apron");
  expect(cookie).toMatchObject({ httpOnly: true, secure: true, sameSite: "Lax", path: "/" });
  const answer = await desk.context.request.post("/sign-out", {
    form: { everywhere: "yes" },
    headers: { origin: baseURL ?? "" },
    maxRedirects: 0,
  });
  expect(answer.status()).toBe(302);
  await tablet.own.goto("/kitchens");
  await expect(tablet.own).toHaveURL(/\/sign-in\?back=%2Fkitchens$/);
  await desk.context.close();
  await tablet.context.close();
});

test("a role given, an account closed and opened, a letter for a forgotten password, a password of one's own", async ({
  page,
  browser,
  baseURL,
}) => {
  const email = `galley-${Date.now()}@boathouse.example`;
  await page.goto("/accounts");
  await page.getByLabel("Name").fill("Sable Rowlock");
  await page.getByLabel("E-mail address").fill(email);
  await page.getByLabel("First password").fill("oars and flour and eggs");
  await page.getByRole("button", { name: "Add the account" }).click();
  const row = page.getByRole("row").filter({ hasText: email });
  await row.getByRole("button", { name: "Make a lead" }).click();
  await expect(row).toContainText("Make an assistant");
  await row.getByRole("button", { name: "Close" }).click();
  await expect(row).toContainText("closed");

  const context = await browser.newContext({
    storageState: { cookies: [], origins: [] },
    ...(baseURL ? { baseURL } : {}),
  });
  const own = await context.newPage();
  const signIn = async (password: string) => {
    await own.goto("/sign-in");
    await own.getByLabel("E-mail address").fill(email);
    await own.getByLabel("Password").fill(password);
    await own.getByRole("button", { name: "Sign in" }).click();
  };
  await signIn("oars and flour and eggs");
  await expect(own.getByText("do not belong together")).toBeVisible();
  await row.getByRole("button", { name: "Open it again" }).click();
  await expect(row).toContainText("Make an assistant");

  // The letter says nothing of whether there is such an account; its link is good once.
  await own.getByRole("link", { name: "Forgotten password" }).click();
  await expect(own.getByRole("heading", { name: "Forgotten password" })).toBeVisible();
  await own.getByLabel("E-mail address").fill(email);
  await own.getByRole("button", { name: "Send the letter" }).click();
  await expect(own.getByText("If somebody has an account with this address")).toBeVisible();
  await page.goto("/outbox");
  const letter = page.locator("details", { hasText: email });
  await letter.locator("summary").click();
  const path = /\/new-password\/\S+/.exec((await letter.locator("pre").textContent()) ?? "")?.[0] ?? "";
  await own.goto(path);
  await own.getByLabel("New password").fill("short");
  await own.getByRole("button", { name: "Save it and sign in" }).click();
  await expect(own.getByText("At least 12 letters; 5 came.")).toBeVisible();
  await own.getByLabel("New password").fill("whisks and ladles too");
  await own.getByRole("button", { name: "Save it and sign in" }).click();
  await expect(own.getByRole("heading", { name: "Classes" })).toBeVisible();
  expect((await own.goto(path))?.status()).toBe(404);

  await own.goto("/account");
  const written = own.getByLabel("Dates, numbers, paper");
  await written.selectOption("the United States");
  await own.getByLabel("Degrees").selectOption("°F only");
  await own.getByLabel("Cups and spoons of a new class").selectOption("Australian cups, 20 ml tablespoon");
  await own.getByLabel("Pages on the screen").selectOption("dark");
  await own.getByRole("button", { name: "Save how you read" }).click();
  await expect(own.getByText("Saturday, November 28 at 2:30 PM, 356 °F; sheets print on Letter.")).toBeVisible();
  await expect(own.locator("html")).toHaveAttribute("data-shade", "dark");
  await expect(own.locator("html")).toHaveAttribute("lang", "en-US");
  expect(await violationsOf(own)).toEqual([]);
  await own.goto("/classes/new");
  await expect(own.locator("[name=measuringSetId]")).toHaveValue("au-usual");
  await own.goto("/kitchens");
  await expect(own.getByRole("main")).toContainText("pan on a stovetop");
  await own.goto("/account");
  await written.selectOption("Britain");
  await own.getByLabel("Degrees").selectOption("both");
  await own.getByLabel("Pages on the screen").selectOption("paper");
  await own.getByRole("button", { name: "Save how you read" }).click();
  await expect(own.getByText("Saturday 28 November at 14:30, 180 °C (356 °F); sheets print on A4.")).toBeVisible();
  await expect(own.locator("html")).not.toHaveAttribute("data-shade", /./);
  await own.getByLabel("Name, as it stands").fill("Sable Thwart");
  await own.getByRole("button", { name: "Save the name" }).click();
  await expect(own.getByText("Your name is saved.")).toBeVisible();
  await expect(own.getByRole("button", { name: /Sable Thwart/ })).toBeVisible();
  await own.getByLabel("As it is").fill("not this one at all");
  await own.getByLabel("New one").fill("four eggs and a rest");
  await own.getByRole("button", { name: "Save the new password" }).click();
  await expect(own.getByText("This is not your password as it is now.")).toBeVisible();
  await own.getByLabel("As it is").fill("whisks and ladles too");
  await own.getByLabel("New one").fill("four eggs and a rest");
  await own.getByRole("button", { name: "Save the new password" }).click();
  await expect(own.getByText("Your new password is saved")).toBeVisible();
  await expect(own.getByRole("button", { name: /Sable Thwart/ })).toBeVisible();
  await context.close();
});

test("an address that has an account gets no second one", async ({ page }) => {
  await page.goto("/accounts");
  await page.getByLabel("Name").fill("Somebody");
  await page.getByLabel("E-mail address").fill("assistant@boathouse.example");
  await page.getByLabel("First password").fill("a long enough password");
  await page.getByRole("button", { name: "Add the account" }).click();
  await expect(page.getByText("This address has an account already.")).toBeVisible();
});

test("after signing in one comes back only to pages of this program", async ({ browser, baseURL }) => {
  const context = await browser.newContext({
    storageState: { cookies: [], origins: [] },
    ...(baseURL ? { baseURL } : {}),
  });
  for (const back of ["//elsewhere.example/x", "https://elsewhere.example", "/\\elsewhere.example"]) {
    const answer = await context.request.post("/sign-in", {
      form: { email: "lead@boathouse.example", password: "three-bells-and-flour", back },
      headers: { origin: baseURL ?? "" },
      maxRedirects: 0,
    });
    expect(answer.headers().location, back).toBe("/");
  }
  await context.close();
});

test("files come out under the class's name and hold what the sheets say", async ({ page }) => {
  const base = await openClass(page, "Grown-ups and juniors: waffles");
  const get = async (file: string) => {
    const answer = await page.request.get(`${base}/${file}`);
    expect(answer.status(), file).toBe(200);
    expect(answer.headers()["content-disposition"], file).toMatch(
      /attachment; filename="grown-ups-and-juniors-waffles/,
    );
    expect(answer.headers()["cache-control"], file).toBe("no-store");
    return answer.text();
  };
  const timeline = (await get("timeline.csv")).trim().split("\r\n");
  expect(timeline[0]).toBe("from,to,minutes after doors,minutes,station,what,surface,pieces");
  expect(timeline).toContainEqual(expect.stringMatching(/^09:10,09:14,10,4,everyone,Mixing shown/));
  const log = await get("log.csv");
  expect(log).toMatch(/^Doors,0,0,10,12,2,/m);
  expect(log).toContain("Middle iron slow to heat again");
  expect(await get("timeline.ics")).toContain("SUMMARY:Swap turns");
  expect(await get("people.csv")).toMatch(/Rosa Dell,cook,6-11,yes,peanut: allergy,/);
  expect((JSON.parse(await get("class-file.json")) as { format: string }).format).toBe("apron-bell-class");
});

test("a class is removed by its lead, and is then nowhere", async ({ page }) => {
  const base = await ownClass(page, "Junior squad breakfast", "To be removed");
  await page.getByRole("button", { name: "More" }).click();
  await page.getByRole("menuitem", { name: /Remove the class/ }).click();
  // Enter pressed at once removes nothing.
  await expect(page.getByRole("button", { name: "Keep it" })).toBeFocused();
  await page.getByRole("button", { name: "Remove it" }).click();
  await expect(page.getByRole("heading", { name: "Classes" })).toBeVisible();
  await expect(page.getByRole("link", { name: "To be removed" })).toHaveCount(0);
  expect((await page.request.get(`${base}/brief`)).status()).toBe(404);
  // It can be had back from where it was said to be gone, and from the list of what was removed.
  await page.getByRole("button", { name: "Put it back" }).click();
  await page.waitForURL(/\/brief$/);
  await expect(page.getByRole("heading", { name: "To be removed" })).toBeVisible();
  await page.getByRole("button", { name: "More" }).click();
  await page.getByRole("menuitem", { name: /Remove the class/ }).click();
  await page.keyboard.press("Escape");
  await expect(page.getByRole("dialog")).toHaveCount(0);
  expect((await page.request.get(`${base}/brief`)).status()).toBe(200);
  await page.getByRole("button", { name: "More" }).click();
  await page.getByRole("menuitem", { name: /Remove the class/ }).click();
  await page.getByRole("button", { name: "Remove it" }).click();
  await page.waitForURL(/removed=/);
  await page.goto("/removed");
  await page.getByRole("button", { name: "Put “To be removed” back" }).click();
  await page.waitForURL(/\/brief$/);
  expect((await page.request.get(`${base}/brief`)).status()).toBe(200);
});

test("a class is planned again on another day, with its people by name and nothing they declared", async ({ page }) => {
  const base = await ownClass(page, "Junior squad breakfast", "Once a term");
  await page.getByRole("button", { name: "More" }).click();
  await page.getByRole("menuitem", { name: /Plan it again/ }).click();
  const date = page.getByRole("dialog").getByLabel("Date", { exact: true });
  // The same weekday, the next that is not over; closed by Escape, the focus goes back to the menu's key.
  await expect(date).toHaveValue(/^\d{1,2} \w{3,4} \d{4}$/);
  await page.keyboard.press("Escape");
  await expect(page.getByRole("button", { name: "More" })).toBeFocused();
  await page.getByRole("button", { name: "More" }).click();
  await page.getByRole("menuitem", { name: /Plan it again/ }).click();
  await date.fill("2026-10-03");
  await page.getByLabel("with the people, by name").check();
  await page.getByRole("button", { name: "Plan it" }).click();
  await expect(page.getByRole("form", { name: "Brief" }).getByLabel("Date", { exact: true })).toHaveValue("3 Oct 2026");
  expect(page.url()).not.toContain(base);
  await page.goto(page.url().replace("/brief", "/people"));
  await expect(page.getByRole("row", { name: /Ottoline Brask/ })).toContainText("not answered");
  await expect(page.getByText("hives within minutes")).toHaveCount(0);
});

test("a class that is held every week is planned at once, stands in the month, and is found by who is on it", async ({
  page,
}) => {
  const base = await ownClass(page, "Junior squad breakfast", "Every Saturday");
  const again = async (weeks: string) => {
    await page.getByRole("button", { name: "More" }).click();
    await page.getByRole("menuitem", { name: /Plan it again/ }).click();
    await page.getByRole("dialog").getByLabel("Date", { exact: true }).fill("6 March 2027");
    await page.getByLabel("Times in all, a week apart").fill(weeks);
    await page.getByLabel("with the people, by name").check();
    await page.getByRole("button", { name: "Plan it" }).click();
  };
  const origin = { origin: new URL(page.url()).origin };
  const form = { intent: "again", date: "6 March 2027", weeks: "900" };
  const odd = await page.request.post(base, { form, headers: origin });
  expect(odd.status()).toBe(400);
  expect(await odd.text()).toContain("Give how many times, from 1 to 40.");
  await again("3");
  await expect(page.getByRole("form", { name: "Brief" }).getByLabel("Date", { exact: true })).toHaveValue("6 Mar 2027");
  await page.goto("/month?of=2027-03");
  await expect(page.getByRole("heading", { name: "March 2027" })).toBeVisible();
  await expect(page.getByRole("link", { name: /Every Saturday/ })).toHaveCount(3);
  await page.getByRole("link", { name: "The month after" }).click();
  await expect(page.getByRole("heading", { name: "April 2027" })).toBeVisible();
  await expect(page.getByRole("link", { name: /Every Saturday/ })).toHaveCount(0);

  await page.goto("/");
  await page.getByRole("searchbox").fill("Ottoline");
  await page.getByLabel("Status").selectOption({ label: "answers are missing" });
  await page.getByRole("button", { name: "Find" }).click();
  await page.waitForURL(/find=Ottoline&is=waiting/);
  await expect(page.getByRole("link", { name: "Every Saturday" })).toHaveCount(4);
  await page.getByRole("searchbox").fill("nobody of that name");
  await page.getByRole("button", { name: "Find" }).click();
  await expect(
    page.getByText("No class has “nobody of that name” in its title, recipe, kitchen or register", { exact: false }),
  ).toBeVisible();
  await page.getByRole("link", { name: "Show every class" }).first().click();
  await expect(page).toHaveURL(/\/$/);
});
